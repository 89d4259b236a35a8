<script setup lang="ts">
import { computed } from 'vue';
import type { Feature } from '@spare-acre/core/plan/features';
import { middleLine, shapeBox } from '@spare-acre/core/plan/shapes';
import { type Box, type Point, pointAlong } from '@spare-acre/core/base/geometry';
import type { ToPx } from './paths';
import { placeNames } from './placeNames';

/** Names of features on the plan, each where it fits and hides no other. */
const props = defineProps<{
  features: readonly Feature[];
  /** Their corners on the sheet, px. */
  tiles: readonly { readonly a: Point }[];
  toPx: ToPx;
  /** px for a mm. */
  scale: number;
}>();
/** Small things are named first: a large one has more places to give way to. */
const names = computed(() => {
  const shown = props.features
    .map((feature) => ({ feature, box: shapeBox(feature.shape) }))
    .filter(({ feature, box: own }) => (own.right - own.left) * props.scale > feature.name.length * 5.4)
    .sort((a, b) => areaOf(a.box) - areaOf(b.box));
  const corners = props.tiles.map(({ a }) => ({ left: a.x, right: a.x + 24, top: a.y, bottom: a.y + 18 }));
  return placeNames(
    shown.map(({ feature }) => ({ id: feature.id, text: feature.name, places: placesFor(feature).map(props.toPx) })),
    { x: props.tiles.map(({ a }) => a.x), y: props.tiles.map(({ a }) => a.y) },
    corners,
  );
});
const areaOf = ({ left, top, right, bottom }: Box): number => (right - left) * (bottom - top);
/** Where a name may stand: along a strip's line, or in the middle, the back or the near part of an area. */
function placesFor({ shape }: Feature): Point[] {
  if (shape.form === 'strip') return [0.5, 0.3, 0.7, 0.15, 0.85].map((share) => pointAlong(middleLine(shape), share));
  const { left, top, right, bottom } = shapeBox(shape);
  const inMm = 9 / props.scale;
  const xs = [0.5, 0.28, 0.72].map((share) => left + (right - left) * share);
  const ys = [(top + bottom) / 2, top + inMm, bottom - inMm, top + (bottom - top) * 0.3, top + (bottom - top) * 0.7];
  return ys.flatMap((y) => xs.map((x) => ({ x, y })));
}
</script>

<template>
  <text v-for="{ id, text, at } in names" :key="id" class="feature-name" :x="at.x" :y="at.y + 4">{{ text }}</text>
</template>
