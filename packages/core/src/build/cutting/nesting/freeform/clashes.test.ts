import { evenTrim, type Blank, type Stock } from '../layout';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { leastByClashes } from './clashes';
import { leastByExactSearch } from '../guillotine/exact';
import { leastCost } from '../stock';

const SHEET: Stock = { widthMm: 1_250, depthMm: 600, trim: evenTrim(5), offcutId: null, priceMinor: 680 };
const offcut = (id: string, widthMm: number, depthMm: number): Stock => ({
  ...SHEET,
  widthMm,
  depthMm,
  trim: evenTrim(0),
  offcutId: id,
  priceMinor: 0,
});
const parts = (count: number, widthMm: number, depthMm: number, mayTurn = true): Blank[] =>
  Array.from({ length: count }, (_, i) => ({ id: `${widthMm}x${depthMm}-${i}`, widthMm, depthMm, mayTurn }));
const sheets = (blanks: readonly Blank[], stock: readonly Stock[], kerfMm = 2): number =>
  Math.floor(leastByClashes(blanks, stock, kerfMm, 'fewest') + 1e-3);

describe('parts no two of which share a sheet', () => {
  test('take a sheet each, where their area would go on fewer', () => {
    const blanks = parts(5, 700, 400);
    expect(sheets(blanks, [SHEET])).toBe(5);
    expect(Math.floor(leastCost(blanks, [SHEET], 2, 'fewest') + 1e-3)).toBe(2);
    expect(leastByClashes(blanks, [SHEET], 2, 'cheapest')).toBeCloseTo(5 * 680, 3);
  });
  test('are not those that go side by side, turned or not, to the last millimetre of the kerf', () => {
    expect(sheets(parts(4, 619, 590), [SHEET])).toBe(1);
    expect(sheets(parts(4, 620, 590), [SHEET])).toBe(4);
    expect(sheets(parts(4, 700, 290), [SHEET])).toBe(1);
    // Turned, two of them stand beside each other; where the grain forbids it they do not.
    expect(sheets([...parts(1, 640, 300), ...parts(1, 590, 310)], [SHEET])).toBe(1);
    expect(sheets([...parts(1, 1_000, 400, false), ...parts(1, 500, 230, false)], [SHEET])).toBe(2);
    expect(sheets([...parts(1, 1_000, 400, false), ...parts(1, 500, 230)], [SHEET])).toBe(1);
  });
  test('may lie on offcuts for nothing, one on each that one of them goes on; a larger sheet takes the clash away, at its price', () => {
    const blanks = parts(5, 700, 400);
    expect(sheets(blanks, [SHEET, offcut('a', 720, 420), offcut('b', 300, 200)])).toBe(4);
    expect(sheets(blanks, [SHEET, { ...SHEET, widthMm: 2_400, priceMinor: 5_000 }])).toBe(1);
    expect(sheets([...blanks, ...parts(20, 100, 100)], [SHEET])).toBe(5);
  });
  test('never take more than the best of all ways of cutting', () => {
    const side = (least: number, most: number) => fc.integer({ min: least, max: most });
    const blank = fc.record({ widthMm: side(200, 900), depthMm: side(150, 560), mayTurn: fc.boolean() });
    const rack = fc.array(fc.record({ w: side(150, 900), h: side(150, 500) }), { maxLength: 2 });
    fc.assert(
      fc.property(
        fc.array(blank, { minLength: 2, maxLength: 6 }),
        rack,
        fc.constantFrom('cheapest', 'fewest' as const),
        (own, racked, aim) => {
          const blanks = own.map((one, i) => ({ id: `p${i}`, ...one }));
          const stock = [SHEET, { ...SHEET, widthMm: 1_000, priceMinor: 560 }, ...racked.map(({ w, h }, i) => offcut(`o${i}`, w, h))];
          const exact = leastByExactSearch(blanks, stock, 2, aim);
          if (exact !== null && exact < Infinity) expect(leastByClashes(blanks, stock, 2, aim)).toBeLessThanOrEqual(exact + 1e-6);
        },
      ),
      { numRuns: 200 },
    );
  });
});
