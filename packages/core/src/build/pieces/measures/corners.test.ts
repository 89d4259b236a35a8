import { describe, expect, test } from 'vitest';
import { areaMm2, regionBox } from '../../../base/geometry';
import { derivePipeline } from '../../../pipeline';
import type { Piece, Plan } from '../../../plan';
import { appliedTo } from '../../../plan/edits';
import { CATALOGUE, aBoard, aPit, aTrack } from '../../../testing';
import { shapeRegion } from '../../../plan/shapes';
import { drawnFor, familyNamed, makePiece, newPiece, takenFromPlan } from '../index';
import { cornerWords, drawnOn, lineIn, ringIn } from './corners';

describe('corners round an outline', () => {
  test.each([
    ['0,0 10', '“10”'],
    ['0,0 10,0', '2 corners'],
    ['0,0 10,10 10,0 0,10', 'crosses itself'],
    ['0,0 4,0 4,4', '8.0 mm²'],
    ['0,0 9000,0 0,90', '5 m'],
  ])('%s is refused: %s', (typed, says) => {
    expect(ringIn('outline', typed)).toMatchObject({
      ok: false,
      problem: { field: 'outline', says: expect.stringContaining(says) as string },
    });
  });

  test('taken from a drawing, whose y runs down, it stands upright from its own corner', () => {
    const drawn = [
      { x: 100, y: 50 },
      { x: 160, y: 50 },
      { x: 160, y: 90 },
    ];
    expect(cornerWords(drawn)).toBe('0,40 60,40 60,0');
    expect(ringIn('outline', cornerWords(drawn)).ok).toBe(true);
  });

  test('either way round is the same piece', () => {
    expect(ringIn('outline', '0,0 0,40 60,40')).toEqual(ringIn('outline', '60,40 0,40 0,0'));
  });
});

describe('corners along a line', () => {
  test.each([
    ['0,0', '1 corners. Enter 2 or more'],
    ['0,0 3,0 60,0', 'corners 1 and 2 are 3.0 mm apart. Enter 10 mm or more'],
    ['0,0 100,0 100,50 50,-50', 'within 0.0 mm of itself'],
    ['0,0 100,0 100,6 0,6', 'apart. Enter 10 mm or more'],
    ['0,0 100,0 150,40 100,6 20,6', 'within 4.7 mm of itself'],
  ])('%s is refused: %s', (typed, says) => {
    expect(lineIn('corners', typed, 10)).toMatchObject({
      ok: false,
      problem: { field: 'corners', says: expect.stringContaining(says) as string },
    });
  });
  test('ends open, or closes where it comes back to its first', () => {
    expect(lineIn('corners', '0,0 60,0 60,60', 10)).toMatchObject({ ok: true, value: { isClosed: false } });
    const closed = lineIn('corners', '0,0 60,0 60,60 0,0', 10);
    expect(closed).toMatchObject({ ok: true, value: { isClosed: true } });
    expect(closed.ok && closed.value.corners.length).toBe(3);
  });
});

test('a fence drawn round a rectangle is cut as one round a yard of that size', () => {
  const scale = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
  const fence = (settings: Piece['settings']): number[] => {
    const piece = newPiece('fence', 'one', scale, [], CATALOGUE);
    const { problem, lengths } = makePiece({ ...piece, settings: { ...piece.settings, ...settings } }, scale, CATALOGUE);
    expect(problem).toBeNull();
    return lengths.map(({ lengthMm }) => Number(lengthMm.toFixed(6))).sort((a, b) => a - b);
  };
  const yard = { course: 'yard', lengthMm: 170, depthMm: 90, fill: 'boards', gateBay: 2 };
  expect(fence({ ...yard, course: 'drawn', corners: '0,0 170,0 170,90 0,90 0,0' })).toEqual(fence(yard));
});

test.each([
  [40, 20],
  [-30, 15],
  [90, 0],
  [110, 10],
])('a post where the line turns by %i° is turned so that rails of both sides end %i° off square', (turnDeg, leanDeg) => {
  const scale = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
  const turn = (turnDeg * Math.PI) / 180;
  const corners = `0,0 100,0 ${(100 + 80 * Math.cos(turn)).toFixed(2)},${(80 * Math.sin(turn)).toFixed(2)}`;
  const piece = newPiece('fence', 'one', scale, [], CATALOGUE);
  const settings = { ...piece.settings, course: 'drawn', corners, bayMm: 200, rails: 1, fill: 'open' };
  const { lengths } = makePiece({ ...piece, settings }, scale, CATALOGUE);
  const rails = lengths.filter(({ name }) => name.includes('rail'));
  expect(rails).toHaveLength(2);
  for (const { endDeg } of rails) expect(Math.max(...endDeg.map(Math.abs))).toBeCloseTo(leanDeg, 1);
});

test('a piece that takes its line from the plan stands on it', () => {
  const scale = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
  const track = aTrack(
    [
      [200, 300],
      [500, 300],
      [600, 380],
    ],
    40,
  );
  const piece = newPiece('fence', 'one', scale, [], CATALOGUE);
  const plan: Plan = { ...aBoard({}, track), pieces: [{ ...piece, settings: { ...piece.settings, course: 'drawn' } }] };
  const [field] = familyNamed('fence').fields.filter(({ drawn }) => drawn === 'line');
  expect(drawnFor(field!, plan.features)).toEqual([track]);
  const taken = takenFromPlan(plan.pieces[0]!, { field: field!, feature: track, id: 'new' }, plan, CATALOGUE);
  const { pieces } = derivePipeline()(appliedTo(plan, taken), CATALOGUE);
  const after = appliedTo(plan, taken);
  const plot = after.features.at(-1)!;
  // The hull of a bent fence juts out of it; no part does.
  expect(derivePipeline()(after, CATALOGUE).warnings.filter(({ code }) => code === 'piece/plot-small')).toEqual([]);
  // Along the line and no more: a box round it would be eight times as much.
  expect(areaMm2(shapeRegion(plot.shape))).toBeLessThan(430 * 24);
  const { left, right, top, bottom } = regionBox(pieces.standing[0]!.upright.ground);
  // The middle of the posts is the middle of the line, whatever slant its ends have; they reach a little over them.
  expect(Math.abs((left + right) / 2 - 400)).toBeLessThan(0.7);
  expect(Math.abs((top + bottom) / 2 - 340)).toBeLessThan(0.7);
  expect(right - left).toBeGreaterThan(400);
});

test('a feature gives its middle line or its outline, whichever is asked for', () => {
  const track = aTrack(
    [
      [0, 0],
      [100, 0],
    ],
    40,
  );
  expect(drawnOn(track, 'line')).toEqual([
    { x: 0, y: 0 },
    { x: 100, y: 0 },
  ]);
  expect(drawnOn(track, 'outline')).toBeNull();
  expect(drawnOn(aPit([10, 10, 50, 30], 5), 'line')).toBeNull();
  expect(drawnOn(aPit([10, 10, 50, 30], 5), 'outline')).toHaveLength(4);
});
