import { type Ref, ref, shallowRef, watch } from 'vue';
import { proxy } from 'comlink';
import type { Evenings } from '@spare-acre/core/schedule/tasks';
import { usePlan } from '../../stores/board/plan';
import { searches } from '../../workers/searches';

/** A longer search for an order of tasks: it shows what it has, stops when told, and is kept in the plan when it is through earlier. */
export interface BetterEvenings {
  readonly isRunning: Ref<boolean>;
  readonly progress: Ref<Evenings | null>;
  readonly fault: Ref<string>;
  readonly outcome: Ref<string>;
  readonly start: () => Promise<void>;
  readonly stop: () => void;
}

/** Earlier by less than this is as early: a plan is told to the minute. */
const SAME_MIN = 0.5;

export function useBetterEvenings(): BetterEvenings {
  const store = usePlan();
  const isRunning = ref(false);
  const progress = shallowRef<Evenings | null>(null);
  const [fault, outcome] = [ref(''), ref('')];
  let turn = 0;
  const stop = (): void => void (turn += 1);
  // Other work is other evenings; what a search of it found is void.
  watch(
    () => store.slices.steps,
    () => {
      if (isRunning.value) stop();
      else outcome.value = '';
    },
  );

  async function start(): Promise<void> {
    if (store.plan === null) return;
    const mine = ++turn;
    const of = store.slices.steps;
    [isRunning.value, progress.value, fault.value, outcome.value] = [true, null, '', ''];
    let last: Evenings | null = null;
    try {
      await searches().betterEvenings(
        proxy((step: Evenings) => {
          if (mine !== turn) return false;
          [last, progress.value] = [step, step];
          return true;
        }),
      );
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
    isRunning.value = false;
    // Told to stop, the search still leaves its best.
    if (last !== null && store.slices.steps === of) keep(last);
  }

  function keep({ order, spared, throughMin, text, isProven }: Evenings): void {
    const before = store.slices.days?.ready;
    const sure = isProven ? ' No schedule can finish earlier.' : '';
    if (before == null || throughMin > before.at.value - SAME_MIN) {
      outcome.value = `No earlier finish was found. The schedule stays.${sure}`;
      return;
    }
    fault.value = store.edit({ code: 'calendar/arrange', order: [...order], spared });
    if (fault.value === '') outcome.value = `Ready ${text} instead of ${before.text}.${sure}`;
  }
  return { isRunning, progress, fault, outcome, start, stop };
}
