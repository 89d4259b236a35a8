<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { scaleLinear } from 'd3-scale';
import { computed, ref } from 'vue';
import { dayText } from '@spare-acre/core/base/dates';
import { DAY_MIN } from '@spare-acre/core/base/units';
import { useListInTurns } from '../../ui/InTurn';
import type { Slices } from '../../workers/slices';

type Days = NonNullable<Slices['days']>;
/** How much of the days is in sight: one evening large, a week or two, or all of it. */
export type Zoom = 'evening' | 'week' | 'all';

/** Workpieces down, days along: work as ink, drying as dots, tended drying as strokes, so that waiting looks like waiting. A bar is dragged to another time to pin it there. */
const props = defineProps<{
  days: Days;
  workpieces: readonly { readonly id: string; readonly name: string }[];
  startsOn: string;
  zoom: Zoom;
  chosenId: string | null;
  /** Minutes since midnight before the first day. */
  nowMin: number;
}>();
const emit = defineEmits<{ choose: [taskId: string | null]; pin: [taskId: string, atMin: number] }>();
const frame = ref<HTMLElement | null>(null);
const { width } = useElementSize(frame);
const ROW_PX = 30;
const TOP_PX = 30;
const DAY_PX: Readonly<Record<Exclude<Zoom, 'all'>, number>> = { evening: 960, week: 150 };
/** Tiles have short names, pieces long ones. */
const leftPx = computed(() => (props.workpieces.some(({ name }) => name.length > 4) ? 124 : 40));
const LEAST_BAR_PX = 2.5;
const LEAST_DAY_PX = 76;
/** A bar moved by less is clicked; a pin is set to this. */
const [CLICK_PX, PIN_MIN] = [4, 5];

const endMin = computed(() => Math.max(DAY_MIN, ...props.days.slots.map(({ curedMin, endMin: end }) => curedMin ?? end)));
const dayCount = computed(() => Math.ceil(endMin.value / DAY_MIN));
const chartWidth = computed(() =>
  props.zoom === 'all' ? Math.max(width.value, leftPx.value + dayCount.value * 18) : leftPx.value + dayCount.value * DAY_PX[props.zoom],
);
const x = computed(() => scaleLinear([0, dayCount.value * DAY_MIN], [leftPx.value, chartWidth.value - 8]));
const dayPx = computed(() => x.value(DAY_MIN) - x.value(0));
const every = computed(() => Math.max(1, Math.ceil(LEAST_DAY_PX / dayPx.value)));
const dayTicks = computed(() =>
  Array.from({ length: dayCount.value + 1 }, (_, day) => ({
    day,
    at: x.value(day * DAY_MIN),
    label: day % every.value === 0 ? dayText(props.startsOn, day * DAY_MIN) : '',
  })),
);
const hourTicks = computed(() =>
  props.zoom !== 'evening'
    ? []
    : Array.from({ length: dayCount.value * 8 }, (_, i) => ({
        key: i,
        at: x.value(i * 180),
        label: `${String((i % 8) * 3).padStart(2, '0')}`,
      })),
);
const lastOf = computed(() => new Map(props.days.slots.map((slot) => [slot.workpieceId, slot.taskId])));
const rowOf = computed(() => new Map(props.workpieces.map(({ id }, i) => [id, i])));
const nameOf = (id: string): string => props.workpieces[rowOf.value.get(id) ?? -1]?.name ?? id;
const rowY = (id: string): number => TOP_PX + (rowOf.value.get(id) ?? 0) * ROW_PX;
const drying = computed(() =>
  props.days.slots.flatMap((slot) => {
    const dryUntil = (lastOf.value.get(slot.workpieceId) === slot.taskId ? slot.curedMin : slot.nextMin) ?? dayCount.value * DAY_MIN;
    if (dryUntil <= slot.endMin) return [];
    return [
      {
        key: slot.taskId,
        isTended: slot.isTended,
        title: `${slot.isTended ? 'drying, needs attention' : 'drying'}: ${slot.label}`,
        y: rowY(slot.workpieceId) + 20,
        from: x.value(slot.endMin),
        to: x.value(dryUntil),
      },
    ];
  }),
);
const dragged = ref<{ readonly taskId: string; readonly fromPx: number; byPx: number } | null>(null);
const work = computed(() =>
  props.days.slots.flatMap((slot) =>
    slot.stretches.map((stretch, i) => ({
      key: `${slot.taskId} ${i}`,
      slot,
      title: `${slot.label}${slot.isPinned ? ', pinned' : ''}${slot.isDone ? ', done' : ''}`,
      y: rowY(slot.workpieceId) + 4,
      from: x.value(stretch.fromMin) + (dragged.value?.taskId === slot.taskId ? dragged.value.byPx : 0),
      width: Math.max(LEAST_BAR_PX, x.value(stretch.toMin) - x.value(stretch.fromMin)),
    })),
  ),
);
const dryingBars = useListInTurns(() => drying.value, 60);
const workBars = useListInTurns(() => work.value, 40);
/** The chain that decides when all is ready, from bar to bar. */
const chain = computed(() => {
  const byId = new Map(props.days.slots.map((slot) => [slot.taskId, slot]));
  return props.days.chain
    .flatMap((id) => byId.get(id) ?? [])
    .map(({ startMin, endMin: end, workpieceId }) => {
      const y = rowY(workpieceId) + 11;
      return `${x.value(startMin)},${y} ${x.value(end)},${y}`;
    })
    .join(' ');
});

