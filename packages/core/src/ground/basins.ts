import { type Box, type Point, type Region, areaMm2, boxesOverlap, distanceMm, grown, intersection, isEmpty, pieces, regionBox } from '../base/geometry';
import { remembered, sameItems } from '../base/memory';
import { type Figure, given, reckon, total } from '../base/units';
import { bowlVolumeMm3, kindOf } from '../features';
import type { Ground } from './ground';
import { eachCell } from './height-field';
import type { Land } from './land';
import { isBowl, profileOf, waterLevelMm, waterMm } from './profile';
import type { Upright } from './upright';

/** Where a basin's water meets the end of a tile: a wall has to hold it until it is set. */
export interface Dam {
  readonly tileId: string;
  readonly side: 'back' | 'right' | 'near' | 'left';
  /** Whether another tile goes on behind it. */
  readonly isSeam: boolean;
  readonly length: Figure<'mm'>;
  readonly height: Figure<'mm'>;
}
/** A place at which the water would run off: into lower ground beside it. */
export interface Leak {
  readonly into: string;
  readonly at: Point;
  /** How far under the water's surface the bank is there. */
  readonly belowMm: number;
}
/** A basin with water standing in it. */
export interface Basin {
  readonly featureId: string;
  readonly name: string;
  /** Room for water, its floor, its brim and what stands in it allowed for. */
  readonly room: Figure<'mm³'>;
  readonly waterMm: number;
  readonly dams: readonly Dam[];
  /** The lowest first. */
  readonly leaks: readonly Leak[];
}

interface BasinInputs {
  readonly ground: Ground;
  readonly uprights: readonly Upright[];
}

/** Every basin that shows, with what it holds. @source craft.md §6: water area × depth, less what stands in it; dams where water meets a tile edge */
export function basinsOf({ ground, uprights }: BasinInputs): readonly Basin[] {
  const wet = ground.lands.filter((land) => land.role === 'hole' && waterMm(land) !== null && !isEmpty(land.body));
  return wet.map((land) => {
    const box = regionBox(land.body);
    const near = ground.lands.filter(({ whole }, i) => ground.lands[i] !== land && !isEmpty(whole) && boxesOverlap(grownBox(box, TOUCH_MM), regionBox(whole)));
    const measured = ground.features[ground.lands.indexOf(land)]!;
    const inIt = uprights.filter(({ ground: own }) => !isEmpty(own) && boxesOverlap(box, regionBox(own)));
    const names = inIt.map(({ featureId }) => ground.lands.find(({ feature }) => feature.id === featureId)?.name ?? featureId);
    return basinOf({ land, near, inIt, names, surface: measured.surface, tiles: ground.tiles });
  });
}

/** Neighbours within this touch: a bank thinner than this lets water through. */
const TOUCH_MM = 1;
const grownBox = ({ left, top, right, bottom }: Box, by: number): Box => ({ left: left - by, top: top - by, right: right + by, bottom: bottom + by });

/** One basin with what could change it. */
interface Near {
  readonly land: Land;
  readonly near: readonly Land[];
  readonly inIt: readonly Upright[];
  readonly names: readonly string[];
  readonly surface: Figure<'mm²'>;
  readonly tiles: Ground['tiles'];
}
const LAST = new WeakMap<Land, { readonly of: Near; readonly basin: Basin }>();
function basinOf(of: Near): Basin {
  const { land, near, inIt, tiles } = of;
  const last = LAST.get(land);
  if (last !== undefined && sameItems(last.of.near, near) && sameItems(last.of.inIt, inIt) && last.of.tiles === tiles) return last.basin;
  const deepMm = waterMm(land)!;
  const basin: Basin = {
    featureId: land.feature.id,
    name: land.name,
    room: roomOf(of, deepMm),
    waterMm: deepMm,
    dams: damsOf(land, deepMm, tiles),
    leaks: leaksOf(land, near),
  };
  LAST.set(land, { of, basin });
  return basin;
}

function roomOf({ land, near, inIt, names, surface }: Near, deepMm: number): Figure<'mm³'> {
  const { name } = land;
  const full = reckon(`${name}, room`, 'mm³', surface, '×', given(`${name}, water depth`, deepMm, 'mm', 'plan'));
  const shaped = isBowl(land) ? reckon(`${name}, room in the bowl`, 'mm³', full, '×', bowlPart(land, deepMm)) : full;
  const standing = [...near.flatMap((other) => wallIn(other, land, deepMm)), ...inIt.flatMap((upright, i) => pieceIn(upright, names[i]!, land, deepMm))];
  if (standing.length === 0) return shaped;
  return reckon(`${name}, room left by what stands in it`, 'mm³', shaped, '−', total(`Standing in ${name}`, 'mm³', standing));
}

/** What a bowl holds of a flat floor filled as deep, of what of it is left by its neighbours. */
const bowlPart = remembered((land: Land, deepMm: number): Figure<'1'> => {
  const { feature, body, levelMm } = land;
  const mm3 = bowlVolumeMm3(feature.shape, -levelMm, Math.min(deepMm, -levelMm), body);
  return given(`${land.name}, share a bowl holds`, mm3 / (areaMm2(body) * deepMm), '1', 'drawing', 'summed over the contours of its floor');
});

/** A wall that runs through the water takes its place up to the surface. */
function wallIn(other: Land, basin: Land, deepMm: number): Figure<'mm³'>[] {
  const tallMm = other.role === 'standing' ? (kindOf(other.feature).standsMm?.(other.feature) ?? 0) : 0;
  if (tallMm === 0) return [];
  const mm2 = areaMm2(intersection(other.whole, basin.body));
  if (mm2 < 1) return [];
  const area = given(`${other.name}, in the water`, mm2, 'mm²', 'drawing', 'measured on the plan');
  return [reckon(`${other.name}, under water`, 'mm³', area, '×', given('As deep as it stands in it', Math.min(tallMm, deepMm), 'mm', 'plan'))];
}

