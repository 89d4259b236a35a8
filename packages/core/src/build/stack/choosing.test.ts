import { aBoard, aHill, aMound, aPool, aTrack, CATALOGUE, derived } from '../../testing';
import { describe, expect, test } from 'vitest';
import { type Catalogue, adhesiveBy } from '../../catalogue';
import { fieldOf, tableBox } from '../../terrain/ground';
import type { Plan } from '../../plan';
import type { Face } from './joint';
import { adhesiveRows, freshFacing, glueChoices, glueFit } from './adhesives';
import { asBuilt, otherBuildUps } from './build-up';
import { heightsIn, stockAtHand } from './stack';

const face = (materialId: string, isSealed = false, thicknessMm = 20): Face => ({ materialId, thicknessMm, isSealed });
const built = (plan: Plan) => derived(plan);

describe('the adhesive table', () => {
  const fitOf = (id: string, lower: Face, upper: Face, spread: 'full' | 'beads' = 'full'): string =>
    glueFit(adhesiveBy(CATALOGUE, id), lower, upper, spread, CATALOGUE);
  test.each([
    ['white-glue', 'on two sealed faces never dries', face('mdf', true), face('xps-foam'), 'full', 'never-dries'],
    ['white-glue', 'in beads dries beside them', face('mdf', true), face('xps-foam'), 'beads', 'holds'],
    ['white-glue', 'lets go of fluted polypropylene', face('fluted-pp'), face('xps-foam'), 'full', 'slips'],
    ['wood-glue', 'wants pores on both faces', face('mdf'), face('xps-foam'), 'full', 'slips'],
    ['hot-melt', 'grips even a waxy face', face('fluted-pp'), face('xps-foam'), 'beads', 'holds'],
    ['hot-melt', 'buckles a skin of 2 mm', face('xps-foam'), face('cork', false, 2), 'beads', 'buckles'],
    ['superglue', 'eats bare foam', face('mdf'), face('xps-foam'), 'full', 'dissolves'],
    ['superglue', 'leaves sealed foam alone', face('mdf'), face('xps-foam', true), 'full', 'holds'],
  ] as const)('%s %s', (id, _says, lower, upper, spread, fit) => {
    expect(fitOf(id, lower, upper, spread)).toBe(fit);
  });
  test('lists what holds before what does not, each with its times and the ways in which it holds', () => {
    const rows = adhesiveRows(face('xps-foam'), face('xps-foam'), CATALOGUE);
    const holds = rows.map(({ holdsIn }) => holdsIn.length > 0);
    expect(holds).toEqual([...holds].sort((a, b) => Number(b) - Number(a)));
    expect(rows).toHaveLength(CATALOGUE.adhesives.length);
    const white = rows.find(({ adhesive }) => adhesive.id === 'white-glue')!;
    expect([white.fit, white.holdsIn]).toEqual(['never-dries', ['beads', 'vented']]);
    expect([white.open.value, white.clamp.value, white.cure.value]).toEqual([8, 45, 1440]);
  });
});

describe('beads', () => {
  test('1.2 × 0.8 m in beads of 36 g/m, 80 mm apart: 12 m of bead, 432 g, and a tenth lost', () => {
    const plan = aBoard();
    const ground = plan.stack.ground.map((layer) => ({ ...layer, glueBelowId: 'foam-safe-construction', spread: 'beads' as const }));
    const [need] = built({ ...plan, stack: { ...plan.stack, ground } }).glues;
    expect(need!.mass.value).toBeCloseTo((0.96 / 0.08) * 36 * 1.1, 6);
  });
  test('an adhesive that is never laid in beads is spread over the face whatever the plan says', () => {
    const plan = aBoard();
    const ground = plan.stack.ground.map((layer) => ({ ...layer, glueBelowId: 'foaming-pu', spread: 'beads' as const }));
    expect(built({ ...plan, stack: { ...plan.stack, ground } }).stack.joints[0]!.spread).toBe('full');
  });
});

