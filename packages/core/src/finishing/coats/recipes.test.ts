import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard, aCoat, aPool, derived, withCoats } from '../../testing';
import type { Coat, Plan } from '../../plan';
import { grainLook } from './grain';

const M2 = 0.96;
const needFor = (coat: Coat) => derived(withCoats(aBoard(), 'open', [coat])).coats[0]!;

describe('what a coat can be', () => {
  test('two goes take twice as much; half the surface half; two parts of water a third', () => {
    const one = needFor(aCoat('wash', 'wash')).volume.value;
    expect(one).toBeCloseTo((M2 / 11) * 1000 * 1.1, 6);
    expect(needFor(aCoat('wash', 'wash', { goes: 2 })).volume.value).toBeCloseTo(2 * one, 6);
    expect(needFor(aCoat('wash', 'wash', { coverPct: 50 })).volume.value).toBeCloseTo(one / 2, 6);
    expect(needFor(aCoat('wash', 'wash', { thin: 2 })).volume.value).toBeCloseTo(one / 3, 6);
  });
  test('grass by weight, tufts one by one in whole, stones counted and sold by weight', () => {
    expect(needFor(aCoat('static-grass', 'strew')).amount).toMatchObject({
      unit: 'g',
      value: expect.closeTo(M2 * 150 * 1.15, 6) as number,
    });
    expect(needFor(aCoat('tufts', 'set-down')).amount).toMatchObject({ unit: '1', value: Math.ceil(M2 * 60 * 1.05) });
    const stones = needFor(aCoat('set-stones', 'set-in', { strewn: { perM2: 100, clumpPct: 0, feetPct: 0 } }));
    expect(stones.amount).toMatchObject({ unit: 'g', value: expect.closeTo(Math.ceil(M2 * 100 * 1.05) * 0.3, 6) as number });
  });
  test('tape goes along the edge and leaves nothing behind', () => {
    const plan = withCoats(aBoard({}, aPool([100, 100, 300, 200], 8, 4)), 'water', [aCoat('low-tack-tape', 'tape', { before: 'cured' })]);
    const all = derived(plan);
    const tape = all.coats.find(({ coating }) => coating.id === 'low-tack-tape')!;
    expect(tape.amount).toMatchObject({ unit: 'm', value: expect.closeTo(2 * 0.5 * 1.15, 3) as number });
    expect(all.coatings.find(({ coating }) => coating.id === 'low-tack-tape')!.dryMass.value).toBe(0);
    expect(all.supplies.rows.find(({ id }) => id === 'low-tack-tape')!.packs).toMatchObject([
      { count: 1, amount: { value: 18, unit: 'm' } },
    ]);
  });
  test('a pour on dry ground is none', () =>
    expect(derived(withCoats(aBoard(), 'open', [aCoat('casting-epoxy', 'pour')])).coats).toEqual([]));
});

describe('waits between coats', () => {
  const filler = aCoat('light-filler', 'spread');
  const waitOf = (plan: Plan, stepId: string): number => derived(plan).steps.find(({ id }) => id === stepId)!.tasks[0]!.wait.usual!.value;
  const open = (...coats: Coat[]): Plan => withCoats(aBoard(), 'open', coats);

  test('what goes on wet follows at once, what wants it cured waits for that', () => {
    const sand = aCoat('fine-sand', 'sprinkle');
    const dry = waitOf(open(filler, sand), 'light-filler-spread-1');
    expect(dry).toBeGreaterThan(60);
    expect(waitOf(open(filler, { ...sand, before: 'wet' }), 'light-filler-spread-1')).toBe(0);
    expect(waitOf(open(filler, { ...sand, before: 'cured' }), 'light-filler-spread-1')).toBeGreaterThan(5 * dry);
  });
  test('what is pressed into wet paste must come while that is workable', () => {
    const wet = { ...aCoat('fine-sand', 'sprinkle'), before: 'wet' as const };
    const { steps } = derived(open(filler, wet));
    const [task] = steps.find(({ id }) => id.startsWith('fine-sand'))!.tasks;
    expect(task!.after.map(({ taskId, most }) => [taskId, most?.value])).toEqual([[`light-filler-spread-1-${task!.workpieceId}`, 25]]);
  });
  test('so many goes are so many steps, each dried before the next', () => {
    const ids = derived(open(filler, aCoat('sealing-glue', 'soak', { goes: 3 })))
      .steps.map(({ id }) => id)
      .filter((id) => id.startsWith('sealing'));
    expect(ids).toEqual(['sealing-glue-soak-1-go-1', 'sealing-glue-soak-1-go-2', 'sealing-glue-soak-1-go-3']);
  });
  test('peaks are dabbed twice in the first hour: six minutes a tile on top', () => {
    const { steps, areas } = derived(open(filler));
    const step = steps.find(({ id }) => id === 'light-filler-spread-1')!;
    const { coatedMm2 } = areas.onTile.get('A1')![0]!;
    expect([step.tasks[0]!.work.value, step.tasks[0]!.calls!.value]).toEqual([expect.closeTo((coatedMm2 / 1e6 / 0.6) * 60, 6), 2 * 3]);
  });
  test('the builder’s order is the order of work, whatever the ranks say; two surfaces that want it otherwise do a step twice', () => {
    const [paint, wash] = [aCoat('masonry-paint', 'base'), aCoat('wash', 'wash')];
    const plan = withCoats(withCoats(aBoard({}, aPool([100, 100, 300, 200], 8, 4)), 'open', [wash, paint]), 'water', [paint, wash]);
    const coats = derived(plan)
      .steps.filter(({ kind }) => kind === 'coat')
      .map(({ id }) => id);
    expect(coats).toEqual(['masonry-paint-base-1', 'wash-wash-1', 'masonry-paint-base-1-again1']);
  });
});

