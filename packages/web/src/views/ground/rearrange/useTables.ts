import { type ComputedRef, type Ref, computed, ref, shallowRef, watch } from 'vue';
import { tilesOf } from '@spare-acre/core/terrain/ground';
import type { Arrangement, Count, FailingSeam } from '@spare-acre/core/terrain/tiling';
import type { EdgeFix } from '@spare-acre/core/advice/checks';
import { usePlan } from '../../../stores/board/plan';
import { type LongSearch, searches, useLongSearch } from '../../../workers/searches';

/** The table laid anew: valid tables to browse, or whatever the hand forces, with the seams that fail. */
export interface Tables {
  readonly arrangement: Ref<Arrangement>;
  readonly failing: Ref<readonly FailingSeam[]>;
  readonly count: Ref<Count | null>;
  readonly found: Ref<readonly Arrangement[]>;
  /** Which of the found ones is shown; −1 for one laid by hand or by chance. */
  readonly index: Ref<number>;
  readonly locked: Ref<readonly string[]>;
  /** The cell picked up, waiting for the one to change places with. */
  readonly picked: Ref<number | null>;
  readonly mends: Ref<readonly EdgeFix[]>;
  /** Edge letters of each tile, from its back edge clockwise. */
  readonly letters: Ref<Readonly<Record<string, readonly string[]>>>;
  readonly isAsDrawn: ComputedRef<boolean>;
  readonly counting: LongSearch;
  readonly browsing: LongSearch;
  readonly show: (index: number) => void;
  readonly another: () => Promise<void>;
  readonly asDrawn: () => void;
  readonly pick: (cell: number) => void;
  readonly turn: (cell: number) => void;
  readonly toggleLock: (cell: number) => void;
}

/** What is found out about a table as it is laid: how many others there are, some of them, and the seams that fail. */
function useFound(isShown: () => boolean, arrangement: Ref<Arrangement>, locked: Ref<readonly string[]>) {
  const store = usePlan();
  const [failing, mends] = [shallowRef<readonly FailingSeam[]>([]), shallowRef<readonly EdgeFix[]>([])];
  const count = shallowRef<Count | null>(null);
  const found = shallowRef<readonly Arrangement[]>([]);
  const index = ref(-1);
  const letters = shallowRef<Readonly<Record<string, readonly string[]>>>({});
  const [counting, browsing] = [useLongSearch(), useLongSearch()];
  const locks = computed(() => arrangement.value.map((laid) => (locked.value.includes(laid.tileId) ? laid : null)));
  let seed = 1;

  async function search(): Promise<void> {
    if (!isShown() || store.plan === null) return;
    const { plan } = store;
    [count.value, found.value, index.value] = [null, [], -1];
    const answer = await searches().tables();
    if (plan !== store.plan) return;
    [mends.value, letters.value] = [answer.mends, answer.letters];
    const counted = await counting.run((onProgress) => searches().count(locks.value, onProgress) as Promise<Count | null>);
    if (counted !== null) count.value = counted;
    const browsed = await browsing.run((onProgress) => searches().browse(locks.value, null, onProgress));
    if (browsed !== null) found.value = browsed;
  }
  const another = async (): Promise<Arrangement | null> =>
    (await browsing.run((onProgress) => searches().browse(locks.value, seed++, onProgress)))?.[0] ?? null;
  const judge = async (): Promise<void> => {
    failing.value = (await searches().forced(arrangement.value)).failing;
  };
  return { told: { failing, mends, count, found, index, letters, counting, browsing }, search, another, judge };
}

export function useTables(isShown: () => boolean): Tables {
  const store = usePlan();
  const arrangement = shallowRef<Arrangement>([]);
  const locked = shallowRef<readonly string[]>([]);
  const picked = ref<number | null>(null);
  const { told, search, another, judge } = useFound(isShown, arrangement, locked);
  const drawn = computed<Arrangement>(() =>
    store.plan === null ? [] : tilesOf(store.plan.table).map(({ id }) => ({ tileId: id, turns: 0 })),
  );
  watch(
    [() => store.plan, isShown],
    () => {
      if (!isShown()) return;
      // Another plan may have other tiles: what was laid goes back to what is drawn.
      if (arrangement.value.length !== drawn.value.length) [arrangement.value, locked.value] = [drawn.value, []];
      void search();
    },
    { immediate: true },
  );
  watch(
    [arrangement, () => store.plan],
    () => {
      if (isShown() && store.plan !== null && arrangement.value.length === drawn.value.length) void judge();
    },
    { immediate: true },
  );
  const lay = (next: Arrangement, at = -1): void => {
    [arrangement.value, told.index.value, picked.value] = [next, at, null];
  };
  const isSquare = (cell: number): boolean => {
    const { box } = tilesOf(store.plan!.table)[cell]!;
    return Math.abs(box.right - box.left - (box.bottom - box.top)) < 0.5;
  };
  return {
    ...told,
    arrangement,
    locked,
    picked,
    isAsDrawn: computed(() => arrangement.value.every(({ tileId, turns }, i) => tileId === drawn.value[i]?.tileId && turns === 0)),
    show(at) {
      const table = told.found.value[at];
      if (table !== undefined) lay(table, at);
    },
    async another() {
      const table = await another();
      if (table !== null) lay(table);
    },
    asDrawn() {
      locked.value = [];
      lay(drawn.value);
      void search();
    },
    pick(cell) {
      if (picked.value === null || picked.value === cell) {
        picked.value = picked.value === cell ? null : cell;
        return;
      }
      lay(swapped(arrangement.value, cell, picked.value));
    },
    turn(cell) {
      const { tileId, turns } = arrangement.value[cell]!;
      lay(arrangement.value.with(cell, { tileId, turns: (turns + (isSquare(cell) ? 1 : 2)) % 4 }));
    },
    toggleLock(cell) {
      const { tileId } = arrangement.value[cell]!;
      locked.value = locked.value.includes(tileId) ? locked.value.filter((id) => id !== tileId) : [...locked.value, tileId];
      void search();
    },
  };
}

const swapped = (arrangement: Arrangement, a: number, b: number): Arrangement =>
  arrangement.with(a, arrangement[b]!).with(b, arrangement[a]!);
