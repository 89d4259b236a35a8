import { type Catalogue, estimated, regionOf, thicknessesOf } from '../../catalogue';
import { areaMm2, isEmpty } from '../../base/geometry';
import { listedBy } from '../../base/grouping';
import { tidyMm } from '../../base/rounding';
import { type Figure, given, lengthWords, calculate } from '../../base/units';
import { type Feature, kindOf, reshaped } from '../../plan/features';
import { type Ground, type Land, tableBox } from '../../terrain/ground';
import type { Plan } from '../../plan';
import { movedBy, shapeBox, shapeRegion } from '../../plan/shapes';
import type { BoardStack } from '../../build/stack';
import type { QuickFix, Warning } from './warning';

interface Drawn extends Pick<Plan, 'table' | 'features' | 'units'> {
  readonly layers: Plan['stack'];
}
interface Inputs extends Drawn {
  readonly ground: Ground;
  readonly stack: Pick<BoardStack, 'ground' | 'raised'>;
  readonly catalogue: Catalogue;
}

/** Checks of what is drawn: pits against the foam, water against its bed, heights against the stock, features off the table. */
export function* groundWarnings(inputs: Inputs): Generator<Warning> {
  const { features, ground } = inputs;
  const lands = listedBy(ground.lands, ({ feature }) => feature.id);
  for (const feature of features) {
    const own = lands.get(feature.id) ?? [];
    if (own.every(({ whole }) => isEmpty(whole))) yield offTable(feature.id, feature.name);
    else {
      yield* partlyOff(feature, own, inputs);
      yield* pitWarnings(feature, inputs);
    }
  }
  yield* heightWarnings(inputs);
}

function offTable(featureId: string, name: string): Warning {
  return {
    id: `ground/off-table ${featureId}`,
    code: 'ground/off-table',
    severity: 'care',
    featureId,
    title: name,
    text: ['is completely off the table and has no effect.'],
    mends: [{ edit: { code: 'features/remove', featureIds: [featureId] }, label: 'Remove it' }],
  };
}

/** What lies over the edge by less than this is a line drawn a little too far. */
const OVER_MM = 1;
/** And by less than this share of it, what nobody would miss. */
const MIN_SHARE = 0.02;

/** What hangs over the edge is cut off: told, with how far it is to the table. Routes and banks are run over the edge on purpose. */
function* partlyOff(feature: Feature, lands: readonly Land[], { table, units }: Drawn): Generator<Warning> {
  const { shape, id, name, locked } = feature;
  if (shape.form === 'strip' || lands.every(({ role }) => role === 'mark')) return;
  const box = tableBox(table);
  const own = shapeBox(shape);
  const [overLeft, overRight] = [box.left - own.left, own.right - box.right];
  const [overBack, overNear] = [box.top - own.top, own.bottom - box.bottom];
  const overMm = Math.max(overLeft, overRight, overBack, overNear);
  if (overMm < OVER_MM) return;
  const wholeMm2 = areaMm2(shapeRegion(shape));
  const lostMm2 = wholeMm2 - areaMm2(lands[0]!.whole);
  if (lostMm2 < wholeMm2 * MIN_SHARE) return;
  const [dxMm, dyMm] = [inwards(overLeft, overRight), inwards(overBack, overNear)];
  // Wider than the table, it hangs over whichever way it is moved.
  const moved = shapeBox(reshaped(feature, movedBy(shape, dxMm, dyMm)).shape);
  const fits =
    moved.left >= box.left - 0.01 && moved.right <= box.right + 0.01 && moved.top >= box.top - 0.01 && moved.bottom <= box.bottom + 0.01;
  yield {
    id: `ground/partly-off ${id}`,
    code: 'ground/partly-off',
    severity: 'care',
    featureId: id,
    title: name,
    text: [
      'hangs ',
      given(`${name}, over the edge`, overMm, 'mm', 'drawing', 'overhang of its bounding box'),
      ' over the edge of the table; ',
      given(`${name}, cut off`, lostMm2, 'mm²', 'drawing', 'measured on the plan'),
      ' of it is cut off.',
    ],
    mends:
      locked || !fits
        ? []
        : [
            {
              edit: { code: 'feature/move', featureId: id, dxMm, dyMm },
              label: `Move it ${lengthWords(tidyMm(overMm), units)} onto the table`,
            },
          ],
  };
}
/** How far to move what hangs over one side or the other. */
const inwards = (overLowMm: number, overHighMm: number): number => tidyMm(overLowMm > 0 ? overLowMm : overHighMm > 0 ? -overHighMm : 0);

