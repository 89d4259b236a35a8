import { describe, expect, test } from 'vitest';
import { WORKSHOP_CATALOGUE as CATALOGUE } from '../catalogue/workshop';
import { waysToBatch } from '../build/cutting/bench';
import { newPiece } from '../build/pieces';
import { appliedTo } from '../plan/edits';
import { type Plan, newPlan } from '../plan';
import { checkPlan } from '../plan/stored/file';
import { type PieceWalk, SQUARES_WALK, WALKS, WALLS_WALK, type Walk } from '../testing/walks';
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
    expect(jobs.flatMap(({ savingSplits }) => savingSplits)).toHaveLength(walk.joined ?? 0);
  });
  test('is offered another size of tile only where that saves', () => {
    const search = fitOffersOf(plan, CATALOGUE);
    let step = search.next();
    while (!step.done) step = search.next();
    const [best] = step.value.filter(({ edit }) => edit.code === 'together' && edit.edits[0]!.code === 'table/tile');
    expect(best?.label ?? null).toBe(walk.tileOffer);
  });
});

const SMALL = {
  name: 'Small',
  units: 'metric',
  widthMm: 600,
  depthMm: 600,
  columns: 2,
  rows: 2,
  figureHeightMm: 28,
  startsOn: '2026-12-02',
} as const;
function withPiece({ family, settings, sheets = {}, glueId }: PieceWalk): Plan {
  const piece = newPiece(family, 'walked', { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 }, [], CATALOGUE);
  return {
    ...newPlan(SMALL, CATALOGUE),
    pieces: [
      {
        ...piece,
        glueId: glueId ?? piece.glueId,
        settings: { ...piece.settings, ...settings },
        sheets: piece.sheets.map((sheet) => ({ ...sheet, ...sheets[sheet.role] })),
      },
    ],
  };
}
const minutesOn = (of: ReturnType<ReturnType<typeof derivePipeline>>, stepIds: readonly string[]): number =>
  of.steps
    .filter(({ id }) => stepIds.includes(id))
    .flatMap(({ tasks }) => tasks.filter(({ workpieceId }) => workpieceId === 'walked'))
    .reduce((sum, { work }) => sum + work.value, 0);

describe(SQUARES_WALK.job, () => {
  const plan = withPiece(SQUARES_WALK);
  const derivation = derivePipeline()(plan, CATALOGUE);
  const cork = derivation.jobs.find(({ materialId }) => materialId === 'cork')!;
  test('each marked with a knife: 5 to 9 hours with the laying', () => {
    const hours = minutesOn(derivation, ['cut-piece', 'make-pieces']) / 60;
    expect(hours).toBeGreaterThan(5);
    expect(hours).toBeLessThan(9);
  });
  test.each(
    waysToBatch(cork, CATALOGUE)
      .slice(1)
      .map(({ way }) => [way.name, way.id]),
  )('%s: 2 to 4.7 hours, said alike in Cuts and Days', (_, wayId) => {
    const after = derivePipeline()(appliedTo(plan, { code: 'cutting/batch', jobKey: cork.key, wayId }), CATALOGUE);
    const hours = minutesOn(after, ['cut-piece', 'make-pieces']) / 60;
    expect(hours).toBeGreaterThan(2);
    expect(hours).toBeLessThan(4.7);
    const told = waysToBatch(cork, CATALOGUE).find(({ way }) => way.id === wayId)!.minutes.value;
    const before = waysToBatch(cork, CATALOGUE)[0]!.minutes.value;
    expect(minutesOn(derivation, ['cut-piece']) - minutesOn(after, ['cut-piece'])).toBeCloseTo(before - told, 6);
  });
});

