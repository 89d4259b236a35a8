import { type Ground, type SurfaceAreas, type TileSurface, waterMm } from '../../../terrain/ground';
import { type Catalogue, type Coating, type Estimate, type Method, estimated, materialBy } from '../../../catalogue';
import { memoize, memoizeEach } from '../../../base/memory';
import { type CoatGroup, type CoatNeed, inOrder, poursFor } from '../../../finishing/coats';
import type { PieceWork } from '../../../build/pieces';
import type { SurfaceId } from '../../../plan/surfaces';
import { type Ground as Onto, type DryingPlace, type DryingPlaces, type Wait, type Waits, coatWaits, longer } from '../../drying';
import { type Figure, given, hoursInMinutes, inSquareMetres, calculate, total } from '../../../base/units';
import { type Asks, type Draft, type Follow, NO_WAIT, type TaskDraft, calledFor, task } from '../step';

interface CoatInputs {
  readonly spots: DryingPlaces;
  /** What the ground is made of on top; null for none. */
  readonly topMaterialId: string | null;
  readonly ground: Ground;
  readonly areas: SurfaceAreas;
  readonly coats: readonly CoatNeed[];
  readonly pieces: readonly Pick<PieceWork, 'pieceId' | 'name' | 'surfaces'>[];
  readonly catalogue: Catalogue;
}

/** Coats of all surfaces merged where they are the same coating put on in the same way: one step for a tile, and one more for every further go. */
export function coatSteps(inputs: CoatInputs): Draft[] {
  const groups = inOrder(inputs.coats);
  const order = orderOf(inputs.coats, groups);
  return groups.flatMap((group) => {
    if (group.needs[0]!.coating.spread.by === 'depth') return pourSteps(group, inputs);
    const goes = goesOf(group);
    return Array.from({ length: goes }, (_, go) => coatStep(group, { go, goes, order }, inputs));
  });
}
const goesOf = ({ needs }: CoatGroup): number => Math.max(...needs.map(({ coat }) => coat.goes));
const stepId = ({ key }: CoatGroup, go: number, goes: number): string => (goes === 1 ? key : `${key}-go-${go + 1}`);

/** What comes before and after a coat on its surface, and the step that each is begun in. */
interface Sequence {
  readonly next: ReadonlyMap<CoatNeed, CoatNeed>;
  readonly before: ReadonlyMap<CoatNeed, CoatNeed>;
  readonly stepOf: ReadonlyMap<CoatNeed, string>;
  /** The step of its last go. */
  readonly lastStepOf: ReadonlyMap<CoatNeed, string>;
}
function orderOf(coats: readonly CoatNeed[], groups: readonly CoatGroup[]): Sequence {
  const last = new Map<SurfaceId, CoatNeed>();
  const [next, before] = [new Map<CoatNeed, CoatNeed>(), new Map<CoatNeed, CoatNeed>()];
  for (const need of coats) {
    const under = last.get(need.surfaceId);
    if (under !== undefined) {
      next.set(under, need);
      before.set(need, under);
    }
    last.set(need.surfaceId, need);
  }
  const stepsAt = (go: (goes: number) => number): Sequence['stepOf'] =>
    new Map(groups.flatMap((group) => group.needs.map((need) => [need, stepId(group, go(goesOf(group)), goesOf(group))] as const)));
  return { next, before, stepOf: stepsAt(() => 0), lastStepOf: stepsAt((goes) => goes - 1) };
}

