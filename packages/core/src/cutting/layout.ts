import { wholeUp } from '../units';

/** A rectangle to be placed. Sizes in mm, without kerf. */
export interface Blank {
  readonly id: string;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly mayTurn: boolean;
}
/** The sheet parts are laid on: its size, what is trimmed off every edge, and what the blade takes between parts. */
export interface SheetRule {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly trimMm: number;
  readonly kerfMm: number;
}
/** Where a part lies: its corner nearest the sheet's left top corner, and its size as it lies. */
export interface Placement {
  readonly blankId: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly turned: boolean;
}
export interface LaidSheet {
  readonly placements: readonly Placement[];
  /** The largest rectangle left over. */
  readonly rest: { readonly xMm: number; readonly yMm: number; readonly widthMm: number; readonly depthMm: number };
}
export interface Layout {
  readonly sheets: readonly LaidSheet[];
  /** Blanks that fit no sheet however turned. */
  readonly tooLarge: readonly string[];
}

interface Free {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}
interface Open {
  placements: Placement[];
  free: Free[];
}

/** Slack for sums of thousandths: a part cut to the trimmed size exactly must fit. */
const FIT_MM = 1e-6;

const ORDERS: readonly ((a: Blank, b: Blank) => number)[] = [
  (a, b) => b.widthMm * b.depthMm - a.widthMm * a.depthMm,
  (a, b) => Math.max(b.widthMm, b.depthMm) - Math.max(a.widthMm, a.depthMm) || b.widthMm * b.depthMm - a.widthMm * a.depthMm,
  (a, b) => b.depthMm - a.depthMm || b.widthMm - a.widthMm,
  (a, b) => b.widthMm - a.widthMm || b.depthMm - a.depthMm,
];
const SPLITS = ['long', 'short'] as const;

/**
 * Lays blanks on equal sheets so that every part comes free by straight-through cuts. Tries four orders with two ways of
 * splitting what is left, and keeps the fewest sheets, then the largest rest.
 * @returns every blank exactly once, on a sheet or in `tooLarge`; deterministic
 * @source guillotine packing, best short side first, into sheets already begun before a new one
 */
export function layOut(blanks: readonly Blank[], rule: SheetRule): Layout {
  const usable = { w: rule.widthMm - 2 * rule.trimMm, h: rule.depthMm - 2 * rule.trimMm };
  const fits = (blank: Blank): boolean =>
    fitsAs(blank.widthMm, blank.depthMm, usable) || (blank.mayTurn && fitsAs(blank.depthMm, blank.widthMm, usable));
  const tooLarge = blanks.filter((blank) => !fits(blank)).map(({ id }) => id);
  const fitting = blanks.filter(fits);
  let best: LaidSheet[] | undefined;
  for (const order of ORDERS) {
    const sorted = [...fitting].sort((a, b) => order(a, b) || (a.id < b.id ? -1 : 1));
    for (const split of SPLITS) {
      const sheets = pack(sorted, rule, split);
      if (best === undefined || isBetter(sheets, best)) best = sheets;
    }
  }
  return { sheets: best ?? [], tooLarge };
}

/** What the parts take with their kerf, and what a sheet has for them; one kerf may hang over the trim on two sides. */
export function packingAreas(blanks: readonly Blank[], rule: SheetRule): { readonly blanksMm2: number; readonly usableMm2: number } {
  const usableMm2 = (rule.widthMm - 2 * rule.trimMm + rule.kerfMm) * (rule.depthMm - 2 * rule.trimMm + rule.kerfMm);
  const blanksMm2 = blanks.reduce((sum, b) => sum + (b.widthMm + rule.kerfMm) * (b.depthMm + rule.kerfMm), 0);
  return { blanksMm2, usableMm2 };
}

/** The area bound: no layout can take fewer sheets. */
export function fewestSheets(blanks: readonly Blank[], rule: SheetRule): number {
  const { blanksMm2, usableMm2 } = packingAreas(blanks, rule);
  return wholeUp(blanksMm2 / usableMm2);
}

