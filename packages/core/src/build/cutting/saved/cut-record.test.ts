import { type Board, type Plan, planAgain } from '../../../plan';
import { EMPTY_WORKSHOP, NOTHING_DONE } from '../../../plan/workshop';
import { applied } from '../../../plan/edits';
import { checkBoardFile } from '../../../plan/stored/file';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { brinefold } from '../../../demo';
import { derivePipeline } from '../../../pipeline';
import { seeded } from '../../../base/random';
import { CATALOGUE, aBoard, aMound } from '../../../testing';
import { type CutJob, isCut, openOf, optimalityOf, searchJob, withOpen } from '../job';
import { byHand, relaid, unpinned } from './by-hand';
import { takenBack, tickedOff } from './cut-record';

/** Nine tiles of 400 × 400 mm: three to a sheet, so three sheets of foam. */
const joined = aBoard({ depthMm: 1200, columns: 3, rows: 3 });
const plan: Plan = { ...joined, cutting: { ...joined.cutting, joints: 'laid' } };
const KEY = 'xps-foam-30';
const board: Board = { plan, record: NOTHING_DONE };
const derive = derivePipeline();
const derived = (own: Board) => derive(own.plan, CATALOGUE, { ...EMPTY_WORKSHOP, ...own.record });
const jobOf = (own: Board, key = KEY): CutJob => derived(own).jobs.find((job) => job.key === key)!;
/** The board with a sheet ticked off. */
function ticked(own: Board, index: number, id: string, key = KEY): Board {
  const { cut, saved, splits } = tickedOff(jobOf(own, key), index, id);
  return applied(own, { code: 'sheet/cut', sheet: cut, layout: saved, splits, jobKeys: [] });
}
const replanned = ({ record }: Board, other: Plan): Board => ({ plan: other, record });
const places = ({ layout }: CutJob) => layout.sheets.map(({ placements }) => placements.map(({ blankId }) => blankId).sort());

describe('a sheet that is cut', () => {
  test('keeps its number and its parts; sheets, money and minutes of the board stay what they were', () => {
    const [before, after] = [derived(board), derived(ticked(board, 1, 's'))];
    const [job, own] = [jobOf(board), jobOf(ticked(board, 1, 's'))];
    expect(places(own)).toEqual(places(job));
    expect(own.layout.sheets.map(({ cut }) => cut ?? null)).toEqual([null, { id: 's', number: 2 }, null]);
    for (const name of ['sheets', 'cost', 'handsOn', 'mass'] as const) {
      expect(after.tally[name].value, name).toBeCloseTo(before.tally[name].value, 6);
    }
    // Less can be saved once a sheet is cut, never more.
    expect(own.fewest.value).toBeGreaterThanOrEqual(job.fewest.value);
    expect(own.fewest.value).toBeLessThanOrEqual(own.sheetCount.value);
    expect(own.cheapest.value).toBeGreaterThanOrEqual(job.cheapest.value);
    expect(own.cheapest.value).toBeLessThanOrEqual(own.cost.value);
    expect(after.warnings).toEqual(before.warnings);
  });
  test('is a sound plan, and every sheet may be cut, in any order', () => {
    for (const order of [
      [0, 1, 2],
      [2, 1, 0],
      [1, 2, 0],
    ]) {
      const all = order.reduce((own, index) => ticked(own, index, `s${index}`), board);
      expect(checkBoardFile({ ...structuredClone(all.plan), record: structuredClone(all.record) }, CATALOGUE)).toMatchObject({ ok: true });
      expect(places(jobOf(all))).toEqual(places(jobOf(board)));
      expect(openOf(jobOf(all)).parts).toEqual([]);
      expect(optimalityOf(jobOf(all))).toMatchObject({ how: 'area', gap: { value: 0 } });
    }
  });
  test('may be taken back: it lies among the others again, where and as it was', () => {
    for (const index of [0, 1, 2]) {
      const cut = ticked(board, index, 's');
      const back = applied(cut, { code: 'sheet/uncut', cutIds: ['s'], layout: takenBack(jobOf(cut), index), jobKeys: [] });
      expect(places(jobOf(back))).toEqual(places(jobOf(board)));
      expect(jobOf(back).layout.sheets.some(isCut)).toBe(false);
    }
  });
  test('is cut for this board alone: a copy of it begins anew', () => {
    const copy: Board = { plan: planAgain(ticked(board, 1, 's').plan), record: NOTHING_DONE };
    expect(copy.plan.name).toBe('Test board (copy)');
    expect(jobOf(copy).layout.sheets.some(isCut)).toBe(false);
    expect(places(jobOf(copy)).flat()).toHaveLength(9);
  });
  test('is not in the hand of a search: 40 rounds over Brinefold move only what is open', () => {
    const saltworks = ticked({ plan: brinefold(CATALOGUE), record: NOTHING_DONE }, 0, 's', 'xps-foam-20');
    const job = jobOf(saltworks, 'xps-foam-20');
    const done = job.layout.sheets[0]!.placements.map(({ blankId }) => blankId);
    let rounds = 0;
    for (const { layout } of searchJob(job, CATALOGUE, seeded(3))) {
      const whole = withOpen(job, layout);
      expect(whole.layout.sheets[0]).toEqual(job.layout.sheets[0]);
      expect(places(whole).flat().sort()).toEqual(job.parts.map(({ id }) => id).sort());
      expect(layout.sheets.flatMap(({ placements }) => placements).some(({ blankId }) => done.includes(blankId))).toBe(false);
      if (++rounds === 40) break;
    }
    expect(rounds).toBeGreaterThan(0);
  });
  test('nothing is moved on it, off it or onto it by hand, and letting go of all leaves it out', () => {
    const job = jobOf(ticked(board, 0, 's'));
    const [cut, open] = [job.layout.sheets[0]!.placements[0]!.blankId, job.layout.sheets[1]!.placements[0]!.blankId];
    const refused = { ok: false, problem: { code: 'saved/cut' } };
    expect(byHand(job, cut, { code: 'move', toSheet: 0, xMm: 700, yMm: 5 })).toMatchObject(refused);
    expect(byHand(job, cut, { code: 'pin', pinned: true })).toMatchObject(refused);
    expect(byHand(job, open, { code: 'carry', toSheet: 0 })).toMatchObject(refused);
    expect(unpinned(job).sheets).toHaveLength(2);
    const pinned = byHand(job, open, { code: 'pin', pinned: true });
    expect(pinned.ok && relaid(job, pinned.value)!.sheets.map(isCut)).toEqual([true, false, false]);
  });
  test('of an offcut: that offcut is no longer laid on, though the rack still lists it', () => {
    const offcuts = [{ id: 'o', materialId: 'xps-foam', thicknessMm: 30, widthMm: 900, depthMm: 450 }];
    const before = derive(plan, CATALOGUE, { ...EMPTY_WORKSHOP, offcuts }).jobs.find(({ key }) => key === KEY)!;
    const index = before.layout.sheets.findIndex(({ stock }) => stock.offcutId === 'o');
    const after = derive(plan, CATALOGUE, { ...EMPTY_WORKSHOP, offcuts, cutSheets: [tickedOff(before, index, 's').cut] }).jobs.find(
      ({ key }) => key === KEY,
    )!;
    expect(after.layout.sheets.filter(({ stock }) => stock.offcutId === 'o').map(isCut)).toEqual([true]);
    expect(after.stock.some(({ offcutId }) => offcutId === 'o')).toBe(false);
    expect(after.cost.value).toBe(before.cost.value);
  });
});

