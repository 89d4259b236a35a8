import { aBoard, CATALOGUE, coatsOf, derived, withCoats } from '../../../testing';
import { type LeverInputs, bowLevers } from './levers';
import { appliedTo } from '../../../plan/edits';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Plan } from '../../../plan';
import { given } from '../../../base/units';
import { type Lamina, bendingStiffness, bowOver, curvature } from './lamination';

const lamina = (youngMPa: number, thickMm: number, strain = 0): Lamina => ({
  name: `E ${youngMPa}`,
  young: given('E', youngMPa, 'MPa', 'catalogue'),
  thickness: given('t', thickMm, 'mm', 'plan'),
  strain: given('e', strain, '1', 'catalogue'),
});

/** Timoshenko's bimetal strip: κ = 6·(e2 − e1)·(1 + m)² ÷ (h·(3·(1 + m)² + (1 + m·n)·(m² + 1 ÷ (m·n)))), m = t1 ÷ t2, n = E1 ÷ E2. */
function bimetal(e1: number, t1: number, strain1: number, e2: number, t2: number, strain2: number): number {
  const [m, n, h] = [t1 / t2, e1 / e2, t1 + t2];
  return (6 * (strain2 - strain1) * (1 + m) ** 2) / (h * (3 * (1 + m) ** 2 + (1 + m * n) * (m ** 2 + 1 / (m * n))));
}

describe('a laminate', () => {
  test('of two layers bends as the closed form says: MDF 6 mm that swells 0.1 % under foam 30 mm', () => {
    const bent = curvature('strip', [lamina(3000, 6, 0.001), lamina(15, 30)]);
    expect(bent.value).toBeCloseTo(bimetal(3000, 6, 0.001, 15, 30, 0), 12);
    expect(bent.value).toBeLessThan(0); // the lower layer grows: the middle sinks
  });
  test('of any two layers, within a millionth of the closed form', () => {
    const stiffness = fc.double({ min: 1, max: 10_000, noNaN: true });
    const thick = fc.double({ min: 0.2, max: 60, noNaN: true });
    const strain = fc.double({ min: -0.005, max: 0.005, noNaN: true });
    fc.assert(
      fc.property(stiffness, thick, strain, stiffness, thick, strain, (e1, t1, s1, e2, t2, s2) => {
        const wanted = bimetal(e1, t1, s1, e2, t2, s2);
        const found = curvature('strip', [lamina(e1, t1, s1), lamina(e2, t2, s2)]).value;
        expect(Math.abs(found - wanted)).toBeLessThanOrEqual(1e-6 * Math.abs(wanted) + 1e-12);
      }),
    );
  });
  test('that is the same from either side stays flat, whatever its layers strain', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 20, noNaN: true }), fc.double({ min: -0.01, max: 0.01, noNaN: true }), (thick, strain) => {
        const stack = [lamina(3000, thick, strain), lamina(15, 30), lamina(3000, thick, strain)];
        expect(Math.abs(curvature('sandwich', stack).value)).toBeLessThan(1e-12);
      }),
    );
  });
  test('bends over 500 mm by κ·L² ÷ 8, and resists as E·t³ ÷ 12', () => {
    const span = given('L', 500, 'mm', 'plan');
    expect(bowOver('bow', given('κ', 0.0001, '1/mm', 'definition'), span).value).toBeCloseTo(3.125, 9);
    expect(bendingStiffness('D', [lamina(3000, 2), lamina(3000, 4)]).value).toBeCloseTo((3000 * 6 ** 3) / 12, 6);
  });
});

const bend = (plan: Plan) => derived(plan);
const inputsOf = (plan: Plan): LeverInputs => {
  const { ground, stack } = bend(plan);
  return {
    ...stack,
    stack: plan.stack,
    openCoats: coatsOf(plan, 'open'),
    units: plan.units,
    tiles: ground.tiles,
    tableArea: ground.tableArea,
    catalogue: CATALOGUE,
  };
};
const withStack = (change: (stack: Plan['stack']) => Plan['stack'], plan = aBoard()): Plan => ({ ...plan, stack: change(plan.stack) });
const sealedBoth = (sealed: 'none' | 'top' | 'both'): Plan =>
  withStack((stack) => ({ ...stack, substrate: { ...stack.substrate!, sealed } }));

