import { evenTrim, type Blank, type Layout, type SheetRule, cutOrder, leastCost, layOut } from './nesting';
import { aBoard, aMound, aPit, aTask, CATALOGUE, derived } from '../../testing';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { materialBy, toolBy } from '../../catalogue';
import { areaMm2 } from '../../base/geometry';
import type { Plan } from '../../plan';
import { cutList, minutesByPart, passesThrough, sheetLabour } from './bench';
import { totalSheets, usedOfAll } from './cut-sheets';

const SLACK_MM = 1e-6;

/** Everything a layout must be, whatever the job: each part once, on the sheet within the trim, kerf kept to every neighbour. */
function expectSound(blanks: readonly Blank[], rule: SheetRule, layout: Layout): void {
  const placed = layout.sheets.flatMap(({ placements }) => placements);
  expect([...placed.map(({ blankId }) => blankId), ...layout.tooLarge].sort()).toEqual(blanks.map(({ id }) => id).sort());
  for (const { placements } of layout.sheets) {
    placements.forEach((a, i) => {
      const blank = blanks.find(({ id }) => id === a.blankId)!;
      expect(a.turned ? [a.depthMm, a.widthMm] : [a.widthMm, a.depthMm]).toEqual([blank.widthMm, blank.depthMm]);
      if (a.turned) expect(blank.mayTurn).toBe(true);
      expect(Math.min(a.xMm, a.yMm)).toBeGreaterThanOrEqual(rule.trim.leftMm - SLACK_MM);
      expect(a.xMm + a.widthMm).toBeLessThanOrEqual(rule.widthMm - rule.trim.rightMm + SLACK_MM);
      expect(a.yMm + a.depthMm).toBeLessThanOrEqual(rule.depthMm - rule.trim.bottomMm + SLACK_MM);
      for (const b of placements.slice(i + 1)) {
        const apart = Math.max(
          a.xMm - (b.xMm + b.widthMm),
          b.xMm - (a.xMm + a.widthMm),
          a.yMm - (b.yMm + b.depthMm),
          b.yMm - (a.yMm + a.depthMm),
        );
        expect(apart).toBeGreaterThanOrEqual(rule.kerfMm - SLACK_MM);
      }
    });
  }
}

/** Whether straight-through cuts alone can free every part: split by any line no part crosses, and again. */
function comesFreeByThroughCuts(placements: Layout['sheets'][number]['placements']): boolean {
  if (placements.length <= 1) return true;
  for (const [at, size] of [
    ['xMm', 'widthMm'],
    ['yMm', 'depthMm'],
  ] as const) {
    for (const { [at]: start } of placements) {
      const before = placements.filter((p) => p[at] + p[size] <= start + SLACK_MM);
      const after = placements.filter((p) => p[at] >= start - SLACK_MM);
      if (before.length > 0 && after.length > 0 && before.length + after.length === placements.length)
        return comesFreeByThroughCuts(before) && comesFreeByThroughCuts(after);
    }
  }
  return false;
}

