import { type CutNode, leavesOf, pushedTogether, wasteOf } from './guillotine/cut-tree';
import type { Blank, Layout, LayoutTask, PlacedSheet, Placement, Stock } from './layout';
import { pinnedTree } from './pins';
import { isNew, roomOf } from './stock';

/** A sheet and how through cuts divide it. */
export interface Bin {
  readonly stock: Stock;
  readonly tree: CutNode;
}

/** A sheet with nothing on it. */
export const freshBin = (stock: Stock, kerfMm: number): Bin => {
  const { w, h } = roomOf(stock, kerfMm);
  return { stock, tree: wasteOf(stock.trim.leftMm, stock.trim.topMm, w, h) };
};

/** Sheets that are there before the search: those with pinned parts, and the offcuts. */
export function keptBins({ stock, pinned, kerfMm }: LayoutTask): readonly Bin[] {
  const used = new Set(pinned.map((sheet) => sheet.stock.offcutId));
  return [
    ...pinned.map((sheet): Bin => ({ stock: sheet.stock, tree: pinnedTree(sheet.stock, sheet.placements, kerfMm) })),
    ...stock.filter((one) => !isNew(one) && !used.has(one.offcutId)).map((one) => freshBin(one, kerfMm)),
  ];
}

/** Sheets with something on them. */
export const inUse = (bins: readonly Bin[]): readonly Bin[] => bins.filter(({ tree }) => tree.kind !== 'waste');

/** Ground nothing lies on, kerfs counted. */
export function freeMm2(tree: CutNode): number {
  let sum = 0;
  for (const leaf of leavesOf(tree)) if (leaf.kind === 'waste') sum += leaf.w * leaf.h;
  return sum;
}

/** A mm of cutting in mm² left over: enough to break a tie, too little to give up ground that matters. */
const MM2_PER_CUT_MM = 0.01;

/** The largest rectangle left over, and how little has to be cut where that is equal. */
export const meritOf = (bins: readonly Bin[], kerfMm: number): number => largestRest(bins, kerfMm) - MM2_PER_CUT_MM * cutMmOf(bins);

/** Cuts between pieces, all of them, mm. */
function cutMmOf(bins: readonly Bin[]): number {
  const within = (node: CutNode): number =>
    node.kind === 'split'
      ? (node.children.length - 1) * (node.along === 'x' ? node.h : node.w) + node.children.reduce((sum, child) => sum + within(child), 0)
      : 0;
  return bins.reduce((sum, { tree }) => sum + within(tree), 0);
}

/** Area of the largest rectangle left over on any sheet. */
function largestRest(bins: readonly Bin[], kerfMm: number): number {
  let best = 0;
  for (const { tree } of bins) {
    for (const leaf of leavesOf(pushedTogether(tree))) {
      if (leaf.kind === 'waste') best = Math.max(best, Math.max(0, leaf.w - kerfMm) * Math.max(0, leaf.h - kerfMm));
    }
  }
  return best;
}

/** The trees as a layout: sizes without kerf, pinned parts where they were, and on each sheet the largest rest. */
export function asLayout(
  bins: readonly Bin[],
  blanks: readonly Blank[],
  { kerfMm, pinned }: LayoutTask,
  tooLarge: readonly string[],
): Layout {
  const sheets = bins.map(({ stock, tree: loose }, i): PlacedSheet => {
    // Free ground to the right and below: no cut has to begin with waste.
    const tree = pushedTogether(loose);
    const placements: Placement[] = [...(pinned[i]?.placements ?? [])];
    let rest = { xMm: 0, yMm: 0, widthMm: 0, depthMm: 0 };
    for (const leaf of leavesOf(tree)) {
      const [widthMm, depthMm] = [Math.max(0, leaf.w - kerfMm), Math.max(0, leaf.h - kerfMm)];
      if (leaf.kind === 'part') {
        const blank = blanks[leaf.part]!;
        const [own, other] = leaf.turned ? [blank.depthMm, blank.widthMm] : [blank.widthMm, blank.depthMm];
        placements.push({
          blankId: blank.id,
          xMm: leaf.x,
          yMm: leaf.y,
          widthMm: own,
          depthMm: other,
          turned: leaf.turned,
          half: false,
          pinned: false,
        });
      } else if (leaf.kind === 'waste' && widthMm * depthMm > rest.widthMm * rest.depthMm)
        rest = { xMm: leaf.x, yMm: leaf.y, widthMm, depthMm };
    }
    return { stock, placements, rest };
  });
  return { sheets, tooLarge };
}
