import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  type Assembly,
  type Body,
  type EdgeJoint,
  type Face,
  type StockSizes,
  type Vec,
  contactsOf,
  coverOf,
  flatMm2,
  flatsOf,
  resolved,
} from './index';

const STOCKS: StockSizes = {
  sheet: { thicknessMm: 5, widthMm: null, isRound: false },
  card: { thicknessMm: 1, widthMm: null, isRound: false },
  strip: { thicknessMm: 2, widthMm: 4, isRound: false },
  rod: { thicknessMm: 8, widthMm: 8, isRound: true },
};
function bodiesOf(assembly: Partial<Assembly>): readonly Body[] {
  const made = resolved({ id: 'a', name: 'A', count: 1, faces: [], ...assembly }, STOCKS);
  if (!made.ok) throw new Error(JSON.stringify(made.problem));
  return made.value;
}
const FREE: EdgeJoint = { joint: 'free' };
/** A level sheet with its top at a height. */
const level = (id: string, [wide, deep]: readonly [number, number], topMm: number, [x, y] = [0, 0]): Face => ({
  id,
  name: id,
  role: 'sheet',
  corners: [
    [x, y, topMm],
    [x + wide, y, topMm],
    [x + wide, y + deep, topMm],
    [x, y + deep, topMm],
  ],
  edges: [FREE, FREE, FREE, FREE],
  grows: 'in',
});
const contact = (bodies: readonly Body[], a: string, b: string) =>
  contactsOf(bodies).find(({ bodyIds }) => bodyIds.includes(a) && bodyIds.includes(b));

describe('flat on flat', () => {
  test('the smaller of two sheets that lie on one another touches with its whole face, wherever they lie', () => {
    fc.assert(
      fc.property(fc.integer({ min: -6_000, max: 6_000 }), fc.integer({ min: 0, max: 15 }), (at, gap) => {
        const [atMm, gapMm] = [at / 100, gap / 100];
        const bodies = bodiesOf({ faces: [level('low', [80, 60], atMm), level('high', [40, 30], atMm + 5 + gapMm, [10, 10])] });
        expect(contact(bodies, 'low', 'high')).toMatchObject({ mm2: expect.closeTo(1_200, 6), longMm: expect.closeTo(50, 6) });
        const { ofFlat } = coverOf(bodies);
        const top = flatsOf(bodies[0]!).find(({ side, plane }) => side !== 'edge' && plane.normal[2] > 0)!;
        expect(ofFlat(top)).toBeCloseTo(1_200, 6);
      }),
      { numRuns: 200 },
    );
  });
  test('half a millimetre apart nothing touches', () =>
    expect(contactsOf(bodiesOf({ faces: [level('low', [80, 60], 0), level('high', [40, 30], 5.5)] }))).toEqual([]));
  test('what stands on the table is covered there', () => {
    const [only] = bodiesOf({ faces: [level('low', [80, 60], 5)] });
    const covered = flatsOf(only!).reduce((sum, flat) => sum + coverOf([only!]).ofFlat(flat), 0);
    expect(covered).toBeCloseTo(4_800, 6);
  });
});

