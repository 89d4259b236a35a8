import { Router } from 'express';
import type { Knex } from 'knex';
import { BoardParams, Hand, HandChoice, HandParams, HandReadings, Log, LogParams, NewEntries } from '@spare-acre/core/wire';
import { isOnShelf } from '../boards/boards';
import { type CatalogueKeeper, changed } from '../own/keeper';
import { HttpProblem, noSuchBoard } from '../problems';
import { smallJson } from '../reading/bodies';
import { addEntries, forget, listLog, listReadings, removeEntry, setRefused } from './logbook';

/** What was really done, and what is learnt from it. */
export function logbookRoutes(db: Knex, keeper: CatalogueKeeper): Router {
  const api = Router();
  const here = async (boardId: string): Promise<void> => {
    if (!(await isOnShelf(db, boardId))) throw noSuchBoard();
  };
  const learnt = async (path: string): Promise<void> => {
    if (!(await keeper.now()).learnt.some((one) => one.path === path))
      throw new HttpProblem(404, 'Nothing learnt', `Nothing was learnt of “${path}”.`);
  };
  api.get('/boards/:boardId/log', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    await here(boardId);
    res.json(Log.parse({ entries: await listLog(db, boardId) }));
  });
  api.post('/boards/:boardId/log', ...smallJson('400kb'), async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { entries } = NewEntries.parse(req.body);
    await here(boardId);
    await changed(db, (trx) => addEntries(trx, boardId, entries));
    res.status(201).json(Log.parse({ entries: await listLog(db, boardId) }));
  });
  api.delete('/boards/:boardId/log/:entryId', async (req, res) => {
    const { boardId, entryId } = LogParams.parse(req.params);
    if (!(await changed(db, (trx) => removeEntry(trx, boardId, entryId))))
      throw new HttpProblem(404, 'No such entry', 'There is no entry with that id in the log of this board.');
    res.json(Log.parse({ entries: await listLog(db, boardId) }));
  });
  api.get('/hand', async (_req, res) => {
    const { learnt, refused } = await keeper.now();
    res.json(Hand.parse({ corrections: learnt, refused }));
  });
  /** What was read of a value, one after another. */
  api.get('/hand/:path', async (req, res) => {
    const { path } = HandParams.parse(req.params);
    await learnt(path);
    res.json(HandReadings.parse({ readings: (await listReadings(db)).filter((one) => one.path === path) }));
  });
  /** Whether the reckoning goes by what was learnt of a value. */
  api.put('/hand/:path', ...smallJson('1kb'), async (req, res) => {
    const { path } = HandParams.parse(req.params);
    const { isRefused } = HandChoice.parse(req.body);
    await learnt(path);
    await changed(db, (trx) => setRefused(trx, path, isRefused));
    res.status(204).end();
  });
  /** What was learnt of a value is forgotten: it begins anew with the next reading. */
  api.delete('/hand/:path', async (req, res) => {
    const { path } = HandParams.parse(req.params);
    await learnt(path);
    await changed(db, (trx) => forget(trx, path));
    res.status(204).end();
  });
  return api;
}
