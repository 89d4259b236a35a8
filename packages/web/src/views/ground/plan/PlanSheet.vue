<script lang="ts">
import { partLazily } from '../../../ui/lazily';

/** Nothing is chosen when the plan is first seen. */
const FeatureHandles = partLazily(() => import('../draw/FeatureHandles.vue'));
const PlanRulers = partLazily(() => import('./PlanRulers.vue'));
</script>

<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { tableBox, tilesOf } from '@spare-acre/core/terrain/ground';
import { type Feature, reshaped } from '@spare-acre/core/plan/features';
import { boxOfAll } from '@spare-acre/core/plan';
import { movedBy } from '@spare-acre/core/plan/shapes';
import { lengthField, lengthUnit } from '@spare-acre/core/base/units';
import { usePlan } from '../../../stores/board/plan';
import { InTurn } from '../../../ui/InTurn';
import PlanArt from './PlanArt.vue';
import PlanNames from './PlanNames.vue';

import { replaceAll } from '../draw/featureEdits';
import { linePath } from './paths';
import { useDragMm } from '../../../ui/useDragMm';
import { FOOT_PX, usePlanView } from './usePlanView';
import { useSelection } from '../useSelection';
import { type Sketch } from '../draw/useSketch';

/** The plan to scale, with what is drawn on it, laid under it and (by its slot) over it. */
const props = defineProps<{ sketch: Sketch; isStill: boolean; footPx?: number | undefined }>();
const emit = defineEmits<{ scale: [px: number] }>();
const store = usePlan();
const { chosen, selected, select, toggle, choose } = useSelection();
const svg = ref<SVGSVGElement | null>(null);
const plan = computed(() => store.plan!);
const box = computed(() => tableBox(plan.value.table));
const isDrawing = computed(() => props.sketch.isSetting.value);
const view = usePlanView(
  svg,
  () => ({ width: box.value.right, depth: box.value.bottom }),
  (event) => !isDrawing.value && (event.target as Element).closest('.feature, .handle') === null,
  () => props.footPx ?? FOOT_PX,
);
const drag = useDragMm((event) => view.toMm(event));
const px = view.toPx;
watch(view.scale, (scale) => emit('scale', scale), { immediate: true });

const table = computed(() => {
  const [a, b] = [px.value({ x: 0, y: 0 }), px.value({ x: box.value.right, y: box.value.bottom })];
  return { x: a.x, y: a.y, width: b.x - a.x, height: b.y - a.y };
});
const tiles = computed(() =>
  tilesOf(plan.value.table).map((tile) => ({
    id: tile.id,
    a: px.value({ x: tile.box.left, y: tile.box.top }),
    b: px.value({ x: tile.box.right, y: tile.box.bottom }),
  })),
);
/** What is to be named; the same list while what is dragged is the only thing that changes. */
const unchosen = computed<readonly Feature[]>((before) => {
  const ids = new Set(chosen.value.map(({ id }) => id));
  const now = plan.value.features.filter(({ hidden, id }) => !hidden && !ids.has(id));
  return before?.length === now.length && now.every((one, i) => one === before[i]) ? before : now;
});
/** Names wait for the ink: where they may stand follows from outlines that are worked out as they are drawn. */
const isDrawn = ref(false);
const underlay = computed(() => {
  const { underlay: picture } = plan.value;
  if (picture === null) return null;
  const at = px.value(picture.at);
  const k = picture.mmPerPx * view.scale.value;
  return { ...picture, x: at.x, y: at.y, width: picture.widthPx * k, height: picture.heightPx * k };
});

const sketchLine = computed(() => {
  const { points, cross, form } = props.sketch;
  const all = cross.value === null ? points.value : [...points.value, cross.value];
  if (all.length < 2) return '';
  const [a, b] = [all[0]!, all[1]!];
  if (form.value === 'round') {
    const [c, rim] = [px.value(a), px.value(b)];
    const r = Math.hypot(rim.x - c.x, rim.y - c.y);
    return `M${c.x - r} ${c.y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0M${c.x} ${c.y}L${rim.x} ${rim.y}`;
  }
  if (form.value === 'area' && all.length === 2) return `${linePath([a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }], px.value)}Z`;
  return linePath(all, px.value);
});
/** Sizes while drawing: sides of a rectangle, a radius, or the length of the leg under way. */
const sketchSize = computed(() => {
  const { points, cross, form } = props.sketch;
  const last = points.value.at(-1);
  if (cross.value === null) return '';
  const text = (mm: number): string => lengthField(mm, plan.value.units);
  if (last === undefined) return `${text(cross.value.x)}, ${text(cross.value.y)}`;
  const [dx, dy] = [Math.abs(cross.value.x - last.x), Math.abs(cross.value.y - last.y)];
  const unit = lengthUnit(plan.value.units);
  return form.value === 'area' && points.value.length === 1 ? `${text(dx)} × ${text(dy)} ${unit}` : `${text(Math.hypot(dx, dy))} ${unit}`;
});
const cross = computed(() => (props.sketch.cross.value === null ? null : px.value(props.sketch.cross.value)));

