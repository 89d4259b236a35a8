import express, { type Express } from 'express';
import helmet from 'helmet';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { onlyOwnHosts } from '../access/hosts';
import type { Authority } from '../certificate';
import { WELCOME_CSS, WELCOME_JS, welcomePage } from './page';

/** The page, over plain http, that shows how a device comes to trust this server. It serves nothing else. */
export interface Welcome {
  readonly port: number;
  readonly close: () => void;
}

/** @param addresses of the app itself, which the page asks whether it is trusted */
export function makeWelcome({ der, fingerprint }: Authority, addresses: readonly string[]): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(onlyOwnHosts(true));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'"],
          connectSrc: [...addresses],
          baseUri: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
      crossOriginOpenerPolicy: false,
    }),
  );
  app.get('/', (_req, res) => void res.type('html').send(welcomePage({ fingerprint, addresses })));
  app.get('/welcome.css', (_req, res) => void res.type('css').send(WELCOME_CSS));
  app.get('/welcome.js', (_req, res) => void res.type('js').send(WELCOME_JS));
  app.get(
    '/spare-acre.crt',
    (_req, res) =>
      void res.set('Content-Disposition', 'attachment; filename="spare-acre.crt"').type('application/x-x509-ca-cert').send(der),
  );
  return app;
}

/** Serves it beside the app: at the port after its own, or at any that is free. */
export async function openWelcome(authority: Authority, listen: string, appPort: number, addresses: readonly string[]): Promise<Welcome> {
  const server = createServer(makeWelcome(authority, addresses));
  for (const port of [appPort + 1, 0]) {
    const isListening = await new Promise<boolean>((resolve) => {
      server.once('error', () => resolve(false));
      server.listen(port, listen, () => resolve(true));
    });
    if (isListening) break;
  }
  return { port: (server.address() as AddressInfo).port, close: () => void server.close().closeAllConnections() };
}
