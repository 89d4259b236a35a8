import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { createPinia, setActivePinia } from 'pinia';
import { vi } from 'vitest';
import { brinefold } from '@spare-acre/core/demo';
import { WORKSHOP_CATALOGUE } from '@spare-acre/core/catalogue/workshop';
import type { Plan } from '@spare-acre/core/plan';
import type { OwnedCatalogue, StoredBoard } from '../stores/device/client';

/** The world around the web app in tests: a server that is a function, locks, and a worker that is not a thread. */
export const CATALOGUE = WORKSHOP_CATALOGUE;
/** What a server tells of a catalogue that nobody has made their own yet. */
export const CATALOGUE_ANSWER: OwnedCatalogue = {
  edition: 'first',
  catalogue: CATALOGUE,
  own: [],
  leftOut: [],
  hand: [],
  pictures: [],
  terms: 'british',
};
export const BOARD_ID = '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111';

export const aStoredBoard = (plan: Plan = brinefold(CATALOGUE), revision = 1): StoredBoard => ({
  id: BOARD_ID,
  revision,
  savedAt: '2026-11-24T05:00:00.000Z',
  plan,
  record: NOTHING_DONE,
});

/** What a request is answered with: a status and a body, or null for no server at all. */
export type Answer = { readonly status: number; readonly body: unknown } | null;
export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** Replaces fetch. @returns the list that every request is added to */
export function aServer(answer: (asked: Asked) => Answer | Promise<Answer>): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal('fetch', async (url: string, { method = 'GET', body }: { method?: string; body?: string } = {}) => {
    const request = { method, path: url, body: body === undefined ? undefined : (JSON.parse(body) as unknown) };
    asked.push(request);
    const given = await answer(request);
    if (given === null) throw new TypeError('fetch failed');
    return new Response(given.status === 204 ? null : JSON.stringify(given.body), { status: given.status });
  });
  return asked;
}

/** Replaces the browser's locks with a set of names. */
export function someLocks(held: Set<string> = new Set()): Set<string> {
  vi.stubGlobal('navigator', {
    ...navigator,
    locks: {
      query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
      request: (name: string, _options: unknown, take: (lock: unknown) => unknown) => {
        const isFree = !held.has(name);
        if (isFree) held.add(name);
        return Promise.resolve(take(isFree ? { name } : null));
      },
    },
  });
  return held;
}

/** A fresh set of stores, and no draft of an earlier test. */
export function freshStores(): void {
  localStorage.clear();
  setActivePinia(createPinia());
}

/** Lets promises that are ready run. */
export const settled = async (): Promise<void> => {
  for (let i = 0; i < 20; i++) await Promise.resolve();
};
