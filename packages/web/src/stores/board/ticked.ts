import { type ComputedRef, computed, shallowRef } from 'vue';
import type { Board } from '@spare-acre/core/plan';

type DoneTasks = Board['record']['doneTasks'];
/** Who keeps what is done, once it is there: the journal of the bench. */
export interface Ticks {
  readonly doneTasks: ComputedRef<DoneTasks>;
  /** An edit, or an undo, ticked tasks or took ticks back. */
  readonly change: (from: DoneTasks, to: DoneTasks) => void;
}

/** The open board. What is done of it is kept in one place: with the board as it came, and by the bench from when that has its journal. */
export function useTickedBoard() {
  const drawn = shallowRef<Board | null>(null);
  const ticks = shallowRef<Ticks | null>(null);
  const board = computed<Board | null>(() => {
    const own = drawn.value;
    const doneTasks = ticks.value?.doneTasks.value;
    return own === null || doneTasks === undefined || doneTasks === own.record.doneTasks
      ? own
      : { ...own, record: { ...own.record, doneTasks } };
  });
  function put(next: Board | null): void {
    const before = board.value;
    if (next === null) ticks.value = null;
    drawn.value = next;
    if (before !== null && next !== null && next.record.doneTasks !== before.record.doneTasks)
      ticks.value?.change(before.record.doneTasks, next.record.doneTasks);
  }
  /** @param by null where nobody keeps them but the board itself */
  const ticksBy = (by: Ticks | null): void => void (ticks.value = by);
  return { board, put, ticksBy };
}
