import { type Adhesive, type Catalogue, type Estimate, adhesiveBy, cautionTexts, estimated, materialBy, toolBy } from '../catalogue';
import { type CoatNeed, poursFor } from '../coats';
import { type PartList, cutMinutes } from '../cutting';
import { coatWaits, glueWait } from '../drying';
import { areaMm2, regionBox } from '../geometry';
import type { Ground, Zones } from '../ground';
import type { Plan } from '../plan';
import { type BoardStack, type Joint, glueFit } from '../stack';
import { type Figure, given, hoursInMinutes, inSquareMetres, reckon, total } from '../units';

/** Work on one tile, then a wait that needs no hands. */
export interface Task {
  readonly id: string;
  readonly stepId: string;
  readonly tileId: string;
  readonly work: Figure<'min'>;
  /** The work without the set-up that its step shares. */
  readonly alone: Figure<'min'>;
  /** Until the next task on the same tile may start. */
  readonly wait: Figure<'min'>;
  /** Until it is through, should nothing come after. */
  readonly cure: Figure<'min'>;
}
/** The same work on several tiles, sharing one set-up and clean-up. */
export interface Step {
  readonly id: string;
  readonly name: string;
  readonly kind: 'cut' | 'glue' | 'coat' | 'pour';
  readonly tasks: readonly Task[];
  readonly work: Figure<'min'>;
  readonly cautions: readonly string[];
}

interface Draft {
  readonly id: string;
  readonly name: string;
  readonly kind: Step['kind'];
  readonly setUp: Estimate;
  readonly cautionIds: readonly string[];
  readonly tasks: readonly Task[];
}

const NO_WAIT = given('No wait', 0, 'min', 'definition');

/** Eighth stage: every step in the order of work, with its task on each tile. @source craft.md, the order of work */
export function stepsOf(
  plan: Plan,
  ground: Ground,
  zones: Zones,
  stack: BoardStack,
  parts: PartList,
  coats: readonly CoatNeed[],
  catalogue: Catalogue,
): readonly Step[] {
  const drafts = [
    cutStep('base', ground, parts, catalogue),
    glueStep(
      'base',
      stack.joints.filter(({ featureId }) => featureId === null),
      plan,
      ground,
      catalogue,
    ),
    hollowStep(ground, parts, catalogue),
    cutStep('raised', ground, parts, catalogue),
    glueStep(
      'raised',
      stack.joints.filter(({ featureId }) => featureId !== null),
      plan,
      ground,
      catalogue,
    ),
    ...coatSteps(plan, ground, zones, coats, catalogue),
  ];
  return drafts.filter(({ tasks }) => tasks.length > 0).map((draft) => withSetUp(draft, catalogue));
}

/** The first tile of a step carries its set-up and clean-up. */
function withSetUp({ id, name, kind, setUp, cautionIds, tasks }: Draft, catalogue: Catalogue): Step {
  const [first, ...rest] = tasks;
  const all = [
    {
      ...first!,
      work: reckon(
        `${name}, ${first!.tileId}, with set-up and clean-up`,
        'min',
        first!.work,
        '+',
        estimated('Set-up and clean-up, once', setUp, 'min'),
      ),
    },
    ...rest,
  ];
  return {
    id,
    name,
    kind,
    tasks: all,
    work: total(
      name,
      'min',
      all.map(({ work }) => work),
    ),
    cautions: cautionTexts(catalogue, cautionIds),
  };
}

function cutStep(stage: 'base' | 'raised', ground: Ground, { parts }: PartList, catalogue: Catalogue): Draft {
  const name = stage === 'base' ? 'Cut the ground' : 'Cut raised ground';
  // A rim is cut with the ground it goes round.
  const mine = parts.filter((part) => (part.stage === 'raised') === (stage === 'raised'));
  const tools = new Set(mine.map(({ materialId }) => toolBy(catalogue, materialBy(catalogue, materialId).toolId)));
  return {
    id: `cut-${stage}`,
    name,
    kind: 'cut',
    setUp: catalogue.bench.cuttingSetUpMin,
    cautionIds: [...tools].flatMap(({ cautionIds }) => cautionIds),
    tasks: ground.tiles.flatMap((tile) => {
      const here = mine.filter(({ tileId }) => tileId === tile.id);
      return here.length === 0 ? [] : [task(`cut-${stage}`, tile.id, cutMinutes(`${name}, ${tile.id}`, here, catalogue), NO_WAIT)];
    }),
  };
}