interface TaskRun {
  readonly go: number;
  readonly goes: number;
  readonly order: Sequence;
}
function coatStep(
  group: CoatGroup,
  { go, goes, order }: TaskRun,
  { spots, topMaterialId, ground, areas, pieces, catalogue }: CoatInputs,
): Draft {
  const needs = group.needs.filter(({ coat }) => coat.goes > go);
  const { coating, method } = needs[0]!;
  const plain = `${coating.name}, ${method.name}`;
  const id = stepId(group, go, goes);
  const name = goes === 1 ? plain : `${plain} ${go + 1} of ${goes}`;
  // The thickest film of the step is the one waited for.
  const filmMm = needs.reduce<number | null>((most, need) => (need.filmMm === null ? most : Math.max(most ?? 0, need.filmMm)), null);
  const known = new Map<string, Waits>();
  const waitsAt = (spot: DryingPlace, onto: Onto): Waits => {
    const key = [spot.place.id, spot.on, spot.lies, spot.moved.id, onto].join();
    return known.get(key) ?? known.set(key, coatWaits(coating, filmMm, spot, catalogue, onto)).get(key)!;
  };
  /** What a task on one workpiece waits for after it, and what has to follow it. */
  const dries = (workpieceId: string, here: readonly CoatNeed[], topId: string | null): Partial<TaskDraft> & Pick<TaskDraft, 'spot'> => {
    const spot = spots.at(workpieceId);
    const all = here.map((need) => {
      const waits = waitsAt(spot, ontoOf(go === 0 ? (order.before.get(need) ?? null) : need, topId, catalogue));
      return { waits, wait: waitAfter(need, go, order, waits) };
    });
    const wait = all.map((one) => one.wait).reduce(longer);
    const touch = all.map((one) => one.waits.touch).reduce(longer);
    return {
      spot,
      wait,
      cure: all.map((one) => one.waits.cure).reduce(longer),
      touch: wait === NO_WAIT ? NO_WAIT : touch,
      isFlat: wait !== NO_WAIT,
      calls: callsOf(name, coating),
      follows: here.flatMap((need) => followOf(need, { go, order, workpieceId, nextGoId: stepId(group, go + 1, goes) })),
      awaits:
        go > 0
          ? []
          : here.flatMap((need) =>
              stillDrying(need, order).map(({ under, taskStep }) => ({
                taskId: `${taskStep}-${workpieceId}`,
                wait: drynessFor(need, coatWaits(under.coating, under.filmMm, spot, catalogue)),
              })),
            ),
    };
  };
  const tasks = ground.tiles.flatMap((tile): TaskDraft[] => {
    const own = areas.onTile.get(tile.id)!;
    const here = needs.filter(({ surfaceId }) => own.some((one) => one.surfaceId === surfaceId));
    if (here.length === 0) return [];
    const work = workOn(own, `${id} ${tile.id}`, `${name}, ${tile.id}`, here, catalogue);
    return [task(id, tile.id, { work, ...dries(tile.id, here, topMaterialId) })];
  });
  const onPieces = pieces.flatMap(({ pieceId, name: piece, surfaces }): TaskDraft[] => {
    const here = needs.filter(({ surfaceId }) => surfaces.some((one) => one.surfaceId === surfaceId));
    if (here.length === 0) return [];
    const work = here.map((need) => minutesFor(`${name}, ${piece}`, need.area, need));
    return [
      task(id, pieceId, { work: work.length === 1 ? work[0]! : total(`${name}, ${piece}`, 'min', work), ...dries(pieceId, here, null) }),
    ];
  });
  return {
    id,
    name,
    kind: 'coat',
    does: method.does,
    setUp: setUpOf(method),
    asks: asksOf(coating, method),
    tasks: [...tasks, ...onPieces],
  };
}

const asksOf = (coating: Coating, method: Method): Asks => ({
  cautionIds: [...coating.cautionIds, ...method.cautionIds],
  isNoisy: method.isNoisy,
  isSprayed: method.isSpray,
  leastC: coating.minC,
  calledMin: calledFor(coating),
  stockIds: [coating.id],
});

/** What a coat goes on: a coat that closes the face, bare stuff that drinks, or neither. @source craft.md §8 */
function ontoOf(under: CoatNeed | null, topId: string | null, catalogue: Catalogue): Onto {
  if (under !== null) return under.coating.seals ? 'sealed' : 'neutral';
  return topId !== null && materialBy(catalogue, topId).waterPassage === 'yes' ? 'drinks' : 'neutral';
}

