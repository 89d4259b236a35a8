<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, onMounted, ref } from 'vue';
import { STOCK_TRANSACTION_KINDS, type StockTransactionKind, stockedIn } from '@spare-acre/core/procurement/stock';
import { lengthWords, parseNumber, showText, toMinor } from '@spare-acre/core/base/units';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { useRack } from '../../stores/workshop/rack';
import { useShelf } from '../../stores/workshop/shelf';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { useOnce } from '../../ui/useOnce';

/** What lies on the shelf and in the rack, and everything that happened to it. */
const shelf = useShelf();
const rack = useRack();
const catalogues = useCatalogue();
onMounted(() => void Promise.all([shelf.load(), rack.load()]));
const SAID: Readonly<Record<StockTransactionKind, string>> = {
  bought: 'bought',
  found: 'found',
  opened: 'opened',
  used: 'used',
  thrown: 'thrown away',
  counted: 'counted stock',
  kept: 'reserved for a board',
};
const stocks = computed(() =>
  [...stockedIn(catalogues.catalogue!).values()].filter(({ id }) => !id.startsWith('sheets.')).sort((a, b) => a.name.localeCompare(b.name)),
);
const stockOf = (id: string) => stockedIn(catalogues.catalogue!).get(id);
const kinds = STOCK_TRANSACTION_KINDS.filter((kind) => kind !== 'kept').map((value) => ({ value, text: SAID[value] }));
const options = computed(() => stocks.value.map(({ id, name, unit }) => ({ value: id, text: unit === '1' ? name : `${name}, ${unit}` })));
const showing = computed(() => ({ system: 'metric' as const, currency: catalogues.catalogue!.currency }));
const amountText = (value: number, id: string): string => showText({ value, unit: stockOf(id)?.unit ?? '1' }, showing.value);

const typed = ref({ stockId: '', kind: 'bought' as StockTransactionKind, amount: '', paid: '', note: '' });
const currency = computed(() => catalogues.catalogue!.currency);
const problem = ref('');
const unit = computed(() => {
  const own = stockOf(typed.value.stockId)?.unit ?? '';
  return own === '1' ? 'pieces' : own;
});
const { isBusy, run: write } = useOnce(async () => {
  const { stockId, kind, amount, paid, note } = typed.value;
  if (stockId === '') return void (problem.value = 'Choose an item first.');
  const read = kind === 'opened' ? { ok: true as const, value: 0 } : parseNumber(amount, 'Amount', unit.value, { min: 0, max: 1e6 });
  problem.value = read.ok ? '' : read.problem.message;
  if (!read.ok) return;
  const money = kind === 'bought' && paid.trim() !== '' ? parseNumber(paid, 'Paid', currency.value, { min: 0, max: 1e6 }) : null;
  if (money !== null && !money.ok) return void (problem.value = money.problem.message);
  const paidMinor = money === null ? null : toMinor(money.value, currency.value);
  await shelf.add([{ stockId, kind, amount: read.value, paidMinor, note }]);
  if (shelf.fault === '') typed.value = { ...typed.value, amount: '', paid: '', note: '' };
});
const there = computed(() => shelf.shelved.filter(({ amount }) => amount > 0));
const lines = computed(() => [...shelf.moves].reverse().slice(0, 60));
const sizeText = ({ widthMm, depthMm, thicknessMm }: { widthMm: number; depthMm: number; thicknessMm: number }): string =>
  `${lengthWords([widthMm, depthMm], 'metric')}, ${thicknessMm} mm thick`;
const materialName = (id: string): string => catalogues.catalogue!.materials.find((one) => one.id === id)?.name ?? id;
</script>

<template>
  <form class="write" @submit.prevent="write">
    <ChoiceField
      label="Item"
      :value="typed.stockId"
      :options="[{ value: '', text: 'choose an item' }, ...options]"
      @choose="(id) => (typed.stockId = id)"
    />
    <ChoiceField label="Change" :value="typed.kind" :options="kinds" @choose="(kind) => (typed.kind = kind)" />
    <label v-if="typed.kind !== 'opened'"
      >Amount <BFormInput v-model="typed.amount" inputmode="decimal" autocomplete="off" /> {{ unit }}</label
    >
    <label v-if="typed.kind === 'bought'"
      >Paid <BFormInput v-model="typed.paid" inputmode="decimal" autocomplete="off" placeholder="optional" /> {{ currency }}</label
    >
    <label>Note <BFormInput v-model="typed.note" maxlength="200" autocomplete="off" /></label>
    <BButton type="submit" variant="primary" :disabled="isBusy">Add entry</BButton>
  </form>
  <p v-if="problem !== '' || shelf.fault !== ''" class="attention" role="alert">{{ problem || shelf.fault }}</p>
  <p v-if="there.length === 0" class="quiet">The shelf is empty. Add what you have, and your boards will buy less.</p>
  <BTableSimple v-else class="ledger" data-testid="shelf">
    <thead>
      <tr>
        <th scope="col">On the shelf</th>
        <th scope="col" class="num">In stock</th>
        <th scope="col">Reserved for boards</th>
        <th scope="col">Age</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ stock, amount, kept, tooOld, openedOn } in there" :key="stock.id">
        <td>{{ stock.name }}</td>
        <td class="num">{{ amountText(amount, stock.id) }}</td>
        <td>{{ [...kept.values()].map((own) => amountText(own, stock.id)).join(', ') }}</td>
        <td :class="{ attention: tooOld !== null }">
          {{ tooOld !== null ? `⚠ ${tooOld}` : openedOn === null ? '' : `opened ${openedOn}` }}
        </td>
      </tr>
    </tbody>
  </BTableSimple>
  <h2>Rack of offcuts</h2>
  <p v-if="rack.offcuts.length === 0" class="quiet">
    No offcuts yet. They are added when you mark sheets as cut in Cuts. You can also add your own there.
  </p>
  <p v-for="offcut in rack.offcuts" :key="offcut.id" class="line">
    <span>{{ materialName(offcut.materialId) }}, {{ sizeText(offcut) }}</span>
    <BButton variant="key" @click="rack.remove(offcut.id)">Remove</BButton>
  </p>
  <template v-if="lines.length > 0">
    <h2>Change</h2>
    <BTableSimple class="ledger happened" data-testid="moves">
      <tbody>
        <tr v-for="move in lines" :key="move.id">
          <td>{{ move.day }}</td>
          <td>{{ stockOf(move.stockId)?.name ?? move.stockId }}</td>
          <td>{{ SAID[move.kind] }}</td>
          <td class="num">{{ move.kind === 'opened' ? '' : amountText(move.amount, move.stockId) }}</td>
          <td class="num">{{ move.paidMinor === null ? '' : showText({ value: move.paidMinor, unit: 'money' }, showing) }}</td>
          <td class="quiet">{{ move.note }}</td>
          <td>
            <BButton variant="key" :aria-label="`Delete the entry of ${move.day}`" @click="shelf.remove(move.id)">Delete entry</BButton>
          </td>
        </tr>
      </tbody>
    </BTableSimple>
  </template>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
  margin: 12px 0 2px;
}
.write {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
  margin: 10px 0;
}
.write label {
  display: flex;
  gap: 6px;
  align-items: center;
}
.line {
  max-width: 620px;
}
@media (max-width: 700px) {
  .happened tr {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 10px;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
  }
  .happened td {
    border: 0;
    padding: 0;
  }
}
</style>
