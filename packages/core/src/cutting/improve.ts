import type { Random } from '../random';
import {
  type CutNode,
  FIT_MM,
  type PartNode,
  type WasteNode,
  isHeld,
  leavesOf,
  pushedTogether,
  replaced,
  wasteOf,
  withPart,
} from './cut-tree';
import { leastByExactSearch } from './exact';
import { type Cluster, type Room, joinedUp, movedTo, turned } from './join';
import { type Blank, type LaidSheet, type Layout, type LayoutTask, type Placement, layOut, layoutWeight } from './layout';
import { pinnedTree } from './pins';
import { type Stock, isNew, leastWeight, leastWeightFor, roomOf, setsUnder, takenMm2 } from './stock';

/** A layout so far, and how good it can be known to be. */
export interface LayoutProgress {
  readonly layout: Layout;
  /** What the new sheets weigh by the aim, and what none can go under. */
  readonly weight: number;
  readonly bound: number;
  /** Whether less is known to be impossible. */
  readonly isProven: boolean;
  readonly moves: number;
}

/** Moves between two answers. */
const MOVES_A_STEP = 200;
/** How long a worse state may be remembered as good enough; longer wanders further. */
const LATE = 120;
/** A place that would be best is passed over this often, so that the same hole is not always filled first. */
const BLINK = 0.02;
/** Branches taken out at once, at most. */
const MOST_RUINED = 4;

/** Moves a set of joined parts is tried for before another is made. */
const MOVES_A_ROUND = 1_600;
/** Shares of waste that joins are allowed, one round after another: from matching sides alone to what a careful eye would take. */
const JOIN_WASTES = [0, 0.02, 0.005, 0.05, 0.01] as const;

/** A part with its kerf, or several joined: `node` is how through cuts take it apart again. */
interface Item extends Cluster {
  readonly index: number;
}
/** A sheet and how through cuts divide it. */
interface Bin {
  readonly stock: Stock;
  readonly tree: CutNode;
}
interface State {
  readonly bins: readonly Bin[];
  /** Parts that lie nowhere yet. */
  readonly out: readonly Item[];
}
/** Sets of sheets tried in turn for a lighter layout. */
const MOST_TARGETS = 6;

/**
 * Improves a layout of through cuts for as long as it is asked: aims first at a lighter set of sheets (cheaper, or fewer), then at the largest rectangle left over, then at
 * the least to cut. Yields the best layout after every {@link MOVES_A_STEP} moves, never by the clock: one seed, one sequence. Ends by itself only when there is nothing
 * to lay out.
 * @source goal-driven ruin and recreate for guillotine bin packing (Gardeyn & Wauters 2022) with late acceptance (Burke & Bykov 2017), on parts that
 *   are first joined bottom up where their sides match (Wang 1983)
 */