/** Until the next coat on the same surface: it says how dry this one has to be by then. */
function waitAfter(need: CoatNeed, go: number, { next }: Sequence, waits: Waits): Wait {
  const after = next.get(need);
  return go + 1 < need.coat.goes || after === undefined ? waits.recoat : drynessFor(after, waits);
}
/** How long a coat needs until another may go on it. */
function drynessFor({ coat, method }: CoatNeed, { firm, recoat, cure }: Waits): Wait {
  if (coat.before === 'wet') return NO_WAIT;
  if (coat.before === 'cured') return cure;
  return method.onto === 'firm' ? firm : recoat;
}
/** What a coat needs as dry as what it goes on: coats further down that something was put on while they were wet, or only firm. */
function stillDrying(need: CoatNeed, { before, lastStepOf }: Sequence): readonly { readonly under: CoatNeed; readonly taskStep: string }[] {
  const found: { under: CoatNeed; taskStep: string }[] = [];
  for (let on = before.get(need); on !== undefined;) {
    const isDamp = on.coat.before === 'wet' || on.method.onto === 'firm';
    const under = before.get(on);
    if (!isDamp || under === undefined) break;
    found.push({ under, taskStep: lastStepOf.get(under)! });
    on = under;
  }
  return found;
}

interface InSequence {
  readonly go: number;
  readonly order: Sequence;
  readonly workpieceId: string;
  readonly nextGoId: string;
}
/** What is pressed into a wet coat comes while that is workable; the next go of some comes soon or only after a day. */
function followOf(need: CoatNeed, { go, order, workpieceId, nextGoId }: InSequence): readonly Follow[] {
  const { coating, coat } = need;
  if (go + 1 < coat.goes) {
    const { again } = coating.drying;
    if (again === null) return [];
    const said = (what: string, min: number): Figure<'min'> =>
      given(`${coating.name}: ${what}`, min, 'min', 'catalogue', 'the product label comes first');
    return [
      { taskId: `${nextGoId}-${workpieceId}`, most: said('recoat within', again.withinMin), orAfter: said('or after', again.orAfterMin) },
    ];
  }
  const after = order.next.get(need);
  if (after === undefined || after.coat.before !== 'wet' || coating.workableMin === null) return [];
  const most = estimated(`${coating.name}, workable for`, coating.workableMin, 'min');
  return [{ taskId: `${order.stepOf.get(after)!}-${workpieceId}`, most, orAfter: null }];
}

/** What is looked after while it dries takes a few minutes at each call back. @source craft.md §6 */
function callsOf(label: string, { tended }: Coating): Figure<'min'> | null {
  if (tended === null) return null;
  const count = given(
    `${tended.what}: visits`,
    Math.floor(tended.forMin / tended.everyMin),
    '1',
    'catalogue',
    `every ${tended.everyMin} min for ${tended.forMin} min`,
  );
  return calculate(
    `${tended.what}, ${label}`,
    'min',
    count,
    '×',
    given('Time for each', tended.takesMin, 'min', 'catalogue', 'our default value'),
  );
}

/** The work of one go of a coat on one tile. */
const workOn = memoizeEach(
  (own: readonly TileSurface[], _key: string, name: string, here: readonly CoatNeed[], _catalogue: Catalogue): Figure<'min'> => {
    const plain = here.every(({ coat, method }) => coat.coverPct === 100 && method.perH === null);
    const areaOf = (need: CoatNeed): Figure<'mm²'> => areaToCoat(own.find(({ surfaceId }) => surfaceId === need.surfaceId)!);
    const { method } = here[0]!;
    if (plain) return byRate(name, total(`${name}: surface`, 'mm²', here.map(areaOf)), method);
    const parts = here.map((need) => {
      const area = inSquareMetres(areaOf(need));
      const share = given('Share covered by the coat', need.coat.coverPct / 100, '1', 'plan');
      return minutesFor(
        `${name}, ${area.label}`,
        need.coat.coverPct === 100 ? area : calculate(`${area.label}, covered`, 'm²', area, '×', share),
        need,
      );
    });
    return parts.length === 1 ? parts[0]! : total(name, 'min', parts);
  },
);

