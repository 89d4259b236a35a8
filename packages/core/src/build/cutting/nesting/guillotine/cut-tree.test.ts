import { evenTrim, type Placement, type SheetRule } from '../layout';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type CutNode, type PartNode, type WasteNode, leavesOf, pushedTogether, replaced, wasteOf, withPart } from './cut-tree';
import { type Cluster, clustered, turned } from '../freeform/cluster';
import { restBeside } from '../freeform/apart';

const size = ({ x, y, w, h }: CutNode): number[] => [x, y, w, h];
const parts = (node: CutNode): PartNode[] => [...leavesOf(node)].filter((leaf): leaf is PartNode => leaf.kind === 'part');
const wastes = (node: CutNode): WasteNode[] => [...leavesOf(node)].filter((leaf): leaf is WasteNode => leaf.kind === 'waste');
/** Leaves tile their tree: as much area, and none over another. */
function expectTiled(node: CutNode): void {
  const leaves = [...leavesOf(node)];
  expect(leaves.reduce((sum, { w, h }) => sum + w * h, 0)).toBeCloseTo(node.w * node.h, 4);
  leaves.forEach((a, i) => {
    for (const b of leaves.slice(i + 1)) {
      const apart = a.x + a.w <= b.x + 1e-6 || b.x + b.w <= a.x + 1e-6 || a.y + a.h <= b.y + 1e-6 || b.y + b.h <= a.y + 1e-6;
      expect(apart).toBe(true);
    }
  });
}

describe('a tree of cuts', () => {
  test('a part of 30 × 20 in 100 × 60, cut down first: a column with 40 below it, and 70 beside', () => {
    const tree = withPart(wasteOf(0, 0, 100, 60), { part: 7, w: 30, h: 20, turned: false }, 'x');
    expect(parts(tree).map(size)).toEqual([[0, 0, 30, 20]]);
    expect(wastes(tree).map(size)).toEqual([
      [0, 20, 30, 40],
      [30, 0, 70, 60],
    ]);
  });
  test('cut across first: a row with 70 beside it, and 40 below', () => {
    expect(wastes(withPart(wasteOf(0, 0, 100, 60), { part: 7, w: 30, h: 20, turned: false }, 'y')).map(size)).toEqual([
      [30, 0, 70, 20],
      [0, 20, 100, 40],
    ]);
  });
  test('a part as large as its place leaves nothing', () => {
    expect(wastes(withPart(wasteOf(5, 5, 30, 20), { part: 0, w: 30, h: 20, turned: false }, 'x'))).toEqual([]);
  });
  test('taken out again the free ground is whole again', () => {
    const whole = wasteOf(0, 0, 100, 60);
    const tree = withPart(whole, { part: 0, w: 30, h: 20, turned: false }, 'x');
    const [part] = parts(tree);
    expect(replaced(tree, part!, wasteOf(part!.x, part!.y, part!.w, part!.h))).toEqual(whole);
  });
  test('free ground between two parts is pushed to the end of their row', () => {
    let tree: CutNode = withPart(wasteOf(0, 0, 100, 20), { part: 0, w: 30, h: 20, turned: false }, 'x');
    const free = () => wastes(tree)[0]!;
    tree = replaced(tree, free(), withPart(free(), { part: 1, w: 25, h: 20, turned: false }, 'x'));
    tree = replaced(tree, free(), withPart(free(), { part: 2, w: 10, h: 20, turned: false }, 'x'));
    const middle = parts(tree)[1]!;
    const pushed = pushedTogether(replaced(tree, middle, wasteOf(middle.x, middle.y, middle.w, middle.h)));
    expect(parts(pushed).map(size)).toEqual([
      [0, 0, 30, 20],
      [30, 0, 10, 20],
    ]);
    expect(wastes(pushed).map(size)).toEqual([[40, 0, 60, 20]]);
  });
  test('whatever is put in and taken out, leaves tile the sheet', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 5, max: 60 }), fc.integer({ min: 5, max: 40 }), fc.boolean(), fc.nat(9)), { maxLength: 25 }),
        (steps) => {
          let tree: CutNode = wasteOf(0, 0, 200, 120);
          steps.forEach(([w, h, first, take], i) => {
            const own = parts(tree);
            if (take > 6 && own.length > 0) {
              const gone = own[take % own.length]!;
              tree = pushedTogether(replaced(tree, gone, wasteOf(gone.x, gone.y, gone.w, gone.h)));
            } else {
              const free = wastes(tree).find((leaf) => leaf.w >= w && leaf.h >= h);
              if (free !== undefined) tree = replaced(tree, free, withPart(free, { part: i, w, h, turned: false }, first ? 'x' : 'y'));
            }
            expectTiled(tree);
          });
        },
      ),
      { numRuns: 100 },
    );
  });
});

