import { type Feature, type FeatureOf, grooveDepths } from '../../plan/features';
import { type Battery, type Catalogue, batteryBy, estimated, lampBy } from '../../catalogue';
import { boxRegion, intersection, isEmpty } from '../../base/geometry';
import type { Ground } from '../../terrain/ground';
import { type Figure, type MeasureSystem, given, lengthWords } from '../../base/units';
import type { QuickFix, Warning } from './warning';

type LightFeature = FeatureOf<'light'>;
interface Inputs {
  readonly features: readonly Feature[];
  readonly units: MeasureSystem;
  readonly ground: Ground;
  readonly groundHeight: Figure<'mm'>;
  readonly catalogue: Catalogue;
}

/** Small lights: the battery box must fit the foam, the groove must leave a floor, and the cell must drive the lamp. @source craft.md §14 */
export function* lightWarnings({ features, units, ground, groundHeight, catalogue }: Inputs): Generator<Warning> {
  const least = estimated('Minimum floor under a groove', catalogue.bench.floorMinMm, 'mm');
  for (const light of features) {
    if (light.kind !== 'light') continue;
    const common = { featureId: light.id, title: light.name } as const;
    const { underGroove, underPocket } = grooveDepths(light, groundHeight, catalogue);
    const battery = batteryBy(catalogue, light.batteryId);
    if (underPocket.value < 0) {
      yield {
        ...common,
        id: `light/pocket ${light.id}`,
        code: 'light/pocket',
        severity: 'stop',
        text: [
          `${battery.name} is `,
          given('Battery box', battery.heightMm, 'mm', 'catalogue'),
          ' high and would cut through the foam of ',
          groundHeight,
          '.',
        ],
        mends: flatterBatteries(light, groundHeight.value, catalogue),
      };
    }
    if (underGroove.value < least.value) {
      const grooveMm = Math.floor(groundHeight.value - least.value);
      yield {
        ...common,
        id: `light/groove ${light.id}`,
        code: 'light/groove',
        severity: 'stop',
        text: ['leaves ', underGroove, ' of foam under its groove; at least ', least, '.'],
        mends:
          grooveMm >= 1
            ? [
                {
                  edit: { code: 'feature/set', featureId: light.id, change: { grooveMm }, what: 'Change the groove of' },
                  label: `Cut it ${lengthWords(grooveMm, units)} deep`,
                },
              ]
            : [],
      };
    }
    yield* throughHoles(light, ground, battery.widthMm);
    const lamp = lampBy(catalogue, light.lampId);
    if (battery.volts <= lamp.volts) {
      yield {
        ...common,
        id: `light/volts ${light.id}`,
        code: 'light/volts',
        severity: 'stop',
        text: [
          `${battery.name} gives `,
          given(battery.name, battery.volts, 'V', 'catalogue'),
          `, no more than ${lamp.name.toLowerCase()} can take.`,
        ],
        mends: catalogue.batteries.filter(({ volts }) => volts > lamp.volts).map((other) => withBattery(light, other)),
      };
    }
  }
}

const flatterBatteries = (light: LightFeature, groundMm: number, catalogue: Catalogue): QuickFix[] =>
  catalogue.batteries
    .filter(({ heightMm, volts }) => heightMm <= groundMm && volts > lampBy(catalogue, light.lampId).volts)
    .map((other) => withBattery(light, other));

const withBattery = ({ id: featureId }: LightFeature, { id, name }: Battery): QuickFix => ({
  edit: { code: 'feature/set', featureId, change: { batteryId: id }, what: 'Another battery for' },
  label: name,
});

/** A groove or pocket that runs into a pit has no foam to lie in. */
function* throughHoles(light: LightFeature, ground: Ground, boxMm: number): Generator<Warning> {
  const land = ground.lands.find(({ feature }) => feature === light);
  if (land === undefined || isEmpty(land.whole)) return;
  const { x, y } = light.shape.points[0]!;
  const pocket = boxRegion({ left: x - boxMm / 2, top: y - boxMm / 2, right: x + boxMm / 2, bottom: y + boxMm / 2 });
  const hit = ground.lands.find(
    (other) => other.role === 'hole' && [land.whole, pocket].some((region) => !isEmpty(intersection(other.body, region))),
  );
  if (hit === undefined) return;
  yield {
    id: `light/in-hole ${light.id}`,
    code: 'light/in-hole',
    severity: 'care',
    featureId: light.id,
    title: light.name,
    text: [`runs through ${hit.name}. The cable would be exposed there. Route it around.`],
    mends: [],
  };
}
