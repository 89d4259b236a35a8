import { expect, test } from 'vitest';
import { brinefold } from '../../demo';
import { appliedTo } from '../../plan/edits';
import { CATALOGUE, aBench, aCalendar, aWorkStep, derived } from '../../testing';
import { type Days, planDays } from './days';
import { shiftOf } from './shift';

/** Two hours every Monday and Wednesday evening, from Monday 30 November 2026. */
const CALENDAR = aCalendar([
  { weekday: 1, fromMin: 1200, toMin: 1320 },
  { weekday: 3, fromMin: 1200, toMin: 1320 },
]);
type Work = readonly [id: string, workMin: number, waitMin: number, tile?: 'B1'];
/** Work on one tile, one after another, and work on another tile that waits for nothing. */
function planned(...works: readonly Work[]): Days {
  const steps = works.map(([id, workMin, waitMin, tile = 'A1'], i) => {
    const before = works[i - 1];
    const step = aWorkStep(id, [[tile, workMin, waitMin]]);
    const [own] = step.tasks;
    const wait = before === undefined ? own!.wait : aWorkStep('dries', [['A1', 1, before[2]]]).tasks[0]!.wait;
    const after = before === undefined || tile === 'B1' ? [] : [{ taskId: before[0], wait, most: null, orAfter: null }];
    return { ...step, tasks: [{ ...own!, id, work: { ...own!.work, label: id }, after }] };
  });
  return planDays({ ...aBench(CALENDAR), steps, seed: 1 });
}

test('a few minutes more that push a task over an evening are named, with what was left of the evening', () => {
  const said = shiftOf(planned(['paste', 90, 0], ['base', 30, 0]), planned(['paste', 100, 0], ['base', 30, 0]), CALENDAR);
  expect(said[0]).toBe('Ready Wed 2 Dec, 20:30 instead of Mon 30 Nov, 22:00.');
  expect(said[1]!.replaceAll('\u00a0', ' ')).toBe(
    'base takes 30 min and no longer fits on Mon 30 Nov, where 20 min without a break are left. It starts on Wed 2 Dec.',
  );
});

test('what other tiles take of an evening is taken off what is left of it', () => {
  const said = shiftOf(planned(['paste', 60, 0], ['fence', 60, 0, 'B1']), planned(['paste', 75, 0], ['fence', 60, 0, 'B1']), CALENDAR);
  expect(said[1]!.replaceAll('\u00a0', ' ')).toContain('no longer fits on Mon 30 Nov, where 45 min without a break are left');
});

test('a longer wait that runs past closing time is named', () => {
  const said = shiftOf(planned(['paste', 60, 20], ['base', 30, 0]), planned(['paste', 60, 90], ['base', 30, 0]), CALENDAR);
  expect(said[1]).toBe('base can no longer start on Mon 30 Nov: it waits for paste until Mon 30 Nov, 22:30. It starts on Wed 2 Dec.');
});

test('what comes nearer says where it found room; what is new or gone is listed', () => {
  const [far, near] = [planned(['paste', 100, 0], ['base', 30, 0]), planned(['paste', 90, 0], ['base', 30, 0])];
  expect(shiftOf(far, near, CALENDAR)[1]).toBe('base now fits on Mon 30 Nov; before, it started on Wed 2 Dec.');
  const more = planned(['paste', 90, 0], ['base', 30, 0], ['wash', 20, 0]);
  expect(shiftOf(near, more, CALENDAR)).toContain('New work: wash.');
  expect(shiftOf(more, near, CALENDAR)).toContain('Removed tasks: wash.');
});

test('for every wider channel of Brinefold that moves its date there is a reason that names a task', () => {
  const plan = brinefold(CATALOGUE);
  const before = derived(plan).days;
  let moved = 0;
  for (const widthMm of [70, 85, 92, 110, 140]) {
    const after = derived(appliedTo(plan, { code: 'feature/width', featureId: 'channel', widthMm })).days;
    if (after.ready!.at.value === before.ready!.at.value) continue;
    moved += 1;
    expect(shiftOf(before, after, plan.calendar).length).toBeGreaterThan(2);
  }
  expect(moved).toBeGreaterThan(0);
});
