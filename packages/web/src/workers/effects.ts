import { TALLY_FIGURES, TALLY_KEYS } from '@spare-acre/core/pipeline/tally-figures';
import { showChange, type Unit } from '@spare-acre/core/base/units';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Board } from '@spare-acre/core/plan';
import { EMPTY_STOCK } from '@spare-acre/core/plan/workshop';
import type { Reckoner } from './derive.worker';
import deriveWorkerUrl from './derive.worker.ts?sharing';
import { wrapMortal } from './mortal';

/** What another catalogue does to a board. */
export interface Effect {
  readonly name: string;
  /** `cost +1.20 EUR`; none where nothing is seen of it. */
  readonly changes: readonly string[];
}

/** Reckons boards with one catalogue and with another, one board after another, in a worker that ends with the last. */
export async function* effectsOn(
  boards: readonly (Board & { readonly id: string })[],
  now: Catalogue,
  then: Catalogue,
  stopped: AbortSignal = new AbortController().signal,
): AsyncGenerator<Effect> {
  const { worker, remote } = wrapMortal<Reckoner>(new Worker(deriveWorkerUrl, { type: 'module' }));
  const nothing = { slices: [], chosen: [] };
  const tallyWith = async ({ plan, record }: Board, catalogue: Catalogue) => {
    const first = await remote.tell({ whole: { board: { plan, record }, catalogue, stock: EMPTY_STOCK } }, nothing, false);
    const judged = first.isComplete ? first : await remote.tell({}, null, false);
    const { counts, readiness } = { ...first.slices, ...judged.slices };
    return { ...counts!, ...readiness! };
  };
  try {
    for (const board of boards) {
      if (stopped.aborted) return;
      const [before, after] = [await tallyWith(board, now), await tallyWith(board, then)];
      const showing = { system: board.plan.units, currency: then.currency };
      const told = (name: string, from: { value: number; unit: Unit }, to: { value: number; unit: Unit }): string[] => {
        const change = showChange(from.value, to.value, to.unit, showing);
        return change === '' ? [] : [`${name} ${change}`];
      };
      yield {
        name: board.plan.name,
        changes: [
          ...TALLY_KEYS.flatMap((key) => told(TALLY_FIGURES[key].name.toLowerCase(), before[key], after[key])),
          ...(before.readyText === after.readyText ? [] : [`ready ${after.readyText}`]),
        ],
      };
    }
  } finally {
    worker.terminate();
  }
}
