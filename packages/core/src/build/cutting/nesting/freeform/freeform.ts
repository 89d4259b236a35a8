import type { Random } from '../../../../base/random';
import { type LayoutProgress, improveLayout } from '../improve';
import { restBeside } from './apart';
import { type Layout, type LayoutTask, type PlacedSheet, type Placement, type Stock, ruleOf } from '../layout';
import { isBetterLayout, layoutCost } from '../layout-cost';
import { type Turn, liesOf, placedOutline, shifted } from './outline';
import { lighterSets } from '../lighter-sets';
import type { Shaped } from '../guillotine/blanks';
import { CellSheet, type Span, spansOf } from './raster';
import { fitsOn, isNew, leastByArea, costOf, roomOf } from '../stock';

/** Cells of one sheet at most; a cell is this small at least. */
const MAX_CELLS = 120_000;
const MIN_CELL_MM = 1.5;
/** Steps of the search over through cuts in a round, and sweeps of what is taken apart on fewer sheets while fewer are not known to be impossible; a nest is tried every so many rounds then. */
const STEPS_A_ROUND = 1;
const SWEEPS_A_ROUND = 24;
const ROUNDS_A_NEST = 8;
/** How far a part may move up or down the order from one nest to the next. */
const SHUFFLE = 0.35;

/** How one part may lie: its size there, what it touches, and what it keeps others from, kerf and all. */
interface Pose extends Turn {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly probe: readonly Span[];
  readonly keepOff: readonly Span[];
}
interface Nested {
  readonly stock: Stock;
  readonly cells: CellSheet;
  readonly placements: Placement[];
}

/**
 * Improves a layout for a tool that cuts along any outline: true outlines may lie in each other's hollows. Every layout of through cuts is one of free placement too, so
 * that search goes on beside. While fewer or cheaper sheets are not known to be impossible they are tried (see {@link lighterSets}); nests on a raster are better in what they
 * leave over. The best of all is shown.
 * @param parts the task's parts, with their outlines; @param mayHalve whether a part may lie turned by half
 * @source bottom-left nesting on a raster that never counts too little (so that no check of outlines can fail), over orders that drift from the best one found
 */
export const improveFreeform = (
  task: LayoutTask,
  parts: readonly Shaped[],
  mayHalve: boolean,
  random: Random,
): Generator<LayoutProgress, void, void> => new ImprovingFreeform(task, parts, mayHalve, random).run();

/** One layout of outlines while it is improved. */
class ImprovingFreeform {
  private readonly byId: ReadonlyMap<string, Shaped>;
  private readonly bound: number;
  private readonly through: Generator<LayoutProgress, void, void>;
  private readonly poses = new Map<string, readonly Pose[]>();
  private best: Layout = { sheets: [], tooLarge: [] };
  private bestNest: Layout | null = null;
  private order: readonly Shaped[] = [];
  private moves = 0;

  constructor(
    private readonly task: LayoutTask,
    private readonly parts: readonly Shaped[],
    private readonly mayHalve: boolean,
    private readonly random: Random,
  ) {
    this.byId = new Map(parts.map((part) => [part.id, part]));
    this.bound = freeBound(task, parts);
    this.through = improveLayout(task, random);
  }

  *run(): Generator<LayoutProgress, void, void> {
    const first = this.through.next();
    if (first.done) return;
    this.best = first.value.layout;
    this.moves = first.value.moves;
    yield this.answer();
    const held = new Set(this.task.pinned.flatMap(({ placements }) => placements.map(({ blankId }) => blankId)));
    this.order = this.parts.filter(({ id }) => !this.best.tooLarge.includes(id) && !held.has(id)).sort((a, b) => b.areaMm2 - a.areaMm2);
    if (this.order.length > 0) yield* this.rounds();
  }

  private answer(): LayoutProgress {
    const { best, bound, moves } = this;
    const cost = layoutCost(best.sheets, this.task.aim);
    return { layout: best, cost, bound, isProven: cost <= bound + 1e-9, moves };
  }

  private *rounds(): Generator<LayoutProgress, void, void> {
    const { task, byId, mayHalve, random } = this;
    const lighter = lighterSets(task, { parts: this.order, byId, mayHalve }, () => this.best, random);
    // Nothing lighter is to be looked for where no lighter set has the area.
    let isEnded = false;
    for (let round = 0; ; round++) {
      this.stepThrough();
      const isOpen = !this.answer().isProven && !isEnded;
      for (let i = 0; isOpen && !isEnded && round > 0 && i < SWEEPS_A_ROUND; i++) {
        const { value: sheets, done = false } = lighter.next();
        isEnded = done;
        if (sheets != null) this.best = { sheets, tooLarge: this.best.tooLarge };
        yield this.answer();
      }
      if (isOpen && round % ROUNDS_A_NEST !== 0) continue;
      this.tryNest(round === 0 ? this.order : drifted(this.order, random));
      yield this.answer();
    }
  }
  /** Some steps of the search over through cuts. */
  private stepThrough(): void {
    for (let i = 0; i < STEPS_A_ROUND; i++) {
      const step = this.through.next();
      if (step.done) break;
      this.moves = step.value.moves;
      if (isBetterLayout(step.value.layout, this.best, this.task.aim)) this.best = step.value.layout;
    }
  }
  private tryNest(tried: readonly Shaped[]): void {
    const { task } = this;
    const sheets = nest(tried, task, this.byId, this.poses, this.mayHalve);
    this.moves += 1;
    if (sheets === null) return;
    const layout: Layout = { sheets, tooLarge: this.best.tooLarge };
    if (this.bestNest === null || !isBetterLayout(this.bestNest, layout, task.aim)) [this.bestNest, this.order] = [layout, tried];
    if (isBetterLayout(layout, this.best, task.aim)) this.best = layout;
  }
}

