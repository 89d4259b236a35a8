import { describe, expect, test } from 'vitest';
import { regionBox } from '../../../base/geometry';
import { CATALOGUE } from '../../../testing';
import { type FamilyName, type MadePiece, makePiece, newPiece } from '..';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const made = (family: FamilyName, settings: Readonly<Record<string, string | number | boolean>>): MadePiece => {
  const piece = newPiece(family, 'one', SCALE, [], CATALOGUE);
  const of = makePiece({ ...piece, settings: { ...piece.settings, ...settings } }, SCALE, CATALOGUE);
  expect(of.problem).toBeNull();
  return of;
};
const wideMm = (of: MadePiece, id: string): number => regionBox(of.objects[0]!.sheets.find((one) => one.id === id)!.blank).right;

describe('a pillared floor', () => {
  const of = made('pillared-floor', { basesWide: 6, basesDeep: 4, insetMm: 10, spacingMm: 35, steps: 3, treadMm: 12 });
  test('has columns round its edge at equal gaps, as near to the wanted ones as their number allows', () => {
    // 150 − 20 mm in four gaps of 32.5, 100 − 20 mm in two of 40: five and three, corners counted once.
    const columns = of.objects[0]!.bodies.filter(({ id }) => id.startsWith('column-'));
    expect(columns).toHaveLength(2 * 5 + 2 * 3 - 4);
    expect(of.shape!.facts!.find(({ label }) => label === 'Column spacing')!.value).toBeCloseTo(32.5, 9);
    expect(
      made('pillared-floor', { columns: 'all-over', insetMm: 10, spacingMm: 35 }).objects[0]!.bodies.filter(({ id }) =>
        id.startsWith('column-'),
      ),
    ).toHaveLength(15);
    expect(
      made('pillared-floor', { columns: 'front-and-back', insetMm: 10, spacingMm: 35 }).objects[0]!.bodies.filter(({ id }) =>
        id.startsWith('column-'),
      ),
    ).toHaveLength(10);
  });
  test('each step reaches a tread further than the one above it, flagged on that alone', () => {
    expect([1, 2, 3].map((step) => wideMm(of, `core-${step}`))).toEqual([150, 174, 198].map((mm) => expect.closeTo(mm, 6)));
    const flagged = of.objects[0]!.sheets.filter(({ id }) => id.startsWith('tread-3-'));
    const mm2 = flagged.reduce((sum, { blank }) => sum + regionBox(blank).right * regionBox(blank).bottom, 0);
    // The ring between 198 × 148 and 174 × 124 mm, less the hair of room round what stands in it.
    expect(mm2).toBeCloseTo(198 * 148 - 174.5 * 124.5, 3);
  });
});

test('layers are glued over the smaller of two faces; a roof that lifts off is not', () => {
  const glued = (roof: boolean): number => {
    const { facts, piece } = made('pillared-floor', { basesWide: 6, basesDeep: 4, steps: 2, treadMm: 10, roof });
    const adhesive = CATALOGUE.adhesives.find(({ id }) => id === piece.glueId)!;
    return (facts!.glue.value / adhesive.gPerM2.value) * 1e6;
  };
  // Flags on the upper filling, that on the lower, and the treads: 170 × 120 less 150.5 × 100.5 mm.
  expect(glued(false)).toBeCloseTo(150 * 100 + 150 * 100 + (170 * 120 - 150.5 * 100.5), 1);
  expect(glued(true)).toBeCloseTo(glued(false), 6);
});

describe('loose floor tiles', () => {
  test('in single squares have one for each square of the grid, half a gutter in all round', () => {
    const of = made('floor-tiles', { ones: 1, twos: 1, fours: 1, longs: 0, squareMm: 30, gutterMm: 2, made: 'squares' });
    expect(of.objects.map(({ sheets }) => sheets.filter(({ id }) => id.startsWith('square-')).length)).toEqual([1, 2, 4]);
    expect(wideMm(of, 'square-1')).toBeCloseTo(28, 6);
  });
  test('are timed in all three ways side by side; trimmed along the boards beats measuring every cut', () => {
    const { ways } = made('floor-tiles', { ones: 10, twos: 0, fours: 10, longs: 0 }).facts!;
    const { measuredCutMin: m, guidedCutMin: g, laidByHandMin: l } = CATALOGUE.bench;
    expect(ways.map(({ time }) => time.value)).toEqual([
      expect.closeTo(80 * m.value + 20 * l.value, 6),
      expect.closeTo(40 * m.value + 80 * g.value + 20 * l.value, 6),
      expect.closeTo(40 * m.value + 100 * m.value + 50 * l.value, 6),
    ]);
    expect(ways[1]!.time.value).toBeLessThan(ways[0]!.time.value);
    const piece = { ...newPiece('floor-tiles', 'one', SCALE, [], CATALOGUE), count: 4 };
    const one = makePiece({ ...piece, count: 1 }, SCALE, CATALOGUE).facts!.ways[0]!.time.value;
    expect(makePiece(piece, SCALE, CATALOGUE).facts!.ways[0]!.time.value).toBeCloseTo(4 * one, 6);
  });
});
