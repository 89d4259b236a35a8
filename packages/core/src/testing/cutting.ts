import { expect } from 'vitest';
import {
  type Blank,
  type CutOrder,
  type PlacedSheet,
  type Layout,
  type LayoutTask,
  type SheetRule,
  type Stock,
  NO_TRIM,
  cutOrder,
  isNew,
} from '../build/cutting/nesting';
import { savedFrom, layoutFromSaved } from '../build/cutting/saved';

/** Builders and checks for laying out parts. */

/** New sheets of one size. */
export const sheetOf = ({ widthMm, depthMm, trim }: Omit<SheetRule, 'kerfMm'>, priceMinor = 100): Stock => ({
  widthMm,
  depthMm,
  trim,
  offcutId: null,
  priceMinor,
});
export const anOffcut = (id: string, widthMm: number, depthMm: number): Stock => ({
  widthMm,
  depthMm,
  trim: NO_TRIM,
  offcutId: id,
  priceMinor: 0,
});

/** A job on sheets of one size, unless more is said. */
export const aTask = (blanks: readonly Blank[], rule: SheetRule, more: Partial<LayoutTask> = {}): LayoutTask => ({
  blanks,
  stock: [sheetOf(rule)],
  kerfMm: rule.kerfMm,
  aim: 'cheapest',
  pinned: [],
  ...more,
});

/** Everything a layout must be: each part once, within sheet and trim, kerf kept, of an offcut one at most, pinned parts where they were. */
export function expectSoundLayout(task: LayoutTask, layout: Layout): void {
  const placed = layout.sheets.flatMap(({ placements }) => placements.map(({ blankId }) => blankId));
  expect([...placed, ...layout.tooLarge].sort()).toEqual(task.blanks.map(({ id }) => id).sort());
  const fitting = task.blanks.filter(({ id }) => !layout.tooLarge.includes(id));
  // The check that a kept layout has to pass is the check of soundness.
  expect(layoutFromSaved(savedFrom('job', layout), { ...task, blanks: fitting })).toMatchObject({ ok: true });
  const offcuts = layout.sheets.filter(({ stock }) => !isNew(stock)).map(({ stock }) => stock.offcutId);
  expect(new Set(offcuts).size).toBe(offcuts.length);
  for (const { placements } of task.pinned) {
    for (const pin of placements) {
      expect(layout.sheets.flatMap((sheet) => sheet.placements).find(({ blankId }) => blankId === pin.blankId)).toMatchObject({
        xMm: pin.xMm,
        yMm: pin.yMm,
        turned: pin.turned,
      });
    }
  }
}

/** Cuts a sheet as its list says, piece by piece, and gives what comes of it by name. */
function replayed({ cuts }: CutOrder, { widthMm, depthMm }: Stock, kerfMm: number): Map<string, { w: number; h: number }> {
  const pieces = new Map([[cuts[0]?.piece ?? 'S', { w: widthMm, h: depthMm }]]);
  for (const { piece, way, atMm, lengthMm, leaves } of cuts) {
    const own = pieces.get(piece)!;
    pieces.delete(piece);
    expect(lengthMm).toBeCloseTo(way === 'down' ? own.h : own.w, 2);
    // What is thrown or put away first gives the blade its room.
    const isGone = leaves[0] === 'waste' || leaves[0] === 'rest';
    const gone = isGone ? 0 : kerfMm;
    const [near, far] =
      way === 'down'
        ? [
            { w: atMm, h: own.h },
            { w: own.w - atMm - gone, h: own.h },
          ]
        : [
            { w: own.w, h: atMm },
            { w: own.w, h: own.h - atMm - gone },
          ];
    expect(Math.min(near.w, near.h)).toBeGreaterThanOrEqual(0);
    if (!isGone) pieces.set(leaves[0], near);
    if (leaves[1] !== null) pieces.set(leaves[1], far);
  }
  return pieces;
}
const SLACK_MM = 0.01;

/** No blade runs through what a sheet is said to leave in one piece. */
function expectRestWhole({ rest, stock }: PlacedSheet, { cuts }: CutOrder, kerfMm: number): void {
  const [right, bottom] = [rest.xMm + rest.widthMm, rest.yMm + rest.depthMm];
  for (const { way, line, leaves } of cuts.slice([stock.trim.leftMm, stock.trim.topMm].filter((mm) => mm > 0).length)) {
    const isDown = way === 'down';
    const before = leaves[0] === 'waste' || leaves[0] === 'rest' ? kerfMm : 0;
    const from = (isDown ? line.x1 : line.y1) - before;
    const into = isDown
      ? [Math.min(from + kerfMm, right) - Math.max(from, rest.xMm), Math.min(line.y2, bottom) - Math.max(line.y1, rest.yMm)]
      : [Math.min(from + kerfMm, bottom) - Math.max(from, rest.yMm), Math.min(line.x2, right) - Math.max(line.x1, rest.xMm)];
    expect(Math.min(...into)).toBeLessThan(SLACK_MM);
  }
}

/** The listed cuts free every part of a sheet at its size, and leave its rest whole. */
export function expectComesApart(sheet: PlacedSheet, kerfMm: number): void {
  const order = cutOrder(sheet, kerfMm)!;
  expect(order).not.toBeNull();
  const pieces = replayed(order, sheet.stock, kerfMm);
  expectRestWhole(sheet, order, kerfMm);
  expect(order.freed.map(({ blankId }) => blankId).sort()).toEqual(sheet.placements.map(({ blankId }) => blankId).sort());
  for (const { piece, blankId } of order.freed) {
    const placement = sheet.placements.find((one) => one.blankId === blankId)!;
    // A sheet that is just the part needs no cut, and has no piece to name.
    const own = order.cuts.length === 0 ? { w: sheet.stock.widthMm, h: sheet.stock.depthMm } : pieces.get(piece)!;
    expect(Math.abs(own.w - placement.widthMm)).toBeLessThan(SLACK_MM);
    expect(Math.abs(own.h - placement.depthMm)).toBeLessThan(SLACK_MM);
  }
}
