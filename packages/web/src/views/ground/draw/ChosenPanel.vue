<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import type { Feature } from '@spare-acre/core/plan/features';
import { usePlan } from '../../../stores/board/plan';
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
  <p class="sub">Shift-click adds or removes a feature. Arrow keys move all of them.</p>
  <section>
    <div v-for="feature in features" :key="feature.id" class="line">
      <span>{{ feature.name }}</span>
      <BButton variant="key" :aria-label="`Deselect ${feature.name}`" @click="toggle(feature.id)">×</BButton>
    </div>
  </section>
  <ArrangeSection :features="features" />
  <section class="d-flex gap-2 flex-wrap">
    <BButton variant="key" @click="remove">Remove them <kbd>Del</kbd></BButton>
    <BButton variant="key" @click="choose([])">Deselect <kbd>Esc</kbd></BButton>
  </section>
</template>

<style scoped>
.line .btn-key {
  padding: 0 7px;
}
</style>
