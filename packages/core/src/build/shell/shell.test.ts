import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Region, areaMm2, evenOdd, signedMm2, unite, without } from '../../base/geometry';
import {
  type Assembly,
  type Bar,
  type Body,
  type Face,
  type Plate,
  type StockSizes,
  ballastFor,
  flatParts,
  middleOf,
  placesOf,
  resolved,
  standingOf,
  tipsAt,
  touchingMm2,
} from './index';

const sheet = (thicknessMm: number): StockSizes[string] => ({ thicknessMm, widthMm: null, isRound: false });
function bodiesOf(assembly: Partial<Assembly>, stocks: StockSizes): readonly Body[] {
  const made = resolved({ id: 'a', name: 'A', count: 1, faces: [], ...assembly }, stocks);
  if (!made.ok) throw new Error(JSON.stringify(made.problem));
  return made.value;
}
describe('bars', () => {
  const post = (id: string, x: number): Bar => ({ id, name: id, role: 'post', from: [x, 0, 0], to: [x, 0, 40], across: [1, 0, 0] });
  const stocks: StockSizes = { post: { thicknessMm: 4, widthMm: 4, isRound: false }, rail: { thicknessMm: 2, widthMm: 5, isRound: false } };

  test('a rail between two posts 60 mm apart is 56 mm long', () => {
    const bars: Bar[] = [
      post('a', 0),
      post('b', 60),
      {
        id: 'rail',
        name: 'Rail',
        role: 'rail',
        from: [0, 0, 20],
        to: [60, 0, 20],
        across: [0, 0, 1],
        ends: [
          { joint: 'against', to: 'a' },
          { joint: 'against', to: 'b' },
        ],
      },
    ];
    const rail = flatParts(bodiesOf({ bars }, stocks)).lengths.find(({ id }) => id === 'rail')!;
    expect([rail.lengthMm, ...rail.endDeg]).toEqual([expect.closeTo(56, 9), expect.closeTo(0, 4), expect.closeTo(0, 4)]);
  });

  test('a row keeps the gap it was asked for or a little more, shared out: 56 mm of 5 mm boards 2 mm apart are 7, each gap 2.625', () => {
    const bodies = bodiesOf(
      {
        bars: [
          post('a', 0),
          post('b', 60),
          {
            id: 'board',
            name: 'Board',
            count: { gapMm: 2 },
            between: { bodies: ['a', 'b'], along: [1, 0, 0] },
            bar: { role: 'rail', from: [0, 5, 0], to: [0, 5, 30], across: [1, 0, 0] },
          },
        ],
      },
      stocks,
    );
    const boards = bodies.filter(({ id }) => id.startsWith('board')) as readonly Plate[];
    expect(boards.length).toBe(7);
    // (56 − 7 · 5) ÷ 8, and the posts are 4 thick
    expect(boards.map(({ frame }) => frame.origin[0])).toEqual(
      boards.map((_, i) => expect.closeTo(2 + 2.625 * (i + 1) + 5 * i, 6) as number),
    );
  });

  test('too many in a row are refused', () => {
    const bars = [
      post('a', 0),
      post('b', 20),
      {
        id: 'board',
        name: 'Board',
        count: 9,
        between: { bodies: ['a', 'b'] as const, along: [1, 0, 0] as const },
        bar: { role: 'rail', from: [0, 5, 0] as const, to: [0, 5, 30] as const, across: [1, 0, 0] as const },
      },
    ];
    expect(resolved({ id: 'a', name: 'A', count: 1, faces: [], bars }, stocks)).toMatchObject({
      ok: false,
      problem: { code: 'shell/crowded', faceName: 'Board' },
    });
  });
});

