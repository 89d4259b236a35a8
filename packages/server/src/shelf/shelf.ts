import type { Knex } from 'knex';
import type { StockTransaction } from '@spare-acre/core/procurement/stock';

interface Row extends Omit<StockTransaction, 'stockId' | 'boardId' | 'paidMinor'> {
  readonly stock_id: string;
  readonly board_id: string | null;
  readonly paid_minor: number | null;
}

/** The whole ledger, in the order in which it was written. */
export const listMoves = async (db: Knex): Promise<readonly StockTransaction[]> =>
  (
    await db<Row>('shelf_moves')
      .select('id', 'stock_id', 'kind', 'amount', 'day', 'board_id', 'note', 'paid_minor')
      .whereNull('deleted_at')
      .orderBy('turn')
  ).map(({ stock_id, board_id, paid_minor, ...move }) => ({ ...move, stockId: stock_id, boardId: board_id, paidMinor: paid_minor }));
/** Writes lines down, all or none; a line that is there already is not written again. */
export async function addMoves(db: Knex, moves: readonly StockTransaction[]): Promise<void> {
  const rows = moves.map(({ stockId, boardId, paidMinor, ...move }): Row => ({
    ...move,
    stock_id: stockId,
    board_id: boardId,
    paid_minor: paidMinor,
  }));
  await db<Row>('shelf_moves').insert(rows).onConflict('id').ignore();
}
