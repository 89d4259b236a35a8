<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { shallowRef, watch } from 'vue';
import type { EarlierOption } from '@spare-acre/core/pipeline';
import FigureCell from '../../ui/values/FigureCell.vue';
import SearchProgress from '../../ui/SearchProgress.vue';
import { usePlan } from '../../stores/board/plan';
import { searches, useLongSearch } from '../../workers/searches';

/** What would make the board ready sooner: each way planned anew, the most won first. */
const store = usePlan();
const search = useLongSearch();
const options = shallowRef<readonly EarlierOption[] | null>(null);
// Of another plan they say nothing.
watch(
  () => store.plan,
  () => {
    search.cancel();
    options.value = null;
  },
);
async function ask(): Promise<void> {
  const found = await search.run((onProgress) => searches().earlierOptions(onProgress));
  if (found !== null) options.value = found;
}
</script>

<template>
  <section aria-label="Ways to finish earlier">
    <h3>Ways to finish earlier</h3>
    <BButton v-if="options === null && search.share.value === null" variant="key" @click="ask">Compare options</BButton>
    <SearchProgress :search="search" what="Calculating each option" />
    <BTableSimple v-if="options !== null" class="ledger" responsive data-testid="earlier">
      <thead>
        <tr>
          <th scope="col">Option</th>
          <th scope="col">Ready</th>
          <th scope="col" class="num">Time saved</th>
          <th scope="col" class="num">Extra cost</th>
          <th scope="col"><span class="visually-hidden">to do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="option in options" :key="option.id" :data-way="option.id">
          <td>{{ option.name }}</td>
          <td class="text-nowrap">
            {{ option.readyText }}
            <small v-if="option.isInTime !== null" :class="option.isInTime ? 'in-time' : 'quiet'">{{
              option.isInTime ? '✓ in time' : 'too late'
            }}</small>
          </td>
          <td class="num">
            <span v-if="option.won === null">makes it possible</span>
            <FigureCell v-else-if="option.won.value > 0" :figure="option.won" /><span v-else class="quiet">not earlier</span>
          </td>
          <td class="num"><FigureCell :figure="option.costChange" /></td>
          <td>
            <BButton v-if="option.won === null || option.won.value > 0" size="sm" variant="key" @click="store.edit(option.edit)"
              >Use this</BButton
            >
          </td>
        </tr>
      </tbody>
    </BTableSimple>
  </section>
</template>

<style scoped>
.in-time {
  color: var(--moss);
  font-weight: 500;
}
h3 {
  font-size: 1.1rem;
}
</style>
