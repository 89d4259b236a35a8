import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { watch } from 'vue';
import { brinefold } from '@spare-acre/core/demo';
import type { KeptDeed } from '@spare-acre/core/schedule/bench';
import type { LogEntry } from '@spare-acre/core/learning/logbook';
import {
  type Answer,
  type Asked,
  BOARD_ID,
  CATALOGUE,
  CATALOGUE_ANSWER,
  aServer,
  aStoredBoard,
  freshStores,
  someLocks,
} from '../../testing/world';
import { useBench } from './index';
import { useLogbook } from './logbook';
import { usePlan } from '../board/plan';

vi.mock('../../workers/reckoning', () => ({
  Reckoning: class {
    open = (): void => undefined;
    look = (): void => undefined;
    change = (): void => undefined;
  },
}));
const entry = (n: number): LogEntry => ({
  id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
  taskId: null,
  name: `Note ${n}`,
  day: '2026-11-30',
  who: '',
  figures: [],
  note: 'said',
  photoIds: [],
  air: null,
  mishap: null,
});
const WAIT = { timeout: 5_000, interval: 10 };

let deeds: KeptDeed[];
let log: LogEntry[];
let isRefused: boolean;
/** Answers to the log that are held back until they are let go. */
let held: (() => void)[];
let isHeld: boolean;

function answer({ method, path, body }: Asked): Answer | Promise<Answer> {
  const ok = (told: unknown): Answer => ({ status: 200, body: told });
  if (path.endsWith('/catalogue')) return ok(CATALOGUE_ANSWER);
  if (path.endsWith('/rack')) return ok({ offcuts: [] });
  if (path.endsWith('/hand')) return ok({ corrections: [], refused: [] });
  if (path.includes('/log/') && method === 'DELETE') {
    log = log.filter(({ id }) => !path.endsWith(id));
    return { status: 204, body: null };
  }
  if (path.includes('/log?after=')) {
    const all = (): object => ({ entries: log, deletedIds: [], turn: log.length });
    if (!isHeld) return ok(all());
    // As it was when it was asked for.
    const told = ok(all());
    return new Promise((done) => held.push(() => done(told)));
  }
  if (path.includes('/deeds') && method === 'POST') {
    const sent = (body as { deeds: KeptDeed['deed'][] }).deeds;
    if (isRefused) return { status: 400, body: { type: 'about:blank', title: 'Not so', status: 400, detail: 'It says nothing.' } };
    const taken = sent.map((deed, i) => ({ turn: deeds.length + i + 1, deed }));
    deeds.push(...taken);
    for (const { act } of sent) if (act.kind === 'note') log = [...log, act.entry];
    return ok({ deeds: taken });
  }
  if (path.includes('/deeds')) return ok({ deeds: [] });
  return ok(aStoredBoard(brinefold(CATALOGUE), 1));
}

beforeEach(() => {
  someLocks();
  freshStores();
  [deeds, log, held, isHeld, isRefused] = [[], [entry(1)], [], false, false];
});
afterEach(() => vi.unstubAllGlobals());

async function aLogbook() {
  aServer(answer);
  const store = usePlan();
  await store.open(BOARD_ID);
  const bench = useBench();
  await vi.waitFor(() => expect(bench.boardId).toBe(BOARD_ID), WAIT);
  const logbook = useLogbook();
  await logbook.load(BOARD_ID);
  /** What is shown, each time that it changes. */
  const shown: string[] = [];
  watch(
    () => logbook.entries.map(({ name }) => name).join(', '),
    (names) => shown.push(names),
    { flush: 'sync' },
  );
  return { logbook, bench, shown };
}

test('what was written down stands there at once and never blinks while the log is read anew', async () => {
  const { logbook, bench, shown } = await aLogbook();
  isHeld = true;
  logbook.add(entry(2));
  expect(shown).toEqual(['Note 1, Note 2']);
  await vi.waitFor(() => expect(bench.waiting).toEqual([]), WAIT);
  await vi.waitFor(() => expect(held.length).toBeGreaterThan(0), WAIT);
  expect(logbook.entries).toHaveLength(2);
  isHeld = false;
  held.forEach((go) => go());
  await vi.waitFor(() => expect(log).toHaveLength(2), WAIT);
  await new Promise((done) => setTimeout(done, 50));
  expect(shown.every((names) => names === 'Note 1, Note 2')).toBe(true);
});

test('what is struck out is gone, and does not come back with what was just sent', async () => {
  const { logbook, bench } = await aLogbook();
  isHeld = true;
  logbook.add(entry(2));
  await vi.waitFor(() => expect(held.length).toBeGreaterThan(0), WAIT);
  isHeld = false;
  await logbook.remove(BOARD_ID, entry(2).id);
  // What was asked for before it comes in after it.
  held.forEach((go) => go());
  await new Promise((done) => setTimeout(done, 30));
  expect(bench.waiting).toEqual([]);
  expect(logbook.entries.map(({ name }) => name)).toEqual(['Note 1']);
});

test('what the server refused is not told as written down', async () => {
  const { logbook, bench } = await aLogbook();
  isRefused = true;
  logbook.add(entry(2));
  await vi.waitFor(() => expect(bench.refused).toHaveLength(1), WAIT);
  expect(logbook.entries.map(({ name }) => name)).toEqual(['Note 1']);
});
