import { useStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { goOffline, offline } from './offline';

/** What a board needs to be opened without a network. */
const pathsOf = (boardId: string): readonly string[] => [
  ...['/boards', '/catalogue', '/rack', '/shelf', '/air', '/shops', '/hand', '/session'].map((path) => `/api${path}`),
  ...['', '/log?after=0', '/edition'].map((path) => `/api/boards/${boardId}${path}`),
];

/** Boards that this device keeps for use without a network, each with its size; told anew whenever the list of boards is open and the server answers. */
export const useOfflineBoards = defineStore('offline-boards', () => {
  const kept = useStorage<Record<string, number>>('spare-acre/offline-boards', {});
  const fault = ref('');
  const busyId = ref<string | null>(null);

  /** Keeps a board, or what has changed of it. The service worker stores every answer that passes. */
  async function keep(boardId: string): Promise<void> {
    fault.value = '';
    busyId.value = boardId;
    try {
      await goOffline();
      if (offline.value !== 'yes') throw new Error('This device cannot store boards: it does not trust the server’s certificate.');
      const sizes = await Promise.all(pathsOf(boardId).map(async (path) => (await (await fetch(path)).arrayBuffer()).byteLength));
      kept.value = { ...kept.value, [boardId]: sizes.reduce((sum, bytes) => sum + bytes, 0) };
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
    busyId.value = null;
  }
  async function drop(boardId: string): Promise<void> {
    const { [boardId]: _gone, ...others } = kept.value;
    kept.value = others;
    const told = await caches.open('spare-acre-told');
    for (const request of await told.keys())
      if (new URL(request.url).pathname.startsWith(`/api/boards/${boardId}`)) await told.delete(request);
  }
  /** Fetches what was kept once more. */
  async function renew(): Promise<void> {
    for (const boardId of Object.keys(kept.value)) await keep(boardId);
  }
  return { kept, fault, busyId, keep, drop, renew };
});
