import type { Knex } from 'knex';
import { BoardParams, Journal, JournalQuery, NewDeeds } from '@spare-acre/core/io/wire';
import { type GuardedRoutes, guardedRoutes } from '../access/may';
import { isOnShelf } from '../boards/boards';
import { changed } from '../own/keeper';
import { noSuchBoard } from '../problems';
import { smallJson } from '../reading/bodies';
import { listDeeds, takeDeeds } from './deeds';

/** What is done at the bench. */
export function benchRoutes(db: Knex): GuardedRoutes {
  const api = guardedRoutes();
  api.get('/boards/:boardId/deeds', 'look', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { after } = JournalQuery.parse(req.query);
    if (!(await isOnShelf(db, boardId))) throw noSuchBoard();
    res.json(Journal.parse({ deeds: await listDeeds(db, boardId, after) }));
  });
  api.post('/boards/:boardId/deeds', 'build', ...smallJson('2mb'), async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { deeds } = NewDeeds.parse(req.body);
    // What is learnt of a note is another catalogue to reckon with; ticks and timers are none.
    const isLearntOf = deeds.some(({ act }) => act.kind === 'note');
    const isTaken = await (isLearntOf ? changed(db, (trx) => takeDeeds(trx, boardId, deeds)) : takeDeeds(db, boardId, deeds));
    if (!isTaken) throw noSuchBoard();
    const first = Math.min(...deeds.map(({ seen }) => seen));
    res.json(Journal.parse({ deeds: await listDeeds(db, boardId, first) }));
  });
  return api;
}