describe('how a piece stands', () => {
  const block = bodiesOf(
    {
      faces: [
        {
          id: 'block',
          name: 'Block',
          role: 'wall',
          corners: [
            [0, 0, 0],
            [30, 0, 0],
            [30, 12, 0],
            [0, 12, 0],
          ],
          edges: [{ joint: 'free' }, { joint: 'free' }, { joint: 'free' }, { joint: 'free' }],
          grows: 'out',
        },
      ],
    },
    { wall: sheet(40) },
  );
  const standing = standingOf(block.map((body) => ({ body, gPerMm3: 0.0005 })));

  test('a block of 30 × 12, 40 high, falls over its long side where its middle, 6 in and 20 up, passes the edge', () => {
    expect(standing.massG).toBeCloseTo(30 * 12 * 40 * 0.0005, 9);
    expect(tipsAt(standing).tiltDeg).toBeCloseTo((Math.atan(6 / 20) * 180) / Math.PI, 6);
  });

  test('with the ballast that is told it falls at the wanted slope, and not before', () => {
    const wanted = 25;
    const ballast = ballastFor(standing, wanted, 2)!;
    // (m · 20 + b · 2) ÷ (m + b) up, still 6 in from the edge
    const up = (standing.massG * 20 + ballast * 2) / (standing.massG + ballast);
    expect((Math.atan(6 / up) * 180) / Math.PI).toBeCloseTo(wanted, 6);
    expect(ballastFor(standing, 10, 2)).toBe(0);
    expect(ballastFor(standing, 80, 2)).toBeNull();
  });
});

describe('a bent sheet', () => {
  const [radiusMm, thicknessMm] = [30, 2];
  const bend = {
    id: 'b',
    name: 'B',
    role: 'wall',
    centre: [5, -3, 7] as const,
    axis: [0, 0, 1] as const,
    start: [1, 0, 0] as const,
    radiusMm,
    turnDeg: 150,
    outline: [
      { x: 0, y: 0 },
      { x: 75, y: 0 },
      { x: 75, y: 20 },
      { x: 40, y: 45 },
      { x: 0, y: 30 },
    ],
    openings: [
      {
        id: 'o',
        name: 'O',
        kind: 'window' as const,
        ring: [
          { x: 10, y: 6 },
          { x: 22, y: 6 },
          { x: 18, y: 15 },
        ],
      },
    ],
    grows: 'out' as const,
  };
  const [body] = bodiesOf({ bends: [bend] }, { wall: sheet(thicknessMm) });

  test('its weight acts where small bits of it, summed, say', () => {
    const isIn = (ring: readonly { readonly x: number; readonly y: number }[], x: number, y: number): boolean =>
      ring.every((from, i) => {
        const to = ring[(i + 1) % ring.length]!;
        return (to.x - from.x) * (y - from.y) - (to.y - from.y) * (x - from.x) >= 0;
      });
    const sums = [0, 0, 0, 0];
    const bitMm = 0.1;
    for (let x = bitMm / 2; x < 75; x += bitMm)
      for (let y = bitMm / 2; y < 45; y += bitMm) {
        if (!isIn(bend.outline, x, y) || isIn(bend.openings[0]!.ring, x, y)) continue;
        for (const r of [radiusMm + 0.25, radiusMm + 0.75, radiusMm + 1.25, radiusMm + 1.75]) {
          const turn = x / radiusMm;
          [r, r * (5 + r * Math.cos(turn)), r * (-3 + r * Math.sin(turn)), r * (7 + y)].forEach((own, i) => (sums[i]! += own));
        }
      }
    const middle = middleOf(body!);
    for (const axis of [0, 1, 2]) expect(middle[axis]).toBeCloseTo(sums[axis + 1]! / sums[0]!, 1);
  });

  test('its corners are those of the flats it is drawn in', () => {
    const far = placesOf(body!).map(([x, y]) => Math.hypot(x - 5, y + 3));
    expect(Math.min(...far)).toBeCloseTo(radiusMm, 6);
    expect(Math.max(...far)).toBeCloseTo(radiusMm + thicknessMm, 6);
    // A flat of 7.5° at most: 20 along each of the two long edges, on two radii, at the least.
    expect(far.length).toBeGreaterThan(80);
  });
});

