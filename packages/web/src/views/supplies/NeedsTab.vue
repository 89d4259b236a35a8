<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed } from 'vue';
import type { Supply } from '@spare-acre/core/procurement/supplies';
import { type Bare, showText } from '@spare-acre/core/base/units';
import { showBand } from '@spare-acre/core/learning/uncertainty';
import FigureCell from '../../ui/values/FigureCell.vue';
import { usePlan } from '../../stores/board/plan';
import { useSure } from '../../stores/board/sure';
import EnoughField from './EnoughField.vue';

const store = usePlan();
const sure = useSure();
const buying = computed(() => store.plan?.buying ?? { ofHundred: null, own: [] });
/** How far a need may really come out. */
function bandText({ id, need }: Bare<Supply>): string {
  const band = sure.needs.get(id)?.band ?? null;
  return band === null ? '' : showBand(band, need.unit, store.showing);
}
const ownOf = (id: string): (typeof buying.value)['own'][number] | undefined => buying.value.own.find(({ supplyId }) => supplyId === id);
const supplies = computed(() => store.slices.supplies ?? null);
const NAMES: Readonly<Record<Supply['group'], string>> = {
  sheets: 'Sheets',
  lengths: 'Strips, rods, tubes',
  cladding: 'Cladding',
  fills: 'Rubble, clay, soil',
  casting: 'Casting',
  adhesive: 'Adhesive',
  fixings: 'Connectors',
  lights: 'Small lights',
  stuffs: 'Mixes',
  texture: 'Texture',
  grain: 'Grain and stones',
  sealer: 'Sealer',
  paint: 'Paint',
  planting: 'Planting',
  mask: 'Masks and tape',
  varnish: 'Varnish',
  water: 'Water',
};
const groups = computed(() =>
  (Object.keys(NAMES) as Supply['group'][])
    .map((group) => ({ group, name: NAMES[group], rows: supplies.value?.rows.filter((row) => row.group === group) ?? [] }))
    .filter(({ rows }) => rows.length > 0),
);
const packText = (row: Bare<Supply>): string =>
  row.packs
    .map(({ count, amount }) => {
      const isSingle = amount.unit === '1' && amount.value === 1;
      if (isSingle && row.group !== 'sheets') return String(count);
      return `${count} × ${isSingle ? amount.label : showText(amount, store.showing)}`;
    })
    .join(' + ') || 'nothing';
/** Sheets are counted as such; what a shop asks for cutting is money. */
const unitOf = ({ group, need }: Bare<Supply>): string | undefined =>
  group !== 'sheets' || need.unit !== '1' ? undefined : need.value === 1 ? 'sheet' : 'sheets';
</script>

<template>
  <p class="quiet m-0">Stock on the shelf is subtracted. All prices are examples. Follow the product label if it gives another rate.</p>
  <EnoughField
    label="Safety margin"
    class="usual"
    :value="buying.ofHundred"
    data-testid="enough-all"
    @choose="(ofHundred) => ofHundred !== 'usual' && store.edit({ code: 'buying/enough', ofHundred })"
  />
  <BTableSimple v-if="supplies !== null" class="ledger stacked" data-testid="supplies">
    <thead>
      <tr>
        <th scope="col">Material</th>
        <th scope="col" class="num">Needed</th>
        <th scope="col">Enough</th>
        <th scope="col">Buy</th>
        <th scope="col" class="num">To buy</th>
        <th scope="col" class="num">Used</th>
      </tr>
    </thead>
    <tbody>
      <template v-for="{ group, name, rows } in groups" :key="group">
        <tr class="group">
          <td colspan="6">{{ name }}</td>
        </tr>
        <tr v-for="row in rows" :key="row.id" :data-supply="row.id">
          <td>{{ row.name }}</td>
          <td class="num">
            <FigureCell :figure="row.need" :unit="unitOf(row)" /><span class="band">{{ bandText(row) }}</span>
            <span v-if="row.onShelf !== null" class="band" data-testid="on-shelf">on the shelf: <FigureCell :figure="row.onShelf" /></span>
          </td>
          <td>
            <EnoughField
              v-if="bandText(row) !== '' || ownOf(row.id) !== undefined"
              :label="`Safety margin for ${row.name}`"
              hide-label
              has-usual
              :value="ownOf(row.id) === undefined ? 'usual' : ownOf(row.id)!.ofHundred"
              :enough="sure.needs.get(row.id)?.enough ?? []"
              :usual="buying.ofHundred"
              @choose="(ofHundred) => store.edit({ code: 'buying/enough-of', supplyId: row.id, name: row.name, ofHundred })"
            />
          </td>
          <td>{{ packText(row) }}</td>
          <td class="num"><FigureCell :figure="row.buy" /></td>
          <td class="num"><FigureCell :figure="row.used" /></td>
        </tr>
      </template>
      <tr class="sum">
        <td colspan="4">Total</td>
        <td class="num"><FigureCell :figure="supplies.buy" /></td>
        <td class="num"><FigureCell :figure="supplies.used" /></td>
      </tr>
    </tbody>
  </BTableSimple>
</template>

<style scoped>
.usual {
  max-width: 420px;
}
.band {
  display: block;
  font-size: 0.8rem;
  color: var(--ink-soft);
}
@media (max-width: 700px) {
  .ledger tr[data-supply] td:nth-child(1) {
    font-weight: 500;
  }
  .ledger tr[data-supply] td:nth-child(2) {
    grid-area: 2 / 1 / 3 / 2;
    text-align: left;
  }
  .ledger tr[data-supply] td:nth-child(3) {
    grid-area: 4 / 1 / 5 / 3;
  }
  .ledger tr[data-supply] td:nth-child(3):empty {
    display: none;
  }
  .ledger tr[data-supply] td:nth-child(4) {
    grid-area: 3 / 1 / 4 / 3;
  }
  .ledger tr[data-supply] td:nth-child(5) {
    grid-area: 1 / 2 / 2 / 3;
  }
  .ledger tr[data-supply] td:nth-child(6) {
    grid-area: 2 / 2 / 3 / 3;
  }
  .ledger tr[data-supply] td:nth-child(2)::before {
    content: 'Needed ';
    color: var(--ink-soft);
  }
  .ledger tr[data-supply] td:nth-child(4):not(:empty)::before {
    content: 'buy ';
    color: var(--ink-soft);
  }
  .ledger td:nth-child(6)::before,
  .ledger tr.sum td:nth-child(3)::before {
    content: 'Used ';
    color: var(--ink-soft);
    font-weight: 400;
  }
  .ledger tr.sum td:nth-child(3) {
    grid-column: 2;
  }
}
</style>
