import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { seeded } from '../../../../base/random';
import { type CutNode, leavesOf } from './cut-tree';
import { SlicingSearch } from './slicing';
import { type Ground, type Slab, SlicingTrees } from './slicing-trees';

const partAt =
  (slabs: readonly Slab[]) =>
  (part: number, turned: boolean, x: number, y: number): CutNode => {
    const { w, h } = slabs[part]!;
    return { kind: 'part', part, turned, x, y, w: turned ? h : w, h: turned ? w : h };
  };
const NEVER_PASSED = (): number => Infinity;
/** Each size is taken up to a thousandth larger than it is: dozens in a row add up. */
const TINY = 0.1;

/** Whatever lies on a ground: within it, apart by through cuts, nothing lost, each slab once and turned only where it may be. */
function expectSound(trees: SlicingTrees, slabs: readonly Slab[], grounds: readonly Ground[]): void {
  const seen: number[] = [];
  for (const [b, ground] of grounds.entries()) {
    const tree = trees.cutTree(b, 5, 7, partAt(slabs));
    if (tree === null) continue;
    expectCut(tree, slabs);
    expect([tree.x, tree.y]).toEqual([5, 7]);
    expect(Math.abs(tree.w - ground.w) + Math.abs(tree.h - ground.h)).toBeLessThan(TINY);
    const leaves = [...leavesOf(tree)];
    const areaMm2 = leaves.reduce((sum, { w, h }) => sum + w * h, 0);
    // Sizes are taken up to a thousandth larger than they are.
    expect(Math.abs(areaMm2 - tree.w * tree.h)).toBeLessThan(0.002 * 1_250 * slabs.length);
    for (const leaf of leaves) {
      if (leaf.kind !== 'part') continue;
      seen.push(leaf.part);
      if (leaf.turned) expect(slabs[leaf.part]!.mayTurn).toBe(true);
    }
  }
  expect(seen.sort((a, b) => a - b)).toEqual(slabs.flatMap((_, i) => (trees.isLaid(i) ? [i] : [])));
}
/** Children of a cut tile their parent, one after another. */
function expectCut(node: CutNode, slabs: readonly Slab[]): void {
  if (node.kind !== 'split') return;
  let at = node.along === 'x' ? node.x : node.y;
  for (const child of node.children) {
    expect(Math.abs((node.along === 'x' ? child.x : child.y) - at)).toBeLessThan(TINY);
    expect(Math.abs(node.along === 'x' ? child.h - node.h : child.w - node.w)).toBeLessThan(TINY);
    at += node.along === 'x' ? child.w : child.h;
    expectCut(child, slabs);
  }
  expect(Math.abs(at - (node.along === 'x' ? node.x + node.w : node.y + node.h))).toBeLessThan(TINY);
}

const aSlab = fc.record({ w: fc.integer({ min: 20, max: 700 }), h: fc.integer({ min: 20, max: 500 }), mayTurn: fc.boolean() });

