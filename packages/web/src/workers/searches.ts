import { type Remote, proxy } from 'comlink';
import { type Ref, ref } from 'vue';
import { wrapMortal } from './mortal';
import { searchedBoard, tellSearches } from './searched-board';
import type { Searches } from './searches.worker';
import type { OnProgress } from './searches/progress';

let remote: Remote<Searches> | null = null;

/** The worker for everything that takes longer than a drag may: made on first use, kept, and told what changed since it was last asked. */
export function searches(): Remote<Searches> {
  if (remote === null) {
    const worker = new Worker(new URL('./searches.worker.ts', import.meta.url), { type: 'module' });
    // The next search starts another, with the whole board.
    ({ remote } = wrapMortal<Searches>(worker, () => {
      remote = null;
      searchedBoard.forget();
    }));
  }
  // Messages arrive in order: what is asked next is asked of the board as it is now.
  tellSearches(remote);
  return remote;
}

/** A search under way: how far it is, and a way to stop it. Starting another stops the one before. */
export interface LongSearch {
  /** 0 to 1; null when nothing runs. */
  readonly share: Ref<number | null>;
  readonly fault: Ref<string>;
  readonly cancel: () => void;
  /** @returns null when it was cancelled, failed, or another was started meanwhile */
  readonly run: <Answer>(search: (onProgress: OnProgress) => Promise<Answer | null>) => Promise<Answer | null>;
}

export function useLongSearch(): LongSearch {
  const share = ref<number | null>(null);
  const fault = ref('');
  let turn = 0;
  return {
    share,
    fault,
    cancel() {
      turn += 1;
      share.value = null;
    },
    async run(search) {
      const mine = ++turn;
      share.value = 0;
      fault.value = '';
      try {
        const answer = await search(
          proxy((done: number, of: number) => {
            if (mine !== turn) return false;
            share.value = of === 0 ? 0 : done / of;
            return true;
          }),
        );
        return mine === turn ? answer : null;
      } catch (error) {
        if (mine === turn) fault.value = error instanceof Error ? error.message : String(error);
        return null;
      } finally {
        if (mine === turn) share.value = null;
      }
    },
  };
}
