import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { StockTransaction } from '@spare-acre/core/procurement/stock';
import { addEntries } from '../logbook/logbook';
import { addMoves, listMoves } from '../shelf/shelf';
import { addSimulated } from '../air/sensors';
import { boardSummary } from '@spare-acre/core/plan/summary';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { BRINEFOLD_LOG, brinefold, larkstone, looseLot } from '@spare-acre/core/demo';
import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { addSimulatedShops, askShops } from '../shops/shops';
import { createBoard } from './boards';
import { markOf } from './checked';

const lying = (stockId: string, kind: StockTransaction['kind'], amount: number, day: string, note = ''): StockTransaction => ({
  id: randomUUID(),
  stockId,
  kind,
  amount,
  day,
  boardId: null,
  paidMinor: null,
  note,
});
/** What is left of earlier boards; the mask has stood open for longer than it keeps. */
const ON_THE_SHELF: readonly StockTransaction[] = [
  lying('coatings.masking-fluid', 'bought', 50, '2025-10-04'),
  lying('coatings.masking-fluid', 'opened', 0, '2025-10-11'),
  lying('coatings.masking-fluid', 'used', 15, '2025-10-11', 'rust on a water tank'),
  lying('adhesives.superglue', 'bought', 20, '2026-09-19'),
  lying('adhesives.superglue', 'counted', 14, '2026-11-21'),
  lying('stuffs.plaster', 'found', 1_800, '2026-11-07', 'left in the bag of a house job'),
];

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
      const { id } = await createBoard(
        trx,
        { name: plan.name, planText: JSON.stringify(plan), recordText, cardText: JSON.stringify(boardSummary(plan)) },
        markOf(1),
      );
      if (make === brinefold)
        await addEntries(
          trx,
          id,
          BRINEFOLD_LOG.map((entry) => ({ ...entry, id: randomUUID() })),
        );
    }
    if ((await listMoves(trx)).length === 0) await addMoves(trx, ON_THE_SHELF);
  });
}
