import { type Layout, type LayoutTask, layOut } from '../build/cutting/nesting';

/** Layouts remembered at once: a drag back and forth over a boundary stays quick. */
const KEPT = 60;

/** Lays out jobs and remembers the last few, told apart by what a layout depends on: sizes, the stock and what is pinned, not what the parts look like. */
export function memoizedLayouts(): (task: LayoutTask) => Layout {
  const known = new Map<string, Layout>();
  return (task) => {
    const key = keyOf(task);
    const layout = known.get(key) ?? layOut(task);
    known.delete(key);
    known.set(key, layout);
    if (known.size > KEPT) known.delete(known.keys().next().value!);
    return layout;
  };
}

function keyOf({ blanks, stock, kerfMm, aim, pinned }: LayoutTask): string {
  const sizes = blanks.map(({ id, widthMm, depthMm, mayTurn }) => `${id} ${widthMm} ${depthMm} ${mayTurn ? 1 : 0}`);
  const sheets = stock.map(
    ({ widthMm, depthMm, trim, offcutId, priceMinor }) =>
      `${offcutId ?? ''} ${widthMm} ${depthMm} ${trim.leftMm} ${trim.topMm} ${trim.rightMm} ${trim.bottomMm} ${priceMinor}`,
  );
  return [kerfMm, aim, ...sheets, JSON.stringify(pinned), ...sizes].join('|');
}
