import { wrap } from 'comlink';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Plan } from '@spare-acre/core/plan';
import type { Reckoner } from './derive.worker';

/** What a board's card says of it. */
export interface Summary {
  readonly readyText: string;
  readonly sheets: number;
  readonly warnings: number;
}

/** Reckons boards one after another in a worker of its own, which ends with the last. */
export async function* summarise(
  boards: readonly { readonly id: string; readonly plan: Plan }[],
  catalogue: Catalogue,
): AsyncGenerator<readonly [string, Summary]> {
  const worker = new Worker(new URL('./derive.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<Reckoner>(worker);
  try {
    for (const { id, plan } of boards) {
      const { derivation } = await remote.open(plan, catalogue, []);
      yield [id, { readyText: derivation.tally.readyText, sheets: derivation.tally.sheets.value, warnings: derivation.warnings.length }];
    }
  } finally {
    worker.terminate();
  }
}