export function* improveLayout(task: LayoutTask, random: Random): Generator<LayoutProgress, void, void> {
  const { kerfMm, aim, pinned } = task;
  const start = layOut(task);
  const held = new Set(pinned.flatMap(({ placements }) => placements.map(({ blankId }) => blankId)));
  const fitting = task.blanks.filter(({ id }) => !start.tooLarge.includes(id) && !held.has(id));
  const singles = fitting.map((blank, index): Item => {
    const [w, h] = [blank.widthMm + kerfMm, blank.depthMm + kerfMm];
    const node: CutNode = { kind: 'part', part: index, turned: false, x: 0, y: 0, w, h };
    return { index, w, h, area: w * h, mayTurn: blank.mayTurn, node };
  });
  const rooms: readonly Room[] = task.stock.map((one) => roomOf(one, kerfMm));
  const kept = keptBins(task);
  const keptWeight = layoutWeight(kept, aim);
  const startWeight = layoutWeight(start.sheets, aim);
  const bound = boundOf(task, fitting, kept);
  let best = filled(singles, start, task, kept, random);
  let moves = 0;
  const isQuicker = (): boolean => layoutWeight(best, aim) > startWeight + SAME;
  const bestWeight = (): number => Math.min(layoutWeight(best, aim), startWeight);
  const answer = (): LayoutProgress => ({
    layout: isQuicker() ? start : asLayout(best, fitting, task, start.tooLarge),
    weight: bestWeight(),
    bound,
    isProven: bestWeight() <= bound + SAME,
    moves,
  });
  yield answer();
  if (singles.length === 0) return;

  // First aim: lighter, again and again, each round on another set of sheets or on the parts joined in another way.
  const keptMm2 = kept.reduce((sum, { tree }) => sum + freeMm2(tree), 0);
  const kinds = task.stock.filter(isNew);
  for (let round = 0; bestWeight() > bound + SAME; round++) {
    const targets = setsUnder(kinds, takenMm2(fitting, kerfMm) - keptMm2, bestWeight() - keptWeight - SAME, kerfMm, aim).slice(
      0,
      MOST_TARGETS,
    );
    if (targets.length === 0) break;
    const target = targets[Math.floor(round / (JOIN_WASTES.length + 1)) % targets.length]!;
    const isSingle = round % (JOIN_WASTES.length + 1) === JOIN_WASTES.length;
    const items = isSingle
      ? singles
      : joinedItems(singles, JOIN_WASTES[round % (JOIN_WASTES.length + 1)]!, rooms, round < JOIN_WASTES.length ? null : random);
    const fresh = target.counts.flatMap((count, k) => Array.from({ length: count }, () => freshBin(kinds[k]!, kerfMm)));
    let current = recreate({ bins: [...kept, ...fresh], out: items }, random, round > JOIN_WASTES.length);
    const late = Array<number>(LATE).fill(unplaced(current));
    for (let i = 1; i <= MOVES_A_ROUND && current.out.length > 0; i++) {
      moves += 1;
      const next = recreate(ruined(current, items, random), random, true);
      const cost = unplaced(next);
      if (cost <= late[i % LATE]! || cost <= unplaced(current)) current = next;
      late[i % LATE] = unplaced(current);
      if (i % MOVES_A_STEP === 0) yield answer();
    }
    if (current.out.length === 0) best = inUse(expanded(current.bins, items));
    yield answer();
  }

  // Second aim, on sheets that weigh as much: the largest rectangle left over; third, where that is equal, the least to cut.
  if (isQuicker()) return;
  let current: State = { bins: best, out: [] };
  let own = meritOf(current.bins, kerfMm);
  let top = own;
  const late = Array<number>(LATE).fill(own);
  for (;;) {
    for (let i = 0; i < MOVES_A_STEP; i++) {
      moves += 1;
      const next = recreate(ruined(current, singles, random), random, true);
      if (next.out.length > 0) continue;
      const merit = meritOf(next.bins, kerfMm);
      if (merit >= late[moves % LATE]! || merit >= own) [current, own] = [next, merit];
      if (merit > top + FIT_MM) [best, top] = [inUse(next.bins), merit];
      late[moves % LATE] = Math.max(merit, own);
    }
    yield answer();
    if (moves % (MOVES_A_STEP * 100) === 0) {
      // Back to the best: what has wandered for long is seldom near anything good.
      current = { bins: best, out: [] };
      own = top;
      late.fill(top);
    }
  }
}

/** Weights nearer than this are the same. */
const SAME = 1e-9;
/** A mm of cutting in mm² left over: enough to break a tie, too little to give up ground that matters. */
const MM2_PER_CUT_MM = 0.01;

/** The largest rectangle left over, and how little has to be cut where that is equal. */
const meritOf = (bins: readonly Bin[], kerfMm: number): number => largestRest(bins, kerfMm) - MM2_PER_CUT_MM * cutMmOf(bins);

/** Cuts between pieces, all of them, mm. */
function cutMmOf(bins: readonly Bin[]): number {
  const within = (node: CutNode): number =>
    node.kind === 'split'
      ? (node.children.length - 1) * (node.along === 'x' ? node.h : node.w) + node.children.reduce((sum, child) => sum + within(child), 0)
      : 0;
  return bins.reduce((sum, { tree }) => sum + within(tree), 0);
}

/** Sheets that are there before the search: those with pinned parts, and the offcuts. */
function keptBins({ stock, pinned, kerfMm }: LayoutTask): readonly Bin[] {
  const used = new Set(pinned.map((sheet) => sheet.stock.offcutId));
  return [
    ...pinned.map((sheet): Bin => ({ stock: sheet.stock, tree: pinnedTree(sheet.stock, sheet.placements, kerfMm) })),
    ...stock.filter((one) => !isNew(one) && !used.has(one.offcutId)).map((one) => freshBin(one, kerfMm)),
  ];
}