describe('edges', () => {
  const upright = (id: string, from: Vec, to: Vec, edges: Face['edges']): Face => ({
    id,
    name: id,
    role: 'sheet',
    corners: [from, to, [to[0], to[1], 40], [from[0], from[1], 40]],
    edges,
    grows: 'in',
  });
  const box = (joint: (to: string) => EdgeJoint): readonly Body[] => {
    const corners: readonly Vec[] = [
      [0, 0, 0],
      [60, 0, 0],
      [60, 60, 0],
      [0, 60, 0],
    ];
    const faces = corners.map((from, i) =>
      upright(`wall-${i}`, from, corners[(i + 1) % 4]!, [FREE, joint(`wall-${(i + 1) % 4}`), FREE, joint(`wall-${(i + 3) % 4}`)]),
    );
    return bodiesOf({ faces });
  };
  test('a mitred box has four corners, each as wide as the mitre is long, and its mitres are no free edges', () => {
    const bodies = box((to) => ({ joint: 'mitre', to }));
    expect(contactsOf(bodies).map(({ mm2 }) => mm2)).toEqual(Array.from({ length: 4 }, () => expect.closeTo(40 * Math.hypot(5, 5), 1)));
    const edges = bodies.flatMap((body) => flatsOf(body)).filter(({ side }) => side === 'edge');
    expect(edges.filter(({ isJoint }) => isJoint)).toHaveLength(8);
    expect(edges.filter(({ isJoint }) => !isJoint).every(({ plane }) => Math.abs(plane.normal[2]) > 0.99)).toBe(true);
  });
  test('an edge that stops short of another is made to meet it, though it does not touch', () => {
    const bodies = box((to) => ({ joint: 'against', to, gapMm: 1 }));
    expect(bodies.flatMap((body) => flatsOf(body)).filter(({ isJoint }) => isJoint)).toHaveLength(8);
  });
  test('a folded box is one part: its folds are no free edges', () => {
    const bodies = box((to) => ({ joint: 'fold', to, by: 'v-cut' }));
    expect(bodies.flatMap((body) => flatsOf(body)).filter(({ isJoint }) => isJoint)).toHaveLength(8);
  });
});

describe('round things', () => {
  const pole = (id: string, from: Vec, to: Vec): NonNullable<Assembly['bars']>[number] => ({
    id,
    name: id,
    role: 'rod',
    from,
    to,
    across: Math.abs(to[0] - from[0]) > 0.5 ? [0, 0, 1] : [1, 0, 0],
  });
  test('a rod stands on its whole end', () => {
    const bodies = bodiesOf({ faces: [level('floor', [80, 60], 0)], bars: [pole('pole', [40, 30, 0], [40, 30, 70])] });
    const disc = (48 / 2) * 16 * Math.sin((2 * Math.PI) / 48);
    expect(contact(bodies, 'floor', 'pole')!.mm2).toBeCloseTo(disc, 1);
  });
  test('a rod that lies on a sheet touches along a strip as wide as glue fills', () => {
    const bodies = bodiesOf({ faces: [level('floor', [80, 60], 0)], bars: [pole('pole', [10, 30, 4], [70, 30, 4])] });
    const wide = 2 * Math.sqrt(2 * 4 * 0.2);
    expect(contact(bodies, 'floor', 'pole')).toMatchObject({ mm2: expect.closeTo(60 * wide, 1) });
    expect(coverOf(bodies).ofRound('pole')).toBeCloseTo(60 * wide, 1);
  });
  test('only as far as the sheet goes', () => {
    const bodies = bodiesOf({ faces: [level('floor', [80, 60], 0)], bars: [pole('pole', [60, 30, 4], [120, 30, 4])] });
    expect(contact(bodies, 'floor', 'pole')!.mm2).toBeCloseTo(20 * 2 * Math.sqrt(2 * 4 * 0.2), 1);
  });
  test('two rods side by side touch along their common length, across each other at a point', () => {
    const beside = bodiesOf({ bars: [pole('a', [0, 0, 0], [60, 0, 0]), pole('b', [20, 8, 0], [90, 8, 0])] });
    expect(contact(beside, 'a', 'b')).toMatchObject({
      longMm: expect.closeTo(40, 6),
      mm2: expect.closeTo(40 * 2 * Math.sqrt(2 * 2 * 0.2), 4),
    });
    const across = bodiesOf({ bars: [pole('a', [0, 0, 0], [60, 0, 0]), pole('b', [30, -30, 8], [30, 30, 8])] });
    expect(contact(across, 'a', 'b')!.mm2).toBeCloseTo(4 * 2 * 4 * 0.2, 4);
    const past = bodiesOf({ bars: [pole('a', [0, 0, 0], [60, 0, 0]), pole('b', [90, -30, 8], [90, 30, 8])] });
    expect(contactsOf(past)).toEqual([]);
  });
});

