import type { Random } from '../../../base/random';
import type { Bin } from './bins';
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
} from './guillotine/cut-tree';
import type { Cluster } from './freeform/cluster';

/** Parts taken out of half-filled sheets and put back elsewhere: the moves of the search. */

/** A place that would be best is passed over this often, so that the same hole is not always filled first. */
const BLINK = 0.02;
/** Now and then most places are open to chance: few parts have one best place each, and are else laid in one way for ever. */
const WILD_SHARE = 0.1;
const WILD_BLINK = 0.4;
/** Branches taken out at once, at most. */
const MAX_RUINED = 4;

/** A part with its kerf, or several joined: `node` is how through cuts take it apart again. */
export interface Item extends Cluster {
  readonly index: number;
}
/** Sheets being filled. */
export interface State {
  readonly bins: readonly Bin[];
  /** Parts that lie nowhere yet. */
  readonly out: readonly Item[];
}

function* partsIn(node: CutNode): Generator<PartNode, void, void> {
  for (const leaf of leavesOf(node)) if (leaf.kind === 'part') yield leaf;
}

/** Takes a few branches out: a part or a whole cut-off piece each, of any size. */
export function ruined(state: State, items: readonly Item[], random: Random): State {
  const bins = [...state.bins];
  const freed: number[] = [];
  const count = 1 + Math.floor(random() * MAX_RUINED);
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
export function recreate({ bins: before, out }: State, random: Random, mayStray: boolean): State {
  const trees = before.map(({ tree }) => tree);
  const sort = mayStray ? random() : 0;
  const key = (item: Item): number => {
    const size = sort < 0.6 ? item.area : sort < 0.8 ? Math.max(item.w, item.h) * 1e3 : Math.min(item.w, item.h) * 1e3;
    return mayStray ? size * (0.85 + 0.3 * random()) : size;
  };
  const blink = !mayStray ? 0 : random() < WILD_SHARE ? WILD_BLINK : BLINK;
  const order = out.map((item) => ({ item, key: key(item) })).sort((a, b) => b.key - a.key);
  const left: Item[] = [];
  const free = trees.map((tree) => [...leavesOf(tree)].filter((leaf): leaf is WasteNode => leaf.kind === 'waste'));
  for (const { item } of order) {
    const spot = bestSpot(free, item, random, blink);
    if (spot === null) {
      left.push(item);
      continue;
    }
    const by = withPart(
      spot.leaf,
      { part: item.index, w: spot.turned ? item.h : item.w, h: spot.turned ? item.w : item.h, turned: spot.turned },
      spot.first,
    );
    trees[spot.sheet] = replaced(trees[spot.sheet]!, spot.leaf, by);
    free[spot.sheet] = [...leavesOf(trees[spot.sheet]!)].filter((leaf): leaf is WasteNode => leaf.kind === 'waste');
  }
  return { bins: before.map(({ stock }, i) => ({ stock, tree: trees[i]! })), out: left };
}

interface FreeSpot {
  readonly sheet: number;
  readonly leaf: WasteNode;
  readonly turned: boolean;
  readonly first: 'x' | 'y';
}

/** The place that keeps the free ground in the largest pieces: the sum of (free area)^1.5 falls least. */
function bestSpot(free: readonly (readonly WasteNode[])[], { w, h, mayTurn }: Item, random: Random, blink: number): FreeSpot | null {
  let best: FreeSpot | null = null;
  let bestScore = -Infinity;
  for (let sheet = 0; sheet < free.length; sheet++) {
    for (const leaf of free[sheet]!) {
      const before = (leaf.w * leaf.h) ** 1.5;
      for (let turn = 0; turn < (mayTurn && w !== h ? 2 : 1); turn++) {
        const [pw, ph] = turn === 0 ? [w, h] : [h, w];
        const [restW, restH] = [leaf.w - pw, leaf.h - ph];
        if (restW < -FIT_MM || restH < -FIT_MM) continue;
        for (const first of FIRSTS) {
          if (blink > 0 && random() < blink) continue;
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
