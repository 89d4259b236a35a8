import { type Request, type RequestHandler, type Response, Router } from 'express';
import type { Role } from '@spare-acre/core/io/wire';
import { HttpProblem } from '../problems';

/** What a route lets somebody do. Every route names one; there is no way to add a route without. */
export const ACTIONS = ['look', 'build', 'delete', 'manage'] as const;
export type Action = (typeof ACTIONS)[number];

const MAY: Readonly<Record<Role, readonly Action[]>> = {
  owner: ['look', 'build', 'delete', 'manage'],
  builder: ['look', 'build', 'delete'],
  guest: ['look'],
};

/** Whether somebody in a role may do something: the one place where that is decided. */
export const can = (role: Role, action: Action): boolean => MAY[role].includes(action);

/** Who is asking. On this machine alone nobody signs in, and whoever asks is its owner. */
export interface Asker {
  readonly person: string | null;
  readonly role: Role;
  readonly sessionId: string | null;
}
export const askerOf = (res: Response): Asker => res.locals['asker'] as Asker;
/** By whom a change is made, as far as anybody signs in. */
export const currentUser = (res: Response): string | null => askerOf(res).person;
export const addressOf = (req: Request): string => req.ip ?? '';

const only =
  (action: Action): RequestHandler =>
  (_req, res, next) => {
    const { role } = askerOf(res);
    if (!can(role, action))
      throw new HttpProblem(
        403,
        'Not allowed',
        `As a ${role} you can view everything, but you cannot ${WORDS[action]}. Ask an owner of this server.`,
      );
    next();
  };
const WORDS: Readonly<Record<Action, string>> = {
  look: 'look',
  build: 'change anything',
  delete: 'delete anything',
  manage: 'manage people and access',
};

type Add = (path: string, action: Action, ...handlers: readonly RequestHandler[]) => void;
/** Routes that each say what they let somebody do. */
export interface GuardedRoutes {
  readonly get: Add;
  readonly put: Add;
  readonly post: Add;
  readonly delete: Add;
  readonly router: Router;
  /** Every route with its action, for tests over all of them. */
  readonly listed: readonly { readonly method: string; readonly path: string; readonly action: Action }[];
}

export function guardedRoutes(): GuardedRoutes {
  const router = Router();
  const listed: { method: string; path: string; action: Action }[] = [];
  const adder =
    (method: 'get' | 'put' | 'post' | 'delete'): Add =>
    (path, action, ...handlers) => {
      listed.push({ method: method.toUpperCase(), path, action });
      router[method](path, only(action), ...handlers);
    };
  return { get: adder('get'), put: adder('put'), post: adder('post'), delete: adder('delete'), router, listed };
}
