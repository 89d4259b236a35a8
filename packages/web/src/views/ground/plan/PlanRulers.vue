<script setup lang="ts">
import { computed } from 'vue';
import { type MeasureSystem, lengthField, lengthUnit } from '@spare-acre/core/base/units';
import type { PlanView } from './usePlanView';

/** Ticks along the table's left and back edges, and a scale bar under it. */
const props = defineProps<{ view: PlanView; widthMm: number; depthMm: number; system: MeasureSystem; figureHeightMm: number }>();

/** Tick steps a person can add up, metric and in inches. */
const STEPS_MM: Readonly<Record<MeasureSystem, readonly number[]>> = {
  metric: [5, 10, 50, 100, 500, 1000],
  imperial: [25.4 / 2, 25.4, 127, 254, 762],
};
const LEAST_TICK_PX = 22;
const LEAST_LABEL_PX = 90;

const step = (leastPx: number): number =>
  STEPS_MM[props.system].find((mm) => mm * props.view.scale.value >= leastPx) ?? STEPS_MM[props.system].at(-1)!;
const ticks = (lengthMm: number): { atMm: number; label: string }[] => {
  const small = step(LEAST_TICK_PX);
  const labelled = Math.max(1, Math.round(step(LEAST_LABEL_PX) / small));
  const count = Math.floor(lengthMm / small + 1e-6);
  return Array.from({ length: count + 1 }, (_, i) => ({
    atMm: i * small,
    label: i % labelled === 0 ? lengthField(i * small, props.system) : '',
  }));
};
const origin = computed(() => props.view.toPx.value({ x: 0, y: 0 }));
const along = computed(() => ticks(props.widthMm).map((tick) => ({ ...tick, px: props.view.toPx.value({ x: tick.atMm, y: 0 }).x })));
const down = computed(() => ticks(props.depthMm).map((tick) => ({ ...tick, px: props.view.toPx.value({ x: 0, y: tick.atMm }).y })));
const bar = computed(() => {
  const mm = step(130);
  return { text: `${lengthField(mm, props.system)} ${lengthUnit(props.system)}`, px: mm * props.view.scale.value };
});
const barAt = computed(() => ({
  x: Math.max(50, origin.value.x),
  y: Math.min(props.view.height.value - 22, props.view.toPx.value({ x: 0, y: props.depthMm }).y + 16),
}));
</script>

<template>
  <g aria-hidden="true">
    <g v-for="tick in along" :key="`x${tick.atMm}`">
      <line class="tick" :x1="tick.px" :x2="tick.px" :y1="origin.y - 3" :y2="origin.y - (tick.label === '' ? 7 : 11)" />
      <text v-if="tick.label !== ''" class="tick-label" :x="tick.px" :y="origin.y - 14" text-anchor="middle">{{ tick.label }}</text>
    </g>
    <g v-for="tick in down" :key="`y${tick.atMm}`">
      <line class="tick" :y1="tick.px" :y2="tick.px" :x1="origin.x - 3" :x2="origin.x - (tick.label === '' ? 7 : 11)" />
      <text v-if="tick.label !== ''" class="tick-label" :x="origin.x - 14" :y="tick.px + 4" text-anchor="end">{{ tick.label }}</text>
    </g>
    <g :transform="`translate(${barAt.x} ${barAt.y})`">
      <rect :width="bar.px" height="5" fill="var(--sheet)" stroke="var(--ink)" />
      <rect :width="bar.px / 2" height="5" />
      <text class="tick-label" :x="bar.px + 8" y="7">{{ bar.text }}</text>
      <text v-if="barAt.x + bar.px + 190 < view.width.value" class="tick-label soft" :x="bar.px + 90" y="7"
        >{{ figureHeightMm }} mm figures</text
      >
    </g>
  </g>
</template>
