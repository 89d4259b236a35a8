import { evenTrim, type Layout, type LayoutTask, type SheetRule } from '../layout';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Region, areaMm2, edgeMm, evenOdd, intersection, regionBox, regionOf } from '../../../../base/geometry';
import { seeded } from '../../../../base/random';
import { derivePipeline } from '../../../../pipeline';
import { aBank, aBoard, aCrater, aTask, CATALOGUE, expectSoundLayout } from '../../../../testing';
import { CellSheet, spansOf } from './raster';
import { type CutJob, optimalityOf } from '../../job';
import { isBetterLayout } from '../layout-cost';
import type { Part } from '../../parts';
import { blankOf } from '../guillotine/blanks';
import { improveFreeform } from './freeform';
import { improveLayout } from '../improve';
import { savedFrom, layoutFromSaved } from '../../saved';
import { placedOutline, outlinesApart } from './outline';
import { sheetLabour } from '../../bench';

const RULE: SheetRule = { widthMm: 400, depthMm: 300, trim: evenTrim(5), kerfMm: 2 };

function aPart(id: string, outline: Region, grain: Part['grain'] = null): Part {
  const { left, top, right, bottom } = regionBox(outline);
  return {
    id,
    name: id,
    wholeId: id,
    wholeName: id,
    workpieceId: 'A1',
    featureId: null,
    stage: 'raised',
    materialId: 'xps-foam',
    thicknessMm: 20,
    level: 0,
    grain,
    at: null,
    widthMm: right - left,
    depthMm: bottom - top,
    outline,
    areaMm2: areaMm2(outline),
    staysMm2: areaMm2(outline),
    cutMm: edgeMm(outline),
  };
}
const ring = (...points: readonly (readonly [number, number])[]): Region => regionOf(points.map(([x, y]) => ({ x, y })));
const anAngle = (id: string, size = 180, arm = 60): Part =>
  aPart(id, ring([0, 0], [size, 0], [size, arm], [arm, arm], [arm, size], [0, size]));

const taskFor = (parts: readonly Part[], rule = RULE): LayoutTask => aTask(parts.map(blankOf), rule);
function nested(parts: readonly Part[], rule: SheetRule, answers: number, seed = 1): Layout {
  let last: Layout | null = null;
  for (const { layout } of improveFreeform(taskFor(parts, rule), parts, true, seeded(seed))) {
    last = layout;
    if (--answers <= 0) break;
  }
  return last!;
}
/** Outlines apart by the kerf, on the sheet, every part once. */
function expectClear(parts: readonly Part[], rule: SheetRule, layout: Layout): void {
  expectApart(parts, rule, layout);
  expect(layoutFromSaved(savedFrom('job', layout), { ...taskFor(parts, rule) }, outlinesApart(parts))).toMatchObject({ ok: true });
}
function expectApart(parts: readonly Part[], rule: SheetRule, layout: Layout): void {
  const apart = outlinesApart(parts);
  for (const { placements } of layout.sheets) {
    placements.forEach((a, i) => {
      for (const b of placements.slice(i + 1)) expect(apart(a, b, rule.kerfMm), `${a.blankId} and ${b.blankId}`).toBe(true);
    });
  }
}

describe('cells of a sheet', () => {
  test('a square of 10 mm on cells of 5 touches nine by nine quarters at most, never fewer than its own two by two', () => {
    const spans = spansOf(ring([0, 0], [10, 0], [10, 10], [0, 10]), 0, 5);
    const cells = spans.flatMap(({ row, from, to }) => Array.from({ length: to - from + 1 }, (_, i) => `${from + i} ${row}`));
    for (const own of ['0 0', '1 0', '0 1', '1 1']) expect(cells).toContain(own);
    expect(cells.length).toBeLessThanOrEqual(16);
  });
  test('every cell that a random shape meets is counted', () => {
    const point = fc.record({ x: fc.integer({ min: 0, max: 90 }), y: fc.integer({ min: 0, max: 90 }) });
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 7 }), (points) => {
        const shape = evenOdd([points]);
        if (areaMm2(shape) < 50) return;
        const spans = spansOf(shape, 0, 8);
        for (let row = 0; row < 12; row++) {
          for (let col = 0; col < 12; col++) {
            const cell = ring([col * 8, row * 8], [col * 8 + 8, row * 8], [col * 8 + 8, row * 8 + 8], [col * 8, row * 8 + 8]);
            const meets = areaMm2(intersection(shape, cell)) > 0.1;
            if (meets) expect(spans.some((span) => span.row === row && span.from <= col && col <= span.to)).toBe(true);
          }
        }
      }),
      { numRuns: 60 },
    );
  });
  test('the first place is the topmost, then the leftmost, that meets nothing taken', () => {
    const cells = new CellSheet(10, 6);
    const block = [0, 1].map((row) => ({ row, from: 0, to: 2 }));
    cells.take(block, 0, 0);
    expect(cells.firstPlace(block, 7, 4)).toEqual({ col: 3, row: 0 });
    cells.take(block, 3, 0);
    cells.take(block, 6, 0);
    expect(cells.firstPlace(block, 7, 4)).toEqual({ col: 0, row: 2 });
    expect(cells.firstPlace(block, 7, 1)).toBeNull();
  });
});

