import type { Knex } from 'knex';
import { addSimulated } from '../air/sensors';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { brinefold, larkstone, looseLot } from '@spare-acre/core/demo';
import { NOTHING_DONE } from '@spare-acre/core/shop';
import { addSimulatedShops, askShops } from '../shops/shops';
import { createBoard } from './boards';
import { markOf } from './checked';

export type DemoMode = 'once' | 'fresh' | 'none';

/** Loads the demo boards into an empty store, or afresh beside what is there: all or none, whenever this is cut short. */
export async function loadDemo(db: Knex, catalogue: Catalogue, mode: DemoMode): Promise<void> {
  if (mode === 'none') return;
  const recordText = JSON.stringify(NOTHING_DONE);
  await addSimulated(db, Date.now());
  await addSimulatedShops(db);
  await askShops(db, catalogue, Date.now());
  await db.transaction(async (trx) => {
    const [{ count }] = (await trx('boards').count({ count: '*' })) as [{ count: string }];
    if (mode === 'once' && Number(count) > 0) return;
    for (const make of [looseLot, larkstone, brinefold]) {
      const plan = make(catalogue);
      await createBoard(trx, { name: plan.name, planText: JSON.stringify(plan), recordText }, markOf(1));
    }
  });
}
