<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed } from 'vue';
import { fromMinor, showChange, showText } from '@spare-acre/core/base/units';
import { costShares } from '@spare-acre/core/procurement/supplies/shares';
import { spentOn, stockedIn } from '@spare-acre/core/procurement/stock';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import { useShelf } from '../../stores/workshop/shelf';
import PlotFrame from '../../ui/PlotFrame.vue';

/** Where the money goes: by what it is for, by the square metre, and what is left on the shelf afterwards. */
const store = usePlan();
const shelf = useShelf();
const catalogues = useCatalogue();
const WORDS: Readonly<Record<ReturnType<typeof costShares>['stages'][number]['stage'], string>> = {
  ground: 'Sheets and glue',
  pieces: 'Pieces',
  texture: 'Texture and ground',
  paint: 'Paint and varnish',
  water: 'Water',
  fittings: 'Connectors and lights',
};
const shares = computed(() => {
  const { supplies } = store.slices;
  return supplies === undefined ? null : costShares(supplies.rows, store.plan!.table);
});
const spent = computed(() => {
  const { supplies } = store.slices;
  return supplies === undefined || store.boardId === null
    ? null
    : spentOn(store.boardId, shelf.moves, supplies.rows, (id) => stockedIn(catalogues.catalogue!).get(id)?.name ?? id);
});
const apart = (planned: number, paid: number | null): string =>
  paid === null ? '' : showChange(planned, paid, 'money', store.showing) || 'as planned';
const money = (value: number): string => showText({ value, unit: 'money' }, store.showing);
const data = computed(() => {
  const style = getComputedStyle(document.documentElement);
  const stages = shares.value?.stages ?? [];
  const bar = (name: string, values: readonly number[], colour: string, pattern: string) => ({
    type: 'bar' as const,
    name,
    orientation: 'h' as const,
    y: stages.map(({ stage }) => WORDS[stage]),
    x: values.map((value) => fromMinor(value, store.showing.currency)),
    marker: { color: style.getPropertyValue(colour).trim(), pattern: { shape: pattern as '/' } },
    hoverinfo: 'x+name' as const,
  });
  return [
    bar(
      'Used',
      stages.map(({ usedMinor }) => usedMinor),
      '--moss',
      '',
    ),
    bar(
      'Leftover',
      stages.map(({ leftMinor }) => leftMinor),
      '--ochre',
      '/',
    ),
  ];
});
const layout = computed(() => ({
  barmode: 'stack' as const,
  showlegend: true,
  legend: { orientation: 'h' as const, y: -0.25 },
  margin: { l: 130, r: 14, t: 8, b: 46 },
  xaxis: { title: { text: store.showing.currency } },
}));
</script>

<template>
  <template v-if="shares !== null">
    <p class="m-0" data-testid="per-square-metre">
      {{ money(shares.usedMinor) }} is used<template v-if="shares.perM2Minor !== null"
        >, {{ money(shares.perM2Minor) }} per square metre</template
      >. Leftovers are worth {{ money(shares.leftMinor) }}.
    </p>
    <PlotFrame label="Cost by purpose; same data as the table below" :data="data" :layout="layout" :height-px="260" />
    <BTableSimple class="ledger" data-testid="costs">
      <thead>
        <tr>
          <th scope="col">Purpose</th>
          <th scope="col" class="num">Used</th>
          <th scope="col" class="num">Leftover</th>
          <th scope="col" class="num">Share</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ stage, usedMinor, leftMinor, sharePct } in shares.stages" :key="stage">
          <td>{{ WORDS[stage] }}</td>
          <td class="num">{{ money(usedMinor) }}</td>
          <td class="num">{{ money(leftMinor) }}</td>
          <td class="num">{{ Math.round(sharePct) }} %</td>
        </tr>
      </tbody>
    </BTableSimple>
    <template v-if="spent !== null">
      <h3>Spent so far</h3>
      <p v-if="spent.paidMinor === 0 && spent.unpriced === 0" class="quiet">
        Nothing bought yet. Items marked as bought in the buy list appear here with the price paid.
      </p>
      <template v-else>
        <p data-testid="spent">
          {{ money(spent.paidMinor) }} paid for items planned at {{ money(spent.plannedOfBoughtMinor) }}. {{ money(spent.plannedMinor) }} is
          planned in total.
          <template v-if="spent.unpriced > 0">{{ spent.unpriced }} bought without a price.</template>
        </p>
        <BTableSimple class="ledger" data-testid="spent-rows">
          <thead>
            <tr>
              <th scope="col">Of</th>
              <th scope="col" class="num">Planned</th>
              <th scope="col" class="num">Paid</th>
              <th scope="col" class="num">Difference</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ name, plannedMinor, paidMinor, plannedOfBoughtMinor } in spent.rows" :key="name">
              <td>{{ name }}</td>
              <td class="num">{{ money(plannedMinor) }}</td>
              <td class="num">{{ paidMinor === null ? 'not yet' : money(paidMinor) }}</td>
              <td class="num">{{ apart(plannedOfBoughtMinor, paidMinor) }}</td>
            </tr>
          </tbody>
        </BTableSimple>
      </template>
    </template>
    <h3 v-if="shares.lying.length > 0">Left on the shelf</h3>
    <p v-for="{ name, amount, unit, minor } in shares.lying" :key="name" class="line">
      <span>{{ name }}</span><span>{{ showText({ value: amount, unit }, store.showing) }}</span
      ><span>{{ money(minor) }}</span>
    </p>
  </template>
</template>

<style scoped>
h3 {
  font-size: 1.05rem;
  margin: 12px 0 2px;
}
.line {
  max-width: 560px;
  margin: 0;
}
</style>
