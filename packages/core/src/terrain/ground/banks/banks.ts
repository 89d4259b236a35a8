import {
  type Box,
  type Point,
  type Region,
  areaMm2,
  boxesOverlap,
  distanceMm,
  grown,
  intersection,
  isEmpty,
  pieces,
  regionBox,
} from '../../../base/geometry';
import { memoize } from '../../../base/memory';
import { type Figure, given } from '../../../base/units';
import type { Ground } from '../ground';
import type { Land } from '../land';
import { profileOf, waterLevelMm, waterMm } from '../profile';

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
/** What holds the water of a basin, or does not. */
export interface Bank {
  readonly featureId: string;
  readonly name: string;
  readonly waterMm: number;
  readonly dams: readonly Dam[];
  /** The lowest first. */
  readonly leaks: readonly Leak[];
}

/** Neighbours within this touch: a bank thinner than this lets water through. */
const TOUCH_MM = 1;
/** Where the water of every basin wants a dam, and where it would run off. @source craft.md §6: dams where water meets a tile edge; gaps under the bank must be sealed */
export function banksOf({ ground }: { readonly ground: Ground }): readonly Bank[] {
  const holes = ground.lands.filter((land) => land.role === 'hole' && !isEmpty(land.body));
  return holes.filter((land) => waterMm(land) !== null).map((land) => bankOf(land, near(land, holes), ground.tiles));
}
const near = (land: Land, holes: readonly Land[]): readonly Land[] => {
  const { left, top, right, bottom } = regionBox(land.body);
  const box = { left: left - TOUCH_MM, top: top - TOUCH_MM, right: right + TOUCH_MM, bottom: bottom + TOUCH_MM };
  return holes.filter((other) => other !== land && boxesOverlap(box, regionBox(other.body)));
};
const bankOf = memoize((land: Land, beside: readonly Land[], tiles: Ground['tiles']): Bank => {
  const deepMm = waterMm(land)!;
  return { featureId: land.feature.id, name: land.name, waterMm: deepMm, dams: damsOf(land, deepMm, tiles), leaks: leaksOf(land, beside) };
});

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
  const outer = {
    left: Math.min(...tiles.map(({ box }) => box.left)),
    top: Math.min(...tiles.map(({ box }) => box.top)),
    right: Math.max(...tiles.map(({ box }) => box.right)),
    bottom: Math.max(...tiles.map(({ box }) => box.bottom)),
  };
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
          height: given(`${land.name}, water depth to hold`, deepMm, 'mm', 'plan'),
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
function leaksOf(land: Land, beside: readonly Land[]): readonly Leak[] {
  const brimMm = waterLevelMm(land)!;
  const reach = grown(land.body, TOUCH_MM);
  return beside
    .flatMap((other): Leak[] => {
      if (other.feature === land.feature) return [];
      const otherMm = waterLevelMm(other) ?? other.levelMm;
      if (otherMm > brimMm - LEVEL_MM) return [];
      const shared = pieces(intersection(reach, other.body));
      if (shared.length === 0) return [];
      const widest = shared.reduce((best, one) => (areaMm2(one) > areaMm2(best) ? one : best));
      return [
        { into: other.name, at: middleOf(widest), belowMm: brimMm - Math.max(otherMm, Math.min(0, profileOf(other)(middleOf(widest)))) },
      ];
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