function press(event: PointerEvent, taskId: string): void {
  (event.target as Element).setPointerCapture(event.pointerId);
  dragged.value = { taskId, fromPx: event.clientX, byPx: 0 };
}
function move(event: PointerEvent): void {
  if (dragged.value !== null) dragged.value = { ...dragged.value, byPx: event.clientX - dragged.value.fromPx };
}
function drop(): void {
  const own = dragged.value;
  dragged.value = null;
  if (own === null) return;
  const slot = props.days.slots.find(({ taskId }) => taskId === own.taskId)!;
  emit('choose', slot.taskId);
  if (Math.abs(own.byPx) < CLICK_PX || slot.isDone) return;
  const atMin = x.value.invert(x.value(slot.startMin) + own.byPx);
  emit('pin', slot.ofTask, Math.max(0, Math.round(atMin / PIN_MIN) * PIN_MIN));
}
const cancel = (): void => void (dragged.value = null);
</script>

<template>
  <div ref="frame" class="chart" tabindex="0" role="region" aria-label="Timeline">
    <svg class="ink" :width="chartWidth" :height="TOP_PX + workpieces.length * ROW_PX + 6" role="group" aria-label="Workpieces and days">
      <g v-for="tick in dayTicks" :key="tick.day">
        <line class="day" :x1="tick.at" :x2="tick.at" :y1="TOP_PX - 6" :y2="TOP_PX + workpieces.length * ROW_PX" />
        <text v-if="tick.label !== ''" class="tick-label" :x="tick.at + 2" :y="TOP_PX - 12">{{ tick.label }}</text>
      </g>
      <text v-for="tick in hourTicks" :key="tick.key" class="hour" :x="tick.at + 1" :y="TOP_PX - 2">{{ tick.label }}</text>
      <g v-for="({ id, name }, i) in workpieces" :key="id">
        <line class="row-line" :x1="0" :x2="chartWidth" :y1="TOP_PX + i * ROW_PX" :y2="TOP_PX + i * ROW_PX" />
        <text class="tile-name" x="6" :y="TOP_PX + i * ROW_PX + 20">{{ name.length > 18 ? `${name.slice(0, 17)}…` : name }}</text>
      </g>
      <rect
        v-for="bar in dryingBars"
        :key="bar.key"
        :class="bar.isTended ? 'tended' : 'dry'"
        :x="bar.from"
        :y="bar.y"
        :width="Math.max(LEAST_BAR_PX, bar.to - bar.from)"
        height="6"
      >
        <title>{{ bar.title }}</title>
      </rect>
      <polyline v-if="chain !== ''" class="chain" :points="chain" data-testid="chain" />
      <g
        v-for="bar in workBars"
        :key="bar.key"
        class="task"
        :class="{ chosen: bar.slot.taskId === chosenId, pinned: bar.slot.isPinned, done: bar.slot.isDone }"
        role="button"
        tabindex="0"
        :data-task="bar.slot.ofTask"
        :aria-label="`${bar.title}, ${nameOf(bar.slot.workpieceId)}`"
        :aria-pressed="bar.slot.taskId === chosenId"
        @pointerdown="press($event, bar.slot.taskId)"
        @pointermove="move"
        @pointerup="drop"
        @pointercancel="cancel"
        @keydown.enter.prevent="emit('choose', bar.slot.taskId)"
        @keydown.space.prevent="emit('choose', bar.slot.taskId)"
      >
        <rect class="work" :x="bar.from" :y="bar.y" :width="bar.width" height="15" />
        <path v-if="bar.slot.isPinned" class="pin" :d="`M${bar.from},${bar.y - 4}l4,0l-4,7z`" />
        <title>{{ bar.title }}</title>
      </g>
      <line
        v-if="nowMin > 0 && nowMin < dayCount * DAY_MIN"
        class="now"
        :x1="x(nowMin)"
        :x2="x(nowMin)"
        :y1="TOP_PX - 8"
        :y2="TOP_PX + workpieces.length * ROW_PX"
      />
    </svg>
  </div>
</template>

<style scoped>
.chart {
  overflow-x: auto;
}
.day,
.row-line {
  stroke: var(--rule);
}
.hour {
  font-size: 9px;
  fill: var(--ink-soft);
}
.work {
  fill: var(--moss);
}
.task {
  cursor: grab;
  touch-action: none;
}
.task:focus {
  outline: none;
}
.task:focus .work,
.chosen .work {
  stroke: var(--ink);
  stroke-width: 2;
}
.done .work {
  fill: var(--sheet);
  stroke: var(--moss);
}
.pin {
  fill: var(--clay);
}
.dry {
  fill: url(#hatch-stipple);
  stroke: var(--tick);
  stroke-width: 0.7;
}
.tended {
  fill: url(#hatch-grain);
  stroke: var(--tick);
  stroke-width: 0.7;
}
.chain {
  fill: none;
  stroke: var(--clay);
  stroke-width: 1.6;
  stroke-dasharray: 5 3;
  pointer-events: none;
}
.now {
  pointer-events: none;
  stroke: var(--slate);
  stroke-width: 2;
}
</style>
