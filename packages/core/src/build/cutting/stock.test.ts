import {
  evenTrim,
  type Blank,
  type Layout,
  type LayoutTask,
  type SheetRule,
  type Stock,
  cutOrder,
  improveLayout,
  isNew,
  layOut,
  layoutCost,
  leastByExactSearch,
  leastCost,
} from './nesting';
import { type Offcut, EMPTY_WORKSHOP } from '../../plan/workshop';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { seeded } from '../../base/random';
import { aBoard, anOffcut, aTask, CATALOGUE, expectComesApart, expectSoundLayout, sheetOf } from '../../testing';
import { derivePipeline } from '../../pipeline';
import { savedFrom, leftoversOf } from './saved';

const RULE: SheetRule = { widthMm: 1200, depthMm: 600, trim: evenTrim(5), kerfMm: 1 };
const blank = (id: string, widthMm: number, depthMm: number, mayTurn = true): Blank => ({ id, widthMm, depthMm, mayTurn });
const SMALL = sheetOf(RULE, 500);
const LARGE = sheetOf({ widthMm: 2400, depthMm: 1200, trim: evenTrim(5) }, 1_700);

function improved(task: LayoutTask, answers: number, seed = 1): Layout {
  let last: Layout | null = null;
  for (const progress of improveLayout(task, seeded(seed))) {
    last = progress.layout;
    if (--answers <= 0 || progress.isProven) break;
  }
  return last!;
}
const sizes = (layout: Layout): (number | string)[] => layout.sheets.map(({ stock }) => stock.offcutId ?? stock.widthMm).sort();

describe('sheets of several sizes and prices', () => {
  const tiles = (count: number): Blank[] => Array.from({ length: count }, (_, i) => blank(`t${i}`, 590, 590));
  test('nine tiles of 590: a large sheet for 17.00 holds eight, four small ones would cost 20.00; the ninth goes on a small one', () => {
    const layout = improved(aTask(tiles(9), RULE, { stock: [SMALL, LARGE] }), 40);
    expect(sizes(layout)).toEqual([1200, 2400]);
    expect(layoutCost(layout.sheets, 'cheapest')).toBeCloseTo(2_200, 3);
  });
  test('for fewest sheets six tiles take one large sheet, for least money three small ones', () => {
    expect(sizes(improved(aTask(tiles(6), RULE, { stock: [SMALL, LARGE], aim: 'fewest' }), 40))).toEqual([2400]);
    expect(sizes(improved(aTask(tiles(6), RULE, { stock: [SMALL, LARGE] }), 40))).toEqual([1200, 1200, 1200]);
  });
  test('the area bound is the cheapest set of sizes with the area: nine tiles take 17.00 + 5.00 at least', () => {
    expect(leastCost(tiles(9), [SMALL, LARGE], 1, 'cheapest')).toBeCloseTo(2_200, 3);
    expect(leastCost(tiles(9), [SMALL, LARGE, anOffcut('o', 1_190, 600)], 1, 'cheapest')).toBeCloseTo(1_700, 3);
  });
});

