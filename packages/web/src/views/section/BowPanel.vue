<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import type { BowCause } from '@spare-acre/core/build/stack/bow';
import { showText } from '@spare-acre/core/base/units';
import FigureCell from '../../ui/values/FigureCell.vue';
import FigureLine from '../../ui/values/FigureLine.vue';
import { usePlan } from '../../stores/board/plan';

/** How far the largest tile bows, what makes it, what lowers it, and what has to lie on it while it is glued. */
const store = usePlan();
const bow = computed(() => store.slices.bow ?? null);
const levers = computed(() => store.slices.levers ?? []);
const weights = computed(() => store.slices.weights ?? null);
const CAUSES: Readonly<Record<BowCause, string>> = {
  glue: 'Glue drying',
  coats: 'Coats drying',
  season: 'Damp and dry months, up or down',
};
const WIDE = 236;
const TALL = 60;
/** The three arcs, drawn so that the farthest just fits. */
const arcs = computed(() => {
  if (bow.value === null) return [];
  const { least, likely, most, worst } = bow.value;
  const scale = worst.value === 0 ? 0 : (TALL / 2 - 8) / worst.value;
  return [
    { name: 'least', isEnd: true, rise: least.value * scale },
    { name: 'most', isEnd: true, rise: most.value * scale },
    { name: 'likely', isEnd: false, rise: likely.value * scale },
  ].map(({ rise, ...arc }) => ({ ...arc, d: `M10 ${TALL / 2}Q${WIDE / 2} ${TALL / 2 - 2 * rise} ${WIDE - 10} ${TALL / 2}` }));
});
/** Under this nobody sees it. */
const FLAT_MM = 0.05;
const rise = (mm: number): string => (Math.abs(mm) < FLAT_MM ? 'flat' : `${size(mm)} up ${mm > 0 ? 'in the middle' : 'at the edges'}`);
const size = (mm: number): string => showText({ value: Math.abs(mm), unit: 'mm' }, store.showing);
</script>

<template>
  <div v-if="bow !== null" class="columns">
    <div>
      <h2>Bow over {{ size(bow.span.value) }}</h2>
      <svg class="ink" :width="WIDE" :height="TALL" role="img" :aria-label="`Bow, likely: ${rise(bow.likely.value)}`">
        <line class="tick" x1="10" :x2="WIDE - 10" :y1="TALL / 2" :y2="TALL / 2" />
        <path v-for="arc in arcs" :key="arc.name" :d="arc.d" fill="none" :class="arc.isEnd ? 'end' : 'likely'" />
      </svg>
      <p class="m-0" data-testid="bow-range">From {{ rise(bow.least.value) }} to {{ rise(bow.most.value) }}</p>
      <p class="quiet small mb-1">+ up in the middle, − up at the edges</p>
      <FigureLine label="Likely" :figure="bow.likely" />
      <FigureLine label="Worst case, up or down" :figure="bow.worst" />
      <FigureLine v-for="part in bow.parts" :key="part.cause" class="inner" :label="CAUSES[part.cause]" :figure="part.bow" />
    </div>
    <div>
      <h2>Ways to reduce bow</h2>
      <p v-if="levers.length === 0" class="quiet">No known change would reduce it noticeably.</p>
      <BTableSimple v-else class="ledger" data-testid="levers">
        <thead>
          <tr>
            <th>Change</th>
            <th class="num">Reduction</th>
            <th class="num">Remaining bow</th>
            <th><span class="visually-hidden">to do</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="lever in levers" :key="lever.label">
            <td>{{ lever.label }}<span v-if="!lever.isSound" class="attention"> (then the glue stays wet)</span></td>
            <td class="num"><FigureCell :figure="lever.saves" /></td>
            <td class="num"><FigureCell :figure="lever.leaves" /></td>
            <td><BButton variant="key" @click="store.mend(lever)">Apply</BButton></td>
          </tr>
        </tbody>
      </BTableSimple>
    </div>
    <div>
      <h2>While it is glued</h2>
      <template v-if="weights !== null">
        <FigureLine label="Bow while wet without weights" :figure="weights.wetBow" />
        <FigureLine label="Weights per tile" :figure="weights.mass" />
        <FigureLine label="Full paint pots, for example" :figure="weights.pieces" />
        <p class="quiet small">Lay the tile on a flat board and spread the weights over the whole tile until the glue can be handled.</p>
      </template>
      <p v-else class="quiet">One layer: nothing to glue or weigh down.</p>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 236px minmax(0, 1fr) 196px;
  gap: 22px;
}
h2 {
  font-size: 0.98rem;
  margin: 0 0 2px;
}
.likely {
  stroke: var(--ink);
  stroke-width: 2;
}
.end {
  stroke: var(--ink-soft);
  stroke-dasharray: 4 3;
}
.ledger td {
  padding: 1px 4px;
}
.small {
  font-size: 0.86rem;
  line-height: 1.3;
}
</style>