/** Cells in which a piece is measured under water. */
const PROBE_MM = 0.5;
/** A piece whose plot lies wholly in the basin stands on its floor; what bridges it stands on the banks. */
function pieceIn({ ground, spansAt }: Upright, name: string, basin: Land, deepMm: number): Figure<'mm³'>[] {
  if (areaMm2(intersection(ground, basin.body)) < areaMm2(ground) - 1) return [];
  const floor = profileOf(basin);
  const brimMm = waterLevelMm(basin)!;
  let footMm = -Infinity;
  let mm3 = 0;
  const { left, top, right, bottom } = regionBox(ground);
  const shift = (at: Point): Point => ({ x: at.x + left, y: at.y + top });
  const grid = { cols: Math.ceil((right - left) / PROBE_MM), rows: Math.ceil((bottom - top) / PROBE_MM), cellMm: PROBE_MM };
  const local: Region = { rings: ground.rings.map((ring) => ring.map(({ x, y }) => ({ x: x - left, y: y - top }))) };
  eachCell(local, grid, (_, at) => (footMm = Math.max(footMm, floor(shift(at)))));
  eachCell(local, grid, (_, at) => {
    const point = shift(at);
    const bedMm = floor(point);
    for (const { fromMm, toMm } of spansAt(point)) {
      const low = Math.max(bedMm, footMm + fromMm);
      const high = Math.min(brimMm, footMm + toMm);
      if (high > low) mm3 += (high - low) * PROBE_MM * PROBE_MM;
    }
  });
  return mm3 < 1 ? [] : [given(`${name}, under water`, mm3, 'mm³', 'drawing', `measured every ${PROBE_MM} mm, up to ${deepMm} mm of water`)];
}

const SIDES = [
  { side: 'back', at: 'top', along: 'x' },
  { side: 'near', at: 'bottom', along: 'x' },
  { side: 'left', at: 'left', along: 'y' },
  { side: 'right', at: 'right', along: 'y' },
] as const;
/** Lines this near a tile's end run along it. */
const ALONG_MM = 0.01;

/** Where the water meets the end of a tile, tile by tile. */
function damsOf(land: Land, deepMm: number, tiles: Ground['tiles']): readonly Dam[] {
  const outer = { left: Math.min(...tiles.map(({ box }) => box.left)), top: Math.min(...tiles.map(({ box }) => box.top)), right: Math.max(...tiles.map(({ box }) => box.right)), bottom: Math.max(...tiles.map(({ box }) => box.bottom)) };
  return tiles.flatMap(({ id, box }) => {
    if (!boxesOverlap(box, regionBox(land.body))) return [];
    return SIDES.flatMap(({ side, at, along }): Dam[] => {
      const lengthMm = wetAlong(land.body, box, at, along);
      if (lengthMm < 0.5) return [];
      return [
        {
          tileId: id,
          side,
          isSeam: box[at] !== outer[at],
          length: given(`${land.name} at the ${side} end of ${id}`, lengthMm, 'mm', 'drawing', 'measured along the tile’s end'),
          height: given(`${land.name}, water to hold`, deepMm, 'mm', 'plan'),
        },
      ];
    });
  });
}

/** How much of a tile's end a region covers: what it has on a hair's breadth inside. */
function wetAlong(body: Region, box: Box, at: 'left' | 'right' | 'top' | 'bottom', along: 'x' | 'y'): number {
  const inside = at === 'left' || at === 'top' ? box[at] + ALONG_MM : box[at] - ALONG_MM;
  const [from, to] = along === 'x' ? [box.left, box.right] : [box.top, box.bottom];
  const across = along === 'x' ? 'y' : 'x';
  const cuts: number[] = [];
  for (const ring of body.rings)
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      if (a[across] > inside === b[across] > inside) return;
      cuts.push(a[along] + ((inside - a[across]) / (b[across] - a[across])) * (b[along] - a[along]));
    });
  cuts.sort((p, q) => p - q);
  let sum = 0;
  for (let i = 0; i + 1 < cuts.length; i += 2) sum += Math.max(0, Math.min(to, cuts[i + 1]!) - Math.max(from, cuts[i]!));
  return sum;
}

/** Other sunk ground that touches the basin with its floor, or its own water, under the surface of this one. */
function leaksOf(land: Land, near: readonly Land[]): readonly Leak[] {
  const brimMm = waterLevelMm(land)!;
  const reach = grown(land.body, TOUCH_MM);
  return near
    .flatMap((other): Leak[] => {
      if (other.role !== 'hole' || other.feature === land.feature || isEmpty(other.body)) return [];
      const otherMm = waterLevelMm(other) ?? other.levelMm;
      if (otherMm > brimMm - LEVEL_MM) return [];
      const shared = pieces(intersection(reach, other.body));
      if (shared.length === 0) return [];
      const widest = shared.reduce((best, one) => (areaMm2(one) > areaMm2(best) ? one : best));
      return [{ into: other.name, at: middleOf(widest), belowMm: brimMm - Math.max(otherMm, Math.min(0, profileOf(other)(middleOf(widest)))) }];
    })
    .sort((a, b) => b.belowMm - a.belowMm);
}
/** Waters whose surfaces differ by less are one. */
const LEVEL_MM = 0.25;

/** The corner of a sliver that is nearest to the middle of its box: a point that lies on it. */
function middleOf(region: Region): Point {
  const { left, top, right, bottom } = regionBox(region);
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
  return region.rings.flat().reduce((best, point) => (distanceMm(point, middle) < distanceMm(best, middle) ? point : best));
}
