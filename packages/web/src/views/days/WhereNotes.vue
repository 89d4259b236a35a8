<script setup lang="ts">
import { offered } from '@spare-acre/core/catalogue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { type DryingSpot, type Place, newPlace } from '@spare-acre/core/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import DayField from '../../ui/fields/DayField.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import TextField from '../../ui/fields/TextField.vue';
import TickField from '../../ui/fields/TickField.vue';
import { useAir } from '../../stores/workshop/air';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** Where workpieces dry, and what the air is there. */
const props = defineProps<{ workpieces: readonly { readonly id: string; readonly name: string }[] }>();
const store = usePlan();
const heard = useAir();
const catalogue = computed(() => useCatalogue().catalogue!);
const plan = computed(() => store.plan!);
const chosenId = ref(plan.value.drying.placeId);
const place = computed(() => plan.value.places.find(({ id }) => id === chosenId.value) ?? plan.value.places[0]!);
const places = computed(() => plan.value.places.map(({ id, name }) => ({ value: id, text: name })));
const kinds = computed(() => offered(catalogue.value, 'placeKinds', place.value.kindId).map(({ id, name }) => ({ value: id, text: name })));
const airs = computed(() => offered(catalogue.value, 'airs', plan.value.drying.airId).map(({ id, name }) => ({ value: id, text: name })));
const ON = [
  { value: 'shelf', text: 'Shelf' },
  { value: 'floor', text: 'Floor' },
] as const;
const LIES = [
  { value: 'flat', text: 'Flat' },
  { value: 'edge', text: 'On edge once touch-dry' },
] as const;
const BY = [
  { value: 'typed', text: 'Own values' },
  { value: 'season', text: 'Usual for the season' },
  { value: 'sensor', text: 'Sensor' },
] as const;
const SEASONS = (['winter', 'spring', 'summer', 'autumn'] as const).map((value) => ({
  value,
  text: value[0]!.toUpperCase() + value.slice(1),
}));
const setDrying = (change: Partial<DryingSpot>): string => store.edit({ code: 'drying/change', change });
const set = (change: Partial<Omit<Place, 'id' | 'air'>>): string => store.edit({ code: 'place/change', placeId: place.value.id, change });
const setAir = (air: Partial<Place['air']>): string => store.edit({ code: 'place/change', placeId: place.value.id, change: {}, air });
async function setBy(by: Place['air']['by']): Promise<void> {
  if (by === 'sensor' && heard.sensors.length === 0) await heard.load();
  setAir({ by, ...(by === 'sensor' ? { sensorId: place.value.air.sensorId ?? heard.sensors[0]?.id ?? null } : {}) });
}
const sensors = computed(() => heard.sensors.map(({ id, name }) => ({ value: id, text: name })));
function freshIdOf(what: string, among: readonly { readonly id: string }[]): string {
  for (let n = among.length + 1; ; n++) if (among.every(({ id }) => id !== `${what}-${n}`)) return `${what}-${n}`;
}
function add(): void {
  const id = freshIdOf('place', plan.value.places);
  const kind =
    catalogue.value.placeKinds.find((one) => plan.value.places.every(({ kindId }) => kindId !== one.id)) ?? catalogue.value.placeKinds[0]!;
  const started = {
    id,
    name: kind.name,
    kindId: kind.id,
    by: 'season' as const,
    airC: 15,
    humidityPct: 60,
    flatPlaces: 4,
    hasExtraction: false,
  };
  if (store.edit({ code: 'place/add', place: newPlace(started) }) === '') chosenId.value = id;
}
const spell = (change: Partial<Place['spells'][number]>, i: number): string =>
  set({ spells: place.value.spells.map((own, k) => (k === i ? { ...own, ...change } : own)) });
const addSpell = (): string => {
  const { startsOn } = plan.value.calendar;
  const id = freshIdOf('spell', place.value.spells);
  return set({ spells: [...place.value.spells, { id, from: startsOn, to: startsOn, airC: 6, humidityPct: 80 }] });
};
const elsewhere = computed(() => plan.value.driedAt);
const other = ref('');
const free = computed(() => [
  { value: '', text: 'Choose one' },
  ...props.workpieces
    .filter(({ id }) => elsewhere.value.every((own) => own.workpieceId !== id))
    .map(({ id, name }) => ({ value: id, text: name })),
]);
function putElsewhere(workpieceId: string): void {
  if (workpieceId === '') return;
  const placeId = plan.value.places.find(({ id }) => id !== plan.value.drying.placeId)?.id ?? plan.value.drying.placeId;
  store.edit({ code: 'drying/workpiece', workpieceId, spot: { ...plan.value.drying, placeId } });
  other.value = '';
}
const nameOf = (id: string): string => props.workpieces.find((one) => one.id === id)?.name ?? id;
const move = (own: (typeof elsewhere.value)[number], change: Partial<DryingSpot>): string => {
  const { workpieceId, ...spot } = own;
  return store.edit({ code: 'drying/workpiece', workpieceId, spot: { ...spot, ...change } });
};
</script>

