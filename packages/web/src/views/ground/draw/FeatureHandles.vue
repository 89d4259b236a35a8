<script setup lang="ts">
import { computed } from 'vue';
import type { Feature } from '@spare-acre/core/plan/features';
import { shapePoints, widthHandle, widthThrough, withPoint, withPointAfter, withoutPoint } from '@spare-acre/core/plan/shapes';
import type { Point } from '@spare-acre/core/base/geometry';
import { type MeasureSystem, lengthField, lengthUnit } from '@spare-acre/core/base/units';
import { usePlan } from '../../../stores/board/plan';
import { reshape } from './featureEdits';
import { useDragMm } from '../../../ui/useDragMm';
import { arrowStep } from '../../../ui/arrowStep';
import type { PlanView } from '../plan/usePlanView';

/** What the chosen feature can be taken hold of by: its points, the middles of its sides, its width or radius. */
const props = defineProps<{
  feature: Feature;
  view: PlanView;
  system: MeasureSystem;
  snap: (point: Point, exceptId: string | null, isFree: boolean) => Point;
}>();
const emit = defineEmits<{ refused: [message: string] }>();
const store = usePlan();
const drag = useDragMm((event) => props.view.toMm(event));
const px = computed(() => props.view.toPx.value);

const points = computed(() => shapePoints(props.feature.shape).map((point) => px.value(point)));
const middles = computed(() => {
  const { shape } = props.feature;
  if (shape.form === 'round' || shape.form === 'contours') return [];
  const sides = shape.form === 'outline' ? shape.points.length : shape.points.length - 1;
  return Array.from({ length: sides }, (_, i) => {
    const [a, b] = [shape.points[i]!, shape.points[(i + 1) % shape.points.length]!];
    return px.value({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
  });
});
/** Width of a strip or radius of a round, with its measure. */
const girth = computed(() => {
  const { shape } = props.feature;
  if (shape.form === 'strip') return { at: px.value(widthHandle(shape)), mm: shape.widthMm, name: 'Width' };
  if (shape.form === 'round')
    return { at: px.value({ x: shape.centre.x + shape.radiusMm, y: shape.centre.y }), mm: shape.radiusMm, name: 'Radius' };
  return null;
});
const girthText = computed(() => (girth.value === null ? '' : `${lengthField(girth.value.mm, props.system)} ${lengthUnit(props.system)}`));

function movePoint(event: PointerEvent, index: number): void {
  drag(event, {
    move: (at, _from, gesture, moved) =>
      emit(
        'refused',
        reshape(
          store,
          props.feature,
          'Reshape',
          withPoint(props.feature.shape, index, props.snap(at, props.feature.id, moved.altKey)),
          gesture,
        ),
      ),
  });
}
function addPoint(event: PointerEvent, index: number): void {
  const grown = withPointAfter(props.feature.shape, index);
  drag(event, {
    move: (at, _from, gesture, moved) =>
      emit(
        'refused',
        reshape(store, props.feature, 'Reshape', withPoint(grown, index + 1, props.snap(at, props.feature.id, moved.altKey)), gesture),
      ),
    end: (gesture, hasMoved) => {
      if (!hasMoved) emit('refused', reshape(store, props.feature, 'Reshape', grown, gesture));
    },
  });
}
function dragGirth(event: PointerEvent): void {
  drag(event, {
    move: (at, _from, gesture, moved) => emit('refused', reshape(store, props.feature, 'Widen', girthThrough(at, moved.altKey), gesture)),
  });
}
function girthThrough(at: Point, isFree: boolean): Feature['shape'] {
  const { shape } = props.feature;
  const whole = (mm: number): number => Math.max(2, isFree ? Math.round(mm * 10) / 10 : Math.round(mm));
  if (shape.form === 'strip') return { ...shape, widthMm: whole(widthThrough(shape, at)) };
  if (shape.form === 'round') return { ...shape, radiusMm: whole(Math.hypot(at.x - shape.centre.x, at.y - shape.centre.y)) };
  return shape;
}
function pointKey(event: KeyboardEvent, index: number): void {
  const { shape } = props.feature;
  const by = arrowStep(event);
  const at = shapePoints(shape)[index]!;
  if (by !== null)
    emit('refused', reshape(store, props.feature, 'Reshape', withPoint(shape, index, { x: at.x + by.dxMm, y: at.y + by.dyMm })));
  else if (event.key === 'Delete') emit('refused', reshape(store, props.feature, 'Reshape', withoutPoint(shape, index)));
  else return;
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <g>
    <circle v-for="(at, i) in middles" :key="`m${i}`" class="handle add" :cx="at.x" :cy="at.y" r="4" @pointerdown="addPoint($event, i)"
      ><title>Drag to add a corner</title></circle
    >
    <rect
      v-for="(at, i) in points"
      :key="`p${i}`"
      class="handle"
      :x="at.x - 5"
      :y="at.y - 5"
      width="10"
      height="10"
      tabindex="0"
      role="button"
      :aria-label="`Point ${i + 1} of ${feature.name}: arrow keys move it, Delete removes it`"
      @pointerdown="movePoint($event, i)"
      @keydown="pointKey($event, i)"
    />
    <g v-if="girth !== null">
      <circle class="handle" :cx="girth.at.x" :cy="girth.at.y" r="7" data-testid="girth-handle" @pointerdown="dragGirth"
        ><title>{{ girth.name }}: drag to change</title></circle
      >
      <rect class="tag" :x="girth.at.x + 12" :y="girth.at.y + 8" width="62" height="19" rx="1" />
      <text class="tag-text" :x="girth.at.x + 43" :y="girth.at.y + 22">{{ girthText }}</text>
    </g>
  </g>
</template>