describe('slicing trees', () => {
  test('a slab goes in wherever there is slack, be it far above: two in a row of which only the lower has room under it', () => {
    const slabs = [
      { w: 600, h: 400, mayTurn: false },
      { w: 400, h: 300, mayTurn: false },
      { w: 400, h: 100, mayTurn: false },
      { w: 1000, h: 200, mayTurn: false },
    ];
    const ground = { w: 1000, h: 600 };
    const trees = new SlicingTrees(slabs, [ground]);
    for (const i of [0, 1, 3, 2]) expect(trees.lay(i, NEVER_PASSED)).toBe(true);
    expectSound(trees, slabs, [ground]);
    // The same where it is the first of the row that has room under it, and all of it: to the last thousandth.
    const full = [slabs[1]!, { ...slabs[0]!, h: 400 }, slabs[2]!];
    const row = new SlicingTrees(full, [{ w: 1000, h: 400 }]);
    for (const i of full.keys()) expect(row.lay(i, NEVER_PASSED)).toBe(true);
    expectSound(row, full, [{ w: 1000, h: 400 }]);
  });
  test('what fits to the last thousandth fits, one thousandth more does not; the kerf is the caller’s', () => {
    const ground = { w: 100.3, h: 50 };
    const fits = (w: number): boolean => new SlicingTrees([{ w, h: 50, mayTurn: false }], [ground]).lay(0, NEVER_PASSED);
    expect([fits(100.3), fits(100.301), fits(0.1 + 100.2)]).toEqual([true, false, true]);
  });
  test('a move that is taken back leaves everything as it was, whatever it did (random moves, thousands of slabs)', () => {
    fc.assert(
      fc.property(fc.array(aSlab, { minLength: 2, maxLength: 30 }), fc.integer({ min: 1, max: 1e6 }), (slabs, seed) => {
        const grounds = [
          { w: 1240, h: 590 },
          { w: 800, h: 600.5 },
        ];
        const random = seeded(seed);
        const trees = new SlicingTrees(slabs, grounds);
        const out: number[] = [];
        for (const i of slabs.keys()) if (!trees.lay(i, NEVER_PASSED)) out.push(i);
        expectSound(trees, slabs, grounds);
        const told = (): string => JSON.stringify(grounds.map((_, b) => trees.cutTree(b, 0, 0, partAt(slabs))));
        for (let i = 0; i < 6; i++) {
          const before = told();
          trees.save();
          const freed: number[] = [];
          const laid = slabs.flatMap((_, k) => (trees.isLaid(k) ? [k] : []));
          if (laid.length === 0) return;
          const branch = trees.branchOver(laid[Math.floor(random() * laid.length)]!, Math.floor(random() * 4), 8);
          trees.takeOut(branch, freed);
          expect(freed.length).toBeGreaterThan(0);
          expect(freed.length).toBeLessThanOrEqual(8);
          expectSound(trees, slabs, grounds);
          for (const one of freed.reverse()) trees.lay(one, NEVER_PASSED);
          expectSound(trees, slabs, grounds);
          if (i % 2 === 0) continue;
          trees.takeBack();
          expect(told()).toBe(before);
        }
      }),
      { numRuns: 120 },
    );
  }, 60_000);
  test('it is laid where the free ground stays in the largest piece', () => {
    const slabs = [
      { w: 500, h: 500, mayTurn: false },
      { w: 200, h: 500, mayTurn: false },
    ];
    const grounds = [{ w: 1000, h: 500 }];
    const trees = new SlicingTrees(slabs, grounds);
    trees.lay(0, NEVER_PASSED);
    trees.lay(1, NEVER_PASSED);
    const rests = [...leavesOf(trees.cutTree(0, 0, 0, partAt(slabs))!)].filter(({ kind }) => kind === 'waste');
    expect(rests).toHaveLength(1);
    expect(rests[0]).toMatchObject({ w: 300, h: 500 });
  });
});

describe('the search over them', () => {
  /** Sheets cut up at random, each side then shrunk by its own chance: what fitted once. */
  function cutUp(seed: number, sheets: number, parts: number, waste: number): Slab[] {
    const random = seeded(seed);
    const rects = Array.from({ length: sheets }, () => ({ w: 1250, h: 600 }));
    while (rects.length < parts) {
      const i = rects.reduce((most, { w, h }, at) => (w * h > rects[most]!.w * rects[most]!.h ? at : most), 0);
      const { w, h } = rects[i]!;
      const share = 0.3 + 0.4 * random();
      const [a, b] =
        w > h
          ? [
              { w: w * share, h },
              { w: w * (1 - share), h },
            ]
          : [
              { w, h: h * share },
              { w, h: h * (1 - share) },
            ];
      rects.splice(i, 1, a, b);
    }
    return rects.map(({ w, h }) => ({ w: w * (1 - waste * random()), h: h * (1 - waste * random()), mayTurn: true }));
  }
  test('lays in so many sheets again what was cut from them, 6 % of waste and no two sides alike: at least nine of ten, seeds 1 to 10', () => {
    let reached = 0;
    for (let seed = 1; seed <= 10; seed++) {
      const slabs = cutUp(seed, 3, 30, 0.06);
      const grounds = Array.from({ length: 3 }, () => ({ w: 1250, h: 600 }));
      const search = new SlicingSearch(slabs, grounds, seeded(seed), 10_000);
      for (let i = 0; i < 40_000 && !search.isDone; i++) search.step();
      expectSound(search.trees, slabs, grounds);
      reached += Number(search.isDone);
    }
    expect(reached).toBeGreaterThanOrEqual(9);
  }, 60_000);
  test('one seed and one number of moves are always the same layout', () => {
    const slabs = cutUp(3, 2, 20, 0.01);
    const grounds = Array.from({ length: 2 }, () => ({ w: 1250, h: 600 }));
    const after = (): string => {
      const search = new SlicingSearch(slabs, grounds, seeded(7), 2_000);
      for (let i = 0; i < 3_000; i++) search.step();
      return JSON.stringify(grounds.map((_, b) => search.trees.cutTree(b, 0, 0, partAt(slabs))));
    };
    expect(after()).toBe(after());
  });
});
