import { randomUUID } from 'node:crypto';
import { aBoard } from '@spare-acre/core/testing';
import { pause } from './processes';

/** Writes of every kind but plans, acknowledged by one of several servers, and whether each is there once. */
export interface Writers {
  readonly stop: () => Promise<void>;
  readonly acknowledged: () => number;
  /** Answers that were neither taken nor a server that was away. */
  readonly failed: () => number;
  /** How many of each kind. */
  readonly kinds: () => string;
  readonly lost: () => Promise<number>;
}

const DAY = '2026-12-01';
const places = [{ partId: 'p', xMm: 0, yMm: 0, boxWidthMm: 9, boxDepthMm: 9, areaMm2: 81, turned: false, half: false }];
/** Each kind: where it is sent, and where it is found again. */
const KINDS = {
  deed: (board: string, id: string) => ({
    method: 'POST',
    path: `/boards/${board}/deeds`,
    body: { deeds: [{ id, device: randomUUID(), seen: 0, atMs: 1, day: DAY, act: { kind: 'begin', taskId: `t${id}` } }] },
    found: `/boards/${board}/deeds`,
  }),
  note: (board: string, id: string) => ({
    method: 'POST',
    path: `/boards/${board}/log`,
    body: {
      entries: [{ id, taskId: null, name: 'Note', day: DAY, who: '', figures: [], note: 'said', photoIds: [], air: null, mishap: null }],
    },
    found: `/boards/${board}/log`,
  }),
  shelf: (_board: string, id: string) => ({
    method: 'POST',
    path: '/shelf',
    body: {
      moves: [{ id, stockId: 'adhesives.superglue', kind: 'bought', amount: 1, day: DAY, boardId: null, paidMinor: null, note: '' }],
    },
    found: '/shelf',
  }),
  sheet: (board: string, id: string) => ({
    method: 'PUT',
    path: `/boards/${board}/cut-sheets/${id}`,
    body: { id, materialId: 'mdf', thicknessMm: 6, number: 1, widthMm: 99, depthMm: 99, offcutId: null, places },
    found: `/boards/${board}`,
  }),
  prices: () => ({ method: 'POST', path: '/shops/ask', body: undefined, found: null }),
} as const;
type Kind = keyof typeof KINDS;

async function ask(url: string, method: string, body?: unknown): Promise<{ status: number; text: string } | null> {
  try {
    const answer = await fetch(url, {
      method,
      signal: AbortSignal.timeout(25_000),
      ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
    });
    return { status: answer.status, text: await answer.text() };
  } catch {
    return null; // killed while it answered
  }
}

/** One hand a kind and server; what got no answer is sent again until it has one. @param bases addresses of the API, of which all but the first may be away now and then */
export async function startWriters(bases: readonly string[]): Promise<Writers> {
  const made = await ask(`${bases[0]!}/boards`, 'POST', { plan: JSON.parse(JSON.stringify(aBoard({ name: 'Writers' }))) as unknown });
  const board = (JSON.parse(made!.text) as { id: string }).id;
  const kept: { readonly kind: Kind; readonly id: string; readonly found: string | null }[] = [];
  let [isStopping, failed] = [false, 0];
  async function hand(kind: Kind, base: string): Promise<void> {
    while (!isStopping) {
      const id = randomUUID();
      const { method, path, body, found } = KINDS[kind](board, id);
      for (;;) {
        const answer = await ask(base + path, method, body);
        if (answer !== null && answer.status < 300) {
          kept.push({ kind, id, found });
          break;
        }
        // Away, or just starting: the same again, which counts once.
        if (answer !== null && answer.status !== 503) {
          failed += 1;
          break;
        }
        if (isStopping) break;
        await pause(80);
      }
      await pause(kind === 'prices' ? 400 : 60);
    }
  }
  const hands = Promise.all(bases.flatMap((base) => (Object.keys(KINDS) as Kind[]).map((kind) => hand(kind, base))));
  return {
    acknowledged: () => kept.length,
    failed: () => failed,
    kinds: () => (Object.keys(KINDS) as Kind[]).map((kind) => `${kept.filter((one) => one.kind === kind).length} ${kind}`).join(', '),
    async stop() {
      isStopping = true;
      await hands;
    },
    async lost() {
      let lost = 0;
      for (const found of new Set(kept.map((one) => one.found))) {
        if (found === null) continue;
        const all = (await ask(bases[0]! + found, 'GET'))!.text;
        for (const { id } of kept.filter((one) => one.found === found))
          if (all.split(new RegExp(`"id"\\s*:\\s*"${id}"`)).length !== 2) lost += 1;
      }
      return lost;
    },
  };
}
