import type { Catalogue } from '../catalogue';
import { type FamilyName, newPiece, pieceScale } from '../build/pieces';
import type { Piece } from '../plan';

/** Pieces of a board by family, with what differs from the first values at its scale. */
export function pieceMaker({ figureMm, baseMm }: { readonly figureMm: number; readonly baseMm: number }, catalogue: Catalogue) {
  const scale = pieceScale(figureMm, baseMm, catalogue);
  return (family: FamilyName, id: string, name: string, settings: Piece['settings'], own: Partial<Piece> = {}): Piece => {
    const fresh = newPiece(family, id, scale, [], catalogue);
    return { ...fresh, ...own, name, settings: { ...fresh.settings, ...settings } };
  };
}
