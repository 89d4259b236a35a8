import { evenTrim, type Blank, type PlacedSheet, type Stock } from './layout';
import { describe, expect, test } from 'vitest';
import { aTask } from '../../../testing';
import { seeded } from '../../../base/random';
import { type Bin, meritOf } from './bins';
import { type CutNode, wasteOf } from './guillotine/cut-tree';
import { improveLayout } from './improve';
import { isBetter, largestRestMm2 } from './layout-cost';
import { layOut } from './quick-layout';

const blank = (id: string, widthMm: number, depthMm: number): Blank => ({ id, widthMm, depthMm, mayTurn: true });
const size = (widthMm: number, priceMinor: number): Stock => ({ widthMm, depthMm: 600, trim: evenTrim(0), offcutId: null, priceMinor });
const LARGE = size(1_200, 900);
const SMALL = size(600, 800);
const sheetWith = (stock: Stock, restMm: number): PlacedSheet => ({
  stock,
  placements: [],
  rest: { xMm: 0, yMm: 0, widthMm: restMm, depthMm: restMm },
});

describe('of two layouts the better', () => {
  test('costs less, or takes fewer sheets, as it was asked for', () => {
    const [two, one] = [[sheetWith(SMALL, 0), sheetWith(SMALL, 0)], [sheetWith(LARGE, 0)]];
    expect([isBetter(one, two, 'cheapest'), isBetter(two, one, 'cheapest')]).toEqual([true, false]);
    expect([isBetter(one, two, 'fewest'), isBetter(two, one, 'fewest')]).toEqual([true, false]);
  });
  test('of equal cost leaves the larger piece in one', () => {
    expect(isBetter([sheetWith(LARGE, 300)], [sheetWith(LARGE, 200)], 'cheapest')).toBe(true);
    expect(isBetter([sheetWith(LARGE, 200)], [sheetWith(LARGE, 300)], 'cheapest')).toBe(false);
  });
});

test('the last sheet is taken no larger than its parts need: a full large one and a small one', () => {
  const blanks = [blank('a', 590, 590), blank('b', 590, 590), blank('c', 500, 500)];
  const layout = layOut(aTask(blanks, { widthMm: 1_200, depthMm: 600, trim: evenTrim(0), kerfMm: 1 }, { stock: [LARGE, SMALL] }));
  expect(layout.sheets.map(({ stock }) => stock.widthMm).sort((x, y) => x - y)).toEqual([600, 1_200]);
});

test('parts of one size are laid out in one way, in whatever order they are asked for', () => {
  const blanks = ['a', 'b', 'c', 'd'].map((id) => blank(id, 300, 200));
  const task = (order: typeof blanks) => aTask(order, { widthMm: 1_200, depthMm: 600, trim: evenTrim(0), kerfMm: 1 }, { stock: [LARGE] });
  const placed = (order: typeof blanks) =>
    layOut(task(order))
      .sheets.flatMap(({ placements }) => placements.map(({ blankId, xMm, yMm }) => `${blankId} ${xMm} ${yMm}`))
      .sort();
  expect(placed(blanks.toReversed())).toEqual(placed(blanks));
});

