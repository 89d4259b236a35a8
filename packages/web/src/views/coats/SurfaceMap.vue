<script setup lang="ts">
import { computed } from 'vue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { starterSurface } from '@spare-acre/core/plan';
import { tableBox } from '@spare-acre/core/ground';
import { potsOf, shownHex } from '@spare-acre/core/paint';
import { GROUND_KIND_NAMES } from '@spare-acre/core/surfaces';
import ChoiceField from '../../ui/ChoiceField.vue';
import FigureCell from '../../ui/FigureCell.vue';
import { regionPath } from '../ground/plan/paths';
import { shortId } from '../../document/name';
import { useCatalogue } from '../../document/catalogue';
import { usePlan } from '../../document/plan';

/** The plan in small by what its ground wears, and every surface with what it covers. */
const props = defineProps<{ chosenId: string }>();
const emit = defineEmits<{ choose: [surfaceId: string] }>();
const store = usePlan();
const catalogue = computed(() => useCatalogue().catalogue!);
const plan = computed(() => store.plan!);
const WIDE_PX = 238;
const box = computed(() => tableBox(plan.value.table));
const k = computed(() => WIDE_PX / Math.max(1, box.value.right));
const highPx = computed(() => box.value.bottom * k.value);
const toPx = ({ x, y }: { x: number; y: number }): { x: number; y: number } => ({ x: x * k.value, y: y * k.value });
const worn = computed(() => store.slices.worn ?? []);
const hexes = computed(() => {
  const pots = potsOf(catalogue.value, plan.value.paints);
  return new Map(plan.value.surfaces.map(({ id, coats }) => [id, shownHex(coats, catalogue.value, pots)]));
});
const areas = computed(() =>
  worn.value.map(({ surfaceId, stretches }) => ({
    surfaceId,
    name: plan.value.surfaces.find(({ id }) => id === surfaceId)?.name ?? '',
    d: stretches.map(({ rings }) => regionPath({ rings }, toPx)).join(' '),
  })),
);
const rows = computed(() =>
  plan.value.surfaces.map((surface) => ({
    ...surface,
    area: worn.value.find(({ surfaceId }) => surfaceId === surface.id)?.surface ?? null,
    worn: (Object.entries(plan.value.wears) as [keyof typeof GROUND_KIND_NAMES, string][])
      .filter(([, id]) => id === surface.id)
      .map(([kind]) => GROUND_KIND_NAMES[kind])
      .join(', '),
  })),
);
const spots = computed(() =>
  (store.slices.strewn ?? []).filter(({ surfaceId }) => surfaceId === props.chosenId).flatMap((one) => one.spots),
);
const units = computed(() =>
  (store.slices.floors ?? [])
    .filter(({ surfaceId }) => surfaceId === props.chosenId)
    .map(({ units: all }) => all.map(({ rings }) => regionPath({ rings }, toPx)).join(' '))
    .join(' '),
);
/** Recipes of the catalogue that the board has not got yet. */
const starters = computed(() => [
  { value: '', text: 'Add a surface …' },
  ...catalogue.value.starter.surfaces.map(({ id, name }) => ({ value: id, text: name })),
]);
function add(starterId: string): void {
  const starter = catalogue.value.starter.surfaces.find(({ id }) => id === starterId);
  if (starter === undefined) return;
  const taken = new Set(plan.value.surfaces.map(({ id }) => id));
  const scale = plan.value.figureHeightMm / catalogue.value.bench.personMm.value;
  const id = taken.has(starter.id) ? shortId() : starter.id;
  const fresh = { ...starterSurface(starter, catalogue.value.patterns, scale), id };
  const surface = { ...fresh, name: taken.has(starter.id) ? `${fresh.name} 2` : fresh.name };
  if (store.edit({ code: 'surface/add', surface }) === '') emit('choose', id);
}
</script>

<template>
  <h2>Surfaces</h2>
  <svg v-if="areas.length > 0" class="ink map" :width="WIDE_PX" :height="highPx" role="img" aria-label="Plan by surface">
    <path
      v-for="{ surfaceId, name, d } in areas"
      :key="surfaceId"
      :d="d"
      fill-rule="evenodd"
      :fill="hexes.get(surfaceId)"
      :class="{ chosen: surfaceId === chosenId }"
      class="area"
      @click="emit('choose', surfaceId)"
    >
      <title>{{ name }}</title>
    </path>
    <path v-if="units !== ''" :d="units" class="units" />
    <circle v-for="(spot, i) in spots" :key="i" :cx="spot.x * k" :cy="spot.y * k" :r="Math.max(0.7, (spot.sizeMm * k) / 2)" class="spot" />
    <rect class="table-edge" :width="WIDE_PX" :height="highPx" />
  </svg>
  <ul class="list" aria-label="Surfaces of this board">
    <li v-for="row in rows" :key="row.id">
      <BButton variant="bare" class="one" :aria-pressed="row.id === chosenId" @click="emit('choose', row.id)">
        <span class="chip" :style="{ background: hexes.get(row.id) }" aria-hidden="true"></span>
        <span class="name"
          >{{ row.name }} <small class="quiet">{{ row.worn }}</small></span
        >
      </BButton>
      <FigureCell v-if="row.area !== null" :figure="row.area" />
      <span v-else class="quiet">not laid</span>
    </li>
  </ul>
  <ChoiceField label="Add a surface" hide-label value="" :options="starters" @choose="add" />
</template>

<style scoped>
h2 {
  font-size: 1.2rem;
}
.map {
  display: block;
  margin: 8px 0;
}
.area {
  cursor: pointer;
  stroke: var(--ink-soft);
  stroke-width: 0.4;
}
.area.chosen {
  stroke: var(--clay);
  stroke-width: 1.6;
}
.units {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.25;
  pointer-events: none;
}
.spot {
  fill: var(--ink);
  pointer-events: none;
}
.list {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
.list li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 6px;
  border-bottom: 1px solid var(--rule);
}
.one {
  display: flex;
  gap: 7px;
  align-items: center;
  text-align: left;
  padding: 4px 0;
  min-width: 0;
}
.one[aria-pressed='true'] .name {
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
}
.chip {
  flex: none;
  width: 15px;
  height: 15px;
  border: 1px solid var(--ink-soft);
}
.name small {
  display: block;
}
</style>