/** @source craft.md §2: floor left under a pit ≥ a stated minimum, or a deliberate cut-through */
function* pitWarnings(feature: Feature, inputs: Inputs): Generator<Warning> {
  const { layers, units, stack, catalogue } = inputs;
  const pit = kindOf(feature).sunk?.(feature);
  if (pit === undefined) return;
  const { id, name } = feature;
  const depth = given(`${name}, depth`, pit.depthMm, 'mm', 'plan');
  const floor = calculate(`${name}, floor left`, 'mm', stack.ground, '−', depth);
  const least = estimated('Minimum floor under a pit', catalogue.bench.floorMinMm, 'mm');
  if (!pit.cutThrough && floor.value < least.value) {
    yield {
      id: `pit/too-deep ${id}`,
      code: 'pit/too-deep',
      severity: 'stop',
      featureId: id,
      title: name,
      text:
        floor.value < 0
          ? ['goes deeper than the foam by ', negated(floor), '. You can add height later, but not depth.']
          : [floor, ' of foam is left under it; at least ', least, ' is needed or the floor may break through.'],
      mends: [
        ...thickerGround(pit.depthMm + least.value, inputs),
        ...sunkTo(feature, stack.ground.value - least.value, units),
        {
          edit: { code: 'feature/set', featureId: id, change: { cutThrough: true }, what: 'Cut through' },
          label: layers.substrate === null ? 'Cut through' : 'Cut down to the substrate',
        },
      ],
    };
  }
  if (pit.waterMm !== null && pit.waterMm > pit.depthMm) {
    yield {
      id: `water/over-brim ${id}`,
      code: 'water/over-brim',
      severity: 'stop',
      featureId: id,
      title: name,
      text: ['can hold water up to ', depth, '; ', given(`${name}, water`, pit.waterMm, 'mm', 'plan'), ' would overflow.'],
      mends: [
        { edit: { code: 'feature/set', featureId: id, change: { waterMm: pit.depthMm }, what: 'Fill' }, label: 'Fill to the brim' },
        ...sunkTo(feature, pit.waterMm, units),
      ],
    };
  }
}

const negated = (figure: Figure<'mm'>): Figure<'mm'> => calculate('Too deep by', 'mm', given('Level', 0, 'mm', 'definition'), '−', figure);

/** The thinnest stock for the top layer that leaves floor enough; none where even the thickest would not do. */
function thickerGround(neededMm: number, { layers, stack, units, catalogue }: Inputs): QuickFix[] {
  const { id, materialId, thicknessMm: ownMm } = layers.ground.at(-1)!;
  const thicknessMm = thicknessesOf(catalogue, materialId, regionOf([ownMm], catalogue)).find(
    (thickness) => stack.ground.value - ownMm + thickness >= neededMm,
  );
  if (thicknessMm === undefined) return [];
  return [
    {
      edit: { code: 'layer/sheet', layer: { kind: 'ground', layerId: id }, materialId, thicknessMm },
      label: `Make the top layer ${lengthWords(thicknessMm, units)}`,
    },
  ];
}

function sunkTo(feature: Feature, depthMm: number, units: Plan['units']): QuickFix[] {
  const sunk = depthMm < 1 ? null : (kindOf(feature).atLevel?.(feature, -depthMm) ?? null);
  return sunk === null
    ? []
    : [{ edit: { code: 'features/put', features: [sunk], how: 'Sink' }, label: `Sink it ${lengthWords(depthMm, units)}` }];
}

function* heightWarnings({ stack, units, catalogue }: Inputs): Generator<Warning> {
  const tolerance = estimated('Height tolerance', catalogue.bench.raisedToleranceMm, 'mm');
  const told = new Set<string>();
  for (const {
    land: { feature, baseMm, levelMm },
    buildUp,
  } of stack.raised) {
    const kind = kindOf(feature);
    // What is carved is carved to its height; of the steps of one feature the first that misses is enough.
    if (buildUp !== null && (kind.isCarved || Math.abs(buildUp.errorMm) <= tolerance.value + 1e-9)) continue;
    if (told.has(feature.id)) continue;
    told.add(feature.id);
    const wanted = given(`${feature.name}, height over its foot`, levelMm - baseMm, 'mm', 'plan');
    const common = {
      id: `raised/no-such-height ${feature.id}`,
      code: 'raised/no-such-height',
      severity: 'care',
      featureId: feature.id,
      title: feature.name,
    } as const;
    if (buildUp === null) {
      yield { ...common, severity: 'stop', text: ['needs ', wanted, ' of foam, but no sheet of that material is stocked.'], mends: [] };
      continue;
    }
    const nearest = given('Nearest build-up', buildUp.heightMm, 'mm', 'layout', `layers of ${buildUp.thicknessesMm.join(' + ')} mm`);
    const built = kind.asBuilt?.(feature, baseMm, buildUp.heightMm);
    yield {
      ...common,
      text: ['should be ', wanted, ' high; the nearest stock layers give ', nearest, ', more than ', tolerance, ' off.'],
      mends:
        built === undefined
          ? []
          : [
              {
                edit: { code: 'features/put', features: [built.feature], how: 'Build to stock:' },
                label:
                  built.words === 'step'
                    ? `Make each step ${lengthWords(built.mm, units)}`
                    : `Make it ${lengthWords(built.mm, units)} high`,
              },
            ],
    };
  }
}
