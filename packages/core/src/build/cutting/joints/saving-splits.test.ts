import { describe, expect, test } from 'vitest';
import { seeded } from '../../../base/random';
import { derivePipeline } from '../../../pipeline';
import { type Plan, newPlan } from '../../../plan';
import { appliedTo } from '../../../plan/edits';
import { EMPTY_WORKSHOP } from '../../../plan/workshop';
import { CATALOGUE, aBoard, aPit } from '../../../testing';
import { type LayoutTask, blankOf, layOut, layoutCost } from '../nesting';
import type { CutJob } from '../job';
import { tickedOff } from '../saved';

const derived = (plan: Plan) => derivePipeline()(plan, CATALOGUE);
const moneyOf = (jobs: readonly CutJob[]): number => jobs.reduce((sum, { cost }) => sum + cost.value, 0);
const withJoints = (plan: Plan, joints: Plan['cutting']['joints']): Plan => ({ ...plan, cutting: { ...plan.cutting, joints } });
const laidTask = (job: CutJob): LayoutTask => ({
  blanks: job.parts.map(blankOf),
  stock: job.stock,
  kerfMm: job.kerfMm,
  aim: job.aim,
  pinned: [],
});

/** The least a job comes to with one joint in one part, at every mm of either side; of equal parts one is enough. */
function leastWithOneJoint(job: CutJob): number {
  const task = laidTask(job);
  let least = layoutCost(layOut(task).sheets, job.aim);
  const unlike = [...new Map(task.blanks.map((blank) => [`${blank.widthMm} ${blank.depthMm}`, blank])).values()];
  for (const blank of unlike)
    for (const side of ['widthMm', 'depthMm'] as const)
      for (let at = 30; at <= blank[side] / 2; at++) {
        const pieces = [at, blank[side] - at].map((mm, i) => ({ ...blank, id: `${blank.id}/${i}`, [side]: mm }));
        const blanks = [...task.blanks.filter(({ id }) => id !== blank.id), ...pieces];
        least = Math.min(least, layoutCost(layOut({ ...task, blanks }).sheets, job.aim));
      }
  return least;
}

/** A board of 1 to 12 tiles; one in three in round numbers, as builders like them. */
function chanceBoard(random: () => number): Plan {
  const [columns, rows] = [1 + Math.floor(random() * 4), 1 + Math.floor(random() * 3)];
  const side = (): number => (random() < 0.35 ? 10 * Math.floor(25 + random() * 40) : Math.floor(250 + random() * 400));
  return newPlan(
    {
      name: 'By chance',
      units: 'metric',
      widthMm: columns * side(),
      depthMm: rows * side(),
      columns,
      rows,
      figureHeightMm: 28,
      startsOn: '2026-12-02',
    },
    CATALOGUE,
  );
}

/** 200 of them took 40 s on a quiet machine. */
const BOARDS = 30;
test(`on ${BOARDS} boards by chance no single joint anywhere buys less than what is bought`, { timeout: 60_000 }, () => {
  const random = seeded(361);
  let saved = 0;
  for (let run = 0; run < BOARDS; run++) {
    const plan = chanceBoard(random);
    const own = derived(plan);
    const plain = derived(withJoints(plan, 'laid'));
    if (moneyOf(own.jobs) < moneyOf(plain.jobs)) saved++;
    for (const job of plain.jobs) {
      const bought = layoutCost(own.jobs.find(({ key }) => key === job.key)!.layout.sheets, job.aim);
      expect(bought, `${plan.table.columnWidthsMm.join('+')} × ${plan.table.rowDepthsMm.join('+')}, ${job.name}`).toBeLessThanOrEqual(
        leastWithOneJoint(job) + 1e-3,
      );
    }
  }
  expect(saved).toBeGreaterThan(0);
});

describe('three tiles of 610 on sheets of 1220 × 610', () => {
  const plan = aBoard({ widthMm: 1_830, depthMm: 610, columns: 3, rows: 1 });
  const own = derived(plan);
  const mdf = own.jobs.find(({ materialId }) => materialId === 'mdf')!;
  test('two are bought and one tile is joined, clear of nothing on a plain board', () => {
    expect(mdf.sheetCount.value).toBe(2);
    expect(mdf.savingSplits).toHaveLength(1);
    expect(derived(withJoints(plan, 'laid')).jobs.find(({ materialId }) => materialId === 'mdf')!.sheetCount.value).toBe(3);
  });
  test('a part that is to stay whole stays whole: another is joined in its place, and none where all are kept', () => {
    const keep = (of: Plan, wholeId: string): Plan => appliedTo(of, { code: 'part/keep', wholeId, isKept: true });
    const first = mdf.savingSplits[0]!.wholeId;
    const after = derived(keep(plan, first)).jobs.find(({ key }) => key === mdf.key)!;
    expect(after.savingSplits.map(({ wholeId }) => wholeId)).not.toContain(first);
    expect(after.sheetCount.value).toBe(2);
    const wholes = ['A1', 'B1', 'C1'].map((tile) => mdf.parts.find(({ wholeId, workpieceId }) => workpieceId === tile && wholeId)!.wholeId);
    const none = derived(wholes.reduce(keep, plan)).jobs.find(({ key }) => key === mdf.key)!;
    expect([none.savingSplits.length, none.sheetCount.value]).toEqual([0, 3]);
    expect(appliedTo(keep(plan, first), { code: 'part/keep', wholeId: first, isKept: false }).cutting.keptWhole).toEqual([]);
  });
  test('once a sheet is cut its joints belong to the plan, and no other is sought', () => {
    const { splits, cut: sheet, saved } = tickedOff(mdf, 0, 'cut-1');
    expect(splits).toEqual(mdf.savingSplits);
    const cut = appliedTo(plan, { code: 'sheet/cut', sheet, layout: saved, splits, jobKeys: [] });
    const after = derivePipeline()(cut, CATALOGUE, { ...EMPTY_WORKSHOP, cutSheets: [sheet] }).jobs.find(({ key }) => key === mdf.key)!;
    expect(after.savingSplits).toEqual([]);
    expect(after.parts.map(({ id }) => id).sort()).toEqual(mdf.parts.map(({ id }) => id).sort());
    expect(after.sheetCount.value).toBe(2);
  });
});

