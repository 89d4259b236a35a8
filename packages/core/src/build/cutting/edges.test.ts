import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard, derived } from '../../testing';
import { WORKSHOP_CATALOGUE } from '../../catalogue/workshop';
import { appliedTo } from '../../plan/edits';
import { trimCost } from './job';
import { newSheet, statedTrimMm } from './to-cut-with';

const usualMm = CATALOGUE.bench.sheetTrimMm.value;
const foam = CATALOGUE.sheets.find(({ materialId }) => materialId === 'xps-foam')!;

describe('the edges of a new sheet', () => {
  test('that are factory-straight are used as they are; rough ones lose the usual trim, or the sheet’s own', () => {
    const trims = [
      foam,
      { ...foam, roughEdges: ['left' as const] },
      { ...foam, roughEdges: ['top' as const, 'right' as const], trimMm: 12 },
    ].map((sheet) => newSheet(sheet, null, CATALOGUE).trim);
    expect(trims).toEqual([
      { leftMm: 0, topMm: 0, rightMm: 0, bottomMm: 0 },
      { leftMm: usualMm, topMm: 0, rightMm: 0, bottomMm: 0 },
      { leftMm: 0, topMm: 12, rightMm: 12, bottomMm: 0 },
    ]);
  });
  test('all lose a stated trim, rough or straight', () =>
    expect(newSheet({ ...foam, roughEdges: ['left'] }, 3, CATALOGUE).trim).toEqual({ leftMm: 3, topMm: 3, rightMm: 3, bottomMm: 3 }));
  test('of what comes from boxes are rough, of insulation foam and boards straight', () => {
    const rough = WORKSHOP_CATALOGUE.sheets.filter(({ roughEdges }) => roughEdges?.length === 4).map(({ materialId }) => materialId);
    expect([...new Set(rough)].sort()).toEqual(['corrugated-card', 'packing-card']);
  });
});

describe('a trim that is stated', () => {
  const plan = aBoard();
  const stated = (key: string, own: typeof plan) => statedTrimMm(key, own.cutting);
  const board = appliedTo(plan, { code: 'cutting/trim', jobKey: null, mm: 5 });
  test('for the board goes for every job; none on a new board', () => {
    expect(stated('mdf-6', plan)).toBeNull();
    expect(stated('mdf-6', board)).toBe(5);
  });
  test('for one job goes before it, none too; for the board again it goes for all', () => {
    const one = appliedTo(board, { code: 'cutting/trim', jobKey: 'mdf-6', mm: null });
    expect([stated('mdf-6', one), stated('xps-foam-30', one)]).toEqual([null, 5]);
    const all = appliedTo(one, { code: 'cutting/trim', jobKey: null, mm: 2 });
    expect([stated('mdf-6', all), all.cutting.trims]).toEqual([2, []]);
  });
});

test('what a trim costs in sheets is told, and nothing where none is trimmed', () => {
  const plan = aBoard({ widthMm: 1_200, depthMm: 1_200, columns: 2, rows: 2 });
  const foamJob = (own: typeof plan) => derived(own).jobs.find(({ materialId }) => materialId === 'xps-foam')!;
  expect(trimCost(foamJob(plan))).toBeNull();
  // Of 600 square none goes on 1200 × 600 any more, two of them on 2400 × 1200 where it held eight.
  const trimmed = foamJob(appliedTo(plan, { code: 'cutting/trim', jobKey: null, mm: 25 }));
  const cost = trimCost(trimmed)!;
  expect(cost.value).toBe(trimmed.sheetCount.value - foamJob(plan).sheetCount.value);
  expect(cost.value).toBeGreaterThan(0);
  const small = aBoard({ widthMm: 800, depthMm: 400, columns: 2, rows: 1 });
  expect(trimCost(foamJob(appliedTo(small, { code: 'cutting/trim', jobKey: null, mm: 5 })))!.value).toBe(0);
});
