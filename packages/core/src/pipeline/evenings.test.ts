import { describe, expect, test } from 'vitest';
import { type Evenings, betterEvenings } from '../schedule/tasks';
import { brinefold } from '../demo';
import { appliedTo } from '../plan/edits';
import { CATALOGUE } from '../testing';
import { type EarlierOption, earlierOptionsOf } from './options/earlier-options';
import { derivePipeline } from './full';

const plan = brinefold(CATALOGUE);
const derive = derivePipeline();
const own = derive(plan, CATALOGUE);
/** The search's answer after so many looks. */
function found(looks: number): Evenings {
  let last: Evenings | null = null;
  for (const step of betterEvenings(own.steps, { ...plan, doneTasks: {}, spots: own.spots, catalogue: CATALOGUE }, plan.seed)) {
    last = step;
    if (--looks === 0) break;
  }
  return last!;
}

describe('better evenings for Brinefold', () => {
  const best = found(120);
  test('are days earlier than the quick schedule, and not before what no order can beat', () => {
    expect(own.days.ready!.at.value - best.throughMin).toBeGreaterThan(24 * 60);
    expect(best.boundMin).toBeLessThanOrEqual(best.throughMin + 0.5);
    expect(best.boundMin).toBeGreaterThanOrEqual(own.days.bound!.at.value - 0.5);
  });
  test('kept in the plan they are what the tally tells, every task in its turn', () => {
    const kept = derive({ ...plan, calendar: { ...plan.calendar, order: best.order, spared: best.spared } }, CATALOGUE).days;
    expect(kept.ready!.at.value).toBeCloseTo(best.throughMin, 3);
    const endOf = new Map(kept.slots.map((slot) => [slot.task.id, slot.endMin]));
    for (const { task, startMin } of kept.slots)
      for (const { taskId, wait } of task.after)
        expect(startMin).toBeGreaterThanOrEqual(wait.pace.after(endOf.get(taskId)!, wait.stated.value) - 1e-6);
  });
  test('with a helper who may not do all, whose time they keep is kept as well', () => {
    const helped = {
      ...plan,
      people: [...plan.people, { id: 'ash', name: 'Ash', isChild: true, avoids: [], hours: [{ weekday: 6, fromMin: 840, toMin: 1_080 }] }],
    };
    let last: Evenings | null = null;
    const at = { ...helped, doneTasks: {}, spots: own.spots, catalogue: CATALOGUE };
    for (const step of betterEvenings(own.steps, at, 3)) if (((last = step), step.tries > 300)) break;
    const { order, spared, throughMin } = last!;
    const kept = derive({ ...helped, calendar: { ...plan.calendar, order, spared } }, CATALOGUE).days;
    expect(kept.ready!.at.value).toBeLessThanOrEqual(throughMin + 0.5);
  });
  test('an order that has everything the wrong way round breaks no wait', () => {
    const { slots } = derive({ ...plan, calendar: { ...plan.calendar, order: best.order.toReversed() } }, CATALOGUE).days;
    const endOf = new Map(slots.map((slot) => [slot.task.id, slot.endMin]));
    for (const { task, startMin } of slots)
      for (const { taskId, wait } of task.after)
        expect(startMin).toBeGreaterThanOrEqual(wait.pace.after(endOf.get(taskId)!, wait.stated.value) - 1e-6);
  });
  test('an order reserved for a board that has changed since still plans all of it', () => {
    const order = ['gone-A9', ...best.order.slice(5, 60)];
    const kept = derive({ ...plan, calendar: { ...plan.calendar, order } }, CATALOGUE).days;
    expect(kept.slots).toHaveLength(own.days.slots.length);
    expect(kept.ready!.at.value).toBeLessThanOrEqual(own.days.ready!.at.value);
  });
});

describe('a day it is wanted for', () => {
  const lateFor = (deadline: string | null) =>
    derive({ ...plan, calendar: { ...plan.calendar, deadline } }, CATALOGUE).warnings.filter(({ code }) => code === 'days/late');
  test('that is too soon is told with by how much', () => {
    const [late] = lateFor('2026-12-22');
    expect([late!.title, ...late!.text].join(' ')).toMatch(/Tue 22 Dec.*ready Fri 25 Dec.* too late/);
    expect(late!.text.join('')).toContain('3\u00a0d\u00a03\u00a0h');
  });
  test('that no order of work can make says so', () =>
    expect(lateFor('2026-12-10')[0]!.text.join('')).toContain('No schedule can meet this date'));
  test('that it makes, or none: nothing to say', () => expect([...lateFor('2026-12-31'), ...lateFor(null)]).toEqual([]));
});

test('what would bring it forward is each planned anew, the most won first, and taking one gives what was told', () => {
  let options: readonly EarlierOption[] = [];
  for (const progress of earlierOptionsOf(plan, CATALOGUE, undefined)) options = progress.options;
  expect(options.length).toBeGreaterThan(5);
  const won = options.filter(({ costChange }) => costChange.value === 0).map((option) => option.won!.value);
  expect(won).toEqual([...won].sort((a, b) => b - a));
  expect(options.every(({ isInTime }) => isInTime === null)).toBe(true);
  const best = options[0]!;
  expect(best.won!.value).toBeGreaterThan(0);
  const { tally } = derive(appliedTo(plan, best.edit), CATALOGUE);
  expect(tally.readyText).toBe(best.readyText);
  expect(options.map(({ id }) => id)).toEqual(expect.arrayContaining(['air-fan', 'warmer', 'longer']));
});

test('of the ways to bring it forward those that make the day it is wanted for say so', () => {
  let options: readonly EarlierOption[] = [];
  const wanted = { ...plan, calendar: { ...plan.calendar, deadline: '2026-12-25' } };
  for (const progress of earlierOptionsOf(wanted, CATALOGUE, undefined)) options = progress.options;
  for (const { isInTime, edit } of [options.find((one) => one.isInTime === true)!, options.find((one) => one.isInTime === false)!])
    expect(derive(appliedTo(wanted, edit), CATALOGUE).days.late === null).toBe(isInTime);
});