function pack(sorted: readonly Blank[], rule: SheetRule, split: (typeof SPLITS)[number]): LaidSheet[] {
  const { trimMm, kerfMm } = rule;
  // Every part carries the kerf on its right and lower side; the last one in a row may hang it over the trim.
  const whole: Free = { x: trimMm, y: trimMm, w: rule.widthMm - 2 * trimMm + kerfMm, h: rule.depthMm - 2 * trimMm + kerfMm };
  const open: Open[] = [];
  for (const blank of sorted) {
    let spot = bestSpot(open, blank, kerfMm);
    if (spot === null) {
      open.push({ placements: [], free: [whole] });
      spot = bestSpot([open.at(-1)!], blank, kerfMm)!;
    }
    place(spot, blank, kerfMm, split);
  }
  return open.map(({ placements, free }) => ({ placements, rest: largest(free, kerfMm) }));
}

interface Spot {
  readonly sheet: Open;
  readonly index: number;
  readonly turned: boolean;
}

function bestSpot(sheets: readonly Open[], blank: Blank, kerfMm: number): Spot | null {
  let best: Spot | null = null;
  let bestShort = Infinity;
  for (const sheet of sheets) {
    sheet.free.forEach((free, index) => {
      for (const turned of blank.mayTurn ? [false, true] : [false]) {
        const w = (turned ? blank.depthMm : blank.widthMm) + kerfMm;
        const h = (turned ? blank.widthMm : blank.depthMm) + kerfMm;
        const short = Math.min(free.w - w, free.h - h);
        if (short >= -FIT_MM && short < bestShort - FIT_MM) {
          best = { sheet, index, turned };
          bestShort = short;
        }
      }
    });
  }
  return best;
}

function place({ sheet, index, turned }: Spot, blank: Blank, kerfMm: number, split: (typeof SPLITS)[number]): void {
  const free = sheet.free[index]!;
  const widthMm = turned ? blank.depthMm : blank.widthMm;
  const depthMm = turned ? blank.widthMm : blank.depthMm;
  sheet.placements.push({ blankId: blank.id, xMm: free.x, yMm: free.y, widthMm, depthMm, turned });
  const [w, h] = [widthMm + kerfMm, depthMm + kerfMm];
  const [restW, restH] = [Math.max(0, free.w - w), Math.max(0, free.h - h)];
  // The through cut goes across the sheet or down it; the longer rest stays in one piece, or the shorter.
  const across = split === 'long' ? restW < restH : restW >= restH;
  const right: Free = { x: free.x + w, y: free.y, w: restW, h: across ? h : free.h };
  const below: Free = { x: free.x, y: free.y + h, w: across ? free.w : w, h: restH };
  sheet.free.splice(index, 1, ...[right, below].filter((rest) => rest.w > FIT_MM && rest.h > FIT_MM));
}

function largest(free: readonly Free[], kerfMm: number): LaidSheet['rest'] {
  let best = { xMm: 0, yMm: 0, widthMm: 0, depthMm: 0 };
  for (const { x, y, w, h } of free) {
    const [widthMm, depthMm] = [Math.max(0, w - kerfMm), Math.max(0, h - kerfMm)];
    if (widthMm * depthMm > best.widthMm * best.depthMm) best = { xMm: x, yMm: y, widthMm, depthMm };
  }
  return best;
}

const fitsAs = (widthMm: number, depthMm: number, usable: { w: number; h: number }): boolean =>
  widthMm <= usable.w + FIT_MM && depthMm <= usable.h + FIT_MM;

/** Fewer parts left out, then fewer sheets, then a larger piece left over. */
export const isBetterLayout = (a: Layout, b: Layout): boolean =>
  a.tooLarge.length === b.tooLarge.length ? isBetter(a.sheets, b.sheets) : a.tooLarge.length < b.tooLarge.length;

function isBetter(a: readonly LaidSheet[], b: readonly LaidSheet[]): boolean {
  if (a.length !== b.length) return a.length < b.length;
  const rest = (sheets: readonly LaidSheet[]): number => Math.max(0, ...sheets.map((sheet) => sheet.rest.widthMm * sheet.rest.depthMm));
  return rest(a) > rest(b) + 1e-6;
}
