<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { scaleLinear } from 'd3-scale';
import { computed, ref } from 'vue';
import { DAY_MIN } from '@spare-acre/core/base/units';
import { dayText } from '@spare-acre/core/days';
import type { Slices } from '../../workers/slices';

/** Workpieces down, days along: work as ink, drying as dots, so that waiting looks like waiting. */
const props = defineProps<{
  days: NonNullable<Slices['days']>;
  steps: NonNullable<Slices['steps']>;
  workpieces: readonly { readonly id: string; readonly name: string }[];
  startsOn: string;
}>();
const frame = ref<HTMLElement | null>(null);
const { width } = useElementSize(frame);
const ROW_PX = 30;
const TOP_PX = 30;
/** Tiles have short names, pieces long ones. */
const leftPx = computed(() => (props.workpieces.some(({ name }) => name.length > 4) ? 124 : 40));
const LEAST_BAR_PX = 2.5;
const LEAST_DAY_PX = 76;

const endMin = computed(() => Math.max(DAY_MIN, ...props.days.slots.map(({ curedMin }) => curedMin)));
const dayCount = computed(() => Math.ceil(endMin.value / DAY_MIN));
const chartWidth = computed(() => Math.max(width.value, leftPx.value + dayCount.value * 18));
const x = computed(() => scaleLinear([0, dayCount.value * DAY_MIN], [leftPx.value, chartWidth.value - 8]));
const every = computed(() => Math.max(1, Math.ceil(LEAST_DAY_PX / (x.value(DAY_MIN) - x.value(0)))));
const dayTicks = computed(() =>
  Array.from({ length: dayCount.value + 1 }, (_, day) => ({
    day,
    at: x.value(day * DAY_MIN),
    label: day % every.value === 0 ? dayText(props.startsOn, day * DAY_MIN) : '',
  })),
);
const lastOf = computed(() => new Map(props.days.slots.map((slot) => [slot.workpieceId, slot.taskId])));
const rowOf = computed(() => new Map(props.workpieces.map(({ id }, i) => [id, i])));
const nameOf = (id: string): string => props.workpieces[rowOf.value.get(id) ?? -1]?.name ?? id;
const bars = computed(() =>
  props.days.slots.flatMap((slot) => {
    const row = TOP_PX + (rowOf.value.get(slot.workpieceId) ?? 0) * ROW_PX;
    const step = props.steps.find(({ id }) => id === slot.stepId)!;
    const dryUntil = lastOf.value.get(slot.workpieceId) === slot.taskId ? slot.curedMin : slot.nextMin;
    const work = slot.stretches.map((stretch, i) => ({
      key: `${slot.taskId}${i}`,
      what: 'work',
      title: `${step.name}, ${nameOf(slot.workpieceId)}`,
      y: row + 4,
      height: 15,
      from: x.value(stretch.fromMin),
      to: x.value(stretch.toMin),
    }));
    const dry =
      dryUntil > slot.endMin
        ? [
            {
              key: `${slot.taskId}-dry`,
              what: 'dry',
              title: `drying: ${step.name}, ${nameOf(slot.workpieceId)}`,
              y: row + 20,
              height: 6,
              from: x.value(slot.endMin),
              to: x.value(dryUntil),
            },
          ]
        : [];
    return [...work, ...dry];
  }),
);
</script>

<template>
  <div ref="frame" class="chart">
    <svg class="ink" :width="chartWidth" :height="TOP_PX + workpieces.length * ROW_PX + 6" role="img" aria-label="Workpieces and days">
      <g v-for="tick in dayTicks" :key="tick.day">
        <line class="day" :x1="tick.at" :x2="tick.at" :y1="TOP_PX - 6" :y2="TOP_PX + workpieces.length * ROW_PX" />
        <text v-if="tick.label !== ''" class="tick-label" :x="tick.at + 2" :y="TOP_PX - 12">{{ tick.label }}</text>
      </g>
      <g v-for="({ id, name }, i) in workpieces" :key="id">
        <line class="row-line" :x1="0" :x2="chartWidth" :y1="TOP_PX + i * ROW_PX" :y2="TOP_PX + i * ROW_PX" />
        <text class="tile-name" x="6" :y="TOP_PX + i * ROW_PX + 20">{{ name.length > 18 ? `${name.slice(0, 17)}…` : name }}</text>
      </g>
      <rect
        v-for="bar in bars"
        :key="bar.key"
        :class="bar.what"
        :x="bar.from"
        :y="bar.y"
        :width="Math.max(LEAST_BAR_PX, bar.to - bar.from)"
        :height="bar.height"
      >
        <title>{{ bar.title }}</title>
      </rect>
    </svg>
  </div>
</template>

<style scoped>
.chart {
  overflow-x: auto;
}
.day {
  stroke: var(--rule);
}
.row-line {
  stroke: var(--rule);
}
.work {
  fill: var(--moss);
}
.dry {
  fill: url(#hatch-stipple);
  stroke: var(--tick);
  stroke-width: 0.7;
}
</style>
