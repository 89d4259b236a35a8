<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue';
import type { School } from '@spare-acre/core/derive';
import FigureCell from '../figures/FigureCell.vue';
import SearchProgress from '../figures/SearchProgress.vue';
import { useCatalogue } from '../stores/catalogue';
import { usePlan } from '../stores/plan';
import { searches, useLongSearch } from '../worker/searches';

/** Where builders differ, side by side: the same board built each way and reckoned through. */
const store = usePlan();
const catalogues = useCatalogue();
const search = useLongSearch();
const schools = shallowRef<readonly School[]>([]);
const GROUPS = { edges: 'Edges', adhesive: 'One adhesive for everything', substrate: 'Substrate' } as const;
const groups = computed(() =>
  (['edges', 'adhesive', 'substrate'] as const).map((id) => ({
    id,
    name: GROUPS[id],
    schools: schools.value.filter(({ group }) => group === id),
  })),
);

watch(
  () => store.plan,
  async (plan) => {
    if (plan === null) return;
    const found = await search.run((onProgress) => searches().schools(plan, catalogues.catalogue!, store.offcuts, onProgress as never));
    if (found !== null) schools.value = found;
  },
  { immediate: true },
);
/** What the checks say, each in a word or two, the same once. */
const risk = ({ risks }: School): string => {
  const words = [...new Set(risks.map(({ code }) => WORDS[code] ?? 'other'))].map((word) => {
    const count = risks.filter(({ code }) => (WORDS[code] ?? 'other') === word).length;
    return count === 1 ? word : `${word} ×${count}`;
  });
  return words.length === 0 ? 'none found' : words.join(', ');
};
const WORDS: Readonly<Record<string, string>> = {
  'glue/never-dries': 'stays wet',
  'glue/dissolves': 'eats the foam',
  'glue/slips': 'does not grip',
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
  'raised/no-such-height': 'no such height in stock',
  'coats/solvent': 'solvent on foam',
  'stack/joints': 'joints in line',
};
const take = ({ stack, name }: School): string => store.edit(`Build it so: ${name}`, (draft) => void Object.assign(draft.stack, stack));
</script>

<template>
  <SearchProgress :search="search" what="Reckoning each way" />
  <table v-if="schools.length > 0" class="ledger" data-testid="schools">
    <thead>
      <tr>
        <th>way</th>
        <th class="num">hands-on</th>
        <th class="num">cost</th>
        <th class="num">mass</th>
        <th class="num">bow at worst</th>
        <th>ready</th>
        <th>risk</th>
        <th><span class="visually-hidden">to do</span></th>
      </tr>
    </thead>
    <tbody v-for="group in groups" :key="group.id">
      <tr class="group">
        <td colspan="8">{{ group.name }}</td>
      </tr>
      <tr v-for="school in group.schools" :key="school.id" :title="school.says">
        <td>{{ school.name }}</td>
        <td class="num"><FigureCell :figure="school.hours" /></td>
        <td class="num"><FigureCell :figure="school.cost" /></td>
        <td class="num"><FigureCell :figure="school.mass" /></td>
        <td class="num"><FigureCell :figure="school.bow.worst" /></td>
        <td class="ready">{{ school.readyText }}</td>
        <td class="risk" :class="{ attention: school.risks.some(({ isStop }) => isStop) }">{{ risk(school) }}</td>
        <td>
          <span v-if="school.isOwn" class="quiet own">as planned</span>
          <button v-else type="button" class="key" @click="take(school)">Take it</button>
        </td>
      </tr>
    </tbody>
  </table>
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
