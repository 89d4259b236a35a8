import { TALLY_FIGURES, TALLY_KEYS } from '@spare-acre/core/pipeline/tally-figures';
import { proxy } from 'comlink';
import { defineStore } from 'pinia';
import { computed, shallowRef, watch } from 'vue';
import { showBand } from '@spare-acre/core/learning/uncertainty';
import type { NeedUncertainty, Uncertainty } from '@spare-acre/core/pipeline/uncertainty';
import { searches } from '../../workers/searches';
import { useCatalogue } from '../workshop/catalogue';
import { usePlan } from './plan';

/** A plan that has been left alone for so long is worth two thousand chances. */
const REST_MS = 3_000;

/** How sure the figures of the open board are: drawn when the plan rests, gone as soon as it changes. */
export const useSure = defineStore('sure', () => {
  const store = usePlan();
  const catalogues = useCatalogue();
  const sureness = shallowRef<Uncertainty | null>(null);
  const fault = shallowRef('');
  let turn = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  watch(
    () => [store.plan, catalogues.inUse] as const,
    ([plan]) => {
      const mine = ++turn;
      sureness.value = null;
      clearTimeout(timer);
      if (plan !== null) timer = setTimeout(() => void draw(mine), REST_MS);
    },
    { immediate: true },
  );
  async function draw(mine: number): Promise<void> {
    fault.value = '';
    try {
      await searches().sure(
        proxy((found: Uncertainty) => {
          if (mine === turn) sureness.value = found;
        }),
      );
    } catch (error) {
      if (mine === turn) fault.value = error instanceof Error ? error.message : String(error);
    }
  }
  /** Bands of the tally in words, by the names of its figures. */
  const tallyBands = computed<Readonly<Record<string, string>>>(() => {
    const { showing } = store;
    if (sureness.value === null || store.tally === null) return {};
    const { tally, ready } = sureness.value;
    const said = TALLY_KEYS.flatMap((key) => {
      const band = tally[key];
      return band === undefined ? [] : [[key, showBand(band, TALLY_FIGURES[key].unit, showing)]];
    });
    const date = ready === null ? [] : [['ready', `9 in 10 by ${ready.highText}`]];
    return Object.fromEntries([...said, ...date]) as Record<string, string>;
  });
  const needs = computed<ReadonlyMap<string, NeedUncertainty>>(() => new Map(sureness.value?.needs.map((need) => [need.id, need])));
  return { sureness, tallyBands, needs, fault };
});
