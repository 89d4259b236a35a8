import { type CutNode, FIT_MM, wasteOf } from './guillotine/cut-tree';
import type { Placement, Stock } from './layout';
import { roomOf } from './stock';

/**
 * A sheet with parts that stay where they are, divided by through cuts into those parts and free ground. Where through cuts cannot part them, the whole stretch they
 * lie in is held.
 */
export function pinnedTree(stock: Stock, pinned: readonly Placement[], kerfMm: number): CutNode {
  const { w, h } = roomOf(stock, kerfMm);
  return divided({ x: stock.trim.leftMm, y: stock.trim.topMm, w, h }, pinned, kerfMm);
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

function divided(box: Box, pinned: readonly Placement[], kerfMm: number): CutNode {
  const { x, y, w, h } = box;
  if (pinned.length === 0) return wasteOf(x, y, w, h);
  for (const along of ['x', 'y'] as const) {
    const [from, size] = along === 'x' ? [x, w] : [y, h];
    const start = (p: Placement): number => (along === 'x' ? p.xMm : p.yMm);
    const end = (p: Placement): number => (along === 'x' ? p.xMm + p.widthMm : p.yMm + p.depthMm) + kerfMm;
    const lines = [...pinned.map(start), ...pinned.map(end)]
      .filter((line) => line > from + FIT_MM && line < from + size - FIT_MM)
      .filter((line) => pinned.every((p) => start(p) >= line - FIT_MM || end(p) <= line + FIT_MM))
      .sort((a, b) => a - b);
    if (lines.length === 0) continue;
    const edges = [from, ...new Set(lines), from + size];
    const children = edges.slice(1).map((to, i): CutNode => {
      const at = edges[i]!;
      const part: Box = along === 'x' ? { x: at, y, w: to - at, h } : { x, y: at, w, h: to - at };
      return divided(
        part,
        pinned.filter((p) => start(p) >= at - FIT_MM && end(p) <= to + FIT_MM),
        kerfMm,
      );
    });
    return { kind: 'split', along, x, y, w, h, children };
  }
  return { kind: 'held', x, y, w, h };
}
