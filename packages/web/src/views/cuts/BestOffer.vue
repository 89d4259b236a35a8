<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import FigureCell from '../../ui/values/FigureCell.vue';
import type { FitOffers } from './useFitOffers';

/** The change that saves the most, where nobody has to look for it; nothing where none does. */
const props = defineProps<{ fit: FitOffers }>();
const emit = defineEmits<{ look: [] }>();
const best = computed(() => props.fit.offers.value?.[0] ?? null);
const saves = computed(() => {
  if (best.value === null) return [];
  const { sheetsSaved, costSaved } = best.value;
  return [
    { unit: sheetsSaved.value === 1 ? 'sheet' : 'sheets', figure: sheetsSaved },
    { unit: '', figure: costSaved },
  ].filter(({ figure }) => figure.value > 0);
});
</script>

<template>
  <div v-if="best !== null && saves.length > 0" class="best" data-testid="best-offer">
    <p class="m-0">
      <strong>{{ best.label }}</strong> would save
      <template v-for="({ unit, figure }, i) in saves" :key="i">
        {{ i > 0 ? ' and ' : ' ' }}<FigureCell :figure="figure" />{{ unit === '' ? '' : ` ${unit}` }}
      </template>
    </p>
    <BButton size="sm" variant="key" @click="emit('look')">Show all</BButton>
  </div>
</template>

<style scoped>
.best {
  display: flex;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 6px;
  padding: 6px 0 8px;
  border-bottom: 1px solid var(--rule);
}
.best .btn {
  flex: none;
}
</style>
