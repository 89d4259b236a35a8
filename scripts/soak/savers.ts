import { aBoard } from '@spare-acre/core/testing';
import { pause } from './processes';

/** Saves that a server has acknowledged, and whether it still knows them. */
export interface Savers {
  readonly stop: () => Promise<void>;
  readonly acknowledged: () => number;
  /** @returns acknowledged saves that are not in the history as they were sent, or acknowledged twice */
  readonly lost: () => Promise<number>;
}

const SAVERS = 6;
/** A hand draws between two saves, however little. */
const DRAWING_MS = 40;
const plan = (name: string): unknown => JSON.parse(JSON.stringify(aBoard({ name })));

interface Saved {
  readonly revision: number;
  readonly stored?: { readonly revision: number };
}
type Told<T> = { readonly status: number; readonly body: T } | null;

async function ask<T>(url: string, method: string, body?: unknown): Promise<Told<T>> {
  try {
    const answer = await fetch(url, {
      method,
      signal: AbortSignal.timeout(25_000),
      ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
    });
    return { status: answer.status, body: (await answer.json()) as T };
  } catch {
    return null; // killed while it answered
  }
}

/** Several hands that save their own boards over and over, through every kill. @param base address of the API, which may be away now and then */
export async function startSavers(base: string, seed: string): Promise<Savers> {
  const kept: { readonly board: string; readonly revision: number; readonly name: string }[] = [];
  let isStopping = false;
  let twice = 0;

  async function hand(nr: number): Promise<void> {
    let board: { id: string; revision: number } | null = null;
    for (let i = 0; !isStopping; i++) {
      if (board === null) {
        const made = await ask<{ id: string; revision: number }>(`${base}/boards`, 'POST', { plan: plan(`${seed} ${nr}`) });
        if (made?.status === 201) board = made.body;
        else await pause(100);
        continue;
      }
      await pause(DRAWING_MS);
      const name = `${seed} ${nr} ${i}`;
      const saved: Told<Saved> = await ask<Saved>(`${base}/boards/${board.id}/plan`, 'PUT', { revision: board.revision, plan: plan(name) });
      if (saved?.status === 200) {
        if (saved.body.revision !== board.revision + 1) twice += 1;
        board = { id: board.id, revision: saved.body.revision };
        kept.push({ board: board.id, revision: board.revision, name });
      } else if (saved?.status === 409) {
        // One whose answer was lost with the server, found again as it was sent.
        board = { id: board.id, revision: saved.body.stored!.revision };
      } else await pause(60);
    }
  }
  const hands = Promise.all(Array.from({ length: SAVERS }, (_, nr) => hand(nr)));
  return {
    acknowledged: () => kept.length,
    async stop() {
      isStopping = true;
      await hands;
    },
    async lost() {
      let lost = twice;
      for (const { board, revision, name } of kept) {
        const known = await ask<{ plan: { name: string } }>(`${base}/boards/${board}/history/${revision}`, 'GET');
        if (known?.status !== 200 || known.body.plan.name !== name) lost += 1;
      }
      return lost;
    },
  };
}