/** The largest rest that any way of through cuts leaves on one sheet, mm²; -Infinity where the parts do not go on. Sizes carry their kerf. */
function largestRestByExactSearch(parts: readonly { readonly w: number; readonly h: number }[], room: { w: number; h: number }): number {
  const known = new Map<string, number>();
  const best = (w: number, h: number, set: number): number => {
    if (set === 0) return Math.max(0, w - KERF_MM) * Math.max(0, h - KERF_MM);
    const key = `${w} ${h} ${set}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const own = parts.filter((_, i) => set & (1 << i));
    const isAlone = own.length === 1 && [own[0]!, { w: own[0]!.h, h: own[0]!.w }].some((one) => one.w === w && one.h === h);
    let most = isAlone ? 0 : -Infinity;
    // Of two sides of a cut the one without the rest comes first, and is as narrow as its own parts allow.
    for (let part = set; part > 0; part = (part - 1) & set) {
      for (const at of sums(part)) {
        if (at < w)
          most = Math.max(
            most,
            both(best(at, h, part), () => best(w - at, h, set ^ part)),
          );
        if (at < h)
          most = Math.max(
            most,
            both(best(w, at, part), () => best(w, h - at, set ^ part)),
          );
      }
    }
    known.set(key, most);
    return most;
  };
  const sums = (set: number): readonly number[] =>
    [
      ...parts
        .filter((_, i) => set & (1 << i))
        .reduce<Set<number>>((all, { w, h }) => new Set([...all].flatMap((sum) => [sum, sum + w, sum + h])), new Set([0])),
    ].filter((sum) => sum > 0);
  const both = (one: number, other: () => number): number => {
    if (one === -Infinity) return one;
    const two = other();
    return two === -Infinity ? two : Math.max(one, two);
  };
  return best(room.w, room.h, (1 << parts.length) - 1);
}
const KERF_MM = 1;

test('the search leaves no larger a piece in one than any way of through cuts does, and mostly that one: ten jobs of three parts, seeds 1 to 10', () => {
  const rule = { widthMm: 420, depthMm: 300, trim: evenTrim(0), kerfMm: KERF_MM };
  let [reached, beyondQuick] = [0, 0];
  for (let seed = 1; seed <= 10; seed++) {
    const random = seeded(seed * 77);
    const blanks = ['a', 'b', 'c'].map((id) => blank(id, 60 + Math.floor(random() * 130), 50 + Math.floor(random() * 90)));
    const task = aTask(blanks, rule);
    const room = { w: rule.widthMm + KERF_MM, h: rule.depthMm + KERF_MM };
    const parts = blanks.map(({ widthMm, depthMm }) => ({ w: widthMm + KERF_MM, h: depthMm + KERF_MM }));
    const most = largestRestByExactSearch(parts, room);
    const search = improveLayout(task, seeded(seed));
    let found = 0;
    for (let i = 0; i < 20; i++) {
      const { layout } = search.next().value!;
      found = largestRestMm2(layout.sheets);
    }
    expect(found, `seed ${seed}`).toBeLessThanOrEqual(most + 1e-3);
    reached += Number(found > most - 1e-3);
    beyondQuick += Number(largestRestMm2(layOut(task).sheets) < most - 1);
  }
  expect(reached).toBeGreaterThanOrEqual(6);
  // Else the quick layout would have done and nothing was tried.
  expect(beyondQuick).toBeGreaterThan(0);
});

test('where the rest is equal, the less there is to cut the better', () => {
  const leaf = (part: number, x: number, y: number, w: number, h: number): CutNode => ({ kind: 'part', part, turned: false, x, y, w, h });
  const halfFree = (along: 'x' | 'y', parts: readonly CutNode[]): readonly Bin[] => [
    {
      stock: { ...SMALL, widthMm: 100, depthMm: 100 },
      tree: {
        ...{ kind: 'split', along: 'y', x: 0, y: 0, w: 100, h: 100 },
        children: [{ kind: 'split', along, x: 0, y: 0, w: 100, h: 50, children: parts }, wasteOf(0, 50, 100, 50)],
      },
    },
  ];
  const squares = halfFree('x', [leaf(0, 0, 0, 50, 50), leaf(1, 50, 0, 50, 50)]);
  const strips = halfFree('y', [leaf(0, 0, 0, 100, 25), leaf(1, 0, 25, 100, 25)]);
  expect(meritOf(squares, 0)).toBeGreaterThan(meritOf(strips, 0));
});

test('a tie in what was asked for is broken by the other: cheaper of as many sheets, fewer sheets where all are free', () => {
  const dear = size(600, 900);
  expect(isBetter([sheetWith(SMALL, 0)], [sheetWith(dear, 0)], 'fewest')).toBe(true);
  const free = size(600, 0);
  expect(isBetter([sheetWith(free, 0)], [sheetWith(free, 0), sheetWith(free, 0)], 'cheapest')).toBe(true);
});
