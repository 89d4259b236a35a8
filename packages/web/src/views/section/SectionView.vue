<script setup lang="ts">
import { usePlan } from '../../stores/board/plan';
import { useLook } from '../../stores/board/useLook';
import { InTurn } from '../../ui/InTurn';
import CoreDrawing from './CoreDrawing.vue';
import SectionTables from './SectionTables.vue';
import StackPanel from './StackPanel.vue';

const store = usePlan();
useLook(() => ['section', 'groundHeight', 'glues', 'joints', 'heights', 'bow', 'levers', 'weights', 'masses']);
</script>

<template>
  <div class="bench">
    <div class="drawing rows">
      <CoreDrawing v-if="store.slices.section !== undefined" :section="store.slices.section" :system="store.plan!.units" />
      <div v-else></div>
      <div class="below">
        <InTurn><SectionTables /></InTurn>
      </div>
    </div>
    <aside class="notes" aria-label="Notes">
      <InTurn><StackPanel /></InTurn>
    </aside>
  </div>
</template>

<style scoped>
.rows {
  display: grid;
  grid-template: minmax(0, 1fr) 292px / minmax(0, 1fr);
}
@media (max-width: 900px) {
  .bench > .rows {
    grid-template-rows: 330px auto;
    height: auto;
    overflow: visible;
  }
}
.below {
  border-top: 1px solid var(--rule);
  padding: 0 14px 4px;
  min-height: 0;
  min-width: 0;
}
</style>
