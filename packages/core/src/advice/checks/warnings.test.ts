import { aBoard, aMound, aPit, aPool, CATALOGUE, coatsOf, mended, withCoats } from '../../testing';
import { describe, expect, test } from 'vitest';
import { derivePipeline } from '../../pipeline';
import type { Plan } from '../../plan';
import { checkPlan } from '../../plan/stored/file';
import { showText } from '../../base/units';
import type { Warning } from './warning';

const warningsOf = (plan: Plan): readonly Warning[] => derivePipeline()(plan, CATALOGUE).warnings;
const words = ({ title, text }: Warning): string =>
  [title, ...text.map((piece) => (typeof piece === 'string' ? piece : showText(piece, { system: 'metric', currency: 'EUR' })))]
    .join(' ')
    .replaceAll('\u00a0', ' ');
const codes = (plan: Plan): string[] => warningsOf(plan).map(({ code }) => code);

/** Every mend of every warning of a plan must clear that warning and leave a sound plan. */
function expectMendsToWork(plan: Plan): void {
  for (const warning of warningsOf(plan)) {
    expect(warning.mends.length).toBeGreaterThan(0);
    for (const mend of warning.mends) {
      const after = mended(plan, mend);
      expect(checkPlan(after, CATALOGUE)).toMatchObject({ ok: true });
      expect(
        warningsOf(after).map(({ id }) => id),
        mend.label,
      ).not.toContain(warning.id);
      expect(after).not.toBe(plan);
    }
  }
}

test('a plain board has nothing to look at', () => {
  expect(warningsOf(aBoard())).toEqual([]);
});

describe('pits', () => {
  test('35 mm deep in 30 mm of foam: too deep by 5 mm; thicker foam, a shallower pit or a cut-through mend it', () => {
    const plan = aBoard({}, aPit([100, 100, 200, 100], 35));
    const [warning] = warningsOf(plan);
    expect(warning).toMatchObject({ code: 'pit/too-deep', severity: 'stop', featureId: 'pit' });
    expect(words(warning!)).toContain('goes deeper than the foam by  5 mm');
    expect(warning!.mends.map(({ label }) => label)).toEqual(['Make the top layer 50 mm', 'Sink it 20 mm', 'Cut down to the substrate']);
    expectMendsToWork(plan);
  });

  test('the floor may be 10 mm and not a tenth less', () => {
    expect(codes(aBoard({}, aPit([100, 100, 200, 100], 20)))).toEqual([]);
    expect(codes(aBoard({}, aPit([100, 100, 200, 100], 20.1)))).toEqual(['pit/too-deep']);
  });

  test('a pit no foam is thick enough for keeps its other mends', () => {
    const plan = aBoard({}, aPit([100, 100, 200, 100], 90));
    expect(warningsOf(plan)[0]!.mends.map(({ edit }) => edit.code)).toEqual(['features/put', 'feature/set']);
    expectMendsToWork(plan);
  });

  test('water over the brim', () => {
    const plan = aBoard({}, aPool([100, 100, 200, 100], 6, 9));
    expect(codes(plan)).toEqual(['water/over-brim']);
    expectMendsToWork(plan);
  });
});

test('a height the stock does not come to names the nearest', () => {
  const plan = aBoard({}, aMound([100, 100, 200, 100], 25));
  expect(words(warningsOf(plan)[0]!)).toBe('mound should be  25 mm  high; the nearest stock layers give  20 mm , more than  1 mm  off.');
  expectMendsToWork(plan);
});

describe('glue', () => {
  const glued = (glueId: string): Plan => {
    const plan = aBoard({}, aMound([100, 100, 200, 100], 20));
    return { ...plan, stack: { ...plan.stack, raised: { ...plan.stack.raised, glueId } } };
  };
  test('white glue between foam and foam stays wet; one warning for all raised ground', () => {
    const two = { ...glued('white-glue'), features: [aMound([100, 100, 200, 100], 20, 'a'), aMound([700, 100, 200, 100], 40, 'b')] };
    expect(codes(two)).toEqual(['glue/never-dries']);
    expectMendsToWork(two);
  });
  test('superglue eats foam', () => {
    expect(warningsOf(glued('superglue'))[0]).toMatchObject({ code: 'glue/dissolves', severity: 'stop' });
    expectMendsToWork(glued('superglue'));
  });
  test('a ground layer is mended in its own place', () => {
    const plan = aBoard();
    const wrong = { ...plan, stack: { ...plan.stack, ground: [{ ...plan.stack.ground[0]!, glueBelowId: 'superglue' }] } };
    expect(codes(wrong)).toEqual(['glue/dissolves']);
    expectMendsToWork(wrong);
  });
});

test('a tile no sheet is large enough for, where joints are asked for: its parts are split into pieces that fit, or the tile is made two', () => {
  const board = aBoard({ widthMm: 2800, depthMm: 900, columns: 1, rows: 1 });
  const plan: Plan = { ...board, cutting: { ...board.cutting, joints: 'asked' } };
  const tooLarge = warningsOf(plan).filter(({ code }) => code === 'cut/too-large');
  expect(tooLarge.map(({ mends }) => mends.map(({ label }) => label))).toEqual([
    ['Split it in 2', 'Make two tiles of column A', 'Make two tiles of row 1'],
    ['Split it in 2', 'Make two tiles of column A', 'Make two tiles of row 1'],
  ]);
  const split = mended(plan, tooLarge[0]!.mends[1]!);
  expect(split.table.columnWidthsMm).toEqual([1400, 1400]);
  const pieces = tooLarge.reduce((before, { mends }) => mended(before, mends[0]!), plan);
  expect(codes(pieces).filter((code) => code.startsWith('cut/'))).toEqual([]);
});

test('a shed at 5 °C: Use water-borne coats never bind, and the warning says which and what', () => {
  const plan = aBoard();
  const cold = { ...plan, places: plan.places.map((place) => ({ ...place, air: { ...place.air, airC: 5 } })) };
  expect(codes(cold)).toEqual(['air/too-cold']);
  expect(words(warningsOf(cold)[0]!)).toContain('“Glue the ground, weigh down” and 7 other tasks do not set there');
  expectMendsToWork(cold);
});

test('a wash before the base coat is put in order', () => {
  const plan = aBoard();
  const wrong = withCoats(plan, 'open', [...coatsOf(plan, 'open')].reverse());
  expect(codes(wrong)).toEqual(['coats/order']);
  expectMendsToWork(wrong);
});

test('a feature off the table can be removed', () => {
  const plan = aBoard({}, aMound([2000, 0, 50, 50], 20));
  expect(codes(plan)).toEqual(['ground/off-table']);
  expectMendsToWork(plan);
});
