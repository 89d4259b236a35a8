import { vi } from 'vitest';

/** What the browser's database keeps, in tests: it outlives a page that is loaded again. */
export const keptDrafts = new Map<string, unknown>();
/** Whether it takes any more. */
export const browserStore = { isFull: false };

vi.mock('idb-keyval', () => ({
  createStore: () => null,
  keys: () => Promise.resolve([...keptDrafts.keys()]),
  get: (key: string) => Promise.resolve(structuredClone(keptDrafts.get(key))),
  set: (key: string, value: unknown) => {
    if (browserStore.isFull) return Promise.reject(new DOMException('full', 'QuotaExceededError'));
    keptDrafts.set(key, structuredClone(value));
    return Promise.resolve();
  },
  del: (key: string) => Promise.resolve(void keptDrafts.delete(key)),
}));
