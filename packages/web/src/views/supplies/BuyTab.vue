<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { addDays, format } from 'date-fns';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import type { Basket, LeastCost, Offer, Terms, Want } from '@spare-acre/core/procurement/buying';
import { momentText } from '@spare-acre/core/base/dates';
import { csvOf } from '@spare-acre/core/base/tables';
import { fromMinor, minorDigits, showText } from '@spare-acre/core/base/units';
import { type Stocked, stockedIn } from '@spare-acre/core/procurement/stock';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { fetchBoard, fetchBoards } from '../../stores/device/client';
import { usePlan } from '../../stores/board/plan';
import { useShelf } from '../../stores/workshop/shelf';
import { useShops } from '../../stores/workshop/shops';
import { saveFile } from '../../ui/saveFile';
import TickField from '../../ui/fields/TickField.vue';
import { useOnce } from '../../ui/useOnce';
import { searches } from '../../workers/searches';
import SubstituteList from './SubstituteList.vue';

/** Everything that is short, bought at the least money: by shop, with when it is needed; ticked as it comes. */
const store = usePlan();
const shops = useShops();
const shelf = useShelf();
const catalogues = useCatalogue();
const fault = ref('');
const found = shallowRef<LeastCost | null>(null);
const needed = shallowRef<ReadonlyMap<string, number>>(new Map());
const isSecond = ref(false);
const others = shallowRef<readonly { readonly id: string; readonly name: string }[]>([]);
const together = shallowRef<ReadonlyMap<string, readonly Want[]>>(new Map());
onMounted(async () => {
  await shops.load();
  others.value = await fetchBoards().then(
    ({ boards }) => boards.filter(({ id }) => id !== store.boardId),
    () => [],
  );
});

