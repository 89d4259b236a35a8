import { z } from 'zod';
import { freeText, text } from '../../plan/fields';
import { STOCK_TRANSACTION_KINDS } from '../../procurement/stock';

const StockId = text(160);
const Day = z.string().regex(/^20\d\d-\d\d-\d\d$/, 'expected a day such as 2026-11-29');
const move = {
  stockId: StockId,
  kind: z.enum(STOCK_TRANSACTION_KINDS),
  amount: z.number().min(0, 'expected 0 or more').max(1e7),
  day: Day,
  boardId: z.uuid().nullable(),
  paidMinor: z.number().int().min(0).max(1e9).nullable(),
  note: freeText(200),
};
export const Move = z.strictObject({ id: z.uuid(), ...move });
/** Lines are told with their ids, so that the same one sent twice is written once. */
export const NewMoves = z.strictObject({ moves: z.array(Move).min(1).max(500) });
export const Ledger = z.strictObject({ moves: z.array(Move) });
export const MoveParams = z.strictObject({ moveId: z.uuid() });
