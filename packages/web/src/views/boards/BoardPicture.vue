<script setup lang="ts">
import { computed } from 'vue';
import type { BoardSummary } from '@spare-acre/core/plan/summary';

/** A board in small, to scale, as its card in the list has it. */
const props = defineProps<{ name: string; summary: BoardSummary }>();
const WIDTH_PX = 270;
const HEIGHT_PX = 170;
/** Paths are in hundredths of the longer side. */
const UNITS_ALONG = 100;
const view = computed(() => {
  const { widthMm, depthMm, columnWidthsMm, rowDepthsMm } = props.summary;
  const longerMm = Math.max(widthMm, depthMm);
  const [width, depth] = [widthMm, depthMm].map((mm) => (mm / longerMm) * UNITS_ALONG) as [number, number];
  const px = Math.min(WIDTH_PX / width, HEIGHT_PX / depth);
  const ends = (sizes: readonly number[]): number[] =>
    sizes.slice(0, -1).map((_, i) => (sizes.slice(0, i + 1).reduce((sum, mm) => sum + mm, 0) / longerMm) * UNITS_ALONG);
  const seams = [...ends(columnWidthsMm).map((x) => `M${x} 0V${depth}`), ...ends(rowDepthsMm).map((y) => `M0 ${y}H${width}`)].join('');
  return { width, depth, px, seams };
});
const fillOf = (hatch: string | null): string => (hatch === null ? 'none' : `url(#hatch-${hatch})`);
</script>

<template>
  <ul v-if="summary.widthMm === 0" class="lot" :aria-label="`Pieces of ${name}`">
    <li v-for="piece in summary.pieceNames" :key="piece">{{ piece }}</li>
    <li v-if="summary.pieceNames.length === 0" class="quiet">no pieces yet</li>
  </ul>
  <svg v-else class="ink" :width="view.width * view.px" :height="view.depth * view.px" role="img" :aria-label="`Plan of ${name}`">
    <rect width="100%" height="100%" fill="url(#hatch-open)" />
    <g :transform="`scale(${view.px})`">
      <path v-for="({ hatch, path }, i) in summary.areas" :key="i" class="outline" :d="path" :fill="fillOf(hatch)" fill-rule="evenodd" />
      <path class="seam" fill="none" :d="view.seams" />
    </g>
    <rect class="table-edge" width="100%" height="100%" />
  </svg>
</template>

<style scoped>
.outline {
  stroke: var(--ink);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.seam {
  vector-effect: non-scaling-stroke;
}
.lot {
  list-style: none;
  margin: 0;
  padding: 14px 18px;
  width: 270px;
  max-height: 170px;
  overflow: hidden;
  text-align: left;
}
.lot li {
  border-bottom: 1px solid var(--rule);
  padding: 3px 0;
}
</style>
