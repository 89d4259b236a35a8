<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useBetterEvenings } from './useBetterEvenings';

/** Looks for evenings that are through earlier, shows how near the best there can be it has come, and keeps what it finds. */
const { isRunning, progress, fault, outcome, start, stop } = useBetterEvenings();
</script>

<template>
  <section aria-label="Optimise schedule">
    <h3>Optimise schedule</h3>
    <p class="quiet">After each change, only a few task orders are tried. This search tries thousands in some seconds.</p>
    <BButton v-if="!isRunning" variant="key" @click="start">Find an earlier finish</BButton>
    <BButton v-else variant="key" @click="stop">Stop and keep best</BButton>
    <dl v-if="progress !== null" class="found" data-testid="evenings-found" :data-running="isRunning">
      <div>
        <dt>Best found</dt>
        <dd>{{ progress.text }}</dd>
      </div>
      <div>
        <dt>Earliest possible</dt>
        <dd>{{ progress.boundText }}</dd>
      </div>
      <div>
        <dt>Orders tried</dt>
        <dd class="num">{{ progress.tries.toLocaleString('en-GB') }}</dd>
      </div>
    </dl>
    <p v-if="outcome !== ''" role="status">{{ outcome }}</p>
    <p v-if="fault !== ''" role="alert">{{ fault }}</p>
  </section>
</template>

<style scoped>
.found {
  margin: 8px 0 0;
}
.found div {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  border-bottom: 1px solid var(--rule);
}
.found dt {
  font-weight: 400;
}
.found dd {
  margin: 0;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
</style>
