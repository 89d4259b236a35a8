import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import type { Knex } from 'knex';
import { createHash, randomBytes } from 'node:crypto';
import { cutText } from '@spare-acre/core/base/text';
import type { Role, Sessions } from '@spare-acre/core/io/wire';
import { tell } from '../live/tell';
import { HttpProblem } from '../problems';
import { type Asker, addressOf } from './may';
import type { Entered } from './people';

/** Days that a session lives after it was last used, and in all. */
const IDLE_DAYS = 30;
const MAX_DAYS = 90;
const COOKIE = 'spare_acre_session';

/** How people come in: on this machine alone nobody signs in; beyond it everybody does. */
export interface Access {
  readonly isBeyond: boolean;
  /** Served under TLS: the cookie then never goes in the clear. */
  readonly isSecure: boolean;
}

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
/** Under TLS a browser lets no other host or path set a cookie of this name. */
const cookieName = (isSecure: boolean): string => (isSecure ? `__Host-${COOKIE}` : COOKIE);
const tokenOf = (req: Request, { isSecure }: Access): string | null => parseCookie(req.get('cookie') ?? '')[cookieName(isSecure)] ?? null;
const IS_ALIVE = `seen_at > now() - interval '${IDLE_DAYS} days' and begun_at > now() - interval '${MAX_DAYS} days'`;

/** Begins a session and ends the one that this browser had: its token goes into a cookie that no script reads and no other site sends; the store knows only the token's hash. */
export async function beginSession(db: Knex, access: Access, { personId, name }: Entered, req: Request, res: Response): Promise<void> {
  await endSession(db, access, req);
  const token = randomBytes(32).toString('base64url');
  await db('sessions').insert({
    token_hash: hashOf(token),
    person: name,
    person_id: personId,
    device: cutText(req.get('user-agent') ?? '', 120),
    address: addressOf(req),
  });
  res.append('Set-Cookie', cookie(token, IDLE_DAYS * 86_400, access));
}

/** Ends the session that a request comes with, and the streams that it holds open. @returns whose it was */
export async function endSession(db: Knex, access: Access, req: Request): Promise<string | null> {
  const token = tokenOf(req, access);
  return token === null ? null : endWhere(db, { token_hash: hashOf(token) });
}
/** Ends another session. @param of only where it is this person's; null for anybody's */
export const endOther = (db: Knex, id: string, of: string | null): Promise<string | null> =>
  endWhere(db, of === null ? { id } : { id, person: of });

async function endWhere(db: Knex, which: Readonly<Record<string, string>>): Promise<string | null> {
  const [row] = (await db('sessions').where(which).delete().returning(['id', 'person'])) as { id: string; person: string }[];
  if (row === undefined) return null;
  await tell(db, { board: null, kind: 'session-ended', session: row.id });
  return row.person;
}
export const clearCookie = (access: Access, res: Response): void => void res.append('Set-Cookie', cookie('', 0, access));

interface Row {
  readonly id: string;
  readonly person: string;
  readonly person_id: string | null;
  readonly role: Role | null;
  readonly seen_at: Date;
}
/** Who is asking, or null. */
export async function sessionOf(db: Knex, access: Access, req: Request): Promise<(Asker & { readonly personId: string | null }) | null> {
  const token = tokenOf(req, access);
  if (token === null) return null;
  const row = (await db('sessions')
    .leftJoin('people', 'people.id', 'sessions.person_id')
    .first('sessions.id', 'person', 'person_id', 'role', 'seen_at')
    .where({ token_hash: hashOf(token) })
    .whereRaw(IS_ALIVE)) as Row | undefined;
  if (row === undefined) return null;
  // Written down once a day at most: a page asks often.
  if (Date.now() - row.seen_at.getTime() > 86_400_000) await db('sessions').where({ id: row.id }).update({ seen_at: db.fn.now() });
  return { person: row.person, role: row.role ?? 'owner', sessionId: row.id, personId: row.person_id };
}

/** Of these sessions, those that are still alive. */
export async function aliveOf(db: Knex, ids: readonly string[]): Promise<ReadonlySet<string>> {
  if (ids.length === 0) return new Set();
  const rows = (await db('sessions').select('id').whereIn('id', ids).whereRaw(IS_ALIVE)) as { id: string }[];
  return new Set(rows.map(({ id }) => id));
}

/** Sessions, the last used first. @param of one person's; null for everybody's */
export async function listSessions(db: Knex, of: string | null, thisId: string | null): Promise<Sessions['sessions']> {
  const rows = (await db('sessions')
    .select('id', 'person', 'device', 'address', 'begun_at', 'seen_at')
    .modify((query) => (of === null ? query : query.where({ person: of })))
    .whereRaw(IS_ALIVE)
    .orderBy('seen_at', 'desc')) as { id: string; person: string; device: string; address: string; begun_at: Date; seen_at: Date }[];
  return rows.map(({ begun_at, seen_at, ...row }) => ({
    ...row,
    begunAt: begun_at.toISOString(),
    seenAt: seen_at.toISOString(),
    isThis: row.id === thisId,
  }));
}

/** Lets nobody past who has not signed in, where that is wanted; says who is asking in `res.locals`. */
export function onlySignedIn(db: Knex, access: Access): RequestHandler {
  return async (req, res, next) => {
    const asker = access.isBeyond ? await sessionOf(db, access, req) : { person: null, role: 'owner' as const, sessionId: null };
    if (asker === null) throw new HttpProblem(401, 'Not signed in', 'Sign in with your passphrase first.');
    res.locals['asker'] = asker;
    next();
  };
}

/** Forgets sessions that are over, and tries that are. */
export async function sweepSessions(db: Knex): Promise<void> {
  await db('sessions').whereRaw(`not (${IS_ALIVE})`).delete();
  await db('sign_in_attempts').whereRaw('resets_at < now()').delete();
}

const cookie = (value: string, maxAge: number, { isSecure }: Access): string =>
  stringifySetCookie({ name: cookieName(isSecure), value, httpOnly: true, sameSite: 'strict', path: '/', maxAge, secure: isSecure });
