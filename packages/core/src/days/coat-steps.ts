import { type Ground, type TileZone, type Zones, waterMm } from '../ground';
import { type Catalogue, type Estimate, type Method, estimated } from '../catalogue';
import { listedBy } from '../base/grouping';
import { remembered, rememberedEach } from '../base/memory';
import { type CoatNeed, poursFor } from '../coats';
import type { PieceWork } from '../pieces';
import type { SurfaceId } from '../surfaces';
import { coatWaits } from '../drying';
import type { Plan } from '../plan';
import { type Figure, given, hoursInMinutes, inSquareMetres, reckon, total } from '../base/units';
import { type Draft, type TaskDraft, task } from './step';

interface CoatInputs {
  readonly climate: Plan['climate'];
  readonly ground: Ground;
  readonly zones: Zones;
  readonly coats: readonly CoatNeed[];
  readonly pieces: readonly Pick<PieceWork, 'pieceId' | 'name' | 'surface'>[];
  readonly catalogue: Catalogue;
}

/** Coats of all kinds of surface merged by rank: what is the same coating put on in the same way is one step for a tile. */
export function coatSteps(inputs: CoatInputs): Draft[] {
  const { coats } = inputs;
  const groups = listedBy(coats, (need) => {
    const nth = coats.filter(
      (other) => other.surfaceId === need.surfaceId && other.coating === need.coating && other.method === need.method,
    );
    return `${need.coating.id}-${need.method.id}-${nth.indexOf(need) + 1}`;
  });
  const sorted = [...groups].sort(([, a], [, b]) => a[0]!.method.rank - b[0]!.method.rank);
  return sorted.flatMap(([key, needs]) =>
    needs[0]!.coating.spread.by === 'depth' ? pourSteps(key, needs, inputs) : [coatStep(key, needs, inputs)],
  );
}

function coatStep(key: string, needs: readonly CoatNeed[], { climate, ground, zones, pieces, catalogue }: CoatInputs): Draft {
  const { coating, method } = needs[0]!;
  const name = `${coating.name}, ${method.name}`;
  // The thickest film of the step is the one waited for.
  const filmMm = needs.reduce<number | null>((most, need) => (need.filmMm === null ? most : Math.max(most ?? 0, need.filmMm)), null);
  const waits = coatWaits(coating, filmMm, climate, catalogue);
  const coated = needs.map(({ surfaceId }) => surfaceId);
  const tasks = ground.tiles.flatMap((tile): TaskDraft[] => {
    const work = workOn(zones.onTile.get(tile.id)!, `${key} ${tile.id}`, `${name}, ${tile.id}`, method, coated);
    return work === null ? [] : [task(key, tile.id, work, waits.recoat, waits.cure)];
  });
  const onPieces = pieces
    .filter(({ surface }) => coated.includes(surface.surfaceId))
    .map(({ pieceId, name: piece, surface }) =>
      task(key, pieceId, inMinutes(`${name}, ${piece}`, surface.coated, method), waits.recoat, waits.cure),
    );
  return {
    id: key,
    name,
    kind: 'coat',
    setUp: setUpOf(needs[0]!),
    cautionIds: [...coating.cautionIds, ...method.cautionIds],
    tasks: [...tasks, ...onPieces],
  };
}

/** The work of one coat on one tile; null where none of it shows. */
const workOn = rememberedEach(
  (onTile: readonly TileZone[], _key: string, name: string, method: Method, coated: readonly SurfaceId[]): Figure<'min'> | null => {
    const here = onTile.filter(({ surfaceId }) => coated.includes(surfaceId));
    return here.length === 0 ? null : byRate(name, total(`${name}: surface`, 'mm²', here.map(areaToCoat)), method);
  },
);

const areaToCoat = remembered((zone: TileZone): Figure<'mm²'> => given(`${zone.tileId}, ${zone.kind}`, zone.coatedMm2, 'mm²', 'drawing'));

/** Deep water is poured in several goes, each a step of its own with its wait. */
function pourSteps(key: string, needs: readonly CoatNeed[], { climate, ground, zones, catalogue }: CoatInputs): Draft[] {
  const { coating, method } = needs[0]!;
  const maxPourMm = coating.spread.by === 'depth' ? coating.spread.maxPourMm : Infinity;
  const waits = coatWaits(coating, null, climate, catalogue);
  const pours = ground.tiles.map((tile) => {
    const waters = ground.onTile.get(tile.id)!.filter(({ shows }) => shows.rings.length > 0);
    const goes = waters.map(({ land }) => waterMm(land)).map((mm) => (mm === null ? 0 : poursFor(mm, maxPourMm)));
    const here = (zones.onTile.get(tile.id) ?? []).find(({ surfaceId }) => surfaceId === needs[0]!.surfaceId);
    return { tile, here, goes: Math.max(0, ...goes) };
  });
  const most = Math.max(0, ...pours.map(({ goes }) => goes));
  return Array.from({ length: most }, (_, pour) => {
    const name = most === 1 ? `${coating.name}, ${method.name}` : `${coating.name}, ${method.name} ${pour + 1} of ${most}`;
    const id = `${key}-${pour + 1}`;
    const tasks = pours.flatMap(({ tile, here, goes }): TaskDraft[] => {
      if (here === undefined || goes <= pour) return [];
      const area = given(`Water on ${tile.id}`, here.surfaceMm2, 'mm²', 'drawing');
      return [task(id, tile.id, byRate(`${name}, ${tile.id}`, area, method), waits.recoat, waits.cure)];
    });
    return { id, name, kind: 'pour', setUp: setUpOf(needs[0]!), cautionIds: [...coating.cautionIds, ...method.cautionIds], tasks };
  });
}

const byRate = (label: string, area: Figure<'mm²'>, method: Method): Figure<'min'> => inMinutes(label, inSquareMetres(area), method);
function inMinutes(label: string, area: Figure<'m²'>, method: Method): Figure<'min'> {
  const hours = reckon(`${label}, hours`, 'h', area, '÷', estimated(`${method.name}, an hour`, method.m2PerH, 'm²/h'));
  return hoursInMinutes(hours, label);
}

const setUpOf = ({ method }: CoatNeed): Estimate => ({
  value: method.setUpMin,
  low: method.setUpMin,
  high: method.setUpMin,
  origin: 'workshop default',
});