describe(WALLS_WALK.job, () => {
  const derivation = derivePipeline()(withPiece(WALLS_WALK), CATALOGUE);
  const [made] = derivation.pieces.made;
  test('two strips of twelve, 752 × 51 with the cuts and what is squared, in three layers each', () => {
    expect(made!.strips.map(({ longMm, wideMm, segments }) => [longMm, wideMm, segments.length])).toEqual([
      [752, 51, 12],
      [752, 51, 12],
    ]);
    expect(derivation.jobs.flatMap(({ parts }) => parts.filter(({ workpieceId }) => workpieceId === 'walked'))).toHaveLength(6);
  });
  test('27 g of white glue, and a night under weights before the first cut', () => {
    expect(made!.facts!.glue.value).toBeGreaterThan(27 * 0.9);
    expect(made!.facts!.glue.value).toBeLessThan(27 * 1.1);
    const cut = derivation.steps.find(({ id }) => id === 'cut-strips')!.tasks[0]!;
    expect(cut.after.map(({ taskId, wait }) => [taskId, wait.stated.value >= 480])).toEqual([['glue-strips-walked', true]]);
    const slot = (id: string) => derivation.days.slots.find(({ task }) => task.id === id)!;
    expect(slot('cut-strips-walked').startMin - slot('glue-strips-walked').endMin).toBeGreaterThanOrEqual(480);
  });
});

describe('what is pressed into wet compound, carved when it is firm and painted when it is dry', () => {
  type Coat = Plan['surfaces'][number]['coats'][number];
  const coat = (coatingId: string, methodId: string, more: Partial<Coat> = {}): Coat => ({
    ...newPlan(SMALL, CATALOGUE).surfaces[0]!.coats[0]!,
    id: `${coatingId}-${methodId}`,
    coatingId,
    methodId,
    before: 'dry',
    goes: 1,
    coverPct: 100,
    filmMm: null,
    ...more,
  });
  const withCoats = (coats: readonly Coat[]): Plan => {
    const plan = newPlan(SMALL, CATALOGUE);
    return { ...plan, surfaces: plan.surfaces.map((surface) => ({ ...surface, coats })) };
  };
  const slotsOf = (plan: Plan) => {
    const { days } = derivePipeline()(plan, CATALOGUE);
    return (start: string) => days.slots.filter(({ task }) => task.stepId.startsWith(start));
  };
  const after = (plan: Plan, first: string, then: string): readonly number[] => {
    const of = slotsOf(plan);
    return of(then).map(({ task, startMin }) => startMin - of(first).find((one) => one.task.workpieceId === task.workpieceId)!.endMin);
  };

  test('quick compound of 5 mm has three ends: 15 min to press in, half an hour to an hour to carve, some 30 h to paint', () => {
    const plan = withCoats([
      coat('paper-plaster', 'by-hand', { filmMm: 5 }),
      coat('set-stones', 'set-in', { before: 'wet' }),
      coat('paper-plaster', 'carve', { id: 'carved', filmMm: 0.1 }),
      coat('craft-acrylic', 'base'),
    ]);
    expect(checkPlan(plan, CATALOGUE)).toMatchObject({ ok: true });
    expect(Math.max(...after(plan, 'paper-plaster-by-hand', 'set-stones'))).toBeLessThanOrEqual(15);
    const carved = after(plan, 'paper-plaster-by-hand', 'paper-plaster-carve');
    expect(Math.min(...carved)).toBeGreaterThanOrEqual(30);
    expect(Math.min(...after(plan, 'paper-plaster-by-hand', 'craft-acrylic'))).toBeGreaterThanOrEqual(30 * 60);
    const { steps } = derivePipeline()(plan, CATALOGUE);
    const [painted] = steps.find(({ id }) => id.startsWith('craft-acrylic'))!.tasks;
    const onCompound = painted!.after.find(({ taskId }) => taskId.startsWith('paper-plaster-by-hand'))!;
    expect(onCompound.wait.stated.value / 60).toBeCloseTo(30, 6);
    const [worked] = steps.find(({ id }) => id.startsWith('paper-plaster-carve'))!.tasks;
    const onFirm = worked!.after.find(({ taskId }) => taskId.startsWith('paper-plaster-by-hand'))!;
    expect(onFirm.wait.stated.value).toBeGreaterThanOrEqual(30);
    expect(onFirm.wait.stated.value).toBeLessThanOrEqual(60);
  });
  test('clay of 6 mm waits 24 h × (6/5)² before paint', () => {
    const plan = withCoats([coat('air-clay-skin', 'by-hand', { filmMm: 6 }), coat('craft-acrylic', 'base')]);
    const { steps } = derivePipeline()(plan, CATALOGUE);
    const [painted] = steps.find(({ id }) => id.startsWith('craft-acrylic'))!.tasks;
    expect(painted!.after[0]!.wait.stated.value / 60).toBeCloseTo(24 * (6 / 5) ** 2, 6);
  });
});
