<script setup lang="ts">
import { computed } from 'vue';
import { tilesOf } from '@spare-acre/core/ground';
import { type Plan, hasTable, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import PlanArt from '../ground/plan/PlanArt.vue';

/** A plan in small, to scale. */
const props = defineProps<{ plan: Plan }>();
const WIDTH_PX = 270;
const HEIGHT_PX = 170;
const view = computed(() => {
  const { table } = props.plan;
  const [widthMm, depthMm] = [tableWidthMm(table), tableDepthMm(table)];
  const k = Math.min(WIDTH_PX / widthMm, HEIGHT_PX / depthMm);
  const toPx = (p: { x: number; y: number }): { x: number; y: number } => ({ x: p.x * k, y: p.y * k });
  return {
    width: widthMm * k,
    height: depthMm * k,
    tiles: tilesOf(table).map(({ id, box }) => ({ id, a: toPx({ x: box.left, y: box.top }), b: toPx({ x: box.right, y: box.bottom }) })),
    toPx,
  };
});
</script>

<template>
  <ul v-if="!hasTable(plan.table)" class="lot" :aria-label="`Pieces of ${plan.name}`">
    <li v-for="piece in plan.pieces" :key="piece.id">{{ piece.name }}{{ piece.count > 1 ? ` × ${piece.count}` : '' }}</li>
    <li v-if="plan.pieces.length === 0" class="quiet">nothing yet</li>
  </ul>
  <svg
    v-else
    class="ink"
    :width="view.width"
    :height="view.height"
    :viewBox="`0 0 ${view.width} ${view.height}`"
    role="img"
    :aria-label="`Plan of ${plan.name}`"
  >
    <rect :width="view.width" :height="view.height" fill="url(#hatch-open)" />
    <PlanArt :features="plan.features" :to-px="view.toPx" is-still />
    <rect v-for="{ id, a, b } in view.tiles" :key="id" class="seam" fill="none" :x="a.x" :y="a.y" :width="b.x - a.x" :height="b.y - a.y" />
    <rect class="table-edge" :width="view.width" :height="view.height" />
  </svg>
</template>

<style scoped>
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
