import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { brinefold } from '@spare-acre/core/demo';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { CHANCES, drawsFor, readyDraw, uncertaintyOf } from '@spare-acre/core/pipeline/uncertainty';
import { crowdedBoard } from './boards';
import { ms, timed } from './timed';

/** Bands of the tally and of every need, and of the date, from as many chances as there are; draws and all. */
export function surenessRows(): string[][] {
  return [brinefold(catalogue), crowdedBoard()].map((plan) => {
    const derivation = derivePipeline()(plan, catalogue);
    const figures = timed(() => uncertaintyOf(derivation, drawsFor(plan, catalogue)));
    const from = performance.now();
    const readyAt = readyDraw(plan, catalogue, derivation, drawsFor(plan, catalogue));
    for (let chance = 0; readyAt !== null && chance < CHANCES; chance++) readyAt(chance);
    return [plan.name, ms(figures.median), ms(figures.p95), ms(performance.now() - from)];
  });
}
