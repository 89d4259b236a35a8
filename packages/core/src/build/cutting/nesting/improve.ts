import type { Random } from '../../../base/random';
import { type Bin, asLayout, freeMm2, freshBin, inUse, keptBins, meritOf } from './bins';
import { type CutNode, FIT_MM, type WasteNode, leavesOf, replaced } from './guillotine/cut-tree';
import { leastByExactSearch } from './guillotine/exact';
import { type Room, clustered, movedTo, turned } from './freeform/cluster';
import type { Blank, Layout, LayoutTask, Stock } from './layout';
import { layOut } from './quick-layout';
import { layoutCost } from './layout-cost';
import { type Item, type State, recreate, ruined } from './ruin';
import { SlicingSearch } from './guillotine/slicing';
import { leastByClashes } from './freeform/clashes';
import { fitsOn, isNew, leastCost, leastCostFor, placesAll, roomOf, setsUnder, takenMm2 } from './stock';

/** A layout so far, and how good it can be known to be. */
export interface LayoutProgress {
  readonly layout: Layout;
  /** What the new sheets cost by the aim, and what none can go under. */
  readonly cost: number;
  readonly bound: number;
  /** Whether less is known to be impossible. */
  readonly isProven: boolean;
  readonly moves: number;
}

/** Moves between two answers. */
const MOVES_A_STEP = 200;
/** How long a worse state may be remembered as good enough; longer wanders further. */
const LATE = 120;
/** Moves from warm to cold for each part, and for all of them at the least and at the most: few parts are soon tried in every way. */
const ROUND_MOVES = { each: 400, least: 2_000, most: 20_000 } as const;
/** Short rounds of parts that are first joined where that wastes under such a share, one long round of single parts after them: those cut from one strip tell by their matching sides. */
const JOIN_WASTES = [0, 0.005, 0] as const;
const JOINED_ROUND_MOVES = 2_000;
/** Every second long round is twice as long as the one before, so often: what is not found warm is looked for slowly. */
const MAX_DOUBLED = 5;
/** Sets of sheets tried in turn for a lighter layout. */
const MAX_TARGETS = 6;

/**
 * Improves a layout of through cuts for as long as it is asked: aims first at a lighter set of sheets (cheaper, or fewer), then at the largest rectangle left over, then at
 * the least to cut. Yields the best layout after every {@link MOVES_A_STEP} moves, never by the clock: one seed, one sequence. Ends by itself only when there is nothing
 * to lay out.
 * @source goal-driven ruin and recreate on slicing trees (see {@link SlicingSearch}), now and then on parts that are first joined bottom up where their sides match (Wang 1983);
 *   what is left over grows by late acceptance (Burke & Bykov 2017)
 */
export const improveLayout = (task: LayoutTask, random: Random): Generator<LayoutProgress, void, void> => new Improving(task, random).run();

/** One layout while it is improved. */
class Improving {
  private readonly start: Layout;
  private readonly fitting: readonly Blank[];
  private readonly singles: readonly Item[];
  private readonly kept: readonly Bin[];
  private readonly startCost: number;
  private readonly bound: number;
  private best: readonly Bin[];
  private moves = 0;

  constructor(
    private readonly task: LayoutTask,
    private readonly random: Random,
  ) {
    const { kerfMm, pinned } = task;
    this.start = layOut(task);
    const held = new Set(pinned.flatMap(({ placements }) => placements.map(({ blankId }) => blankId)));
    this.fitting = task.blanks.filter(({ id }) => !this.start.tooLarge.includes(id) && !held.has(id));
    this.singles = this.fitting.map((blank, index): Item => {
      const [w, h] = [blank.widthMm + kerfMm, blank.depthMm + kerfMm];
      const node: CutNode = { kind: 'part', part: index, turned: false, x: 0, y: 0, w, h };
      return { index, w, h, area: w * h, mayTurn: blank.mayTurn, node };
    });
    this.kept = keptBins(task);
    this.startCost = layoutCost(this.start.sheets, task.aim);
    this.bound = boundOf(task, this.fitting, this.kept);
    this.best = filled(this.singles, this.start, task, this.kept, random);
  }

