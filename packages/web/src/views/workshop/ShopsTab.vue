<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormFile } from 'bootstrap-vue-next/components/BFormFile';
import { onMounted, ref, shallowRef } from 'vue';
import type { BadPrice } from '@spare-acre/core/procurement/buying';
import { SHOP_PLAYS, type WorkshopState, type ShopPlays } from '@spare-acre/core/io/wire';
import { fromMinor, showText, toMinor } from '@spare-acre/core/base/units';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { useShops } from '../../stores/workshop/shops';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import TextField from '../../ui/fields/TextField.vue';
import TickField from '../../ui/fields/TickField.vue';
import { saveFile } from '../../ui/saveFile';
import { readInWorker } from '../../workers/reading';

/** Shops: what it costs to have something sent, and what they ask for what. */
const shops = useShops();
const catalogues = useCatalogue();
onMounted(() => void shops.load());
const PLAYS: Readonly<Record<ShopPlays, string>> = {
  none: 'None',
  'sold-out': 'A third is sold out',
  'price-jump': 'Prices jump',
  broken: 'Sends invalid data',
  silent: 'Does not answer',
};
const plays = SHOP_PLAYS.map((value) => ({ value, text: PLAYS[value] }));
const DAY_MS = 86_400_000;
/** Prices older than this are told as old. */
const OLD_DAYS = 14;
const money = (minor: number): string =>
  showText({ value: minor, unit: 'money' }, { system: 'metric', currency: catalogues.catalogue!.currency });
function ageText({ heardMs, offers, fault }: WorkshopState): string {
  const seen = heardMs ?? Math.max(0, ...offers.map(({ seenMs }) => seenMs));
  if (seen === 0) return 'no prices yet';
  const days = Math.floor((shops.nowMs - seen) / DAY_MS);
  const said = days === 0 ? 'prices of today' : `prices ${days} ${days === 1 ? 'day' : 'days'} old`;
  return days > OLD_DAYS && fault === null ? `${said}: ask again before you buy` : said;
}
const outOf = ({ offers }: WorkshopState): number => offers.filter(({ stock }) => stock === 0).length;
const dearer = ({ offers }: WorkshopState): number =>
  offers.filter(({ wasMinor, priceMinor }) => wasMinor !== null && priceMinor > wasMinor * 1.2).length;
const termsOf = ({ name, deliveryMinor, freeFromMinor, days }: WorkshopState) => ({ name, deliveryMinor, freeFromMinor, days });
function change(shop: WorkshopState, terms: Partial<ReturnType<typeof termsOf>>): string {
  void shops.setTerms(shop.id, { ...termsOf(shop), ...terms });
  return '';
}
const minor = (amount: number): number => toMinor(amount, catalogues.catalogue!.currency);
const whole = (value: number): number => fromMinor(value, catalogues.catalogue!.currency);
const add = (): Promise<void> => shops.add({ name: 'My shop', deliveryMinor: 0, freeFromMinor: null, days: 0 });

const said = ref<Record<string, string>>({});
const bad = shallowRef<Readonly<Record<string, readonly BadPrice[]>>>({});
const chosen = ref<File | null>(null);
async function take({ id }: WorkshopState, given: File | readonly File[] | null): Promise<void> {
  const file = given instanceof File ? given : given?.[0];
  if (file == null) return;
  const text = await file.text();
  const list = await readInWorker(file, (reader) => reader.readPriceList(text, catalogues.catalogue!)).catch(
    (error: Error) => error.message,
  );
  chosen.value = null;
  if (typeof list === 'string') return void (said.value[id] = list);
  if (list.offers.length > 0) await shops.setOffers(id, list.offers);
  bad.value = { ...bad.value, [id]: list.bad };
  said.value[id] =
    shops.fault !== '' ? '' : `${list.offers.length} prices imported${list.bad.length === 0 ? '' : `, ${list.bad.length} rows skipped`}.`;
  chosen.value = null;
}
async function toFile({ name, offers }: WorkshopState): Promise<void> {
  const { priceListCsv } = await import('@spare-acre/core/procurement/buying');
  saveFile(new Blob([priceListCsv(offers, catalogues.catalogue!)], { type: 'text/csv' }), `${name} prices`, 'csv');
}
const MONEY = { min: 0, max: 1e5 };
const DAYS = { min: 0, max: 120 };
</script>

