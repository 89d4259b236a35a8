<script setup lang="ts">
import { computed } from 'vue';
import { type Feature, type Shape, featureMarks, levelRegion, middleLine, shapePoints, shapeRegion } from '@spare-acre/core/plan';
import { type Region, grown } from '@spare-acre/core/geometry';
import { type ToPx, drawingOrder, fillOf, linePath, regionPath } from './paths';

/** The features of a plan in ink, lowest first. Only draws: presses are told to whoever placed it. */
const props = defineProps<{ features: readonly Feature[]; toPx: ToPx; chosenIds?: readonly string[]; isStill?: boolean }>();
const emit = defineEmits<{ press: [event: PointerEvent, feature: Feature]; open: [feature: Feature] }>();

// A feature that did not change keeps its regions, so a drag works out one, not all.
const known = new WeakMap<Shape, Region>();
function regionOf(shape: Shape): Region {
  let region = known.get(shape);
  if (region === undefined) known.set(shape, (region = shapeRegion(shape)));
  return region;
}
const inner = new WeakMap<Feature, readonly Region[]>();
/** Edges drawn inside the outline: the steps of raised ground and hills, the foot of a bank's crown, the rim of a crater. */
function innerOf(feature: Feature): readonly Region[] {
  let regions = inner.get(feature);
  if (regions === undefined) inner.set(feature, (regions = innerRegions(feature)));
  return regions;
}
function innerRegions(feature: Feature): readonly Region[] {
  const own = regionOf(feature.shape);
  if (feature.kind === 'raised') return Array.from({ length: feature.steps - 1 }, (_, i) => grown(own, -feature.stepInMm * (i + 1)));
  if (feature.kind === 'hill') return feature.shape.levels.slice(1).map(levelRegion);
  if (feature.kind === 'bank') return [shapeRegion({ ...feature.shape, widthMm: Math.max(2, feature.crownMm) })];
  if (feature.kind === 'crater' && feature.rimMm > 0) return [grown(own, feature.rimWidthMm)];
  if (feature.kind === 'route' && feature.kerbMm > 0) return [grown(own, -feature.kerbWidthMm)];
  return (feature.kind === 'pit' || feature.kind === 'water') && feature.floor === 'bowl' ? [grown(own, -8)] : [];
}

const drawn = computed(() =>
  drawingOrder(props.features)
    .filter(({ hidden }) => !hidden)
    .map((feature) => {
      const marks = featureMarks(feature);
      return {
        feature,
        d: regionPath(regionOf(feature.shape), props.toPx),
        inner: innerOf(feature).map((region) => regionPath(region, props.toPx)),
        lines: marks.lines.map((line) => linePath(line, props.toPx)).join(''),
        isDashed: marks.dashed,
        dots: marks.dots.map(props.toPx),
        arrow: feature.kind === 'ramp' ? linePath(middleLine(feature.shape), props.toPx) : '',
        box: feature.kind === 'light' ? props.toPx(shapePoints(feature.shape)[0]!) : null,
        isChosen: props.chosenIds?.includes(feature.id) === true,
      };
    }),
);
</script>

<template>
  <g v-for="{ feature, d, inner: edges, lines, isDashed, dots, arrow, box, isChosen } in drawn" :key="feature.id">
    <path
      :d="d"
      fill-rule="evenodd"
      class="feature"
      :class="[feature.kind, { selected: isChosen, locked: feature.locked }]"
      :fill="fillOf(feature)"
      :pointer-events="isStill ? 'none' : 'all'"
      :tabindex="isStill ? undefined : 0"
      :role="isStill ? undefined : 'button'"
      :aria-label="isStill ? undefined : feature.name"
      :aria-pressed="isStill ? undefined : isChosen"
      :data-feature="isStill ? undefined : feature.id"
      @pointerdown="emit('press', $event, feature)"
      @keydown.enter.stop="emit('open', feature)"
      @keydown.space.prevent.stop="emit('open', feature)"
    />
    <g pointer-events="none">
      <path v-for="(edge, i) in edges" :key="i" class="step" :class="feature.kind" :d="edge" />
      <path v-if="lines !== ''" class="mark" :class="[feature.kind, { dashes: isDashed }]" :d="lines" />
      <path v-if="arrow !== ''" class="mark ramp" :d="arrow" marker-end="url(#mark-up)" />
      <circle v-for="(dot, i) in dots" :key="`d${i}`" class="lamp" :cx="dot.x" :cy="dot.y" r="3.2" />
      <rect v-if="box !== null" class="battery" :x="box.x - 4" :y="box.y - 4" width="8" height="8" />
    </g>
  </g>
</template>