describe('parts on sheets', () => {
  test('two tiles of 500 × 500 on a sheet of 1220 × 610, trim 5, saw 3: one sheet, 508 mm from the left for the second', () => {
    const rule = { widthMm: 1220, depthMm: 610, trim: evenTrim(5), kerfMm: 3 };
    const blanks = ['A', 'B'].map((id): Blank => ({ id, widthMm: 500, depthMm: 500, mayTurn: true }));
    const layout = layOut(aTask(blanks, rule));
    expect(layout.sheets).toHaveLength(1);
    expect(layout.sheets[0]!.placements.map(({ xMm, yMm }) => [xMm, yMm])).toEqual([
      [5, 5],
      [508, 5],
    ]);
    expectSound(blanks, rule, layout);
  });

  test('a part cut to exactly the trimmed sheet fits; a tenth more does not', () => {
    const rule = { widthMm: 1200, depthMm: 600, trim: evenTrim(5), kerfMm: 1 };
    expect(layOut(aTask([{ id: 'a', widthMm: 1190, depthMm: 590, mayTurn: false }], rule)).sheets).toHaveLength(1);
    expect(layOut(aTask([{ id: 'a', widthMm: 1190.1, depthMm: 590, mayTurn: true }], rule))).toMatchObject({ sheets: [], tooLarge: ['a'] });
    expect(layOut(aTask([{ id: 'a', widthMm: 590, depthMm: 1190, mayTurn: true }], rule)).sheets[0]!.placements[0]!.turned).toBe(true);
  });

  test('nothing to cut takes no sheet', () => {
    expect(layOut(aTask([], { widthMm: 1200, depthMm: 600, trim: evenTrim(5), kerfMm: 0 }))).toEqual({ sheets: [], tooLarge: [] });
  });

  test('for any job: no overlap, within the trim, kerf kept, every part once, free by through cuts, no fewer sheets than the bound', () => {
    const size = fc.integer({ min: 10, max: 900 });
    const blank = fc.record({ widthMm: size, depthMm: size, mayTurn: fc.boolean() });
    const anyRule = fc.record({
      widthMm: fc.constantFrom(600, 1200, 2400),
      depthMm: fc.constantFrom(400, 600, 1200),
      trim: fc.constantFrom(evenTrim(0), evenTrim(5), evenTrim(12.5), { leftMm: 0, topMm: 4, rightMm: 9, bottomMm: 0 }),
      kerfMm: fc.constantFrom(0, 1, 3),
    });
    fc.assert(
      fc.property(fc.array(blank, { maxLength: 30 }), anyRule, (sizes, rule) => {
        const blanks = sizes.map((each, i): Blank => ({ id: `p${i}`, ...each }));
        const layout = layOut(aTask(blanks, rule));
        expectSound(blanks, rule, layout);
        const fitting = blanks.filter(({ id }) => !layout.tooLarge.includes(id));
        const { stock, kerfMm } = aTask(fitting, rule);
        expect(layout.sheets.length).toBeGreaterThanOrEqual(Math.floor(leastCost(fitting, stock, kerfMm, 'fewest')));
        for (const { placements, rest } of layout.sheets) {
          expect(comesFreeByThroughCuts(placements)).toBe(true);
          const overRest = placements.filter(
            (p) =>
              p.xMm < rest.xMm + rest.widthMm - SLACK_MM &&
              rest.xMm < p.xMm + p.widthMm - SLACK_MM &&
              p.yMm < rest.yMm + rest.depthMm - SLACK_MM &&
              rest.yMm < p.yMm + p.depthMm - SLACK_MM,
          );
          if (rest.widthMm * rest.depthMm > 0) expect(overRest).toEqual([]);
        }
      }),
      { numRuns: 400 },
    );
  });
});

const partsFor = (plan: Plan) => derived(plan).partList;