/** What no layout can cost less than: by the true areas, since outlines may lie in each other's boxes. */
function freeBound({ stock, kerfMm, aim, pinned }: LayoutTask, parts: readonly Shaped[]): number {
  const areaMm2 = parts.reduce((sum, part) => sum + part.areaMm2, 0);
  // A sheet with pinned parts is taken whatever else is laid.
  return Math.max(leastByArea(areaMm2, stock, kerfMm, aim), layoutCost(pinned, aim));
}

/** Parts in nearly the same order, some a little earlier or later. */
const drifted = (order: readonly Shaped[], random: Random): Shaped[] =>
  order
    .map((part, i) => ({ part, key: i + (random() - 0.5) * 2 * SHUFFLE * order.length * random() }))
    .sort((a, b) => a.key - b.key)
    .map(({ part }) => part);

/** All parts set down in order, each at the first place there is, on sheets begun before a new one; null where one goes nowhere. */
function nest(
  order: readonly Shaped[],
  task: LayoutTask,
  byId: ReadonlyMap<string, Shaped>,
  poses: Map<string, readonly Pose[]>,
  mayHalve: boolean,
): readonly PlacedSheet[] | null {
  const { stock, kerfMm, aim } = task;
  const used = new Set(task.pinned.map((sheet) => sheet.stock.offcutId));
  const nested: Nested[] = [
    ...task.pinned.map((sheet) => withPins(sheet.stock, sheet.placements, byId, kerfMm)),
    ...stock
      .filter((one) => !isNew(one) && !used.has(one.offcutId))
      .sort((a, b) => a.widthMm * a.depthMm - b.widthMm * b.depthMm)
      .map((one) => withPins(one, [], byId, kerfMm)),
  ];
  const kinds = stock.filter(isNew).sort((a, b) => costOf(a, aim) / (a.widthMm * a.depthMm) - costOf(b, aim) / (b.widthMm * b.depthMm));
  for (const part of order) {
    if (nested.some((sheet) => setDown(part, sheet, kerfMm, poses, mayHalve))) continue;
    const blank = task.blanks.find(({ id }) => id === part.id)!;
    const kind = kinds.find((one) => fitsOn(blank, one, kerfMm));
    if (kind === undefined) return null;
    const fresh = withPins(kind, [], byId, kerfMm);
    nested.push(fresh);
    if (!setDown(part, fresh, kerfMm, poses, mayHalve)) return null;
  }
  return nested
    .filter(({ placements }) => placements.length > 0)
    .map(({ stock: own, placements }) => ({ stock: own, placements, rest: restBeside(placements, ruleOf(own, kerfMm)) }));
}

const cellOf = ({ widthMm, depthMm }: Stock): number => Math.max(MIN_CELL_MM, Math.sqrt((widthMm * depthMm) / MAX_CELLS));

function withPins(stock: Stock, pinned: readonly Placement[], byId: ReadonlyMap<string, Shaped>, kerfMm: number): Nested {
  const cellMm = cellOf(stock);
  const { trim } = stock;
  const { w, h } = roomOf(stock, 0);
  const cells = new CellSheet(Math.ceil(w / cellMm), Math.ceil(h / cellMm));
  for (const pin of pinned) {
    const outline = shifted(placedOutline(byId.get(pin.blankId)!, pin), pin.xMm - trim.leftMm, pin.yMm - trim.topMm);
    cells.take(spansOf(outline, kerfMm, cellMm), 0, 0);
  }
  return { stock, cells, placements: [...pinned] };
}

/** Sets a part down at its first place, in the lie that ends nearest the top; false where there is none. */
function setDown(part: Shaped, sheet: Nested, kerfMm: number, poses: Map<string, readonly Pose[]>, mayHalve: boolean): boolean {
  const { stock, cells, placements } = sheet;
  const cellMm = cellOf(stock);
  const room = roomOf(stock, 0);
  let best: { readonly pose: Pose; readonly col: number; readonly row: number; readonly end: number } | null = null;
  for (const pose of posesOf(part, cellMm, kerfMm, poses, mayHalve)) {
    const lastCol = Math.floor((room.w - pose.widthMm) / cellMm + 1e-9);
    const lastRow = Math.floor((room.h - pose.depthMm) / cellMm + 1e-9);
    const place = cells.firstPlace(pose.probe, lastCol, lastRow);
    if (place === null) continue;
    const end = (place.row * cellMm + pose.depthMm) * 1e4 + place.col * cellMm + pose.widthMm;
    if (best === null || end < best.end) best = { pose, ...place, end };
  }
  if (best === null) return false;
  const { pose, col, row } = best;
  cells.take(pose.keepOff, col, row);
  placements.push({
    blankId: part.id,
    xMm: stock.trim.leftMm + col * cellMm,
    yMm: stock.trim.topMm + row * cellMm,
    widthMm: pose.widthMm,
    depthMm: pose.depthMm,
    turned: pose.turned,
    half: pose.half,
    pinned: false,
  });
  return true;
}

/** The ways a part may lie, on cells of one size; made once. */
function posesOf(part: Shaped, cellMm: number, kerfMm: number, known: Map<string, readonly Pose[]>, mayHalve: boolean): readonly Pose[] {
  const key = `${part.id} ${cellMm.toFixed(4)}`;
  const made = known.get(key);
  if (made !== undefined) return made;
  const poses = liesOf(part, mayHalve).map(({ outline, ...lie }): Pose => ({
    ...lie,
    probe: spansOf(outline, 0, cellMm),
    keepOff: spansOf(outline, kerfMm, cellMm),
  }));
  known.set(key, poses);
  return poses;
}
