import { type Region, areaMm2, clippedTo, intersection, isEmpty } from '../geometry';
import type { Ground, Tile } from '../ground';

/** Sizes of tiles and cells within this are the same. */
export const SIZE_MM = 0.5;
/** Two tiles look alike when what differs between them is less than this. */
const ALIKE_MM2 = 20;

/** What a tile looks like from above, moved to its own corner: size, and every surface with its kind and levels. */
export interface Look {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly patches: readonly { readonly sort: string; readonly region: Region }[];
}
export function lookOf(tile: Tile, ground: Ground): Look {
  const { left, top, right, bottom } = tile.box;
  const [widthMm, depthMm] = [right - left, bottom - top];
  const moved = (region: Region): Region => ({ rings: region.rings.map((ring) => ring.map(({ x, y }) => ({ x: x - left, y: y - top }))) });
  const surfaces = ground.onTile.get(tile.id)!.flatMap(({ land, body, shows }) => {
    const { kind } = land.feature;
    // A slope or a bowl is told apart by the feature it belongs to: two halves of one bank are not alike by their outline alone.
    const sort = `${land.zone ?? ''} ${land.levelMm} ${kind === 'ramp' || kind === 'bank' ? land.feature.id : ''}`;
    return [
      ...(isEmpty(shows) ? [] : [{ sort: `${sort} shows`, region: moved(shows) }]),
      ...(isEmpty(body) ? [] : [{ sort: `${sort} body`, region: moved(body) }]),
    ];
  });
  const standing = ground.lands
    .filter(({ role }) => role === 'standing')
    .map(({ whole, feature }) => ({
      sort: `wall ${feature.kind === 'wall' ? feature.heightMm : 0}`,
      region: moved(clippedTo(whole, tile.box)),
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
    patches: patches.map(({ sort, region }) => ({ sort, region: { rings: region.rings.map((ring) => ring.map(turned)) } })),
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
  }
  return true;
}
