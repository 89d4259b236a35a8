<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, shallowRef, watch } from 'vue';
import type { WarningCode } from '@spare-acre/core/advice/checks';
import type { BuildOption } from '@spare-acre/core/pipeline';
import FigureCell from '../../ui/values/FigureCell.vue';
import SearchProgress from '../../ui/SearchProgress.vue';
import { usePlan } from '../../stores/board/plan';
import { searches, useLongSearch } from '../../workers/searches';

/** Where builders differ, side by side: the same board built each way and reckoned through. */
const store = usePlan();
const search = useLongSearch();
const buildOptions = shallowRef<readonly BuildOption[]>([]);
const GROUPS = { edges: 'Edges', adhesive: 'One adhesive for all joints', substrate: 'Substrate' } as const;
const groups = computed(() =>
  (['edges', 'adhesive', 'substrate'] as const).map((id) => ({
    id,
    name: GROUPS[id],
    buildOptions: buildOptions.value.filter(({ group }) => group === id),
  })),
);

watch(
  () => store.plan,
  async (plan) => {
    if (plan === null) return;
    const found = await search.run((onProgress) => searches().buildOptions(onProgress));
    if (found !== null) buildOptions.value = found;
  },
  { immediate: true },
);
/** What the checks say, each in a word or two, the same once. */
const risk = ({ risks }: BuildOption): string => {
  const words = [...new Set(risks.map(({ code }) => WORDS[code] ?? 'other'))].map((word) => {
    const count = risks.filter(({ code }) => (WORDS[code] ?? 'other') === word).length;
    return count === 1 ? word : `${word} ×${count}`;
  });
  return words.length === 0 ? 'none found' : words.join(', ');
};
const WORDS: Readonly<Partial<Record<WarningCode, string>>> = {
  'glue/never-dries': 'stays wet',
  'glue/dissolves': 'dissolves the foam',
  'glue/slips': 'does not stick',
  'glue/spots': 'loose under texture',
  'glue/buckles': 'buckles',
  'stack/bow': 'bows',
  'stack/grain': 'grain not crossed',
  'cut/too-large': 'too large for a sheet',
  'cut/throat': 'too large for the tool',
  'cut/fence': 'too large for the tool',
  'cut/height': 'too thick for the tool',
  'cut/outdated': 'cut sheets wasted',
  'cut/unwanted': 'cut sheets wasted',
  'raised/no-such-height': 'height not in stock',
  'coats/solvent': 'solvent on foam',
  'stack/joints': 'joints in line',
};
const take = ({ stack, name }: BuildOption): string => store.edit({ code: 'stack/build', stack, way: name });
</script>

<template>
  <SearchProgress :search="search" what="Calculating each option" />
  <BTableSimple v-if="buildOptions.length > 0" class="ledger" data-testid="buildOptions">
    <thead>
      <tr>
        <th>Option</th>
        <th class="num">Hands-on</th>
        <th class="num">Cost</th>
        <th class="num">Mass</th>
        <th class="num">Worst bow</th>
        <th>Ready</th>
        <th>Risk</th>
        <th><span class="visually-hidden">to do</span></th>
      </tr>
    </thead>
    <tbody v-for="group in groups" :key="group.id">
      <tr class="group">
        <td colspan="8">{{ group.name }}</td>
      </tr>
      <tr v-for="option in group.buildOptions" :key="option.id" :title="option.says">
        <td>{{ option.name }}</td>
        <td class="num"><FigureCell :figure="option.hours" /></td>
        <td class="num"><FigureCell :figure="option.cost" /></td>
        <td class="num"><FigureCell :figure="option.mass" /></td>
        <td class="num"><FigureCell :figure="option.bow.worst" /></td>
        <td class="ready">{{ option.readyText }}</td>
        <td class="risk" :class="{ attention: option.risks.some(({ isStop }) => isStop) }">{{ risk(option) }}</td>
        <td>
          <span v-if="option.isOwn" class="quiet own">as planned</span>
          <BButton v-else variant="key" @click="take(option)">Use this</BButton>
        </td>
      </tr>
    </tbody>
  </BTableSimple>
</template>

<style scoped>
.ledger td {
  padding: 1px 6px;
}
.own,
.ready {
  white-space: nowrap;
}
.risk {
  font-size: 0.88rem;
  line-height: 1.2;
}
</style>
