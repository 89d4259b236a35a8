import { dayAfter } from '../../base/dates';
import { listedBy } from '../../base/grouping';
import type { Catalogue } from '../../catalogue';
import { type Stocked, stockedIn } from './stocked';

/** What can happen to something on the shelf. */
export const STOCK_TRANSACTION_KINDS = ['bought', 'found', 'opened', 'used', 'thrown', 'counted', 'kept'] as const;
export type StockTransactionKind = (typeof STOCK_TRANSACTION_KINDS)[number];
/** One line of the ledger. Lines are only ever added; a slip is put right by another, or by taking the line out. */
export interface StockTransaction {
  readonly id: string;
  readonly stockId: string;
  readonly kind: StockTransactionKind;
  /** In what the thing is counted in; of `counted` all that is there, of `kept` what is kept for a board from now on. */
  readonly amount: number;
  /** `2026-11-29`. */
  readonly day: string;
  /** The board it was bought for, used on, or is kept for. */
  readonly boardId: string | null;
  /** What was paid for it; null where nobody said, and of what is not bought. */
  readonly paidMinor: number | null;
  readonly note: string;
}

/** What is on the shelf of one thing. */
export interface Shelved {
  readonly stock: Stocked;
  readonly amount: number;
  readonly openedOn: string | null;
  /** Kept for boards, by their ids; never more together than there is. */
  readonly kept: ReadonlyMap<string, number>;
  /** Why it may be past its time; null for what is good as far as anybody knows. */
  readonly tooOld: string | null;
}

/**
 * What is there after everything that happened, in the order it was written down. Never less than nothing: what was used without having been written down was there.
 * @param today `2026-11-29`, against which it is told what has stood for too long
 */
export function shelfOf(moves: readonly StockTransaction[], catalogue: Catalogue, today: string): readonly Shelved[] {
  const byStock = listedBy(moves, ({ stockId }) => stockId);
  return [...byStock].flatMap(([id, own]) => {
    const stock = stockedIn(catalogue).get(id);
    return stock === undefined ? [] : [shelved(stock, own, today)];
  });
}

function shelved(stock: Stocked, moves: readonly StockTransaction[], today: string): Shelved {
  let amount = 0;
  let openedOn: string | null = null;
  let since: string | null = null;
  const kept = new Map<string, number>();
  for (const move of moves) {
    switch (move.kind) {
      case 'bought':
      case 'found':
        if (amount <= 0) [openedOn, since] = [null, move.day];
        amount += move.amount;
        break;
      case 'opened':
        openedOn = move.day;
        break;
      case 'used':
      case 'thrown':
        amount = Math.max(0, amount - move.amount);
        if (move.kind === 'used') useKept(kept, move);
        break;
      case 'counted':
        ({ amount } = move);
        since ??= move.day;
        break;
      case 'kept':
        if (move.boardId !== null) kept.set(move.boardId, move.amount);
        break;
    }
  }
  return { stock, amount, openedOn, kept: granted(kept, amount), tooOld: amount === 0 ? null : ageText(stock, openedOn, since, today) };
}

/** What is kept for a board and used on it is kept no longer. */
function useKept(kept: Map<string, number>, { boardId, amount }: StockTransaction): void {
  if (boardId !== null && kept.has(boardId)) kept.set(boardId, Math.max(0, kept.get(boardId)! - amount));
}
/** What each board gets of what is there, those first that asked first. */
function granted(kept: ReadonlyMap<string, number>, amount: number): ReadonlyMap<string, number> {
  let left = amount;
  const all = new Map<string, number>();
  for (const [boardId, wanted] of kept) {
    const granting = Math.min(wanted, left);
    left -= granting;
    if (granting > 0) all.set(boardId, granting);
  }
  return all;
}

/** @source a label or data sheet wins over these days: what is past them is tried on a scrap first */
function ageText({ life }: Stocked, openedOn: string | null, since: string | null, today: string): string | null {
  if (life === null) return null;
  if (openedOn !== null) {
    const days = dayAfter(openedOn, today);
    return days > life.openDays
      ? `open for ${days} days; it keeps for about ${life.openDays} days once open. Test it on a scrap first`
      : null;
  }
  const days = since === null ? 0 : dayAfter(since, today);
  return days > life.closedDays ? `here for ${days} days; it keeps for about ${life.closedDays} days. Test it on a scrap first` : null;
}

/** What a board may take of each thing: all that is there, but for what is kept for others. */
export const freeFor = (shelf: readonly Shelved[], boardId: string | null): Readonly<Record<string, number>> =>
  Object.fromEntries(
    shelf.flatMap(({ stock: { id }, amount, kept }) => {
      const others = [...kept].reduce((sum, [board, own]) => sum + (board === boardId ? 0 : own), 0);
      return amount - others > 0 ? [[id, amount - others]] : [];
    }),
  );
