<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import type { LongSearch } from '../workers/searches';

/** How far a long search is, with a way to stop it; or why it failed. */
const props = defineProps<{ search: LongSearch; what: string }>();
const percent = computed(() => (props.search.share.value === null ? null : Math.round(props.search.share.value * 100)));
</script>

<template>
  <div v-if="percent !== null" class="progress-line" role="status">
    <progress :value="percent" max="100" :aria-label="what"></progress>
    <span>{{ what }}, {{ percent }} %</span>
    <BButton variant="key" @click="search.cancel()">Stop</BButton>
  </div>
  <p v-else-if="search.fault.value !== ''" class="attention" role="alert">Search failed: {{ search.fault.value }}</p>
</template>

<style scoped>
.progress-line {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 4px 0;
}
progress {
  flex: 1 1 60px;
  min-width: 40px;
  accent-color: var(--moss);
}
</style>
