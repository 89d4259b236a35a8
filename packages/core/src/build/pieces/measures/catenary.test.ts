import { describe, expect, test } from 'vitest';
import { CATALOGUE } from '../../../testing';
import { makePiece, newPiece } from '../index';
import { catenary, hangsMm } from './catenary';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };

describe('a slack cable', () => {
  test.each([
    [125, 0, 0.04],
    [125, 37.3, 0.04],
    [310.7, 12.9, 0.005],
    [88.4, 160, 0.6],
    [500, 0, 0.0101],
  ])('over %d mm, rising %d mm, slack %d: as long as asked, through both ends', (span, rise, slack) => {
    const hung = catenary(span, rise, slack);
    // its length summed along ten thousand chords
    let length = 0;
    for (let i = 0; i < 10_000; i++) {
      const [a, b] = [(span * i) / 10_000, (span * (i + 1)) / 10_000];
      length += Math.hypot(b - a, hangsMm(hung, b) - hangsMm(hung, a));
    }
    expect(length).toBeCloseTo(Math.hypot(span, rise) * (1 + slack), 3);
    expect(hung.lengthMm).toBeCloseTo(length, 3);
    expect(hangsMm(hung, span) - hangsMm(hung, 0)).toBeCloseTo(rise, 6);
  });

  test('is no parabola: level ends, sag from its own stretch', () => {
    const hung = catenary(200, 0, 0.3);
    expect(hung.lowAtMm).toBeCloseTo(100, 9);
    expect(hangsMm(hung, 0)).toBeCloseTo(hung.aMm * (Math.cosh(100 / hung.aMm) - 1), 9);
  });

  test('its wires are bought, each as long as it hangs', () => {
    const piece = newPiece('cable', 'one', SCALE, [], CATALOGUE);
    const wires = makePiece(piece, SCALE, CATALOGUE).lengths.filter(({ lengthId }) => lengthId === 'wire-0-8');
    expect(wires.map(({ lengthMm }) => lengthMm)).toEqual([expect.closeTo(130, 6), expect.closeTo(130, 6)]);
  });

  test('that would lie on the ground is refused, with what would do', () => {
    const fresh = newPiece('cable', 'one', SCALE, [], CATALOGUE);
    const piece = { ...fresh, settings: { ...fresh.settings, slackPct: 60 } };
    const { problem } = makePiece(piece, SCALE, CATALOGUE);
    expect(problem!.field).toBe('slackPct');
    const most = Number(/([\d.]+) % or less/.exec(problem!.says)![1]);
    expect(makePiece({ ...piece, settings: { ...piece.settings, slackPct: most } }, SCALE, CATALOGUE).problem).toBeNull();
    expect(makePiece({ ...piece, settings: { ...piece.settings, slackPct: most + 0.5 } }, SCALE, CATALOGUE).problem).not.toBeNull();
  });
});
