<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { ref, shallowRef, watch } from 'vue';
import { saidAt } from '@spare-acre/core/catalogue';
import { saidIn } from '@spare-acre/core/catalogue/editing';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { type OwnEntry, dropOwn, listOwn } from '../../stores/workshop/own';

/** Figures that the builder has put in the place of ours, each with a way back. */
const catalogues = useCatalogue();
const entries = shallowRef<readonly OwnEntry[]>([]);
const fault = ref('');
async function attempt(work: () => Promise<unknown>): Promise<void> {
  fault.value = '';
  try {
    await work();
    entries.value = await listOwn();
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error);
  }
}
watch(
  () => catalogues.catalogue,
  () => void attempt(() => Promise.resolve()),
  { immediate: true },
);
const nameOf = (path: string): string => (catalogues.catalogue === null ? path : saidIn(catalogues.catalogue, path));
const range = (path: string, { value, low, high }: OwnEntry['own']): string => {
  const { unit } = saidAt(path);
  const said = (amount: number): string => (unit === '' ? String(amount) : `${amount}\u00a0${unit}`);
  return `${said(value)}, ${low} to ${said(high)}`;
};
</script>

<template>
  <section v-if="entries.length > 0 || fault !== ''" data-testid="own-figures">
    <h3>Your values</h3>
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    <div v-for="{ path, own, ours } in entries" :key="path" class="entry">
      <div>{{ nameOf(path) }}</div>
      <div class="num">{{ range(path, own) }}</div>
      <div class="quiet">{{ ours === null ? 'no longer in our catalogue; your value is kept' : `ours: ${range(path, ours)}` }}</div>
      <BButton variant="key" @click="attempt(() => dropOwn(path))">{{ ours === null ? 'Remove' : 'Use our value' }}</BButton>
    </div>
  </section>
</template>

<style scoped>
.entry {
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
