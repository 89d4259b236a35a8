import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Board } from '@spare-acre/core/plan';
import { EMPTY_STOCK } from '@spare-acre/core/plan/workshop';
import type { Reckoner } from './derive.worker';
import deriveWorkerUrl from './derive.worker.ts?sharing';
import { wrapMortal } from './mortal';

/** What a board's card says of it. */
export interface Summary {
  readonly readyText: string;
  readonly sheets: number;
  readonly warnings: number;
}

/** Reckons boards one after another in a worker of its own, which ends with the last. */
export async function* summarise(
  boards: readonly (Board & { readonly id: string })[],
  /** As it comes out in the hands of those who build a board. */
  catalogueFor: (people: readonly string[]) => Catalogue,
): AsyncGenerator<readonly [string, Summary]> {
  const { worker, remote } = wrapMortal<Reckoner>(new Worker(deriveWorkerUrl, { type: 'module' }));
  try {
    for (const { id, plan, record } of boards) {
      const nothing = { slices: [], chosen: [] };
      const catalogue = catalogueFor(plan.people.map(({ name }) => name));
      const first = await remote.tell({ whole: { board: { plan, record }, catalogue, stock: EMPTY_STOCK } }, nothing, false);
      // A worker's very first answer comes before its checks.
      const judged = first.isComplete ? first : await remote.tell({}, null, false);
      const { counts, readiness } = { ...first.slices, ...judged.slices };
      yield [id, { readyText: readiness!.readyText, sheets: counts!.sheets.value, warnings: judged.warningIds.length }];
    }
  } finally {
    worker.terminate();
  }
}
