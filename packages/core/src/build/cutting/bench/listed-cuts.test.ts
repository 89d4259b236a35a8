import { describe, expect, test } from 'vitest';
import { brinefold, larkstone, looseLot } from '../../../demo';
import { CATALOGUE, aBoard, derived } from '../../../testing';
import { newPiece } from '../../pieces';
import type { CutJob } from '../job';
import { cutOrder } from '../nesting';
import { sharedName } from './equal-parts';
import { cutList, cutSteps, listedParts, stepWords } from '.';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const demoJobs = [brinefold, larkstone, looseLot].flatMap((board) => derived(board(CATALOGUE)).jobs);
const allSheets = (jobs: readonly CutJob[]) => jobs.flatMap((job) => job.layout.sheets.map((_, index) => ({ job, index })));

describe('cuts as they are listed', () => {
  test('every cut of every demo sheet is in one step, none before its piece is there, all of a step at one setting', () => {
    for (const { job, index } of allSheets(demoJobs)) {
      const order = cutOrder(job.layout.sheets[index]!, job.kerfMm);
      const steps = cutSteps(job, index);
      expect(steps.flatMap(({ cuts }) => cuts)).toHaveLength(order?.cuts.length ?? 0);
      const there = new Set<string | null>(['S']);
      for (const { cuts, way, atMm } of steps)
        for (const cut of cuts) {
          expect(there.has(cut.piece)).toBe(true);
          expect([cut.way, Math.abs(cut.atMm - atMm) < 0.05]).toEqual([way, true]);
          for (const name of cut.leaves) there.add(name);
        }
      expect(steps.flatMap(({ freed }) => freed.map(({ id }) => id)).sort()).toEqual(
        order === null || order.cuts.length === 0 ? [] : order.freed.map(({ blankId }) => blankId).sort(),
      );
    }
  });
  test('what a step leaves is as large as the pieces it is cut again from', () => {
    for (const { job, index } of allSheets(demoJobs)) {
      const steps = cutSteps(job, index);
      const sizes = (all: readonly { widthMm: number; depthMm: number }[]) =>
        all.map(({ widthMm, depthMm }) => `${widthMm.toFixed(2)} × ${depthMm.toFixed(2)}`).sort();
      const again = steps.flatMap((step) => step.again);
      const begun = steps.flatMap(({ pieces }) => pieces.filter(({ piece }) => piece !== 'S').map(({ size }) => size));
      expect(sizes(again)).toEqual(sizes(begun));
    }
  });
  test('in words: no piece goes by a code, one cut is a sentence, several are a setting and a number', () => {
    for (const { job, index } of allSheets(demoJobs))
      for (const step of cutSteps(job, index)) {
        const { cut, gives } = stepWords(step, 'metric');
        expect(cut).toMatch(
          step.cuts.length === 1 ? /^Cut the (sheet|piece [\d.\u202f]+ × [\d.\u202f]+ mm) from / : /^Fence [\d.\u202f]+: \d+ cuts from /,
        );
        expect(`${cut} ${gives}`).not.toMatch(/\bS\d*\b|\brest\b|\|/);
      }
  });
});

test('a trim as wide as a part is a step of its own: the blade runs on the other side of its line', () => {
  const [first] = demoJobs as [CutJob];
  const part = (id: string) => ({ ...first.parts[0]!, id, wholeId: id, widthMm: 50, depthMm: 600 });
  const at = (blankId: string, xMm: number) => ({
    ...{ blankId, xMm, yMm: 0, widthMm: 50, depthMm: 600, turned: false, half: false, pinned: false },
  });
  const stock = { ...first.stock[0]!, widthMm: 400, depthMm: 600, trim: { leftMm: 50, topMm: 0, rightMm: 0, bottomMm: 0 } };
  const sheet = { stock, placements: [at('a', 50), at('b', 100)], rest: { xMm: 150, yMm: 0, widthMm: 250, depthMm: 600 } };
  const steps = cutSteps({ ...first, kerfMm: 0, parts: [part('a'), part('b')], layout: { sheets: [sheet], tooLarge: [] } }, 0);
  expect(steps.map(({ atMm, isWaste, cuts }) => [atMm, isWaste, cuts.length])).toEqual([
    [50, true, 1],
    [50, false, 2],
  ]);
  expect(stepWords(steps[0]!, 'metric').gives).toContain('is waste');
});

describe('a grid of equal parts', () => {
  const piece = newPiece('floor-tiles', 'floor', SCALE, [], CATALOGUE);
  const settings = {
    squareMm: 26,
    gutterMm: 1,
    ones: 0,
    twos: 0,
    fours: 0,
    longs: 0,
    others: 1,
    otherAcross: 6,
    otherDeep: 6,
    made: 'squares',
  };
  const job = derived({ ...aBoard(), pieces: [{ ...piece, settings: { ...piece.settings, ...settings } }] }).jobs.find(
    ({ materialId }) => materialId === 'foam-board',
  )!;
  test('comes off in strips at one setting of the fence, then part after part at the same', () => {
    const steps = cutSteps(job, 0);
    const counts = steps.filter(({ atMm }) => Math.abs(atMm - 25) < 0.05).reduce((sum, { cuts }) => sum + cuts.length, 0);
    expect(counts).toBeGreaterThanOrEqual(36);
    expect(steps.length).toBeLessThanOrEqual(4);
  });
  test('is one line of the parts, with its count and its numbers on the drawing', () => {
    const [line, ...others] = listedParts(job, 0);
    expect([line!.rows.length, line!.numbers, line!.at, others]).toEqual([36, '1–36', null, []]);
    expect(line!.name).toMatch(/^Loose floor tiles/);
  });
});

test('parts that through cuts do not free are listed one by one, each with its place', () => {
  for (const { job, index } of allSheets(demoJobs)) {
    const rows = cutList(job, index);
    const lines = listedParts(job, index);
    expect(lines.flatMap((line) => line.rows)).toHaveLength(rows.length);
    if (cutSteps(job, index).length === 0 && rows.length > 1) expect(lines.every(({ at }) => at !== null)).toBe(true);
  }
});

test.each([
  [['Wall set: strip 1, layer 1', 'Wall set: strip 2, layer 3'], 'Wall set: strip layer'],
  [['A1 ground', 'B1 ground'], 'ground'],
  [['Shed 1: door', 'Tower: roof'], 'Shed 1: door and others'],
  [['Rim', 'Rim'], 'Rim'],
  [['A1 substrate, piece 1 of 2', 'A2 substrate, piece 2 of 2'], 'substrate, piece'],
  [['A1 ground, layer 2', 'B1 ground, layer 2'], 'ground, layer 2'],
])('%j are called “%s”', (names, shared) => expect(sharedName(names)).toBe(shared));