test('a part that its neighbours use up to the last hair is refused, not made with nothing in it', () => {
  const square = (z: number): Face['corners'] => [
    [0, 0, z],
    [40, 0, z],
    [40, 30, z],
    [0, 30, z],
  ];
  const free = { joint: 'free' } as const;
  const level = (id: string, z: number): Face => ({
    id,
    name: id,
    role: 'board',
    corners: square(z),
    edges: [free, free, free, free],
    grows: 'in',
  });
  const riser = (highMm: number): Assembly => ({
    id: 'a',
    name: 'A',
    count: 1,
    faces: [
      level('floor', 0),
      level('top', highMm),
      {
        id: 'riser',
        name: 'Riser',
        role: 'board',
        corners: [
          [0, 0, 0],
          [40, 0, 0],
          [40, 0, highMm],
          [0, 0, highMm],
        ],
        edges: [{ joint: 'against', to: 'floor' }, free, { joint: 'against', to: 'top' }, free],
        grows: 'in',
      },
    ],
  });
  expect(resolved(riser(5), { board: sheet(5) })).toMatchObject({ ok: false, problem: { code: 'shell/vanishes', faceName: 'Riser' } });
  expect(resolved(riser(5.2), { board: sheet(5) }).ok).toBe(true);
});

test('what touches the ground of posts with a rail over them are the feet of the posts; of one that is raised nothing', () => {
  const post = (id: string, x: number, footMm: number): Bar => ({
    id,
    name: id,
    role: 'post',
    from: [x, 0, footMm],
    to: [x, 0, 40],
    across: [1, 0, 0],
  });
  const rail: Bar = { id: 'rail', name: 'Rail', role: 'post', from: [-10, 8, 20], to: [70, 8, 20], across: [0, 0, 1] };
  const stocks: StockSizes = { post: { thicknessMm: 4, widthMm: 4, isRound: false } };
  expect(touchingMm2(bodiesOf({ bars: [post('a', 0, 0), post('b', 60, 0), rail] }, stocks))).toBeCloseTo(2 * 4 * 4, 6);
  expect(touchingMm2(bodiesOf({ bars: [post('a', 0, 0), post('b', 60, 3), rail] }, stocks))).toBeCloseTo(4 * 4, 6);
  // One that leans stands on an edge: its underside looks down and touches nothing.
  const leaning: Bar = { id: 'strut', name: 'Strut', role: 'post', from: [0, 0, 0], to: [30, 0, 40], across: [0, 1, 0] };
  expect(touchingMm2(bodiesOf({ bars: [leaning] }, stocks))).toBe(0);
});

