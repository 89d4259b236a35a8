import type { Knex } from 'knex';
import {
  BoardParams,
  Hand,
  HandChoice,
  HandParams,
  HandReadings,
  Log,
  LogParams,
  LogQuery,
  NewEntries,
  NewEntriesTaken,
} from '@spare-acre/core/io/wire';
import { type GuardedRoutes, currentUser, guardedRoutes } from '../access/may';
import { isOnShelf } from '../boards/boards';
import { markDeleted } from '../deleted/deleted';
import { recordDeletion } from '../deleted/routes';
import { type CatalogueKeeper, changed } from '../own/keeper';
import { HttpProblem, noSuchBoard } from '../problems';
import { smallJson } from '../reading/bodies';
import { addEntries, forget, listLog, listReadings, setRefused } from './logbook';

/** What was really done, and what is learnt from it. */
export function logbookRoutes(db: Knex, keeper: CatalogueKeeper): GuardedRoutes {
  const api = guardedRoutes();
  const here = async (boardId: string): Promise<void> => {
    if (!(await isOnShelf(db, boardId))) throw noSuchBoard();
  };
  const learnt = async (path: string): Promise<void> => {
    if (!(await keeper.now()).learnt.some((one) => one.path === path))
      throw new HttpProblem(404, 'No learned value', `There is no learned value for “${path}”.`);
  };
  api.get('/boards/:boardId/log', 'look', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { after } = LogQuery.parse(req.query);
    await here(boardId);
    res.json(Log.parse(await listLog(db, boardId, after)));
  });
  api.post('/boards/:boardId/log', 'build', ...smallJson('400kb'), async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { entries } = NewEntries.parse(req.body);
    await here(boardId);
    await changed(db, (trx) => addEntries(trx, boardId, entries));
    res.status(201).json(NewEntriesTaken.parse({ ids: entries.map(({ id }) => id) }));
  });
  api.delete('/boards/:boardId/log/:entryId', 'delete', async (req, res) => {
    const { boardId, entryId } = LogParams.parse(req.params);
    const name = await changed(db, (trx) => markDeleted(trx, 'log', { id: entryId, board_id: boardId }, currentUser(res)));
    if (name === null) throw new HttpProblem(404, 'No such entry', 'There is no entry with that id in the log of this board.');
    await recordDeletion(db, req, res, `log: ${name}`);
    res.status(204).end();
  });
  api.get('/hand', 'look', async (_req, res) => {
    const { learnt, refused } = await keeper.now();
    res.json(Hand.parse({ corrections: learnt, refused }));
  });
  /** What was read of a value, one after another. */
  api.get('/hand/:path', 'look', async (req, res) => {
    const { path } = HandParams.parse(req.params);
    await learnt(path);
    res.json(HandReadings.parse({ readings: (await listReadings(db)).filter((one) => one.path === path) }));
  });
  /** Whether the reckoning goes by what was learnt of a value. */
  api.put('/hand/:path', 'build', ...smallJson('1kb'), async (req, res) => {
    const { path } = HandParams.parse(req.params);
    const { isRefused } = HandChoice.parse(req.body);
    await learnt(path);
    await changed(db, (trx) => setRefused(trx, path, isRefused));
    res.status(204).end();
  });
  /** What was learnt of a value is forgotten: it begins anew with the next reading. */
  api.delete('/hand/:path', 'delete', async (req, res) => {
    const { path } = HandParams.parse(req.params);
    await learnt(path);
    await changed(db, (trx) => forget(trx, path));
    res.status(204).end();
  });
  return api;
}