function hollowStep(ground: Ground, { hollows }: PartList, catalogue: Catalogue): Draft {
  const name = 'Carve pits';
  return {
    id: 'carve',
    name,
    kind: 'cut',
    setUp: catalogue.bench.cuttingSetUpMin,
    cautionIds: catalogue.bench.hollowCautionIds,
    tasks: ground.tiles.flatMap((tile) => {
      const here = hollows.filter(({ tileId }) => tileId === tile.id);
      if (here.length === 0) return [];
      const area = total(
        `Floors to carve, ${tile.id}`,
        'mm²',
        here.map(({ areaMm2, featureId }) => given(`Floor in ${tile.id}, ${featureId}`, areaMm2, 'mm²', 'drawing')),
      );
      const hours = reckon(
        `${name}, ${tile.id}, hours`,
        'h',
        inSquareMetres(area),
        '÷',
        estimated('Carved in an hour', catalogue.bench.hollowM2PerH, 'm²/h'),
      );
      return [task('carve', tile.id, hoursInMinutes(hours), NO_WAIT)];
    }),
  };
}

/** All joints of a tile are glued in one go; the slowest of them sets the wait. */
function glueStep(stage: 'base' | 'raised', joints: readonly Joint[], plan: Plan, ground: Ground, catalogue: Catalogue): Draft {
  const name = stage === 'base' ? 'Glue the ground, weigh down' : 'Glue raised ground, weigh down';
  const adhesives = [...new Set(joints.map(({ adhesiveId }) => adhesiveId))].map((id) => adhesiveBy(catalogue, id));
  const tasks = ground.tiles.flatMap((tile): Task[] => {
    const faces = joints
      .map((joint) => ({ joint, areaMm2: joint.area.value * shareOnTile(joint, tile.id, ground) }))
      .filter(({ areaMm2 }) => areaMm2 > 1);
    if (faces.length === 0) return [];
    const spreading = faces.map(({ joint, areaMm2 }) => {
      const adhesive = adhesiveBy(catalogue, joint.adhesiveId);
      const face = inSquareMetres(given(`${joint.label}, ${tile.id}`, areaMm2, 'mm²', 'drawing'));
      return reckon(
        `${joint.label}, ${tile.id}: spreading`,
        'min',
        face,
        '×',
        given(`${adhesive.name}, a square metre`, adhesive.spreadMinPerM2, 'min/m²', 'catalogue', 'workshop default'),
      );
    });
    const weights = given(
      'Weights on and off',
      Math.max(...faces.map(({ joint }) => adhesiveBy(catalogue, joint.adhesiveId).weightsMin)),
      'min',
      'catalogue',
      'workshop default',
    );
    const waits = faces.map(({ joint }) => jointWait(joint, adhesiveBy(catalogue, joint.adhesiveId), tile, plan, ground, catalogue));
    const slowest = waits.reduce((a, b) => (b.value > a.value ? b : a));
    return [task(`glue-${stage}`, tile.id, total(`${name}, ${tile.id}`, 'min', [...spreading, weights]), slowest)];
  });
  return {
    id: `glue-${stage}`,
    name,
    kind: 'glue',
    setUp: catalogue.bench.glueSetUpMin,
    cautionIds: adhesives.flatMap(({ cautionIds }) => cautionIds),
    tasks,
  };
}

function shareOnTile(joint: Joint, tileId: string, ground: Ground): number {
  if (joint.featureId === null) {
    const { box } = ground.tiles.find(({ id }) => id === tileId)!;
    return ((box.right - box.left) * (box.bottom - box.top)) / ground.tableArea.value;
  }
  const onTile = ground.onTile.get(tileId)!.find(({ land }) => land.id === joint.landId);
  if (onTile === undefined || onTile.body.rings.length === 0) return 0;
  const whole = ground.features.find(({ landId }) => landId === joint.landId)!.body.value;
  return whole <= 0 ? 0 : Math.min(1, areaMm2(onTile.body) / whole);
}

function jointWait(
  joint: Joint,
  adhesive: Adhesive,
  tile: Ground['tiles'][number],
  plan: Plan,
  ground: Ground,
  catalogue: Catalogue,
): Figure<'min'> {
  const isSealedIn = glueFit(adhesive, joint.lowerMaterialId, joint.upperMaterialId, catalogue) === 'never-dries';
  const body = ground.onTile.get(tile.id)!.find(({ land }) => land.id === joint.landId)?.body;
  const { left, top, right, bottom } = body === undefined || body.rings.length === 0 ? tile.box : regionBox(body);
  return glueWait(adhesive, isSealedIn, Math.min(right - left, bottom - top) / 2, plan.climate, catalogue);
}

