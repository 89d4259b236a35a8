import { describe, expect, test } from 'vitest';
import { type Catalogue, isEstimate, withOwn } from '../catalogue';
import { brinefold } from '../demo';
import { CATALOGUE } from '../testing';
import { type Derivation, type StageName, STAGES } from './derive';
import { derivePipeline } from './full';
import { PartsRead } from './parts-read';

const PLAN = brinefold(CATALOGUE);
const KNOWN = withOwn(CATALOGUE, {});
type Key = keyof Catalogue;
/** Lists and groups of figures. */
const KEYS = (Object.keys(KNOWN) as Key[]).filter((key) => typeof KNOWN[key] === 'object');

/** Every figure and price of one part of the catalogue is larger; all else stays the same object. */
const larger = (data: unknown): unknown => {
  if (typeof data !== 'object' || data === null) return data;
  if (isEstimate(data)) return { ...data, value: data.value * 1.02, high: Math.max(data.high, data.value * 1.02) };
  if (Array.isArray(data)) return data.map(larger);
  return Object.fromEntries(
    Object.entries(data).map(([key, inner]) => [key, key === 'priceMinor' ? (inner as number) + 10 : larger(inner)]),
  );
};
const withLarger = (key: Key): Catalogue => ({ ...KNOWN, [key]: larger(KNOWN[key]) });

/** Whether two answers say the same; workings share their steps, so each object is looked at once. */
const isSaidAlike = (one: object, other: object, name: StageName): boolean => {
  const seen = new WeakMap<object, unknown>();
  const alike = (a: unknown, b: unknown): boolean => {
    if (Object.is(a, b)) return true;
    if (typeof a === 'function' || typeof b === 'function') return typeof a === typeof b;
    if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
    if (seen.get(a) === b) return true;
    seen.set(a, b);
    const [mine, theirs] = [a, b].map((data) => (data instanceof Map ? [...data] : Object.entries(data)));
    return mine!.length === theirs!.length && mine!.every(([key, inner], i) => alike(key, theirs![i]![0]) && alike(inner, theirs![i]![1]));
  };
  const at = (derivation: object): unknown => (derivation as Record<StageName, unknown>)[name];
  return alike(at(one), at(other));
};

const readAll = (derivation: Derivation): void => STAGES.names.forEach((name) => void derivation[name]);

describe('a catalogue that is another in one part', () => {
  test.each(KEYS)('%s: what is kept is what would be calculated anew, in every stage', (key) => {
    const derive = derivePipeline();
    readAll(derive(PLAN, KNOWN));
    const changed = withLarger(key);
    const kept = derive(PLAN, changed);
    const anew = derivePipeline()(structuredClone(PLAN), structuredClone(changed));
    for (const name of STAGES.names) expect(isSaidAlike(kept, anew, name), name).toBe(true);
  });

  test('costs the stages that read it: a price of a sheet leaves ground, layers, pieces, coats and the schedule as they were', () => {
    const derive = derivePipeline();
    const before = derive(PLAN, KNOWN);
    readAll(before);
    const sheets = KNOWN.sheets.map((sheet) => ({ ...sheet, priceMinor: sheet.priceMinor + 1 }));
    const after = derive(PLAN, { ...KNOWN, sheets });
    const others: StageName[] = ['ground', 'stack', 'pieces', 'coats', 'mass', 'steps', 'days', 'agenda', 'floors', 'mixes'];
    for (const name of others) expect(after[name], name).toBe(before[name]);
    expect(after.counts.cost.value).toBeGreaterThan(before.counts.cost.value);
  });

  test('and the schedule follows where the work is another: a coat that takes twice as long', () => {
    const derive = derivePipeline();
    const before = derive(PLAN, KNOWN);
    const minutesOf = ({ steps }: typeof before): number => steps.reduce((sum, { tasks }) => sum + tasks.length, 0);
    void before.days;
    const methods = KNOWN.methods.map((method) => larger(larger(method)) as typeof method);
    const after = derive(PLAN, { ...KNOWN, methods });
    expect(after.days).not.toBe(before.days);
    expect(minutesOf(after)).toBe(minutesOf(before));
  });
});

describe('a source that is read in parts', () => {
  const source = { a: [1], b: [2], c: [3] };
  test('is followed while what was read is the same, also what is read later of the new one', () => {
    const read = new PartsRead<typeof source & { d?: number[] }>(source);
    expect(read.view.a).toBe(source.a);
    const later = { ...source, b: [20] };
    expect(read.follows(later)).toBe(true);
    expect(read.view.b).toBe(later.b);
    expect(read.follows(source)).toBe(false);
    expect(read.follows({ ...later, a: [1] })).toBe(false);
  });
  test('notes what was looked for and is not there, and all of it where it is spread', () => {
    const read = new PartsRead<typeof source & { d?: number[] }>(source);
    expect(read.view.d ?? 'none').toBe('none');
    expect(read.follows({ ...source, c: [4] })).toBe(true);
    expect(read.follows({ ...source, d: [4] })).toBe(false);
    expect({ ...read.view }).toEqual({ ...source, c: [4] });
    expect(read.follows({ ...source, c: [5] })).toBe(false);
  });
});
