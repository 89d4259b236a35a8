import { type ComputedRef, type Ref, computed, shallowRef, watch } from 'vue';
import type { Plan } from '@spare-acre/core/plan';
import { type BoardRecord, type Offcut, type Stock, freeOffcuts } from '@spare-acre/core/plan/workshop';
import { useAir } from '../workshop/air';
import { useRack } from '../workshop/rack';

interface Open {
  readonly boardId: Readonly<Ref<string | null>>;
  readonly plan: ComputedRef<Plan | null>;
  readonly record: ComputedRef<BoardRecord>;
}

/** What of the workshop the open board may take: offcuts, what is on the shelf, the air of its places. @param changed told when it is another */
export function useStock({ boardId, plan, record }: Open, changed: (stock: Stock) => void) {
  const rack = useRack();
  const air = useAir();
  /** What this board may cut from: not what a board has cut up, and pieces it left itself lie there for the next one. */
  const offcuts = computed<readonly Offcut[]>(() => freeOffcuts(rack.offcuts, boardId.value, record.value));
  /** A thermo-hygrometer is asked once a place of the board goes by one. */
  const hears = computed(() => plan.value?.places.some(({ air: { by } }) => by === 'sensor') ?? false);
  watch(hears, (now) => now && air.sensors.length === 0 && void air.load());
  /** What of the shelf it may take: told once a board stands, for a board is drawn without it. */
  const shelf = shallowRef<Stock['shelf']>({});
  /** Takes what the shelf has for this board now. */
  function takeShelf(free: Stock['shelf']): void {
    if (JSON.stringify(free) !== JSON.stringify(shelf.value)) shelf.value = free;
  }
  const stock = computed<Stock>((before) =>
    before !== undefined && before.offcuts === offcuts.value && before.airs === air.airs && before.shelf === shelf.value
      ? before
      : { offcuts: offcuts.value, airs: air.airs, shelf: shelf.value },
  );
  watch(stock, (now, before) => {
    if (plan.value !== null && !(isNone(now) && isNone(before))) changed(now);
  });
  return { offcuts, stock, takeShelf, load: () => rack.load() };
}

const isNone = ({ offcuts, airs, shelf }: Stock): boolean =>
  offcuts.length === 0 && Object.keys(airs).length === 0 && Object.keys(shelf).length === 0;
