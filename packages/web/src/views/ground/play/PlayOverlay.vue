<script setup lang="ts">
import { computed } from 'vue';
import { yardsticks } from '@spare-acre/core/terrain/play';
import { useCatalogue } from '../../../stores/workshop/catalogue';
import { usePlan } from '../../../stores/board/plan';
import { type ToPx, linePath, ringsPath } from '../plan/paths';
import type { Play } from './usePlay';
import YardstickDrawing from './YardstickDrawing.vue';

/** What the chosen play check finds, hatched over the plan, and real things at the board's scale under it. */
const props = defineProps<{ play: Play; toPx: ToPx; scale: number; table: { x: number; y: number; width: number; height: number } }>();
const store = usePlan();
const catalogues = useCatalogue();
const maps = computed(() => props.play.report.value?.maps ?? null);
const areas = computed(() => {
  const { overlay, seenFrom, sight } = props.play;
  if (overlay.value === 'sight') {
    const seen = sight.value?.sights.find(({ side }) => side === seenFrom.value);
    return seen === undefined ? [] : [{ rings: seen.unseen, hatch: 'unseen' }];
  }
  if (maps.value === null) return [];
  if (overlay.value === 'ways') return [{ rings: maps.value.tight, hatch: 'no' }];
  if (overlay.value === 'standing') return [{ rings: maps.value.tips, hatch: 'no' }];
  return [
    { rings: maps.value.far, hatch: 'far' },
    { rings: maps.value.narrow, hatch: 'no' },
  ];
});
const paths = computed(() => areas.value.map(({ rings, hatch }) => ({ hatch, d: ringsPath(rings, props.toPx) })));
const way = computed(() => (props.play.overlay.value !== 'ways' || maps.value === null ? '' : linePath(maps.value.way, props.toPx)));
const widthPx = computed(() => (props.play.report.value?.widest.value ?? 0) * props.scale);
const sticks = computed(() => yardsticks(store.plan!.figureHeightMm, catalogues.catalogue!));
</script>

<template>
  <g pointer-events="none">
    <path
      v-for="{ d, hatch } in paths"
      :key="hatch"
      :d="d"
      fill-rule="evenodd"
      :fill="`url(#hatch-${hatch})`"
      :data-testid="`overlay-${hatch}`"
    />
    <template v-if="way !== ''">
      <path class="way-wide" :d="way" :stroke-width="widthPx" />
      <path class="way" :d="way" data-testid="way" />
    </template>
    <YardstickDrawing :sticks="sticks" :scale="scale" :x="table.x + table.width" :y="table.y + table.height + 62" />
  </g>
</template>

<style scoped>
.way-wide {
  fill: none;
  stroke: var(--moss);
  opacity: 0.22;
  stroke-linejoin: round;
}
.way {
  fill: none;
  stroke: var(--moss);
  stroke-width: 2;
  stroke-dasharray: 6 3;
}
</style>
