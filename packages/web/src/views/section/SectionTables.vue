<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { ref } from 'vue';
import AdhesiveTable from './AdhesiveTable.vue';
import BowPanel from './BowPanel.vue';
import CutLineMap from './CutLineMap.vue';
import HeightsTable from './HeightsTable.vue';
import MassTable from './MassTable.vue';
import BuildOptionsTable from './BuildOptionsTable.vue';

/** What the cut alone does not say: bow, adhesives, heights out of stock, mass, and other ways to build the same. */
const TABS = [
  { id: 'where', name: 'Where it is cut', view: CutLineMap },
  { id: 'bow', name: 'Bow and weights', view: BowPanel },
  { id: 'glue', name: 'Adhesives', view: AdhesiveTable },
  { id: 'heights', name: 'Heights', view: HeightsTable },
  { id: 'mass', name: 'Mass', view: MassTable },
  { id: 'ways', name: 'Ways to build it', view: BuildOptionsTable },
] as const;
const chosen = ref<(typeof TABS)[number]['id']>('where');
</script>

<template>
  <div class="tables">
    <div class="tabs" role="tablist" aria-label="Tables">
      <BButton v-for="tab in TABS" :key="tab.id" variant="key" role="tab" :aria-selected="tab.id === chosen" @click="chosen = tab.id">
        {{ tab.name }}
      </BButton>
    </div>
    <div class="body" role="tabpanel" :aria-label="TABS.find(({ id }) => id === chosen)!.name" tabindex="0">
      <component :is="TABS.find(({ id }) => id === chosen)!.view" />
    </div>
  </div>
</template>

<style scoped>
.tables {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
}
.tabs {
  display: flex;
  gap: 6px;
  flex: none;
  padding: 6px 0;
}
.body {
  flex: 1 1 auto;
  min-height: 0;
  overflow-y: auto;
}
.body:focus-visible {
  outline: 2px solid var(--slate);
}
</style>
