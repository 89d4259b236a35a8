import { type CutNode, FIT_MM, leavesOf } from './guillotine/cut-tree';
import type { Blank, Layout, LayoutTask, Placement, PlacedSheet, Stock } from './layout';
import { SAME_COST, isBetter, layoutCost } from './layout-cost';
import { pinnedTree } from './pins';
import { fitsOn, isNew, leastCostFor, roomOf, takenMm2, costOf } from './stock';

interface Free {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}
interface Open {
  readonly stock: Stock;
  placements: Placement[];
  free: Free[];
}

const ORDERS: readonly ((a: Blank, b: Blank) => number)[] = [
  (a, b) => b.widthMm * b.depthMm - a.widthMm * a.depthMm,
  (a, b) => Math.max(b.widthMm, b.depthMm) - Math.max(a.widthMm, a.depthMm) || b.widthMm * b.depthMm - a.widthMm * a.depthMm,
  (a, b) => b.depthMm - a.depthMm || b.widthMm - a.widthMm,
  (a, b) => b.widthMm - a.widthMm || b.depthMm - a.depthMm,
];
const SPLITS = ['long', 'short'] as const;

/**
 * Lays blanks on sheets so that every part comes free by straight-through cuts: offcuts first, then new sheets. Tries every size of new sheet with four orders of parts
 * and two ways of splitting what is left, then gives each sheet the cheapest size its parts still fit; keeps the least cost, then the largest rest.
 * @returns every blank exactly once, on a sheet or in `tooLarge`; deterministic
 * @source guillotine packing, best short side first, into sheets already begun before a new one
 */
export function layOut(task: LayoutTask): Layout {
  const { blanks, stock, kerfMm, aim } = task;
  const held = new Set(task.pinned.flatMap(({ placements }) => placements.map(({ blankId }) => blankId)));
  const fitting = blanks.filter((blank) => !held.has(blank.id) && stock.some((one) => fitsOn(blank, one, kerfMm)));
  const laid = new Set([...held, ...fitting.map(({ id }) => id)]);
  const tooLarge = blanks.filter(({ id }) => !laid.has(id)).map(({ id }) => id);
  const kinds = stock.filter(isNew);
  const heldCost = layoutCost(task.pinned, aim);
  const needMm2 =
    takenMm2(fitting, kerfMm) - begun(task).reduce((sum, { free }) => sum + free.reduce((own, { w, h }) => own + w * h, 0), 0);
  /** What sheets of one size cost at least, by area; another size may have to be taken besides. */
  const leastOf = (kind: Stock): number => (needMm2 <= 0 ? 0 : heldCost + leastCostFor(needMm2, [kind], kerfMm, aim));
  let best: PlacedSheet[] | undefined;
  for (const order of ORDERS) {
    const sorted = [...fitting].sort((a, b) => order(a, b) || (a.id < b.id ? -1 : 1));
    for (const split of SPLITS) {
      for (const kind of kinds.length === 0 ? [null] : kinds) {
        // A size whose area alone asks for more than the best so far cannot win.
        if (kind !== null && best !== undefined && leastOf(kind) > layoutCost(best, aim) + SAME_COST) continue;
        const sheets = pack(sorted, kind, task, split);
        if (sheets === null) continue;
        if (best === undefined || isBetter(sheets, best, aim)) best = sheets;
      }
    }
  }
  // Only offcuts, and not room enough on them: what does not go on is said to be too large.
  if (best === undefined) return { sheets: [], tooLarge: blanks.map(({ id }) => id) };
  return { sheets: shrunk(best, task), tooLarge };
}

/** Packs in one order, with one kind of new sheet as the usual one; null where a part goes nowhere. */
function pack(sorted: readonly Blank[], kind: Stock | null, task: LayoutTask, split: (typeof SPLITS)[number]): PlacedSheet[] | null {
  const { stock, kerfMm, aim } = task;
  const open = begun(task);
  for (const blank of sorted) {
    let spot = bestSpot(open, blank, kerfMm);
    if (spot === null) {
      const kinds =
        kind === null ? [] : fitsOn(blank, kind, kerfMm) ? [kind] : stock.filter((one) => isNew(one) && fitsOn(blank, one, kerfMm));
      if (kinds.length === 0) return null;
      const lightest = kinds.reduce((a, b) => (costOf(b, aim) < costOf(a, aim) ? b : a));
      open.push({ stock: lightest, placements: [], free: [wholeOf(lightest, kerfMm)] });
      spot = bestSpot([open.at(-1)!], blank, kerfMm)!;
    }
    place(spot, blank, kerfMm, split);
  }
  return open
    .filter(({ placements }) => placements.length > 0)
    .map((sheet) => ({ stock: sheet.stock, placements: sheet.placements, rest: largest(sheet.free, kerfMm) }));
}

