<script setup lang="ts">
import { shallowRef } from 'vue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import type { PieceWay } from '@spare-acre/core/pipeline';
import FigureCell from '../../ui/values/FigureCell.vue';
import SearchProgress from '../../ui/SearchProgress.vue';
import { usePlan } from '../../stores/board/plan';
import { searches, useLongSearch } from '../../workers/searches';
import { useAskedAnew } from '../../workers/useAskedAnew';

/** Every way of making a piece side by side: each is the board derived in full with it, so that Days says the same. */
const props = defineProps<{ pieceId: string }>();
const store = usePlan();
const search = useLongSearch();
const ways = shallowRef<readonly PieceWay[]>([]);

async function ask(): Promise<void> {
  const found = await search.run((onProgress) => searches().pieceWays(props.pieceId, onProgress));
  if (found !== null) ways.value = found;
}
useAskedAnew(search, ask);
</script>

<template>
  <section data-testid="piece-ways">
    <h3>Ways to make it</h3>
    <SearchProgress :search="search" what="Trying each way" />
    <BTableSimple v-if="ways.length > 0" class="ledger">
      <thead>
        <tr>
          <th scope="col">Way</th>
          <th scope="col" class="num">Work</th>
          <th scope="col" class="num">Board costs</th>
          <th scope="col"><span class="visually-hidden">choose</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="way in ways" :key="way.id" data-testid="piece-way">
          <td>{{ way.text }}</td>
          <td class="num"><FigureCell :figure="way.work" /></td>
          <td class="num"><FigureCell :figure="way.cost" /></td>
          <td>
            <span v-if="way.isOwn" class="quiet">chosen</span>
            <BButton v-else size="sm" variant="key" @click="store.edit(way.edit)">Use</BButton>
          </td>
        </tr>
      </tbody>
    </BTableSimple>
    <p class="quiet small">Cutting and putting together all copies, as in Days, without set-up.</p>
  </section>
</template>

<style scoped>
.small {
  font-size: 0.86rem;
  margin: 4px 0 0;
}
</style>
