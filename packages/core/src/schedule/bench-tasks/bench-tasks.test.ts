import { describe, expect, test } from 'vitest';
import { brinefold, larkstone, looseLot } from '../../demo';
import { derivePipeline } from '../../pipeline';
import { EMPTY_WORKSHOP, doneAt } from '../../plan/workshop';
import { CATALOGUE } from '../../testing';
import { usageFor } from './usage';
import { detailOf, benchTasksOf, sittingAt, standingOf } from './index';

const derive = derivePipeline();
const inputsOf = (plan: ReturnType<typeof brinefold>, shop = EMPTY_WORKSHOP) => {
  const all = derive(plan, CATALOGUE, shop);
  const { steps, zones, ground, areas, coats, sealing, fixed, pieces, stack, jobs, days } = all;
  return {
    all,
    inputs: {
      plan,
      mends: plan.mends,
      steps,
      zones,
      ground,
      areas,
      coats,
      sealing,
      fixed,
      jobs,
      slots: days.slots,
      joints: stack.joints,
      made: pieces.made,
      standing: pieces.standing,
      catalogue: CATALOGUE,
    },
  };
};
const MEND = {
  id: 'm',
  name: 'Seal',
  workpieceId: 'A1',
  workMin: 9,
  waitMin: 60,
  coating: { coatingId: CATALOGUE.bench.sealerId, ml: 40 },
  adhesive: null,
};

/** So deep that it is poured more than once. */
const deep = (plan: ReturnType<typeof brinefold>): ReturnType<typeof brinefold> => ({
  ...plan,
  features: plan.features.map((one) => (one.id === 'settling' && one.kind === 'water' ? { ...one, waterMm: 20 } : one)),
});

describe.each([
  ['Brinefold', { ...brinefold(CATALOGUE), mends: [MEND] }],
  ['Brinefold with deep water', deep(brinefold(CATALOGUE))],
  ['Larkstone', larkstone(CATALOGUE)],
  ['the loose lot', looseLot(CATALOGUE)],
])('what the tasks of %s take', (_name, plan) => {
  const { all, inputs } = inputsOf(plan);
  const taken = all.steps.flatMap((step) => step.tasks.map((task) => ({ step, task, ...usageFor(task, inputs) })));
  test('is all the glue there is, and nothing of it twice', () => {
    for (const { adhesiveId, name, mass } of all.allGlues) {
      const own = taken
        .filter(({ step }) => step.does !== 'seal' && !step.id.startsWith('mend'))
        .flatMap(({ takes }) => takes.filter((take) => take.name === name && take.amount.unit === 'g'));
      expect(
        own.reduce((sum, take) => sum + take.amount.value, 0),
        adhesiveId,
      ).toBeCloseTo(mass.value, 2);
    }
  });
  test('is all of every coating, go by go', () => {
    for (const { coating, amount, volume } of all.coatings) {
      if (volume.value <= 0 || coating.sold.packs.length === 0) continue;
      if (coating.recipe === null) {
        const own = taken.flatMap(({ takes }) =>
          takes.filter(({ uses }) => uses.some(({ stockId }) => stockId === `coatings.${coating.id}`)),
        );
        expect(
          own.reduce((sum, take) => sum + take.amount.value, 0),
          coating.id,
        ).toBeCloseTo(amount.value, 3);
      }
    }
    const mixed = all.stuffs.filter(({ stuff }) => stuff.adhesiveId === undefined);
    for (const { stuff, volume } of mixed) {
      const own = taken.flatMap(({ takes }) => takes.filter(({ uses }) => uses.some(({ stockId }) => stockId === `stuffs.${stuff.id}`)));
      expect(
        own.reduce((sum, { amount }) => sum + amount.value, 0),
        stuff.id,
      ).toBeCloseTo(volume.value, 3);
    }
  });
});

