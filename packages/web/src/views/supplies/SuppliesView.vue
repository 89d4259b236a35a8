<script lang="ts">
import { partLazily } from '../../ui/lazily';

const BuyTab = partLazily(() => import('./BuyTab.vue'));
const WorkpiecesTab = partLazily(() => import('./WorkpiecesTab.vue'));
const WeighTab = partLazily(() => import('./WeighTab.vue'));
const CostsTab = partLazily(() => import('./CostsTab.vue'));
</script>

<script setup lang="ts">
import { computed, ref } from 'vue';
import FigureLine from '../../ui/values/FigureLine.vue';
import FigureCell from '../../ui/values/FigureCell.vue';
import TabbedSheets from '../../ui/TabbedSheets.vue';
import ViewWarnings from '../../ui/ViewWarnings.vue';
import { usePlan } from '../../stores/board/plan';
import { useLook } from '../../stores/board/useLook';
import NeedsTab from './NeedsTab.vue';
import OwnFigures from './OwnFigures.vue';

/** What the board takes, where it is bought, and which of the ways to build it is worth its money. */
const store = usePlan();
const TABS = [
  { id: 'needs', name: 'Materials' },
  { id: 'workpieces', name: 'By workpiece' },
  { id: 'buy', name: 'Buy list' },
  { id: 'costs', name: 'Costs' },
  { id: 'weigh', name: 'Compare options' },
] as const;
const tab = ref<(typeof TABS)[number]['id']>('needs');
useLook(() => ['supplies', 'mixes', ...(tab.value === 'workpieces' ? (['byWorkpiece'] as const) : [])]);
const shown = computed(() => ({ needs: NeedsTab, workpieces: WorkpiecesTab, buy: BuyTab, costs: CostsTab, weigh: WeighTab })[tab.value]);
const mixes = computed(() => store.slices.mixes ?? []);
</script>

<template>
  <div class="bench">
    <div class="drawing scroll">
      <h2>Materials for this board, and what to buy</h2>
      <TabbedSheets v-model="tab" label="Parts of the supplies" :tabs="TABS">
        <component :is="shown" />
      </TabbedSheets>
    </div>
    <aside class="notes" aria-label="Notes">
      <h2>Mixes</h2>
      <p class="sub">by volume; weigh where the label gives mass</p>
      <ViewWarnings view="supplies" />
      <p v-if="mixes.length === 0" class="quiet mt-2">No coat on this board needs mixing.</p>
      <section v-for="mix in mixes" :key="mix.id">
        <h3>{{ mix.name }}</h3>
        <div v-for="part in mix.parts" :key="part.name" class="line">
          <span>{{ part.name }}</span><FigureCell :figure="part.volume" /><span class="quiet or">or</span><FigureCell :figure="part.mass" />
        </div>
        <FigureLine label="Batches" :figure="mix.batches" />
        <FigureLine v-if="mix.batches.value > 1" label="Each" :figure="mix.batch" />
      </section>
      <OwnFigures />
    </aside>
  </div>
</template>

<style scoped>
.scroll {
  overflow-y: auto !important;
  padding: 12px 26px;
}
.scroll h2 {
  font-size: 1.2rem;
}
.or {
  font-size: 0.86rem;
}
</style>
