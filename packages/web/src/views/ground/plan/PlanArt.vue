<script setup lang="ts">
import { computed, watch } from 'vue';
import { type Feature, NO_MARKS, kindOf } from '@spare-acre/core/plan/features';
import { shapeRegion } from '@spare-acre/core/plan/shapes';
import type { Point, Region } from '@spare-acre/core/base/geometry';
import { useListInTurns } from '../../../ui/InTurn';
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
const emit = defineEmits<{ press: [event: PointerEvent, feature: Feature]; open: [feature: Feature]; drawn: [] }>();

const inner = new WeakMap<Feature, readonly Region[]>();
/** Edges drawn inside the outline; a drag works out those of one feature, not of all. */
function innerOf(feature: Feature): readonly Region[] {
  let regions = inner.get(feature);
  if (regions === undefined) inner.set(feature, (regions = kindOf(feature).innerEdges?.(feature, shapeRegion(feature.shape)) ?? []));
  return regions;
}

/** What is drawn of one feature: worked out anew only when it, its pieces, whether it is chosen or the scale has changed. */
type Ink = ReturnType<typeof inkOf>;
type Standing = NonNullable<typeof props.standing>[number];
let inked: { readonly toPx: ToPx; readonly by: ReadonlyMap<Feature, Ink> } | null = null;

/** A hand that goes on meanwhile is not held up by 200 features. */
const inTurns = useListInTurns(() => drawingOrder(props.features).filter(({ hidden }) => !hidden), 25);

const isWhole = computed(() => inTurns.value.length === props.features.filter(({ hidden }) => !hidden).length);
watch(isWhole, (whole) => whole && emit('drawn'), { immediate: true });

const drawn = computed((): readonly Ink[] => {
  const { toPx } = props;
  const standing = new Map<string, Standing[]>();
  for (const one of props.standing ?? []) standing.set(one.featureId, [...(standing.get(one.featureId) ?? []), one]);
  const chosen = new Set(props.chosenIds);
  const before = inked?.toPx === toPx ? inked.by : null;
  const inks = inTurns.value.map((feature) => {
    const pieces = standing.get(feature.id) ?? [];
    const isChosen = chosen.has(feature.id);
    const same = before?.get(feature);
    const isSame = same !== undefined && same.isChosen === isChosen && same.standing.length === pieces.length;
    return isSame && same.standing.every((one, i) => one === pieces[i]) ? same : inkOf(feature, toPx, pieces, isChosen);
  });
  inked = { toPx, by: new Map(inks.map((ink) => [ink.feature, ink])) };
  return inks;
});

function inkOf(feature: Feature, toPx: ToPx, standing: readonly Standing[], isChosen: boolean) {
  const marks = kindOf(feature).marks?.(feature) ?? NO_MARKS;
  return {
    feature,
    standing,
    isChosen,
    d: regionPath(shapeRegion(feature.shape), toPx),
    inner: innerOf(feature).map((region) => regionPath(region, toPx)),
    lines: marks.lines.map((line) => linePath(line, toPx)).join(''),
    isDashed: marks.dashed,
    dots: marks.dots.map(toPx),
    arrow: linePath(marks.arrow, toPx),
    box: marks.box === null ? null : toPx(marks.box),
    pieces: standing.map(({ rings, ways }) => ({
      d: regionPath({ rings }, toPx),
      thresholds: ways.map(({ threshold }) => linePath(threshold, toPx)).join(''),
      ways: ways.map(({ inwards }) => linePath(inwards, toPx)),
    })),
  };
}
</script>

<template>
  <g v-for="ink in drawn" :key="ink.feature.id" v-memo="[ink, isStill]">
    <path
      :d="ink.d"
      fill-rule="evenodd"
      class="feature"
      :class="[ink.feature.kind, { selected: ink.isChosen, locked: ink.feature.locked }]"
      :fill="fillOf(ink.feature)"
      :pointer-events="isStill ? 'none' : 'all'"
      :tabindex="isStill ? undefined : 0"
      :role="isStill ? undefined : 'button'"
      :aria-label="isStill ? undefined : ink.feature.name"
      :aria-pressed="isStill ? undefined : ink.isChosen"
      :data-feature="isStill ? undefined : ink.feature.id"
      @pointerdown="emit('press', $event, ink.feature)"
      @keydown.enter.stop="emit('open', ink.feature)"
      @keydown.space.prevent.stop="emit('open', ink.feature)"
    />
    <g pointer-events="none">
      <path v-for="(edge, i) in ink.inner" :key="i" class="step" :class="ink.feature.kind" :d="edge" />
      <template v-for="(piece, i) in ink.pieces" :key="`p${i}`">
        <path class="standing" :d="piece.d" />
        <path v-if="piece.thresholds !== ''" class="threshold" :d="piece.thresholds" />
        <path v-for="way in piece.ways" :key="way" class="mark way-in" :d="way" marker-end="url(#mark-up)" />
      </template>
      <path v-if="ink.lines !== ''" class="mark" :class="[ink.feature.kind, { dashes: ink.isDashed }]" :d="ink.lines" />
      <path v-if="ink.arrow !== ''" class="mark ramp" :d="ink.arrow" marker-end="url(#mark-up)" />
      <circle v-for="(dot, i) in ink.dots" :key="`d${i}`" class="lamp" :cx="dot.x" :cy="dot.y" r="3.2" />
      <rect v-if="ink.box !== null" class="battery" :x="ink.box.x - 4" :y="ink.box.y - 4" width="8" height="8" />
    </g>
  </g>
</template>
