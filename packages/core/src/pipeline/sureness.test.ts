import { describe, expect, test } from 'vitest';
import type { Catalogue } from '../catalogue';
import { brinefold } from '../demo';
import * as finish from '../finish';
import { makePieces } from '../pieces';
import { CATALOGUE } from '../testing';
import { Redrawn } from '../sure';
import { readyChances } from '../days';
import { derivePipeline } from './full';
import { drawsFor, surenessOf, widthOf } from './sureness';

const plan = brinefold(CATALOGUE);
const own = derivePipeline(makePieces, finish)(plan, CATALOGUE);
const COUNT = 200;

/** Every value of a catalogue taken for sure. */
function sureOf<T>(data: T): T {
  if (typeof data !== 'object' || data === null) return data;
  if (Array.isArray(data)) return data.map(sureOf) as T;
  const copy = Object.fromEntries(Object.entries(data).map(([key, inner]) => [key, sureOf(inner)]));
  if ('low' in copy && 'high' in copy && 'value' in copy) return { ...copy, low: copy['value'], high: copy['value'] } as T;
  return copy as T;
}

describe('how sure Brinefold is', () => {
  const draws = drawsFor(plan, CATALOGUE, COUNT);
  const sure = surenessOf(plan, CATALOGUE, own, draws);
  test('every figure of the tally that anything unsure goes into has a band round it', () => {
    for (const name of ['mass', 'adhesive', 'paint', 'handsOn'] as const) {
      expect(sure.tally[name]!.low).toBeLessThan(own.tally[name].value);
      expect(sure.tally[name]!.high).toBeGreaterThan(own.tally[name].value);
    }
    expect(sure.tally.cost!.high).toBeGreaterThan(own.tally.cost.value);
    expect(sure.tally.sheets).toBeUndefined();
  });
  test('a material that is enough more often is never less, and costs no less', () => {
    const { enough } = sure.needs.find(({ id }) => id === 'light-filler')!;
    expect(enough.map(({ ofHundred }) => ofHundred)).toEqual([50, 80, 90, 95]);
    for (const [i, one] of enough.slice(1).entries()) {
      expect(one.need).toBeGreaterThanOrEqual(enough[i]!.need);
      expect(one.choice.costMinor).toBeGreaterThanOrEqual(enough[i]!.choice.costMinor);
      expect(one.choice.amount).toBeGreaterThanOrEqual(one.need);
    }
  });
  test('the ready date has a band, the plan it is read from in it or near it', () => {
    expect(sure.ready!.band.low).toBeLessThan(sure.ready!.band.high);
    expect(sure.ready!.highText).toMatch(/^\w{3} \d+ \w{3}, \d\d:\d\d$/);
    expect(sure.ready!.noneShare).toBeLessThan(0.05);
  });
  test('the mass says that most of its width is the film of the filler', () => {
    const { from } = widthOf(own.tally.mass, draws);
    expect(from[0]!.label).toContain('film');
    expect(from[0]!.share).toBeGreaterThan(0.5);
    expect(from.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9);
  });
  test('the same board is told the same again', () => {
    expect(surenessOf(plan, CATALOGUE, own, drawsFor(plan, CATALOGUE, COUNT))).toEqual(sure);
  });
});

test('with a catalogue that is sure of everything there are no bands, and every chance is ready when the plan is', () => {
  const catalogue: Catalogue = sureOf(CATALOGUE);
  const derived = derivePipeline(makePieces, finish)(plan, catalogue);
  const draws = drawsFor(plan, catalogue, 3);
  const sure = surenessOf(plan, catalogue, derived, draws);
  expect(sure.tally).toEqual({});
  expect(sure.needs.every(({ band, buy }) => band === null && buy === null)).toBe(true);
  const { steps, spots, days } = derived;
  const ready = readyChances({ ...plan, steps, spots, days, catalogue }, new Redrawn(draws), 3)!;
  expect(new Set(ready).size).toBe(1);
  expect(Math.abs(ready[0]! - days.ready!.at.value)).toBeLessThan(24 * 60);
});
