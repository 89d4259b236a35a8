import { expect, test } from 'vitest';
import { seeded } from '@spare-acre/core/base/random';
import { brinefold } from '@spare-acre/core/demo';
import { type Board, changesBetween } from '@spare-acre/core/plan';
import { type Edit, applied } from '@spare-acre/core/plan/edits';
import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { CATALOGUE } from '../testing/world';
import { NO_HISTORY, type UndoHistory, changesOf, redoLast, undoLast, withStep } from './history';

const START: Board = { plan: brinefold(CATALOGUE), record: NOTHING_DONE };
const rename = (name: string): Edit => ({ code: 'board/rename', name });
const figure = (mm: number): Edit => ({ code: 'board/figure-height', mm });
interface Page {
  readonly board: Board;
  readonly history: UndoHistory;
}
const did = ({ board, history }: Page, edit: Edit, gesture: string | null = null): Page => {
  const after = applied(board, edit);
  return { board: after, history: withStep(history, { name: edit.code, gesture, before: board, after }) };
};
const elsewhere = ({ board, history }: Page, edit: Edit): Page => ({ board: applied(board, edit), history });
const page: Page = { board: START, history: NO_HISTORY };
const undone = ({ board, history }: Page): Page => {
  const { changes, history: next } = undoLast(board, history)!;
  return { board: applied(board, { code: 'board/change', changes, why: '' }), history: next };
};

test('what is undone can be done again, in order', () => {
  const two = did(did(page, rename('a')), rename('b'));
  const back = undone(two);
  expect(back.board.plan.name).toBe('a');
  expect(undone(back).board.plan.name).toBe('Brinefold Saltworks');
  const again = redoLast(back.board, back.history)!;
  expect(applied(back.board, { code: 'board/change', changes: again.changes, why: '' }).plan.name).toBe('b');
  expect(again.history).toEqual(two.history);
});

test('a new step forgets what had been undone', () => {
  const back = did(undone(did(page, rename('a'))), rename('b'));
  expect(redoLast(back.board, back.history)).toBeNull();
});

test('the edits of one drag are one step, as large as what changed and no larger however many frames it was', () => {
  const ring = (frame: number) => Array.from({ length: 300 }, (_, i) => ({ x: i + frame / 7, y: (i * 3) % 400 }));
  let drawn: Page = page;
  for (let frame = 1; frame <= 1_800; frame++)
    drawn = did(
      drawn,
      { code: 'feature/set', featureId: 'mound', change: { shape: { kind: 'area', points: ring(frame) } as never }, what: 'Drag' },
      'drag',
    );
  expect(drawn.history.done).toHaveLength(1);
  expect(JSON.stringify(changesOf(drawn.history.done[0]!)).length).toBeLessThan(1_000_000);
  expect(undone(drawn).board).toEqual(START);
  expect(did(drawn, rename('other'), 'drag 2').history.done).toHaveLength(2);
});

test('a gesture that somebody else’s change came into goes on as another step, and neither takes theirs back', () => {
  const mine = did(elsewhere(did(page, figure(30), 'drag'), rename('Theirs')), figure(31), 'drag');
  expect(mine.history.done).toHaveLength(2);
  const back = undone(undone(mine));
  expect([back.board.plan.name, back.board.plan.figureHeightMm]).toEqual(['Theirs', START.plan.figureHeightMm]);
});

test('undo changes my places alone: what was saved elsewhere meanwhile stays', () => {
  const back = undone(elsewhere(did(page, figure(30)), rename('Theirs')));
  expect([back.board.plan.name, back.board.plan.figureHeightMm]).toEqual(['Theirs', START.plan.figureHeightMm]);
});

test('a step that somebody changed since is refused by name, and the steps before it can still be undone', () => {
  const both = elsewhere(did(did(page, rename('Mine')), figure(30)), figure(15));
  const refused = undoLast(both.board, both.history)!;
  expect(refused.blocked).toEqual(['the figure height']);
  const before = undoLast(both.board, refused.history)!;
  expect([before.step.name, before.blocked]).toEqual(['board/rename', []]);
});

test('nothing to undo is null, and a session of edits is kept, not more', () => {
  expect(undoLast(START, NO_HISTORY)).toBeNull();
  const many = Array.from({ length: 500 }, (_, i) => rename(`${i}`)).reduce((at, edit) => did(at, edit), page);
  expect(many.history.done).toHaveLength(200);
  expect(many.history.done.at(-1)!.after.plan.name).toBe('499');
});

test('any order of my edits and theirs (seed 7): undoing all of mine leaves what they alone would have made', () => {
  const random = seeded(7);
  for (let round = 0; round < 200; round++) {
    let both: Page = page;
    let alone = START;
    for (let i = 0; i < 8; i++) {
      const isMine = random() < 0.5;
      const own = both.board.plan.features.filter((_, n) => (n % 2 === 0) === isMine);
      const featureId = own[Math.floor(random() * own.length)]!.id;
      const edit: Edit = { code: 'feature/set', featureId, change: { name: `${round}/${i}` }, what: 'Name' };
      both = isMine ? did(both, edit) : elsewhere(both, edit);
      if (!isMine) alone = applied(alone, edit);
    }
    while (both.history.done.length > 0) both = undone(both);
    expect(changesBetween(both.board, alone)).toEqual([]);
  }
});
