import { describe, expect, test } from 'vitest';
import { CATALOGUE } from '../../../testing';
import type { Piece } from '../../../plan';
import { FAMILY_NAMES, type FamilyName, makePiece, newPiece } from '..';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const aPiece = (family: FamilyName, settings: Piece['settings'] = {}, own: Partial<Piece> = {}): Piece => {
  const fresh = newPiece(family, 'one', SCALE, [], CATALOGUE);
  return { ...fresh, ...own, settings: { ...fresh.settings, ...settings } };
};
const made = (piece: Piece) => makePiece(piece, SCALE, CATALOGUE);
const toCoatM2 = (piece: Piece): number => made(piece).facts!.outside.value / 1e6;
const withLengths = (piece: Piece, ids: Readonly<Record<string, string>>): Piece => ({
  ...piece,
  lengths: piece.lengths.map((one) => ({ ...one, lengthId: ids[one.role] ?? one.lengthId })),
});

test.each(FAMILY_NAMES)('%s has something to coat', (family) => expect(toCoatM2(aPiece(family))).toBeGreaterThan(0));

describe('3 m of fence, posts of 5 × 5 × 30 every 60 mm, two rails of 3 × 2', () => {
  const fence = withLengths(aPiece('fence', { lengthMm: 3_000, bayMm: 60, heightMm: 30, rails: 2 }), {
    post: 'strip-5x5',
    rail: 'strip-3x2',
  });
  const { objects } = made(fence);
  const bodies = objects.flatMap((object) => object.bodies);
  test('51 posts and 100 rails, each all round but for the foot and where rails meet posts', () => {
    expect(bodies.filter(({ role }) => role === 'post')).toHaveLength(51);
    expect(bodies.filter(({ role }) => role === 'rail')).toHaveLength(100);
    const posts = 51 * (4 * 5 * 30 + 25);
    const rails = 100 * 2 * (2 + 3) * 55;
    const ends = 200 * 2 * 3;
    expect(toCoatM2(fence) * 1e6).toBeCloseTo(posts + rails - ends, 0);
  });
});

describe('a free column, shaft 20 × 70, foot and cap 26 square of 2 mm', () => {
  const column = (ribs: boolean): Piece => {
    const piece = aPiece('column', { acrossMm: 20, heightMm: 70, footOutMm: 3, ribs });
    return {
      ...piece,
      sheets: piece.sheets.map((one) => (one.role === 'foot' ? { ...one, materialId: 'greyboard', thicknessMm: 2 } : one)),
    };
  };
  test('shaft all round; of foot and cap not what the shaft stands on, nor the underside of the foot', () => {
    const square = 26 ** 2;
    const shaft = Math.PI * 10 ** 2;
    const edges = 4 * 26 * 2;
    const wanted = 2 * Math.PI * 10 * 70 + (square - shaft + edges) + (2 * square - shaft + edges);
    // A round is counted in 48 flats where it is covered.
    expect(Math.abs(toCoatM2(column(false)) * 1e6 - wanted) / wanted).toBeLessThan(0.002);
  });
  test('ribs on it add what they show', () => expect(toCoatM2(column(true))).toBeGreaterThan(toCoatM2(column(false))));
});

test('a hill is coated where it shows: what a layer covers of the one below is not, its sides are', () => {
  const hill = made(aPiece('hill'));
  const bodies = hill.objects.flatMap((object) => object.bodies);
  expect(bodies.length).toBeGreaterThan(1);
  const [{ wide, deep, high }] = hill.facts!.sizes as [(typeof hill.facts & object)['sizes'][number]];
  const plan = wide.value * deep.value;
  expect(hill.facts!.outside.value).toBeLessThan(plan + 2 * (wide.value + deep.value) * high.value);
  expect(hill.facts!.outside.value).toBeGreaterThan(plan * 0.6);
});
