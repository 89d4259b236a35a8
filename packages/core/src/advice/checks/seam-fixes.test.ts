import { aBoard, aPit, aPlot, aTrack, CATALOGUE, mended } from '../../testing';
import { describe, expect, test } from 'vitest';
import { derivePipeline } from '../../pipeline';
import type { Feature } from '../../plan/features';
import type { Plan } from '../../plan';

/** Two tiles of 400 × 400 mm that meet at x = 400. */
const BOARD = { widthMm: 800, depthMm: 400, columns: 2, rows: 1 } as const;
const warningsOf = (plan: Plan) => derivePipeline()(plan, CATALOGUE).warnings;
const endsOf = (plan: Plan) => warningsOf(plan).find(({ code }) => code === 'seam/ends');
const aChannel = (points: readonly (readonly [number, number])[], widthMm: number): Feature =>
  ({
    ...aPit([0, 0, 1, 1], 8, 'channel'),
    kind: 'water',
    waterMm: 4,
    shape: { form: 'strip', points: points.map(([x, y]) => ({ x, y })), widthMm, bendMm: 0 },
  }) as Feature;

/** Every mend is tried alone, and leaves nothing of the seam to warn of. */
function expectCleared(plan: Plan): readonly string[] {
  const { mends } = endsOf(plan)!;
  for (const mend of mends)
    expect(
      warningsOf(mended(plan, mend))
        .filter(({ code }) => code.startsWith('seam/'))
        .map(({ id }) => id),
      mend.label,
    ).toEqual([]);
  return mends.map(({ label }) => label);
}

describe('something that ends at a joint', () => {
  test('a track from the left: on over the joint, or 10 mm short of it', () => {
    const plan = aBoard(
      BOARD,
      aTrack(
        [
          [0, 200],
          [400, 200],
        ],
        40,
      ),
    );
    expect(expectCleared(plan)).toEqual(['Extend track across the seam', 'End track 10 mm before the seam']);
    const run = mended(plan, endsOf(plan)!.mends[0]!).features[0]!;
    expect(run.shape.form === 'strip' && run.shape.points.at(-1)).toEqual({ x: 410, y: 200 });
  });
  test('a channel that begins at the joint and goes right', () => {
    const plan = aBoard(
      BOARD,
      aChannel(
        [
          [400, 200],
          [700, 200],
        ],
        60,
      ),
    );
    expect(expectCleared(plan)).toEqual(['Extend channel across the seam', 'End channel 10 mm before the seam']);
    const short = mended(plan, endsOf(plan)!.mends[1]!).features[0]!;
    expect(short.shape.form === 'strip' && short.shape.points[0]).toEqual({ x: 410, y: 200 });
  });
  test('a channel across the other way, on two tiles one before the other', () => {
    const plan = aBoard(
      { widthMm: 400, depthMm: 800, columns: 1, rows: 2 },
      aChannel(
        [
          [200, 30],
          [200, 400],
        ],
        60,
      ),
    );
    expect(expectCleared(plan)).toHaveLength(2);
  });
  test('a short stub can only go on: there is not enough of it to end sooner', () => {
    const plan = aBoard(
      BOARD,
      aTrack(
        [
          [385, 200],
          [400, 200],
        ],
        40,
      ),
    );
    expect(endsOf(plan)!.mends.map(({ label }) => label)).toEqual(['Extend track across the seam']);
  });
  test('a square pit is moved off', () => {
    const plan = aBoard(BOARD, aPit([250, 100, 150, 100], 8));
    expect(expectCleared(plan)).toEqual(['Move pit 10 mm off the seam']);
  });
  test('what is locked is left alone', () => {
    const plan = aBoard(BOARD, { ...aPit([250, 100, 150, 100], 8), locked: true });
    expect(endsOf(plan)!.mends).toEqual([]);
  });
  test('in inches the label says inches', () => {
    const plan = aBoard({ ...BOARD, units: 'imperial' }, aPit([250, 100, 150, 100], 8));
    expect(endsOf(plan)!.mends.map(({ label }) => label)).toEqual(['Move pit 3/8 in off the seam']);
  });
  test('aslant against a plot that fills the other edge: only short of it, by its corner 14.1 mm ahead of the middle line', () => {
    const plan = aBoard(
      BOARD,
      aTrack(
        [
          [200, 50],
          [400, 250],
        ],
        40,
      ),
      { ...aPlot([400, 0, 100, 400], 30), locked: true },
    );
    const [short] = endsOf(plan)!.mends;
    expect(expectCleared(plan)).toEqual(['End track 10 mm before the seam']);
    expect(short!.edit.code === 'feature/point' && short!.edit.to.x).toBeCloseTo(400 - 10 - 20 * Math.SQRT1_2, 2);
  });
});