const wants = computed<readonly Want[]>(() => [
  ...(store.slices.supplies?.rows ?? []).flatMap(({ wants: own }) => own),
  ...[...together.value.values()].flat(),
]);
/** Where no shop has a thing at all, our own guess of its price stands in. */
const OURS: Terms = { id: 'ours', name: 'No shop: estimated price', deliveryMinor: 0, freeFromMinor: null, days: 0 };
const terms = computed<readonly Terms[]>(() => [
  ...shops.shops.map(({ id, name, deliveryMinor, freeFromMinor, days }) => ({ id, name, deliveryMinor, freeFromMinor, days })),
  OURS,
]);
const offers = computed<readonly Offer[]>(() => {
  const sold = shops.shops.flatMap(({ id, offers: own }) =>
    own.map(({ stockId, amount, priceMinor, steps, stock }) => ({ shopId: id, stockId, amount, priceMinor, steps, stock })),
  );
  const known = new Set(sold.map(({ stockId }) => stockId));
  const guessed = [...stockedIn(catalogues.catalogue!).values()]
    .filter(({ id }) => !known.has(id))
    .flatMap(({ id, packs }) => packs.map((pack) => ({ shopId: OURS.id, stockId: id, ...pack, steps: [], stock: null })));
  return [...sold, ...guessed];
});
let turn = 0;
watch(
  [wants, offers],
  async () => {
    const mine = ++turn;
    fault.value = '';
    try {
      const plain = <T,>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
      const [cost, begins] = await Promise.all([
        searches().buy(plain(wants.value), plain(terms.value), plain(offers.value)),
        searches().needed(),
      ]);
      if (mine !== turn) return;
      [found.value, needed.value] = [cost, begins];
    } catch (error) {
      if (mine === turn) fault.value = error instanceof Error ? error.message : String(error);
    }
  },
  { immediate: true },
);
const basket = computed<Basket | null>(() =>
  found.value === null ? null : isSecond.value ? (found.value.second ?? found.value.cheapest) : found.value.cheapest,
);
const money = (minor: number): string => showText({ value: minor, unit: 'money' }, store.showing);
const stocked = (stockId: string): Stocked | undefined => stockedIn(catalogues.catalogue!).get(stockId);
const nameOf = (stockId: string): string => stocked(stockId)?.name ?? stockId;
const packText = ({ stockId, amount }: Offer): string => {
  const unit = stocked(stockId)?.unit ?? '1';
  return unit === '1' && amount === 1 ? 'piece' : showText({ value: amount, unit }, store.showing);
};
/** What work asks for it by. */
const usedAs = (stockId: string): string => stocked(stockId)?.usedAs ?? stockId;
const neededMin = (stockId: string): number => needed.value.get(usedAs(stockId)) ?? Infinity;
/** The evening by which it has to be there. */
function neededText(stockId: string): string {
  const at = neededMin(stockId);
  return Number.isFinite(at) ? momentText(store.plan!.calendar.startsOn, at) : '';
}
const byShop = computed(() =>
  (basket.value?.deliveries ?? []).map(({ shopId, costMinor }) => ({
    shop: terms.value.find(({ id }) => id === shopId)!,
    deliveryMinor: costMinor,
    lines: basket
      .value!.lines.filter(({ offer }) => offer.shopId === shopId)
      .sort((a, b) => neededMin(a.offer.stockId) - neededMin(b.offer.stockId)),
  })),
);
/** On its way to the shelf: pressed again meanwhile it is not bought again. */
const onItsWay = ref<ReadonlySet<string>>(new Set());
/** What was bought goes to the shelf, and off this list. */
async function bought({ offer, count, costMinor }: Basket['lines'][number]): Promise<void> {
  const { stockId } = offer;
  if (onItsWay.value.has(stockId)) return;
  onItsWay.value = new Set([...onItsWay.value, stockId]);
  const note = `${count} × ${packText(offer)}`;
  await shelf.add([{ stockId, kind: 'bought', amount: count * offer.amount, boardId: store.boardId, paidMinor: costMinor, note }]);
  onItsWay.value = new Set([...onItsWay.value].filter((one) => one !== stockId));
}
/** What is ordered comes so many days from now; what waits for it moves. */
function order({ shop, lines }: (typeof byShop.value)[number]): void {
  const day = format(addDays(new Date(), shop.days), 'yyyy-MM-dd');
  const ids = new Set(lines.map(({ offer }) => usedAs(offer.stockId)));
  const kept = store.plan!.calendar.arrivals.filter(({ stockId }) => !ids.has(stockId));
  fault.value = store.edit({ code: 'calendar/arrivals', arrivals: [...kept, ...[...ids].map((stockId) => ({ stockId, day }))].slice(-60) });
}
const arrivals = computed(
  () => new Map(store.plan!.calendar.arrivals.map(({ stockId, day }) => [stockId, format(new Date(`${day}T12:00:00`), 'EEE d MMM')])),
);
async function alsoFor(board: { readonly id: string; readonly name: string }, isOn: boolean): Promise<void> {
  const rest = (): [string, readonly Want[]][] => [...together.value].filter(([id]) => id !== board.id);
  if (!isOn) return void (together.value = new Map(rest()));
  fault.value = '';
  try {
    const { plan, record } = await fetchBoard(board.id);
    const own = await searches().wantsOf({ plan, record });
    together.value = new Map([...rest(), [board.id, own]]);
  } catch (error) {
    fault.value = `${board.name}: ${error instanceof Error ? error.message : String(error)}`;
  }
}
/** Things on the shelf that this board takes and another that is bought for wants too. */
const contested = computed(() =>
  (store.slices.supplies?.rows ?? []).filter(
    ({ onShelf, stockId }) => onShelf !== null && [...together.value.values()].flat().some((want) => want.stockId === stockId),
  ),
);
/** Keeps for this board what it takes of the shelf. */
const { isBusy: isKeeping, run: keep } = useOnce(() =>
  shelf.add(
    (store.slices.supplies?.rows ?? []).flatMap(({ stockId, onShelf }) =>
      stockId === null || onShelf === null ? [] : [{ stockId, kind: 'kept' as const, amount: onShelf.value, boardId: store.boardId }],
    ),
  ),
);
function toCsv(): void {
  const { currency } = catalogues.catalogue!;
  const price = (minor: number): string => fromMinor(minor, currency).toFixed(minorDigits(currency));
  const rows = byShop.value.flatMap(({ shop, deliveryMinor, lines }) => [
    ...lines.map(({ offer, count, costMinor }) => [
      shop.name,
      nameOf(offer.stockId),
      String(count),
      packText(offer),
      price(costMinor),
      neededText(offer.stockId),
    ]),
    ...(deliveryMinor === 0 ? [] : [[shop.name, 'delivery', '', '', price(deliveryMinor), '']]),
  ]);
  saveFile(
    new Blob([csvOf([['shop', 'item', 'count', 'pack', `cost ${currency}`, 'needed by'], ...rows])], { type: 'text/csv' }),
    `${store.plan!.name} buy list`,
    'csv',
  );
}
const print = (): void => window.print();
const asked = ref<string | null>(null);
/** Offers that would do and are sold out. */
const soldOut = computed(() => {
  const ids = new Set(wants.value.map(({ stockId }) => stockId));
  return [...new Set(offers.value.filter(({ stock, stockId }) => stock === 0 && ids.has(stockId)).map(({ stockId }) => stockId))].filter(
    (id) => offers.value.every(({ stockId, stock }) => stockId !== id || stock === 0),
  );
});
const missing = computed(() => [...new Set([...soldOut.value, ...(found.value?.unmet ?? []).map(({ stockId }) => stockId)])]);
</script>

