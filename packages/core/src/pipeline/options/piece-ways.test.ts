import { describe, expect, test } from 'vitest';
import { newPiece } from '../../build/pieces';
import { appliedTo } from '../../plan/edits';
import { CATALOGUE, aBoard } from '../../testing';
import { derivePipeline } from '../full';
import { pieceWaysOf, pieceWork } from './piece-ways';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const withPiece = (family: Parameters<typeof newPiece>[0]) => ({ ...aBoard(), pieces: [newPiece(family, 'one', SCALE, [], CATALOGUE)] });

describe('ways to make a piece', () => {
  const plan = withPiece('floor-tiles');
  const ways = [...pieceWaysOf(plan, 'one', CATALOGUE)].at(-1)!.ways;
  test('are all its family knows, the chosen one marked, each to choose by an edit', () => {
    expect(ways.map(({ isOwn }) => isOwn)).toEqual([false, true, false]);
    for (const { edit } of ways)
      expect(appliedTo(plan, edit).pieces[0]!.settings).not.toEqual(edit === ways[1]!.edit ? {} : plan.pieces[0]!.settings);
  });
  test('come to what the days say, to the minute, once they are chosen', () => {
    for (const { edit, work } of ways)
      expect(pieceWork(derivePipeline()(appliedTo(plan, edit), CATALOGUE), 'one', 'Floor').value).toBeCloseTo(work.value, 9);
    const [cut, trimmed, squares] = ways.map(({ work }) => work.value);
    // Roughly cut floors are not marked, nor brought flush; 48 squares are more to cut and lay than 18 floors.
    expect(trimmed).toBeLessThan(cut! * 0.9);
    expect(squares).toBeGreaterThan(trimmed!);
  });
  test('there are none of a piece that is made one way only', () =>
    expect([...pieceWaysOf(withPiece('heap'), 'one', CATALOGUE)]).toEqual([]));
});
