import { v4 as uuid } from 'uuid';
import { type UseStore, createStore, del, entries, get, set } from 'idb-keyval';
import type { Deed, KeptDeed } from '@spare-acre/core/schedule/bench';

/** A picture that goes with a deed. */
export interface Photo {
  readonly id: string;
  readonly file: Blob;
}
/** A deed that the server does not have yet. */
export interface Waiting {
  readonly deed: Deed;
  /** Sent before it. */
  readonly photos: readonly Photo[];
  /** What the server has against it; null for what only waits. */
  readonly refused: string | null;
}

let opened: UseStore | null = null;
const inStore = async <T>(use: (store: UseStore) => Promise<T>): Promise<T> => use((opened ??= createStore('spare-acre-bench', 'kept')));
const waitingKey = (boardId: string, { atMs, id }: Deed): string => `waiting/${boardId}/${String(atMs).padStart(16, '0')}/${id}`;
const journalKey = (boardId: string): string => `journal/${boardId}`;

/** Keeps a deed on this device until the server has it. @throws where the browser keeps nothing */
export const keepWaiting = (boardId: string, waiting: Waiting): Promise<void> =>
  inStore((store) => set(waitingKey(boardId, waiting.deed), waiting, store));
export const dropWaiting = (boardId: string, deed: Deed): Promise<void> => inStore((store) => del(waitingKey(boardId, deed), store));
/** What waits on this device, whichever tab did it, in the order in which it was done: keys come in their order, and begin with the time. */
export async function listWaiting(boardId: string): Promise<readonly Waiting[]> {
  const all = await inStore((store) => entries<string, Waiting>(store)).catch((): [string, Waiting][] => []);
  return all.filter(([key]) => key.startsWith(`waiting/${boardId}/`)).map(([, waiting]) => waiting);
}

/** What waits on this device for all boards, board by board, each in the order in which it was done. */
export async function listAllWaiting(): Promise<ReadonlyMap<string, readonly Waiting[]>> {
  const all = await inStore((store) => entries<string, Waiting>(store)).catch((): [string, Waiting][] => []);
  const boards = new Map<string, Waiting[]>();
  for (const [key, waiting] of all) {
    const [kind, boardId] = key.split('/');
    if (kind === 'waiting') boards.set(boardId!, [...(boards.get(boardId!) ?? []), waiting]);
  }
  return boards;
}

/** What the server told last, for a page that is opened without it. */
export const keepJournal = (boardId: string, deeds: readonly KeptDeed[]): Promise<void> =>
  inStore((store) => set(journalKey(boardId), deeds, store)).catch(() => undefined);
export const knownJournal = async (boardId: string): Promise<readonly KeptDeed[]> =>
  (await inStore((store) => get<readonly KeptDeed[]>(journalKey(boardId), store)).catch(() => undefined)) ?? [];

const DEVICE = 'spare-acre/device';
/** This device's own name, told to nobody but the server. */
export function deviceId(): string {
  const known = localStorage.getItem(DEVICE);
  if (known !== null) return known;
  const id = uuid();
  localStorage.setItem(DEVICE, id);
  return id;
}