function takeHold(event: PointerEvent, feature: Feature): void {
  if (isDrawing.value || props.isStill) return;
  if (event.shiftKey) {
    event.stopPropagation();
    return toggle(feature.id);
  }
  const isAmong = chosen.value.some(({ id }) => id === feature.id);
  if (!isAmong) select(feature.id);
  const moving = isAmong ? chosen.value : [feature];
  const { left, top } = boxOfAll(moving);
  drag(event, {
    move(at, from, gesture, moved) {
      const corner = props.sketch.snap({ x: left + at.x - from.x, y: top + at.y - from.y }, feature.id, moved.altKey);
      props.sketch.refuse(
        replaceAll(
          store,
          'Move',
          moving.map((one) => reshaped(one, movedBy(one.shape, corner.x - left, corner.y - top))),
          gesture,
        ),
      );
    },
  });
}

function pressSheet(event: PointerEvent): void {
  const { sketch } = props;
  if (!isDrawing.value) return props.isStill || event.shiftKey ? undefined : choose([]);
  sketch.pointAt(sketch.snap(view.toMm(event), null, event.altKey));
  const before = sketch.points.value.length;
  sketch.addPoint();
  const form = sketch.form.value;
  if ((form !== 'area' && form !== 'round') || before > 0) return;
  // The first press may be the corner of a rectangle pulled open, or the first of many corners.
  drag(event, {
    move: (at, _from, _gesture, moved) => sketch.pointAt(sketch.snap(at, null, moved.altKey)),
    end(_gesture, hasMoved) {
      if (!hasMoved) return;
      sketch.addPoint();
      sketch.finish();
    },
  });
}
function hover(event: PointerEvent): void {
  if (isDrawing.value) props.sketch.pointAt(props.sketch.snap(view.toMm(event), null, event.altKey));
}
function doubled(): void {
  if (isDrawing.value) props.sketch.finish();
}

defineExpose({ takeFocus: () => svg.value?.focus(), zoomBy: (factor: number) => view.zoomBy(factor), wholeTable: () => view.wholeTable() });
</script>

<template>
  <svg
    ref="svg"
    class="ink sheet"
    :class="{ drawing: isDrawing }"
    width="100%"
    height="100%"
    role="application"
    aria-label="Plan of the table"
    tabindex="-1"
    @pointerdown="pressSheet"
    @pointermove="hover"
    @dblclick="doubled"
  >
    <rect :x="table.x" :y="table.y" :width="table.width" :height="table.height" fill="url(#hatch-open)" />
    <image
      v-if="underlay !== null"
      data-testid="underlay"
      :href="`/api/pictures/${underlay.imageId}`"
      :x="underlay.x"
      :y="underlay.y"
      :width="underlay.width"
      :height="underlay.height"
      :opacity="underlay.opacityPct / 100"
      :transform="`rotate(${underlay.turnDeg} ${underlay.x} ${underlay.y})`"
      preserveAspectRatio="none"
      pointer-events="none"
    />
    <g v-if="view.width.value > 0" :transform="`translate(${view.art.value.shift.x} ${view.art.value.shift.y})`">
      <PlanArt
        :features="plan.features"
        :to-px="view.art.value.toPx"
        :chosen-ids="chosen.map(({ id }) => id)"
        :standing="store.slices.standing ?? []"
        @press="takeHold"
        @drawn="isDrawn = true"
        @open="(feature) => !isDrawing && select(feature.id)"
      />
    </g>
    <g pointer-events="none">
      <template v-for="{ id, a, b } in tiles" :key="id">
        <line v-if="a.x > table.x + 1" class="seam" :x1="a.x" :x2="a.x" :y1="a.y" :y2="b.y" />
        <line v-if="a.y > table.y + 1" class="seam" :x1="a.x" :x2="b.x" :y1="a.y" :y2="a.y" />
        <text class="tile-name" :x="a.x + 6" :y="a.y + 15">{{ id }}</text>
      </template>
      <rect class="table-edge" :x="table.x" :y="table.y" :width="table.width" :height="table.height" />
      <InTurn v-if="isDrawn"><PlanNames :features="unchosen" :tiles="tiles" :to-px="px" :scale="view.scale.value" /></InTurn>
    </g>
    <PlanRulers :view="view" :width-mm="box.right" :depth-mm="box.bottom" :system="plan.units" :figure-height-mm="plan.figureHeightMm" />
    <slot :to-px="px" :scale="view.scale.value" :table="table" />
    <FeatureHandles
      v-if="selected !== null && !isDrawing && !isStill && !selected.locked"
      :feature="selected"
      :view="view"
      :system="plan.units"
      :snap="sketch.snap"
      @refused="sketch.refuse"
    />
    <g v-if="isDrawing" pointer-events="none">
      <path class="sketch" :d="sketchLine" />
      <rect
        v-for="(point, i) in sketch.points.value"
        :key="i"
        class="handle"
        :x="px(point).x - 4"
        :y="px(point).y - 4"
        width="8"
        height="8"
      />
      <template v-if="cross !== null">
        <line class="snap" :x1="cross.x" :x2="cross.x" :y1="table.y" :y2="table.y + table.height" />
        <line class="snap" :y1="cross.y" :y2="cross.y" :x1="table.x" :x2="table.x + table.width" />
        <rect class="tag" :x="cross.x + 10" :y="cross.y + 10" :width="sketchSize.length * 6.6 + 10" height="19" />
        <text class="tag-text" :x="cross.x + 15 + sketchSize.length * 3.3" :y="cross.y + 24">{{ sketchSize }}</text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
/* Only ever given the focus by a tool: the tools show which one is at work. */
.sheet {
  outline: none;
  touch-action: none;
}
.sheet.drawing,
.sheet.drawing :deep(.feature) {
  cursor: crosshair;
}
</style>
