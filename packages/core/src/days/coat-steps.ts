import { type Ground, type SurfaceAreas, type TileSurface, waterMm } from '../ground';
import { type Catalogue, type Coating, type Estimate, type Method, estimated } from '../catalogue';
import { remembered, rememberedEach } from '../base/memory';
import { type CoatGroup, type CoatNeed, inOrder, poursFor } from '../coats';
import type { PieceWork } from '../pieces';
import type { SurfaceId } from '../surfaces';
import { type Waits, coatWaits } from '../drying';
import type { Plan } from '../plan';
import { type Figure, given, hoursInMinutes, inSquareMetres, reckon, total } from '../base/units';
import { type Draft, NO_WAIT, type TaskDraft, task } from './step';

interface CoatInputs {
  readonly climate: Plan['climate'];
  readonly ground: Ground;
  readonly areas: SurfaceAreas;
  readonly coats: readonly CoatNeed[];
  readonly pieces: readonly Pick<PieceWork, 'pieceId' | 'name' | 'surfaces'>[];
  readonly catalogue: Catalogue;
}

/** Coats of all surfaces merged where they are the same coating put on in the same way: one step for a tile, and one more for every further go. */
export function coatSteps(inputs: CoatInputs): Draft[] {
  const nexts = nextCoats(inputs.coats);
  return inOrder(inputs.coats).flatMap((group) => {
    if (group.needs[0]!.coating.spread.by === 'depth') return pourSteps(group, inputs);
    const goes = Math.max(...group.needs.map(({ coat }) => coat.goes));
    return Array.from({ length: goes }, (_, go) => coatStep(group, { go, goes, nexts }, inputs));
  });
}

/** The coat that comes after each on its surface. */
function nextCoats(coats: readonly CoatNeed[]): ReadonlyMap<CoatNeed, CoatNeed> {
  const last = new Map<SurfaceId, CoatNeed>();
  const nexts = new Map<CoatNeed, CoatNeed>();
  for (const need of coats) {
    const before = last.get(need.surfaceId);
    if (before !== undefined) nexts.set(before, need);
    last.set(need.surfaceId, need);
  }
  return nexts;
}

interface Go {
  readonly go: number;
  readonly goes: number;
  readonly nexts: ReadonlyMap<CoatNeed, CoatNeed>;
}
function coatStep(
  { key, needs: all }: CoatGroup,
  { go, goes, nexts }: Go,
  { climate, ground, areas, pieces, catalogue }: CoatInputs,
): Draft {
  const needs = all.filter(({ coat }) => coat.goes > go);
  const { coating, method } = needs[0]!;
  const plain = `${coating.name}, ${method.name}`;
  const [id, name] = goes === 1 ? [key, plain] : [`${key}-go-${go + 1}`, `${plain} ${go + 1} of ${goes}`];
  // The thickest film of the step is the one waited for.
  const filmMm = needs.reduce<number | null>((most, need) => (need.filmMm === null ? most : Math.max(most ?? 0, need.filmMm)), null);
  const waits = coatWaits(coating, filmMm, climate, catalogue);
  const waitOf = (here: readonly CoatNeed[]): Figure<'min'> => longest(here.map((need) => waitAfter(need, go, nexts, waits)));
  const tasks = ground.tiles.flatMap((tile): TaskDraft[] => {
    const own = areas.onTile.get(tile.id)!;
    const here = needs.filter(({ surfaceId }) => own.some((one) => one.surfaceId === surfaceId));
    if (here.length === 0) return [];
    const work = workOn(own, `${id} ${tile.id}`, `${name}, ${tile.id}`, here, catalogue);
    return [task(id, tile.id, tended(work, coating), waitOf(here), waits.cure)];
  });
  const onPieces = pieces.flatMap(({ pieceId, name: piece, surfaces }): TaskDraft[] => {
    const here = needs.filter(({ surfaceId }) => surfaces.some((one) => one.surfaceId === surfaceId));
    if (here.length === 0) return [];
    const work = here.map((need) => minutesFor(`${name}, ${piece}`, need.area, need));
    const all1 = work.length === 1 ? work[0]! : total(`${name}, ${piece}`, 'min', work);
    return [task(id, pieceId, tended(all1, coating), waitOf(here), waits.cure)];
  });
  return {
    id,
    name,
    kind: 'coat',
    setUp: setUpOf(method),
    cautionIds: [...coating.cautionIds, ...method.cautionIds],
    tasks: [...tasks, ...onPieces],
  };
}

