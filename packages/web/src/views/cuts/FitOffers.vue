<script setup lang="ts">
import { shallowRef } from 'vue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import type { FitOffer } from '@spare-acre/core/pipeline';
import FigureLine from '../../ui/values/FigureLine.vue';
import SearchProgress from '../../ui/SearchProgress.vue';
import { usePlan } from '../../stores/board/plan';
import { searches, useLongSearch } from '../../workers/searches';
import { useAskedAnew } from '../../workers/useAskedAnew';

/** Small changes of the plan that save sheets, each derived in full; asked for as soon as the sheets are looked at, and anew after every change. */
const store = usePlan();
const search = useLongSearch();
const offers = shallowRef<readonly FitOffer[] | null>(null);
async function ask(): Promise<void> {
  const found = await search.run((onProgress) => searches().fitOffers(onProgress));
  if (found !== null) offers.value = found;
}
useAskedAnew(search, ask, () => (offers.value = null));
</script>

<template>
  <section aria-label="Changes that save sheets" data-testid="fit-offers">
    <h3>Changes that save sheets</h3>
    <SearchProgress :search="search" what="Trying small changes" />
    <p v-if="offers !== null && offers.length === 0" class="quiet m-0">
      None found: no tile size up to 30 mm smaller, trim, tool or choice of sheets costs less.
    </p>
    <div v-for="offer in offers ?? []" :key="offer.id" class="offer" data-testid="fit-offer">
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
