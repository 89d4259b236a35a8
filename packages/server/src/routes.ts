import { Router } from 'express';
import { Health, Reach } from '@spare-acre/core/wire';
import { sessionRoutes } from './access/routes';
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
import { shelfRoutes } from './shelf/routes';
import { shopRoutes } from './shops/routes';

/** The API under `/api`. */
export function apiRoutes({ db, keeper, readers, hub, access, reach }: AppParts): Router {
  const api = Router();

  api.get('/health', async (_req, res) => {
    await db.raw('select 1');
    res.json(Health.parse({ ok: true, database: 'up' }));
  });
  api.use('/session', sessionRoutes(db, access));

  api.use(onlySignedIn(db, access));
  api.get('/reach', (_req, res) => {
    res.json(Reach.parse(reach));
  });
  api.use(ownRoutes(db, keeper));
  api.use(boardRoutes(db, keeper, readers));
  api.use(liveRoutes(db, hub));
  api.use(pictureRoutes(db, readers));
  api.use(rackRoutes(db, keeper));
  api.use(airRoutes(db));
  api.use(shelfRoutes(db, keeper));
  api.use(logbookRoutes(db, keeper));
  api.use(benchRoutes(db));
  api.use(shopRoutes(db, keeper));

  api.use(noSuchPath);
  return api;
}
