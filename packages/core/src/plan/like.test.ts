import { describe, expect, test } from 'vitest';
import { WORKSHOP_CATALOGUE } from '../catalogue/workshop';
import { brinefold, larkstone } from '../demo';
import { derivePipeline } from '../pipeline';
import { planLike, tableDepthMm, tableWidthMm } from '.';
import { checkPlan } from './stored/file';

const LIKE = { name: 'Saltholm', startsOn: '2027-02-01', morePct: 20 };
const FIRST = brinefold(WORKSHOP_CATALOGUE);

describe('a board like another', () => {
  const plan = planLike(FIRST, LIKE);
  test('has so much more ground, with as many tiles, and is a sound plan', () => {
    const area = (of: typeof plan) => tableWidthMm(of.table) * tableDepthMm(of.table);
    expect(area(plan) / area(FIRST)).toBeCloseTo(1.2, 2);
    const { columnWidthsMm } = plan.table;
    expect(Math.max(...columnWidthsMm) - Math.min(...columnWidthsMm)).toBeLessThan(0.2);
    for (const first of [FIRST, larkstone(WORKSHOP_CATALOGUE)])
      for (const morePct of [-40, 0, 20, 90]) expect(checkPlan(planLike(first, { ...LIKE, morePct }), WORKSHOP_CATALOGUE).ok).toBe(true);
  });
  test('lets what goes by the figures stay: heights, ways, walls, pieces', () => {
    for (const [i, feature] of plan.features.entries()) {
      const { shape: first, ...rest } = FIRST.features[i]!;
      const { shape, ...own } = feature;
      expect(own).toEqual(rest);
      if (shape.form === 'strip' && first.form === 'strip') expect(shape.widthMm).toBe(first.widthMm);
    }
    expect(plan.pieces).toBe(FIRST.pieces);
    expect(plan.stack).toBe(FIRST.stack);
  });
  test('takes about as much more of what lies over the ground', () => {
    const [before, after] = [FIRST, plan].map((one) => derivePipeline()(one, WORKSHOP_CATALOGUE));
    const open = (of: typeof before) => of!.allGlues.find(({ adhesiveId }) => adhesiveId === 'white-glue')!.mass.value;
    expect(open(after) / open(before)).toBeGreaterThan(1.15);
    expect(open(after) / open(before)).toBeLessThan(1.25);
  });
  test('brings nothing of what was arranged and done for the first; wishes that are open come along, at their place', () => {
    const note = { id: 'n', at: { x: 100, y: 50 }, words: 'too narrow', day: '2026-12-30', isDone: false };
    const played = {
      ...FIRST,
      tableNotes: [note, { ...note, id: 'm', isDone: true }],
      calendar: { ...FIRST.calendar, deadline: '2026-12-24' },
    };
    const next = planLike(played, LIKE);
    expect(next.tableNotes).toEqual([{ ...note, at: { x: 109.54, y: 54.77 } }]);
    expect(next.calendar).toMatchObject({ startsOn: LIKE.startsOn, deadline: null, tasks: [], notBefore: null });
    expect([next.mends, next.cutting.saved]).toEqual([[], []]);
  });
});