/** Sheets that are there before any part is laid: those with pinned parts, and the offcuts, small ones first. */
function begun({ stock, pinned, kerfMm }: LayoutTask): Open[] {
  const used = new Set(pinned.map((sheet) => sheet.stock.offcutId));
  const offcuts = stock
    .filter((one) => !isNew(one) && !used.has(one.offcutId))
    .sort((a, b) => a.widthMm * a.depthMm - b.widthMm * b.depthMm);
  return [
    ...pinned.map((sheet): Open => ({
      stock: sheet.stock,
      placements: [...sheet.placements],
      free: freeIn(pinnedTree(sheet.stock, sheet.placements, kerfMm)),
    })),
    ...offcuts.map((one): Open => ({ stock: one, placements: [], free: [wholeOf(one, kerfMm)] })),
  ];
}

const freeIn = (tree: CutNode): Free[] =>
  [...leavesOf(tree)].filter(({ kind }) => kind === 'waste').map(({ x, y, w, h }) => ({ x, y, w, h }));

/** Every part carries the kerf on its right and lower side; the last one in a row may hang it over the trim. */
const wholeOf = (stock: Stock, kerfMm: number): Free => ({ x: stock.trim.leftMm, y: stock.trim.topMm, ...roomOf(stock, kerfMm) });

/** Gives each new sheet the cheapest size that its parts still fit alone, from the last sheet backwards. */
function shrunk(sheets: readonly PlacedSheet[], task: LayoutTask): readonly PlacedSheet[] {
  const { aim, kerfMm, blanks, stock } = task;
  const kinds = stock.filter(isNew).sort((a, b) => costOf(a, aim) - costOf(b, aim));
  if (kinds.length < 2) return sheets;
  return sheets.map((sheet) => {
    if (!isNew(sheet.stock) || sheet.placements.some(({ pinned }) => pinned)) return sheet;
    const own = sheet.placements.map(({ blankId }) => blanks.find(({ id }) => id === blankId)!);
    for (const kind of kinds) {
      if (costOf(kind, aim) >= costOf(sheet.stock, aim)) break;
      const alone: LayoutTask = { blanks: own, stock: [kind], kerfMm, aim, pinned: [] };
      for (const order of ORDERS) {
        for (const split of SPLITS) {
          const packed = own.every((blank) => fitsOn(blank, kind, kerfMm)) ? pack([...own].sort(order), kind, alone, split) : null;
          if (packed?.length === 1) return packed[0]!;
        }
      }
    }
    return sheet;
  });
}

interface FreeSpot {
  readonly sheet: Open;
  readonly index: number;
  readonly turned: boolean;
}

function bestSpot(sheets: readonly Open[], blank: Blank, kerfMm: number): FreeSpot | null {
  let best: FreeSpot | null = null;
  let bestShort = Infinity;
  for (const sheet of sheets) {
    sheet.free.forEach((free, index) => {
      for (const turned of blank.mayTurn ? [false, true] : [false]) {
        const w = (turned ? blank.depthMm : blank.widthMm) + kerfMm;
        const h = (turned ? blank.widthMm : blank.depthMm) + kerfMm;
        // Any place on an offcut before one on a new sheet.
        const short = Math.min(free.w - w, free.h - h);
        const rank = short + (isNew(sheet.stock) ? NEW_SHEET_MM : 0);
        if (short >= -FIT_MM && rank < bestShort - FIT_MM) {
          best = { sheet, index, turned };
          bestShort = rank;
        }
      }
    });
  }
  return best;
}
/** More than any side of a sheet. */
const NEW_SHEET_MM = 1e6;

function place({ sheet, index, turned }: FreeSpot, blank: Blank, kerfMm: number, split: (typeof SPLITS)[number]): void {
  const free = sheet.free[index]!;
  const widthMm = turned ? blank.depthMm : blank.widthMm;
  const depthMm = turned ? blank.widthMm : blank.depthMm;
  sheet.placements.push({ blankId: blank.id, xMm: free.x, yMm: free.y, widthMm, depthMm, turned, half: false, pinned: false });
  const [w, h] = [widthMm + kerfMm, depthMm + kerfMm];
  const [restW, restH] = [Math.max(0, free.w - w), Math.max(0, free.h - h)];
  // The through cut goes across the sheet or down it; the longer rest stays in one piece, or the shorter.
  const across = split === 'long' ? restW < restH : restW >= restH;
  const right: Free = { x: free.x + w, y: free.y, w: restW, h: across ? h : free.h };
  const below: Free = { x: free.x, y: free.y + h, w: across ? free.w : w, h: restH };
  sheet.free.splice(index, 1, ...[right, below].filter((rest) => rest.w > FIT_MM && rest.h > FIT_MM));
}

function largest(free: readonly Free[], kerfMm: number): PlacedSheet['rest'] {
  let best = { xMm: 0, yMm: 0, widthMm: 0, depthMm: 0 };
  for (const { x, y, w, h } of free) {
    const [widthMm, depthMm] = [Math.max(0, w - kerfMm), Math.max(0, h - kerfMm)];
    if (widthMm * depthMm > best.widthMm * best.depthMm) best = { xMm: x, yMm: y, widthMm, depthMm };
  }
  return best;
}
