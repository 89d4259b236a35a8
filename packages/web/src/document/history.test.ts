import { expect, test } from 'vitest';
import { type HistoryStep, NO_HISTORY, redoLast, undoLast, withStep } from './history';

const step = (name: string, gesture: string | null = null): HistoryStep => ({
  name,
  gesture,
  patches: [{ op: 'replace', path: ['name'], value: name }],
  inverse: [{ op: 'replace', path: ['name'], value: `before ${name}` }],
});

test('what is undone can be done again, in order', () => {
  const two = withStep(withStep(NO_HISTORY, step('a')), step('b'));
  const back = undoLast(two)!;
  expect(back.step.name).toBe('b');
  expect(undoLast(back.history)!.step.name).toBe('a');
  expect(redoLast(back.history)!.history).toEqual(two);
});

test('a new step forgets what had been undone', () => {
  const { history } = undoLast(withStep(NO_HISTORY, step('a')))!;
  expect(redoLast(withStep(history, step('b')))).toBeNull();
});

test('the edits of one drag are one step; the way back runs through them last to first', () => {
  const dragged = [1, 2, 3].reduce((history, n) => withStep(history, step(`step ${n}`, 'drag')), NO_HISTORY);
  expect(dragged.done).toHaveLength(1);
  expect(dragged.done[0]!.patches.map(({ value }) => value as string)).toEqual(['step 1', 'step 2', 'step 3']);
  expect(dragged.done[0]!.inverse.map(({ value }) => value as string)).toEqual(['before step 3', 'before step 2', 'before step 1']);
  expect(withStep(dragged, step('other', 'drag 2')).done).toHaveLength(2);
});

test('nothing to undo is null, and an evening of edits is kept, not more', () => {
  expect(undoLast(NO_HISTORY)).toBeNull();
  const many = Array.from({ length: 500 }, (_, i) => step(`${i}`)).reduce(withStep, NO_HISTORY);
  expect(many.done).toHaveLength(200);
  expect(many.done.at(-1)!.name).toBe('499');
});
