import { describe, expect, test } from 'vitest';
import { WORKSHOP_CATALOGUE as CATALOGUE } from '../catalogue/workshop';
import { type Plan, newPlan } from '../plan';
import { checkPlan } from '../plan/stored/file';
import { WALKS, type Walk } from '../testing/walks';
import { fitOffersOf } from './fit/fit-offers';
import { derivePipeline } from './full';

function planOf({ board, stack }: Walk): Plan {
  const plan = newPlan(board, CATALOGUE);
  const { substrate, ground } = stack ?? {};
  return {
    ...plan,
    stack: {
      ...plan.stack,
      substrate: substrate === undefined ? plan.stack.substrate : { ...plan.stack.substrate!, ...substrate },
      ground: ground === undefined ? plan.stack.ground : [{ ...plan.stack.ground[0]!, ...ground }],
    },
  };
}

describe.each(WALKS)('$job', (walk) => {
  const plan = planOf(walk);
  test('is a plan the program reads', () => expect(checkPlan(plan, CATALOGUE)).toMatchObject({ ok: true }));
  test('buys what a builder would', () => {
    const { jobs } = derivePipeline()(plan, CATALOGUE);
    const bought = jobs.map(({ materialId, thicknessMm, bought: rows }) => ({
      materialId,
      thicknessMm,
      sheets: rows.map(({ count, sheet }) => [count, sheet.widthMm, sheet.depthMm]),
    }));
    const asSaid = walk.buys.map(({ sheets, ...rest }) => ({
      ...rest,
      sheets: sheets.map(([count, w, d]) => [count, expect.closeTo(w, 6), expect.closeTo(d, 6)]),
    }));
    expect(bought).toEqual(asSaid);
  });
  test('is offered another size of tile only where that saves', () => {
    const search = fitOffersOf(plan, CATALOGUE);
    let step = search.next();
    while (!step.done) step = search.next();
    const [best] = step.value.filter(({ edit }) => edit.code === 'together' && edit.edits[0]!.code === 'table/tile');
    expect(best?.label ?? null).toBe(walk.tileOffer);
  });
});
