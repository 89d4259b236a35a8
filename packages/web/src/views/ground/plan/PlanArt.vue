<script setup lang="ts">
import { computed } from 'vue';
import { type Feature, NO_MARKS, kindOf } from '@spare-acre/core/features';
import { shapeRegion } from '@spare-acre/core/shapes';
import type { Point, Region } from '@spare-acre/core/base/geometry';
import { type ToPx, drawingOrder, fillOf, linePath, regionPath } from './paths';

/** The features of a plan in ink, lowest first. Only draws: presses are told to whoever placed it. */
const props = defineProps<{
  features: readonly Feature[];
  toPx: ToPx;
  chosenIds?: readonly string[];
  isStill?: boolean;
  standing?: readonly {
    readonly featureId: string;
    readonly rings: Region['rings'];
    readonly ways: readonly { readonly threshold: Line; readonly inwards: Line }[];
  }[];
}>();
type Line = readonly [Point, Point];
const emit = defineEmits<{ press: [event: PointerEvent, feature: Feature]; open: [feature: Feature] }>();

const inner = new WeakMap<Feature, readonly Region[]>();
/** Edges drawn inside the outline; a drag works out those of one feature, not of all. */
function innerOf(feature: Feature): readonly Region[] {
  let regions = inner.get(feature);
  if (regions === undefined) inner.set(feature, (regions = kindOf(feature).innerEdges?.(feature, shapeRegion(feature.shape)) ?? []));
  return regions;
}

const drawn = computed(() =>
  drawingOrder(props.features)
    .filter(({ hidden }) => !hidden)
    .map((feature) => {
      const marks = kindOf(feature).marks?.(feature) ?? NO_MARKS;
      return {
        feature,
        d: regionPath(shapeRegion(feature.shape), props.toPx),
        inner: innerOf(feature).map((region) => regionPath(region, props.toPx)),
        lines: marks.lines.map((line) => linePath(line, props.toPx)).join(''),
        isDashed: marks.dashed,
        dots: marks.dots.map(props.toPx),
        arrow: linePath(marks.arrow, props.toPx),
        box: marks.box === null ? null : props.toPx(marks.box),
        pieces: (props.standing ?? [])
          .filter(({ featureId }) => featureId === feature.id)
          .map(({ rings, ways }) => ({
            d: regionPath({ rings }, props.toPx),
            thresholds: ways.map(({ threshold }) => linePath(threshold, props.toPx)).join(''),
            ways: ways.map(({ inwards }) => linePath(inwards, props.toPx)),
          })),
        isChosen: props.chosenIds?.includes(feature.id) === true,
      };
    }),
);
</script>

<template>
  <g v-for="{ feature, d, inner: edges, lines, isDashed, dots, arrow, box, pieces, isChosen } in drawn" :key="feature.id">
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
      <template v-for="(piece, i) in pieces" :key="`p${i}`">
        <path class="standing" :d="piece.d" />
        <path v-if="piece.thresholds !== ''" class="threshold" :d="piece.thresholds" />
        <path v-for="way in piece.ways" :key="way" class="mark way-in" :d="way" marker-end="url(#mark-up)" />
      </template>
      <path v-if="lines !== ''" class="mark" :class="[feature.kind, { dashes: isDashed }]" :d="lines" />
      <path v-if="arrow !== ''" class="mark ramp" :d="arrow" marker-end="url(#mark-up)" />
      <circle v-for="(dot, i) in dots" :key="`d${i}`" class="lamp" :cx="dot.x" :cy="dot.y" r="3.2" />
      <rect v-if="box !== null" class="battery" :x="box.x - 4" :y="box.y - 4" width="8" height="8" />
    </g>
  </g>
</template>
