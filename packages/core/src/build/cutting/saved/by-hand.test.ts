import { describe, expect, test } from 'vitest';
import { derivePipeline } from '../../../pipeline';
import { CATALOGUE, aBoard, aMound } from '../../../testing';
import type { CutJob } from '../job';
import type { Part } from '../parts';
import { byHand, relaid, snappedPlace, unpinned } from './by-hand';
import { kerfFrom, kerfTest } from '../bench';

// Two parts of 20 mm foam on one sheet of 1200 × 600: the larger at its corner, the smaller beside or below it, and much room.
const plan = aBoard({}, aMound([100, 100, 220, 150], 20), aMound([700, 100, 120, 80], 20, 'small'));
const job: CutJob = derivePipeline()(plan, CATALOGUE).jobs.find(({ key }) => key === 'xps-foam-20')!;
const [mound, small] = ['mound', 'small'].map((featureId) => job.parts.find((part) => part.featureId === featureId)!) as [Part, Part];
const placeOf = (own: CutJob, id: string) => {
  const sheetIndex = own.layout.sheets.findIndex(({ placements }) => placements.some(({ blankId }) => blankId === id));
  return { sheetIndex, ...own.layout.sheets[sheetIndex]!.placements.find(({ blankId }) => blankId === id)! };
};
const done = (own: CutJob, ...args: readonly [string, Parameters<typeof byHand>[2]]): CutJob => {
  const made = byHand(own, ...args);
  if (!made.ok) throw new Error(made.problem.code);
  return { ...own, layout: relaid(own, made.value)! };
};

describe('by hand', () => {
  test('a part is moved on its sheet and pinned; the others stay', () => {
    const before = placeOf(job, small.id);
    const moved = done(job, mound.id, { code: 'move', toSheet: 0, xMm: 600, yMm: 300 });
    expect(placeOf(moved, mound.id)).toMatchObject({ xMm: 600, yMm: 300, pinned: true });
    expect(placeOf(moved, small.id)).toEqual(before);
  });
  test('onto another part, or over the edge, it is refused and nothing changes', () => {
    const { xMm, yMm } = placeOf(job, small.id);
    expect(byHand(job, mound.id, { code: 'move', toSheet: 0, xMm: xMm + 2, yMm })).toMatchObject({
      ok: false,
      problem: { code: 'saved/overlap', blankId: mound.id },
    });
    expect(byHand(job, mound.id, { code: 'move', toSheet: 0, xMm: -2, yMm: 300 })).toMatchObject({ problem: { code: 'saved/off-sheet' } });
  });
  test('turned it changes width and depth; one whose grain must run along the sheet is not turned', () => {
    const free = done(job, mound.id, { code: 'move', toSheet: 0, xMm: 600, yMm: 300 });
    const before = placeOf(free, mound.id);
    const turned = placeOf(done(free, mound.id, { code: 'turn' }), mound.id);
    expect([turned.widthMm, turned.depthMm, turned.turned]).toEqual([before.depthMm, before.widthMm, !before.turned]);
    const grained: CutJob = { ...free, parts: free.parts.map((part) => (part.id === mound.id ? { ...part, grain: 'x' } : part)) };
    expect(byHand(grained, mound.id, { code: 'turn' })).toMatchObject({ ok: false, problem: { code: 'saved/turned' } });
  });
  test('carried to another sheet it takes the first free place there; a full sheet refuses it', () => {
    const [sheet] = job.layout.sheets;
    const only = (id: string) => ({ ...sheet!, placements: sheet!.placements.filter(({ blankId }) => blankId === id) });
    const apart: CutJob = { ...job, layout: { ...job.layout, sheets: [only(mound.id), only(small.id)] } };
    const together = done(apart, small.id, { code: 'carry', toSheet: 0 });
    expect(together.layout.sheets).toHaveLength(1);
    expect(placeOf(together, small.id).pinned).toBe(true);
    const narrow: CutJob = {
      ...apart,
      layout: { ...apart.layout, sheets: [only(mound.id), { ...only(small.id), stock: { ...sheet!.stock, widthMm: 140, depthMm: 100 } }] },
    };
    expect(byHand(narrow, mound.id, { code: 'carry', toSheet: 1 })).toMatchObject({ ok: false, problem: { code: 'saved/overlap' } });
  });
  test('pinned and let go of', () => {
    const pinned = done(job, mound.id, { code: 'pin', pinned: true });
    expect(placeOf(pinned, mound.id).pinned).toBe(true);
    const free = relaid(pinned, unpinned(pinned))!;
    expect(free.sheets.flatMap(({ placements }) => placements).some((one) => one.pinned)).toBe(false);
  });
  test('a part that is no longer cut is said to be gone', () => {
    expect(byHand(job, 'nobody', { code: 'turn' })).toMatchObject({ ok: false, problem: { code: 'saved/other-parts' } });
  });
  test('dragged near the trim or a neighbour it snaps to it, a kerf apart; else to whole mm, and never off the sheet', () => {
    const { stock } = job.layout.sheets[0]!;
    expect(snappedPlace(job, 0, mound.id, { xMm: stock.trim.leftMm + 4, yMm: stock.trim.leftMm - 30 }, 6)).toEqual({
      xMm: stock.trim.leftMm,
      yMm: stock.trim.leftMm,
    });
    const far = snappedPlace(job, 0, mound.id, { xMm: 9_999, yMm: 9_999 }, 6);
    const { widthMm, depthMm } = placeOf(job, mound.id);
    expect(far).toEqual({ xMm: stock.widthMm - stock.trim.leftMm - widthMm, yMm: stock.depthMm - stock.trim.leftMm - depthMm });
  });
});

describe('the practice cut', () => {
  test('names passes and cautions, and what five strips measure with the kerf value used', () => {
    const card = kerfTest({ ...job, kerfMm: 0.5 }, 'metric', CATALOGUE);
    expect(card.expected.value).toBeCloseTo(100 - 4 * 0.5, 9);
    expect(card.steps[0]).toContain('3 passes, the first only a score');
    expect(card.cautions[0]).toContain('Cut away from the hand');
  });
  test('98 mm of 100 in four cuts: the blade takes half a millimetre; never less than nothing', () => {
    expect(kerfFrom(100, 98).value).toBeCloseTo(0.5, 9);
    expect(kerfFrom(100, 100.4).value).toBe(0);
  });
});
