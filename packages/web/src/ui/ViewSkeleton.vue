<script setup lang="ts">
import { BPlaceholder } from 'bootstrap-vue-next/components/BPlaceholder';

/** The shape of a view while it is fetched: a drawing, and a column of notes beside it. */
const LINES = [7, 10, 9, 5, 10, 8, 6];
</script>

<template>
  <div class="bench" role="status" aria-label="Loading the view" data-testid="skeleton">
    <div class="drawing p-4"><BPlaceholder animation="glow" width="100%" tag="div" class="sheet" /></div>
    <div class="notes">
      <p v-for="(columns, i) in LINES" :key="i"><BPlaceholder animation="glow" :cols="columns" /></p>
    </div>
  </div>
</template>

<style scoped>
.sheet {
  height: 100%;
  opacity: 0.12;
}
.notes {
  opacity: 0.35;
}
</style>