describe('joining', () => {
  const cluster = (part: number, w: number, h: number, mayTurn = true): Cluster => ({
    w,
    h,
    area: w * h,
    mayTurn,
    node: { kind: 'part', part, turned: false, x: 0, y: 0, w, h },
  });

  test('a strip cut in three comes together again without waste, in whatever order the pieces are', () => {
    const pieces = [cluster(0, 40, 30), cluster(1, 30, 55), cluster(2, 25, 30)];
    const [strip, ...others] = clustered(pieces, 0, [{ w: 500, h: 400 }], null);
    expect(others).toEqual([]);
    expect([strip!.w, strip!.h].sort((a, b) => a - b)).toEqual([30, 120]);
    expectTiled(strip!.node);
    expect(
      parts(strip!.node)
        .map(({ part }) => part)
        .sort(),
    ).toEqual([0, 1, 2]);
  });
  test('sides that differ are joined only when that much waste is allowed', () => {
    const uneven = [cluster(0, 100, 50, false), cluster(1, 93, 48, false)];
    expect(clustered(uneven, 0.01, [{ w: 500, h: 400 }], null)).toHaveLength(2);
    expect(clustered(uneven, 0.05, [{ w: 500, h: 400 }], null)).toHaveLength(1);
  });
  test('what would not fit the sheet, and what is as wide as the sheet already, is left alone', () => {
    expect(clustered([cluster(0, 300, 50), cluster(1, 300, 50)], 0, [{ w: 500, h: 90 }], null)).toHaveLength(2);
    expect(clustered([cluster(0, 500, 50), cluster(1, 500, 30)], 0, [{ w: 500, h: 400 }], null)).toHaveLength(2);
  });
  test('turned, width and depth change places all the way down, and twice is as before', () => {
    const [joined] = clustered([cluster(0, 40, 30), cluster(1, 55, 30)], 0, [{ w: 500, h: 400 }], null);
    const once = turned(joined!);
    expect([once.w, once.h]).toEqual([joined!.h, joined!.w]);
    expectTiled(once.node);
    expect(turned(once)).toEqual(joined);
  });
});

describe('the largest rectangle left over', () => {
  const rule: SheetRule = { widthMm: 100, depthMm: 60, trim: evenTrim(0), kerfMm: 0 };
  const at = (xMm: number, yMm: number, widthMm: number, depthMm: number): Placement => ({
    blankId: `${xMm} ${yMm}`,
    xMm,
    yMm,
    widthMm,
    depthMm,
    turned: false,
    half: false,
    pinned: false,
  });
  test('beside a part of 40 × 60 it is 60 × 60', () => {
    expect(restBeside([at(0, 0, 40, 60)], rule)).toEqual({ xMm: 40, yMm: 0, widthMm: 60, depthMm: 60 });
  });
  test('no kerf-wide strip beside a part is counted', () => {
    expect(restBeside([at(0, 0, 40, 60)], { ...rule, kerfMm: 3 })).toMatchObject({ xMm: 43, widthMm: 57 });
  });
  test('is as large as any tried by brute force, on random sheets', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(9), fc.nat(5), fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 3 })), { maxLength: 5 }),
        (cells) => {
          const placements = cells.map(([x, y, w, h]) => at(x * 10, y * 10, Math.min(w * 10, 100 - x * 10), Math.min(h * 10, 60 - y * 10)));
          const isFree = (x0: number, y0: number, x1: number, y1: number): boolean =>
            placements.every((p) => p.xMm >= x1 || p.xMm + p.widthMm <= x0 || p.yMm >= y1 || p.yMm + p.depthMm <= y0);
          let best = 0;
          for (let x0 = 0; x0 < 100; x0 += 10)
            for (let y0 = 0; y0 < 60; y0 += 10)
              for (let x1 = x0 + 10; x1 <= 100; x1 += 10)
                for (let y1 = y0 + 10; y1 <= 60; y1 += 10) if (isFree(x0, y0, x1, y1)) best = Math.max(best, (x1 - x0) * (y1 - y0));
          const rest = restBeside(placements, rule);
          // Only places just right of and just below parts are looked at: never more than the best, and it is free.
          expect(rest.widthMm * rest.depthMm).toBeLessThanOrEqual(best);
          if (rest.widthMm > 0) expect(isFree(rest.xMm, rest.yMm, rest.xMm + rest.widthMm, rest.yMm + rest.depthMm)).toBe(true);
          expect(rest.widthMm * rest.depthMm).toBeGreaterThanOrEqual(best * 0.5);
        },
      ),
      { numRuns: 120 },
    );
  });
});
