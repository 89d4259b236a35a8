<script setup lang="ts">
import { usePlan } from '../stores/plan';
import CoreDrawing from './CoreDrawing.vue';
import CutLineMap from './CutLineMap.vue';
import StackPanel from './StackPanel.vue';

const store = usePlan();
</script>

<template>
  <div class="bench">
    <div class="drawing rows">
      <CoreDrawing v-if="store.section !== null" :section="store.section" :system="store.plan!.units" />
      <div v-else></div>
      <div class="below">
        <CutLineMap />
        <div class="words">
          <h2>Where it is cut</h2>
          <p class="quiet">Drag the ends of the line, or choose one with Tab and move it with the arrow keys.</p>
          <p v-if="store.section !== null && store.section.tiles.length > 0">
            Through {{ store.section.tiles.map(({ id }) => id).join(', ')
            }}<template v-if="store.section.seams.length > 0">; seams {{ store.section.seams.map(({ name }) => name).join(', ') }}</template
            >.
          </p>
        </div>
      </div>
    </div>
    <aside class="notes" aria-label="Notes"><StackPanel /></aside>
  </div>
</template>

<style scoped>
.rows {
  display: grid;
  grid-template-rows: minmax(0, 1fr) 236px;
}
.below {
  display: grid;
  grid-template-columns: 360px minmax(0, 1fr);
  gap: 18px;
  border-top: 1px solid var(--rule);
  padding: 4px 8px;
}
.words {
  padding-top: 12px;
  max-width: 40ch;
}
.words h2 {
  font-size: 1.05rem;
}
</style>
