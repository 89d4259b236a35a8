<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import FigureLine from '../../ui/values/FigureLine.vue';
import SearchProgress from '../../ui/SearchProgress.vue';
import { usePlan } from '../../stores/board/plan';
import type { FitOffers } from './useFitOffers';

/** Small changes of the plan that save sheets, with all that each of them changes. */
defineProps<{ fit: FitOffers }>();
const store = usePlan();
</script>

<template>
  <section aria-label="Changes that save sheets" data-testid="fit-offers">
    <h3>Changes that save sheets</h3>
    <SearchProgress :search="fit.search" what="Trying small changes" />
    <p v-if="fit.offers.value?.length === 0" class="quiet m-0">
      None found: no tile size up to 30 mm smaller, trim, tool or choice of sheets costs less.
    </p>
    <div v-for="offer in fit.offers.value ?? []" :key="offer.id" class="offer" data-testid="fit-offer">
      <strong>{{ offer.label }}</strong>
      <span v-if="offer.says !== ''" class="quiet">{{ offer.says }}</span>
      <FigureLine label="New sheets" :figure="offer.sheets" />
      <FigureLine v-if="offer.joints.value !== 0" label="Parts with joints, change" :figure="offer.joints" />
      <FigureLine label="Money saved" :figure="offer.costSaved" />
      <FigureLine label="Work saved" :figure="offer.workSaved" />
      <FigureLine label="Weight saved" :figure="offer.massSaved" />
      <BButton size="sm" variant="key" @click="store.edit(offer.edit)">Use this</BButton>
    </div>
  </section>
</template>

<style scoped>
.offer {
  display: grid;
  gap: 2px;
  padding: 6px 0 8px;
  border-top: 1px solid var(--rule);
}
.offer .btn {
  justify-self: start;
  margin-top: 4px;
}
</style>
