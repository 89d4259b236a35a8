import { type LeastCost, type Offer, type Terms, type Want, leastCost } from '@spare-acre/core/procurement/buying';
import { type Substitute, derivePipeline, neededAt, substitutesOf } from '@spare-acre/core/pipeline';
import type { Board } from '@spare-acre/core/plan';
import type { BoardCopy } from '../board-copy';

/** Everything that is wanted at the least money. */
export const buy = (_board: BoardCopy, wants: readonly Want[], shops: readonly Terms[], offers: readonly Offer[]): LeastCost =>
  leastCost(wants, shops, offers);

/** When each thing is first worked with, by its id. */
export const needed = (board: BoardCopy): ReadonlyMap<string, number> => neededAt(board.derived());

export const substitutes = (board: BoardCopy, stockId: string): readonly Substitute[] =>
  substitutesOf(board.plan, board.catalogue, stockId, board.shop);

/** What another board wants, with nothing on the shelf. */
export async function wantsOf(board: BoardCopy, other: Board): Promise<readonly Want[]> {
  const derived = derivePipeline()(other.plan, board.catalogue, { ...board.shop, offcuts: [], shelf: {}, ...other.record });
  return derived.supplies.rows.flatMap(({ wants }) => wants);
}
