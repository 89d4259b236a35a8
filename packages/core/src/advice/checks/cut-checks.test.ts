import { aBoard, aMound, aPit, CATALOGUE, mended } from '../../testing';
import { describe, expect, test } from 'vitest';
import type { CutJob } from '../../build/cutting/job';
import { isNew } from '../../build/cutting/nesting';
import { derivePipeline } from '../../pipeline';
import type { Plan } from '../../plan';
import { checkPlan } from '../../plan/stored/file';
import type { Warning } from './warning';

const derive = derivePipeline();
const warned = (plan: Plan): readonly Warning[] => derive(plan, CATALOGUE).warnings.filter(({ code }) => code.startsWith('cut/'));
const job = (plan: Plan, materialId: string): CutJob => derive(plan, CATALOGUE).jobs.find((one) => one.materialId === materialId)!;
const withTool = (plan: Plan, toolId: string): Plan => ({
  ...plan,
  cutting: { ...plan.cutting, tools: [{ jobKey: 'xps-foam-30', toolId, kerfMm: null }] },
});

describe('a part wider than the throat of the hot wire', () => {
  const plan = withTool(aBoard({ widthMm: 1000, depthMm: 1000 }), 'hot-wire');
  test('500 × 500 in a throat of 400 is told of before cutting: another tool, or a split in two', () => {
    const [warning, ...others] = warned(plan);
    expect(others).toEqual([]); // one for all four tiles
    expect(warning).toMatchObject({ code: 'cut/fence', severity: 'stop' });
    expect(warning!.mends.map(({ label }) => label)).toEqual(['Cut it with knife and rule', 'Split them in 2']);
  });
  test('the split works: every piece goes in, and its pieces are the part again', () => {
    const split = warned(plan).reduce((before, { mends }) => mended(before, mends[1]!), plan);
    expect(checkPlan(split, CATALOGUE)).toMatchObject({ ok: true });
    expect(warned(split)).toEqual([]);
    const { parts } = job(split, 'xps-foam');
    expect(parts).toHaveLength(8);
    expect(parts.every(({ widthMm, depthMm }) => Math.min(widthMm, depthMm) <= 400)).toBe(true);
    expect(parts.reduce((sum, { areaMm2 }) => sum + areaMm2, 0)).toBeCloseTo(1_000_000, 3);
  });
  test('a knife takes it as it is', () => {
    expect(warned(warned(plan).reduce((before, { mends }) => mended(before, mends[0]!), plan))).toEqual([]);
  });
});

describe('a part longer than every sheet', () => {
  /** Joints are left to the builder. */
  const asked = (plan: Plan): Plan => ({ ...plan, cutting: { ...plan.cutting, joints: 'asked' } });
  const long = (...features: Plan['features']): Plan => asked(aBoard({ widthMm: 2900, depthMm: 500, columns: 1, rows: 1 }, ...features));
  const split = (plan: Plan): Plan => {
    let now = plan;
    for (let i = 0; i < 6; i++) {
      const [warning] = warned(now);
      if (warning === undefined) return now;
      now = mended(now, warning.mends[0]!);
    }
    return now;
  };
  test('2900 mm on sheets of 2400 and 2440: each layer in two, joints of 50 mm apart, on sheets all of it', () => {
    expect(warned(long()).map(({ code }) => code)).toEqual(['cut/too-large', 'cut/too-large']);
    const done = split(long());
    expect(warned(done)).toEqual([]);
    expect(derive(done, CATALOGUE).warnings.filter(({ code }) => code === 'stack/joints')).toEqual([]);
    const joint = (partId: string): number => done.cutting.splits.find((one) => one.partId === partId)!.atMm[0]!;
    expect(Math.abs(joint('A1-substrate-0') - joint('A1-ground-0'))).toBeGreaterThanOrEqual(50);
    for (const one of derive(done, CATALOGUE).jobs) {
      expect(one.layout.tooLarge).toEqual([]);
      expect(one.layout.sheets.every(({ stock }) => isNew(stock))).toBe(true);
    }
  });
  test('the joint keeps off a pit that lies in the middle', () => {
    const done = split(long(aPit([1300, 100, 300, 300], 8)));
    const { atMm } = done.cutting.splits.find(({ partId }) => partId === 'A1-ground-0')!;
    expect(atMm.every((mm) => mm <= 1300 - 20 || mm >= 1600 + 20)).toBe(true);
  });
  test('and joints that do lie over each other are told of, and moved', () => {
    const done = split(long());
    const [first] = done.cutting.splits;
    const inLine = { ...done, cutting: { ...done.cutting, splits: done.cutting.splits.map((one) => ({ ...one, atMm: first!.atMm })) } };
    const through = derive(inLine, CATALOGUE).warnings.filter(({ code }) => code === 'stack/joints');
    expect(through).toHaveLength(1);
    const moved = mended(inLine, through[0]!.mends[0]!);
    expect(derive(moved, CATALOGUE).warnings.filter(({ code }) => code === 'stack/joints')).toEqual([]);
    expect(warned(moved)).toEqual([]);
  });
  test('a mound larger than the sheet both ways is split both ways', () => {
    const wide = asked(aBoard({ widthMm: 2900, depthMm: 2900, columns: 1, rows: 1 }, aMound([50, 50, 2800, 2800], 20)));
    const done = split(wide);
    expect(warned(done).filter(({ title }) => title.includes('mound'))).toEqual([]);
    const pieces = derive(done, CATALOGUE).partList.parts.filter(({ featureId }) => featureId === 'mound');
    expect(pieces.reduce((sum, { areaMm2 }) => sum + areaMm2, 0)).toBeCloseTo(2800 * 2800, 1);
    expect(pieces.length).toBeGreaterThanOrEqual(4);
  });
});
