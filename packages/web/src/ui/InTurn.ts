import { type ComputedRef, type InjectionKey, type Ref, computed, defineComponent, inject, onScopeDispose, provide, ref, watch } from 'vue';

const waiting: (() => void)[] = [];
let isRunning = false;
/** One after another, each in a task of its own: keys and pointers are answered between them. */
function run(): void {
  const first = waiting.shift();
  isRunning = first !== undefined;
  if (first === undefined) return;
  setTimeout(run);
  first();
}

/** @returns takes the request back */
function inTurn(come: () => void): () => void {
  waiting.push(come);
  if (!isRunning) {
    isRunning = true;
    setTimeout(run);
  }
  return () => {
    const at = waiting.indexOf(come);
    if (at >= 0) waiting.splice(at, 1);
  };
}

/** @returns whether the turn has come; it comes after all turns that were asked for before it */
export function useTurn(): Readonly<Ref<boolean>> {
  const hasCome = ref(!inject(takesTurns, false));
  if (!hasCome.value) onScopeDispose(inTurn(() => (hasCome.value = true)));
  return hasCome;
}

/**
 * The beginning of a long list, with more of it after each turn until all is there.
 * @param each how many are added in one turn, and shown at first
 */
export function useListInTurns<T>(list: () => readonly T[], each: number): ComputedRef<readonly T[]> {
  if (!inject(takesTurns, false)) return computed(list);
  const count = ref(each);
  let takeBack = (): void => undefined;
  const isWhole = computed(() => count.value >= list().length);
  watch(
    [isWhole, count],
    () => {
      takeBack();
      if (!isWhole.value) takeBack = inTurn(() => (count.value += each));
    },
    { immediate: true },
  );
  onScopeDispose(() => takeBack());
  return computed(() => (isWhole.value ? list() : list().slice(0, count.value)));
}

const takesTurns: InjectionKey<boolean> = Symbol('takes turns');
/** Below this component panels are mounted in turn; elsewhere (a dialog, a test of one panel) at once. */
export const takeTurns = (): void => provide(takesTurns, true);

/** What stands in it is mounted in a task of its own: a view of twenty panels must not hold up a key or a drag. */
export const InTurn = defineComponent({
  setup(_, { slots }) {
    const hasCome = useTurn();
    return () => (hasCome.value ? slots.default?.() : null);
  },
});