const mdfOf = (plan: Plan, catalogue = CATALOGUE): CutJob =>
  derivePipeline()(plan, catalogue).jobs.find(({ materialId }) => materialId === 'mdf')!;
const foamOf = (plan: Plan, catalogue = CATALOGUE): CutJob =>
  derivePipeline()(plan, catalogue).jobs.find(({ materialId }) => materialId === 'xps-foam')!;

test('where every place of a joint lies in a pit there is none, whatever it would save; beside a pit there is', () => {
  const pits = (deepMm: number) => ['A1', 'B1', 'C1'].map((id, i) => aPit([i * 610 + 40, 40, 530, deepMm], 10, id));
  const tiles = (deepMm: number): Plan => aBoard({ widthMm: 1_830, depthMm: 610, columns: 3, rows: 1 }, ...pits(deepMm));
  expect([mdfOf(tiles(530)).savingSplits.length, mdfOf(tiles(530)).sheetCount.value]).toEqual([0, 3]);
  const [split] = mdfOf(tiles(150)).savingSplits;
  expect(split!.along).toBe('y');
  expect(split!.atMm[0]).toBeGreaterThan(40 + 150);
});

test('each joint but the first has to save what its work is worth', () => {
  const plan = aBoard({ widthMm: 1_900, depthMm: 1_500, columns: 4, rows: 3 });
  const { bench } = CATALOGUE;
  const worth = (minor: number) => ({
    ...CATALOGUE,
    bench: { ...bench, jointWorthMinor: { ...bench.jointWorthMinor, value: minor, low: minor, high: minor } },
  });
  const joints = [0, 150, 100_000].map((minor) => foamOf(plan, worth(minor)).savingSplits.length);
  expect(joints[0]).toBeGreaterThan(joints[1]!);
  expect(joints[1]).toBeGreaterThan(1);
  expect(joints[2]).toBeLessThanOrEqual(1);
});

test('no joint is made where a rim has a use for what is left of the sheets', () => {
  // Within the rim a tile's base is 610 square, as without one above.
  const plan = aBoard({ widthMm: 1_866, depthMm: 622, columns: 3, rows: 1 });
  const rimmed = (heightMm: number): Plan => ({ ...plan, table: { ...plan.table, rim: { materialId: 'mdf', thicknessMm: 6, heightMm } } });
  expect(mdfOf(rimmed(60)).savingSplits.length).toBe(1);
  expect(mdfOf(rimmed(60)).cost.value).toBeLessThan(mdfOf(withJoints(rimmed(60), 'laid')).cost.value);
  expect(mdfOf(rimmed(100)).savingSplits).toEqual([]);
});

test('a joint costs glue over its edge, and minutes by its length', () => {
  const plan = aBoard({ widthMm: 1_830, depthMm: 610, columns: 3, rows: 1 });
  const [own, plain] = [derived(plan), derived(withJoints(plan, 'laid'))];
  const grams = (of: typeof own) => of.allGlues.reduce((sum, { mass }) => sum + mass.value, 0);
  const gluing = (of: typeof own) => of.steps.find(({ id }) => id === 'glue-base')!.tasks.reduce((sum, { work }) => sum + work.value, 0);
  // Every joint runs across a tile of 610.
  const joints = own.jobs.flatMap(({ savingSplits, thicknessMm }) => savingSplits.map(() => thicknessMm));
  expect(joints.length).toBeGreaterThan(1);
  const { gPerM2 } = CATALOGUE.adhesives.find(({ id }) => id === own.stack.joints[0]!.adhesiveId)!;
  expect(grams(own) - grams(plain)).toBeCloseTo(joints.reduce((sum, mm) => sum + 0.61 * mm * 1e-3, 0) * gPerM2.value, 6);
  expect(gluing(own) - gluing(plain)).toBeCloseTo((joints.length * 0.61) / CATALOGUE.bench.partJoinedMPerMin.value, 6);
});
