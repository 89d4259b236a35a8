import staticFiles from 'express-static-gzip';
import express, { type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import type { Knex } from 'knex';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { HttpProblem, answerProblem } from './problems';
import { apiRoutes } from './routes';

export interface AppParts {
  readonly db: Knex;
  readonly catalogue: Catalogue;
  /** Folder of the built web app; null serves the API alone. */
  readonly webDir: string | null;
  readonly log: Logger;
}

/** The whole application, not yet listening. */
export function makeApp({ db, catalogue, webDir, log }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: log, autoLogging: false }));
  app.use(onlyLoopbackHosts);
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          workerSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"], // positions computed for popovers and drawings are style attributes
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false, // plain http on loopback
    }),
  );
  app.use('/api', (_req, res, next) => {
    res.set('Cache-Control', 'no-store');
    next();
  });
  app.use('/api', apiRoutes(db, catalogue));
  if (webDir !== null && existsSync(webDir)) serveWeb(app, webDir);
  app.use(answerProblem);
  return app;
}

/** Built files carry a hash in their names and never change; the page itself is asked for every time. */
function serveWeb(app: Express, webDir: string): void {
  // The build lays a brotli and a gzip copy beside every file worth it: nothing is packed while somebody waits.
  const packed = { enableBrotli: true, orderPreference: ['br', 'gz'] };
  app.use(
    '/assets',
    staticFiles(join(webDir, 'assets'), { ...packed, serveStatic: { immutable: true, maxAge: '1y', fallthrough: false } }),
  );
  app.use(staticFiles(webDir, { ...packed, index: false }));
  app.get('/{*path}', (_req, res) => {
    res.set('Cache-Control', 'no-cache').sendFile(join(webDir, 'index.html'));
  });
}

/** There is no sign-in on loopback, so a name that resolves here from elsewhere must not reach the boards. */
const onlyLoopbackHosts: RequestHandler = (req, _res, next) => {
  if (!['127.0.0.1', 'localhost', '[::1]', '::1'].includes(req.hostname)) {
    throw new HttpProblem(421, 'Wrong host', `host: got ${req.hostname.slice(0, 80)}; 127.0.0.1 or localhost would do.`);
  }
  next();
};
