import { type Adhesive, type Catalogue, type Estimate, adhesiveBy, cautionTexts, estimated, stuffBy } from '../catalogue';
import { type CoatNeed, type SealNeed, poursFor } from '../coats';
import type { CutJob, PartList } from '../cutting';
import { coatWaits, glueWait } from '../drying';
import { areaMm2, regionBox } from '../geometry';
import type { Ground, Zones } from '../ground';
import type { Plan } from '../plan';
import { type BoardStack, type Joint, glueFit } from '../stack';
import { type Figure, given, hoursInMinutes, inMetres, inSquareMetres, reckon, total } from '../units';

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
  jobs: readonly CutJob[],
  minutes: ReadonlyMap<string, Figure<'min'>>,
  coats: readonly CoatNeed[],
  sealing: SealNeed | null,
  catalogue: Catalogue,
): readonly Step[] {
  const jointsOf = (part: Joint['place']['part']): readonly Joint[] => stack.joints.filter(({ place }) => place.part === part);
  const drafts = [
    cutStep('base', ground, jobs, minutes, catalogue),
    ...(sealing === null ? [] : [sealStep(sealing, plan, ground, catalogue)]),
    glueStep('base', jointsOf('ground'), plan, zones, ground, catalogue),
    ...(plan.stack.edges === 'trim-after' ? [trimStep(jointsOf('ground'), ground, catalogue)] : []),
    hollowStep(ground, parts, catalogue),
    cutStep('raised', ground, jobs, minutes, catalogue),
    glueStep('raised', jointsOf('raised'), plan, zones, ground, catalogue),
    cutStep('facing', ground, jobs, minutes, catalogue),
    glueStep('facing', jointsOf('facing'), plan, zones, ground, catalogue),
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

type Stage = 'base' | 'raised' | 'facing';
const CUT_NAMES: Readonly<Record<Stage, string>> = { base: 'Cut the ground', raised: 'Cut raised ground', facing: 'Cut coverings' };
const GLUE_NAMES: Readonly<Record<Stage, string>> = {
  base: 'Glue the ground, weigh down',
  raised: 'Glue raised ground, weigh down',
  facing: 'Glue coverings, weigh down',
};

function cutStep(
  stage: Stage,
  ground: Ground,
  jobs: readonly CutJob[],
  minutes: ReadonlyMap<string, Figure<'min'>>,
  catalogue: Catalogue,
): Draft {
  const name = CUT_NAMES[stage];
  // A rim is cut with the ground it goes round.
  const mine = jobs.map((job) => ({ job, parts: job.parts.filter((part) => (part.stage === 'rim' ? 'base' : part.stage) === stage) }));
  return {
    id: `cut-${stage}`,
    name,
    kind: 'cut',
    setUp: catalogue.bench.cuttingSetUpMin,
    cautionIds: mine.filter(({ parts }) => parts.length > 0).flatMap(({ job }) => job.tool.cautionIds),
    tasks: ground.tiles.flatMap((tile) => {
      const here = mine.flatMap(({ parts }) => parts.filter(({ tileId }) => tileId === tile.id));
      if (here.length === 0) return [];
      const work = total(
        `${name}, ${tile.id}`,
        'min',
        here.map(({ id }) => minutes.get(id)!),
      );
      return [task(`cut-${stage}`, tile.id, work, NO_WAIT)];
    }),
  };
}

/** Faces that are sealed before anything is glued to them. */
function sealStep({ stuff, faces }: SealNeed, plan: Plan, ground: Ground, catalogue: Catalogue): Draft {
  const name = `Seal boards, ${stuff.name.toLowerCase()}`;
  const waits = coatWaits(stuffBy(catalogue, stuff.id), null, plan.climate, catalogue);
  return {
    id: 'seal',
    name,
    kind: 'coat',
    setUp: catalogue.bench.glueSetUpMin,
    cautionIds: stuff.cautionIds,
    tasks: ground.tiles.map((tile) => {
      const share = given(`${tile.id}: share of the table`, tileShare(tile, ground), '1', 'drawing');
      const here = reckon(`${tile.id}: faces to seal`, 'm²', inSquareMetres(faces), '×', share);
      const rate = estimated('Sealing a square metre', catalogue.bench.sealMinPerM2, 'min/m²');
      return task('seal', tile.id, reckon(`${name}, ${tile.id}`, 'min', here, '×', rate), waits.recoat);
    }),
  };
}

/** Layers glued oversize are cut flush along all four sides, with the lowest as the guide. */
function trimStep(joints: readonly Joint[], ground: Ground, catalogue: Catalogue): Draft {
  const name = 'Trim flush';
  return {
    id: 'trim',
    name,
    kind: 'cut',
    setUp: catalogue.bench.cuttingSetUpMin,
    cautionIds: catalogue.bench.hollowCautionIds,
    tasks:
      joints.length === 0
        ? []
        : ground.tiles.map((tile) => {
            const { left, top, right, bottom } = tile.cutBox;
            const round = inMetres(given(`${tile.id}, all round`, 2 * (right - left + bottom - top), 'mm', 'drawing'));
            const speed = estimated('Trimmed in a minute', catalogue.bench.trimFlushMPerMin, 'm/min');
            return task('trim', tile.id, reckon(`${name}, ${tile.id}`, 'min', round, '÷', speed), NO_WAIT);
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
function glueStep(stage: Stage, joints: readonly Joint[], plan: Plan, zones: Zones, ground: Ground, catalogue: Catalogue): Draft {
  const name = GLUE_NAMES[stage];
  const adhesives = [...new Set(joints.map(({ adhesiveId }) => adhesiveId))].map((id) => adhesiveBy(catalogue, id));
  const tasks = ground.tiles.flatMap((tile): Task[] => {
    const faces = joints
      .map((joint) => ({ joint, areaMm2: joint.area.value * shareOnTile(joint, tile.id, zones, ground) }))
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
    // Cut to size, every layer has to be brought flush by hand before the glue takes.
    const aligning =
      stage === 'base' && plan.stack.edges === 'cut-first'
        ? [
            reckon(
              `${tile.id}: layers brought flush`,
              'min',
              given('Layers', faces.length, '1', 'plan'),
              '×',
              estimated('Each', catalogue.bench.alignMinPerLayer, 'min'),
            ),
          ]
        : [];
    const waits = faces.map(({ joint }) => jointWait(joint, adhesiveBy(catalogue, joint.adhesiveId), tile, plan, ground, catalogue));
    const slowest = waits.reduce((a, b) => (b.value > a.value ? b : a));
    const work = total(`${name}, ${tile.id}`, 'min', [...spreading, ...aligning, weights]);
    return [task(`glue-${stage}`, tile.id, work, slowest)];
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

const tileShare = ({ box }: Ground['tiles'][number], ground: Ground): number =>
  ((box.right - box.left) * (box.bottom - box.top)) / ground.tableArea.value;

function shareOnTile(joint: Joint, tileId: string, zones: Zones, ground: Ground): number {
  const { place } = joint;
  if (place.part === 'facing') {
    const here = zones.byTile.find((zone) => zone.tileId === tileId && zone.kind === place.zone);
    return here === undefined || joint.area.value <= 0 ? 0 : Math.min(1, here.surfaceMm2 / joint.area.value);
  }
  if (place.part === 'ground')
    return tileShare(
      ground.tiles.find(({ id }) => id === tileId)!,
      ground,
    );
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
  if (plan.stack.weighed && joint.place.part === 'ground') {
    return given(`${adhesive.name}, under weights until cured`, adhesive.fullMin, 'min', 'catalogue', 'workshop default; the label wins');
  }
  const isSealedIn = glueFit(adhesive, joint.lower, joint.upper, joint.spread, catalogue) === 'never-dries';
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
