import { type Box, areaMm2, boxRegion, intersection, regionBox } from '../base/geometry';
import type { Warning } from '../checks';
import type { Ground, Tile } from '../ground';
import type { FixedPiece } from '../pieces';

/** A piece that is glued down, with the tile that carries it. */
export interface FixedOnTile extends FixedPiece {
  readonly tileId: string;
  /** All tiles that it lies on, the one that carries it first. */
  readonly tileIds: readonly string[];
}
/** Less than this is a touch. */
const ON_MM2 = 20;

/** Each piece goes with the tile that most of it stands on; one that stands beside the table is glued to nothing. */
export const fixedOnTiles = ({
  fixed,
  tiles,
}: {
  readonly fixed: readonly FixedPiece[];
  readonly tiles: readonly Tile[];
}): readonly FixedOnTile[] =>
  fixed.flatMap((piece) => {
    const under = tiles
      .map(({ id, box }) => ({ id, mm2: areaMm2(intersection(piece.ground, boxRegion(box))) }))
      .filter(({ mm2 }) => mm2 > ON_MM2)
      .sort((a, b) => b.mm2 - a.mm2);
    return under.length === 0 ? [] : [{ ...piece, tileId: under[0]!.id, tileIds: under.map(({ id }) => id) }];
  });

/** How far a box is to be moved to lie within another; null where it is too large for it. */
function shiftInto(box: Box, into: Box): { readonly dxMm: number; readonly dyMm: number } | null {
  const along = (low: number, high: number, from: number, to: number): number | null =>
    high - low > to - from ? null : low < from ? Math.ceil(from - low) : high > to ? Math.floor(to - high) : 0;
  const [dxMm, dyMm] = [along(box.left, box.right, into.left, into.right), along(box.top, box.bottom, into.top, into.bottom)];
  return dxMm === null || dyMm === null ? null : { dxMm, dyMm };
}

/** Pieces glued over a seam: the tiles under them no longer come apart. */
export function* fixedWarnings({ fixed, ground }: { readonly fixed: readonly FixedOnTile[]; readonly ground: Ground }): Generator<Warning> {
  for (const { featureId, pieceId, name, ground: under, tileId, tileIds } of fixed) {
    if (tileIds.length < 2) continue;
    const shift = shiftInto(regionBox(under), ground.tiles.find(({ id }) => id === tileId)!.cutBox);
    yield {
      id: `piece/over-seam ${featureId}`,
      code: 'piece/over-seam',
      severity: 'stop',
      featureId,
      title: name,
      text: [`is glued down over the seams of ${[...tileIds].sort().join(', ')}: they no longer come apart.`],
      mends: [
        ...(shift === null ? [] : [{ label: `Move it onto ${tileId}`, edit: { code: 'feature/move' as const, featureId, ...shift } }]),
        { label: 'Let it lift off', edit: { code: 'piece/change', pieceId, change: { isFixed: false }, what: 'Loosen' } },
      ],
    };
  }
}
