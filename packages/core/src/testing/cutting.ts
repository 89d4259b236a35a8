import { expect } from 'vitest';
import { type Blank, type Layout, type LayoutTask, type SheetRule, type Stock, isNew, layoutFromKept, keptFrom } from '../cutting';

/** Builders and checks for laying out parts. */

/** New sheets of one size. */
export const sheetOf = ({ widthMm, depthMm, trimMm }: Omit<SheetRule, 'kerfMm'>, priceMinor = 100): Stock => ({
  widthMm,
  depthMm,
  trimMm,
  offcutId: null,
  priceMinor,
});
export const anOffcut = (id: string, widthMm: number, depthMm: number): Stock => ({
  widthMm,
  depthMm,
  trimMm: 0,
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
  expect(layoutFromKept(keptFrom('job', layout), { ...task, blanks: fitting })).toMatchObject({ ok: true });
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
