import type { ErrorRequestHandler, RequestHandler } from 'express';
import { ZodError } from 'zod';
import { BoardCard, ProblemDetails } from '@spare-acre/core/wire';
import type { PlanIssue } from '@spare-acre/core/plan/check';
import type { StoredBoard } from './boards';

/** An error with an answer: thrown by routes, worded here, never a 500. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly more: { readonly issues?: readonly PlanIssue[]; readonly stored?: BoardCard } = {},
  ) {
    super(detail);
  }
}

export const noSuchBoard = (): HttpProblem => new HttpProblem(404, 'No such board', 'There is no board with that id.');
export const badPlan = (issues: readonly PlanIssue[]): HttpProblem =>
  new HttpProblem(422, 'The plan cannot be used', worded(issues), { issues: issues.slice(0, 50) });
export const staleSave = (stored: StoredBoard): HttpProblem =>
  new HttpProblem(409, 'Someone saved first', `The board is at revision ${stored.revision} by now.`, { stored: boardAnswer(stored) });

/** The board as it goes over the wire. What is stored and cannot be read is the server's trouble, never the request's. */
export function boardAnswer(stored: StoredBoard): BoardCard {
  const read = BoardCard.safeParse(stored);
  if (read.success) return read.data;
  const issues = issuesOf(read.error);
  throw new HttpProblem(
    500,
    'The stored plan cannot be read',
    `${worded(issues)}. Nothing is lost: export the plan, mend its file and import it.`,
    { issues },
  );
}

/** Answers for paths of the API that are not there. */
export const noSuchPath: RequestHandler = (req) => {
  throw new HttpProblem(404, 'No such path', `${req.method} ${req.path} is not part of this API.`);
};

/** The one place where errors become answers. */
export const answerProblem: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) return next(error);
  const problem = asProblem(error);
  if (problem.status >= 500) req.log.error(error);
  const body = ProblemDetails.parse({
    type: 'about:blank',
    title: problem.title,
    status: problem.status,
    detail: problem.message,
    ...(problem.more.issues === undefined ? {} : { issues: problem.more.issues }),
    ...(problem.more.stored === undefined ? {} : { stored: problem.more.stored }),
  });
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(body));
};

/** Errors that body parsing and routing raise themselves carry a 4xx status. */
interface StatusError {
  readonly status: number;
  readonly type?: string;
}

function asProblem(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof ZodError) {
    const issues = issuesOf(error);
    return new HttpProblem(400, 'The request cannot be read', worded(issues), { issues });
  }
  if (isStatusError(error)) {
    if (error.type === 'entity.too.large') return new HttpProblem(413, 'Too large', 'body: a plan of up to 4 MB would do.');
    if (error.type === 'entity.parse.failed') return new HttpProblem(400, 'Not JSON', `body: ${(error as unknown as Error).message}`);
    return new HttpProblem(error.status, 'The request cannot be read', (error as unknown as Error).message);
  }
  return new HttpProblem(500, 'Something broke here', 'The server made a mistake; your plan was not changed. The log says more.');
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
