import { expect, test } from 'vitest';
import { seeded } from '../base/random';
import { brinefold } from '../demo';
import { NOTHING_DONE } from './workshop';
import { sampleEdit } from '../testing/edits';
import { CATALOGUE, aBoard, aMound } from '../testing';
import { type Board, blockedChanges, changesBetween, reversed, subjectsOf, withChanges } from '.';
import { EDIT_CODES, type Edit, applied } from './edits';

const FULL: Board = { plan: brinefold(CATALOGUE), record: NOTHING_DONE };
const SMALL: Board = {
  plan: aBoard({}, aMound([0, 0, 90, 90], 20, 'a'), aMound([100, 0, 90, 90], 20, 'b'), aMound([200, 0, 90, 90], 20, 'c')),
  record: NOTHING_DONE,
};
const raise = (board: Board, featureId: string, heightMm: number): Board =>
  applied(board, { code: 'feature/set', featureId, change: { heightMm }, what: 'Raise' });
const heightOf = ({ plan }: Board, id: string): unknown =>
  (plan.features.find((one) => one.id === id) as { heightMm?: number } | undefined)?.heightMm;

test.each(EDIT_CODES)('%s: its changes lead there and back, and leave alone what they do not touch', (code) => {
  for (let seed = 1; seed <= 6; seed++) {
    const edit: Edit | null = sampleEdit(code, FULL, seeded(seed));
    if (edit === null) continue;
    const after = applied(FULL, edit);
    const changes = changesBetween(FULL, after);
    expect(withChanges(FULL, changes)).toEqual(after);
    expect(withChanges(after, reversed(changes))).toEqual(FULL);
    expect(blockedChanges(FULL, changes)).toEqual([]);
    expect(blockedChanges(after, reversed(changes))).toEqual([]);
    const there = withChanges(FULL, changes);
    for (const feature of after.plan.features)
      if (FULL.plan.features.includes(feature)) expect(there.plan.features.includes(feature)).toBe(true);
  }
});

test('a plan that was read anew and says the same has no changes', () => {
  expect(changesBetween(FULL, structuredClone(FULL))).toEqual([]);
});

test('one height is one change, at the feature by its id and not by its place in the list', () => {
  const changes = changesBetween(SMALL, raise(SMALL, 'b', 35));
  expect(changes).toEqual([{ at: ['plan', 'features', { key: 'id', is: 'b' }, 'heightMm'], was: 20, now: 35 }]);
  const shorter = applied(SMALL, { code: 'features/remove', featureIds: ['a'] });
  expect(heightOf(withChanges(shorter, changes), 'b')).toBe(35);
});

test('undone beside the work of others: my height goes back, theirs stays', () => {
  const mine = raise(SMALL, 'a', 50);
  const both = raise(mine, 'b', 60);
  const undone = withChanges(both, reversed(changesBetween(SMALL, mine)));
  expect([heightOf(undone, 'a'), heightOf(undone, 'b')]).toEqual([20, 60]);
});

test('what somebody else changed at the same place blocks it, and is named', () => {
  const mine = raise(SMALL, 'a', 50);
  const back = reversed(changesBetween(SMALL, mine));
  const theirs = raise(mine, 'a', 70);
  const blocked = blockedChanges(theirs, back);
  expect(blocked).toHaveLength(1);
  expect(subjectsOf(theirs, blocked)).toEqual([`“${theirs.plan.features[0]!.name}”`]);
  const gone = applied(mine, { code: 'features/remove', featureIds: ['a'] });
  expect(blockedChanges(gone, back)).toHaveLength(1);
  expect(withChanges(gone, back)).toEqual(gone);
});

test('two that were taken out of the middle come back where they stood, also where another was added since', () => {
  const without = applied(SMALL, { code: 'features/remove', featureIds: ['a', 'b'] });
  const back = reversed(changesBetween(SMALL, without));
  const others = { ...without, plan: { ...without.plan, features: [...without.plan.features, aMound([0, 200, 90, 90], 9, 'd')] } };
  expect(withChanges(others, back).plan.features.map(({ id }) => id)).toEqual(['a', 'b', 'c', 'd']);
});

test('an order is changed back as an order: heights that others set meanwhile stay', () => {
  const turned = { ...SMALL, plan: { ...SMALL.plan, features: SMALL.plan.features.toReversed() } };
  const back = reversed(changesBetween(SMALL, turned));
  const undone = withChanges(raise(turned, 'c', 44), back);
  expect(undone.plan.features.map(({ id }) => id)).toEqual(['a', 'b', 'c']);
  expect(heightOf(undone, 'c')).toBe(44);
});

test('ticks are single entries: undoing mine leaves those that came from another device', () => {
  const tick = (board: Board, taskId: string): Board => ({
    ...board,
    record: {
      ...board.record,
      doneTasks: {
        ...board.record.doneTasks,
        [taskId]: { at: { day: '2026-12-01', atMin: 900 }, part: null, by: '', workedMin: null, uses: [] },
      },
    },
  });
  const mine = tick(SMALL, 't1');
  const undone = withChanges(tick(mine, 't2'), reversed(changesBetween(SMALL, mine)));
  expect(Object.keys(undone.record.doneTasks)).toEqual(['t2']);
});
