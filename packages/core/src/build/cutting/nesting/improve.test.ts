import { evenTrim, type Blank, type Layout, type SheetRule } from './layout';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { seeded } from '../../../base/random';
import { aTask, expectComesApart, expectSoundLayout } from '../../../testing';
import { isBetterLayout } from './layout-cost';
import { layOut } from './quick-layout';
import { leastByExactSearch } from './guillotine/exact';
import { improveLayout } from './improve';
import { savedFrom, layoutFromSaved } from '../saved';

const blank = (id: string, widthMm: number, depthMm: number, mayTurn = true): Blank => ({ id, widthMm, depthMm, mayTurn });
const RULE: SheetRule = { widthMm: 1250, depthMm: 600, trim: evenTrim(5), kerfMm: 1 };

/** The best layout after a number of answers. */
function improved(blanks: readonly Blank[], rule: SheetRule, answers: number, seed = 1, isEnough = false) {
  let last;
  for (const progress of improveLayout(aTask(blanks, rule), seeded(seed))) {
    last = progress;
    if (--answers <= 0 || (isEnough && progress.isProven)) break;
  }
  return last!;
}

const expectSound = (blanks: readonly Blank[], rule: SheetRule, layout: Layout): void => expectSoundLayout(aTask(blanks, rule), layout);
/** Sheets that the exact search says are needed of one size; null where it cannot say. */
const fewestByExactSearch = (blanks: readonly Blank[], rule: SheetRule): number | null => {
  const least = leastByExactSearch(blanks, aTask(blanks, rule).stock, rule.kerfMm, 'fewest');
  return least === null ? null : Math.floor(least);
};

describe('an improved layout', () => {
  test('is looked for on sets of sheets that the parts go on, however much room cheap strips would have', () => {
    const widths = [205, 205, 206, 206, 206, 207];
    const blanks = [0, 1].flatMap((sheet) => widths.map((w, i) => blank(`${sheet}-${i}`, w, 590)));
    const strip = { ...aTask(blanks, { ...RULE, widthMm: 2_400, depthMm: 180 }).stock[0]!, priceMinor: 8 };
    const short = { ...strip, widthMm: 220, depthMm: 200, priceMinor: 2 };
    const task = aTask(blanks, RULE);
    const search = improveLayout({ ...task, stock: [...task.stock, strip, short], aim: 'cheapest' }, seeded(1));
    let last: Layout | null = null;
    for (let i = 0; i < 80; i++) last = search.next().value!.layout;
    expect(last!.sheets.map(({ stock }) => stock.widthMm)).toEqual([1_250, 1_250]);
  });
  test('twelve strips that only go into two sheets in one way: 1240 × 590 usable, cut into six widths each', () => {
    const widths = [205, 205, 206, 206, 206, 207];
    const blanks = [0, 1].flatMap((sheet) => widths.map((w, i) => blank(`${sheet}-${i}`, w, 590)));
    const { layout, isProven } = improved(blanks, RULE, 60, 1, true);
    expect([layout.sheets.length, isProven]).toEqual([2, true]);
  });
  test('is never worse than the quick one, sound, and comes free by the listed cuts, whatever the job (thousands of parts in random jobs)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 20, max: 620 }), fc.integer({ min: 20, max: 500 }), fc.boolean()), {
          minLength: 1,
          maxLength: 22,
        }),
        fc.integer({ min: 0, max: 10 }),
        fc.integer({ min: 0, max: 4 }),
        (sizes, trimMm, kerfMm) => {
          const rule = { ...RULE, trimMm, kerfMm };
          const blanks = sizes.map(([w, h, mayTurn], i) => blank(`p${i}`, w, h, mayTurn));
          const { layout } = improved(blanks, rule, 3);
          const quick = layOut(aTask(blanks, rule));
          expect(isBetterLayout(quick, layout, 'cheapest') && quick.sheets.length < layout.sheets.length).toBe(false);
          expectSound(blanks, rule, layout);
          for (const sheet of layout.sheets) expectComesApart(sheet, rule.kerfMm);
          for (const sheet of quick.sheets) expectComesApart(sheet, rule.kerfMm);
        },
      ),
      { numRuns: 60 },
    );
  }, 60_000);
  test('what a sheet leaves is cut off whole where it reaches further than the part beside it', () => {
    const sizes = [
      [224, 20],
      [20, 21],
      [434, 361],
      [579, 21],
    ] as const;
    const blanks = sizes.map(([w, h], i) => blank(`p${i}`, w, h, false));
    const { layout } = improved(blanks, { ...RULE, trim: evenTrim(3), kerfMm: 4 }, 3);
    // The rest ends beside no part: 809 mm in, where the nearest part ends at 606.
    expect(layout.sheets.map(({ rest }) => rest.xMm + rest.widthMm)).toEqual([809]);
    for (const sheet of layout.sheets) expectComesApart(sheet, 4);
  });
  test('the same seed gives the same layout', () => {
    const random = seeded(5);
    const blanks = Array.from({ length: 25 }, (_, i) => blank(`p${i}`, 60 + Math.round(random() * 300), 60 + Math.round(random() * 200)));
    expect(improved(blanks, RULE, 8, 3).layout).toEqual(improved(blanks, RULE, 8, 3).layout);
  });
});

