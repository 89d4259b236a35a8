import { computed, ref, shallowRef } from 'vue';
import type { Bare, Figure, Quantity } from '@spare-acre/core/base/units';
import type { Tally } from '@spare-acre/core/pipeline';
import type { Shift } from '@spare-acre/core/schedule/tasks';
import { applyAnswer, placeOf } from '../../workers/answering';
import { Reckoning } from '../../workers/reckoning';
import { searchedBoard } from '../../workers/searched-board';
import type { Look, SliceName, Slices } from '../../workers/slices';
import type { Whole } from '../../workers/told';

const NOTHING_LOOKED_AT: Look = { slices: [], chosen: [] };

/** What the worker has told of the open board, and what it is told of it. */
export function useAnswers() {
  const slices = shallowRef<Slices>({});
  const looked = shallowRef<Look>(NOTHING_LOOKED_AT);
  const isReckoning = ref(false);
  const fault = ref('');
  /** Nothing is calculated any more until the page is loaded again; edits are still taken and saved. */
  const isDead = ref(false);
  let isOpen = false;

  let shownVersion = 0;
  const reckoning = new Reckoning({
    answered(answer, version) {
      // Answers come in order; one to an older plan never replaces one to a newer.
      if (version < shownVersion) return;
      shownVersion = version;
      slices.value = applyAnswer(slices.value, answer);
      fault.value = '';
    },
    failed(error) {
      fault.value = error instanceof Error ? error.message : String(error);
    },
    died() {
      isDead.value = true;
    },
    busy(isBusy) {
      isReckoning.value = isBusy;
    },
  });

  const warnings = computed(() => slices.value.warnings ?? []);
  /** The figures that are always in sight; null before they are known. */
  const tally = computed<Bare<Tally> | null>(() => {
    const { counts, readiness } = slices.value;
    return counts === undefined || readiness === undefined ? null : { ...counts, ...readiness };
  });

  function open(whole: Whole): void {
    isOpen = true;
    reckoning.open(whole, looked.value);
    searchedBoard.open(whole);
  }
  function close(): void {
    isOpen = false;
    slices.value = {};
  }
  /** Tells the workers what became another of the board that they have. */
  function tell(parts: Partial<Whole>): void {
    if (!isOpen) return;
    reckoning.change(parts);
    searchedBoard.become(parts);
  }
  /** Tells what is looked at; what a view no longer shows is no longer sent. */
  function look(names: readonly SliceName[], chosen: readonly string[] = []): void {
    looked.value = { slices: names, chosen };
    if (isOpen) reckoning.look(looked.value);
  }
  /** A figure with its working, asked of the worker where it was told without; null where it is another by now. */
  async function workingOf(figure: Quantity): Promise<Figure | null> {
    const place = placeOf(figure, slices.value);
    return place === null ? null : reckoning.working(place, figure.label);
  }
  /** Why the board is ready at another time than when it was ready at `fromMin`; null where that is no longer known. */
  const shiftSince = (fromMin: number): Promise<Shift | null> => reckoning.shift(fromMin);

  return { slices, looked, isReckoning, fault, isDead, warnings, tally, open, close, tell, look, workingOf, shiftSince };
}
