import { Router } from 'express';
import { Health, Reach } from '@spare-acre/core/io/wire';
import { accessRoutes, sessionRoutes } from './access/routes';
import { type GuardedRoutes, guardedRoutes } from './access/may';
import { onlySignedIn } from './access/sessions';
import { airRoutes } from './air/routes';
import { boardRoutes } from './boards/routes';
import { liveRoutes } from './live/routes';
import { ownRoutes } from './own/routes';
import type { AppParts } from './parts';
import { pictureRoutes } from './pictures/routes';
import { noSuchPath } from './problems';
import { rackRoutes } from './rack/routes';
import { benchRoutes } from './bench/routes';
import { logbookRoutes } from './logbook/routes';
import { deletedRoutes } from './deleted/routes';
import { shelfRoutes } from './shelf/routes';
import { shopRoutes } from './shops/routes';

/** Everything that wants somebody to have signed in, each route with what it lets them do. */
export function guardedApi({ db, keeper, readers, hub, access, reach }: AppParts): readonly GuardedRoutes[] {
  const server = guardedRoutes();
  server.get('/reach', 'look', (_req, res) => {
    res.json(Reach.parse(reach));
  });
  return [
    server,
    accessRoutes(db, access),
    ownRoutes(db, keeper, readers),
    boardRoutes(db, keeper, readers),
    liveRoutes(db, hub),
    pictureRoutes(db, readers),
    rackRoutes(db, keeper),
    airRoutes(db),
    shelfRoutes(db, keeper),
    logbookRoutes(db, keeper),
    benchRoutes(db),
    shopRoutes(db, keeper),
    deletedRoutes(db),
  ];
}

/** The API under `/api`. */
export function apiRoutes(parts: AppParts): Router {
  const { db, access } = parts;
  const api = Router();

  api.get('/health', async (_req, res) => {
    await db.raw('select 1');
    res.json(Health.parse({ ok: true, database: 'up' }));
  });
  // One's own passphrase is changed under this path too, by whoever is signed in.
  api.use('/session', sessionRoutes(db, access));
  api.use(onlySignedIn(db, access));
  for (const { router } of guardedApi(parts)) api.use(router);

  api.use(noSuchPath);
  return api;
}