describe('what has to come out of the sheet', () => {
  const THICK_MM = 10;
  const free = { joint: 'free' } as const;
  /** A board of 40 × 30, its four edges at a slant of 45° each: out where the far side is the larger, in where it is the smaller. */
  const faceWith = (leans: readonly (-1 | 0 | 1)[], openings: Face['openings'] = []): Face => {
    const outwards = [
      [0, -1],
      [1, 0],
      [0, 1],
      [-1, 0],
    ] as const;
    return {
      id: 'board',
      name: 'Board',
      role: 'board',
      corners: [
        [0, 0, 0],
        [40, 0, 0],
        [40, 30, 0],
        [0, 30, 0],
      ],
      edges: leans.map((lean, i) => (lean === 0 ? free : { joint: 'plane', normal: [...outwards[i]!, -lean] })),
      openings,
      grows: 'out',
    };
  };
  const blankOf = (...of: Parameters<typeof faceWith>): Region =>
    flatParts(bodiesOf({ faces: [faceWith(...of)] }, { board: sheet(THICK_MM) })).sheets[0]!.blank;
  test('of a board with square edges is the board', () => expect(areaMm2(blankOf([0, 0, 0, 0]))).toBeCloseTo(40 * 30, 3));
  test('of edges that all lean out, or all in, is the larger side', () => {
    expect(areaMm2(blankOf([1, 1, 1, 1]))).toBeCloseTo(60 * 50, 3);
    expect(areaMm2(blankOf([-1, -1, -1, -1]))).toBeCloseTo(40 * 30, 3);
  });
  test('of one that leans out and one that leans in is both sides together', () => {
    expect(areaMm2(blankOf([1, 0, -1, 0]))).toBeCloseTo(40 * 40, 3);
  });
  test('keeps round a hole what either side keeps', () => {
    const ring = [
      { x: 15, y: 10 },
      { x: 25, y: 10 },
      { x: 25, y: 20 },
      { x: 15, y: 20 },
    ];
    const hole = { id: 'h', name: 'Hole', kind: 'hole', ring } as const;
    expect(areaMm2(blankOf([0, 0, 0, 0], [hole]))).toBeCloseTo(40 * 30 - 10 * 10, 3);
    expect(areaMm2(blankOf([1, 1, 1, 1], [{ ...hole, splayDeg: 20 }]))).toBeCloseTo(60 * 50 - 10 * 10, 3);
  });
  test('is what the clipper finds of both sides, whatever leans and wherever openings lie; its outline turns one way, its openings the other', () => {
    const lean = fc.constantFrom(-1 as const, 0 as const, 1 as const);
    // Each in a place of its own, some on the very edge of it, some three-cornered: their boxes may touch one another and come near the outline.
    const opening = fc.record({
      column: fc.integer({ min: 0, max: 2 }),
      wideMm: fc.double({ min: 2, max: 9, noNaN: true }),
      deepMm: fc.double({ min: 2, max: 7.99, noNaN: true }),
      isNearCorner: fc.boolean(),
      isThreeCornered: fc.boolean(),
      splayDeg: fc.constantFrom(0, 0, 15, -15),
    });
    let withHoles = 0;
    fc.assert(
      fc.property(
        fc.tuple(lean, lean, lean, lean),
        fc.uniqueArray(opening, { selector: ({ column }) => column, maxLength: 3 }),
        (leans, all) => {
          const openings = all.map(({ column, wideMm, deepMm, isNearCorner, isThreeCornered, splayDeg }) => {
            const [x, y] = isNearCorner ? [1 + column * 6, 1] : [11 + column * 6, 11];
            const corners = [
              { x, y },
              { x: x + wideMm, y },
              { x: x + wideMm, y: y + deepMm },
              ...(isThreeCornered ? [] : [{ x, y: y + deepMm }]),
            ];
            return { id: `h${column}`, name: 'Hole', kind: 'hole', ring: corners, splayDeg } as const;
          });
          const made = resolved({ id: 'a', name: 'A', count: 1, faces: [faceWith(leans, openings)] }, { board: sheet(THICK_MM) });
          // Leaning far enough an opening runs out of the board: that is refused.
          if (!made.ok) return;
          const { blank, drawn, far } = flatParts(made.value).sheets[0]!;
          const whole = unite([evenOdd(drawn), evenOdd(far)]);
          expect(areaMm2(blank)).toBeCloseTo(areaMm2(whole), 1);
          expect(areaMm2(without(blank, [whole])) + areaMm2(without(whole, [blank]))).toBeLessThan(0.1);
          // Slivers of less than what the areas above may differ by come of rounding, and turn either way.
          const [outline, ...holes] = blank.rings.filter((ring) => Math.abs(signedMm2(ring)) >= 0.1);
          expect(signedMm2(outline!)).toBeGreaterThan(0);
          for (const hole of holes) expect(signedMm2(hole)).toBeLessThan(0);
          if (holes.length > 0) withHoles++;
        },
      ),
      { numRuns: 300 },
    );
    expect(withHoles).toBeGreaterThan(20);
  });
});
