import { Router } from 'express';
import type { Knex } from 'knex';
import { stockedIn } from '@spare-acre/core/shelf';
import { Ledger, MoveParams, NewMoves } from '@spare-acre/core/wire';
import type { CatalogueKeeper } from '../own/keeper';
import { HttpProblem } from '../problems';
import { smallJson } from '../reading/bodies';
import { addMoves, listMoves, removeMove } from './shelf';

/** What lies on the shelf, as a ledger. */
export function shelfRoutes(db: Knex, keeper: CatalogueKeeper): Router {
  const api = Router();
  api.get('/shelf', async (_req, res) => {
    res.json(Ledger.parse({ moves: await listMoves(db) }));
  });
  api.post('/shelf', ...smallJson('200kb'), async (req, res) => {
    const { moves } = NewMoves.parse(req.body);
    const stocked = stockedIn((await keeper.now()).catalogue);
    const strange = moves.find(({ stockId }) => !stocked.has(stockId));
    if (strange !== undefined)
      throw new HttpProblem(422, 'Nothing of that kind', `stockId: the catalogue has nothing to buy at “${strange.stockId}”.`);
    await addMoves(db, moves);
    res.status(201).json(Ledger.parse({ moves: await listMoves(db) }));
  });
  api.delete('/shelf/:moveId', async (req, res) => {
    const { moveId } = MoveParams.parse(req.params);
    if (!(await removeMove(db, moveId))) throw new HttpProblem(404, 'No such line', 'There is no line with that id in the ledger.');
    res.json(Ledger.parse({ moves: await listMoves(db) }));
  });
  return api;
}