/** Coats of all kinds of surface merged by rank: what is the same stuff put on in the same way is one step for a tile. */
function coatSteps(plan: Plan, ground: Ground, zones: Zones, coats: readonly CoatNeed[], catalogue: Catalogue): Draft[] {
  const groups = new Map<string, CoatNeed[]>();
  for (const need of coats) {
    const nth = coats
      .filter((other) => other.zone === need.zone && other.stuff === need.stuff && other.method === need.method)
      .indexOf(need);
    const key = `${need.stuff.id}-${need.method.id}-${nth + 1}`;
    groups.set(key, [...(groups.get(key) ?? []), need]);
  }
  const sorted = [...groups].sort(([, a], [, b]) => a[0]!.method.rank - b[0]!.method.rank);
  return sorted.flatMap(([key, needs]) =>
    needs[0]!.stuff.spread.by === 'depth'
      ? pourSteps(key, needs, plan, ground, zones, catalogue)
      : [coatStep(key, needs, plan, ground, zones, catalogue)],
  );
}

function coatStep(key: string, needs: readonly CoatNeed[], plan: Plan, ground: Ground, zones: Zones, catalogue: Catalogue): Draft {
  const { stuff, method } = needs[0]!;
  const name = `${stuff.name}, ${method.name}`;
  // The thickest film of the step is the one waited for.
  const filmMm = needs.reduce<number | null>((most, need) => (need.filmMm === null ? most : Math.max(most ?? 0, need.filmMm)), null);
  const waits = coatWaits(stuff, filmMm, plan.climate, catalogue);
  const tasks = ground.tiles.flatMap((tile): Task[] => {
    const here = zones.byTile.filter((zone) => zone.tileId === tile.id && needs.some((need) => need.zone === zone.kind));
    if (here.length === 0) return [];
    const area = total(
      `${name}, ${tile.id}: surface`,
      'mm²',
      here.map((zone) => given(`${tile.id}, ${zone.kind}`, zone.coatedMm2, 'mm²', 'drawing')),
    );
    return [task(key, tile.id, byRate(`${name}, ${tile.id}`, area, needs[0]!), waits.recoat, waits.cure)];
  });
  return { id: key, name, kind: 'coat', setUp: setUpOf(needs[0]!), cautionIds: [...stuff.cautionIds, ...method.cautionIds], tasks };
}

/** Deep water is poured in several goes, each a step of its own with its wait. */
function pourSteps(key: string, needs: readonly CoatNeed[], plan: Plan, ground: Ground, zones: Zones, catalogue: Catalogue): Draft[] {
  const { stuff, method } = needs[0]!;
  const maxPourMm = stuff.spread.by === 'depth' ? stuff.spread.maxPourMm : Infinity;
  const waits = coatWaits(stuff, null, plan.climate, catalogue);
  const poursOn = (tileId: string): number => {
    const waters = ground.onTile
      .get(tileId)!
      .filter(({ shows }) => shows.rings.length > 0)
      .map(({ land: { feature } }) => (feature.kind === 'water' ? poursFor(feature.waterMm, maxPourMm) : 0));
    return Math.max(0, ...waters);
  };
  const most = Math.max(0, ...ground.tiles.map(({ id }) => poursOn(id)));
  return Array.from({ length: most }, (_, pour) => {
    const name = most === 1 ? `${stuff.name}, ${method.name}` : `${stuff.name}, ${method.name} ${pour + 1} of ${most}`;
    const id = `${key}-${pour + 1}`;
    const tasks = ground.tiles.flatMap((tile): Task[] => {
      const here = zones.byTile.find((zone) => zone.tileId === tile.id && zone.kind === 'water');
      if (here === undefined || poursOn(tile.id) <= pour) return [];
      const area = given(`Water on ${tile.id}`, here.surfaceMm2, 'mm²', 'drawing');
      return [task(id, tile.id, byRate(`${name}, ${tile.id}`, area, needs[0]!), waits.recoat, waits.cure)];
    });
    return { id, name, kind: 'pour', setUp: setUpOf(needs[0]!), cautionIds: [...stuff.cautionIds, ...method.cautionIds], tasks };
  });
}

function byRate(label: string, area: Figure<'mm²'>, { method }: CoatNeed): Figure<'min'> {
  return hoursInMinutes(reckon(label, 'h', inSquareMetres(area), '÷', estimated(`${method.name}, an hour`, method.m2PerH, 'm²/h')));
}

const setUpOf = ({ method }: CoatNeed): Estimate => ({
  value: method.setUpMin,
  low: method.setUpMin,
  high: method.setUpMin,
  origin: 'workshop default',
});

const task = (stepId: string, tileId: string, work: Figure<'min'>, wait: Figure<'min'>, cure: Figure<'min'> = wait): Task => ({
  id: `${stepId}-${tileId}`,
  stepId,
  tileId,
  work,
  alone: work,
  wait,
  cure,
});
