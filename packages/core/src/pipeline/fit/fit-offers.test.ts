import { expect, test } from 'vitest';
import { WORKSHOP_CATALOGUE as CATALOGUE } from '../../catalogue/workshop';
import { seeded } from '../../base/random';
import { type Plan, newPlan } from '../../plan';
import { appliedTo } from '../../plan/edits';
import { derivePipeline } from '../full';
import { tileShrinks } from './changes';
import { type FitOffer, fitOffersOf } from './fit-offers';

const board = (
  columns: number,
  rows: number,
  [widthMm, depthMm]: readonly [number, number],
  joints: Plan['cutting']['joints'] = 'laid',
): Plan => {
  const plan = newPlan(
    {
      name: 'Plain',
      units: 'metric',
      widthMm: widthMm * columns,
      depthMm: depthMm * rows,
      columns,
      rows,
      figureHeightMm: 28,
      startsOn: '2026-12-02',
    },
    CATALOGUE,
  );
  return { ...plan, cutting: { ...plan.cutting, joints } };
};
function offersOf(plan: Plan): readonly FitOffer[] {
  const search = fitOffersOf(plan, CATALOGUE);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
}
const costOf = (plan: Plan): number => {
  const { jobs } = derivePipeline()(plan, CATALOGUE);
  return jobs.some(({ layout }) => layout.tooLarge.length > 0) ? Infinity : jobs.reduce((sum, { cost }) => sum + cost.value, 0);
};

test('three tiles of 610 × 610 are offered as 600 × 600, and applying it gives just that', () => {
  const plan = board(3, 1, [610, 610]);
  const offer = offersOf(plan).find(({ label }) => label === 'Tiles 600 × 600 mm')!;
  const [own, other] = [plan, appliedTo(plan, offer.edit)].map((one) => derivePipeline()(one, CATALOGUE));
  expect(offer.says).toBe('table 30 mm narrower and 10 mm shallower');
  expect(other!.jobs.map(({ bought }) => bought.map(({ count, sheet }) => [count, sheet.widthMm]))).toEqual([[[2, 1220]], [[2, 1200]]]);
  expect(offer.sheets.value).toBe(4);
  expect(offer.costSaved.value).toBe(own!.tally.cost.value - other!.tally.cost.value);
  expect(offer.costSaved.value).toBeGreaterThan(2_000);
  expect(offer.workSaved.value).toBeCloseTo(own!.tally.handsOn.value - other!.tally.handsOn.value, 6);
});

test('where joints save the sheets the same size is offered for the joints it saves', () => {
  const plan = board(3, 1, [610, 610], 'saving');
  const offer = offersOf(plan).find(({ label }) => label === 'Tiles 600 × 600 mm')!;
  expect(offer.sheets.value).toBe(4);
  expect(offer.joints.value).toBe(-4);
  expect(offer.workSaved.value).toBeGreaterThan(15);
  expect(offer.costSaved.value).toBeGreaterThanOrEqual(0);
});

test('four tiles that fit as they are get no offer of another size', () => {
  expect(offersOf(board(2, 2, [600, 600])).filter(({ label }) => label.startsWith('Tiles'))).toEqual([]);
});

test('a board saved with a trim is told that less would do', () => {
  const plan = board(2, 2, [600, 600]);
  const trimmed = appliedTo(plan, { code: 'cutting/trim', jobKey: null, mm: 5 });
  const offer = offersOf(trimmed).find(({ id }) => id === 'trim')!;
  expect(costOf(appliedTo(trimmed, offer.edit))).toBe(costOf(plan));
  expect(offer.sheetsSaved.value + offer.costSaved.value).toBeGreaterThan(0);
});

/** Boards where 30 mm less saves nothing and a little less does. */
const UNEVEN = [
  [4, 3, [481, 270]],
  [3, 3, [330, 551]],
] as const;
test.each([
  { joints: 'laid', boards: 40, most: [4, 3], seed: 36 },
  { joints: 'saving', boards: 14, most: [3, 2], seed: 77 },
] as const)(
  'the best size of tiles is the best of all whole millimetres up to 30, joints: $joints',
  { timeout: 90_000 },
  ({ joints, boards, most, seed }) => {
    const random = seeded(seed);
    const between = (least: number, upTo: number): number => least + Math.floor(random() * (upTo - least + 1));
    const byChance = Array.from(
      { length: boards },
      () => [between(1, most[0]), between(1, most[1]), [between(250, 640), between(250, 640)]] as const,
    );
    for (const [i, [columns, rows, size]] of [...byChance, ...UNEVEN].entries()) {
      const plan = board(columns, rows, size, joints);
      const own = costOf(plan);
      const best = Math.min(
        own,
        ...tileShrinks(plan).flatMap(({ by }) =>
          Array.from({ length: 30 }, (_, mm) => {
            const change = by(mm + 1);
            return change === null ? Infinity : costOf(appliedTo(plan, change.edit));
          }),
        ),
      );
      const offered = offersOf(plan).filter(
        ({ edit }) => edit.code === 'together' && edit.edits.every(({ code }) => code === 'table/tile'),
      );
      const found = Math.min(own, ...offered.map(({ edit }) => costOf(appliedTo(plan, edit))));
      expect([i, found]).toEqual([i, best]);
    }
  },
);

test('where joints save sheets the size that saves the most is shown before the others are tried', () => {
  const search = fitOffersOf(board(2, 3, [393, 634], 'saving'), CATALOGUE);
  let step = search.next();
  while (!step.done && step.value.offers.length === 0) step = search.next();
  if (step.done === true) throw new Error('nothing was offered while it looked');
  expect(step.value.done).toBeLessThan(step.value.of / 3);
  expect(step.value.offers[0]!.costSaved.value).toBeGreaterThan(1_000);
});
