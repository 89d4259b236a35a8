import { expect, test } from 'vitest';
import { seeded } from '../base/random';
import { brinefold } from '../demo';
import { NOTHING_DONE } from './workshop';
import { CATALOGUE } from '../testing';
import { sampleEdit } from '../testing/edits';
import { EDIT_CODES, editName } from './edits';

const board = { plan: brinefold(CATALOGUE), record: NOTHING_DONE };
const NAMED = EDIT_CODES.map((code) => [code, sampleEdit(code, board, seeded(5))] as const).filter(([, edit]) => edit !== null);

test('most edits have a sample on the demo board', () => expect(NAMED.length).toBeGreaterThan(EDIT_CODES.length / 2));
// Undo, the version history and notices show it: a sentence, without code, a missing name or a number that is none.
test.each(NAMED)('%s has a name in words', (_code, edit) => {
  expect(editName(edit!, board.plan)).toMatch(/^[A-Z“\d][^{}=`$]*$/u);
  expect(editName(edit!, board.plan)).not.toMatch(/undefined|null|NaN|\[object/);
});