<template>
  <p v-if="fault !== '' || shops.fault !== '' || shelf.fault !== ''" class="attention" role="alert">
    {{ fault || shops.fault || shelf.fault }}
  </p>
  <p v-if="found === null" class="quiet">Calculating …</p>
  <template v-else>
    <p class="m-0" data-testid="buy-total">
      <b>{{ money(basket!.totalMinor) }}</b> from {{ byShop.length }} {{ byShop.length === 1 ? 'shop' : 'shops' }}, delivery included.
      Leftovers worth {{ money(Math.round(basket!.leftMinor)) }}.
      <span v-if="isSecond">The cheapest option costs {{ money(found.cheapest.totalMinor) }}.</span>
      <span v-else-if="found.isProven" class="quiet">Lowest possible cost for this list.</span>
      <span v-else class="quiet">Lowest possible cost: {{ money(found.boundMinor) }}.</span>
    </p>
    <div class="deeds">
      <BButton v-if="found.second !== null" variant="key" @click="isSecond = !isSecond">
        {{ isSecond ? 'Use the cheapest option' : `Use ${found.second.deliveries.length} instead, for ${money(found.second.totalMinor)}` }}
      </BButton>
      <BButton variant="key" @click="toCsv">Export CSV</BButton>
      <BButton variant="key" @click="print">Print</BButton>
      <BButton variant="key" :disabled="isKeeping" @click="keep">Reserve stock for this board</BButton>
    </div>
    <div v-if="missing.length > 0" class="warning" data-testid="sold-out">
      <p v-for="stockId in missing" :key="stockId" class="m-0">
        ⚠ {{ nameOf(stockId) }} is sold out or not available in this amount.
        <BButton variant="key" @click="asked = asked === stockId ? null : stockId">Substitute</BButton>
        <SubstituteList v-if="asked === stockId" :stock-id="stockId" @taken="asked = null" />
      </p>
    </div>
    <p v-for="row in contested" :key="row.id" class="attention m-0">
      {{ row.name }} on the shelf is also needed by another of these boards.
    </p>
    <section v-for="group in byShop" :key="group.shop.id" :aria-label="group.shop.name" class="shop">
      <h3>
        {{ group.shop.name }}
        <small class="quiet">delivery in {{ group.shop.days }} {{ group.shop.days === 1 ? 'day' : 'days' }}</small>
        <BButton v-if="group.shop.days > 0" variant="key" size="sm" @click="order(group)">Ordered today</BButton>
      </h3>
      <BTableSimple class="ledger" responsive>
        <thead>
          <tr>
            <th scope="col">Buy</th>
            <th scope="col">Packages</th>
            <th scope="col" class="num">Cost</th>
            <th scope="col">Needed by</th>
            <th scope="col">Done</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in group.lines" :key="`${line.offer.stockId} ${line.offer.amount}`" :data-buy="line.offer.stockId">
            <td>{{ nameOf(line.offer.stockId) }}</td>
            <td>{{ line.count }} × {{ packText(line.offer) }}</td>
            <td class="num">{{ money(line.costMinor) }}</td>
            <td>
              {{ neededText(line.offer.stockId) }}
              <span v-if="arrivals.has(usedAs(line.offer.stockId))" class="quiet"
                >arrives {{ arrivals.get(usedAs(line.offer.stockId)) }}</span
              >
            </td>
            <td>
              <BButton
                variant="key"
                size="sm"
                :disabled="onItsWay.has(line.offer.stockId)"
                :aria-label="`${nameOf(line.offer.stockId)} is bought`"
                @click="bought(line)"
                >Bought</BButton
              >
              <BButton variant="key" size="sm" @click="asked = asked === line.offer.stockId ? null : line.offer.stockId"
                >Substitute …</BButton
              >
              <SubstituteList v-if="asked === line.offer.stockId" :stock-id="line.offer.stockId" @taken="asked = null" />
            </td>
          </tr>
          <tr v-if="group.deliveryMinor > 0">
            <td colspan="2" class="quiet">delivery</td>
            <td class="num">{{ money(group.deliveryMinor) }}</td>
            <td colspan="2"></td>
          </tr>
        </tbody>
      </BTableSimple>
    </section>
    <p v-if="byShop.length === 0 && missing.length === 0" class="quiet">Nothing to buy: everything is on the shelf.</p>
    <template v-if="others.length > 0">
      <h3>Buy together with</h3>
      <TickField
        v-for="other in others"
        :key="other.id"
        :label="other.name"
        :is-on="together.has(other.id)"
        @toggle="(on) => alsoFor(other, on)"
      />
    </template>
  </template>
</template>

<style scoped>
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 8px 0;
}
h3 {
  font-size: 1.05rem;
  margin: 12px 0 2px;
}
/* On a phone a line is ticked off with a thumb: what is pressed stands under it, whole. */
@media (max-width: 700px) {
  .shop thead {
    display: none;
  }
  .shop tr {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 10px;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
  }
  .shop td {
    border: 0;
    padding: 0;
  }
  .shop td:last-child {
    flex-basis: 100%;
  }
}
@media print {
  .deeds,
  .shop button {
    display: none;
  }
}
</style>
