<script lang="ts">
import { partLazily } from '../../ui/lazily';

const SwatchTab = partLazily(() => import('./SwatchTab.vue'));
const MixesTab = partLazily(() => import('./MixesTab.vue'));
const WaterTab = partLazily(() => import('./WaterTab.vue'));
const PaintsTab = partLazily(() => import('./PaintsTab.vue'));
</script>

<script setup lang="ts">
import { computed, ref } from 'vue';
import TabbedSheets from '../../ui/TabbedSheets.vue';
import { InTurn } from '../../ui/InTurn';
import ViewWarnings from '../../ui/ViewWarnings.vue';
import { usePlan } from '../../stores/board/plan';
import { useLook } from '../../stores/board/useLook';
import CoatMatrix from './CoatMatrix.vue';
import SurfaceMap from './SurfaceMap.vue';
import SurfacePanel from './SurfacePanel.vue';
import { chosenSurfaceId } from './surfaceChoice';

const store = usePlan();
const TABS = [
  { id: 'order', name: 'Coat order' },
  { id: 'mixes', name: 'Mixes' },
  { id: 'water', name: 'Water' },
  { id: 'swatch', name: 'Swatch' },
  { id: 'paints', name: 'Paints' },
] as const;
const tab = ref<(typeof TABS)[number]['id']>('order');
useLook(() => ['matrix', 'worn', 'mixes', 'basins', 'strewn', 'floors']);
const surfaces = computed(() => store.plan!.surfaces);
const surface = computed(
  () => surfaces.value.find(({ id }) => id === chosenSurfaceId.value) ?? surfaces.value.find(({ id }) => id === store.plan!.wears.open)!,
);
</script>

<template>
  <div class="bench coats">
    <section class="where" aria-label="Surface map">
      <InTurn><SurfaceMap :chosen-id="surface.id" @choose="(id) => (chosenSurfaceId = id)" /></InTurn>
    </section>
    <div class="drawing rows">
      <TabbedSheets v-model="tab" label="Coats" :tabs="TABS">
        <InTurn v-if="tab === 'order'"><CoatMatrix :chosen-id="surface.id" @choose="(id) => (chosenSurfaceId = id)" /></InTurn>
        <MixesTab v-else-if="tab === 'mixes'" />
        <WaterTab v-else-if="tab === 'water'" />
        <SwatchTab v-else-if="tab === 'swatch'" :key="surface.id" :surface="surface" />
        <PaintsTab v-else />
      </TabbedSheets>
    </div>
    <aside class="notes" aria-label="Notes">
      <ViewWarnings view="coats" />
      <InTurn><SurfacePanel :key="surface.id" :surface="surface" /></InTurn>
    </aside>
  </div>
</template>

<style scoped>
.coats {
  grid-template-columns: 272px minmax(0, 1fr) 318px;
}
.where {
  border-right: 1px solid var(--rule);
  min-height: 0;
  overflow-y: auto;
  padding: 12px 12px 12px 18px;
}
.drawing {
  padding: 10px 16px;
}
@media (max-width: 700px) {
  .coats {
    grid-template-columns: minmax(0, 1fr);
  }
  .where {
    border-right: 0;
  }
}
</style>
