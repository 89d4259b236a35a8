import { describe, expect, test } from 'vitest';
import { materialBy } from '../../catalogue';
import type { Plan } from '../../plan';
import { CATALOGUE, aBoard, aMound, aPit, aPool, aRamp, derived, withCoats } from '../../testing';

/** Without coats there is only what is cut and glued. */
const bare = (plan: Plan): Plan =>
  (['open', 'raised', 'pit', 'route', 'water'] as const).reduce((one, kind) => withCoats(one, kind, []), plan);
const massOf = (plan: Plan) => derived(plan).mass;
const densityOf = (id: string): number => materialBy(CATALOGUE, id).densityKgPerM3.value;
const named = (plan: Plan, name: string): number => massOf(plan).layers.find((layer) => layer.name === name)!.mass.value;
/** g of a box of a material, mm. */
const boxG = (materialId: string, ...mm: readonly number[]): number => (mm.reduce((a, b) => a * b, 1) * densityOf(materialId)) / 1e6;

describe('what a board weighs', () => {
  const plain = bare(aBoard());
  const ground = plain.stack.ground[0]!;
  test('layer by layer: its whole table times thickness times density', () => {
    const { layers } = massOf(plain);
    const substrate = plain.stack.substrate!;
    expect(layers[0]!.mass.value).toBeCloseTo(boxG(substrate.materialId, 1_200, 800, substrate.thicknessMm), 3);
    expect(layers[1]!.mass.value).toBeCloseTo(boxG(ground.materialId, 1_200, 800, ground.thicknessMm), 3);
    expect(layers[0]!.name).toMatch(/, substrate$/);
  });
  test('all of it is the sum of what is told', () => {
    const { layers, all } = massOf(aBoard({}, aMound([100, 100, 200, 150], 20), aPit([600, 300, 120, 90], 10)));
    expect(all.value).toBeCloseTo(
      layers.reduce((sum, { mass }) => sum + mass.value, 0),
      6,
    );
  });
  test('a pit takes its hole out of the ground it is sunk in, and no more than there is', () => {
    const sunk = (depthMm: number): number => massOf(bare(aBoard({}, aPit([600, 300, 120, 90], depthMm)))).layers[1]!.mass.value;
    const whole = massOf(plain).layers[1]!.mass.value;
    expect(whole - sunk(10)).toBeCloseTo(boxG(ground.materialId, 120, 90, 10), 3);
    expect(whole - sunk(ground.thicknessMm)).toBeCloseTo(boxG(ground.materialId, 120, 90, ground.thicknessMm), 3);
  });
  test('a pool with a bowl for a floor takes less than a box of it', () => {
    const pool = aPool([600, 300, 120, 90], 10, 5);
    const leftOf = (floor: 'flat' | 'bowl'): number => massOf(bare(aBoard({}, { ...pool, floor } as typeof pool))).layers[1]!.mass.value;
    expect(leftOf('bowl')).toBeGreaterThan(leftOf('flat'));
  });
  test('a mound is as heavy as the stock it is built of, a ramp as half of one', () => {
    const mound = named(bare(aBoard({}, aMound([100, 100, 200, 150], 20))), 'Raised ground');
    const { raised } = derived(bare(aBoard({}, aMound([100, 100, 200, 150], 20)))).stack;
    expect(mound).toBeCloseTo(boxG(raised[0]!.materialId, 200, 150, raised[0]!.buildUp!.heightMm), 3);
    const ramp = aRamp(
      [
        [100, 175],
        [300, 175],
      ],
      150,
      0,
      20,
    );
    const sloped = derived(bare(aBoard({}, ramp)));
    const highMm = sloped.stack.raised[0]!.buildUp!.heightMm;
    expect(named(bare(aBoard({}, ramp)), 'Raised ground')).toBeCloseTo(boxG(sloped.stack.raised[0]!.materialId, 200, 150, highMm) / 2, 0);
  });
  test('glue weighs what is left of it when it has cured, coats what is left when they are dry', () => {
    const { layers } = massOf(aBoard());
    const { glues, coatings } = derived(aBoard());
    const of = (name: string): number => layers.find((layer) => layer.name === name)!.mass.value;
    expect(of('Adhesives, cured')).toBeLessThanOrEqual(glues.reduce((sum, { mass }) => sum + mass.value, 0));
    expect(of('Coats, dry')).toBeCloseTo(
      coatings.reduce((sum, { dryMass }) => sum + dryMass.value, 0),
      6,
    );
    expect(massOf(plain).layers.some(({ name }) => name === 'Coats, dry')).toBe(false);
  });
  test('thicknesses are told in the measures of the board', () => {
    expect(massOf(plain).layers[1]!.name).toContain('mm');
    expect(massOf({ ...plain, units: 'imperial' }).layers[1]!.name).not.toContain('mm');
    expect(massOf({ ...plain, units: 'imperial' }).all.value).toBeCloseTo(massOf(plain).all.value, 9);
  });
});
