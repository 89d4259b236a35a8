import type { Catalogue } from '../../catalogue';
import type { Piece } from '../../plan';
import type { PieceScale, StockRole } from './family';
import { FAMILIES, type FamilyName, familyNamed } from './piece';

/** Settings of a piece; what its family has come to ask for since it was taken is as of a new one. */
export const settingsOf = ({ family, settings }: Piece, scale: PieceScale): Piece['settings'] =>
  family in FAMILIES ? { ...(familyNamed(family as FamilyName).fresh(scale) as Piece['settings']), ...settings } : settings;

/** The piece with a stock for each of its roles: the usual one for what its family has come to need since. */
export function withStocks(piece: Piece, roles: readonly StockRole[], { starter: { pieces } }: Catalogue): Piece {
  const sheets = roles.filter(({ role, sold }) => sold === 'sheet' && !piece.sheets.some((one) => one.role === role));
  const lengths = roles.filter(({ role, sold }) => sold === 'length' && !piece.lengths.some((one) => one.role === role));
  if (sheets.length + lengths.length === 0) return piece;
  return {
    ...piece,
    sheets: [...piece.sheets, ...sheets.map(({ role, usual }) => ({ role, ...pieces.sheets[usual]! }))],
    lengths: [...piece.lengths, ...lengths.map(({ role, usual }) => ({ role, lengthId: pieces.lengths[usual]! }))],
  };
}