describe('the bow of a board', () => {
  test('is a range with the likely between its ends, and falls when the wetted face is sealed', () => {
    const [bare, top, both] = (['none', 'top', 'both'] as const).map((sealed) => bend(sealedBoth(sealed)).bow);
    expect(bare!.least.value).toBeLessThan(bare!.likely.value);
    expect(bare!.likely.value).toBeLessThan(bare!.most.value);
    const glue = (bow: typeof bare): number => Math.abs(bow!.parts.find(({ cause }) => cause === 'glue')!.bow.value);
    expect(glue(top)).toBeCloseTo(glue(bare) * 0.1, 9); // a sealed face lets a tenth through
    expect(top!.worst.value).toBeLessThan(bare!.worst.value);
    expect(both!.worst.value).toBeLessThan(top!.worst.value);
  });
  test('grows with the square of the span', () => {
    const long = bend({ ...aBoard(), table: { ...aBoard().table, columnWidthsMm: [1200] } });
    expect(long.bow.likely.value).toBeCloseTo(bend(aBoard()).bow.likely.value * 4, 9);
  });
  test('of foam between two boards, glued alike and not coated, is nothing', () => {
    const layer = { materialId: 'mdf', thicknessMm: 3, glueBelowId: 'white-glue', spread: 'full', grain: null, sealed: 'none' } as const;
    const plan = withStack((stack) => ({
      ...stack,
      substrate: null,
      ground: [
        { ...layer, id: 'a' },
        { ...layer, id: 'b', materialId: 'xps-foam', thicknessMm: 30 },
        { ...layer, id: 'c' },
      ],
    }));
    const bare = withCoats(plan, 'open', []);
    const { bow } = bend(bare);
    expect(Math.abs(bow.likely.value)).toBeLessThan(1e-9);
    expect(bow.worst.value).toBeLessThan(1e-9);
    expect(bow.parts.map(({ cause }) => cause)).toEqual(['glue', 'season']);
  });
  test('foam alone takes no water: only its coats pull', () => {
    const { bow, weights } = bend(withStack((own) => ({ ...own, substrate: null })));
    expect(bow.parts.map(({ cause }) => cause)).toEqual(['coats']);
    expect(weights).toBeNull(); // one layer: nothing to glue
  });
});

describe('what lowers the bow', () => {
  const plan = aBoard();
  const { bow } = bend(plan);
  const levers = bowLevers({ ...inputsOf(plan), bow });
  test('is ranked by what it saves, each lever with its effect; pulled, it does just that', () => {
    expect(levers.map(({ saves }) => saves.value)).toEqual(levers.map(({ saves }) => saves.value).sort((a, b) => b - a));
    expect(levers.map(({ edit }) => edit.code)).toEqual(expect.arrayContaining(['layer/seal', 'battens/set', 'glue/set', 'stack/weighed']));
    for (const { edit, saves, leaves } of levers) {
      expect(bend(appliedTo(plan, edit)).bow.worst.value).toBeCloseTo(leaves.value, 9);
      expect(saves.value).toBeCloseTo(bow.worst.value - leaves.value, 9);
    }
  });
  test('a sealed face under white glue and foam would never dry: such a lever is marked', () => {
    const seals = levers.filter(({ edit }) => edit.code === 'layer/seal');
    expect(seals.filter(({ edit }) => edit.code === 'layer/seal' && edit.sealed !== 'under').every(({ isSound }) => !isSound)).toBe(true);
    expect(levers.find(({ edit }) => edit.code === 'battens/set')!.isSound).toBe(true);
  });
});

describe('weights while gluing', () => {
  test('press the wet board flat and close the joint: 4 to 12 kg on a tile of 600 × 400 with white glue', () => {
    const need = bend(aBoard()).weights!;
    // 0.3 kPa on 0.24 m² is 7.3 kg at least
    expect(need.mass.value).toBeGreaterThanOrEqual((300 * 0.24) / 9.81 - 1e-9);
    expect(need.mass.value).toBeLessThan(12);
    expect(need.pieces.value).toBe(Math.ceil(need.mass.value / 2));
    expect(need.wetBow.value).toBeGreaterThan(2);
  });
  test('a board that the glue does not wet needs only the pressure of the joint', () => {
    const plan = withStack((own) => ({ ...own, ground: own.ground.map((layer) => ({ ...layer, glueBelowId: 'foam-safe-construction' })) }));
    const need = bend(plan).weights!;
    expect(need.wetBow.value).toBe(0);
    expect(need.mass.value).toBeCloseTo((200 * 0.24) / 9.81, 9);
  });
});
