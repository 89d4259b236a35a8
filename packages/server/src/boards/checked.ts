import type { Knex } from 'knex';
import { createHash } from 'node:crypto';
import { z } from 'zod';
import { PlanSchema } from '@spare-acre/core/plan/schema';
import { HttpProblem, unreadable } from '../problems';
import type { Readers } from '../reading/readers';
import { type ListedBoard, type StoredBoard, keepCard, listBoards, markChecked, readBoard } from './boards';

/** The check that plans pass today: it changes with the schema, and what passed another one is checked again. */
const SCHEMA_HASH = createHash('sha256')
  .update(JSON.stringify(z.toJSONSchema(PlanSchema, { io: 'input', unrepresentable: 'any' })))
  .digest('hex')
  .slice(0, 16);

/** The mark of a plan checked under a revision. @param revision with it a new plan has a new mark, and the database drops any that stayed the same */
export const markOf = (revision: number): string => `${SCHEMA_HASH}-${revision}`;

/** The shelf, each board with what is wrong with its plan, if anything; only what nobody has checked yet is read. */
export async function checkedList(db: Knex, readers: Readers): Promise<readonly ListedBoard[]> {
  const checked: ListedBoard[] = [];
  for (const board of await listBoards(db)) {
    if (board.checked === markOf(board.revision) && (board.card !== null || board.faults !== null)) checked.push(board);
    else {
      const stored = await readBoard(db, board.id);
      if (stored !== null) checked.push({ ...board, ...(await withCard(db, readers, await settled(db, readers, stored))) });
    }
  }
  return checked;
}

/** A sound board with what its card shows, computed where it was not kept yet. */
async function withCard(db: Knex, readers: Readers, stored: StoredBoard): Promise<StoredBoard> {
  if (stored.card !== null || stored.faults !== null) return stored;
  const cardText = await readers.read('storedCard', stored.planText);
  await keepCard(db, stored, cardText);
  return { ...stored, card: JSON.parse(cardText) as StoredBoard['card'] };
}

/** A board as JSON for an answer. @throws HttpProblem 500 where its stored plan cannot be read */
export async function boardText(db: Knex, readers: Readers, stored: StoredBoard): Promise<string> {
  const { id, revision, savedAt, planText, recordText, faults } = await settled(db, readers, stored);
  if (faults !== null) throw unreadable(faults);
  return `{"id":"${id}","revision":${revision},"savedAt":"${savedAt}","plan":${planText},"record":${recordText}}`;
}

/** An earlier version as JSON: kept as it was saved, so brought forward whenever it is read. */
export async function revisionText(readers: Readers, stored: StoredBoard): Promise<string> {
  const { id, revision, savedAt, recordText } = stored;
  const planText = await readers.read('storedPlan', stored.planText).catch((error: unknown) => {
    throw unreadable(issuesIn(error));
  });
  return `{"id":"${id}","revision":${revision},"savedAt":"${savedAt}","plan":${planText},"record":${recordText}}`;
}

/** A stored board whose mark holds, or that has just been checked and marked. */
async function settled(db: Knex, readers: Readers, stored: StoredBoard): Promise<StoredBoard> {
  const mark = markOf(stored.revision);
  if (stored.checked === mark) return stored;
  try {
    const planText = await readers.read('storedPlan', stored.planText);
    await markChecked(db, stored, { mark, planText });
    return { ...stored, planText, checked: mark, faults: null };
  } catch (error) {
    const faults = issuesIn(error);
    await markChecked(db, stored, { mark, faults });
    return { ...stored, checked: mark, faults };
  }
}

/** What a reader found wrong. @throws the error itself where it is no finding */
function issuesIn(error: unknown): NonNullable<HttpProblem['more']['issues']> {
  if (error instanceof HttpProblem && error.more.issues !== undefined) return error.more.issues;
  throw error;
}
