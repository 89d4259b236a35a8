<script setup lang="ts">
import type Plotly from 'plotly.js';
import type { Layout, PlotData } from 'plotly.js';
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { useElementSize } from '@vueuse/core';
import { dayNamed } from '@spare-acre/core/base/dates';
import { DAY_MIN } from '@spare-acre/core/base/units';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { usePlan } from '../../stores/board/plan';
import SensorCards from './SensorCards.vue';

/** The air of a place over two weeks: how warm, where dew falls, how fast it dries, and when what waits there is ready in it. */
const store = usePlan();
const plan = computed(() => store.plan!);
const placeId = ref(plan.value.drying.placeId);
const places = computed(() => plan.value.places.map(({ id, name }) => ({ value: id, text: name })));
const spot = computed(() => (store.slices.spots ?? []).find((own) => own.placeId === placeId.value) ?? store.slices.spots?.[0] ?? null);
const { startsOn } = plan.value.calendar;
const stamp = (atMin: number): string => {
  const inDay = Math.round(((atMin % DAY_MIN) + DAY_MIN) % DAY_MIN);
  return `${dayNamed(startsOn, Math.floor(atMin / DAY_MIN))} ${String(Math.floor(inDay / 60)).padStart(2, '0')}:${String(inDay % 60).padStart(2, '0')}`;
};
/** What lies there, and when the next may go on it. */
const ready = computed(() =>
  (store.slices.days?.slots ?? []).flatMap(({ placeId: at, nextMin, endMin, label }) =>
    at === spot.value?.placeId && nextMin !== null && nextMin > endMin && nextMin < DRAWN_MIN ? [{ atMin: nextMin, label }] : [],
  ),
);
const DRAWN_MIN = 14 * DAY_MIN;

const frame = ref<HTMLElement | null>(null);
const { width } = useElementSize(frame);
let plotly: Pick<typeof Plotly, 'react' | 'purge'> | null = null;
const colour = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

function data(): Partial<PlotData>[] {
  const { hours } = spot.value!;
  const x = hours.map((_, hour) => stamp(hour * 60));
  const speedAt = (atMin: number): number => hours[Math.min(hours.length - 1, Math.floor(atMin / 60))]!.speed * 100;
  return [
    { x, y: hours.map(({ airC }) => airC), name: 'air, °C', mode: 'lines', line: { color: colour('--clay'), width: 1.6 } },
    {
      x,
      y: hours.map(({ dewC }) => dewC),
      name: 'dew point, °C',
      mode: 'lines',
      line: { color: colour('--slate'), width: 1.4, dash: 'dot' },
    },
    {
      x,
      y: hours.map(({ speed }) => speed * 100),
      name: 'dries, % of 20 °C and 50 %',
      mode: 'lines',
      yaxis: 'y2',
      line: { color: colour('--moss'), width: 1.2 },
    },
    {
      x: ready.value.map(({ atMin }) => stamp(atMin)),
      y: ready.value.map(({ atMin }) => speedAt(atMin)),
      text: ready.value.map(({ label }) => `ready: ${label}`),
      hoverinfo: 'x+text',
      name: 'a coat is dry',
      mode: 'markers',
      yaxis: 'y2',
      marker: { color: colour('--ink'), size: 6, symbol: 'diamond-open' },
    },
  ];
}
function layout(): Partial<Layout> {
  const ink = colour('--ink');
  const topPct = Math.max(100, ...spot.value!.hours.map(({ speed }) => speed * 100)) * 1.1;
  const axis = { gridcolor: colour('--rule'), zeroline: false, linecolor: ink };
  return {
    width: Math.max(320, width.value),
    height: 340,
    margin: { l: 46, r: 52, t: 8, b: 36 },
    paper_bgcolor: 'rgba(0,0,0,0)',
    plot_bgcolor: 'rgba(0,0,0,0)',
    font: { family: 'IBM Plex Sans Condensed, sans-serif', size: 12, color: ink },
    legend: { orientation: 'h', y: -0.14 },
    xaxis: { ...axis, type: 'date', tickformat: '%a %-d' },
    yaxis: { ...axis, title: { text: '°C' } },
    yaxis2: {
      ...axis,
      title: { text: '%' },
      overlaying: 'y',
      side: 'right',
      showgrid: false,
      tickmode: 'auto',
      nticks: 6,
      range: [0, topPct],
    },
    hovermode: 'x',
  };
}
async function draw(): Promise<void> {
  if (frame.value === null || spot.value === null || width.value === 0) return;
  plotly ??= (await import('plotly.js-basic-dist-min')).default;
  if (frame.value !== null) await plotly.react(frame.value, data(), layout(), { displayModeBar: false, responsive: false });
}
onMounted(() => void draw());
watch([spot, ready, width], () => void draw());
onBeforeUnmount(() => {
  if (frame.value !== null) plotly?.purge(frame.value);
});
</script>

<template>
  <div class="pick">
    <ChoiceField label="Place" :value="placeId" :options="places" @choose="(id) => (placeId = id)" />
  </div>
  <div ref="frame" class="plot" role="img" :aria-label="`Conditions over two weeks: ${spot?.name ?? ''}`" data-testid="air-chart"></div>
  <SensorCards />
</template>

<style scoped>
.pick {
  max-width: 320px;
}
.plot {
  min-height: 340px;
}
</style>
