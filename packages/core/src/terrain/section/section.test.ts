import { aBoard, aMound, aPit, aPool, derived } from '../../testing';
import { describe, expect, test } from 'vitest';
import type { Plan } from '../../plan';
import type { SectionDrawing } from './section';

function cut(plan: Plan, from: readonly [number, number], to: readonly [number, number]): SectionDrawing {
  const along = { ...plan, section: { from: { x: from[0], y: from[1] }, to: { x: to[0], y: to[1] } } };
  return derived(along).section!;
}
const tops = ({ slabs }: SectionDrawing, atMm: number): number[] =>
  slabs
    .filter((slab) => slab.what === 'layer' && slab.fromMm < atMm && atMm < slab.toMm)
    .map(({ topMm }) => topMm)
    .sort((a, b) => a - b);

describe('a cut along the middle of the back row', () => {
  const plan = aBoard({}, aMound([100, 100, 200, 200], 40), aPool([700, 100, 200, 200], 8, 5));
  const section = cut(plan, [0, 200], [1200, 200]);

  test('through the mound: substrate, ground at 30, the sheet of 40 on it', () => {
    expect(tops(section, 200)).toEqual([0, 30, 70]);
  });
  test('through the pool: the foam ends at 22 and water stands to 27', () => {
    expect(tops(section, 800)).toEqual([0, 22]);
    expect(section.slabs.find(({ what }) => what === 'water')).toMatchObject({
      fromMm: expect.closeTo(700, 3) as number,
      toMm: expect.closeTo(900, 3) as number,
      bottomMm: 22,
      topMm: 27,
    });
  });
  test('names the tiles and the seam it crosses, and what it meets, from left to right', () => {
    expect(section.tiles.map(({ id }) => id)).toEqual(['A1', 'B1']);
    expect(section.seams).toEqual([{ atMm: expect.closeTo(600, 3) as number, name: 'A1 | B1', stepMm: 0 }]);
    expect(section.marks).toMatchObject([
      { name: 'mound', lies: 'over', byMm: 40 },
      { name: 'Open ground', lies: 'open', byMm: 30 },
      { name: 'pool', lies: 'deep', byMm: 8, leftMm: 22 },
    ]);
  });
  test('the substrate is one slab from end to end', () => {
    expect(section.slabs.filter(({ name }) => name === 'MDF, 6 mm')).toEqual([
      expect.objectContaining({ fromMm: 0, toMm: 1200, bottomMm: -6, topMm: 0 }) as unknown,
    ]);
  });
});

test('a mound on a mound is drawn as what it is built of', () => {
  const plan = aBoard({}, aMound([0, 0, 400, 400], 20, 'low'), aMound([100, 100, 100, 100], 50, 'high'));
  expect(tops(cut(plan, [0, 150], [400, 150]), 150)).toEqual([0, 30, 50, 80]);
});

test('a deliberate cut-through stops at the substrate', () => {
  expect(tops(cut(aBoard({}, aPit([100, 100, 200, 200], 40, 'pit', true)), [0, 200], [600, 200]), 200)).toEqual([0]);
});

test('a cut of no length shows nothing', () => {
  expect(cut(aBoard(), [5, 5], [5, 5]).slabs).toEqual([]);
});

test('a mound that ends at a seam is a step there, up to the right or down', () => {
  const plan = aBoard({}, aMound([600, 100, 200, 200], 20));
  const [seam] = cut(plan, [0, 200], [1200, 200]).seams;
  expect(seam).toMatchObject({ name: 'A1 | B1', stepMm: 20 });
  const [back] = cut(plan, [1200, 200], [0, 200]).seams;
  expect(back).toMatchObject({ name: 'B1 | A1', stepMm: -20 });
});

test('a covering lies on the surface it covers, and nowhere else', () => {
  const plan = aBoard({}, aMound([100, 100, 200, 200], 20));
  const cork = { id: 'c', materialId: 'cork', thicknessMm: 3, glueBelowId: 'contact-water', spread: 'full', grain: null } as const;
  const covered = { ...plan, stack: { ...plan.stack, facings: { ...plan.stack.facings, raised: [cork] } } };
  const section = cut(covered, [0, 200], [1200, 200]);
  expect(tops(section, 200)).toEqual([0, 30, 50, 53]);
  expect(tops(section, 500)).toEqual([0, 30]);
});