describe('bent sheets', () => {
  const ring = (id: string, radiusMm: number, grows: 'in' | 'out', [low, high]: readonly [number, number], turnDeg = 360) => ({
    id,
    name: id,
    role: 'card',
    centre: [0, 0, low] as Vec,
    axis: [0, 0, 1] as Vec,
    start: [0, 1, 0] as Vec,
    radiusMm,
    turnDeg,
    grows,
    outline: [
      { x: 0, y: 0 },
      { x: (radiusMm * turnDeg * Math.PI) / 180, y: 0 },
      { x: (radiusMm * turnDeg * Math.PI) / 180, y: high - low },
      { x: 0, y: high - low },
    ],
  });
  test('a tube touches what it stands on with its wall alone, and closes off all within', () => {
    const bodies = bodiesOf({ faces: [level('floor', [120, 120], 0, [-60, -60])], bends: [ring('tube', 40, 'out', [0, 50])] });
    const wanted = Math.PI * (41 ** 2 - 40 ** 2);
    expect(Math.abs(contact(bodies, 'floor', 'tube')!.mm2 - wanted) / wanted).toBeLessThan(0.005);
    const top = flatsOf(bodies[0]!).find(({ side, plane }) => side !== 'edge' && plane.normal[2] > 0)!;
    expect(Math.abs(coverOf(bodies).ofFlat(top) - Math.PI * 41 ** 2)).toBeLessThan(20);
  });
  test('a hoop in a tube touches with its whole outside, round the seam too', () => {
    const bodies = bodiesOf({ bends: [ring('tube', 40, 'out', [0, 50]), ring('hoop', 40, 'in', [10, 14], 105)] });
    expect(contact(bodies, 'tube', 'hoop')!.mm2).toBeCloseTo(((40 * 105 * Math.PI) / 180) * 4, 1);
  });
  test('a floor cut to a tube touches it all round', () => {
    const corners = Array.from({ length: 48 }, (_, i): Vec => {
      const turn = (i / 24) * Math.PI;
      return [40 * Math.cos(turn), 40 * Math.sin(turn), 20];
    });
    const disc: Face = { id: 'disc', name: 'Disc', role: 'sheet', corners, edges: corners.map(() => FREE), grows: 'in' };
    const bodies = bodiesOf({ faces: [disc], bends: [ring('tube', 40, 'out', [0, 50])] });
    const round = 48 * 2 * 40 * Math.sin(Math.PI / 48);
    expect(contact(bodies, 'disc', 'tube')).toMatchObject({ mm2: expect.closeTo(round * 5, 4) });
  });
  test('an arched deck touches its sides along its edges', () => {
    const deck = {
      ...ring('deck', 100, 'in', [0, 40], 60),
      axis: [0, 1, 0] as Vec,
      centre: [0, 0, 0] as Vec,
      start: [-Math.sin(Math.PI / 6), 0, Math.cos(Math.PI / 6)] as Vec,
    };
    const side = (id: string, y: number, out: boolean): Face => {
      const corners: Vec[] = [
        [-80, y, 60],
        [80, y, 60],
        [80, y, 120],
        [-80, y, 120],
      ];
      return { id, name: id, role: 'sheet', corners: out ? corners : corners.toReversed(), edges: [FREE, FREE, FREE, FREE], grows: 'out' };
    };
    const bodies = bodiesOf({ faces: [side('near', 0, true), side('far', 40, false)], bends: [deck] });
    const edge = (Math.PI / 6) * (100 ** 2 - 99 ** 2);
    for (const id of ['near', 'far']) expect(Math.abs(contact(bodies, 'deck', id)!.mm2 - edge) / edge).toBeLessThan(0.01);
    expect(
      flatsOf(bodies.find(({ id }) => id === 'deck')!)
        .map((flat) => flatMm2(flat))
        .every((mm2) => mm2 > 0),
    ).toBe(true);
  });
});
