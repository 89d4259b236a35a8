import { aBoard, aPool, CATALOGUE, coatsOf, derived, withCoats } from '../../testing';
import { type GroundKind, namedSurface } from '../../plan/surfaces';
import { derivePipeline } from '../../pipeline';
import { describe, expect, test } from 'vitest';
import { mixesOf } from '../mixes';
import type { Plan } from '../../plan';
import { poursFor, coatingNeeds } from './coats';

const needsOf = (plan: Plan) => derived(plan).coats;
const volume = (plan: Plan, zone: GroundKind, coatId: string): number =>
  needsOf(plan).find((need) => need.surfaceId === namedSurface(plan.wears[zone]) && need.coatId === coatId)!.volume.value;

describe('what goes on', () => {
  test('filler on 0.96 m² of open ground: 0.96 × 1.15 relief × 1.5 mm × 1.1 for loss = 1821.6 ml', () => {
    expect(volume(aBoard(), 'open', 'light-filler-spread')).toBeCloseTo(0.96 * 1.15 * 1.5 * 1000 * 1.1, 6);
  });

  test('a film of 2 mm in the plan counts before the catalogue’s 1.5', () => {
    const plan = aBoard();
    const thicker = withCoats(
      plan,
      'open',
      coatsOf(plan, 'open').map((coat) => (coat.id === 'light-filler-spread' ? { ...coat, filmMm: 2 } : coat)),
    );
    expect(volume(thicker, 'open', 'light-filler-spread')).toBeCloseTo(0.96 * 1.15 * 2 * 1000 * 1.1, 6);
  });

  test('sealing glue by the square metre, paint by its coverage: an overbrush is 0.35 of a coat, a drybrush 0.08', () => {
    expect(volume(aBoard(), 'open', 'sealing-glue-soak')).toBeCloseTo(0.96 * 300 * 1.05, 6);
    expect(volume(aBoard(), 'open', 'craft-acrylic-overbrush')).toBeCloseTo((0.96 / 6) * 1000 * 0.35 * 1.1, 6);
    expect(volume(aBoard(), 'open', 'pale-acrylic-drybrush')).toBeCloseTo((0.96 / 6) * 1000 * 0.08 * 1.1, 6);
  });

  test('a pool of 300 × 200 mm filled 4 mm deep: 240 ml and 8 % in the bowl', () => {
    expect(volume(aBoard({}, aPool([100, 100, 300, 200], 8, 4)), 'water', 'casting-epoxy-pour')).toBeCloseTo(240 * 1.08, 3);
  });

  test('a kind of surface that is not there takes nothing', () => {
    expect(needsOf(aBoard()).every(({ surfaceId }) => surfaceId === namedSurface('packed-earth'))).toBe(true);
  });

  test('20 mm of water at 8 mm a pour are three pours, exactly 16 are two', () => {
    expect([poursFor(20, 8), poursFor(16, 8), poursFor(0.5, 8)]).toEqual([3, 2, 1]);
  });

  test('coatings are summed over kinds of surface, and what stays is the dry share', () => {
    const plan = aBoard({}, aPool([100, 100, 300, 200], 8, 4));
    const sealer = coatingNeeds({ coats: needsOf(plan), sealing: null, mends: [], catalogue: CATALOGUE }).find(
      ({ coating }) => coating.id === 'sealing-glue',
    )!;
    const coated = (960_000 - 60_000 + 60_000 + 2 * 500 * 8) / 1e6; // open ground, pool and its banks
    expect(sealer.volume.value).toBeCloseTo(coated * 300 * 1.05, 3);
    expect(sealer.dryMass.value).toBeCloseTo(coated * 300 * 1.05 * 1.02 * 0.1, 3);
  });
});

describe('what is mixed', () => {
  const mixes = mixesOf({ coats: needsOf(aBoard({}, aPool([100, 100, 900, 600], 8, 8))), catalogue: CATALOGUE });

  test('sealing glue 1 : 4: a fifth is glue, and the parts add up to the whole', () => {
    const mix = mixes.find(({ id }) => id === 'sealing-glue-soak')!;
    expect(mix.parts.map(({ name }) => name)).toEqual(['White glue', 'Water']);
    expect(mix.parts[0]!.volume.value).toBeCloseTo(mix.volume.value / 5, 9);
    expect(mix.parts[0]!.mass.value).toBeCloseTo((mix.volume.value / 5) * 1.08, 9);
    expect(mix.parts.reduce((sum, part) => sum + part.volume.value, 0)).toBeCloseTo(mix.volume.value, 9);
  });

  test('a bowl holds 400 ml: 0.54 m² at 8 mm is 4665.6 ml of resin, twelve bowls of 388.8', () => {
    const mix = mixes.find(({ id }) => id === 'casting-epoxy-pour')!;
    expect(mix.volume.value).toBeCloseTo(540_000 * 8 * 0.001 * 1.08, 2);
    expect(mix.batches.value).toBe(12);
    expect(mix.batch.value).toBeCloseTo(388.8, 2);
  });

  test('a quick setter is also held to what is spread in its pot life', () => {
    const slow = {
      ...CATALOGUE,
      coatings: CATALOGUE.coatings.map((coating) =>
        coating.id === 'casting-epoxy' ? { ...coating, potLifeMin: { value: 5, low: 5, high: 5, origin: 'label' } } : coating,
      ),
    };
    const plan = aBoard({}, aPool([100, 100, 900, 600], 8, 8));
    const { mixes: slowMixes } = derivePipeline()(plan, slow);
    const mix = slowMixes.find(({ id }) => id === 'casting-epoxy-pour')!;
    const area = (900 * 600 + 2 * 1500 * 8) / 1e6;
    const perBatch = (4665.6 * 5) / ((area / 0.5) * 60); // 5 of some 68 minutes
    expect(mix.batches.value).toBe(Math.ceil(4665.6 / perBatch));
  });
});
