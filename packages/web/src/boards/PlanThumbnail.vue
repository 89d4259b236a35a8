<script setup lang="ts">
import { computed } from 'vue';
import { type Plan, shapeRegion, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { drawingOrder, fillOf, regionPath } from '../ground/paths';

/** A plan in small, to scale. */
const props = defineProps<{ plan: Plan }>();
const WIDTH_PX = 270;
const HEIGHT_PX = 170;
const view = computed(() => {
  const { table } = props.plan;
  const [widthMm, depthMm] = [tableWidthMm(table), tableDepthMm(table)];
  const k = Math.min(WIDTH_PX / widthMm, HEIGHT_PX / depthMm);
  const toPx = (p: { x: number; y: number }): { x: number; y: number } => ({ x: p.x * k, y: p.y * k });
  const starts = (sizes: readonly number[]): number[] =>
    sizes.slice(0, -1).map((_, i) => sizes.slice(0, i + 1).reduce((sum, size) => sum + size, 0) * k);
  return {
    width: widthMm * k,
    height: depthMm * k,
    columns: starts(table.columnWidthsMm),
    rows: starts(table.rowDepthsMm),
    features: drawingOrder(props.plan.features).map((feature) => ({ feature, d: regionPath(shapeRegion(feature.shape), toPx) })),
  };
});
</script>

<template>
  <svg
    class="ink"
    :width="view.width"
    :height="view.height"
    :viewBox="`0 0 ${view.width} ${view.height}`"
    role="img"
    :aria-label="`Plan of ${plan.name}`"
  >
    <rect :width="view.width" :height="view.height" fill="url(#hatch-open)" />
    <path v-for="{ feature, d } in view.features" :key="feature.id" :d="d" class="feature" :class="feature.kind" :fill="fillOf(feature)" />
    <line v-for="x in view.columns" :key="`c${x}`" class="seam" :x1="x" :x2="x" y1="0" :y2="view.height" />
    <line v-for="y in view.rows" :key="`r${y}`" class="seam" :y1="y" :y2="y" x1="0" :x2="view.width" />
    <rect class="table-edge" :width="view.width" :height="view.height" />
  </svg>
</template>