const areaToCoat = memoize((zone: TileSurface): Figure<'mm²'> => given(`${zone.tileId}, ${zone.name}`, zone.coatedMm2, 'mm²', 'drawing'));

/** By the square metre, or thing by thing. */
function minutesFor(label: string, area: Figure<'m²'>, { method, coating, coat }: CoatNeed): Figure<'min'> {
  const { spread } = coating;
  if (method.perH === null || spread.by !== 'count') return inMinutes(label, area, method);
  const perM2 =
    coat.strewn === null
      ? estimated(`${coating.name}, on a square metre`, spread.perM2, '1/m²')
      : given(`${coating.name}, on a square metre`, coat.strewn.perM2, '1/m²', 'plan');
  const count = calculate(`${label}: count`, '1', area, '×', perM2);
  return hoursInMinutes(calculate(`${label}, hours`, 'h', count, '÷', estimated(`${method.name}, per hour`, method.perH, '1/h')), label);
}

/** Deep water is poured in several goes, each a step of its own with its wait. */
function pourSteps({ key, needs }: CoatGroup, { spots, ground, areas, catalogue }: CoatInputs): Draft[] {
  const { coating, method } = needs[0]!;
  const maxPourMm = coating.spread.by === 'depth' ? coating.spread.maxPourMm : Infinity;
  const poured = new Set<string>(
    areas.list
      .filter(({ surfaceId }) => needs.some((need) => need.surfaceId === surfaceId))
      .flatMap(({ basins }) => basins.map(({ featureId }) => featureId)),
  );
  const pours = ground.tiles.map((tile) => {
    const waters = ground.onTile.get(tile.id)!.filter(({ shows, land }) => shows.rings.length > 0 && poured.has(land.feature.id));
    const goes = waters.map(({ land }) => waterMm(land)).map((mm) => (mm === null ? 0 : poursFor(mm, maxPourMm)));
    const here = (areas.onTile.get(tile.id) ?? []).filter(({ surfaceId }) => needs.some((need) => need.surfaceId === surfaceId));
    return { tile, here, goes: Math.max(0, ...goes) };
  });
  const most = Math.max(0, ...pours.map(({ goes }) => goes));
  return Array.from({ length: most }, (_, pour) => {
    const name = most === 1 ? `${coating.name}, ${method.name}` : `${coating.name}, ${method.name} ${pour + 1} of ${most}`;
    const id = `${key}-${pour + 1}`;
    const tasks = pours.flatMap(({ tile, here, goes }): TaskDraft[] => {
      if (here.length === 0 || goes <= pour) return [];
      const area = given(
        `Water on ${tile.id}`,
        here.reduce((sum, { surfaceMm2 }) => sum + surfaceMm2, 0),
        'mm²',
        'drawing',
      );
      const spot = spots.at(tile.id);
      const { recoat: wait, cure, touch } = coatWaits(coating, null, spot, catalogue, 'sealed');
      const work = byRate(`${name}, ${tile.id}`, area, method);
      return [task(id, tile.id, { work, spot, wait, cure, touch, isFlat: true, calls: callsOf(name, coating) })];
    });
    return { id, name, kind: 'pour', does: 'pour', setUp: setUpOf(method), asks: asksOf(coating, method), tasks };
  });
}

const byRate = (label: string, area: Figure<'mm²'>, method: Method): Figure<'min'> => inMinutes(label, inSquareMetres(area), method);
function inMinutes(label: string, area: Figure<'m²'>, method: Method): Figure<'min'> {
  const hours = calculate(`${label}, hours`, 'h', area, '÷', estimated(`${method.name}, per hour`, method.m2PerH, 'm²/h'));
  return hoursInMinutes(hours, label);
}

const setUpOf = ({ setUpMin }: Method): Estimate => ({ value: setUpMin, low: setUpMin, high: setUpMin, origin: 'our default value' });
