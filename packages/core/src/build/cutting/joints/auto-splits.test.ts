import { describe, expect, test } from 'vitest';
import { sheetsOf } from '../../../catalogue';
import { derivePipeline } from '../../../pipeline';
import type { Board, Plan } from '../../../plan';
import { checkPlan } from '../../../plan/stored/file';
import { applied } from '../../../plan/edits';
import { EMPTY_WORKSHOP, NOTHING_DONE } from '../../../plan/workshop';
import { CATALOGUE, aBoard, aMound, aPit } from '../../../testing';
import { isPieceOf, jointLines } from '../parts';
import { tickedOff } from '../saved';

const OBLONG = sheetsOf(CATALOGUE, 'xps-foam', 30).find(({ widthMm, depthMm }) => widthMm === 1200 && depthMm === 600)!.id;
/** All sheets of the foam but the oblong one. */
const OTHERS = CATALOGUE.sheets.filter(({ materialId, id }) => materialId === 'xps-foam' && id !== OBLONG).map(({ id }) => id);

const layer = (plan: Plan, id: string): Plan['stack']['ground'][number] => ({ ...plan.stack.ground[0]!, id });
/** One tile a metre square with so many layers of foam 30 mm thick. */
function metre(layers: number, ...features: Plan['features']): Plan {
  const plan = aBoard({ widthMm: 1000, depthMm: 1000, columns: 1, rows: 1 }, ...features);
  const ground = Array.from({ length: layers }, (_, i) => layer(plan, `ground-${i}`));
  return { ...plan, stack: { ...plan.stack, substrate: null, ground }, cutting: { ...plan.cutting, joints: 'laid' } };
}
const without = (plan: Plan, sheetIds: readonly string[]): Plan => ({ ...plan, cutting: { ...plan.cutting, withoutSheetIds: sheetIds } });
const derive = derivePipeline();
const onBoard = ({ plan, record }: Board) => derive(plan, CATALOGUE, { ...EMPTY_WORKSHOP, ...record });
const cutWarnings = (plan: Plan): readonly string[] =>
  derive(plan, CATALOGUE)
    .warnings.map(({ code }) => code)
    .filter((code) => code.startsWith('cut/') || code === 'stack/joints');

