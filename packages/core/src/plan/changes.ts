import { dequal } from 'dequal';
import type { Board } from './board';
import type { Plan } from './plan';

/** One step of the way to a value inside a board: a key, or the entry of a list that is named by one of its fields. */
export type Step = string | { readonly key: ListKey; readonly is: string };
/** Fields that name an entry of a list. The first that all entries have, each with a text of its own, names them. */
const LIST_KEYS = ['id', 'taskId', 'jobKey', 'partId', 'role', 'name'] as const;
type ListKey = (typeof LIST_KEYS)[number];

/** What an edit did at one place of a board: plain data that can be applied again, reversed, kept and sent. */
export interface Change {
  readonly at: readonly Step[];
  /** Undefined where there was nothing. */
  readonly was: unknown;
  /** Undefined where nothing is left. */
  readonly now: unknown;
  /** For an entry of a list: the one it stands behind; null for the first. */
  readonly behind?: string | null;
  /** `was` and `now` are the names of a list's entries in their order, and only the order changed. */
  readonly isOrder?: true;
}

/**
 * What is different between two boards, or two of any other plain data, as few changes as their structure allows. Parts that are the same object are not looked into, so that the cost is that of what changed.
 * @returns none where both say the same
 */
export function changesBetween<Whole extends object>(before: Whole, after: Whole): readonly Change[] {
  const changes: Change[] = [];
  collect(before, after, [], changes);
  return changes;
}

/** The way back: applied to what the changes led to, it leads to where they began. */
export const reversed = (changes: readonly Change[]): readonly Change[] =>
  changes.map((change) => ({ ...change, was: change.now, now: change.was }));

/** A board, or other data, with changes applied; a change whose place is gone does nothing. What they do not touch stays the same object. */
export function withChanges<Whole extends object>(before: Whole, changes: readonly Change[]): Whole {
  return changes.reduce<unknown>((whole, change) => put(whole, change.at, change), before) as Whole;
}

/** Changes that cannot be applied without undoing what somebody else did: what stands at their place is not what they start from. */
export const blockedChanges = (board: Board, changes: readonly Change[]): readonly Change[] =>
  changes.filter((change) => !fits(board, change));

function fits(board: Board, { at, was, isOrder }: Change): boolean {
  const there = at.reduce<unknown>(stepInto, board);
  if (isOrder !== true) return dequal(there, was);
  const wanted = was as readonly string[];
  const key = listKeyOf(there);
  if (key === null) return false;
  const names = namesIn(there as Entry[], key).filter((name) => wanted.includes(name));
  return dequal(
    names,
    wanted.filter((name) => names.includes(name)),
  );
}

type Entry = Readonly<Record<string, unknown>>;
const isRecord = (value: unknown): value is Entry => typeof value === 'object' && value !== null && !Array.isArray(value);
const namesIn = (list: readonly Entry[], key: ListKey): readonly string[] => list.map((entry) => entry[key] as string);

/** The field that names a list's entries; null for a list of anything else, and for an empty one. */
function listKeyOf(list: unknown): ListKey | null {
  if (!Array.isArray(list) || list.length === 0 || !list.every(isRecord)) return null;
  return (
    LIST_KEYS.find((key) => list.every((entry) => typeof entry[key] === 'string') && new Set(namesIn(list, key)).size === list.length) ??
    null
  );
}

function collect(was: unknown, now: unknown, at: readonly Step[], into: Change[]): void {
  if (was === now) return;
  if (isRecord(was) && isRecord(now)) {
    for (const key of new Set([...Object.keys(was), ...Object.keys(now)])) collect(was[key], now[key], [...at, key], into);
    return;
  }
  if (Array.isArray(was) && Array.isArray(now)) {
    const key = sharedKey(was, now);
    if (key !== null) return collectEntries(was as Entry[], now as Entry[], key, at, into);
  }
  if (!dequal(was, now)) into.push({ at, was, now });
}

/** The field that names the entries of both lists; an empty one goes by the other's. */
function sharedKey(was: readonly unknown[], now: readonly unknown[]): ListKey | null {
  const [one, other] = [listKeyOf(was), listKeyOf(now)];
  if (was.length === 0) return other;
  return now.length === 0 || one === other ? one : null;
}

