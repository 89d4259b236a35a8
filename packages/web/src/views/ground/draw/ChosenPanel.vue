<script setup lang="ts">
import type { Feature } from '@spare-acre/core/features';
import { usePlan } from '../../../document/plan';
import ArrangeSection from './ArrangeSection.vue';
import { removeFeatures } from './featureEdits';
import { useSelection } from '../useSelection';

/** Several features chosen together. */
const props = defineProps<{ features: readonly Feature[] }>();
const store = usePlan();
const { choose, toggle } = useSelection();
function remove(): void {
  if (removeFeatures(store, props.features) === '') choose([]);
}
</script>

<template>
  <h2>{{ features.length }} features</h2>
  <p class="sub">Shift-click adds one or takes it out; arrows move them all.</p>
  <section>
    <div v-for="feature in features" :key="feature.id" class="line">
      <span>{{ feature.name }}</span>
      <button type="button" class="key" :aria-label="`Leave ${feature.name} out`" @click="toggle(feature.id)">×</button>
    </div>
  </section>
  <ArrangeSection :features="features" />
  <section class="d-flex gap-2 flex-wrap">
    <button type="button" class="key" @click="remove">Remove them <kbd>Del</kbd></button>
    <button type="button" class="key" @click="choose([])">Let go <kbd>Esc</kbd></button>
  </section>
</template>

<style scoped>
.line .key {
  padding: 0 7px;
}
</style>
