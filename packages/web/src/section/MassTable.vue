<script setup lang="ts">
import FigureLine from '../figures/FigureLine.vue';
import { usePlan } from '../stores/plan';

/** The finished board by what it is made of. */
const store = usePlan();
</script>

<template>
  <div v-if="store.derivation !== null" class="mass" data-testid="masses">
    <FigureLine v-for="layer in store.derivation.masses" :key="layer.name" :label="layer.name" :figure="layer.mass" />
    <FigureLine class="sum" label="The board, dry" :figure="store.derivation.tally.mass" />
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
