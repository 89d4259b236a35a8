import { type ComputedRef, type Ref, ref, shallowRef, watch } from 'vue';
import { type CutJob, openOf } from '@spare-acre/core/build/cutting/job';
import { type Layout, type LayoutProgress, isBetterLayout, isNew, layoutCost } from '@spare-acre/core/build/cutting/nesting';
import { savedFrom } from '@spare-acre/core/build/cutting/saved';
import { proxy } from 'comlink';
import { usePlan } from '../../stores/board/plan';
import { searches } from '../../workers/searches';

/** What the search shows while it goes on. */
export type BetterProgress = LayoutProgress;
/** A longer search for a layout of one job: it shows what it has, stops when told, and is kept in the plan when it is better. */
export interface BetterLayout {
  readonly isRunning: Ref<boolean>;
  readonly progress: Ref<BetterProgress | null>;
  readonly fault: Ref<string>;
  readonly outcome: Ref<string>;
  readonly start: () => Promise<void>;
  readonly stop: () => void;
}

const newSheets = ({ sheets }: Layout): number => sheets.filter(({ stock }) => isNew(stock)).length;

export function useBetterLayout(job: ComputedRef<CutJob | null>): BetterLayout {
  const store = usePlan();
  const isRunning = ref(false);
  const progress = shallowRef<BetterProgress | null>(null);
  const [fault, outcome] = [ref(''), ref('')];
  let turn = 0;

  const stop = (): void => void (turn += 1);
  // The parts of another job, or of another plan, are not those the search is laying out.
  watch(
    [() => job.value?.key, () => job.value?.tool.id, () => store.plan?.features, () => store.plan?.table, () => store.plan?.stack],
    () => {
      stop();
      [progress.value, outcome.value] = [null, ''];
    },
  );

  async function start(): Promise<void> {
    const own = job.value;
    if (own === null || store.plan === null) return;
    const mine = ++turn;
    [isRunning.value, progress.value, fault.value, outcome.value] = [true, null, '', ''];
    let last: BetterProgress | null = null;
    try {
      await searches().betterLayout(
        own.key,
        proxy((step: BetterProgress) => {
          if (mine !== turn) return false;
          [last, progress.value] = [step, step];
          return true;
        }),
      );
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
    isRunning.value = false;
    // Told to stop, the search still leaves its best; only another job or plan makes it void.
    if (last !== null && job.value?.key === own.key) keep(own, (last as BetterProgress).layout);
    progress.value = null;
  }

  function keep(own: CutJob, layout: Layout): void {
    const before = openOf(own).layout;
    if (!isBetterLayout(layout, before, own.aim)) {
      outcome.value = 'No better layout was found. The current one stays.';
      return;
    }
    const fewer = newSheets(before) - newSheets(layout);
    const jobKeys = (store.slices.jobs ?? []).map(({ key }) => key);
    const why = `Lay out ${own.name} again`;
    fault.value = store.edit({ code: 'layout/save', layout: savedFrom(own.key, layout), jobKeys, why });
    if (fault.value !== '') return;
    const isLighter = layoutCost(layout.sheets, own.aim) < layoutCost(before.sheets, own.aim) - 1e-6;
    outcome.value =
      fewer > 0
        ? `${fewer} new ${fewer === 1 ? 'sheet' : 'sheets'} fewer.`
        : isLighter
          ? 'Cheaper sheets.'
          : 'The same number of sheets, with a larger offcut.';
  }
  return { isRunning, progress, fault, outcome, start, stop };
}