describe('free placement', () => {
  test('angles of 180 mm lie in each other’s hollows: two whose boxes need two sheets go on one', () => {
    const parts = [anAngle('a'), anAngle('b')];
    const rule = { ...RULE, widthMm: 300, depthMm: 270 };
    const straight = improveLayout(taskFor(parts, rule), seeded(1)).next().value as { layout: Layout };
    expect(straight.layout.sheets).toHaveLength(2);
    const layout = nested(parts, rule, 12);
    expect(layout.sheets).toHaveLength(1);
    expectClear(parts, rule, layout);
  });
  test('is never worse than through cuts, and sound, whatever the outlines (seeds 1 to 5)', () => {
    for (let seed = 1; seed <= 5; seed++) {
      const random = seeded(seed * 31);
      const parts = Array.from({ length: 9 }, (_, i) => {
        const [w, h] = [40 + Math.round(random() * 120), 40 + Math.round(random() * 100)];
        const cut = 0.3 + random() * 0.5;
        return i % 3 === 0
          ? aPart(`p${i}`, ring([0, 0], [w, 0], [w, h], [0, h]))
          : aPart(`p${i}`, ring([0, 0], [w, 0], [w, h * cut], [w * cut, h], [0, h]));
      });
      const layout = nested(parts, RULE, 8, seed);
      expectClear(parts, RULE, layout);
      const straight = improveLayout(taskFor(parts), seeded(seed)).next().value as { layout: Layout };
      expect(isBetterLayout(straight.layout, layout, 'cheapest')).toBe(false);
    }
  }, 60_000);
  test('wedges and angles that fill two thirds of a sheet go on it, clear of each other and of what is pinned, the same each time', () => {
    const random = seeded(3);
    const parts = Array.from({ length: 15 }, (_, i) => {
      const [w, h] = [50 + Math.round(random() * 60), 40 + Math.round(random() * 50)];
      return aPart(
        `p${i}`,
        i % 2 === 0 ? ring([0, 0], [w, 0], [0, h]) : ring([0, 0], [w, 0], [w, h * 0.35], [w * 0.3, h * 0.35], [w * 0.3, h], [0, h]),
      );
    });
    const rule = { ...RULE, widthMm: 310, depthMm: 240, kerfMm: 1 };
    const share = parts.reduce((sum, { areaMm2: own }) => sum + own, 0) / (300 * 230);
    expect(share).toBeCloseTo(0.65, 2);
    const pin = { blankId: 'p1', xMm: 5, yMm: 5, widthMm: parts[1]!.widthMm, depthMm: parts[1]!.depthMm, turned: false, half: false };
    const task = taskFor(parts, rule);
    const pinned = { ...task, pinned: [{ stock: task.stock[0]!, placements: [{ ...pin, pinned: true }] }] };
    const once = (): Layout => {
      let answers = 0;
      for (const { layout } of improveFreeform(pinned, parts, true, seeded(8)))
        if (layout.sheets.length === 1 || ++answers > 3_000) return layout;
      throw new Error('the search ended');
    };
    const layout = once();
    expect(layout.sheets).toHaveLength(1);
    expectClear(parts, rule, layout);
    expect(layout.sheets[0]!.placements.find(({ blankId }) => blankId === 'p1')).toMatchObject(pin);
    expect(layout.sheets[0]!.placements).toHaveLength(15);
    expect(once()).toEqual(layout);
  }, 60_000);
  test('offcuts are used up before a second sheet is bought', () => {
    const parts = Array.from({ length: 6 }, (_, i) => anAngle(`a${i}`, 120, 40));
    const rule = { ...RULE, widthMm: 260, depthMm: 180 };
    const task = taskFor(parts, rule);
    const offcut = { ...task.stock[0]!, widthMm: 175, depthMm: 135, offcutId: 'o1', priceMinor: 0 };
    let answers = 0;
    for (const { layout } of improveFreeform({ ...task, stock: [...task.stock, offcut] }, parts, true, seeded(1))) {
      if (layout.sheets.filter(({ stock }) => stock.offcutId === null).length > 1 && ++answers < 600) continue;
      expect(layout.sheets.map(({ stock }) => stock.offcutId).sort()).toEqual([null, 'o1'].sort());
      expectApart(parts, rule, layout);
      return;
    }
  }, 60_000);
  test('a part that goes on the large sheets only is never looked for on a set of small ones', () => {
    const parts = [
      ...Array.from({ length: 4 }, (_, i) => anAngle(`a${i}`, 120, 40)),
      aPart('long', ring([0, 0], [500, 0], [500, 30], [0, 40])),
    ];
    const task = taskFor(parts, { ...RULE, widthMm: 200, depthMm: 200 });
    const large = { ...task.stock[0]!, widthMm: 600, depthMm: 300, priceMinor: 1_000 };
    let last: Layout | null = null;
    let answers = 0;
    for (const { layout } of improveFreeform({ ...task, stock: [...task.stock, large] }, parts, true, seeded(1))) {
      last = layout;
      if (++answers >= 60) break;
    }
    expect(last!.tooLarge).toEqual([]);
    expect(last!.sheets.map(({ stock }) => stock.widthMm)).toContain(600);
    expectApart(parts, RULE, last!);
  }, 30_000);
  test('a part whose grain runs across its box lies turned, and only ever so or by a half', () => {
    const parts = [anAngle('a', 180), aPart('g', ring([0, 0], [120, 0], [120, 40], [0, 80]), 'y')];
    const layout = nested(parts, RULE, 6);
    const grained = layout.sheets.flatMap(({ placements }) => placements).find(({ blankId }) => blankId === 'g')!;
    expect(grained.turned).toBe(false); // its blank already lies across
    expect([grained.widthMm, grained.depthMm]).toEqual([80, 120]);
  });
});