/** Until the next coat on the same surface: it says how dry this one has to be by then. */
function waitAfter(need: CoatNeed, go: number, nexts: ReadonlyMap<CoatNeed, CoatNeed>, { recoat, cure }: Waits): Figure<'min'> {
  const next = nexts.get(need);
  if (go + 1 < need.coat.goes || next === undefined || next.coat.before === 'dry') return recoat;
  return next.coat.before === 'wet' ? NO_WAIT : cure;
}
const longest = (waits: readonly Figure<'min'>[]): Figure<'min'> => waits.reduce((most, wait) => (wait.value > most.value ? wait : most));

/** What is looked after while it dries takes hands as well: a few minutes at each call back. @source craft.md §6 */
function tended(work: Figure<'min'>, { tended: calls }: Coating): Figure<'min'> {
  if (calls === null) return work;
  const count = given(
    `${calls.what}: calls back`,
    Math.floor(calls.forMin / calls.everyMin),
    '1',
    'catalogue',
    `every ${calls.everyMin} min for ${calls.forMin} min`,
  );
  const each = given('Each takes', calls.takesMin, 'min', 'catalogue', 'workshop default');
  const atOnce = { ...work, label: `${work.label}, until it is on` };
  return reckon(work.label, 'min', atOnce, '+', reckon(`${calls.what}, ${work.label}`, 'min', count, '×', each));
}

/** The work of one go of a coat on one tile. */
const workOn = rememberedEach(
  (own: readonly TileSurface[], _key: string, name: string, here: readonly CoatNeed[], _catalogue: Catalogue): Figure<'min'> => {
    const plain = here.every(({ coat, method }) => coat.coverPct === 100 && method.perH === null);
    const areaOf = (need: CoatNeed): Figure<'mm²'> => areaToCoat(own.find(({ surfaceId }) => surfaceId === need.surfaceId)!);
    const { method } = here[0]!;
    if (plain) return byRate(name, total(`${name}: surface`, 'mm²', here.map(areaOf)), method);
    const parts = here.map((need) => {
      const area = inSquareMetres(areaOf(need));
      const share = given('Share of it that the coat covers', need.coat.coverPct / 100, '1', 'plan');
      return minutesFor(
        `${name}, ${area.label}`,
        need.coat.coverPct === 100 ? area : reckon(`${area.label}, covered`, 'm²', area, '×', share),
        need,
      );
    });
    return parts.length === 1 ? parts[0]! : total(name, 'min', parts);
  },
);

const areaToCoat = remembered((zone: TileSurface): Figure<'mm²'> =>
  given(`${zone.tileId}, ${zone.name}`, zone.coatedMm2, 'mm²', 'drawing'),
);

/** By the square metre, or thing by thing. */
function minutesFor(label: string, area: Figure<'m²'>, { method, coating, coat }: CoatNeed): Figure<'min'> {
  const { spread } = coating;
  if (method.perH === null || spread.by !== 'count') return inMinutes(label, area, method);
  const perM2 =
    coat.strewn === null
      ? estimated(`${coating.name}, on a square metre`, spread.perM2, '1/m²')
      : given(`${coating.name}, on a square metre`, coat.strewn.perM2, '1/m²', 'plan');
  const count = reckon(`${label}: how many`, '1', area, '×', perM2);
  return hoursInMinutes(reckon(`${label}, hours`, 'h', count, '÷', estimated(`${method.name}, an hour`, method.perH, '1/h')), label);
}

/** Deep water is poured in several goes, each a step of its own with its wait. */
function pourSteps({ key, needs }: CoatGroup, { climate, ground, areas, catalogue }: CoatInputs): Draft[] {
  const { coating, method } = needs[0]!;
  const maxPourMm = coating.spread.by === 'depth' ? coating.spread.maxPourMm : Infinity;
  const waits = coatWaits(coating, null, climate, catalogue);
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
      return [task(id, tile.id, tended(byRate(`${name}, ${tile.id}`, area, method), coating), waits.recoat, waits.cure)];
    });
    return { id, name, kind: 'pour', setUp: setUpOf(method), cautionIds: [...coating.cautionIds, ...method.cautionIds], tasks };
  });
}

const byRate = (label: string, area: Figure<'mm²'>, method: Method): Figure<'min'> => inMinutes(label, inSquareMetres(area), method);
function inMinutes(label: string, area: Figure<'m²'>, method: Method): Figure<'min'> {
  const hours = reckon(`${label}, hours`, 'h', area, '÷', estimated(`${method.name}, an hour`, method.m2PerH, 'm²/h'));
  return hoursInMinutes(hours, label);
}

const setUpOf = ({ setUpMin }: Method): Estimate => ({ value: setUpMin, low: setUpMin, high: setUpMin, origin: 'workshop default' });
