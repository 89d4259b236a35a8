import { Router } from 'express';
import type { Knex } from 'knex';
import {
  AccessRecord,
  Invitation,
  InvitationParams,
  Join,
  NewInvitation,
  OwnPassphrase,
  People,
  PersonParams,
  PersonRole,
  Session,
  SessionParams,
  Sessions,
  SignIn,
} from '@spare-acre/core/io/wire';
import { HttpProblem } from '../problems';
import { smallJson } from '../reading/bodies';
import { slowGuessing } from './attempts';
import { type GuardedRoutes, addressOf, currentUser, askerOf, can, guardedRoutes } from './may';
import { changePassphrase, enter, invite, join, listPeople, removePerson, setRole, withdraw } from './people';
import { listRecord, record } from './record';
import { type Access, beginSession, clearCookie, endOther, endSession, listSessions, sessionOf } from './sessions';

/** Signing in and out, under `/api/session`: for whoever asks. */
export function sessionRoutes(db: Knex, access: Access): Router {
  const routes = Router();

  routes.get('/', async (req, res) => {
    const asker = access.isBeyond ? await sessionOf(db, access, req) : null;
    res.json(
      Session.parse(
        access.isBeyond
          ? { signIn: asker === null ? 'wanted' : 'done', person: asker?.person ?? null, role: asker?.role ?? null }
          : { signIn: 'none', person: null, role: 'owner' },
      ),
    );
  });

  routes.post('/', ...smallJson('10kb'), ...slowGuessing(db), async (req, res) => {
    onlyBeyond(access);
    const { person, passphrase } = SignIn.parse(req.body);
    const entered = await enter(db, person, passphrase);
    const address = addressOf(req);
    if (entered === null) {
      await record(db, 'sign-in-failed', { person, address });
      throw new HttpProblem(403, 'Wrong passphrase', 'passphrase: Wrong passphrase. Try again.');
    }
    await beginSession(db, access, entered, req, res);
    await record(db, 'signed-in', { person: entered.name, address });
    res.json(Session.parse({ signIn: 'done', person: entered.name, role: entered.role }));
  });

  /** By an invitation, with a passphrase of one's own. */
  routes.post('/join', ...smallJson('10kb'), ...slowGuessing(db), async (req, res) => {
    onlyBeyond(access);
    const { token, person, passphrase } = Join.parse(req.body);
    const entered = await join(db, token, person, passphrase);
    await beginSession(db, access, entered, req, res);
    await record(db, 'joined', { person: entered.name, about: entered.role, address: addressOf(req) });
    res.status(201).json(Session.parse({ signIn: 'done', person: entered.name, role: entered.role }));
  });

  routes.delete('/', async (req, res) => {
    const person = await endSession(db, access, req);
    if (person !== null) await record(db, 'signed-out', { person, address: addressOf(req) });
    clearCookie(access, res);
    res.status(204).end();
  });
  return routes;
}

function onlyBeyond({ isBeyond }: Access): void {
  if (!isBeyond) throw new HttpProblem(409, 'Sign-in not needed', 'On this computer you do not need to sign in.');
}

/** People, their invitations and sessions, and the record of access. */
export function accessRoutes(db: Knex, access: Access): GuardedRoutes {
  const api = guardedRoutes();

  api.get('/people', 'manage', async (_req, res) => {
    res.json(People.parse(await listPeople(db)));
  });
  api.post('/people/invitations', 'manage', ...smallJson('1kb'), async (req, res) => {
    const { role, days } = NewInvitation.parse(req.body);
    const made = await invite(db, role, days, currentUser(res));
    await record(db, 'invited', { person: currentUser(res), about: role, address: addressOf(req) });
    res.status(201).json(Invitation.parse(made));
  });
  api.delete('/people/invitations/:invitationId', 'manage', async (req, res) => {
    const { invitationId } = InvitationParams.parse(req.params);
    if (!(await withdraw(db, invitationId))) throw new HttpProblem(404, 'No such invitation', 'There is no open invitation with that id.');
    res.status(204).end();
  });
  api.put('/people/:personId/role', 'manage', ...smallJson('1kb'), async (req, res) => {
    const { personId } = PersonParams.parse(req.params);
    const { role } = PersonRole.parse(req.body);
    const name = (await setRole(db, personId, role)) ?? noSuchPerson();
    await record(db, 'role-changed', { person: currentUser(res), about: `${name}: ${role}`, address: addressOf(req) });
    res.json(People.parse(await listPeople(db)));
  });
  api.delete('/people/:personId', 'manage', async (req, res) => {
    const { personId } = PersonParams.parse(req.params);
    const name = (await removePerson(db, personId)) ?? noSuchPerson();
    await record(db, 'person-removed', { person: currentUser(res), about: name, address: addressOf(req) });
    res.json(People.parse(await listPeople(db)));
  });

  /** One's own passphrase, by whoever has one. */
  api.put('/session/passphrase', 'look', ...smallJson('1kb'), ...slowGuessing(db), async (req, res) => {
    const { old, passphrase } = OwnPassphrase.parse(req.body);
    const asker = await sessionOf(db, access, req);
    if (asker?.personId == null || asker.sessionId === null)
      throw new HttpProblem(
        409,
        'No passphrase of your own',
        'You signed in with the passphrase of the server. Change it with npm run passphrase.',
      );
    if (!(await changePassphrase(db, asker.personId, asker.sessionId, old, passphrase)))
      throw new HttpProblem(403, 'Wrong passphrase', 'old: Wrong passphrase. Try again.');
    await record(db, 'passphrase-changed', { person: asker.person, address: addressOf(req) });
    res.status(204).end();
  });

  /** One's own sessions; an owner sees everybody's. */
  api.get('/sessions', 'look', async (_req, res) => {
    const { person, role, sessionId } = askerOf(res);
    res.json(Sessions.parse({ sessions: await listSessions(db, can(role, 'manage') ? null : person, sessionId) }));
  });
  api.delete('/sessions/:sessionId', 'look', async (req, res) => {
    const { sessionId } = SessionParams.parse(req.params);
    const { person, role } = askerOf(res);
    const whose = await endOther(db, sessionId, can(role, 'manage') ? null : person);
    if (whose === null) throw new HttpProblem(404, 'No such session', 'There is no session of yours with that id.');
    await record(db, 'session-ended', { person, about: whose, address: addressOf(req) });
    res.status(204).end();
  });
  api.get('/access-record', 'manage', async (_req, res) => {
    res.json(AccessRecord.parse({ entries: await listRecord(db) }));
  });
  return api;
}

function noSuchPerson(): never {
  throw new HttpProblem(404, 'No such person', 'There is no person with that id.');
}