describe('heights from the stock at hand', () => {
  test('50 mm of 10, 20 and 30: 30 + 20 first, then the other ways with their error', () => {
    const ways = otherBuildUps(50, [10, 20, 30], 1, 4);
    expect(ways[0]!.thicknessesMm).toEqual([30, 20]);
    expect(ways.slice(1).every(({ errorMm, thicknessesMm }) => errorMm !== 0 || thicknessesMm.length > 2)).toBe(true);
    expect(ways.slice(1, 3).map(({ thicknessesMm }) => thicknessesMm.join('+'))).toEqual(['30+10+10', '20+20+10']);
  });
  test('each way has its cost: 0.02 m² of 50 mm sheet and of 10 mm', () => {
    const plan = aBoard({}, aMound([100, 100, 200, 100], 60));
    const [choice] = derived(plan).heights;
    expect([choice!.heightMm, choice!.names, choice!.options[0]!.isChosen]).toEqual([60, ['mound'], true]);
    const perM2 = (mm: number): number =>
      Math.min(
        ...CATALOGUE.sheets
          .filter((one) => one.materialId === 'xps-foam' && one.thicknessMm === mm)
          .map((one) => (one.priceMinor / (one.widthMm * one.depthMm)) * 1e6),
      );
    expect(choice!.options[0]!.cost.value).toBeCloseTo(0.02 * (perM2(50) + perM2(10)), 6);
  });
  test('only what is at hand is used, and a chosen way is kept with its error', () => {
    const plan = aBoard({}, aHill([100, 100, 400, 300], 20, [0, 40, 80]));
    const atHand = { ...plan, stack: { ...plan.stack, raised: { ...plan.stack.raised, atHandMm: [10] } } };
    expect(stockAtHand(atHand.stack.raised, 'metric', CATALOGUE)).toEqual([10]);
    expect(built(atHand).stack.raised.map(({ buildUp }) => buildUp!.thicknessesMm)).toEqual([
      [10, 10],
      [10, 10],
      [10, 10],
    ]);
    const picked = {
      ...plan,
      stack: { ...plan.stack, raised: { ...plan.stack.raised, picks: [{ heightMm: 20, thicknessesMm: [10, 10] }] } },
    };
    expect(built(picked).stack.raised[0]!.buildUp).toEqual(asBuilt(20, [10, 10]));
  });
});

test('cork on routes is glued over what shows of them, on the ground, and pressed from above', () => {
  const plan = aBoard(
    {},
    aTrack(
      [
        [0, 200],
        [1200, 200],
      ],
      50,
    ),
  );
  const facing = { ...freshFacing(CATALOGUE, 'xps-foam', 'f')!, materialId: 'cork', thicknessMm: 3 };
  const { stack } = built({ ...plan, stack: { ...plan.stack, facings: { ...plan.stack.facings, route: [facing] } } });
  const joint = stack.joints.find(({ place }) => place.part === 'facing')!;
  expect(joint.area.value).toBeCloseTo(60_000, 3);
  expect([joint.lower.materialId, joint.upper.materialId, joint.isWorked]).toEqual(['xps-foam', 'cork', true]);
  expect(stack.facings).toMatchObject([{ zone: 'route', thickMm: 3 }]);
});

test('figures stand on coverings: a route 3 mm up, and of 6 mm of water 4 mm left over a bed covered with 2 mm', () => {
  const plan = aBoard(
    {},
    aTrack(
      [
        [0, 200],
        [1200, 200],
      ],
      50,
    ),
    aPool([100, 300, 200, 200], 10, 6),
  );
  const cover = (thicknessMm: number) => ({ ...freshFacing(CATALOGUE, 'xps-foam', `c${thicknessMm}`)!, materialId: 'cork', thicknessMm });
  const { ground, stack } = built({
    ...plan,
    stack: { ...plan.stack, facings: { ...plan.stack.facings, route: [cover(3)], water: [cover(2)] } },
  });
  const field = fieldOf(ground, tableBox(plan.table), 4, heightsIn(stack));
  const at = (x: number, y: number) => {
    const cell = Math.floor(y / 4) * field.cols + Math.floor(x / 4);
    return [field.heightMm[cell], field.walkMm[cell], field.waterMm[cell]];
  };
  expect(at(600, 200)).toEqual([3, 3, 0]);
  expect(at(600, 300)).toEqual([0, 0, 0]);
  expect(at(200, 400)).toEqual([-8, -8, 4]);
});

test('a fresh covering is a thin sheet that is only ever one, held over its whole face', () => {
  const fresh = freshFacing(CATALOGUE, 'xps-foam', 'f')!;
  const material = CATALOGUE.materials.find(({ id }) => id === fresh.materialId)!;
  expect(material.uses).not.toContain('ground');
  expect(
    glueFit(
      adhesiveBy(CATALOGUE, fresh.glueBelowId),
      face('xps-foam'),
      face(fresh.materialId, false, fresh.thicknessMm),
      'full',
      CATALOGUE,
    ),
  ).toBe('holds');
});

test('what was taken out of use is offered no more, but for the one in use', () => {
  const gone: Catalogue = { ...CATALOGUE, outOfUse: ['adhesives.white-glue'] };
  const foam = face('xps-foam');
  const choices = (keptId?: string) => glueChoices(gone, foam, foam, 'full', keptId).map(({ id }) => id);
  expect(choices()).not.toContain('white-glue');
  expect(choices('white-glue')).toContain('white-glue');
  const rows = (keptId?: string) => adhesiveRows(foam, foam, gone, keptId).map(({ adhesive }) => adhesive.id);
  expect(rows()).not.toContain('white-glue');
  expect(rows('white-glue')).toContain('white-glue');
});
