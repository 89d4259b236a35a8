import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import type { Knex } from 'knex';
import { createHash, randomBytes } from 'node:crypto';
import { HttpProblem } from '../problems';

/** So long a session lives after it was last used. */
const DAYS = 30;
const COOKIE = 'spare_acre_session';

/** How people come in: on this machine alone nobody signs in; beyond it everybody does. */
export interface Access {
  readonly isBeyond: boolean;
  /** Served under TLS: the cookie then never goes in the clear. */
  readonly isSecure: boolean;
}

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const tokenOf = (req: Request): string | null => parseCookie(req.get('cookie') ?? '')[COOKIE] ?? null;

/** Begins a session: its token goes into a cookie that no script reads and no other site sends; the store knows only the token's hash. */
export async function beginSession(db: Knex, { isSecure }: Access, person: string, res: Response): Promise<void> {
  const token = randomBytes(32).toString('base64url');
  await db('sessions').insert({ token_hash: hashOf(token), person });
  res.append('Set-Cookie', cookie(token, DAYS * 86_400, isSecure));
}

export async function endSession(db: Knex, { isSecure }: Access, req: Request, res: Response): Promise<void> {
  const token = tokenOf(req);
  if (token !== null)
    await db('sessions')
      .where({ token_hash: hashOf(token) })
      .delete();
  res.append('Set-Cookie', cookie('', 0, isSecure));
}

/** Who is asking, or null. */
export async function personOf(db: Knex, req: Request): Promise<string | null> {
  const token = tokenOf(req);
  if (token === null) return null;
  const row = await db<{ token_hash: string; person: string; seen_at: Date }>('sessions')
    .first('person', 'seen_at')
    .where({ token_hash: hashOf(token) })
    .whereRaw(`seen_at > now() - interval '${DAYS} days'`);
  if (row === undefined) return null;
  // Written down once a day at most: a page asks often.
  if (Date.now() - row.seen_at.getTime() > 86_400_000)
    await db('sessions')
      .where({ token_hash: hashOf(token) })
      .update({ seen_at: db.fn.now() });
  return row.person;
}

/** Lets nobody past who has not signed in, where that is wanted; says who is asking in `res.locals`. */
export function onlySignedIn(db: Knex, { isBeyond }: Access): RequestHandler {
  return async (req, res, next) => {
    const person = isBeyond ? await personOf(db, req) : null;
    if (isBeyond && person === null) throw new HttpProblem(401, 'Not signed in', 'Sign in with the passphrase of this server first.');
    res.locals['person'] = person;
    next();
  };
}

/** Who is asking, as far as anybody signs in. */
export const askedBy = (res: Response): string | null => (res.locals['person'] as string | null | undefined) ?? null;

/** Forgets sessions that nobody uses any more, and tries that are over. */
export async function sweepSessions(db: Knex): Promise<void> {
  await db('sessions').whereRaw(`seen_at < now() - interval '${DAYS} days'`).delete();
  await db('sign_in_attempts').whereRaw('resets_at < now()').delete();
}

const cookie = (value: string, maxAge: number, secure: boolean): string =>
  stringifySetCookie({ name: COOKIE, value, httpOnly: true, sameSite: 'strict', path: '/', maxAge, secure });