describe('only oblong sheets of 1200 × 600 are to be had', () => {
  test('a metre square comes out of two, layer by layer, joints staggered, and nobody is asked', () => {
    const plan = without(metre(3), OTHERS);
    const { partList, jobs } = derive(plan, CATALOGUE);
    expect(partList.parts).toHaveLength(6);
    expect(cutWarnings(plan)).toEqual([]);
    const lines = [0, 1, 2].map((level) => {
      const own = partList.parts.filter((part) => part.level === level);
      return { x: jointLines(own, 'x'), y: jointLines(own, 'y') };
    });
    for (const [i, { x, y }] of lines.entries()) {
      expect(x.length + y.length).toBe(1);
      const below = lines[i - 1];
      if (below === undefined) continue;
      for (const mm of x) for (const other of below.x) expect(Math.abs(mm - other)).toBeGreaterThanOrEqual(50);
      for (const mm of y) for (const other of below.y) expect(Math.abs(mm - other)).toBeGreaterThanOrEqual(50);
    }
    const [job] = jobs;
    expect(job!.bought.map(({ sheet, count }) => [sheet.id, count])).toEqual([[OBLONG, 6]]);
    expect(job!.partsArea.value).toBeCloseTo(3_000_000, 0);
  });
  test('each piece goes on the sheet', () => {
    const { jobs } = derive(without(metre(2), OTHERS), CATALOGUE);
    for (const { widthMm, depthMm } of jobs[0]!.parts) {
      const [short, long] = [widthMm, depthMm].sort((a, b) => a - b);
      expect(short).toBeLessThanOrEqual(600);
      expect(long).toBeLessThanOrEqual(1200);
    }
  });
  test('the joint keeps off a pit in the middle', () => {
    const plan = without(metre(1, aPit([450, 100, 100, 800], 8)), OTHERS);
    const { partList } = derive(plan, CATALOGUE);
    for (const mm of jointLines(partList.parts, 'x')) expect(mm <= 430 || mm >= 570).toBe(true);
    expect(partList.parts.some(isPieceOf)).toBe(true);
  });
  test('with a larger sheet to be had again it is whole', () => {
    expect(derive(metre(2), CATALOGUE).partList.parts.some(isPieceOf)).toBe(false);
  });
  test('where nothing at all is to be had, what is stocked is value used', () => {
    const none = without(metre(1), [...OTHERS, OBLONG]);
    expect(derive(none, CATALOGUE).jobs[0]!.sheetCount.value).toBe(derive(metre(1), CATALOGUE).jobs[0]!.sheetCount.value);
  });
  test('who wants to be asked is told of it, and splits it by hand', () => {
    const plan = without(metre(1), OTHERS);
    const asked: Plan = { ...plan, cutting: { ...plan.cutting, joints: 'asked' } };
    expect(cutWarnings(asked)).toEqual(['cut/too-large']);
    expect(derive(asked, CATALOGUE).partList.parts).toHaveLength(1);
  });
  test('a part split by hand is split so and not otherwise', () => {
    const plan = without(metre(1), OTHERS);
    const [part] = derive(metre(1), CATALOGUE).partList.parts;
    const byHand = applied(
      { plan, record: NOTHING_DONE },
      { code: 'part/split', splits: [{ partId: part!.id, wholeId: part!.id, along: 'y', atMm: [520] }] },
    );
    expect(jointLines(onBoard(byHand).partList.parts, 'y')).toEqual([520]);
    // A hand that leaves a piece too large is helped on.
    const uneven = applied(byHand, { code: 'part/split', splits: [{ partId: part!.id, wholeId: part!.id, along: 'y', atMm: [200] }] });
    const lines = jointLines(onBoard(uneven).partList.parts, 'y');
    expect(lines).toContain(200);
    expect(lines.length + jointLines(onBoard(uneven).partList.parts, 'x').length).toBe(2);
    expect(onBoard(uneven).warnings.map(({ code }) => code)).not.toContain('cut/too-large');
    const [job] = onBoard(uneven).jobs;
    const { cut, saved, splits } = tickedOff(job!, 0, 's1');
    const ticked = applied(uneven, { code: 'sheet/cut', sheet: cut, layout: saved, splits, jobKeys: [] });
    expect(
      onBoard(ticked)
        .allParts.map(({ id }) => id)
        .sort(),
    ).toEqual(
      onBoard(uneven)
        .allParts.map(({ id }) => id)
        .sort(),
    );
    expect(onBoard(ticked).jobs[0]!.outdated).toEqual([]);
  });
});

test('what is cut in pieces stays in those pieces, whatever sheets are to be had later', () => {
  const board: Board = { plan: without(metre(2), OTHERS), record: NOTHING_DONE };
  const [job] = onBoard(board).jobs;
  const { cut, saved, splits } = tickedOff(job!, 0, 's1');
  expect(splits.length).toBeGreaterThan(0);
  const ticked = applied(board, { code: 'sheet/cut', sheet: cut, layout: saved, splits, jobKeys: [] });
  const again: Board = { ...ticked, plan: without(ticked.plan, []) };
  const after = onBoard(again);
  expect(checkPlan(again.plan, CATALOGUE)).toMatchObject({ ok: true });
  expect(after.jobs[0]!.outdated).toEqual([]);
  expect(after.warnings.map(({ code }) => code)).not.toContain('cut/outdated');
  for (const { partId } of cut.places) expect(after.allParts.map(({ id }) => id)).toContain(partId);
});

test('joints elsewhere stay the parts they were when a mound moves', () => {
  const two = (at: number): Plan => {
    const plan = aBoard({ widthMm: 2000, depthMm: 1000, columns: 2, rows: 1 }, aMound([at, 100, 200, 200], 30));
    return without({ ...plan, stack: { ...plan.stack, substrate: null } }, OTHERS);
  };
  const [first, second] = [1100, 1300].map(two) as [Plan, Plan];
  const moved: Plan = { ...second, table: first.table, stack: first.stack };
  const before = derive(first, CATALOGUE).allParts.filter(({ workpieceId }) => workpieceId === 'A1');
  const after = derive(moved, CATALOGUE).allParts.filter(({ workpieceId }) => workpieceId === 'A1');
  expect(before.length).toBeGreaterThan(1);
  after.forEach((part, i) => expect(part).toBe(before[i]));
});