test('lying outlines keep their face up: turned by a quarter and a half they run the same way round', () => {
  const part = anAngle('a');
  const way = ({ rings }: Region): number =>
    Math.sign(
      rings[0]!.reduce(
        (sum, { x, y }, i) => sum + x * rings[0]![(i + 1) % rings[0]!.length]!.y - rings[0]![(i + 1) % rings[0]!.length]!.x * y,
        0,
      ),
    );
  for (const turned of [false, true]) {
    for (const half of [false, true]) {
      const lying = placedOutline(part, { turned, half });
      expect(way(lying)).toBe(way(part.outline));
      expect(regionBox(lying)).toMatchObject({ left: 0, top: 0 });
      expect(areaMm2(lying)).toBeCloseTo(part.areaMm2, 6);
    }
  }
});

test('pinned parts stay where they are, and the others are nested round them', () => {
  const parts = [anAngle('a'), anAngle('b'), aPart('c', ring([0, 0], [60, 0], [60, 60], [0, 60]))];
  const task = taskFor(parts);
  const pin = { blankId: 'c', xMm: 170, yMm: 120, widthMm: 60, depthMm: 60, turned: false, half: false, pinned: true };
  const pinned = { ...task, pinned: [{ stock: task.stock[0]!, placements: [pin] }] };
  let last: Layout | null = null;
  let answers = 5;
  for (const { layout } of improveFreeform(pinned, parts, true, seeded(2))) {
    last = layout;
    if (--answers === 0) break;
  }
  expect(last!.sheets.flatMap(({ placements }) => placements).find(({ blankId }) => blankId === 'c')).toMatchObject({ xMm: 170, yMm: 120 });
  expectClear(parts, RULE, last!);
  expectSoundLayout(
    { ...pinned, blanks: pinned.blanks.filter(({ id }) => id === 'c') },
    { sheets: [{ ...last!.sheets[0]!, placements: [pin] }], tooLarge: [] },
  );
});

describe('a job cut with a wire', () => {
  const plan = aBoard(
    {},
    aCrater([300, 200], 90, 12),
    aBank(
      [
        [100, 300],
        [300, 340],
        [500, 300],
      ],
      40,
      20,
      10,
    ),
  );
  const wired = { ...plan, cutting: { ...plan.cutting, tools: [{ jobKey: 'xps-foam-20', toolId: 'hot-wire', kerfMm: null }] } };
  const jobOf = (one: typeof plan): CutJob => derivePipeline()(one, CATALOGUE).jobs.find(({ key }) => key === 'xps-foam-20')!;
  test('is bound by its true areas, never by boxes that may overlap', () => {
    const [knife, wire] = [jobOf(plan), jobOf(wired)];
    expect(wire.kerfMm).toBe(1);
    expect(wire.cheapest.value).toBeLessThanOrEqual(knife.cheapest.value);
    expect(optimalityOf(wire).gap.value).toBeGreaterThanOrEqual(0);
  });
  test('that no through cut frees is cut round every outline, and not round its boxes besides', () => {
    const job = jobOf(wired);
    const [sheet] = job.layout.sheets;
    const ids = job.parts.map(({ id }) => id);
    // Four equal boxes laid like a pinwheel stand for parts that interlock.
    const part = job.parts[0]!;
    const four = [0, 1, 2, 3].map((i) => ({ ...part, id: `${ids[0]}${i}`, widthMm: 170, depthMm: 130, areaMm2: 170 * 130, cutMm: 600 }));
    const at = [
      [5, 5, 170, 130],
      [176, 5, 130, 170],
      [136, 176, 170, 130],
      [5, 136, 130, 170],
    ] as const;
    const placements = at.map(([xMm, yMm, widthMm, depthMm], i) => ({
      blankId: four[i]!.id,
      xMm,
      yMm,
      widthMm,
      depthMm,
      turned: i % 2 === 1,
      half: false,
      pinned: false,
    }));
    const wheel: CutJob = { ...job, parts: four, layout: { sheets: [{ ...sheet!, placements }], tooLarge: [] } };
    expect(sheetLabour(wheel, 0, CATALOGUE).length.value).toBeCloseTo(4 * 0.6, 9);
  });
});
