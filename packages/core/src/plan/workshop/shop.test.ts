import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type BoardRecord, type CutSheet, NOTHING_DONE, RecordSchema, doneAt, freeOffcuts, isSameRecord, mergeRecords } from './index';

const at = { day: '2026-11-30', atMin: 1_200 };
const aSheet = (id: string, offcutId: string | null = null): CutSheet => ({
  id,
  materialId: 'xps',
  thicknessMm: 20,
  number: 1,
  widthMm: 1_250,
  depthMm: 600,
  offcutId,
  places: [{ partId: 'A1-0', xMm: 5, yMm: 5, boxWidthMm: 400, boxDepthMm: 400, areaMm2: 160_000, turned: false, half: false }],
});
const record = (sheets: readonly string[], tasks: readonly string[]): BoardRecord => ({
  cutSheets: sheets.map((id) => aSheet(id)),
  doneTasks: Object.fromEntries(tasks.map((id) => [id, doneAt(at)])),
});
const sheetIds = ({ cutSheets }: BoardRecord): string[] => cutSheets.map(({ id }) => id).sort();
const taskIds = ({ doneTasks }: BoardRecord): string[] => Object.keys(doneTasks).sort();

describe('what two devices did since they parted', () => {
  const base = record(['s1'], ['t1']);
  test('is all done: different sheets and tasks get in nobody’s way', () => {
    const both = mergeRecords(base, record(['s1', 's2'], ['t1', 't2']), record(['s1', 's3'], ['t1', 't3']));
    expect([sheetIds(both), taskIds(both)]).toEqual([
      ['s1', 's2', 's3'],
      ['t1', 't2', 't3'],
    ]);
  });
  test('what either took back is gone, also where the other ticked something else', () => {
    const both = mergeRecords(base, record([], ['t1', 't2']), record(['s1'], []));
    expect([sheetIds(both), taskIds(both)]).toEqual([[], ['t2']]);
  });
  test('one task ticked on both is ticked once, and says what the nearer one said', () => {
    const mine = { ...base, doneTasks: { ...base.doneTasks, t2: doneAt(at, { by: 'Ada', workedMin: 40 }) } };
    const theirs = { ...base, doneTasks: { ...base.doneTasks, t2: doneAt(at, { by: 'Bo' }) } };
    expect(mergeRecords(base, mine, theirs).doneTasks['t2']).toMatchObject({ by: 'Ada', workedMin: 40 });
  });
  test('whichever way round it is told: what is done is the same, and merged once more nothing changes', () => {
    const ids = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e'), { maxLength: 5 });
    const records = fc.tuple(ids, ids).map(([sheets, tasks]) => record(sheets, tasks));
    fc.assert(
      fc.property(records, records, records, (from, mine, theirs) => {
        const [one, other] = [mergeRecords(from, mine, theirs), mergeRecords(from, theirs, mine)];
        expect([sheetIds(one), taskIds(one)]).toEqual([sheetIds(other), taskIds(other)]);
        expect(isSameRecord(mergeRecords(one, one, one), one)).toBe(true);
        expect(mergeRecords(from, mine, mine)).toEqual(mine);
      }),
      { numRuns: 200 },
    );
  });
});

describe('what a board may cut from', () => {
  const piece = { materialId: 'xps', thicknessMm: 20, widthMm: 300, depthMm: 200 };
  const rack = [
    { id: 'free', ...piece, from: { boardId: 'other' }, usedBy: null },
    { id: 'own', ...piece, from: { boardId: 'mine' }, usedBy: null },
    { id: 'bought', ...piece, from: null, usedBy: null },
    { id: 'taken', ...piece, from: null, usedBy: 'other' },
    { id: 'held', ...piece, from: null, usedBy: 'mine' },
    { id: 'cut', ...piece, from: null, usedBy: 'mine' },
  ];
  test('not what others took, not what it left itself, not what it has cut up', () => {
    const { cutSheets } = { cutSheets: [aSheet('s1', 'cut')] };
    const free = freeOffcuts(rack, 'mine', { ...NOTHING_DONE, cutSheets });
    expect(free.map(({ id }) => id)).toEqual(['free', 'bought', 'held']);
    // Where it came from and who has it is no business of the reckoning.
    expect(free[0]).toEqual({ id: 'free', ...piece });
  });
  test('a board that is nowhere yet has all that nobody took', () => {
    expect(freeOffcuts(rack, null, NOTHING_DONE).map(({ id }) => id)).toEqual(['free', 'own', 'bought']);
  });
});

describe('a record as it is kept', () => {
  test('of an earlier version, without tasks, has none done', () => {
    expect(RecordSchema.parse({ cutSheets: [] })).toEqual(NOTHING_DONE);
  });
  test.each([
    ['nine of eight hundred walls, and then one too many', { part: { done: 9, of: 1_001 } }, ['doneTasks', 't', 'part', 'of']],
    ['half past nowhere', { at: { day: '2026-11-30', atMin: 1_441 } }, ['doneTasks', 't', 'at', 'atMin']],
    ['less than no time', { workedMin: -1 }, ['doneTasks', 't', 'workedMin']],
  ])('%s is refused at its field', (_, change, path) => {
    const refused = RecordSchema.safeParse({ cutSheets: [], doneTasks: { t: { ...doneAt(at), ...change } } });
    expect(refused.error!.issues.map((issue) => issue.path)).toEqual([path]);
  });
});