function freeMm2(tree: CutNode): number {
  let sum = 0;
  for (const leaf of leavesOf(tree)) if (leaf.kind === 'waste') sum += leaf.w * leaf.h;
  return sum;
}

/** What no layout can go under: by looking at all ways where the parts are few and none is pinned, by area otherwise. */
function boundOf({ stock, kerfMm, aim, pinned }: LayoutTask, fitting: readonly Blank[], kept: readonly Bin[]): number {
  if (pinned.length === 0) {
    return leastByExactSearch(fitting, stock, kerfMm, aim) ?? leastWeight(fitting, stock, kerfMm, aim);
  }
  const roomMm2 = kept.reduce((sum, { tree }) => sum + freeMm2(tree), 0);
  const base = layoutWeight(kept, aim);
  const kinds = stock.filter(isNew);
  const needMm2 = takenMm2(fitting, kerfMm) - roomMm2;
  return needMm2 <= 0 || kinds.length === 0 ? base : base + leastWeightFor(needMm2, kinds, kerfMm, aim);
}

/** As many sheets as the parts take when each is put where it leaves the best rest, a sheet of the quick layout's sizes after another. */
function filled(items: readonly Item[], start: Layout, task: LayoutTask, kept: readonly Bin[], random: Random): readonly Bin[] {
  const sizes = start.sheets.map(({ stock }) => stock).filter(isNew);
  const largest = task.stock
    .filter(isNew)
    .reduce<Stock | null>((a, b) => (a === null || b.widthMm * b.depthMm > a.widthMm * a.depthMm ? b : a), null);
  let state = recreate({ bins: kept, out: items }, random, false);
  const pinnedNew = kept.filter(({ stock }) => isNew(stock)).length;
  for (let i = pinnedNew; state.out.length > 0; i++) {
    const stock = sizes[i] ?? largest;
    if (stock === null) break;
    const before = state.out.length;
    state = recreate({ bins: [...state.bins, freshBin(stock, task.kerfMm)], out: state.out }, random, false);
    // A size that takes nothing of what is left is followed by the largest there is.
    if (state.out.length === before && largest !== null && stock !== largest) {
      state = recreate({ bins: [...state.bins.slice(0, -1), freshBin(largest, task.kerfMm)], out: state.out }, random, false);
    }
  }
  return inUse(state.bins);
}

/** Sheets with something on them. */
const inUse = (bins: readonly Bin[]): readonly Bin[] => bins.filter(({ tree }) => tree.kind !== 'waste');

/** Parts joined where that wastes little, as items of their own. */
function joinedItems(singles: readonly Item[], mostWaste: number, rooms: readonly Room[], random: Random | null): readonly Item[] {
  return joinedUp(singles, mostWaste, rooms, random).map((cluster, index) => ({ ...cluster, index }));
}

/** Trees of items as trees of parts. */
function expanded(bins: readonly Bin[], items: readonly Item[]): readonly Bin[] {
  const open = (node: CutNode): CutNode => {
    if (node.kind === 'split') return { ...node, children: node.children.map(open) };
    if (node.kind !== 'part') return node;
    const item = items[node.part]!;
    return movedTo((node.turned ? turned(item) : item).node, node.x, node.y);
  };
  return bins.map(({ stock, tree }) => ({ stock, tree: open(tree) }));
}

const freshBin = (stock: Stock, kerfMm: number): Bin => {
  const { w, h } = roomOf(stock, kerfMm);
  return { stock, tree: wasteOf(stock.trimMm, stock.trimMm, w, h) };
};

const unplaced = ({ out }: State): number => out.reduce((sum, { area }) => sum + area, 0);
function* partsIn(node: CutNode): Generator<PartNode, void, void> {
  for (const leaf of leavesOf(node)) if (leaf.kind === 'part') yield leaf;
}

