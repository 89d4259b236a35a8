import { type Catalogue, adhesiveBy, estimated, layingBy } from '../../../catalogue';
import { type Figure, given, calculate, total } from '../../../base/units';
import type { PieceSurface } from '../../../finishing/coats';
import type { MadePiece } from './made';

/** What is done to a piece in one step, and what it waits for after. */
export interface PieceTask {
  readonly work: Figure<'min'>;
  readonly wait: Figure<'min'>;
  /** Until it is through, should nothing come after. */
  readonly cure: Figure<'min'>;
  readonly cautionIds: readonly string[];
  /** What dries in that time, and so by the air there is; null for what does not. */
  readonly adhesiveId: string | null;
}
/** The making of one piece. */
export interface PieceWork {
  readonly pieceId: string;
  readonly name: string;
  /** Put together, clad, moulds made, copies cast: null where there is nothing of it to do. */
  readonly tasks: readonly (PieceTask | null)[];
  readonly surfaces: readonly PieceSurface[];
}

/** Everything that is done to a piece before it is coated. */
export const workOn = (made: MadePiece, catalogue: Catalogue): PieceWork => {
  const { piece, clads, copying, surfaces } = made;
  const way = copying?.way ?? null;
  const cast =
    way === null
      ? [null, null]
      : way.tasks.map(([work, wait]): PieceTask => ({ work, wait, cure: wait, cautionIds: way.casting.cautionIds, adhesiveId: null }));
  return {
    pieceId: piece.id,
    name: piece.name,
    tasks: [assembled(made, catalogue), clads.length === 0 ? null : clad(made, catalogue), ...cast],
    surfaces,
  };
};

/** Its strips cut, its joints fitted and glued, then left until it can be handled. */
function assembled({ piece, facts, lengths }: MadePiece, catalogue: Catalogue): PieceTask {
  const { name } = piece;
  const adhesive = adhesiveBy(catalogue, piece.glueId);
  const fitting = calculate(
    `${name}: joints fitted and glued`,
    'min',
    facts!.joints,
    '×',
    estimated('Each', catalogue.bench.pieceJointMin, 'min'),
  );
  const cuts = given('Cuts across strips', lengths.length, '1', 'drawing');
  const strips = calculate(`${name}: strips cut`, 'min', cuts, '×', estimated('Each', catalogue.bench.lengthCutMin, 'min'));
  return { work: total(`Assemble pieces, ${name}`, 'min', [fitting, strips]), ...driedOf(adhesive), cautionIds: adhesive.cautionIds };
}

/** Units laid and left to hold, or the surface itself worked. */
function clad({ piece, clads }: MadePiece, catalogue: Catalogue): PieceTask {
  const layings = clads.map(({ way: { layingId } }) => layingBy(catalogue, layingId));
  const work = total(
    `Clad pieces, ${piece.name}`,
    'min',
    clads.map(({ way: { time } }) => time),
  );
  const slowest = layings
    .flatMap(({ adhesiveId }) => (adhesiveId === null ? [] : [adhesiveBy(catalogue, adhesiveId)]))
    .sort((a, b) => b.fullMin - a.fullMin)[0];
  const cautionIds = layings.flatMap((laying) => laying.cautionIds);
  return slowest === undefined
    ? { work, wait: NO_WAIT, cure: NO_WAIT, cautionIds, adhesiveId: null }
    : { work, ...driedOf(slowest), cautionIds };
}
const NO_WAIT = given('No wait', 0, 'min', 'definition');

/** How long what is glued with it waits. */
export const driedOf = ({
  id,
  name,
  handleMin,
  fullMin,
}: ReturnType<typeof adhesiveBy>): Pick<PieceTask, 'wait' | 'cure'> & { readonly adhesiveId: string } => ({
  adhesiveId: id,
  wait: estimated(`${name}, until it can be handled`, handleMin, 'min'),
  cure: given(`${name}, until cured`, fullMin, 'min', 'catalogue', 'our default value; the product label comes first'),
});
