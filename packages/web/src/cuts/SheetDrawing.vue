<script setup lang="ts">
import { computed } from 'vue';
import { type CutJob, laidParts } from '@spare-acre/core/cutting';
import type { Point } from '@spare-acre/core/geometry';
import { lengthText } from '@spare-acre/core/units';
import { linePath } from '../ground/paths';
import { usePlan } from '../stores/plan';

/** One sheet with its parts laid out, to scale. */
const props = defineProps<{ job: CutJob; index: number; widthPx: number; heightPx: number; isLarge: boolean }>();
const store = usePlan();
const laid = computed(() => props.job.layout.sheets[props.index]!);
const k = computed(() => Math.min(props.widthPx / props.job.rule.widthMm, props.heightPx / props.job.rule.depthMm));
const toPx = ({ x, y }: Point): Point => ({ x: x * k.value, y: y * k.value });
const parts = computed(() =>
  laidParts(props.job, props.index).map(({ id, number, name, leftMm, topMm, widthMm, depthMm, rings }) => ({
    id,
    number,
    name,
    size: `${lengthText(widthMm, store.plan!.units)} × ${lengthText(depthMm, store.plan!.units)}`,
    d: rings.map((ring) => `${linePath(ring, toPx)}Z`).join(''),
    box: { x: leftMm * k.value, y: topMm * k.value, width: widthMm * k.value, height: depthMm * k.value },
  })),
);
const rest = computed(() => ({
  x: laid.value.rest.xMm * k.value,
  y: laid.value.rest.yMm * k.value,
  width: laid.value.rest.widthMm * k.value,
  height: laid.value.rest.depthMm * k.value,
}));
const sheet = computed(() => ({
  width: props.job.rule.widthMm * k.value,
  height: props.job.rule.depthMm * k.value,
  trim: props.job.rule.trimMm * k.value,
}));
const fits = (text: string, px: number): boolean => text.length * 6.1 < px;
</script>

<template>
  <svg
    class="ink"
    :width="sheet.width + 2"
    :height="sheet.height + 2"
    :viewBox="`-1 -1 ${sheet.width + 2} ${sheet.height + 2}`"
    role="img"
    :aria-label="`Sheet ${index + 1} of ${job.name}, ${parts.length} parts`"
  >
    <rect class="stock" :width="sheet.width" :height="sheet.height" :fill="`url(#hatch-${job.hatch})`" />
    <rect
      v-if="sheet.trim > 0"
      class="trim"
      :x="sheet.trim"
      :y="sheet.trim"
      :width="sheet.width - 2 * sheet.trim"
      :height="sheet.height - 2 * sheet.trim"
    />
    <rect
      v-if="isLarge && rest.width > 30 && rest.height > 20"
      class="rest"
      :x="rest.x"
      :y="rest.y"
      :width="rest.width"
      :height="rest.height"
    />
    <text
      v-if="isLarge && rest.width > 90 && rest.height > 40"
      class="rest-text"
      :x="rest.x + rest.width / 2"
      :y="rest.y + rest.height / 2 + 4"
      text-anchor="middle"
    >
      left over
    </text>
    <g v-for="part in parts" :key="part.id" data-testid="placed-part">
      <rect class="blank" :x="part.box.x" :y="part.box.y" :width="part.box.width" :height="part.box.height" />
      <path class="part" :d="part.d" fill-rule="evenodd">
        <title>{{ part.number }}. {{ part.name }}, {{ part.size }}</title>
      </path>
      <template v-if="isLarge">
        <text v-if="part.box.width > 16 && part.box.height > 13" class="number" :x="part.box.x + 5" :y="part.box.y + 13">
          {{ part.number }}
        </text>
        <text v-if="fits(part.name, part.box.width - 22) && part.box.height > 16" class="seen" :x="part.box.x + 20" :y="part.box.y + 13">
          {{ part.name }}
        </text>
        <text v-if="fits(part.size, part.box.width - 8) && part.box.height > 34" class="seen soft" :x="part.box.x + 5" :y="part.box.y + 29">
          {{ part.size }}
        </text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
.stock {
  stroke: var(--ink);
  stroke-width: 1.4;
}
.trim {
  fill: none;
  stroke: var(--tick);
  stroke-width: 0.8;
  stroke-dasharray: 3 3;
}
.blank {
  fill: none;
  stroke: var(--tick);
  stroke-width: 0.6;
  stroke-dasharray: 2 2;
}
.part {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.2;
}
.rest {
  fill: none;
  stroke: var(--moss);
  stroke-width: 1.4;
  stroke-dasharray: 6 4;
}
.rest-text {
  fill: var(--moss);
  font-size: 12px;
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
.number {
  fill: var(--clay);
  font-size: 12px;
  font-weight: 600;
}
</style>
