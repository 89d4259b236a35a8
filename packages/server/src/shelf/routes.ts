import type { Knex } from 'knex';
import { stockedIn } from '@spare-acre/core/procurement/stock';
import { Ledger, MoveParams, NewMoves } from '@spare-acre/core/io/wire';
import { type GuardedRoutes, currentUser, guardedRoutes } from '../access/may';
import { markDeleted } from '../deleted/deleted';
import { recordDeletion } from '../deleted/routes';
import type { CatalogueKeeper } from '../own/keeper';
import { HttpProblem } from '../problems';
import { smallJson } from '../reading/bodies';
import { addMoves, listMoves } from './shelf';

/** What lies on the shelf, as a ledger. */
export function shelfRoutes(db: Knex, keeper: CatalogueKeeper): GuardedRoutes {
  const api = guardedRoutes();
  api.get('/shelf', 'look', async (_req, res) => {
    res.json(Ledger.parse({ moves: await listMoves(db) }));
  });
  api.post('/shelf', 'build', ...smallJson('200kb'), async (req, res) => {
    const { moves } = NewMoves.parse(req.body);
    const stocked = stockedIn((await keeper.now()).catalogue);
    const strange = moves.find(({ stockId }) => !stocked.has(stockId));
    if (strange !== undefined) throw new HttpProblem(422, 'No such item', `stockId: the catalogue has no item “${strange.stockId}”.`);
    await addMoves(db, moves);
    res.status(201).json(Ledger.parse({ moves: await listMoves(db) }));
  });
  api.delete('/shelf/:moveId', 'delete', async (req, res) => {
    const { moveId } = MoveParams.parse(req.params);
    const name = await markDeleted(db, 'shelf', { id: moveId }, currentUser(res));
    if (name === null) throw new HttpProblem(404, 'No such line', 'There is no entry with that id in the ledger.');
    await recordDeletion(db, req, res, `shelf: ${name}`);
    res.json(Ledger.parse({ moves: await listMoves(db) }));
  });
  return api;
}