<template>
  <section>
    <h3>Where to work and dry</h3>
    <ChoiceField label="In" :value="plan.drying.placeId" :options="places" @choose="(placeId) => setDrying({ placeId })" />
    <ChoiceField label="On" :value="plan.drying.on" :options="ON" @choose="(on) => setDrying({ on })" />
    <ChoiceField label="Position" :value="plan.drying.lies" :options="LIES" @choose="(lies) => setDrying({ lies })" />
    <ChoiceField label="Air movement" :value="plan.drying.airId" :options="airs" @choose="(airId) => setDrying({ airId })" />
    <div v-for="own in elsewhere" :key="own.workpieceId" class="other" :data-elsewhere="own.workpieceId">
      <ChoiceField :label="nameOf(own.workpieceId)" :value="own.placeId" :options="places" @choose="(placeId) => move(own, { placeId })" />
      <ChoiceField label="On" :value="own.on" :options="ON" @choose="(on) => move(own, { on })" />
      <BButton size="sm" variant="key" @click="store.edit({ code: 'drying/workpiece', workpieceId: own.workpieceId, spot: null })"
        >With the board</BButton
      >
    </div>
    <ChoiceField label="Another place" :value="other" :options="free" @choose="putElsewhere" />
  </section>
  <section>
    <h3>Places</h3>
    <ChoiceField label="Place" :value="place.id" :options="places" @choose="(id) => (chosenId = id)" />
    <TextField label="Name" :value="place.name" :take="(name) => set({ name })" />
    <ChoiceField label="Kind" :value="place.kindId" :options="kinds" @choose="(kindId) => set({ kindId })" />
    <ChoiceField label="Conditions from" :value="place.air.by" :options="BY" @choose="setBy" />
    <ChoiceField
      v-if="place.air.by === 'season'"
      label="Season"
      :value="place.air.season"
      :options="SEASONS"
      @choose="(season) => setAir({ season })"
    />
    <ChoiceField
      v-if="place.air.by === 'sensor' && sensors.length > 0"
      label="Which"
      :value="place.air.sensorId ?? ''"
      :options="sensors"
      @choose="(sensorId) => setAir({ sensorId })"
    />
    <template v-if="place.air.by !== 'season'">
      <NumberField label="Temperature" :value="place.air.airC" unit="°C" :limits="LIMITS.airC" :take="(airC) => setAir({ airC })" />
      <NumberField
        label="Humidity"
        :value="place.air.humidityPct"
        unit="%"
        :limits="LIMITS.humidityPct"
        :take="(humidityPct) => setAir({ humidityPct })"
      />
      <p v-if="place.air.by === 'sensor'" class="quiet">Your own values are used when the sensor has no accepted reading.</p>
    </template>
    <NumberField
      label="Room to lie flat"
      :value="place.flatPlaces"
      unit=""
      :limits="LIMITS.flatPlaces"
      :take="(flatPlaces) => set({ flatPlaces })"
    />
    <TickField label="Has extraction" :is-on="place.hasExtraction" @toggle="(hasExtraction) => set({ hasExtraction })" />
    <div v-for="(own, i) in place.spells" :key="own.id" class="other" data-testid="spell">
      <DayField label="From" :value="own.from" :take="(from) => spell({ from }, i)" />
      <DayField label="to" :value="own.to" :take="(to) => spell({ to }, i)" />
      <NumberField label="Period, temperature" :value="own.airC" unit="°C" :limits="LIMITS.airC" :take="(airC) => spell({ airC }, i)" />
      <NumberField
        label="Period, humidity"
        :value="own.humidityPct"
        unit="%"
        :limits="LIMITS.humidityPct"
        :take="(pct) => spell({ humidityPct: pct }, i)"
      />
      <BButton size="sm" variant="key" @click="set({ spells: place.spells.filter((one) => one !== own) })">Remove period</BButton>
    </div>
    <div class="deeds">
      <BButton size="sm" variant="key" @click="addSpell">Add period with other conditions</BButton>
      <BButton size="sm" variant="key" @click="add">Another place</BButton>
      <BButton v-if="plan.places.length > 1" size="sm" variant="key" @click="store.edit({ code: 'place/remove', placeId: place.id })"
        >Remove {{ place.name }}</BButton
      >
    </div>
  </section>
</template>

<style scoped>
.other {
  border-left: 2px solid var(--rule);
  padding-left: 8px;
  margin: 6px 0;
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}
</style>
