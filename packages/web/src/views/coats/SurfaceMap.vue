<script setup lang="ts">
import { computed, ref } from 'vue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { starterSurface } from '@spare-acre/core/plan';
import { tableBox, tilesOf } from '@spare-acre/core/terrain/ground';
import { turnTowards } from '@spare-acre/core/finishing/patterns';
import { potsOf, shownHex } from '@spare-acre/core/finishing/paint';
import { GROUND_KIND_NAMES } from '@spare-acre/core/plan/surfaces';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import FigureCell from '../../ui/values/FigureCell.vue';
import { regionPath } from '../ground/plan/paths';
import { arrowStep } from '../../ui/arrowStep';
import { pageFont } from '../../ui/pageFont';
import { saveFile } from '../../ui/saveFile';
import { InTurn } from '../../ui/InTurn';
import { useDragMm } from '../../ui/useDragMm';
import { shortId } from '../../stores/device/name';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

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
/** Where the units of the chosen surface begin, and a handle that turns them. */
const TURN_PX = 34;
const laid = computed(() => plan.value.surfaces.find(({ id }) => id === props.chosenId)?.laid ?? null);
const origin = computed(() => {
  if (laid.value === null) return null;
  const at = toPx(laid.value.at);
  const turn = (laid.value.turnDeg * Math.PI) / 180;
  return { at, turn: { x: at.x + TURN_PX * Math.cos(turn), y: at.y + TURN_PX * Math.sin(turn) } };
});
const map = ref<SVGSVGElement | null>(null);
const drag = useDragMm(({ clientX, clientY }) => {
  const { left, top } = map.value!.getBoundingClientRect();
  return { x: (clientX - left) / k.value, y: (clientY - top) / k.value };
});
const put = (change: Partial<NonNullable<typeof laid.value>>, gesture: string | null = null): string =>
  store.edit(
    { code: 'surface/change', surfaceId: props.chosenId, change: { laid: { ...laid.value!, ...change } }, what: 'Move the units of' },
    gesture,
  );
const shiftTo = (event: PointerEvent): void =>
  drag(event, { move: ({ x, y }, _from, gesture) => void put({ at: { x: Math.round(x), y: Math.round(y) } }, gesture) });
const turnTo = (event: PointerEvent): void =>
  drag(event, { move: (at, _from, gesture) => void put({ turnDeg: turnTowards(laid.value!.at, at) }, gesture) });
function nudge(event: KeyboardEvent): void {
  const by = arrowStep(event);
  if (by === null) return;
  event.preventDefault();
  put({ at: { x: laid.value!.at.x + by.dxMm, y: laid.value!.at.y + by.dyMm } });
}
function turnBy(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  if (by === undefined) return;
  event.preventDefault();
  put({ turnDeg: Math.max(-360, Math.min(360, laid.value!.turnDeg + by * (event.shiftKey ? 15 : 1))) });
}
/** Everything that is placed on the chosen surface, tile by tile at true scale. */
async function guide(): Promise<void> {
  const { placingGuide, templatesPdf } = await import('@spare-acre/core/io/formats');
  const floors = (store.slices.floors ?? []).filter(({ surfaceId }) => surfaceId === props.chosenId);
  const placed = { spots: spots.value, units: floors.flatMap((floor) => floor.units) };
  const name = plan.value.surfaces.find(({ id }) => id === props.chosenId)!.name;
  const sheets = tilesOf(plan.value.table).map(({ id, box: tile }) => placingGuide(`${name}, ${id}`, tile, placed));
  const bytes = await templatesPdf(sheets, plan.value.units === 'metric' ? 'a4' : 'letter', await pageFont());
  saveFile(new Blob([bytes as BlobPart], { type: 'application/pdf' }), `${plan.value.name} ${name} placing guide`, 'pdf');
}
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
  <svg v-if="areas.length > 0" ref="map" class="ink map" :width="WIDE_PX" :height="highPx" role="img" aria-label="Plan by surface">
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
    <g v-if="origin !== null" class="origin">
      <line :x1="origin.at.x" :y1="origin.at.y" :x2="origin.turn.x" :y2="origin.turn.y" />
      <circle
        :cx="origin.at.x"
        :cy="origin.at.y"
        r="6"
        role="button"
        tabindex="0"
        aria-label="Start of the units: drag, or use the arrow keys"
        @pointerdown="shiftTo"
        @keydown="nudge"
      />
      <circle
        :cx="origin.turn.x"
        :cy="origin.turn.y"
        r="5"
        role="button"
        tabindex="0"
        aria-label="Rotate the units: drag, or use left and right"
        @pointerdown="turnTo"
        @keydown="turnBy"
      />
    </g>
  </svg>
  <BButton v-if="spots.length > 0 || units !== ''" variant="key" class="mb-2" @click="guide">Placing guide, true scale</BButton>
  <InTurn>
    <ul class="list" aria-label="Surfaces of this board">
      <li v-for="row in rows" :key="row.id">
        <BButton variant="bare" class="one" :aria-pressed="row.id === chosenId" @click="emit('choose', row.id)">
          <span class="chip" :style="{ background: hexes.get(row.id) }" aria-hidden="true"></span>
          <span class="name"
            >{{ row.name }} <small class="quiet">{{ row.worn }}</small></span
          >
        </BButton>
        <FigureCell v-if="row.area !== null" :figure="row.area" />
        <span v-else class="quiet">not used</span>
      </li>
    </ul>
    <ChoiceField label="Add a surface" hide-label value="" :options="starters" @choose="add" />
  </InTurn>
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
.map {
  overflow: visible;
}
.origin line {
  stroke: var(--clay);
  pointer-events: none;
}
.origin circle {
  fill: var(--sheet);
  stroke: var(--clay);
  stroke-width: 1.5;
  cursor: grab;
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
