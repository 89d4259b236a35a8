import type { Random } from '../random';
import { type CutNode, FIT_MM, type PartNode, type WasteNode, leavesOf, pushedTogether, replaced, wasteOf, withPart } from './cut-tree';
import { fewestByExactSearch } from './exact';
import { type Cluster, joinedUp, movedTo, turned } from './join';
import { type Blank, type LaidSheet, type Layout, type Placement, type SheetRule, fewestSheets, layOut } from './layout';

/** A layout so far, and how good it can be known to be. */
export interface LayoutProgress {
  readonly layout: Layout;
  /** The trees of through cuts behind the layout, a sheet each. */
  readonly trees: readonly CutNode[];
  /** No layout takes fewer sheets. */
  readonly bound: number;
  /** Whether fewer sheets are known to be impossible. */
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
interface State {
  readonly trees: readonly CutNode[];
  /** Parts that lie nowhere yet. */
  readonly out: readonly Item[];
}

/**
 * Improves a layout of through cuts for as long as it is asked: aims first at one sheet fewer, then at the largest rectangle left over. Yields the best layout
 * after every {@link MOVES_A_STEP} moves, never by the clock: one seed, one sequence. Ends by itself only when there is nothing to lay out.
 * @source goal-driven ruin and recreate for guillotine bin packing (Gardeyn & Wauters 2022) with late acceptance (Burke & Bykov 2017), on parts that
 *   are first joined bottom up where their sides match (Wang 1983)
 */
export function* improveLayout(blanks: readonly Blank[], rule: SheetRule, random: Random): Generator<LayoutProgress, void, void> {
  const start = layOut(blanks, rule);
  const fitting = blanks.filter(({ id }) => !start.tooLarge.includes(id));
  const singles = fitting.map((blank, index): Item => {
    const [w, h] = [blank.widthMm + rule.kerfMm, blank.depthMm + rule.kerfMm];
    const node: CutNode = { kind: 'part', part: index, turned: false, x: 0, y: 0, w, h };
    return { index, w, h, area: w * h, mayTurn: blank.mayTurn, node };
  });
  const { w: sheetW, h: sheetH } = freeSheet(rule);
  const fewest = fewestByExactSearch(fitting, rule);
  const bound = fewest ?? fewestSheets(fitting, rule);
  let best = filled(singles, rule, random);
  let moves = 0;
  const answer = (): LayoutProgress => {
    const isQuicker = best.length > start.sheets.length;
    const count = isQuicker ? start.sheets.length : best.length;
    return {
      layout: isQuicker ? start : asLayout(best, fitting, rule, start.tooLarge),
      trees: isQuicker ? [] : best,
      bound,
      isProven: count <= bound,
      moves,
    };
  };
  yield answer();
  if (singles.length === 0) return;

  // First aim: one sheet fewer, again and again, each round on the parts joined in another way.
  for (let round = 0; Math.min(best.length, start.sheets.length) > bound; round++) {
    const target = Math.min(best.length, start.sheets.length) - 1;
    const isSingle = round % (JOIN_WASTES.length + 1) === JOIN_WASTES.length;
    const items = isSingle
      ? singles
      : joinedItems(singles, JOIN_WASTES[round % (JOIN_WASTES.length + 1)]!, sheetW, sheetH, round < JOIN_WASTES.length ? null : random);
    let current = recreate(
      { trees: Array.from({ length: target }, () => freeSheet(rule)), out: items },
      random,
      round > JOIN_WASTES.length,
    );
    const late = Array<number>(LATE).fill(unplaced(current));
    for (let i = 1; i <= MOVES_A_ROUND && current.out.length > 0; i++) {
      moves += 1;
      const next = recreate(ruined(current, items, random), random, true);
      const cost = unplaced(next);
      if (cost <= late[i % LATE]! || cost <= unplaced(current)) current = next;
      late[i % LATE] = unplaced(current);
      if (i % MOVES_A_STEP === 0) yield answer();
    }
    if (current.out.length === 0) best = expanded(current.trees, items).filter((tree) => tree.kind !== 'waste');
    yield answer();
  }

  // Second aim, with as many sheets: the largest rectangle left over. The quick layout may be what has to be beaten in sheets.
  if (best.length > start.sheets.length) return;
  let current: State = { trees: best, out: [] };
  const late = Array<number>(LATE).fill(-largestRest(best, rule));
  for (;;) {
    for (let i = 0; i < MOVES_A_STEP; i++) {
      moves += 1;
      const next = recreate(ruined(current, singles, random), random, true);
      if (next.out.length > 0) continue;
      const [cost, own] = [-largestRest(next.trees, rule), -largestRest(current.trees, rule)];
      if (cost <= late[moves % LATE]! || cost <= own) current = next;
      if (cost < -largestRest(best, rule) - FIT_MM) best = next.trees.filter((tree) => tree.kind !== 'waste');
      late[moves % LATE] = Math.min(cost, own);
    }
    yield answer();
    if (moves % (MOVES_A_STEP * 100) === 0) {
      // Back to the best: what has wandered for long is seldom near anything good.
      current = { trees: best, out: [] };
      late.fill(-largestRest(best, rule));
    }
  }
}

/** As many sheets as the parts take when each is put where it leaves the best rest. */
function filled(items: readonly Item[], rule: SheetRule, random: Random): readonly CutNode[] {
  let state: State = { trees: [], out: items };
  while (state.out.length > 0) state = recreate({ trees: [...state.trees, freeSheet(rule)], out: state.out }, random, false);
  return state.trees;
}

/** Parts joined where that wastes little, as items of their own. */
function joinedItems(singles: readonly Item[], mostWaste: number, sheetW: number, sheetH: number, random: Random | null): readonly Item[] {
  return joinedUp(singles, mostWaste, sheetW, sheetH, random).map((cluster, index) => ({ ...cluster, index }));
}

/** Trees of items as trees of parts. */
function expanded(trees: readonly CutNode[], items: readonly Item[]): readonly CutNode[] {
  const open = (node: CutNode): CutNode => {
    if (node.kind === 'split') return { ...node, children: node.children.map(open) };
    if (node.kind === 'waste') return node;
    const item = items[node.part]!;
    return movedTo((node.turned ? turned(item) : item).node, node.x, node.y);
  };
  return trees.map(open);
}

/** Every part carries the kerf on its right and lower side; the last one in a row may hang it over the trim. */
const freeSheet = ({ widthMm, depthMm, trimMm, kerfMm }: SheetRule): WasteNode =>
  wasteOf(trimMm, trimMm, widthMm - 2 * trimMm + kerfMm, depthMm - 2 * trimMm + kerfMm);

const unplaced = ({ out }: State): number => out.reduce((sum, { area }) => sum + area, 0);
function* partsIn(node: CutNode): Generator<PartNode, void, void> {
  for (const leaf of leavesOf(node)) if (leaf.kind === 'part') yield leaf;
}

/** Takes a few branches out: a part or a whole cut-off piece each, of any size. */
function ruined(state: State, items: readonly Item[], random: Random): State {
  const trees = [...state.trees];
  const freed: number[] = [];
  const count = 1 + Math.floor(random() * MOST_RUINED);
  for (let i = 0; i < count; i++) {
    const sheet = Math.floor(random() * trees.length);
    const tree = trees[sheet]!;
    if (tree.kind === 'waste') continue;
    let node: CutNode = tree;
    // Down the tree by chance; stopping early takes out more.
    while (node.kind === 'split' && random() > 0.12) node = node.children[Math.floor(random() * node.children.length)]!;
    if (node.kind === 'waste') continue;
    for (const { part } of partsIn(node)) freed.push(part);
    trees[sheet] = pushedTogether(replaced(tree, node, wasteOf(node.x, node.y, node.w, node.h)));
  }
  return { trees, out: [...state.out, ...freed.map((index) => items[index]!)] };
}

/** Puts parts back, large ones first as a rule, each where it leaves the best rest; what fits nowhere stays out. */
function recreate({ trees: before, out }: State, random: Random, mayStray: boolean): State {
  const trees = [...before];
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
  return { trees, out: left };
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
function largestRest(trees: readonly CutNode[], { kerfMm }: SheetRule): number {
  let best = 0;
  for (const tree of trees) {
    for (const leaf of leavesOf(pushedTogether(tree))) {
      if (leaf.kind === 'waste') best = Math.max(best, Math.max(0, leaf.w - kerfMm) * Math.max(0, leaf.h - kerfMm));
    }
  }
  return best;
}

/** The trees as a layout: sizes without kerf, and on each sheet the largest rest. */
export function asLayout(trees: readonly CutNode[], blanks: readonly Blank[], rule: SheetRule, tooLarge: readonly string[]): Layout {
  const sheets = trees.map((loose): LaidSheet => {
    // Free ground to the right and below: no cut has to begin with waste.
    const tree = pushedTogether(loose);
    const placements: Placement[] = [];
    let rest = { xMm: 0, yMm: 0, widthMm: 0, depthMm: 0 };
    for (const leaf of leavesOf(tree)) {
      const [widthMm, depthMm] = [Math.max(0, leaf.w - rule.kerfMm), Math.max(0, leaf.h - rule.kerfMm)];
      if (leaf.kind === 'part') {
        const blank = blanks[leaf.part]!;
        const [own, other] = leaf.turned ? [blank.depthMm, blank.widthMm] : [blank.widthMm, blank.depthMm];
        placements.push({ blankId: blank.id, xMm: leaf.x, yMm: leaf.y, widthMm: own, depthMm: other, turned: leaf.turned });
      } else if (widthMm * depthMm > rest.widthMm * rest.depthMm) rest = { xMm: leaf.x, yMm: leaf.y, widthMm, depthMm };
    }
    return { placements, rest };
  });
  return { sheets, tooLarge };
}
