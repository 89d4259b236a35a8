import { useIntervalFn, useStorage } from '@vueuse/core';
import { format } from 'date-fns';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { usePlan } from '../board/plan';

const LOOK_MS = 500;
/** A board on which time goes faster: where it stood, and how it went on. */
interface Faster {
  readonly boardId: string;
  readonly fromMs: number;
  readonly atMs: number;
  readonly rate: number;
}

/** The clock at the bench: this machine's, but for a board to practise on, where an evening passes in a minute. */
export const useClock = defineStore('clock', () => {
  const plans = usePlan();
  const faster = useStorage<Faster | null>('spare-acre/practice-clock', null, undefined, {
    serializer: { read: (text) => JSON.parse(text) as Faster, write: JSON.stringify },
  });
  const own = computed(() => (faster.value !== null && faster.value.boardId === plans.boardId ? faster.value : null));
  const now = (): number => {
    const real = Date.now();
    return own.value === null ? real : Math.round(own.value.atMs + (real - own.value.fromMs) * own.value.rate);
  };
  const nowMs = ref(now());
  const look = (): void => void (nowMs.value = now());
  useIntervalFn(look, LOOK_MS);
  /** From here on so many times as fast. @param onMs set on by so much first */
  function go(boardId: string, rate: number, onMs = 0): void {
    faster.value = { boardId, fromMs: Date.now(), atMs: now() + onMs, rate };
    look();
  }
  return {
    /** As it was last looked at; looked at again by `now`. */
    nowMs,
    rate: computed(() => own.value?.rate ?? 1),
    now,
    today: (): string => format(now(), 'yyyy-MM-dd'),
    go,
  };
});
