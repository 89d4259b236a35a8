import type { Knex } from 'knex';
import { NewOffcut, OffcutParams, Rack, RackOffcut } from '@spare-acre/core/io/wire';
import { type GuardedRoutes, currentUser, guardedRoutes } from '../access/may';
import { isOnShelf } from '../boards/boards';
import { markDeleted } from '../deleted/deleted';
import { recordDeletion } from '../deleted/routes';
import type { CatalogueKeeper } from '../own/keeper';
import { HttpProblem, noSuchBoard, noSuchMaterial } from '../problems';
import { smallJson } from '../reading/bodies';
import { addOffcut, listOffcuts } from './rack';

/** The rack of offcuts. */
export function rackRoutes(db: Knex, keeper: CatalogueKeeper): GuardedRoutes {
  const api = guardedRoutes();

  api.get('/rack', 'look', async (_req, res) => {
    res.json(Rack.parse({ offcuts: await listOffcuts(db) }));
  });

  api.post('/rack', 'build', ...smallJson('10kb'), async (req, res) => {
    const offcut = NewOffcut.parse(req.body);
    const { catalogue } = await keeper.now();
    if (!catalogue.materials.some(({ id }) => id === offcut.materialId)) throw noSuchMaterial(offcut.materialId);
    if (offcut.from !== null && !(await isOnShelf(db, offcut.from.boardId))) throw noSuchBoard();
    res.status(201).json(RackOffcut.parse(await addOffcut(db, offcut)));
  });

  api.delete('/rack/:offcutId', 'delete', async (req, res) => {
    const { offcutId } = OffcutParams.parse(req.params);
    const name = await markDeleted(db, 'offcut', { id: offcutId }, currentUser(res));
    if (name === null) throw new HttpProblem(404, 'No such offcut', 'There is no offcut with that id in the rack.');
    await recordDeletion(db, req, res, `offcut: ${name}`);
    res.status(204).end();
  });
  return api;
}