describe('offcuts', () => {
  test('are used before a new sheet is begun, the smallest that takes the part first', () => {
    const rack = [anOffcut('big', 800, 500), anOffcut('small', 320, 220)];
    const layout = layOut(aTask([blank('a', 300, 200), blank('b', 700, 400)], RULE, { stock: [SMALL, ...rack] }));
    expect(sizes(layout)).toEqual(['big', 'small']);
    expect(layout.sheets.every(({ stock }) => !isNew(stock))).toBe(true);
  });
  test('each is there once, and nothing is trimmed off it', () => {
    const layout = layOut(aTask([blank('a', 320, 220), blank('b', 320, 220)], RULE, { stock: [SMALL, anOffcut('o', 320, 220)] }));
    expect(sizes(layout)).toEqual([1200, 'o']);
    expect(layout.sheets.find(({ stock }) => stock.offcutId === 'o')!.placements[0]).toMatchObject({ xMm: 0, yMm: 0 });
    const order = cutOrder(
      layout.sheets.find(({ stock }) => stock.offcutId === 'o')!,
      1,
    )!;
    expect(order.cuts).toEqual([]);
  });
  test('the exact search counts them: four quarters and an offcut that takes one', () => {
    const quarters = [0, 1, 2, 3, 4].map((i) => blank(`q${i}`, 594.5, 294.5));
    expect(leastByExactSearch(quarters, [SMALL], 1, 'fewest')).toBeCloseTo(2, 3);
    expect(leastByExactSearch(quarters, [SMALL, anOffcut('o', 600, 300)], 1, 'fewest')).toBeCloseTo(1, 3);
  });
  test('in the rack of a board they save a sheet, and are named in the job', () => {
    const plan = aBoard({ widthMm: 1500, depthMm: 500, columns: 3, rows: 1 });
    const derive = derivePipeline();
    const foam = (offcuts: readonly Offcut[]) =>
      derive(plan, CATALOGUE, { ...EMPTY_WORKSHOP, offcuts }).jobs.find(({ materialId }) => materialId === 'xps-foam')!;
    expect(foam([]).sheetCount.value).toBe(2);
    const helped = foam([{ id: 'r1', materialId: 'xps-foam', thicknessMm: 30, widthMm: 520, depthMm: 510 }]);
    expect([helped.sheetCount.value, helped.offcutCount.value]).toEqual([1, 1]);
    const other = foam([{ id: 'r1', materialId: 'xps-foam', thicknessMm: 20, widthMm: 520, depthMm: 510 }]);
    expect(other.offcutCount.value).toBe(0);
  });
  test('what a sheet leaves goes back when it is worth its place: 500 × 500 of 1200 × 600 leaves 700 × 600 and 500 × 100', () => {
    const { jobs } = derivePipeline()(aBoard({ widthMm: 500, depthMm: 500, columns: 1, rows: 1 }), CATALOGUE);
    const foam = jobs.find(({ materialId }) => materialId === 'xps-foam')!;
    const [sheet] = foam.layout.sheets;
    expect(sheet!.stock.widthMm).toBe(1_200);
    expect(leftoversOf(foam, sheet!, CATALOGUE)).toEqual([
      { materialId: 'xps-foam', thicknessMm: 30, widthMm: 700, depthMm: 600 },
      { materialId: 'xps-foam', thicknessMm: 30, widthMm: 500, depthMm: 100 },
    ]);
    const greedy = { ...CATALOGUE, bench: { ...CATALOGUE.bench, leastOffcutMm: { ...CATALOGUE.bench.leastOffcutMm, value: 101 } } };
    expect(leftoversOf(foam, sheet!, greedy)).toHaveLength(1);
  });
});

