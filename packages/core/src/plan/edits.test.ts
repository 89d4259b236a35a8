import { describe, expect, test } from 'vitest';
import { aBoard } from '../testing';
import type { OwnPaint, Plan, TableNote, TestPiece } from '.';
import { appliedTo } from './edits';

const PLAN = aBoard();
const paint = (id: string, hex = '#405060'): OwnPaint => ({ id, name: `Own ${id}`, hex, tintingStrength: 1 });
const testPiece = (id: string, note = ''): TestPiece => ({ id, name: `Tried ${id}`, relief: 'earth', coats: [], note, imageId: null });
const note = (id: string, isDone = false): TableNote => ({ id, at: { x: 40, y: 60 }, words: `Note ${id}`, day: '2026-12-06', isDone });
const after = (...edits: Parameters<typeof appliedTo>[1][]): Plan => edits.reduce(appliedTo, PLAN);

describe('what is kept anew stays in its turn, and what is new comes last', () => {
  test('a paint that is mixed otherwise', () => {
    const { paints } = after(...['a', 'b', 'c'].map((id) => ({ code: 'paint/keep', paint: paint(id) }) as const), {
      code: 'paint/keep',
      paint: paint('b', '#aa3311'),
    });
    expect(paints.map(({ id, hex }) => [id, hex])).toEqual([
      ['a', '#405060'],
      ['b', '#aa3311'],
      ['c', '#405060'],
    ]);
  });
  test('a test piece that more is said of', () => {
    const { testPieces } = after(...['a', 'b'].map((id) => ({ code: 'test-piece/keep', testPiece: testPiece(id) }) as const), {
      code: 'test-piece/keep',
      testPiece: testPiece('a', 'It shouts.'),
    });
    expect(testPieces.map(({ id, note: said }) => [id, said])).toEqual([
      ['a', 'It shouts.'],
      ['b', ''],
    ]);
  });
  test('a note on the table that is settled: the pins of the others keep their numbers', () => {
    const { tableNotes } = after(...['a', 'b', 'c'].map((id) => ({ code: 'table-note/put', note: note(id) }) as const), {
      code: 'table-note/put',
      note: note('a', true),
    });
    expect(tableNotes.map(({ id, isDone }) => [id, isDone])).toEqual([
      ['a', true],
      ['b', false],
      ['c', false],
    ]);
  });
});
