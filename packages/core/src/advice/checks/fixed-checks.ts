import { type Box, regionBox } from '../../base/geometry';
import type { Ground } from '../../terrain/ground';
import type { GluedDown, OnTile } from '../../terrain/tiling';
import type { Warning } from './warning';

/** How far a box is to be moved to lie within another; null where it is too large for it. */
function shiftInto(box: Box, into: Box): { readonly dxMm: number; readonly dyMm: number } | null {
  const along = (low: number, high: number, from: number, to: number): number | null =>
    high - low > to - from ? null : low < from ? Math.ceil(from - low) : high > to ? Math.floor(to - high) : 0;
  const [dxMm, dyMm] = [along(box.left, box.right, into.left, into.right), along(box.top, box.bottom, into.top, into.bottom)];
  return dxMm === null || dyMm === null ? null : { dxMm, dyMm };
}

/** Pieces glued over a seam: the tiles under them no longer come apart. */
export function* fixedWarnings({
  fixed,
  ground,
}: {
  readonly fixed: readonly (GluedDown & OnTile & { readonly pieceId: string })[];
  readonly ground: Ground;
}): Generator<Warning> {
  for (const { featureId, pieceId, name, ground: under, tileId, tileIds } of fixed) {
    if (tileIds.length < 2) continue;
    const shift = shiftInto(regionBox(under), ground.tiles.find(({ id }) => id === tileId)!.cutBox);
    yield {
      id: `piece/over-seam ${featureId}`,
      code: 'piece/over-seam',
      severity: 'stop',
      featureId,
      title: name,
      text: [`is glued down over the seams of ${[...tileIds].sort().join(', ')}, so these tiles no longer come apart.`],
      mends: [
        ...(shift === null ? [] : [{ label: `Move it onto ${tileId}`, edit: { code: 'feature/move' as const, featureId, ...shift } }]),
        { label: 'Make it removable', edit: { code: 'piece/change', pieceId, change: { isFixed: false }, what: 'Make removable' } },
      ],
    };
  }
}