  *run(): Generator<LayoutProgress, void, void> {
    yield this.answer();
    if (this.singles.length === 0) return;
    yield* this.lighter();
    if (!this.isQuicker()) yield* this.largerRest();
  }

  private isQuicker(): boolean {
    return layoutCost(this.best, this.task.aim) > this.startCost + SAME;
  }
  private bestCost(): number {
    return Math.min(layoutCost(this.best, this.task.aim), this.startCost);
  }
  private answer(): LayoutProgress {
    return {
      layout: this.isQuicker() ? this.start : asLayout(this.best, this.fitting, this.task, this.start.tooLarge),
      cost: this.bestCost(),
      bound: this.bound,
      isProven: this.bestCost() <= this.bound + SAME,
      moves: this.moves,
    };
  }

  /** First aim: lighter, again and again, each round on another set of sheets or on the parts joined in another way. */
  private *lighter(): Generator<LayoutProgress, void, void> {
    const { task, fitting, kept } = this;
    const { kerfMm, aim } = task;
    const keptCost = layoutCost(kept, aim);
    const keptMm2 = kept.reduce((sum, { tree }) => sum + freeMm2(tree), 0);
    // A size that takes none of the parts is room on paper only.
    const kinds = task.stock.filter((one) => isNew(one) && fitting.some((blank) => fitsOn(blank, one, kerfMm)));
    const isEnough = placesAll(
      fitting,
      kinds,
      kept.map(({ stock }) => stock),
      kerfMm,
    );
    const tried = new Map<string, number>();
    for (let round = 0; this.bestCost() > this.bound + SAME; round++) {
      const targets = setsUnder(kinds, takenMm2(fitting, kerfMm) - keptMm2, this.bestCost() - keptCost - SAME, kerfMm, aim)
        .filter(isEnough)
        .slice(0, MAX_TARGETS);
      if (targets.length === 0) break;
      const { counts } = targets[targetOf(round, targets.length)]!;
      const tries = tried.get(counts.join()) ?? 0;
      tried.set(counts.join(), tries + 1);
      const fresh = counts.flatMap((count, k) => Array.from({ length: count }, () => freshBin(kinds[k]!, kerfMm)));
      yield* this.tryOn([...kept, ...fresh], tries);
    }
  }
  /** One round on a set of sheets. @param tries how often that set was tried before */
  private *tryOn(bins: readonly Bin[], tries: number): Generator<LayoutProgress, void, void> {
    const { task, singles, random } = this;
    const rooms: readonly Room[] = task.stock.map((one) => roomOf(one, task.kerfMm));
    const join = JOIN_WASTES[tries % (JOIN_WASTES.length + 1)];
    // The first time always by the best pairs, then by pairs that are nearly as good.
    const items = join === undefined ? singles : joinedItems(singles, join, rooms, tries < JOIN_WASTES.length ? null : random);
    const grounds = bins.flatMap(({ tree }, bin) => freeLeaves(tree).map((leaf) => ({ ...leaf, bin, leaf })));
    const longMoves =
      Math.min(ROUND_MOVES.most, Math.max(ROUND_MOVES.least, ROUND_MOVES.each * items.length)) *
      2 ** Math.min(MAX_DOUBLED, Math.floor(tries / (JOIN_WASTES.length + 1) / 2));
    const roundMoves = join === undefined ? longMoves : JOINED_ROUND_MOVES;
    const search = new SlicingSearch(items, grounds, random, roundMoves);
    for (let i = 1; i <= roundMoves && !search.isDone; i++) {
      this.moves += 1;
      search.step();
      if (i % MOVES_A_STEP === 0) yield this.answer();
    }
    if (search.isDone) this.best = inUse(laidOn(bins, grounds, search, items));
    yield this.answer();
  }

