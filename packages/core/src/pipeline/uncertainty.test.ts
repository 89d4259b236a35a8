import { describe, expect, test } from 'vitest';
import { type Catalogue, withOwn } from '../catalogue';
import { brinefold } from '../demo';
import { CATALOGUE } from '../testing';
import { derivePipeline } from './full';
import { drawsFor, readyDraw, readySureOf, uncertaintyOf, widthOf } from './uncertainty';

const plan = brinefold(CATALOGUE);
const own = derivePipeline()(plan, CATALOGUE);
const COUNT = 500;

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
  const sure = uncertaintyOf(own, draws);
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
    expect(enough.map(({ ofHundred }) => ofHundred)).toEqual([80, 90, 95]);
    for (const [i, one] of enough.slice(1).entries()) {
      expect(one.need).toBeGreaterThanOrEqual(enough[i]!.need);
      expect(one.choice.costMinor).toBeGreaterThanOrEqual(enough[i]!.choice.costMinor);
      expect(one.choice.amount).toBeGreaterThanOrEqual(one.need);
    }
  });
  test('the ready date has a band, the plan it is read from in it or near it', () => {
    const readyAt = readyDraw(plan, CATALOGUE, own, draws)!;
    const ready = readySureOf(
      Float64Array.from({ length: 120 }, (_, chance) => readyAt(chance)),
      plan,
    );
    expect(ready.band.low).toBeLessThan(ready.band.high);
    expect(ready.band.high).toBeGreaterThan(own.days.ready!.at.value);
    expect(ready.highText).toMatch(/^\w{3} \d+ \w{3}, \d\d:\d\d$/);
    expect(ready.noneShare).toBeLessThan(0.05);
    expect(readyAt(7)).toBe(readyDraw(plan, CATALOGUE, own, draws)!(7));
  });
  test('the mass says that most of its width is the film of the filler', () => {
    const { from } = widthOf(own.tally.mass, draws);
    expect(from[0]!.label).toContain('film');
    expect(from[0]!.share).toBeGreaterThan(0.5);
    expect(from.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9);
  });
  test('bought to be enough in nine of ten the filler takes a larger pot, says why, and costs that much more; all else as reckoned', () => {
    const derive = derivePipeline();
    const asked = { ...plan, buying: { ofHundred: null, own: [{ supplyId: 'light-filler', ofHundred: 90 as const }] } };
    const { supplies } = derive(asked, CATALOGUE);
    const moved = supplies.rows.filter((row, i) => row.buy.value !== own.supplies.rows[i]!.buy.value);
    expect(moved.map(({ id, ofHundred }) => [id, ofHundred])).toEqual([['light-filler', 90]]);
    const { choice } = sure.needs.find(({ id }) => id === 'light-filler')!.enough.find(({ ofHundred }) => ofHundred === 90)!;
    expect(moved[0]!.buy.value).toBe(choice.costMinor);
    expect(supplies.buy.value - own.supplies.buy.value).toBeCloseTo(
      moved[0]!.buy.value - own.supplies.rows.find(({ id }) => id === 'light-filler')!.buy.value,
      6,
    );
    // Asked of everything, nothing is bought less of, and what is asked for it alone stays.
    const all = derive({ ...plan, buying: { ofHundred: 95, own: [{ supplyId: 'light-filler', ofHundred: null }] } }, CATALOGUE).supplies;
    for (const [i, row] of all.rows.entries()) expect(row.buy.value).toBeGreaterThanOrEqual(own.supplies.rows[i]!.buy.value);
    expect(all.rows.find(({ id }) => id === 'light-filler')!.buy.value).toBe(
      own.supplies.rows.find(({ id }) => id === 'light-filler')!.buy.value,
    );
    expect(all.buy.value).toBeGreaterThan(own.supplies.buy.value);
  });
  test('a figure that came as a copy is told as wide as the figure itself', () => {
    // As it comes from the server, every figure says its place.
    const { mass } = derivePipeline()(plan, withOwn(CATALOGUE, {})).tally;
    const [told, copied] = [mass, structuredClone(mass)].map((figure) => widthOf(figure, drawsFor(plan, CATALOGUE, COUNT)));
    expect(copied).toEqual(told);
  });
  test('the same board is told the same again', () => {
    expect(uncertaintyOf(own, drawsFor(plan, CATALOGUE, COUNT))).toEqual(sure);
  });
});

test('with a catalogue that is sure of everything there are no bands, and every chance is ready when the plan is', () => {
  const catalogue: Catalogue = sureOf(CATALOGUE);
  const derived = derivePipeline()(plan, catalogue);
  const draws = drawsFor(plan, catalogue, 3);
  const sure = uncertaintyOf(derived, draws);
  expect(sure.tally).toEqual({});
  expect(sure.needs.every(({ band, buy }) => band === null && buy === null)).toBe(true);
  const readyAt = readyDraw(plan, catalogue, derived, draws)!;
  const ready = [0, 1, 2].map(readyAt);
  expect(new Set(ready).size).toBe(1);
  expect(Math.abs(ready[0]! - derived.days.ready!.at.value)).toBeLessThan(24 * 60);
});
