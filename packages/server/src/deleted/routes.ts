import type { Request, Response } from 'express';
import type { Knex } from 'knex';
import { Deleted, DeletedParams } from '@spare-acre/core/io/wire';
import { type GuardedRoutes, addressOf, currentUser, guardedRoutes } from '../access/may';
import { record } from '../access/record';
import { changed } from '../own/keeper';
import { HttpProblem } from '../problems';
import { listDeleted, restoreDeleted } from './deleted';

/** What was deleted in the last weeks, and bringing it back. */
export function deletedRoutes(db: Knex): GuardedRoutes {
  const api = guardedRoutes();
  api.get('/deleted', 'look', async (_req, res) => {
    res.json(Deleted.parse({ deleted: await listDeleted(db) }));
  });
  api.post('/deleted/:kind/:id/restore', 'build', async (req, res) => {
    const { kind, id } = DeletedParams.parse(req.params);
    const name = await (kind === 'log' ? changed(db, (trx) => restoreDeleted(trx, kind, id)) : restoreDeleted(db, kind, id));
    if (name === null) throw new HttpProblem(404, 'Not there', 'No item of that kind with that id was deleted in the last 30 days.');
    await record(db, 'restored', { person: currentUser(res), about: `${kind}: ${name}`, address: addressOf(req) });
    res.json(Deleted.parse({ deleted: await listDeleted(db) }));
  });
  return api;
}

/** Writes down that something was deleted, and by whom. */
export const recordDeletion = (db: Knex, req: Request, res: Response, about: string): Promise<void> =>
  record(db, 'deleted', { person: currentUser(res), about, address: addressOf(req) });
