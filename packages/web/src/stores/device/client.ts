import {
  BoardCard,
  BoardList,
  CatalogueAnswer,
  CatalogueChanges,
  History,
  type NewOffcut,
  ProblemDetails,
  PutAwayList,
  Rack,
  RackOffcut,
  SavedPlan,
} from '@spare-acre/core/io/wire';
import { type Board, type Plan, withChanges } from '@spare-acre/core/plan';
import type { CutSheet } from '@spare-acre/core/plan/workshop';
import { ref } from 'vue';
import type { z } from 'zod';

export type StoredBoard = Omit<z.infer<typeof BoardCard>, 'plan' | 'record'> & Board;

/** The server answered with a problem. */
export class ServerProblem extends Error {
  constructor(readonly problem: z.infer<typeof ProblemDetails>) {
    super(problem.issues?.map(({ path, message }) => `${path}: ${message}`).join('; ') || problem.detail);
  }
}
/** No answer came, or none that can be read. */
export class NoServer extends Error {}
/** Whether this server wants to know who is asking before it answers: set by the first answer that says so. */
export const isSignInWanted = ref(false);

/** The catalogue as the builder has it, and what of it is their own. */
export type OwnedCatalogue = z.infer<typeof CatalogueAnswer>;
export const fetchCatalogue = (): Promise<OwnedCatalogue> => call(CatalogueAnswer, 'GET', '/catalogue');
/** The same with what changed in it since; what did not stays the same object. */
export async function fetchCatalogueAfter(before: OwnedCatalogue): Promise<OwnedCatalogue> {
  const { changes } = await call(CatalogueChanges, 'GET', `/catalogue/changes?since=${encodeURIComponent(before.edition)}`);
  return changes === null ? fetchCatalogue() : withChanges(before, changes);
}
export const fetchBoards = (): Promise<z.infer<typeof BoardList>> => call(BoardList, 'GET', '/boards');
export const fetchPutAway = async (): Promise<z.infer<typeof PutAwayList>['boards']> =>
  (await call(PutAwayList, 'GET', '/boards/put-away')).boards;
export const exportPath = (id: string): string => `/api/boards/${encodeURIComponent(id)}/export`;
export const fetchBoard = (id: string): Promise<StoredBoard> => call(BoardCard, 'GET', `/boards/${encodeURIComponent(id)}`);
export type Revision = z.infer<typeof History>['revisions'][number];
/** Revisions of a board, the newest first. */
export const fetchHistory = async (id: string): Promise<readonly Revision[]> =>
  (await call(History, 'GET', `/boards/${encodeURIComponent(id)}/history`)).revisions;
export const fetchRevision = (id: string, revision: number): Promise<StoredBoard> =>
  call(BoardCard, 'GET', `/boards/${encodeURIComponent(id)}/history/${revision}`);
/** @param title null takes the name away */
export const nameRevision = (id: string, revision: number, title: string | null): Promise<null> =>
  call(null, 'PUT', `/boards/${encodeURIComponent(id)}/history/${revision}/title`, { title });
export const createBoard = (board: Board): Promise<StoredBoard> => call(BoardCard, 'POST', '/boards', board);
/** @param file parsed JSON of a plan file, of whatever soundness: the server says what is wrong */
export const importBoard = (file: unknown): Promise<StoredBoard> => call(BoardCard, 'POST', '/boards/import', file);
/** @param changes what was done since that revision, by name */
export const savePlan = (id: string, revision: number, plan: Plan, changes: readonly string[]): Promise<z.infer<typeof SavedPlan>> =>
  call(SavedPlan, 'PUT', `/boards/${id}/plan`, { revision, plan, ...(changes.length === 0 ? {} : { changes }) });
/** Ticks a sheet off, or says anew how it was cut. */
export const keepCutSheet = (id: string, sheet: CutSheet): Promise<null> =>
  call(null, 'PUT', `/boards/${id}/cut-sheets/${encodeURIComponent(sheet.id)}`, sheet);
export const dropCutSheet = (id: string, cutSheetId: string): Promise<null> =>
  call(null, 'DELETE', `/boards/${id}/cut-sheets/${encodeURIComponent(cutSheetId)}`);
export const putAway = (id: string): Promise<null> => call(null, 'PUT', `/boards/${id}/put-away`);
export const bringBack = (id: string): Promise<null> => call(null, 'DELETE', `/boards/${id}/put-away`);

export const fetchRack = async (): Promise<readonly RackOffcut[]> => (await call(Rack, 'GET', '/rack')).offcuts;
export const addOffcut = (offcut: NewOffcut): Promise<RackOffcut> => call(RackOffcut, 'POST', '/rack', offcut);
export const removeOffcut = (id: string): Promise<null> => call(null, 'DELETE', `/rack/${encodeURIComponent(id)}`);

/** Longer than the server waits for its database. */
const TIMEOUT_MS = 20_000;

/** What this page has asked for so far: what it must have to be opened again without a network. */
export const askedFor = new Set<string>();

export async function call<Schema extends z.ZodType | null>(
  schema: Schema,
  method: string,
  path: string,
  body?: unknown,
): Promise<Schema extends z.ZodType ? z.infer<Schema> : null> {
  if (method === 'GET') askedFor.add(`/api${path}`);
  let answer: Response;
  let read: unknown;
  try {
    answer = await fetch(`/api${path}`, { method, signal: AbortSignal.timeout(TIMEOUT_MS), ...(body === undefined ? {} : sent(body)) });
    read = answer.status === 204 ? null : await answer.json();
  } catch (error) {
    throw new NoServer('The server does not answer.', { cause: error });
  }
  if (answer.status === 401) isSignInWanted.value = true;
  if (!answer.ok) throw problemIn(read);
  return (schema === null ? null : schema.parse(read)) as Schema extends z.ZodType ? z.infer<Schema> : null;
}

/** What lies between, a proxy say, answers in words of its own. */
function problemIn(read: unknown): ServerProblem | NoServer {
  const problem = ProblemDetails.safeParse(read);
  return problem.success ? new ServerProblem(problem.data) : new NoServer('The server does not answer.');
}

/** A file goes as its bytes, anything else as JSON. */
const sent = (body: unknown): RequestInit =>
  body instanceof Blob
    ? { body, headers: { 'Content-Type': 'application/octet-stream' } }
    : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } };
