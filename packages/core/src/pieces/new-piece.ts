import type { Catalogue } from '../catalogue';
import type { Piece } from '../plan';
import type { PieceScale } from './family';
import { type FamilyName, familyNamed } from './piece';

/** A piece of a family as it is when it is taken: sensible sizes at the board's scale, the usual stocks. @param taken names there are already */
export function newPiece(family: FamilyName, id: string, scale: PieceScale, taken: readonly string[], catalogue: Catalogue): Piece {
  const { pieces } = catalogue.starter;
  const { name, fresh, roles } = familyNamed(family);
  return {
    id,
    name: freshName(name, taken),
    family,
    settings: { ...(fresh(scale) as Piece['settings']) },
    sheets: roles.filter(({ sold }) => sold === 'sheet').map(({ role, usual }) => ({ role, ...pieces.sheets[usual]! })),
    lengths: roles.filter(({ sold }) => sold === 'length').map(({ role, usual }) => ({ role, lengthId: pieces.lengths[usual]! })),
    glueId: pieces.glueId,
    cladding: [],
    coats: usualCoats(catalogue),
    castingId: null,
    count: 1,
    isMadeElsewhere: false,
    isFixed: false,
  };
}

/** What the outside of a piece is given until the builder says otherwise. */
export const usualCoats = ({ starter: { pieces } }: Catalogue): Piece['coats'] =>
  pieces.coats.map(({ coatingId, methodId }, i) => ({ id: `coat-${i + 1}`, coatingId, methodId, filmMm: null }));

function freshName(name: string, taken: readonly string[]): string {
  if (!taken.includes(name)) return name;
  for (let n = 2; ; n++) if (!taken.includes(`${name} ${n}`)) return `${name} ${n}`;
}
