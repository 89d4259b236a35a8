import { type Point, type Region, areaMm2, clippedTo, contains, intersection, isEmpty, regionBox } from '../../base/geometry';
import { kindOf } from '../../plan/features';
import { type Ground, type Land, type Tile, isSloped, overlayOf, profileOf, waterLevelMm } from '../ground';
import { LEVEL_MM } from './edge';

/** Sizes of tiles and cells within this are the same. */
export const SIZE_MM = 0.5;
/** Two tiles look alike when what differs between them is less than this. */
const ALIKE_MM2 = 20;

/** What a tile looks like from above, moved to its own corner: size, and every surface with its kind and levels. */
export interface Look {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly patches: readonly Patch[];
}
interface Patch {
  /** What it is, but for its outline. */
  readonly sort: string;
  readonly region: Region;
  /** Its height where it is not level. */
  readonly heightAt: ((point: Point) => number) | null;
}
export function lookOf(tile: Tile, ground: Ground): Look {
  const { left, top, right, bottom } = tile.box;
  const [widthMm, depthMm] = [right - left, bottom - top];
  const moved = (region: Region): Region => ({ rings: region.rings.map((ring) => ring.map(({ x, y }) => ({ x: x - left, y: y - top }))) });
  const surfaces = ground.onTile.get(tile.id)!.flatMap(({ land, body, shows }) => {
    const kind = kindOf(land.feature);
    const sort = `${land.zone ?? ''} ${land.levelMm} ${waterLevelMm(land) ?? 'dry'} ${kind.edging?.(land.feature) ?? ''}`;
    const heights = isSloped(land) || overlayOf(land) !== null ? surfaceOf(land) : null;
    const heightAt = heights === null ? null : ({ x, y }: Point): number => heights({ x: x + left, y: y + top });
    return [
      ...(isEmpty(shows) ? [] : [{ sort: `${sort} shows`, region: moved(shows), heightAt }]),
      ...(isEmpty(body) ? [] : [{ sort: `${sort} body`, region: moved(body), heightAt: land.role === 'surface' ? null : heightAt }]),
    ];
  });
  const standing = ground.lands
    .filter(({ role }) => role === 'standing')
    .map(({ whole, feature }) => ({
      sort: `standing ${kindOf(feature).standsMm?.(feature) ?? 0}`,
      region: moved(clippedTo(whole, tile.box)),
      heightAt: null,
    }))
    .filter(({ region }) => !isEmpty(region));
  return { widthMm, depthMm, patches: [...surfaces, ...standing] };
}

/** A look after clockwise quarter turns about its own corner. */
export function turnedLook(look: Look, turns: number): Look {
  if (turns === 0) return look;
  const { widthMm, depthMm, patches } = turnedLook(look, turns - 1);
  const turned = ({ x, y }: { x: number; y: number }): { x: number; y: number } => ({ x: depthMm - y, y: x });
  return {
    widthMm: depthMm,
    depthMm: widthMm,
    patches: patches.map(({ sort, region, heightAt }) => ({
      sort,
      region: { rings: region.rings.map((ring) => ring.map(turned)) },
      heightAt: heightAt === null ? null : ({ x, y }) => heightAt({ x: y, y: depthMm - x }),
    })),
  };
}

/** Whether two looks differ nowhere by more than {@link ALIKE_MM2}, sort by sort. */
export function alike(a: Look, b: Look): boolean {
  if (Math.abs(a.widthMm - b.widthMm) > SIZE_MM || Math.abs(a.depthMm - b.depthMm) > SIZE_MM || a.patches.length !== b.patches.length)
    return false;
  const areas = ({ patches }: Look): Map<string, number> => {
    const sums = new Map<string, number>();
    for (const { sort, region } of patches) sums.set(sort, (sums.get(sort) ?? 0) + areaMm2(region));
    return sums;
  };
  const [mine, theirs] = [areas(a), areas(b)];
  for (const [sort, mm2] of mine) if (Math.abs(mm2 - (theirs.get(sort) ?? 0)) > ALIKE_MM2) return false;
  for (const sort of mine.keys()) {
    const own = a.patches.filter((p) => p.sort === sort);
    const other = b.patches.filter((p) => p.sort === sort);
    const shared = own.flatMap((p) => other.map((q) => areaMm2(intersection(p.region, q.region)))).reduce((x, y) => x + y, 0);
    if (mine.get(sort)! - shared > ALIKE_MM2) return false;
    if (own.some((p) => other.some((q) => !sameHeights(p, q)))) return false;
  }
  return true;
}

/** Heights are compared so many times across a patch each way. */
const ACROSS = 16;

/** Whether two patches are as high wherever both lie; level ones have their height in their sort. */
function sameHeights(a: Patch, b: Patch): boolean {
  const { heightAt: mine } = a;
  const { heightAt: theirs } = b;
  if (mine === null || theirs === null) return mine === theirs;
  const { left, top, right, bottom } = regionBox(a.region);
  for (let i = 0; i < ACROSS * ACROSS; i++) {
    const [x, y] = [
      left + ((right - left) * ((i % ACROSS) + 0.5)) / ACROSS,
      top + ((bottom - top) * (Math.floor(i / ACROSS) + 0.5)) / ACROSS,
    ];
    const point = { x, y };
    if (!contains(a.region, point) || !contains(b.region, point)) continue;
    if (Math.abs(mine(point) - theirs(point)) > LEVEL_MM) return false;
  }
  return true;
}

/** Height of what a land is, or of what it lays on the ground. */
const surfaceOf = (land: Land): ((point: Point) => number) => (land.role === 'surface' ? (overlayOf(land) ?? (() => 0)) : profileOf(land));