describe('pinned parts', () => {
  const pin = (blankId: string, xMm: number, yMm: number, widthMm: number, depthMm: number) => ({
    blankId,
    xMm,
    yMm,
    widthMm,
    depthMm,
    turned: false,
    half: false,
    pinned: true,
  });
  test('stay where they were put, quick layout and search alike, on thousands of parts in random jobs', () => {
    const size = fc.tuple(fc.integer({ min: 30, max: 420 }), fc.integer({ min: 30, max: 260 }), fc.boolean());
    fc.assert(
      fc.property(
        fc.array(size, { minLength: 3, maxLength: 24 }),
        fc.integer({ min: 0, max: 3 }),
        fc.nat(700),
        fc.nat(280),
        (all, kerfMm, x, y) => {
          const rule = { ...RULE, kerfMm };
          const blanks = all.map(([w, h, mayTurn], i) => blank(`p${i}`, w, h, mayTurn));
          const [first, second] = blanks;
          const stock: Stock[] = [sheetOf(rule), anOffcut('o', 500, 300)];
          const pins = [pin('p0', 5 + x * 0.9, 5 + y, first!.widthMm, first!.depthMm)];
          const beside = pins[0]!.xMm + first!.widthMm + kerfMm + 40;
          if (beside + second!.widthMm <= 1_195) pins.push(pin('p1', beside, 5, second!.widthMm, second!.depthMm));
          if (pins.some(({ xMm, yMm, widthMm, depthMm }) => xMm + widthMm > 1_195 || yMm + depthMm > 595)) return;
          const task = aTask(blanks, rule, { stock, pinned: [{ stock: stock[0]!, placements: pins }] });
          expectSoundLayout(task, layOut(task));
          expectSoundLayout(task, improved(task, 3));
        },
      ),
      { numRuns: 150 },
    );
  }, 60_000);
  test('that no through cut parts are held together, and the rest is laid round them', () => {
    const wheel = [pin('a', 5, 5, 200, 100), pin('b', 206, 5, 100, 200), pin('c', 106, 206, 200, 100), pin('d', 5, 106, 100, 200)];
    const blanks = [...wheel.map(({ blankId, widthMm, depthMm }) => blank(blankId, widthMm, depthMm)), blank('e', 400, 400)];
    const task = aTask(blanks, RULE, { pinned: [{ stock: sheetOf(RULE), placements: wheel }] });
    const layout = improved(task, 4);
    expectSoundLayout(task, layout);
    expect(layout.sheets).toHaveLength(1);
    expect(cutOrder(layout.sheets[0]!, 1)).toBeNull();
  });
  test('outlive a change of the other parts; a layout with none is laid anew', () => {
    const plan = aBoard({ widthMm: 1160, depthMm: 780 });
    const derive = derivePipeline();
    const foam = (one: typeof plan) => derive(one, CATALOGUE).jobs.find(({ materialId }) => materialId === 'xps-foam')!;
    const job = foam(plan);
    const kept = savedFrom(job.key, job.layout);
    const [sheet] = kept.sheets;
    const [place, ...places] = sheet!.places;
    const moved = { ...sheet!, places: [{ ...place!, xMm: 7, yMm: 9, pinned: true }] };
    const withPin = { ...plan, cutting: { ...plan.cutting, saved: [{ ...kept, sheets: [moved] }] } };
    expect(places.length).toBeGreaterThan(0);
    const own = foam(withPin)
      .layout.sheets.flatMap(({ placements }) => placements)
      .find(({ blankId }) => blankId === place!.blankId)!;
    expect([own.xMm, own.yMm, own.pinned]).toEqual([7, 9, true]);
  });
});

test('of layouts that leave as much, the one with less to cut is found: four strips side by side need no cross cut between them', () => {
  const strips = Array.from({ length: 4 }, (_, i) => blank(`s${i}`, 290, 590));
  const layout = improved(aTask(strips, RULE), 6);
  const order = cutOrder(layout.sheets[0]!, 1)!;
  expect(order.cuts.filter(({ way }) => way === 'across')).toHaveLength(2); // both edges trimmed, none between
});

test('over 2000 random jobs on mixed sizes and a rack: sound, and every sheet comes apart by its listed cuts', () => {
  const size = fc.tuple(fc.integer({ min: 20, max: 700 }), fc.integer({ min: 20, max: 560 }), fc.boolean());
  const rack = fc.array(fc.tuple(fc.integer({ min: 90, max: 900 }), fc.integer({ min: 90, max: 500 })), { maxLength: 4 });
  const job = fc.record({
    all: fc.array(size, { minLength: 1, maxLength: 20 }),
    rack,
    kerfMm: fc.integer({ min: 0, max: 4 }),
    trimMm: fc.integer({ min: 0, max: 10 }),
    aim: fc.constantFrom('cheapest' as const, 'fewest' as const),
  });
  fc.assert(
    fc.property(job, ({ all, rack: pieces, kerfMm, trimMm, aim }) => {
      const trim = evenTrim(trimMm);
      const rule = { ...RULE, kerfMm, trim };
      const task = aTask(
        all.map(([w, h, mayTurn], i) => blank(`p${i}`, w, h, mayTurn)),
        rule,
        { stock: [sheetOf(rule, 500), { ...LARGE, trim }, ...pieces.map(([w, h], i) => anOffcut(`o${i}`, w, h))], aim },
      );
      const layout = layOut(task);
      expectSoundLayout(task, layout);
      for (const sheet of layout.sheets) expectComesApart(sheet, kerfMm);
      const least = leastCost(
        task.blanks.filter(({ id }) => !layout.tooLarge.includes(id)),
        task.stock,
        kerfMm,
        aim,
      );
      expect(layoutCost(layout.sheets, aim)).toBeGreaterThanOrEqual(least - 1e-6);
    }),
    { numRuns: 2_000 },
  );
}, 120_000);
