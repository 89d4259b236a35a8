import { aBank, aBoard, aCrater, aHill, aMound, aPit, aPool, aRamp, derived } from '../../testing';
import { describe, expect, test } from 'vitest';
import type { Feature } from '../../plan/features';
import type { Plan } from '../../plan';
import type { SectionDrawing } from './section';

function cut(plan: Plan, from: readonly [number, number], to: readonly [number, number]): SectionDrawing {
  const along = { ...plan, section: { from: { x: from[0], y: from[1] }, to: { x: to[0], y: to[1] } } };
  return derived(along).section!;
}
/** Height of the uppermost foam over the substrate at a place along the cut. */
function topAt({ slabs }: SectionDrawing, atMm: number): number {
  const runs = slabs.filter(({ what }) => what === 'layer').flatMap((slab) => slab.runs);
  return Math.max(...runs.filter((run) => run.fromMm <= atMm && atMm <= run.toMm).map((run) => run.topMm));
}

describe('slopes are drawn as they are', () => {
  test('a ramp of 200 mm to 20 mm on 30 mm of foam: 35 a quarter of the way, 45 at three quarters', () => {
    const section = cut(
      aBoard(
        {},
        aRamp(
          [
            [100, 200],
            [300, 200],
          ],
          60,
          0,
          20,
        ),
      ),
      [0, 200],
      [600, 200],
    );
    expect(topAt(section, 150)).toBeCloseTo(35, 0);
    expect(topAt(section, 250)).toBeCloseTo(45, 0);
    expect(topAt(section, 400)).toBe(30);
  });
  test('a bank is one slab whose runs rise and fall', () => {
    const section = cut(
      aBoard(
        {},
        aBank(
          [
            [300, 100],
            [300, 300],
          ],
          60,
          20,
          20,
        ),
      ),
      [200, 200],
      [400, 200],
    );
    const bank = section.slabs.filter(({ name, bottomMm }) => name === 'XPS insulation foam, 20 mm' && bottomMm === 30);
    expect(bank).toHaveLength(1);
    const tops = bank[0]!.runs.map(({ topMm }) => topMm);
    expect(Math.max(...tops)).toBeCloseTo(50, 0);
    expect(tops[0]).toBeLessThan(33);
    expect(tops.at(-1)).toBeLessThan(33);
    // Each run begins where the one before ends.
    bank[0]!.runs.slice(1).forEach((run, i) => expect(run.fromMm).toBeCloseTo(bank[0]!.runs[i]!.toMm, 6));
  });
  test('a bowl is deepest in its middle and holds water to a level brim', () => {
    const bowl = {
      ...aPool([0, 0, 1, 1], 12, 6),
      floor: 'bowl',
      shape: { form: 'round', centre: { x: 300, y: 200 }, radiusMm: 80 },
    } as Feature;
    const section = cut(aBoard({}, bowl), [200, 200], [400, 200]);
    expect(topAt(section, 100)).toBeCloseTo(18, 0);
    expect(topAt(section, 60)).toBeCloseTo(30 - 12 * (1 - 0.25), 0);
    const water = section.slabs.filter(({ what }) => what === 'water');
    expect(water.length).toBeGreaterThan(0);
    for (const run of water.flatMap(({ runs }) => runs)) expect(run.topMm).toBe(24);
    // Six of twelve deep, the water reaches out to √½ of the radius.
    expect(water.at(-1)!.toMm - water[0]!.fromMm).toBeCloseTo(2 * 80 * Math.SQRT1_2, -1);
  });
  test('a crater’s rim is heaped in the coat, not in the foam', () => {
    const section = cut(aBoard({}, aCrater([300, 200], 50, 8, 6)), [200, 200], [400, 200]);
    expect(topAt(section, 45)).toBe(30);
    const coats = section.slabs.filter(({ what }) => what === 'coat').flatMap(({ runs }) => runs);
    expect(Math.max(...coats.map(({ topMm, bottomMm }) => topMm - bottomMm))).toBeGreaterThan(6);
  });
  test('a hill is its steps one on another, each named', () => {
    const section = cut(aBoard({}, aHill([100, 100, 400, 200], 20, [0, 60, 100 - 1])), [0, 200], [600, 200]);
    expect([110, 170, 300].map((at) => topAt(section, at))).toEqual([50, 70, 90]);
    expect(section.marks.map(({ name }) => name)).toContain('hill, step 2');
  });
  test('a ramp standing on a mound counts from the ground all the same', () => {
    const section = cut(
      aBoard(
        {},
        aMound([100, 100, 400, 200], 20),
        aRamp(
          [
            [200, 200],
            [400, 200],
          ],
          60,
          20,
          40,
        ),
      ),
      [0, 200],
      [600, 200],
    );
    expect(topAt(section, 150)).toBe(50);
    expect(topAt(section, 300)).toBeCloseTo(60, 0);
  });
  test('a flat pit beside it keeps its upright bank', () => {
    const section = cut(aBoard({}, aPit([100, 100, 100, 200], 9)), [0, 200], [400, 200]);
    expect([topAt(section, 99), topAt(section, 101)]).toEqual([30, 21]);
  });
});
