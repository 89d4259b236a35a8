import compression from 'compression';
import staticFiles from 'express-static-gzip';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { pinoHttp } from 'pino-http';
import { onlyOwnHosts, onlyOwnPages } from './access/hosts';
import type { AppParts } from './parts';
import { answerProblem, noSuchPath } from './problems';
import { apiRoutes } from './routes';

/** The whole application, not yet listening. */
export function makeApp(parts: AppParts): Express {
  const { webDir, log, access } = parts;
  const app = express();
  app.disable('x-powered-by');
  // Nothing of the API is kept by a browser, and a plan of megabytes is not worth a hash.
  app.disable('etag');
  app.use(pinoHttp({ logger: log, autoLogging: false }));
  app.use(onlyOwnHosts(access.isBeyond));
  app.use(onlyOwnPages);
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
          manifestSrc: ["'self'"],
          connectSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      // Browsers heed it only where they trust the certificate, and never for plain http or an address in digits.
      strictTransportSecurity: access.isSecure ? { maxAge: 180 * 86_400, includeSubDomains: false } : false,
    }),
  );
  // Asked by the welcome page, from another port: answered only where a browser trusts the certificate, and says nothing else.
  app.get('/trusted', (_req, res) => {
    res
      .set({ 'Access-Control-Allow-Origin': '*', 'Cache-Control': 'no-store', 'Cross-Origin-Resource-Policy': 'cross-origin' })
      .json({ isTrusted: true });
  });
  app.use('/api', (_req, res, next) => {
    res.set('Cache-Control', 'no-store');
    next();
  });
  // A stream is not packed: its lines would wait for more.
  app.use(
    '/api',
    compression({ filter: (_req, res) => !/event-stream/.test(String(res.getHeader('Content-Type'))) && compression.filter(_req, res) }),
  );
  app.use('/api', apiRoutes(parts));
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
  // What the build leaves for the bench is nobody else's business.
  app.use('/.vite', noSuchPath);
  app.use(staticFiles(webDir, { ...packed, index: false }));
  app.get('/{*path}', (_req, res) => {
    res.set('Cache-Control', 'no-cache').sendFile(join(webDir, 'index.html'));
  });
}