function collectEntries(was: readonly Entry[], now: readonly Entry[], key: ListKey, at: readonly Step[], into: Change[]): void {
  const [olds, news] = [namesIn(was, key), namesIn(now, key)];
  const [before, after] = [new Map(was.map((entry, i) => [olds[i]!, entry])), new Map(now.map((entry, i) => [news[i]!, entry]))];
  const step = (is: string): readonly Step[] => [...at, { key, is }];
  olds.forEach((name, i) => {
    if (!after.has(name)) into.push({ at: step(name), was: before.get(name), now: undefined, behind: olds[i - 1] ?? null });
  });
  news.forEach((name, i) => {
    if (before.has(name)) collect(before.get(name), after.get(name), step(name), into);
    else into.push({ at: step(name), was: undefined, now: after.get(name), behind: news[i - 1] ?? null });
  });
  const stayed = olds.filter((name) => after.has(name));
  const stayedNow = news.filter((name) => before.has(name));
  if (!dequal(stayed, stayedNow)) into.push({ at, was: stayed, now: stayedNow, isOrder: true });
}

function stepInto(value: unknown, step: Step): unknown {
  if (typeof step === 'string') return isRecord(value) ? value[step] : undefined;
  return Array.isArray(value) ? (value as Entry[]).find((entry) => isRecord(entry) && entry[step.key] === step.is) : undefined;
}

/** The value with a change made at the end of a way into it. */
function put(value: unknown, at: readonly Step[], change: Change): unknown {
  const [step, ...further] = at;
  if (step === undefined) return change.isOrder === true ? inOrder(value, change.now as readonly string[]) : change.now;
  if (typeof step === 'string') {
    if (!isRecord(value)) return value;
    const inner = put(value[step], further, change);
    if (inner === value[step]) return value;
    if (inner !== undefined) return { ...value, [step]: inner };
    const { [step]: _gone, ...rest } = value;
    return rest;
  }
  return Array.isArray(value) ? putEntry(value as readonly Entry[], step, further, change) : value;
}
/** The list with a change made in one of its entries, to it as a whole, or with one more or less. */
function putEntry(list: readonly Entry[], step: Exclude<Step, string>, further: readonly Step[], change: Change): readonly Entry[] {
  const i = list.findIndex((entry) => entry[step.key] === step.is);
  const { now, behind } = change;
  if (further.length > 0 || (now !== undefined && i >= 0)) {
    const inner = i < 0 ? undefined : put(list[i], further, change);
    return i < 0 || inner === list[i] ? list : list.with(i, inner as Entry);
  }
  if (now === undefined) return i < 0 ? list : list.toSpliced(i, 1);
  const at = behind == null ? 0 : list.findIndex((entry) => entry[step.key] === behind) + 1 || list.length;
  return list.toSpliced(at, 0, now as Entry);
}

/** The entries that are named, in that order, in the places that they have among all others. */
function inOrder(value: unknown, names: readonly string[]): unknown {
  const key = listKeyOf(value);
  if (key === null) return value;
  const list = value as readonly Entry[];
  const wanted = names.flatMap((name) => list.find((entry) => entry[key] === name) ?? []);
  const moved = new Set(wanted);
  let next = 0;
  return list.map((entry) => (moved.has(entry) ? wanted[next++]! : entry));
}

/** What the parts of a plan are called where a person reads of them. */
const PART_WORDS: Readonly<Record<keyof Plan, string>> = {
  format: 'the file format',
  version: 'the file format',
  name: 'the name of the board',
  units: 'the units',
  figureHeightMm: 'the figure height',
  seed: 'the seed',
  table: 'the table',
  underlay: 'the picture under the plan',
  play: 'the play settings',
  stack: 'the stack',
  features: 'the features',
  pieces: 'the pieces',
  surfaces: 'the surfaces',
  wears: 'the surface of each kind of ground',
  paints: 'the paints',
  testPieces: 'the test pieces',
  cutting: 'the cutting',
  places: 'the places',
  drying: 'where the board dries',
  driedAt: 'where a tile or piece dries',
  people: 'the people',
  kit: 'the weights and fans',
  buying: 'the buying settings',
  calendar: 'the calendar',
  mends: 'the repairs',
  tableNotes: 'the table notes',
  section: 'the section line',
};

/** What changes are about, each named once: an entry by its own name, all else by its part of the board. */
export function subjectsOf(board: Board, changes: readonly Change[]): readonly string[] {
  return [...new Set(changes.map((change) => subjectOf(board, change)))];
}
function subjectOf(board: Board, { at, was, now }: Change): string {
  const [root, part, entry] = at;
  if (root === 'record') return part === 'doneTasks' ? 'what is done' : 'the cut sheets';
  if (entry !== undefined && typeof entry !== 'string') {
    const found = at.slice(0, 3).reduce<unknown>(stepInto, board) ?? (at.length === 3 ? (was ?? now) : undefined);
    if (isRecord(found) && typeof found['name'] === 'string') return `“${found['name']}”`;
  }
  return PART_WORDS[part as keyof typeof PART_WORDS] ?? 'the board';
}
