<script setup lang="ts">
import { ref } from 'vue';
import TabbedSheets from '../../ui/TabbedSheets.vue';
import AdhesiveTable from './AdhesiveTable.vue';
import BowPanel from './BowPanel.vue';
import CutLineMap from './CutLineMap.vue';
import HeightsTable from './HeightsTable.vue';
import MassTable from './MassTable.vue';
import BuildOptionsTable from './BuildOptionsTable.vue';

/** What the cut alone does not say: bow, adhesives, heights out of stock, mass, and other ways to build the same. */
const TABS = [
  { id: 'where', name: 'Section line', view: CutLineMap },
  { id: 'bow', name: 'Bow and weights', view: BowPanel },
  { id: 'glue', name: 'Adhesives', view: AdhesiveTable },
  { id: 'heights', name: 'Heights', view: HeightsTable },
  { id: 'mass', name: 'Mass', view: MassTable },
  { id: 'ways', name: 'Compare options', view: BuildOptionsTable },
] as const;
const chosen = ref<(typeof TABS)[number]['id']>('where');
</script>

<template>
  <div class="tables">
    <TabbedSheets v-model="chosen" label="Tables" :tabs="TABS">
      <div class="body">
        <component :is="TABS.find(({ id }) => id === chosen)!.view" />
      </div>
    </TabbedSheets>
  </div>
</template>

<style scoped>
.tables {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
  padding-top: 6px;
}
.body {
  flex: 1 1 auto;
  min-height: 0;
  overflow-y: auto;
  padding-top: 6px;
}
</style>
