import { expect, test } from 'vitest';
import { CATALOGUE, aBoard, derived } from '../../testing';
import { brinefold } from '../../demo';
import { appliedTo } from '../../plan/edits';
import { EMPTY_WORKSHOP } from '../../plan/workshop';
import { neededAt, substitutesOf } from '..';

test('what is sold out has its like: each is tried on the whole board, none brings a stop, and taking it gives what was said', () => {
  const plan = aBoard();
  const list = substitutesOf(plan, CATALOGUE, 'adhesives.white-glue');
  expect(list.length).toBeGreaterThan(1);
  for (const { edit, cost, hours, readyText } of list) {
    const after = derived(appliedTo(plan, edit), EMPTY_WORKSHOP);
    expect([after.tally.cost.value, after.tally.handsOn.value, after.tally.readyText]).toEqual([cost.value, hours.value, readyText]);
    expect(JSON.stringify(appliedTo(plan, edit).stack)).not.toContain('white-glue');
  }
  const before = derived(plan, EMPTY_WORKSHOP).warnings.filter(({ severity }) => severity === 'stop').length;
  for (const { edit } of list)
    expect(
      derived(appliedTo(plan, edit), EMPTY_WORKSHOP).warnings.filter(({ severity }) => severity === 'stop').length,
    ).toBeLessThanOrEqual(before);
  expect(list.map(({ cost }) => cost.value)).toEqual(list.map(({ cost }) => cost.value).sort((a, b) => a - b));
});

test('of a coating only what is put on in the same way for the same use; of a tool nothing', () => {
  const plan = brinefold(CATALOGUE);
  const used = plan.surfaces.flatMap(({ coats }) => coats).map(({ coatingId }) => CATALOGUE.coatings.find(({ id }) => id === coatingId)!);
  const varnish = used.find(({ family }) => family === 'varnish' || family === 'sealer')!;
  for (const { stockId } of substitutesOf(plan, CATALOGUE, `coatings.${varnish.id}`, EMPTY_WORKSHOP)) {
    const other = CATALOGUE.coatings.find(({ id }) => `coatings.${id}` === stockId)!;
    expect([other.family, other.spread.by]).toEqual([varnish.family, varnish.spread.by]);
  }
  expect(substitutesOf(plan, CATALOGUE, 'tools.knife')).toEqual([]);
});

test('everything is needed by when the first task begins that takes it', () => {
  const own = derived(aBoard(), EMPTY_WORKSHOP);
  const glue = own.steps.filter(({ asks }) => asks.stockIds.includes('white-glue')).flatMap(({ tasks }) => tasks.map(({ id }) => id));
  const first = Math.min(...own.days.slots.filter(({ task }) => glue.includes(task.id)).map(({ startMin }) => startMin));
  expect(neededAt(own).get('white-glue')).toBe(first);
});
