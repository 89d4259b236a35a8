import { aBoard, aCoat, aMound, CATALOGUE, coatsOf, mended, withCoats } from '../../testing';
import { describe, expect, test } from 'vitest';
import { derivePipeline } from '../../pipeline';
import type { Plan } from '../../plan';
import { checkPlan } from '../../plan/stored/file';
import type { Warning } from './warning';

const derive = derivePipeline();
const of = (plan: Plan, code: string): readonly Warning[] => derive(plan, CATALOGUE).warnings.filter((warning) => warning.code === code);
const withStack = (change: (stack: Plan['stack']) => Partial<Plan['stack']>, plan = aBoard()): Plan => ({
  ...plan,
  stack: { ...plan.stack, ...change(plan.stack) },
});

/** The plan is warned of once in this way, and every mend of it clears it and leaves a sound plan. */
function expectMended(plan: Plan, code: string): Warning {
  const [warning, ...others] = of(plan, code);
  expect(others).toEqual([]);
  expect(warning!.mends.length).toBeGreaterThan(0);
  for (const mend of warning!.mends) {
    const after = mended(plan, mend);
    expect(checkPlan(after, CATALOGUE)).toMatchObject({ ok: true });
    expect(of(after, code), mend.label).toEqual([]);
  }
  return warning!;
}
const layer = (id: string, materialId: string, thicknessMm: number, glueBelowId: string) =>
  ({ id, materialId, thicknessMm, glueBelowId, spread: 'full', grain: null, sealed: 'none' }) as const;

describe('glue that cannot do its work', () => {
  test('beads under the layer that is textured: spread it, or use what holds so', () => {
    const plan = withStack(({ ground }) => ({ ground: [{ ...ground[0]!, glueBelowId: 'foam-safe-construction', spread: 'beads' }] }));
    expect(expectMended(plan, 'glue/spots').mends[0]!.label).toBe('Spread it over the whole face');
  });
  test('white glue on a sealed substrate under foam: the face left bare is one of the mends', () => {
    const plan = withStack(({ substrate }) => ({ substrate: { ...substrate!, sealed: 'both' } }));
    expect(expectMended(plan, 'glue/never-dries').mends.map(({ label }) => label)).toContain(
      'Leave the glued face of the substrate unsealed',
    );
  });
  test('white glue on fluted polypropylene slips', () => {
    expectMended(
      withStack(() => ({ substrate: { materialId: 'fluted-pp', thicknessMm: 4, sealed: 'none', grain: null } })),
      'glue/slips',
    );
  });
  test('hot melt under 2 mm of cork buckles it; superglue under a covering dissolves the foam', () => {
    const covering = (glueBelowId: string): Plan =>
      withStack(({ facings }) => ({
        facings: { ...facings, open: [{ ...layer('c', 'cork', 2, glueBelowId) }].map(({ sealed: _, ...own }) => own) },
      }));
    expectMended(covering('hot-melt'), 'glue/buckles');
    expectMended(covering('superglue'), 'glue/dissolves');
  });
});

describe('how layers lie', () => {
  const two = (lower: 'x' | 'y' | null, upper: 'x' | 'y' | null): Plan =>
    withStack(() => ({
      ground: [
        { ...layer('a', 'xps-foam', 20, 'white-glue'), grain: lower },
        { ...layer('b', 'xps-foam', 10, 'foam-safe-construction'), grain: upper },
      ],
    }));
  test('two foams with their grain the same way: turn the upper one', () => {
    expectMended(two('x', 'x'), 'stack/grain');
    expect(of(two('x', 'y'), 'stack/grain')).toEqual([]);
  });
  test('where nothing is said of the grain, one click says it of both', () => {
    expectMended(two(null, null), 'stack/grain');
  });
  test('raised ground in several layers that do not cross', () => {
    const mound = aBoard({}, aMound([100, 100, 200, 100], 60));
    const plan = withStack(({ raised }) => ({ raised: { ...raised, crossGrain: false } }), mound);
    expectMended(plan, 'stack/grain');
  });
  test('a tile of 1200 mm, 10 mm of foam on MDF of 6: what is offered is enough, and harms no joint', () => {
    const wide = { ...aBoard(), table: { ...aBoard().table, columnWidthsMm: [1200] } };
    const plan = withStack(({ ground }) => ({ ground: [{ ...ground[0]!, thicknessMm: 10 }] }), wide);
    const { mends } = expectMended(plan, 'stack/bow');
    for (const mend of mends) expect(of(mended(plan, mend), 'glue/never-dries')).toEqual([]);
  });
});

test('a solvent-borne primer on bare foam: the sealer that stands later goes first, or a new one is put in', () => {
  const plan = aBoard();
  const primer = aCoat('spray-primer', 'spray');
  const later = withCoats(plan, 'open', [primer, ...coatsOf(plan, 'open').slice(1)]);
  expect(expectMended(later, 'coats/solvent').severity).toBe('stop');
  const none = withCoats(plan, 'open', [primer]);
  expectMended(none, 'coats/solvent');
});
