import { type Catalogue, estimated, thicknessesOf } from '../catalogue';
import { isEmpty } from '../geometry';
import { type Ground, type Sunk, isSunk } from '../ground';
import type { Feature, Plan } from '../plan';
import type { BoardStack } from '../stack';
import { type Figure, given, lengthWords, reckon } from '../units';
import type { Mend } from './mends';
import type { Warning } from './warning';

/** Checks of what is drawn: pits against the foam, water against its bed, heights against the stock, features off the table. */
export function* groundWarnings(plan: Plan, ground: Ground, stack: BoardStack, catalogue: Catalogue): Generator<Warning> {
  for (const feature of plan.features) {
    const own = ground.lands.filter((land) => land.feature === feature);
    if (own.every(({ whole }) => isEmpty(whole))) yield offTable(feature.id, feature.name);
    else if (isSunk(feature)) yield* pitWarnings(feature, plan, stack, catalogue);
  }
  yield* heightWarnings(stack, plan.units, catalogue);
}

function offTable(featureId: string, name: string): Warning {
  return {
    id: `ground/off-table ${featureId}`,
    code: 'ground/off-table',
    severity: 'care',
    view: 'ground',
    featureId,
    title: name,
    text: ['lies wholly off the table and comes to nothing.'],
    mends: [{ code: 'feature/remove', featureId, label: 'Remove it' }],
  };
}

/** @source craft.md §2: floor left under a pit ≥ a stated minimum, or a deliberate cut-through */
function* pitWarnings(feature: Sunk, plan: Plan, stack: BoardStack, catalogue: Catalogue): Generator<Warning> {
  const depth = given(`${feature.name}, depth`, feature.depthMm, 'mm', 'plan');
  const floor = reckon(`${feature.name}, floor left`, 'mm', stack.ground, '−', depth);
  const least = estimated('Least floor under a pit', catalogue.bench.floorMinMm, 'mm');
  if (!feature.cutThrough && floor.value < least.value) {
    yield {
      id: `pit/too-deep ${feature.id}`,
      code: 'pit/too-deep',
      severity: 'stop',
      view: 'ground',
      featureId: feature.id,
      title: feature.name,
      text:
        floor.value < 0
          ? ['is deeper than the foam by ', negated(floor), '. One can build up later, never down.']
          : [floor, ' of floor is left under it; it needs ', least, ' or it breaks through.'],
      mends: [
        ...thickerGround(plan, stack, feature.depthMm + least.value, catalogue),
        ...shallower(feature, stack.ground.value - least.value, plan.units),
        {
          code: 'pit/cut-through',
          featureId: feature.id,
          label: plan.stack.substrate === null ? 'Cut right through' : 'Cut down to the substrate',
        },
      ],
    };
  }
  if (feature.kind === 'water' && feature.waterMm > feature.depthMm) {
    const water = given(`${feature.name}, water`, feature.waterMm, 'mm', 'plan');
    yield {
      id: `water/over-brim ${feature.id}`,
      code: 'water/over-brim',
      severity: 'stop',
      view: 'ground',
      featureId: feature.id,
      title: feature.name,
      text: ['holds water to ', depth, '; ', water, ' would run over.'],
      mends: [
        { code: 'water/depth', featureId: feature.id, waterMm: feature.depthMm, label: 'Fill to the brim' },
        {
          code: 'pit/depth',
          featureId: feature.id,
          depthMm: feature.waterMm,
          label: `Sink it ${lengthWords(feature.waterMm, plan.units)}`,
        },
      ],
    };
  }
}

const negated = (figure: Figure<'mm'>): Figure<'mm'> => reckon('Too deep by', 'mm', given('Level', 0, 'mm', 'definition'), '−', figure);

/** The thinnest stock for the top layer that leaves floor enough; none where even the thickest would not do. */
function thickerGround(plan: Plan, stack: BoardStack, neededMm: number, catalogue: Catalogue): Mend[] {
  const top = plan.stack.ground.at(-1)!;
  const below = stack.ground.value - top.thicknessMm;
  const thicknessMm = thicknessesOf(catalogue, top.materialId).find((thickness) => below + thickness >= neededMm);
  return thicknessMm === undefined
    ? []
    : [{ code: 'ground/thickness', layerId: top.id, thicknessMm, label: `Make the top layer ${lengthWords(thicknessMm, plan.units)}` }];
}

function shallower(feature: Sunk, depthMm: number, units: Plan['units']): Mend[] {
  return depthMm < 1 ? [] : [{ code: 'pit/depth', featureId: feature.id, depthMm, label: `Sink it ${lengthWords(depthMm, units)}` }];
}

function* heightWarnings(stack: BoardStack, units: Plan['units'], catalogue: Catalogue): Generator<Warning> {
  const tolerance = estimated('Height may miss by', catalogue.bench.raisedToleranceMm, 'mm');
  const told = new Set<string>();
  for (const {
    land: { feature, baseMm, levelMm },
    buildUp,
  } of stack.raised) {
    // A bank or ramp is carved to its height; of the steps of one feature the first that misses is enough.
    if (buildUp !== null && (isCarved(feature) || Math.abs(buildUp.errorMm) <= tolerance.value + 1e-9)) continue;
    if (told.has(feature.id)) continue;
    told.add(feature.id);
    const wanted = given(`${feature.name}, height over its foot`, levelMm - baseMm, 'mm', 'plan');
    const common = {
      id: `raised/no-such-height ${feature.id}`,
      code: 'raised/no-such-height',
      severity: 'care',
      view: 'section',
      featureId: feature.id,
      title: feature.name,
    } as const;
    if (buildUp === null) {
      yield { ...common, severity: 'stop', text: ['needs ', wanted, ' of foam, and no sheet of that material is stocked.'], mends: [] };
      continue;
    }
    const nearest = given('Nearest build-up', buildUp.heightMm, 'mm', 'layout', `layers of ${buildUp.thicknessesMm.join(' + ')} mm`);
    yield {
      ...common,
      text: ['wants ', wanted, '; stock layers come to ', nearest, ', more than ', tolerance, ' off.'],
      mends: [stockHeight(feature, baseMm, buildUp.heightMm, units)],
    };
  }
}

const isCarved = (feature: Feature): boolean => feature.kind === 'bank' || feature.kind === 'ramp';

/** The height that the nearest stock makes: of the whole feature, or of each of its steps. */
function stockHeight(feature: Feature, baseMm: number, builtMm: number, units: Plan['units']): Mend {
  if (feature.kind === 'hill')
    return { code: 'hill/step', featureId: feature.id, stepMm: builtMm, label: `Make each step ${lengthWords(builtMm, units)}` };
  const heightMm = feature.kind === 'raised' && feature.steps > 1 ? builtMm * feature.steps : baseMm + builtMm;
  return { code: 'raised/height', featureId: feature.id, heightMm, label: `Make it ${lengthWords(heightMm, units)} high` };
}
