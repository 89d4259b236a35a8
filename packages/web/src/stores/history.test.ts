import { expect, test } from 'vitest';
import { type Deed, NO_HISTORY, redoLast, undoLast, withDeed } from './history';

const deed = (name: string, gesture: string | null = null): Deed => ({
  name,
  gesture,
  patches: [{ op: 'replace', path: ['name'], value: name }],
  inverse: [{ op: 'replace', path: ['name'], value: `before ${name}` }],
});

test('what is undone can be done again, in order', () => {
  const two = withDeed(withDeed(NO_HISTORY, deed('a')), deed('b'));
  const back = undoLast(two)!;
  expect(back.deed.name).toBe('b');
  expect(undoLast(back.history)!.deed.name).toBe('a');
  expect(redoLast(back.history)!.history).toEqual(two);
});

test('a new deed forgets what had been undone', () => {
  const { history } = undoLast(withDeed(NO_HISTORY, deed('a')))!;
  expect(redoLast(withDeed(history, deed('b')))).toBeNull();
});

test('the edits of one drag are one deed; the way back runs through them last to first', () => {
  const dragged = [1, 2, 3].reduce((history, n) => withDeed(history, deed(`step ${n}`, 'drag')), NO_HISTORY);
  expect(dragged.done).toHaveLength(1);
  expect(dragged.done[0]!.patches.map(({ value }) => value as string)).toEqual(['step 1', 'step 2', 'step 3']);
  expect(dragged.done[0]!.inverse.map(({ value }) => value as string)).toEqual(['before step 3', 'before step 2', 'before step 1']);
  expect(withDeed(dragged, deed('other', 'drag 2')).done).toHaveLength(2);
});

test('nothing to undo is null, and an evening of edits is kept, not more', () => {
  expect(undoLast(NO_HISTORY)).toBeNull();
  const many = Array.from({ length: 500 }, (_, i) => deed(`${i}`)).reduce(withDeed, NO_HISTORY);
  expect(many.done).toHaveLength(200);
  expect(many.done.at(-1)!.name).toBe('499');
});
