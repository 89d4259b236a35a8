import type { Piece, Plan } from '@spare-acre/core/plan';
import { FAMILIES, type PieceScale, makePiece, pieceScale } from '@spare-acre/core/build/pieces';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { ref } from 'vue';

/** The piece on the bench; kept while one goes from view to view. */
export const chosenPieceId = ref<string | null>(null);

export const scaleOf = ({ figureHeightMm, play }: Plan, catalogue: Catalogue): PieceScale =>
  pieceScale(figureHeightMm, play.baseMm, catalogue);

/** Why a piece cannot have these settings, at which of its fields; nothing where it can. */
export function whyNot(
  piece: Piece,
  change: Piece['settings'],
  scale: PieceScale,
  catalogue: Catalogue,
): { readonly field: string | null; readonly says: string } | null {
  return makePiece({ ...piece, settings: { ...piece.settings, ...change } }, scale, catalogue).problem;
}

/** Everything a family asks for. */
export const allFieldsOf = ({ family }: Piece) => (family in FAMILIES ? FAMILIES[family as keyof typeof FAMILIES].of.fields : []);
/** What a family asks for, as far as it has a say with these settings. */
export function fieldsOf(piece: Piece, settings: Piece['settings']) {
  return allFieldsOf(piece).filter(({ when }) => when === undefined || when(settings as never));
}
