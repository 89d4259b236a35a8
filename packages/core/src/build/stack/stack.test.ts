import { aBoard, aMound, aPit, CATALOGUE, derived } from '../../testing';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { adhesiveBy } from '../../catalogue';
import type { Plan } from '../../plan';
import type { Face } from './joint';
import { freshLayer, glueChoices, glueFit, materialBelow, nearestThickness, thicknessChoices } from './adhesives';
import { buildUp } from './build-up';

const stackOf = (plan: Plan) => derived(plan).stack;
const face = (materialId: string, isSealed = false, thicknessMm = 20): Face => ({ materialId, thicknessMm, isSealed });

describe('a height from stock thicknesses', () => {
  test('50 mm of 10, 20 and 30 is 30 + 20, two layers', () => {
    expect(buildUp(50, [10, 20, 30], 1)).toEqual({ thicknessesMm: [30, 20], heightMm: 50, errorMm: 0 });
  });
  test('24 mm within 1 mm of stock 5 and 20 is 25: nearer sums take more layers than they save', () => {
    expect(buildUp(24, [5, 20], 1)).toEqual({ thicknessesMm: [20, 5], heightMm: 25, errorMm: 1 });
  });
  test('15 mm of 10 and 20 is out of reach: the nearest is named with its error', () => {
    expect(buildUp(15, [10, 20], 1)).toMatchObject({ heightMm: 10, errorMm: -5 });
  });
  test('no stock, no height', () => {
    expect(buildUp(20, [], 1)).toBeNull();
  });
  test('agrees with trying every combination of up to five layers', () => {
    const stock = fc.uniqueArray(fc.integer({ min: 2, max: 30 }), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 60 }), stock, fc.constantFrom(0, 1, 2), (heightMm, stockMm, toleranceMm) => {
        const sums = new Map<number, number>([[0, 0]]); // sum → fewest layers
        for (let layers = 1; layers <= 5; layers++) {
          for (const [sum, count] of [...sums])
            if (count === layers - 1) for (const mm of stockMm) if (!sums.has(sum + mm)) sums.set(sum + mm, layers);
        }
        const within = [...sums].filter(([sum, count]) => count > 0 && Math.abs(sum - heightMm) <= toleranceMm);
        const built = buildUp(heightMm, stockMm, toleranceMm)!;
        expect(built.thicknessesMm.reduce((a, b) => a + b, 0)).toBeCloseTo(built.heightMm, 9);
        if (within.length > 0) {
          expect(Math.abs(built.errorMm)).toBeLessThanOrEqual(toleranceMm + 1e-9);
          expect(built.thicknessesMm).toHaveLength(Math.min(...within.map(([, count]) => count)));
        }
      }),
    );
  });
});

const PLAIN = { spread: 'full', grain: null, sealed: 'none' } as const;

describe('joints and their glue', () => {
  test('a board of 1200 × 800 on its substrate has one face of 0.96 m²: 0.96 × 180 × 1.1 = 190.08 g of white glue', () => {
    const [glue, ...others] = derived(aBoard()).glues;
    expect(others).toEqual([]);
    expect(glue!.mass.value).toBeCloseTo(0.96 * 180 * 1.1, 6);
  });

  test('a pit through the upper of two layers leaves no glue under it; a shallower one changes nothing', () => {
    const base = aBoard();
    const twoLayers = {
      ...base,
      stack: {
        ...base.stack,
        ground: [
          { id: 'lower', materialId: 'xps-foam', thicknessMm: 20, glueBelowId: 'white-glue', ...PLAIN },
          { id: 'upper', materialId: 'xps-foam', thicknessMm: 10, glueBelowId: 'foam-safe-construction', ...PLAIN },
        ],
      },
    };
    const upperFace = (depthMm: number): number =>
      stackOf({ ...twoLayers, features: [aPit([100, 100, 200, 100], depthMm)] }).joints.find(({ id }) => id === 'under-upper')!.area.value;
    expect(upperFace(8)).toBeCloseTo(960_000, 6);
    expect(upperFace(10)).toBeCloseTo(960_000 - 20_000, 3);
  });

  test('a mound of 50 mm is 50 mm sheet or 30 + 20; each layer is glued over its whole footprint', () => {
    const { raised, joints } = stackOf(aBoard({}, aMound([100, 100, 200, 100], 60)));
    expect(raised[0]!.buildUp!.thicknessesMm).toEqual([50, 10]);
    expect(joints.filter(({ featureId }) => featureId === 'mound').map(({ area }) => area.value)).toEqual([20_000, 20_000]);
  });

  test.each([
    ['white-glue', 'mdf', 'xps-foam', 'holds'],
    ['white-glue', 'xps-foam', 'xps-foam', 'never-dries'],
    ['foam-safe-construction', 'xps-foam', 'xps-foam', 'holds'],
    ['superglue', 'mdf', 'xps-foam', 'dissolves'],
  ] as const)('%s between %s and %s: %s', (adhesive, lower, upper, fit) => {
    expect(glueFit(adhesiveBy(CATALOGUE, adhesive), face(lower), face(upper), 'full', CATALOGUE)).toBe(fit);
  });
});

describe('what there is to choose', () => {
  test('adhesives that hold come first', () => {
    const fits = glueChoices(CATALOGUE, face('xps-foam'), face('xps-foam'), 'full').map(({ fit }) => fit === 'holds');
    expect(fits).toEqual([...fits].sort((a, b) => Number(b) - Number(a)));
  });
  test('the nearest stocked thickness, the present one among the choices, a fresh layer that holds', () => {
    const { stack } = aBoard();
    expect(nearestThickness(CATALOGUE, 'mdf', 7)).toBe(6);
    expect(thicknessChoices(CATALOGUE, 'mdf', 7)).toEqual([3, 6, 7, 9, 12]);
    expect(materialBelow(stack, 0)).toBe('mdf');
    expect(freshLayer(CATALOGUE, stack, 'x')).toMatchObject({
      materialId: 'xps-foam',
      thicknessMm: 10,
      glueBelowId: 'foam-safe-construction',
    });
  });
});
