<script setup lang="ts">
import { computed } from 'vue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import { batchesOf, unusedWay, waysToBatch } from '@spare-acre/core/build/cutting/bench';
import { lengthWords } from '@spare-acre/core/base/units';
import FigureCell from '../../ui/values/FigureCell.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** More than ten equal parts: the ways to cut them, each with what the whole job then takes. */
const props = defineProps<{ job: CutJob }>();
const store = usePlan();
const catalogues = useCatalogue();
const batches = computed(() => batchesOf(props.job.parts));
const ways = computed(() => (batches.value.length === 0 ? [] : waysToBatch(props.job, catalogues.catalogue!)));
const usual = computed(() => catalogues.catalogue!.batchWays[0]!);
/** A way that was chosen and is not followed. */
const unused = computed(() => unusedWay(props.job, catalogues.catalogue!.batchWays, store.plan!.units));
const use = (wayId: string): string => store.edit({ code: 'cutting/batch', jobKey: props.job.key, wayId });
</script>

<template>
  <section v-if="batches.length + unused.length > 0" data-testid="equal-parts">
    <h3>Equal parts</h3>
    <p v-for="why in unused" :key="why" class="attention m-0" role="status">{{ why }}</p>
    <BButton v-if="batches.length === 0" size="sm" variant="key" @click="use(usual.id)">{{ usual.name }}</BButton>
    <div v-for="batch in batches" :key="batch.key" class="line">
      <span>{{ lengthWords([batch.longMm, batch.shortMm], store.plan!.units) }}</span>
      <span class="num">{{ batch.partIds.size }} pieces</span>
    </div>
    <BTableSimple v-if="batches.length > 0" class="ledger">
      <thead>
        <tr>
          <th scope="col">Cut</th>
          <th scope="col" class="num">Whole job</th>
          <th scope="col"><span class="visually-hidden">choose</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ way, minutes } in ways" :key="way.id" :title="way.remark" data-testid="batch-way">
          <td>{{ way.name }}</td>
          <td class="num"><FigureCell :figure="minutes" /></td>
          <td>
            <span v-if="way.id === job.batchWay.id" class="quiet">chosen</span>
            <BButton v-else size="sm" variant="key" @click="use(way.id)">Use</BButton>
          </td>
        </tr>
      </tbody>
    </BTableSimple>
  </section>
</template>