  /** Second aim, on sheets that cost as much: the largest rectangle left over; third, where that is equal, the least to cut. */
  private *largerRest(): Generator<LayoutProgress, void, void> {
    const { kept, singles, random } = this;
    const { kerfMm } = this.task;
    const spare = kept.filter(({ stock }) => !isNew(stock) && this.best.every((bin) => bin.stock !== stock));
    let current: State = { bins: [...this.best, ...spare], out: [] };
    let own = meritOf(current.bins, kerfMm);
    let top = own;
    const late = Array<number>(LATE).fill(own);
    for (;;) {
      for (let i = 0; i < MOVES_A_STEP; i++) {
        this.moves += 1;
        const next = recreate(ruined(current, singles, random), random, true);
        if (next.out.length > 0) continue;
        const merit = meritOf(next.bins, kerfMm);
        if (merit >= late[this.moves % LATE]! || merit >= own) [current, own] = [next, merit];
        if (merit > top + FIT_MM) [this.best, top] = [inUse(next.bins), merit];
        late[this.moves % LATE] = Math.max(merit, own);
      }
      yield this.answer();
      if (this.moves % (MOVES_A_STEP * 100) === 0) {
        // Back to the best: what has wandered for long is seldom near anything good.
        current = { bins: [...this.best, ...spare], out: [] };
        own = top;
        late.fill(top);
      }
    }
  }
}

/** Three rounds of four go to the set with the most room, which is lost least often; the fourth to the others in turn, of which one may be much lighter. */
const targetOf = (round: number, targets: number): number =>
  round % ROUNDS_OF_FOUR !== ROUNDS_OF_FOUR - 1 || targets === 1 ? 0 : 1 + (Math.floor(round / ROUNDS_OF_FOUR) % (targets - 1));
const ROUNDS_OF_FOUR = 4;

/** Weights nearer than this are the same. */
const SAME = 1e-9;

/** What no layout can go under: by looking at all ways where the parts are few and none is pinned, by area and by parts that share no sheet otherwise. */
function boundOf({ stock, kerfMm, aim, pinned }: LayoutTask, fitting: readonly Blank[], kept: readonly Bin[]): number {
  if (pinned.length === 0) {
    return (
      leastByExactSearch(fitting, stock, kerfMm, aim) ??
      Math.max(leastCost(fitting, stock, kerfMm, aim), leastByClashes(fitting, stock, kerfMm, aim))
    );
  }
  const roomMm2 = kept.reduce((sum, { tree }) => sum + freeMm2(tree), 0);
  const base = layoutCost(kept, aim);
  const kinds = stock.filter(isNew);
  const needMm2 = takenMm2(fitting, kerfMm) - roomMm2;
  return needMm2 <= 0 || kinds.length === 0 ? base : base + leastCostFor(needMm2, kinds, kerfMm, aim);
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

/** Parts joined where that wastes little, as items of their own. */
function joinedItems(singles: readonly Item[], mostWaste: number, rooms: readonly Room[], random: Random | null): readonly Item[] {
  return clustered(singles, mostWaste, rooms, random).map((cluster, index) => ({ ...cluster, index }));
}

const freeLeaves = (tree: CutNode): readonly WasteNode[] => [...leavesOf(tree)].filter((leaf): leaf is WasteNode => leaf.kind === 'waste');

/** Sheets with what a search has laid on their free ground, joined parts as the parts they are. */
function laidOn(
  bins: readonly Bin[],
  grounds: readonly { readonly bin: number; readonly leaf: WasteNode }[],
  { trees }: SlicingSearch,
  items: readonly Item[],
): readonly Bin[] {
  const partAt = (index: number, isTurned: boolean, x: number, y: number): CutNode => {
    const item = items[index]!;
    return movedTo((isTurned ? turned(item) : item).node, x, y);
  };
  const laid = bins.map(({ tree }) => tree);
  for (const [i, { bin, leaf }] of grounds.entries()) {
    const made = trees.cutTree(i, leaf.x, leaf.y, partAt);
    if (made !== null) laid[bin] = replaced(laid[bin]!, leaf, made);
  }
  return bins.map(({ stock }, i) => ({ stock, tree: laid[i]! }));
}
