import { type Catalogue, adhesiveBy } from '../../catalogue';
import { type Piece, type Plan, starterCoats } from '../../plan';
import type { PieceScale } from './family';
import { makePiece } from './making/made';
import { type FamilyName, familyNamed } from './piece';

/** A piece of a family as it is when it is taken: sensible sizes at the board's scale, the usual stocks, a glue that holds them. @param taken names there are already */
export function newPiece(family: FamilyName, id: string, scale: PieceScale, taken: readonly string[], catalogue: Catalogue): Piece {
  const { pieces } = catalogue.starter;
  const { name, fresh, roles } = familyNamed(family);
  const usual: Piece = {
    id,
    name: freshName(name, taken),
    family,
    settings: { ...(fresh(scale) as Piece['settings']) },
    sheets: roles.filter(({ sold }) => sold === 'sheet').map(({ role, usual }) => ({ role, ...pieces.sheets[usual]! })),
    lengths: roles.filter(({ sold }) => sold === 'length').map(({ role, usual }) => ({ role, lengthId: pieces.lengths[usual]! })),
    glueId: pieces.glueId,
    cladding: [],
    coats: usualCoats(catalogue),
    surfaceId: null,
    faces: [],
    castingId: null,
    count: 1,
    isMadeElsewhere: false,
    isFixed: false,
  };
  return { ...usual, glueId: holdingGlue(usual, scale, catalogue) };
}

/** The usual glue where it holds what touches; else the strongest that does. */
function holdingGlue(piece: Piece, scale: PieceScale, catalogue: Catalogue): string {
  const holding = makePiece(piece, scale, catalogue).glues.filter(({ faults }) => faults.length === 0);
  if (holding.length === 0 || holding.some(({ id }) => id === piece.glueId)) return piece.glueId;
  return holding.map(({ id }) => adhesiveBy(catalogue, id)).toSorted((a, b) => b.fullMin - a.fullMin)[0]!.id;
}

/** What the outside of a piece is given until the builder says otherwise. */
export const usualCoats = ({ starter: { pieces } }: Catalogue): Piece['coats'] =>
  starterCoats(pieces.coats).map((coat, i) => ({ ...coat, id: `coat-${i + 1}` }));

/** What a piece of one board becomes on another: the very thing, made there and standing here too, or made here once more. */
export const takenOver = (
  piece: Piece,
  { id, taken, isMadeHere }: { readonly id: string; readonly taken: readonly string[]; readonly isMadeHere: boolean },
): Piece => ({ ...piece, id, name: freshName(piece.name, taken), isMadeElsewhere: !isMadeHere, isFixed: isMadeHere && piece.isFixed });

/** Whether pieces keep their sizes from one board to the other: those in bases and figures follow the board. */
export const keepsSizes = (a: Pick<Plan, 'figureHeightMm' | 'play'>, b: Pick<Plan, 'figureHeightMm' | 'play'>): boolean =>
  a.figureHeightMm === b.figureHeightMm && a.play.baseMm === b.play.baseMm;

function freshName(name: string, taken: readonly string[]): string {
  if (!taken.includes(name)) return name;
  for (let n = 2; ; n++) if (!taken.includes(`${name} ${n}`)) return `${name} ${n}`;
}