describe('what changes after it is cut', () => {
  const codes = (own: Board) => derived(own).warnings.map(({ code }) => code);
  test('a part of another size is laid out anew and told of; the mend takes the tick back', () => {
    const sheet = jobOf(board).layout.sheets.findIndex(({ placements }) => placements.some(({ blankId }) => blankId.startsWith('C')));
    const wider = replanned(ticked(board, sheet, 's'), { ...plan, table: { ...plan.table, columnWidthsMm: [400, 400, 410] } });
    const cutParts = wider.record.cutSheets[0]!.places.map(({ partId }) => partId);
    const changed = cutParts.filter((id) => id.startsWith('C'));
    expect(changed.length).toBeGreaterThan(0);
    const job = jobOf(wider);
    const open = openOf(job).parts.map(({ id }) => id);
    for (const id of cutParts) expect(open.includes(id), id).toBe(changed.includes(id));
    expect(job.layout.sheets.flatMap(({ placements }) => placements)).toHaveLength(job.parts.length);
    const warning = derived(wider).warnings.find(({ code }) => code === 'cut/outdated')!;
    expect(warning.title).toBe(`Sheet ${sheet + 1} of XPS insulation foam, 30 mm`);
    expect(codes(applied(wider, warning.mends[0]!.edit))).not.toContain('cut/outdated');
  });
  test('a mound of another size, a mound that is gone: each is told, and its mend clears it', () => {
    const mound = aBoard({}, aMound([100, 100, 220, 150], 20));
    const key = 'xps-foam-20';
    const cut = ticked({ plan: mound, record: NOTHING_DONE }, 0, 's', key);
    const larger = replanned(cut, { ...cut.plan, features: [aMound([100, 100, 240, 150], 20)] });
    expect(codes(larger)).toContain('cut/outdated');
    expect(jobOf(larger, key).layout.sheets.map(({ placements }) => placements.length)).toEqual([0, 1]);
    const gone = replanned(cut, { ...cut.plan, features: [] });
    expect(codes(gone)).toContain('cut/unwanted');
    for (const [own, code] of [
      [larger, 'cut/outdated'],
      [gone, 'cut/unwanted'],
    ] as const) {
      const { mends } = derived(own).warnings.find((one) => one.code === code)!;
      for (const mend of mends) expect(codes(applied(own, mend.edit))).not.toContain(code);
    }
  });
  test('whatever is ticked and then resized, every part is cut or laid out exactly once (60 tries, seed 11)', () => {
    fc.assert(
      fc.property(
        fc.subarray([0, 1, 2]),
        fc.tuple(fc.constantFrom(380, 400, 420), fc.constantFrom(380, 400, 420), fc.constantFrom(380, 400, 420)),
        (indices, columnWidthsMm) => {
          const cut = indices.reduce((own, index) => ticked(own, index, `s${index}`), board);
          const job = jobOf(replanned(cut, { ...plan, table: { ...plan.table, columnWidthsMm } }));
          const placed = job.layout.sheets.flatMap(({ placements }) => placements.map(({ blankId }) => blankId));
          expect(placed.sort()).toEqual(job.parts.map(({ id }) => id).sort());
          expect(job.layout.sheets.filter(isCut)).toHaveLength(indices.length);
        },
      ),
      { numRuns: 60, seed: 11 },
    );
  });
});