describe('the moves', () => {
  const plan = brinefold(CATALOGUE);
  const { all, inputs } = inputsOf(plan);
  const moves = benchTasksOf({ steps: all.steps, slots: all.days.slots, doneTasks: {} });
  test('are all tasks in their order; a done one is none, a part of one stays with what is left', () => {
    expect(moves.map(({ taskId }) => taskId).sort()).toEqual(all.days.slots.map(({ task }) => task.id).sort());
    const at = { day: '2026-12-01', atMin: 1_200 };
    const done = { 'cut-base-A1': doneAt(at), 'cut-base-B1': doneAt(at, { part: { done: 1, of: 3 } }) };
    const after = derive(plan, CATALOGUE, { ...EMPTY_WORKSHOP, doneTasks: done });
    const left = benchTasksOf({ steps: after.steps, slots: after.days.slots, doneTasks: done });
    expect(left.find(({ taskId }) => taskId === 'cut-base-A1')).toBeUndefined();
    const before = moves.find(({ taskId }) => taskId === 'cut-base-B1')!;
    expect(left.find(({ taskId }) => taskId === 'cut-base-B1')).toMatchObject({ part: { done: 1, of: 3 } });
    expect(left.find(({ taskId }) => taskId === 'cut-base-B1')!.work.value).toBeCloseTo((before.work.value * 2) / 3, 6);
  });
  test('stand ready once all before them is done and dry, and not a minute sooner', () => {
    const before = [{ name: 'Glue', workpieceId: 'A1', isDone: true, dryMin: 900 }];
    expect([899, 900].map((now) => standingOf({ before }, now))).toEqual(['drying', 'ready']);
    expect(standingOf({ before: [{ ...before[0]!, isDone: false }] }, 5_000)).toBe('after');
    expect(standingOf({ before: [{ ...before[0]!, dryMin: null }] }, 5_000)).toBe('drying');
    expect(standingOf({ before: [] }, 0)).toBe('ready');
  });
  test('of a sitting leave time to clear up, and what dries longest comes last', () => {
    const own = [
      { taskId: 'a', startMin: 1_140, setUpMin: 8, driesMin: 60 },
      { taskId: 'b', startMin: 1_180, setUpMin: 20, driesMin: 900 },
      { taskId: 'c', startMin: 9_000, setUpMin: 40, driesMin: 5_000 },
    ];
    const sittings = [
      { fromMin: 0, toMin: 60 },
      { fromMin: 1_140, toMin: 1_260 },
    ];
    expect(sittingAt(own, sittings, 1_150)).toMatchObject({ moves: [own[0], own[1]], untilMin: 1_260, clearUpFromMin: 1_250, lastId: 'b' });
    expect(sittingAt(own, sittings, 1_260)).toBeNull();
  });
  test('say with what, from which sheets, with which caution, on which part of the tile, and what to time', () => {
    const cut = detailOf('cut-base-A1', inputs)!;
    expect(cut.sheets.length).toBeGreaterThan(1);
    expect(cut.sheets.reduce((sum, { parts }) => sum + parts, 0)).toBe(
      all.jobs
        .flatMap(({ parts }) => parts)
        .filter(({ workpieceId, stage }) => workpieceId === 'A1' && (stage === 'base' || stage === 'rim')).length,
    );
    expect([cut.tools.length > 0, cut.cautions.length > 0, cut.guide?.does, cut.isFirst]).toEqual([true, true, 'cut', true]);
    const glue = detailOf('glue-base-A1', inputs)!;
    expect(glue.timers.map(({ use }) => use)).toEqual(expect.arrayContaining(['open', 'weights']));
    const tile = all.ground.tiles.find(({ id }) => id === 'A1')!;
    expect(glue.drawing!.box).toEqual(tile.box);
    const raised = moves.find(({ stepId }) => stepId === 'glue-raised')!;
    const { marked } = detailOf(raised.taskId, inputs)!.drawing!;
    expect(marked.length).toBe(all.ground.onTile.get(raised.workpieceId)!.filter(({ land }) => land.role === 'mass').length);
    const pour = moves.find(({ stepId }) => all.steps.find(({ id }) => id === stepId)!.does === 'pour')!;
    expect(detailOf(pour.taskId, inputs)!.timers.some(({ use }) => use === 'pot' || use === 'recoat')).toBe(true);
    expect(detailOf('nobody-Z9', inputs)).toBeNull();
    for (const { taskId } of moves) expect(detailOf(taskId, inputs)!.guide, taskId).not.toBeNull();
  });
});
