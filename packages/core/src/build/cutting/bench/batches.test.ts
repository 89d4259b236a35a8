import { describe, expect, test } from 'vitest';
import { appliedTo } from '../../../plan/edits';
import { CATALOGUE, aBoard, derived } from '../../../testing';
import { newPiece } from '../../pieces';
import { batchesOf, jobMinutes, unusedWay, waysToBatch } from '.';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const board = (others: number) => {
  const piece = newPiece('floor-tiles', 'floor', SCALE, [], CATALOGUE);
  const settings = {
    squareMm: 26,
    gutterMm: 1,
    ones: 0,
    twos: 0,
    fours: 0,
    longs: 0,
    others,
    otherAcross: 10,
    otherDeep: 10,
    made: 'squares',
  };
  const sheets = piece.sheets.map((sheet) => (sheet.role === 'top' ? { ...sheet, materialId: 'cork', thicknessMm: 3 } : sheet));
  return { ...aBoard({}), pieces: [{ ...piece, settings: { ...piece.settings, ...settings }, sheets }] };
};
const corkOf = (plan: ReturnType<typeof board>) => derived(plan).jobs.find(({ materialId }) => materialId === 'cork')!;

describe('400 equal squares', () => {
  const job = corkOf(board(4));
  test('are one batch; the board of four tiles is none', () => {
    expect(batchesOf(job.parts).map(({ key, partIds }) => [key, partIds.size])).toEqual([['25.0 × 25.0', 400]]);
    expect(batchesOf(derived(board(4)).jobs.find(({ materialId }) => materialId === 'mdf')!.parts)).toEqual([]);
  });
  test('take 0.7 min each marked alone, and from 0.10 to 0.25 with a fence, in stacks or with a die', () => {
    const [marked, ...others] = waysToBatch(job, CATALOGUE);
    expect(marked!.way.id).toBe('marked');
    expect(marked!.minutes.value / 400).toBeGreaterThan(0.68);
    expect(marked!.minutes.value / 400).toBeLessThan(0.85);
    expect(others.map(({ way }) => way.id)).toEqual(['fence', 'stack', 'die']);
    for (const { minutes } of others) {
      expect(minutes.value / 400).toBeGreaterThan(0.08);
      expect(minutes.value / 400).toBeLessThan(0.25);
    }
    // Marked three times as slow as in stacks: told, with the way to choose.
    const { warnings } = derived(board(4));
    expect(warnings.find(({ code }) => code === 'cut/slow')!.mends[0]!.edit).toMatchObject({ code: 'cutting/batch', jobKey: job.key });
  });
  test('a way that was chosen says so where it is not followed: too few parts, too thick, too long', () => {
    const { batchWays } = CATALOGUE;
    const die = batchWays.find(({ id }) => id === 'die')!;
    expect(unusedWay(job, batchWays, 'metric')).toEqual([]);
    expect(unusedWay({ ...job, batchWay: die }, batchWays, 'metric')).toEqual([]);
    const few = { ...job, batchWay: die, parts: job.parts.slice(0, 10) };
    expect(unusedWay(few, batchWays, 'metric')).toEqual([
      'Chosen: pressed out with a bought die. No more than 10 parts are equal now: each marked and cut alone.',
    ]);
    expect(unusedWay({ ...few, batchWay: batchWays[0]! }, batchWays, 'metric')).toEqual([]);
    expect(unusedWay({ ...job, batchWay: die, thicknessMm: 5 }, batchWays, 'metric')).toEqual([
      '25 × 25 mm: each marked and cut alone. “Pressed out with a bought die” takes up to 4 mm thick.',
    ]);
    const long = job.parts.map((part) => ({ ...part, depthMm: 80, areaMm2: part.widthMm * 80 }));
    expect(unusedWay({ ...job, batchWay: die, parts: long }, batchWays, 'metric')).toEqual([
      '80 × 25 mm: each marked and cut alone. “Pressed out with a bought die” takes parts up to 60 mm long.',
    ]);
  });
  test('the chosen way moves the minutes of the job, of every part and of the days alike; a die is bought', () => {
    const plan = board(4);
    const before = derived(plan);
    const after = derived(appliedTo(plan, { code: 'cutting/batch', jobKey: job.key, wayId: 'die' }));
    const minutes = (of: typeof before) =>
      jobMinutes(
        of.jobs.find(({ key }) => key === job.key)!,
        CATALOGUE,
      ).value;
    const parts = (of: typeof before) => [...of.minutes.values()].reduce((sum, { value }) => sum + value, 0);
    const cutting = (of: typeof before) =>
      of.steps.find(({ id }) => id === 'cut-piece')!.tasks.reduce((sum, { work }) => sum + work.value, 0);
    const saved = minutes(before) - minutes(after);
    expect(saved).toBeGreaterThan(200);
    expect(parts(before) - parts(after)).toBeCloseTo(saved, 6);
    expect(cutting(before) - cutting(after)).toBeCloseTo(saved, 6);
    expect(after.supplies.rows.find(({ id }) => id === 'shop-cuts')!.buy.value).toBe(1_490);
    expect(before.supplies.rows.some(({ id }) => id === 'shop-cuts')).toBe(false);
  });
});
