import { hash, verify } from '@node-rs/argon2';
import type { Knex } from 'knex';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { People, Role } from '@spare-acre/core/io/wire';
import { tell } from '../live/tell';
import { HttpProblem } from '../problems';
import { isPassphrase } from './passphrase';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly hash: string;
  readonly created_at: Date;
}
/** Somebody who has come in. */
export interface Entered {
  readonly personId: string | null;
  readonly name: string;
  readonly role: Role;
}

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const named = (db: Knex, name: string): Knex.QueryBuilder<Row> =>
  db<Row>('people').whereRaw('lower(name) = lower(?)', [name]) as Knex.QueryBuilder<Row>;

/** Whether that name has a passphrase of its own, so that guesses at it count for that name. */
export const hasOwnPassphrase = async (db: Knex, name: string): Promise<boolean> => (await named(db, name).first('id')) !== undefined;

/**
 * Who comes in with a name and a passphrase: somebody with a passphrase of their own, or, under any other name, whoever knows the passphrase of the server, who is its owner.
 * @returns null where it is the wrong one
 */
export async function enter(db: Knex, name: string, passphrase: string): Promise<Entered | null> {
  const row = (await named(db, name).first()) as Row | undefined;
  if (row !== undefined) return (await verify(row.hash, passphrase)) ? { personId: row.id, name: row.name, role: row.role } : null;
  return (await isPassphrase(db, passphrase)) ? { personId: null, name, role: 'owner' } : null;
}

export async function listPeople(db: Knex): Promise<People> {
  const people = (await db<Row>('people').orderBy('created_at').orderBy('id')) as Row[];
  const invitations = (await db('invitations')
    .select('id', 'role', 'ends_at', 'made_by')
    .whereRaw('ends_at > now()')
    .orderBy('ends_at')) as { id: string; role: Role; ends_at: Date; made_by: string | null }[];
  return {
    people: people.map(({ id, name, role, created_at }) => ({ id, name, role, createdAt: created_at.toISOString() })),
    invitations: invitations.map(({ id, role, ends_at, made_by }) => ({ id, role, endsAt: ends_at.toISOString(), madeBy: made_by })),
  };
}

/** Makes an invitation; its token goes into a link and is stored as its hash alone. */
export async function invite(
  db: Knex,
  role: Role,
  days: number,
  by: string | null,
): Promise<{ id: string; token: string; endsAt: string }> {
  const [id, token] = [randomUUID() as string, randomBytes(24).toString('base64url')];
  const [row] = (await db('invitations')
    .insert({ id, token_hash: hashOf(token), role, made_by: by, ends_at: db.raw(`now() + ? * interval '1 day'`, [days]) })
    .returning('ends_at')) as { ends_at: Date }[];
  return { id, token, endsAt: row!.ends_at.toISOString() };
}
/** False where there is none. */
export const withdraw = async (db: Knex, id: string): Promise<boolean> => (await db('invitations').where({ id }).delete()) > 0;

/** Takes an invitation up, once. @throws HttpProblem 410 for one that is over or used, 409 for a name that somebody has */
export async function join(db: Knex, token: string, name: string, passphrase: string): Promise<Entered> {
  const hashed = await hash(passphrase);
  return db.transaction(async (trx) => {
    const [invitation] = (await trx('invitations')
      .where({ token_hash: hashOf(token) })
      .whereRaw('ends_at > now()')
      .delete()
      .returning('role')) as { role: Role }[];
    if (invitation === undefined)
      throw new HttpProblem(410, 'Invitation expired', 'token: this invitation was used or has expired. Ask for a new one.');
    if (await hasOwnPassphrase(trx, name))
      throw new HttpProblem(409, 'Name in use', `person: the name “${name}” is already used. Choose another name.`);
    const id = randomUUID();
    await trx('people').insert({ id, name, role: invitation.role, hash: hashed });
    return { personId: id, name, role: invitation.role };
  });
}

/** Gives somebody another role; what they have open ends, so that it counts at once. @returns their name, null where there is nobody */
export const setRole = (db: Knex, id: string, role: Role): Promise<string | null> =>
  db.transaction(async (trx) => {
    const [row] = (await trx('people').where({ id }).update({ role }).returning('name')) as { name: string }[];
    if (row === undefined) return null;
    await endAllOf(trx, id);
    return row.name;
  });

/** Takes somebody out; what they did stays under their name. @returns their name, null where there is nobody */
export const removePerson = (db: Knex, id: string): Promise<string | null> =>
  db.transaction(async (trx) => {
    await endAllOf(trx, id);
    const [row] = (await trx('people').where({ id }).delete().returning('name')) as { name: string }[];
    return row?.name ?? null;
  });

async function endAllOf(trx: Knex, personId: string): Promise<void> {
  const ended = (await trx('sessions').where({ person_id: personId }).delete().returning('id')) as { id: string }[];
  for (const { id } of ended) await tell(trx, { board: null, kind: 'session-ended', session: id });
}

/** Changes one's own passphrase; other sessions of the same person end. @returns false where the old one is wrong */
export async function changePassphrase(db: Knex, personId: string, sessionId: string, old: string, passphrase: string): Promise<boolean> {
  const row = (await db<Row>('people').where({ id: personId }).first()) as Row | undefined;
  if (row === undefined || !(await verify(row.hash, old))) return false;
  const hashed = await hash(passphrase);
  await db.transaction(async (trx) => {
    await trx('people').where({ id: personId }).update({ hash: hashed });
    const ended = (await trx('sessions').where({ person_id: personId }).whereNot({ id: sessionId }).delete().returning('id')) as {
      id: string;
    }[];
    for (const { id } of ended) await tell(trx, { board: null, kind: 'session-ended', session: id });
  });
  return true;
}

export const sweepInvitations = (db: Knex): Promise<number> => db('invitations').whereRaw('ends_at < now()').delete();