describe('what is cut for a board', () => {
  test('four tiles on a substrate: four substrates and four grounds of 600 × 400', () => {
    const { parts, hollows } = partsFor(aBoard());
    expect(parts.map(({ name, widthMm, depthMm }) => `${name} ${widthMm}×${depthMm}`)).toContain('A1 substrate 600×400');
    expect(parts).toHaveLength(8);
    expect(hollows).toEqual([]);
  });

  test('a mound over a seam is cut for each tile; its parts add up to its footprint', () => {
    const raised = partsFor(aBoard({}, aMound([500, 100, 300, 100], 20))).parts.filter(({ stage }) => stage === 'raised');
    expect(raised.map(({ workpieceId, widthMm }) => [workpieceId, widthMm])).toEqual([
      ['A1', 100],
      ['B1', 200],
    ]);
    expect(raised.reduce((sum, part) => sum + part.areaMm2, 0)).toBeCloseTo(30_000, 3);
  });

  test('a pit of 8 mm in 30 mm foam is carved: 200 × 100 × 8 = 160 000 mm³; a deliberate cut-through leaves a hole', () => {
    expect(partsFor(aBoard({}, aPit([50, 50, 200, 100], 8))).hollows).toEqual([
      {
        workpieceId: 'A1',
        featureId: 'pit',
        areaMm2: expect.closeTo(20_000, 3) as number,
        volumeMm3: expect.closeTo(160_000, 2) as number,
      },
    ]);
    const { parts, hollows } = partsFor(aBoard({}, aPit([50, 50, 200, 100], 30, 'pit', true)));
    expect(hollows).toEqual([]);
    const ground = parts.find(
      ({ workpieceId, stage, materialId }) => workpieceId === 'A1' && stage === 'base' && materialId === 'xps-foam',
    )!;
    expect(areaMm2(ground.outline)).toBeCloseTo(600 * 400 - 20_000, 2);
    expect(areaMm2(parts.find(({ materialId, workpieceId }) => workpieceId === 'A1' && materialId === 'mdf')!.outline)).toBeCloseTo(
      240_000,
      2,
    );
  });

  test('30 mm foam takes a score of 3 and three passes of 9 with a knife, one with a hot wire', () => {
    const foam = materialBy(CATALOGUE, 'xps-foam');
    expect(passesThrough(foam, toolBy(CATALOGUE, 'knife'), 30)).toBe(4);
    expect(passesThrough(foam, toolBy(CATALOGUE, 'hot-wire'), 30)).toBe(1);
  });

  test('a sheet of 1200 × 600 with two grounds of 600 × 400: cuts, edges and minutes; shares of the parts add up', () => {
    const plan = aBoard();
    const jobs = derived(plan).jobs;
    const foam = jobs.find(({ materialId }) => materialId === 'xps-foam')!;
    const order = cutOrder(foam.layout.sheets[0]!, foam.kerfMm)!;
    const metres = order.cuts.reduce((sum, { lengthMm }) => sum + lengthMm, 0) / 1000;
    const work = sheetLabour(foam, 0, CATALOGUE);
    expect(work.length.value).toBeCloseTo(metres, 9);
    // four passes at 0.6 m a minute, and 20 s to mark each line; an edge lasts 8 m in bare foam
    expect(work.minutes.value).toBeCloseTo((metres * 4) / 0.6 + order.cuts.length / 3, 6);
    expect(work.edges!.value).toBe(Math.ceil((metres * 4) / 8));
    expect(work.shop).toBeNull();
    const minutes = minutesByPart({ jobs, catalogue: CATALOGUE });
    const shares = foam.layout.sheets[0]!.placements.reduce((sum, { blankId }) => sum + minutes.get(blankId)!.value, 0);
    expect(shares).toBeCloseTo(work.minutes.value, 6);
  });

  test('the cheapest size is taken; tiles lie turned, three of 400 mm with two kerfs of 3 to a sheet', () => {
    const jobs = derived(aBoard()).jobs;
    expect(jobs.map(({ name, layout }) => [name, layout.sheets.length, layout.sheets[0]!.stock.widthMm])).toEqual([
      ['MDF, 6 mm', 2, 1220],
      ['XPS insulation foam, 30 mm', 2, 1200],
    ]);
    expect(totalSheets(jobs).value).toBe(4);
    // four boxes of 603 × 403 on the largest sheet there is, 2443 × 1223 with a kerf; two small sheets are the cheapest area
    expect(jobs[0]!.fewest.value).toBe(Math.ceil((4 * 603 * 403) / (2443 * 1223)));
    expect(jobs[0]!.cheapest.value).toBe(2 * 860);
    expect(jobs[0]!.used.value).toBeCloseTo((100 * 960_000) / (2 * 1220 * 610), 9);
    expect(usedOfAll(jobs).value).toBeCloseTo((100 * 2 * 960_000) / (2 * 1220 * 610 + 2 * 1200 * 600), 9);
    expect(usedOfAll([]).value).toBe(0);
    expect(jobs[1]!.passes.value).toBe(4);
    const rows = cutList(jobs[0]!, 0);
    expect(rows.map(({ number, leftMm, topMm }) => [number, leftMm, topMm])).toEqual([
      [1, 0, 0],
      [2, 403, 0],
      [3, 806, 0],
    ]);
  });
});
