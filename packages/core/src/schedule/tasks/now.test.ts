import { describe, expect, test } from 'vitest';
import { seeded } from '../../base/random';
import { aBench, aCalendar, aWorkStep, inTurn } from '../../testing';
import { planDays } from './days';
import { bestNow } from './now';
import type { Step } from './step';

const EVERY_EVENING = aCalendar([1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, fromMin: 1_140, toMin: 1_260 })));
const now = (steps: readonly Step[], haveMin: number, nowMin = 0) =>
  bestNow(planDays({ ...aBench(EVERY_EVENING), steps, seed: 1 }).slots, steps, nowMin, haveMin);

describe('some minutes now', () => {
  const steps = inTurn([
    aWorkStep(
      'glue',
      [
        ['A1', 20, 600],
        ['B1', 20, 600],
        ['C1', 20, 600],
      ],
      { setUpMin: 8 },
    ),
    aWorkStep(
      'sand',
      [
        ['D1', 15, 0],
        ['A1', 15, 0],
      ],
      { setUpMin: 5 },
    ),
  ]);
  test('go to what dries longest, with one set-up for all of a step', () => {
    expect(now(steps, 30)).toMatchObject({ workMin: 28, dryingMin: 600 });
    expect(now(steps, 48)).toMatchObject({ workMin: 48, dryingMin: 1_200 });
    expect(now(steps, 47)).toMatchObject({ dryingMin: 600 });
  });
  test('what does not fit leaves room for what does; nothing fits into nothing', () => {
    expect(now(steps, 22)).toEqual({ taskIds: ['sand-D1'], workMin: 20, dryingMin: 0 });
    expect(now(steps, 4)).toEqual({ taskIds: [], workMin: 0, dryingMin: 0 });
  });
  test('what waits for something is not among them', () => expect(now(steps, 500).taskIds).not.toContain('sand-A1'));
  test('of chance tasks none of all sets is better', () => {
    const random = seeded(5);
    for (let round = 0; round < 30; round++) {
      const own = ['one', 'two', 'three'].map((id) =>
        aWorkStep(
          id,
          ['A', 'B', 'C'].map((piece) => [`${piece}${id}`, 5 + Math.floor(random() * 40), Math.floor(random() * 900)] as const),
          { setUpMin: Math.floor(random() * 12) },
        ),
      );
      const have = 30 + Math.floor(random() * 120);
      const all = own.flatMap(({ tasks, setUp }) =>
        tasks.map(({ id, stepId, work, wait }) => ({ id, stepId, work: work.value, dry: wait.stated.value, setUp: setUp.value })),
      );
      let most = 0;
      for (let bits = 0; bits < 2 ** all.length; bits++) {
        const some = all.filter((_, i) => ((bits >> i) & 1) === 1);
        const setUps = new Map(some.map(({ stepId, setUp }) => [stepId, setUp]));
        const min = some.reduce((sum, { work }) => sum + work, 0) + [...setUps.values()].reduce((sum, setUp) => sum + setUp, 0);
        if (min <= have)
          most = Math.max(
            most,
            some.reduce((sum, { dry }) => sum + dry, 0),
          );
      }
      const found = now(own, have);
      expect(found.workMin).toBeLessThanOrEqual(have);
      // Work counts a little beside drying: a tenth of a minute each.
      expect(found.dryingMin).toBeGreaterThanOrEqual(most - 0.1 * have - 9);
    }
  });
});
