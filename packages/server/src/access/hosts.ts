import type { RequestHandler } from 'express';
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import { HttpProblem } from '../problems';

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]', '::1'];

/**
 * Refuses names that only resolve here from elsewhere: with no sign-in on this machine alone, a foreign page must not reach the boards under a name of
 * its own. Beyond this machine an address in digits or the machine's own name will do as well.
 */
export function onlyOwnHosts(isBeyond: boolean): RequestHandler {
  const own = [...LOOPBACK, ...(isBeyond ? [hostname().toLowerCase(), `${hostname().toLowerCase()}.local`] : [])];
  return (req, _res, next) => {
    const host = req.hostname as string | undefined;
    if (host === undefined) throw new HttpProblem(400, 'Host missing', 'host: no host was sent. Use the address of this server.');
    const isOwn = own.includes(host.toLowerCase()) || (isBeyond && isIP(host.replace(/^\[|\]$/g, '')) !== 0);
    if (!isOwn) throw new HttpProblem(421, 'Wrong host', `host: got ${host.slice(0, 80)}. Enter ${own.slice(0, 2).join(' or ')}.`);
    next();
  };
}

const READING = ['GET', 'HEAD', 'OPTIONS'];

/**
 * Refuses whatever writes and comes from another origin's page. Browsers say of themselves where a request comes from; a script of the builder's own, which
 * says nothing, is let in.
 */
export const onlyOwnPages: RequestHandler = (req, _res, next) => {
  if (!READING.includes(req.method)) {
    const site = req.get('sec-fetch-site');
    const origin = req.get('origin');
    const isForeign = (site !== undefined && site !== 'same-origin') || (origin !== undefined && hostOf(origin) !== req.get('host'));
    if (isForeign)
      throw new HttpProblem(
        403,
        'From another page',
        `origin: got ${(origin ?? site ?? '').slice(0, 80)}. Only pages of this server can change data.`,
      );
  }
  next();
};

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}