test('a step that some surface is not ready for waits until it is, and is done once', () => {
  const [paint, wash, gloss] = [aCoat('masonry-paint', 'base'), aCoat('wash', 'wash'), aCoat('gloss-varnish', 'gloss')];
  // The water is ready for its wash at once; open ground has two coats of paint before its own.
  const plan = withCoats(
    withCoats(aBoard({}, aPool([100, 100, 300, 200], 8, 4)), 'open', [paint, { ...paint, id: 'again' }, wash]),
    'water',
    [wash, gloss],
  );
  const coats = derived(plan)
    .steps.filter(({ kind }) => kind === 'coat')
    .map(({ id }) => id);
  expect(coats).toEqual(['masonry-paint-base-1', 'masonry-paint-base-2', 'wash-wash-1', 'gloss-varnish-gloss-1']);
});
test('the lower rank goes first only where every surface is ready for it', () => {
  const [seal, wash, mist] = [aCoat('sealing-glue', 'soak'), aCoat('wash', 'wash'), aCoat('wetting-mist', 'mist')];
  // Mist comes before the glue by rank, but open ground mists only after its wash: the water waits with its own.
  const plan = withCoats(withCoats(aBoard({}, aPool([100, 100, 300, 200], 8, 4)), 'open', [wash, mist]), 'water', [mist, seal]);
  const coats = derived(plan)
    .steps.filter(({ kind }) => kind === 'coat')
    .map(({ id }) => id);
  expect(coats).toEqual(['wash-wash-1', 'wetting-mist-mist-1', 'sealing-glue-soak-1']);
});

test.each([
  ['fine-sand', 28, 'gravel', false],
  ['small-grit', 28, 'stones', false],
  ['small-grit', 15, 'rocks', true],
  ['grout-dust', 28, 'sand', false],
] as const)('%s beside figures of %d mm reads as %s', (id, figureMm, readsAs, isCoarse) => {
  const coating = CATALOGUE.coatings.find((one) => one.id === id)!;
  expect(grainLook(coating, figureMm / 1_650)).toMatchObject({ readsAs, isCoarse });
});

test('water in gloss coats instead of a pour is cheaper, lighter and sooner done, and says what it costs to look at', async () => {
  const { waterOptionsOf } = await import('../../pipeline');
  const plan = aBoard({}, aPool([100, 100, 700, 500], 24, 20));
  const options = [...waterOptionsOf(plan, CATALOGUE)].at(-1)!.options;
  const of = (id: string) => options.find((one) => one.id === id)!;
  expect(options.map(({ id }) => id)).toEqual(['pour', 'tinted-pour', 'lamp-resin', 'gel', 'gloss']);
  expect(of('pour').isOwn).toBe(true);
  expect(of('gloss').cost.value).toBeLessThan(of('pour').cost.value);
  expect(of('gloss').mass.value).toBeLessThan(of('pour').mass.value - 5_000);
  expect(of('pour').hazards.join(' ')).toContain('Wear gloves');
  expect(of('gloss').hazards).toEqual([]);
});
