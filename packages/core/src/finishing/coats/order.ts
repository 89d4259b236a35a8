import { listedBy } from '../../base/grouping';
import type { CoatNeed } from './coats';

/** The same coating put on in the same way on any number of surfaces, as one step. */
export interface CoatGroup {
  readonly key: string;
  readonly needs: readonly CoatNeed[];
}

/**
 * Coats of all surfaces in one order of work. Each surface keeps the order of its own list; among what may come next the lowest rank goes first, the dirty before the fine.
 * Where two surfaces want two steps the other way round, the step is done twice.
 */
export function inOrder(coats: readonly CoatNeed[]): readonly CoatGroup[] {
  const lists = [...listedBy(coats, ({ surfaceId }) => surfaceId).values()];
  const keyOf = new Map<CoatNeed, string>();
  for (const list of lists) {
    const seen = new Map<string, number>();
    for (const need of list) {
      const plain = `${need.coating.id}-${need.method.id}`;
      const nth = (seen.get(plain) ?? 0) + 1;
      seen.set(plain, nth);
      keyOf.set(need, `${plain}-${nth}`);
    }
  }
  const at = lists.map(() => 0);
  const left = new Map<string, number>();
  for (const key of keyOf.values()) left.set(key, (left.get(key) ?? 0) + 1);
  const order: CoatGroup[] = [];
  for (;;) {
    const open = lists.flatMap((list, i) => (at[i]! < list.length ? [{ i, need: list[at[i]!]! }] : []));
    if (open.length === 0) return order;
    const byKey = [...listedBy(open, ({ need }) => keyOf.get(need)!)].sort(
      ([, a], [, b]) => a[0]!.need.method.rank - b[0]!.need.method.rank,
    );
    // A step that some surface is not ready for waits, as long as any other is whole.
    const [key, ready] = byKey.find(([one, here]) => here.length === left.get(one)) ?? byKey[0]!;
    const again = order.filter((group) => group.key === key || group.key.startsWith(`${key}-again`)).length;
    order.push({ key: again === 0 ? key : `${key}-again${again}`, needs: ready.map(({ need }) => need) });
    left.set(key, left.get(key)! - ready.length);
    for (const { i } of ready) at[i]!++;
  }
}
