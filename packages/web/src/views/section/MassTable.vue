<script setup lang="ts">
import FigureLine from '../../ui/values/FigureLine.vue';
import { usePlan } from '../../stores/board/plan';

/** The finished board by what it is made of. */
const store = usePlan();
</script>

<template>
  <div v-if="store.slices.masses !== undefined" class="mass" data-testid="masses">
    <FigureLine v-for="layer in store.slices.masses" :key="layer.name" :label="layer.name" :figure="layer.mass" />
    <FigureLine class="sum" label="The board, dry" :figure="store.slices.counts!.mass" />
  </div>
</template>

<style scoped>
.mass {
  max-width: 460px;
}
.sum {
  border-top: 1px solid var(--ink);
  font-weight: 600;
}
</style>
