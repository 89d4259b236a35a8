import type { Knex } from 'knex';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { brinefold, larkstone } from '@spare-acre/core/demo';
import { NOTHING_DONE } from '@spare-acre/core/shop';
import { createBoard } from './boards';

export type DemoMode = 'once' | 'fresh' | 'none';

/** Loads the demo boards into an empty store, or afresh beside what is there. */
export async function loadDemo(db: Knex, catalogue: Catalogue, mode: DemoMode): Promise<void> {
  if (mode === 'none') return;
  const [{ count }] = (await db('boards').count({ count: '*' })) as [{ count: string }];
  if (mode === 'once' && Number(count) > 0) return;
  for (const make of [larkstone, brinefold]) await createBoard(db, { plan: make(catalogue), record: NOTHING_DONE });
}