describe('the exact search', () => {
  test('four quarters fit one sheet; a fifth needs another', () => {
    const quarter = (i: number): Blank => blank(`q${i}`, 619.5, 294.5);
    expect(fewestByExactSearch([0, 1, 2, 3].map(quarter), RULE)).toBe(1);
    expect(fewestByExactSearch([0, 1, 2, 3, 4].map(quarter), RULE)).toBe(2);
  });
  test('a pinwheel of four fills a square that no through cut divides: it needs a second sheet', () => {
    const rule = { widthMm: 300, depthMm: 300, trim: evenTrim(0), kerfMm: 0 };
    const pinwheel = [...['a', 'b', 'c', 'd'].map((id) => blank(id, 170, 130)), blank('e', 40, 40)];
    expect(fewestByExactSearch(pinwheel, rule)).toBe(2);
    expect(improved(pinwheel, rule, 6, 1, true)).toMatchObject({ isProven: true });
  });
  test('ten parts are too many, and a part that may not turn is not turned', () => {
    expect(
      fewestByExactSearch(
        Array.from({ length: 10 }, (_, i) => blank(`p${i}`, 50, 50)),
        RULE,
      ),
    ).toBeNull();
    const rule = { widthMm: 100, depthMm: 300, trim: evenTrim(0), kerfMm: 0 };
    expect(fewestByExactSearch([blank('a', 200, 90), blank('b', 100, 90)], rule)).toBe(1);
    expect(fewestByExactSearch([blank('a', 200, 90, false)], rule)).toBeNull();
  });
  test('no search finds fewer, on 60 random jobs of up to 7 parts, seeds 1 to 60', () => {
    let reached = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const random = seeded(seed * 977);
      const blanks = Array.from({ length: 2 + Math.floor(random() * 6) }, (_, i) =>
        blank(`p${i}`, 150 + Math.round(random() * 600), 100 + Math.round(random() * 450)),
      );
      const fewest = fewestByExactSearch(blanks, RULE)!;
      const { layout } = improved(blanks, RULE, 25, seed, true);
      expect(layout.sheets.length, `seed ${seed}`).toBeGreaterThanOrEqual(fewest);
      reached += Number(layout.sheets.length === fewest);
    }
    expect(reached).toBeGreaterThanOrEqual(57);
  });
});

describe('a kept layout', () => {
  const blanks = [blank('a', 400, 300), blank('b', 400, 280), blank('c', 300, 500)];
  const layout = layOut(aTask(blanks, RULE));
  const kept = savedFrom('job', layout);
  test('comes back as it was kept, with its largest rest', () => {
    const back = layoutFromSaved(kept, aTask(blanks, RULE));
    if (!back.ok) throw new Error(back.problem.code);
    expect(back.value.sheets.map(({ placements }) => placements)).toEqual(layout.sheets.map(({ placements }) => placements));
    expect(back.value.sheets[0]!.rest.widthMm * back.value.sheets[0]!.rest.depthMm).toBeGreaterThanOrEqual(
      layout.sheets[0]!.rest.widthMm * layout.sheets[0]!.rest.depthMm - 1,
    );
  });
  test('no longer serves when a part grew into another, is new, is gone, or may not turn', () => {
    const why = (now: Blank[]): string => {
      const back = layoutFromSaved(kept, aTask(now, RULE));
      return back.ok ? 'serves' : back.problem.code;
    };
    expect(why(blanks)).toBe('serves');
    expect(why([blank('a', 900, 300), ...blanks.slice(1)])).toMatch(/saved\/(overlap|off-sheet)/);
    expect(why([...blanks, blank('d', 50, 50)])).toBe('saved/other-parts');
    expect(why(blanks.slice(1))).toBe('saved/other-parts');
    const turnedOne = kept.sheets.flatMap(({ places }) => places).find(({ turned }) => turned);
    if (turnedOne !== undefined)
      expect(why(blanks.map((one) => (one.id === turnedOne.blankId ? { ...one, mayTurn: false } : one)))).toBe('saved/turned');
  });
});