<template>
  <div class="top">
    <BButton variant="primary" :disabled="shops.isBusy" @click="add">Add a shop</BButton>
    <BButton variant="key" :disabled="shops.isBusy" @click="shops.ask()">Update all prices</BButton>
    <span class="quiet">Prices of the example shops are updated every hour. No data leaves this computer.</span>
  </div>
  <p v-if="shops.fault !== ''" class="attention" role="alert">{{ shops.fault }}</p>
  <section v-for="shop in shops.shops" :key="shop.id" class="shop" :data-shop="shop.id" :aria-label="shop.name">
    <h2>{{ shop.name }} <small v-if="shop.isSimulated" class="quiet">example</small></h2>
    <p class="m-0">
      {{ shop.offers.length }} offers, {{ ageText(shop) }}<template v-if="outOf(shop) > 0">, {{ outOf(shop) }} sold out</template
      ><template v-if="dearer(shop) > 0">, {{ dearer(shop) }} at least a fifth more expensive than last time</template>.
      <span v-if="shop.fault !== null" class="attention" data-testid="shop-fault">⚠ The shop {{ shop.fault }}.</span>
    </p>
    <div class="terms">
      <TextField
        v-if="!shop.isSimulated"
        label="Name"
        :value="shop.name"
        :take="(name) => (name === '' ? 'is empty. Enter a name' : change(shop, { name }))"
      />
      <NumberField
        label="Delivery"
        :value="whole(shop.deliveryMinor)"
        :unit="catalogues.catalogue!.currency"
        :limits="MONEY"
        :take="(value) => change(shop, { deliveryMinor: minor(value) })"
      />
      <TickField
        :label="shop.freeFromMinor === null ? 'Free delivery from' : `Free delivery from ${money(shop.freeFromMinor)}`"
        :is-on="shop.freeFromMinor !== null"
        @toggle="(on) => change(shop, { freeFromMinor: on ? minor(50) : null })"
      />
      <NumberField
        v-if="shop.freeFromMinor !== null"
        label="From"
        :value="whole(shop.freeFromMinor)"
        :unit="catalogues.catalogue!.currency"
        :limits="{ min: 1, max: 1e5 }"
        :take="(value) => change(shop, { freeFromMinor: minor(value) })"
      />
      <NumberField
        label="Delivery in"
        :value="shop.days"
        unit="days"
        :limits="DAYS"
        :take="(days) => change(shop, { days: Math.round(days) })"
      />
    </div>
    <div class="deeds">
      <ChoiceField
        v-if="shop.isSimulated"
        label="Simulate"
        :value="shop.plays"
        :options="plays"
        @choose="(own) => shops.play(shop.id, own)"
      />
      <BButton variant="key" @click="toFile(shop)">Export prices (CSV)</BButton>
      <BButton v-if="!shop.isSimulated" variant="key" @click="shops.remove(shop.id)">Remove</BButton>
    </div>
    <BFormFile
      v-if="!shop.isSimulated"
      v-model="chosen"
      :label="`Price list of ${shop.name} (CSV: item, pack, price, from, from_price, in_stock)`"
      accept=".csv,text/csv"
      @update:model-value="(file) => take(shop, file)"
    />
    <p v-if="said[shop.id]" role="status">{{ said[shop.id] }}</p>
    <ul v-if="(bad[shop.id]?.length ?? 0) > 0" data-testid="bad-prices">
      <li v-for="{ line, column, message } in bad[shop.id]" :key="`${line} ${column}`">line {{ line }}, {{ column }}: {{ message }}</li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
  margin: 12px 0 2px;
}
.top,
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
  margin: 8px 0;
}
.shop {
  border-left: 3px solid var(--rule);
  padding-left: 12px;
  margin: 14px 0;
  max-width: 620px;
}
.terms {
  max-width: 380px;
}
</style>
