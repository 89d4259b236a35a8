import type { ErrorRequestHandler, RequestHandler } from 'express';
import { ZodError } from 'zod';
import type { PlanIssue } from '@spare-acre/core/plan/stored/check';
import { BadJson, BadText } from './reading/json';
import { isAway } from './store/away';

/** What an answer says of what is wrong. */
export interface Problem {
  readonly status: number;
  readonly title: string;
  readonly detail: string;
  readonly issues?: readonly PlanIssue[];
}

/** An error with an answer: thrown by routes, worded here, never a 500. */
export class HttpProblem extends Error {
  /**
   * @param more.storedText what is stored now, as JSON, on a save that came too late
   * @param more.retryAfterS seconds after which the same may be asked again
   */
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly more: { readonly issues?: readonly PlanIssue[]; readonly storedText?: string; readonly retryAfterS?: number } = {},
  ) {
    super(detail);
  }
}

export const noSuchBoard = (): HttpProblem => new HttpProblem(404, 'No such board', 'There is no board with that id.');
export const noSuchMaterial = (id: string): HttpProblem =>
  new HttpProblem(422, 'No such material', `materialId: the catalogue has no material “${id}”.`);
export const badPlan = (issues: readonly PlanIssue[]): HttpProblem =>
  new HttpProblem(422, 'The plan cannot be used', worded(issues), { issues: issues.slice(0, 50) });
export const busy = (): HttpProblem =>
  new HttpProblem(503, 'Too much at once', 'The server is busy. Try again in a moment.', { retryAfterS: 2 });
/** What is stored and cannot be read is the server's trouble, never the request's. */
export const unreadable = (issues: readonly PlanIssue[]): HttpProblem =>
  new HttpProblem(
    500,
    'The stored plan cannot be read',
    `${worded(issues)}. Nothing is lost: export the plan, correct the file and import it again.`,
    { issues },
  );

/** Answers for paths of the API that are not there. */
export const noSuchPath: RequestHandler = (req) => {
  throw new HttpProblem(404, 'No such path', `${req.method} ${req.path} is not part of this API.`);
};

/** The one place where errors become answers. */
export const answerProblem: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) return next(error);
  const problem = asHttpProblem(error);
  // That the database is away says the keeper of it; whatever else is ours stands in the log.
  if (problem.status >= 500 && !(error instanceof HttpProblem) && !isAway(error)) req.log.error(error);
  const { issues, storedText, retryAfterS } = problem.more;
  if (retryAfterS !== undefined) res.set('Retry-After', String(retryAfterS));
  const text = JSON.stringify({
    type: 'about:blank',
    title: problem.title,
    status: problem.status,
    detail: problem.message,
    ...(issues === undefined ? {} : { issues }),
  });
  res
    .status(problem.status)
    .type('application/problem+json')
    .send(storedText === undefined ? text : `${text.slice(0, -1)},"stored":${storedText}}`);
};

/** An error as what an answer would say of it. */
export function problemOf(error: unknown): Problem {
  const { status, title, message, more } = asHttpProblem(error);
  return { status, title, detail: message, ...(more.issues === undefined ? {} : { issues: more.issues }) };
}

/** Errors that body parsing and routing raise themselves carry a 4xx status. */
interface StatusError extends Error {
  readonly status: number;
  readonly type?: string;
  readonly limit?: number;
}

function asHttpProblem(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof ZodError) {
    const issues = issuesOf(error);
    return new HttpProblem(400, 'The request cannot be read', worded(issues), { issues });
  }
  if (error instanceof BadText) {
    const issues = [{ path: error.path, message: error.message }];
    return new HttpProblem(422, 'Text that cannot be stored', worded(issues), { issues });
  }
  if (error instanceof BadJson) return new HttpProblem(400, 'Not JSON', error.message);
  // PostgreSQL's own words for it: it runs, and takes nothing more.
  const code = (error as { readonly code?: unknown } | null)?.code;
  if (code === '53100' || code === 'ENOSPC')
    return new HttpProblem(
      503,
      'The disk is full',
      'The disk of the server is full. Nothing was stored. Free some space, then try again. Your changes stay on your screen.',
      { retryAfterS: 30 },
    );
  if (code === '25006')
    return new HttpProblem(
      503,
      'The database is read-only',
      'The database accepts no changes at the moment. Nothing was stored. Your changes stay on your screen.',
      { retryAfterS: 30 },
    );
  if (isAway(error)) {
    return new HttpProblem(
      503,
      'The database is not reachable',
      'The database does not respond and is restarting. Your change may not be saved. Try again in a moment.',
      { retryAfterS: 1 },
    );
  }
  if (isStatusError(error)) {
    if (error.type === 'entity.too.large')
      return new HttpProblem(413, 'Too large', `body: The limit is ${((error.limit ?? 0) / 1_048_576).toLocaleString('en')} MB.`);
    // What a file server says of a file that is not there is a path of this machine.
    if (error.status === 404) return new HttpProblem(404, 'No such file', 'There is no file with that name.');
    return new HttpProblem(error.status, 'The request cannot be read', error.type === undefined ? 'path: cannot be read.' : error.message);
  }
  return new HttpProblem(
    500,
    'Server error',
    'Your change may not be saved. Keep this page open and try again. Details are in the server log.',
  );
}

export const issuesOf = ({ issues }: ZodError): PlanIssue[] =>
  issues.map(({ path, message }) => ({ path: path.join('.') || 'request', message })).slice(0, 50);
const worded = (issues: readonly PlanIssue[]): string =>
  issues
    .map(({ path, message }) => `${path}: ${message}`)
    .slice(0, 3)
    .join('; ');

function isStatusError(error: unknown): error is StatusError {
  const status = (error as Partial<StatusError> | null)?.status;
  return typeof status === 'number' && status >= 400 && status < 500;
}
