import { Router } from 'express';
import type { Knex } from 'knex';
import { Session, SignIn } from '@spare-acre/core/wire';
import { HttpProblem } from '../problems';
import { smallJson } from '../reading/bodies';
import { slowGuessing } from './attempts';
import { isPassphrase } from './passphrase';
import { type Access, beginSession, endSession, personOf } from './sessions';

/** Signing in and out, under `/api/session`. */
export function sessionRoutes(db: Knex, access: Access): Router {
  const routes = Router();

  routes.get('/', async (req, res) => {
    const person = access.isBeyond ? await personOf(db, req) : null;
    res.json(Session.parse({ signIn: !access.isBeyond ? 'none' : person === null ? 'wanted' : 'done', person }));
  });

  routes.post('/', ...smallJson('10kb'), ...slowGuessing(db), async (req, res) => {
    if (!access.isBeyond) throw new HttpProblem(409, 'Nothing to sign in to', 'On this machine alone nobody signs in.');
    const { person, passphrase } = SignIn.parse(req.body);
    if (!(await isPassphrase(db, passphrase))) throw new HttpProblem(403, 'Not the passphrase', 'passphrase: this is not it.');
    await beginSession(db, access, person, res);
    res.json(Session.parse({ signIn: 'done', person }));
  });

  routes.delete('/', async (req, res) => {
    await endSession(db, access, req, res);
    res.status(204).end();
  });
  return routes;
}
