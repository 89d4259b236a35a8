<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, shallowRef, watch } from 'vue';
import type { WaterOption } from '@spare-acre/core/pipeline';
import FigureCell from '../../ui/values/FigureCell.vue';
import SearchProgress from '../../ui/SearchProgress.vue';
import { usePlan } from '../../stores/board/plan';
import { searches, useLongSearch } from '../../workers/searches';

/** What each basin holds, where it wants a dam, where it would run off; and the board with its water made in every way. */
const store = usePlan();
const basins = computed(() => store.slices.basins ?? []);
const search = useLongSearch();
const options = shallowRef<readonly WaterOption[]>([]);
watch(
  () => store.plan,
  async (plan) => {
    if (plan === null) return;
    const found = await search.run((onProgress) => searches().waterOptions(onProgress));
    if (found !== null) options.value = found;
  },
  { immediate: true },
);
</script>

<template>
  <div class="sheet-scroll" tabindex="0" role="region" aria-label="Water">
    <p v-if="basins.length === 0" class="quiet">No water on this board. Draw water in Ground. Its volume is calculated from its bed.</p>
    <template v-else>
      <h3>Volume of each</h3>
      <BTableSimple class="ledger" data-testid="basins">
        <thead>
          <tr>
            <th scope="col">Water</th>
            <th scope="col" class="num">Volume</th>
            <th scope="col">Dams at tile ends</th>
            <th scope="col">Lowest point of the bank</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="basin in basins" :key="basin.featureId">
            <td>{{ basin.name }}</td>
            <td class="num"><FigureCell :figure="basin.room" /></td>
            <td>
              <div v-for="(dam, i) in basin.dams" :key="i">
                {{ dam.tileId }}, {{ dam.side }}{{ dam.isSeam ? '' : ', table end' }}: <FigureCell :figure="dam.length" /> ×
                <FigureCell :figure="dam.height" />
              </div>
              <span v-if="basin.dams.length === 0" class="quiet">none</span>
            </td>
            <td :class="{ attention: basin.leaks.length > 0 }">
              {{ basin.leaks.length === 0 ? 'tight' : `into ${basin.leaks[0]!.into}` }}
            </td>
          </tr>
        </tbody>
      </BTableSimple>
      <h3 class="mt-3">Compare options</h3>
      <SearchProgress :search="search" what="Calculating each option" />
      <BTableSimple v-if="options.length > 0" class="ledger" data-testid="waterOptions">
        <thead>
          <tr>
            <th scope="col">Option</th>
            <th scope="col" class="num">Board cost</th>
            <th scope="col" class="num">Hands-on</th>
            <th scope="col" class="num">Mass</th>
            <th scope="col">Ready</th>
            <th scope="col">Look and hazards</th>
            <th scope="col"><span class="visually-hidden">to do</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="option in options" :key="option.id" :data-way="option.id">
            <td>{{ option.name }}</td>
            <td class="num"><FigureCell :figure="option.cost" /></td>
            <td class="num"><FigureCell :figure="option.hours" /></td>
            <td class="num"><FigureCell :figure="option.mass" /></td>
            <td class="ready">{{ option.readyText }}</td>
            <td>
              {{ option.says }} <small v-if="option.hazards.length > 0" class="quiet">{{ option.hazards.join(' ') }}</small>
            </td>
            <td>
              <span v-if="option.isOwn" class="quiet">current</span>
              <BButton v-else variant="key" @click="store.edit(option.edit)">Use this</BButton>
            </td>
          </tr>
        </tbody>
      </BTableSimple>
    </template>
  </div>
</template>

<style scoped>
.ready {
  white-space: nowrap;
}
</style>
