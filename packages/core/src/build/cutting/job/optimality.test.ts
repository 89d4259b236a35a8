import { describe, expect, test } from 'vitest';
import type { Plan } from '../../../plan';
import { derivePipeline } from '../../../pipeline';
import { CATALOGUE, aBoard } from '../../../testing';
import type { CutJob } from './job';
import { isNew } from '../nesting';
import { optimalityOf } from './optimality';

const jobOf = (widthMm: number, depthMm: number, columns: number, materialId = 'mdf'): CutJob =>
  derivePipeline()(wholeParts(aBoard({ widthMm, depthMm, columns, rows: 1 })), CATALOGUE).jobs.find(
    (job) => job.materialId === materialId,
  )!;
const wholeParts = (plan: Plan): Plan => ({ ...plan, cutting: { ...plan.cutting, joints: 'laid' } });

describe('how near a layout is to the best', () => {
  test('two boards of 700 × 500 on two sheets: their area would go on one, but no way of cutting does it', () => {
    const job = jobOf(1_400, 500, 2);
    expect(job.layout.sheets).toHaveLength(2);
    expect(optimalityOf(job)).toMatchObject({ how: 'search', gap: { value: 0, unit: 'money' } });
    // Where no larger sheet is to be had, the two of them say it.
    const stock = job.stock.filter(({ widthMm }) => widthMm < 1_400);
    expect(optimalityOf({ ...job, stock })).toMatchObject({ how: 'clashes', gap: { value: 0, unit: 'money' } });
  });
  test('two boards of 600 × 600 fill a sheet: the area alone says it', () => {
    expect(optimalityOf(jobOf(1_200, 600, 2)).how).toBe('area');
  });
  test('a layout a sheet too large is not proven, and says by how much it lies over', () => {
    const job = jobOf(1_500, 500, 3);
    const spare = job.layout.sheets[0]!;
    const [first] = spare.placements;
    const loose: CutJob = {
      ...job,
      cost: { ...job.cost, value: job.cost.value + spare.stock.priceMinor },
      layout: {
        ...job.layout,
        sheets: [...job.layout.sheets.slice(1), { ...spare, placements: [first!] }, { ...spare, placements: spare.placements.slice(1) }],
      },
    };
    expect(loose.layout.sheets.every(({ stock }) => isNew(stock))).toBe(true);
    expect(optimalityOf(loose)).toMatchObject({ how: null, gap: { value: spare.stock.priceMinor } });
  });
});
