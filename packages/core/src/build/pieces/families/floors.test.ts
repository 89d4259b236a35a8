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
  const columns = made('pillared-floor', { basesWide: 6, basesDeep: 4, steps: 2, treadMm: 10, roof: true }).objects[0]!.bodies.filter(
    (body) => body.kind === 'rod',
  );
  // Flags on the upper filling, that on the lower, the treads: 170 × 120 less 150.5 × 100.5 mm, and the walls of the columns under and over them, each a polygon of 48 sides.
  const feet = columns.reduce((sum, { radiusMm, boreMm }) => sum + 2 * 24 * (radiusMm ** 2 - boreMm ** 2) * Math.sin(Math.PI / 24), 0);
  expect(columns).toHaveLength(12);
  expect(glued(false)).toBeCloseTo(150 * 100 + 150 * 100 + (170 * 120 - 150.5 * 100.5) + feet, 0);
  expect(glued(true)).toBeCloseTo(glued(false), 6);
});

describe('loose floor tiles', () => {
  test('in single squares have one for each square of the grid, half a gutter in all round', () => {
    const of = made('floor-tiles', { ones: 1, twos: 1, fours: 1, longs: 0, squareMm: 30, gutterMm: 2, made: 'squares' });
    expect(of.objects.map(({ sheets }) => sheets.filter(({ id }) => id.startsWith('square-')).length)).toEqual([1, 2, 4]);
    expect(wideMm(of, 'square-1')).toBeCloseTo(28, 6);
  });
  test('glued oversize are cut roughly, and trimmed along their four edges instead of being fitted', () => {
    const of = made('floor-tiles', { ones: 12, twos: 0, fours: 0, longs: 0, squareMm: 30, made: 'trimmed-after' });
    const tops = of.parts.filter(({ isRough }) => isRough === true);
    expect(tops.map(({ widthMm, depthMm }) => [widthMm, depthMm])).toEqual(Array.from({ length: 12 }, () => [38, 38]));
    expect(of.facts!.joining.map(({ sizes }) => sizes.length)).toEqual([0, 12, 48]);
    const exact = made('floor-tiles', { ones: 12, twos: 0, fours: 0, longs: 0, squareMm: 30, made: 'cut-to-size' });
    expect(exact.facts!.joining.map(({ sizes }) => sizes.length)).toEqual([0, 12, 0]);
  });
  test('up to ten equal squares are fitted one by one, more are laid', () => {
    const laid = (ones: number) =>
      made('floor-tiles', { ones, twos: 0, fours: 0, longs: 0, made: 'squares' }).facts!.joining.map(({ sizes }) => sizes.length);
    expect([laid(10), laid(11)]).toEqual([
      [10, 0, 0],
      [0, 11, 0],
    ]);
  });
  test('of any other size have as many squares as it says', () => {
    const of = made('floor-tiles', { ones: 0, twos: 0, fours: 0, longs: 0, others: 4, otherAcross: 10, otherDeep: 10, made: 'squares' });
    expect(of.parts.filter(({ name }) => name.includes('square'))).toHaveLength(400);
  });
});
