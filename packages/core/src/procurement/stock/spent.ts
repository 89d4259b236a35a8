import type { Bare } from '../../base/units';
import type { Supply } from '../supplies';
import type { StockTransaction } from './ledger';

/** Money planned for one thing beside what was paid for it. */
export interface SpentOn {
  readonly name: string;
  readonly plannedMinor: number;
  /** Null where nothing was bought yet. */
  readonly paidMinor: number | null;
  /** Planned for so much of it as was bought. */
  readonly plannedOfBoughtMinor: number;
}
/** What a board was planned to cost beside what was paid for it. */
export interface Spent {
  /** What is planned, and what was bought though nothing of it is; the widest apart first, what is not bought yet last. */
  readonly rows: readonly SpentOn[];
  readonly plannedMinor: number;
  readonly paidMinor: number;
  /** Planned for what was bought: what `paidMinor` stands against. */
  readonly plannedOfBoughtMinor: number;
  /** Lines of the ledger that say no price. */
  readonly unpriced: number;
}

/** Money spent on a board against the money planned, thing by thing. @param nameOf what a thing is called that the plan has nothing of */
export function spentOn(
  boardId: string,
  moves: readonly StockTransaction[],
  supplies: readonly Bare<Pick<Supply, 'name' | 'need' | 'stockId' | 'wants' | 'planned'>>[],
  nameOf: (stockId: string) => string,
): Spent {
  const bought = moves.filter((move) => move.kind === 'bought' && move.boardId === boardId);
  const paid = new Map<string, { minor: number; amount: number }>();
  for (const { stockId, amount, paidMinor } of bought) {
    const before = paid.get(stockId) ?? { minor: 0, amount: 0 };
    if (paidMinor !== null) paid.set(stockId, { minor: before.minor + paidMinor, amount: before.amount + amount });
  }
  const known = new Set<string>();
  const planned = supplies.map(({ name, need, stockId, wants, planned: plan }): SpentOn => {
    const ids = [...new Set(stockId === null ? wants.map((want) => want.stockId) : [stockId])].filter(
      (id) => paid.has(id) && !known.has(id),
    );
    for (const id of ids) known.add(id);
    if (ids.length === 0) return { name, plannedMinor: plan.value, paidMinor: null, plannedOfBoughtMinor: 0 };
    const sums = ids.map((id) => paid.get(id)!);
    const share = need.value <= 0 ? 1 : Math.min(1, sums.reduce((sum, { amount }) => sum + amount, 0) / need.value);
    return {
      name,
      plannedMinor: plan.value,
      paidMinor: sums.reduce((sum, { minor }) => sum + minor, 0),
      plannedOfBoughtMinor: Math.round(plan.value * share),
    };
  });
  const besides = [...paid].flatMap(([id, { minor }]): SpentOn[] =>
    known.has(id) ? [] : [{ name: nameOf(id), plannedMinor: 0, paidMinor: minor, plannedOfBoughtMinor: 0 }],
  );
  const rows = [...planned, ...besides].filter(({ plannedMinor, paidMinor }) => plannedMinor > 0 || paidMinor !== null);
  const apart = ({ plannedOfBoughtMinor, paidMinor }: SpentOn): number =>
    paidMinor === null ? -1 : Math.abs(paidMinor - plannedOfBoughtMinor);
  const sum = (list: readonly SpentOn[], of: (one: SpentOn) => number): number => list.reduce((all, one) => all + of(one), 0);
  return {
    rows: rows.sort((a, b) => apart(b) - apart(a)),
    plannedMinor: sum(rows, ({ plannedMinor }) => plannedMinor),
    paidMinor: sum(rows, ({ paidMinor }) => paidMinor ?? 0),
    plannedOfBoughtMinor: sum(rows, ({ plannedOfBoughtMinor }) => plannedOfBoughtMinor),
    unpriced: bought.filter(({ paidMinor }) => paidMinor === null).length,
  };
}
