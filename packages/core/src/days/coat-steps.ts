import { type Catalogue, type Estimate, estimated } from '../catalogue';
import { type CoatNeed, poursFor } from '../coats';
import { coatWaits } from '../drying';
import type { Ground, Zones } from '../ground';
import type { Plan } from '../plan';
import { type Figure, given, hoursInMinutes, inSquareMetres, reckon, total } from '../units';
import { type Draft, type Task, task } from './step';

/** Coats of all kinds of surface merged by rank: what is the same stuff put on in the same way is one step for a tile. */
export function coatSteps(plan: Plan, ground: Ground, zones: Zones, coats: readonly CoatNeed[], catalogue: Catalogue): Draft[] {
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