/** Takes a few branches out: a part or a whole cut-off piece each, of any size. */
function ruined(state: State, items: readonly Item[], random: Random): State {
  const bins = [...state.bins];
  const freed: number[] = [];
  const count = 1 + Math.floor(random() * MOST_RUINED);
  for (let i = 0; i < count; i++) {
    const sheet = Math.floor(random() * bins.length);
    const { stock, tree } = bins[sheet]!;
    if (tree.kind === 'waste') continue;
    let node: CutNode = tree;
    // Down the tree by chance; stopping early takes out more. What holds pinned parts is never taken whole.
    while (node.kind === 'split' && (random() > 0.12 || isHeld(node))) node = node.children[Math.floor(random() * node.children.length)]!;
    if (node.kind === 'waste' || node.kind === 'held') continue;
    for (const { part } of partsIn(node)) freed.push(part);
    bins[sheet] = { stock, tree: pushedTogether(replaced(tree, node, wasteOf(node.x, node.y, node.w, node.h))) };
  }
  return { bins, out: [...state.out, ...freed.map((index) => items[index]!)] };
}

/** Puts parts back, large ones first as a rule, each where it leaves the best rest; what fits nowhere stays out. */
function recreate({ bins: before, out }: State, random: Random, mayStray: boolean): State {
  const trees = before.map(({ tree }) => tree);
  const sort = mayStray ? random() : 0;
  const key = (item: Item): number => {
    const size = sort < 0.6 ? item.area : sort < 0.8 ? Math.max(item.w, item.h) * 1e3 : Math.min(item.w, item.h) * 1e3;
    return mayStray ? size * (0.85 + 0.3 * random()) : size;
  };
  const order = out.map((item) => ({ item, key: key(item) })).sort((a, b) => b.key - a.key);
  const left: Item[] = [];
  const free = trees.map((tree) => [...leavesOf(tree)].filter((leaf): leaf is WasteNode => leaf.kind === 'waste'));
  for (const { item } of order) {
    const spot = bestSpot(free, item, random, mayStray);
    if (spot === null) {
      left.push(item);
      continue;
    }
    const by = withPart(spot.leaf, item.index, spot.turned ? item.h : item.w, spot.turned ? item.w : item.h, spot.turned, spot.first);
    trees[spot.sheet] = replaced(trees[spot.sheet]!, spot.leaf, by);
    free[spot.sheet] = [...leavesOf(trees[spot.sheet]!)].filter((leaf): leaf is WasteNode => leaf.kind === 'waste');
  }
  return { bins: before.map(({ stock }, i) => ({ stock, tree: trees[i]! })), out: left };
}

interface Spot {
  readonly sheet: number;
  readonly leaf: WasteNode;
  readonly turned: boolean;
  readonly first: 'x' | 'y';
}

/** The place that keeps the free ground in the largest pieces: the sum of (free area)^1.5 falls least. */
function bestSpot(free: readonly (readonly WasteNode[])[], { w, h, mayTurn }: Item, random: Random, mayBlink: boolean): Spot | null {
  let best: Spot | null = null;
  let bestScore = -Infinity;
  for (let sheet = 0; sheet < free.length; sheet++) {
    for (const leaf of free[sheet]!) {
      const before = (leaf.w * leaf.h) ** 1.5;
      for (let turn = 0; turn < (mayTurn && w !== h ? 2 : 1); turn++) {
        const [pw, ph] = turn === 0 ? [w, h] : [h, w];
        const [restW, restH] = [leaf.w - pw, leaf.h - ph];
        if (restW < -FIT_MM || restH < -FIT_MM) continue;
        if (mayBlink && random() < BLINK) continue;
        for (const first of FIRSTS) {
          const beside = restW * (first === 'x' ? leaf.h : ph);
          const below = restH * (first === 'x' ? pw : leaf.w);
          const score = Math.max(0, beside) ** 1.5 + Math.max(0, below) ** 1.5 - before;
          if (score > bestScore) {
            bestScore = score;
            best = { sheet, leaf, turned: turn === 1, first };
          }
        }
      }
    }
  }
  return best;
}
const FIRSTS = ['x', 'y'] as const;

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
function asLayout(bins: readonly Bin[], blanks: readonly Blank[], { kerfMm, pinned }: LayoutTask, tooLarge: readonly string[]): Layout {
  const sheets = bins.map(({ stock, tree: loose }, i): LaidSheet => {
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
