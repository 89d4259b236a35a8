import { workerData } from 'piscina';
import { z } from 'zod';
import { boardSummary } from '@spare-acre/core/plan/summary';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { type OwnCatalogue, type OwnEntry, bareEntry, isKind, withEntries, withEntry } from '@spare-acre/core/catalogue/editing';
import { migrated } from '@spare-acre/core/plan';
import { checkBoardFile } from '@spare-acre/core/plan/stored/file';
import { PlanSchema } from '@spare-acre/core/plan/schema';
import { CreateBoard, ManyEntries, SavePlan } from '@spare-acre/core/io/wire';
import { badEntry } from '../own/bad-entry';
import { HttpProblem, type Problem, badPlan, problemOf } from '../problems';
import { soundPicture } from '../pictures/decoding';
import { parseJson } from './json';

/**
 * What takes long, done in threads of its own: reading plans and pictures that come in. Each function answers with what it read or with what is wrong,
 * since an error loses its kind on the way out of a thread.
 */
export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

/** A board that passed every check, as it is stored: nobody needs its insides. */
export interface SoundBoard {
  readonly name: string;
  readonly planText: string;
  readonly recordText: string;
  /** What its card shows, as JSON. */
  readonly cardText: string;
}
export interface SoundSave extends SoundBoard {
  readonly revision: number;
  readonly changes: readonly string[];
}
/** What is stored, as text. */
export interface StoredText {
  readonly planText: string;
  readonly recordText: string;
}

const { ours } = workerData as { readonly ours: Catalogue };
let catalogue = ours;
let edition = -1;
/** Takes the builder's own entries in, once an edition. */
export function settle(kept: { readonly edition: number; readonly own: OwnCatalogue }): void {
  if (kept.edition === edition) return;
  ({ catalogue } = withEntries(ours, kept.own));
  ({ edition } = kept);
}

/** A board as the page sends a new one. */
export const newBoard = (bytes: Uint8Array): Outcome<SoundBoard> =>
  told(() => {
    const { plan, record } = CreateBoard.parse(parseJson(bytes));
    // Plans of earlier versions say themselves what was cut of them.
    return sound(record === undefined || typeof plan !== 'object' ? plan : { ...plan, record });
  });

/** A board's file, as it was exported. */
export const boardFile = (bytes: Uint8Array): Outcome<SoundBoard> => told(() => sound(parseJson(bytes)));

/** A save with the revision it grew from. */
export const save = (bytes: Uint8Array): Outcome<SoundSave> =>
  told(() => {
    const { revision, plan, changes } = SavePlan.parse(parseJson(bytes));
    return { ...sound(plan), revision, changes };
  });

/** A stored plan brought forward to this version, as text. */
export const storedPlan = (planText: string): Outcome<string> =>
  told(() => JSON.stringify(Stored.parse({ plan: migrated(JSON.parse(planText)) }).plan));
const Stored = z.object({ plan: PlanSchema });
/** What the card of a stored plan shows, as text: for plans from before it was kept beside them. */
export const storedCard = (planText: string): Outcome<string> =>
  told(() => JSON.stringify(boardSummary(Stored.parse({ plan: migrated(JSON.parse(planText)) }).plan)));

/** Entries of one's own that a file brought, each checked against the catalogue with those before it. */
export const ownEntries = (bytes: Uint8Array): Outcome<readonly OwnEntry[]> =>
  told(() => {
    const bare = ManyEntries.parse(parseJson(bytes)).entries.map(({ kind, id, entry }) => ({ kind, id, body: bareEntry(entry) }));
    let known = catalogue;
    for (const entry of bare) {
      if (!isKind(entry.kind)) throw new HttpProblem(422, 'No such kind', `“${String(entry.kind)}” is not a kind of entry.`);
      const tried = withEntry(known, entry);
      if (!tried.ok) throw badEntry(entry.kind, tried.issues, `${entry.id}, `);
      known = tried.catalogue;
    }
    return bare;
  });

/** The file of a board as it is stored, sound or not, for a person to read. */
export const exported = ({ planText, recordText }: StoredText): Outcome<string> =>
  told(() => {
    const plan = migrated(JSON.parse(planText));
    const record = JSON.parse(recordText) as unknown;
    return JSON.stringify(typeof plan === 'object' ? { ...plan, record } : plan, null, 1);
  });

/** A picture that is whole, no larger than it needs to be. */
export const picture = async (bytes: Uint8Array): Promise<Outcome<Awaited<ReturnType<typeof soundPicture>>>> => {
  try {
    return { ok: true, value: await soundPicture(bytes) };
  } catch (error) {
    return { ok: false, problem: problemOf(error) };
  }
};

function sound(raw: unknown): SoundBoard {
  const checked = checkBoardFile(raw, catalogue);
  if (!checked.ok) throw badPlan(checked.problem.issues);
  const { plan, record } = checked.value;
  return {
    name: plan.name,
    planText: JSON.stringify(plan),
    recordText: JSON.stringify(record),
    cardText: JSON.stringify(boardSummary(plan)),
  };
}

function told<T>(work: () => T): Outcome<T> {
  try {
    return { ok: true, value: work() };
  } catch (error) {
    return { ok: false, problem: problemOf(error) };
  }
}
