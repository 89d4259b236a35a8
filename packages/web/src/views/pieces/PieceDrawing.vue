<script setup lang="ts">
import { computed, ref } from 'vue';
import { lengthText } from '@spare-acre/core/base/units';
import { type Handle, type MadeObject, type Sight, axesOf, onDrawing, pieceDrawing } from '@spare-acre/core/build/pieces';
import type { Piece } from '@spare-acre/core/plan';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { shortId } from '../../stores/device/name';
import { usePlan } from '../../stores/board/plan';
import { arrowStep } from '../../ui/arrowStep';
import { linePath, ringPath } from './ringPath';
import { scaleOf, whyNot } from './pieceChoice';

/** A piece drawn from one side, to scale; in the round it is turned by dragging. Handles change the sizes they stand for. */
const props = defineProps<{
  object: Pick<MadeObject, 'id' | 'bodies' | 'loose' | 'courses'>;
  sight: Sight;
  apart: number;
  /** Only these bodies; null for all. */
  placed: ReadonlySet<string> | null;
  handles: readonly Handle[];
  strung?: readonly {
    readonly id: string;
    readonly objectId: string;
    readonly isInside?: boolean;
    readonly places: readonly Handle['at'][];
  }[];
  piece: Piece;
  widthPx: number;
  heightPx: number;
  mayTurn?: boolean;
}>();
const emit = defineEmits<{ turn: [to: Sight] }>();
const store = usePlan();
const catalogues = useCatalogue();
const bodies = computed(() =>
  props.placed === null ? props.object.bodies : props.object.bodies.filter(({ id }) => props.placed!.has(id)),
);
const isWhole = computed(() => props.apart === 0 && props.placed === null);
const whole = computed(() => pieceDrawing(props.object.bodies, props.sight, props.apart, isWhole.value ? props.object : undefined));
const drawing = computed(() => (props.placed === null ? whole.value : pieceDrawing(bodies.value, props.sight, props.apart)));
const MARGIN_PX = 46;
const pxPerMm = computed(() =>
  Math.min(
    (props.widthPx - 2 * MARGIN_PX) / (whole.value.right - whole.value.left),
    (props.heightPx - 2 * MARGIN_PX) / (whole.value.bottom - whole.value.top),
    12,
  ),
);
const box = computed(() => {
  const [w, h] = [props.widthPx / pxPerMm.value, props.heightPx / pxPerMm.value];
  const [x, y] = [(whole.value.left + whole.value.right) / 2, (whole.value.top + whole.value.bottom) / 2];
  return { left: x - w / 2, top: y - h / 2, w, h };
});
const isFlatView = computed(() => !props.mayTurn && props.placed === null);
const shown = computed(() =>
  props.handles.flatMap((handle) => {
    if (handle.objectId !== props.object.id || props.apart > 0) return [];
    const { right, up } = axesOf(props.sight);
    const along = { x: dot(handle.along, right), y: -dot(handle.along, up) };
    // Seen end on, a handle has nowhere to go.
    if (Math.hypot(along.x, along.y) < 0.3) return [];
    return [{ handle, at: onDrawing(handle.at, props.sight), along }];
  }),
);
const dot = (a: readonly number[], b: readonly number[]): number => a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!;

/** Cables: drawn over what they hang from. */
const cables = computed(() =>
  props.apart > 0 || props.placed !== null
    ? []
    : (props.strung ?? [])
        .filter(({ objectId, isInside }) => objectId === props.object.id && isInside !== true)
        .map(({ id, places }) => ({
          id,
          d: places
            .map((place) => onDrawing(place, props.sight))
            .map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`)
            .join(''),
        })),
);

function set(handle: Handle, value: number, gesture: string | null): void {
  const was = Number(props.piece.settings[handle.key]);
  const to = Math.round(value / handle.step) * handle.step;
  if (to === was || whyNot(props.piece, { [handle.key]: to }, scaleOf(store.plan!, catalogues.catalogue!), catalogues.catalogue!) !== null)
    return;
  store.edit(
    { code: 'piece/set', pieceId: props.piece.id, change: { [handle.key]: to }, what: `Set ${handle.label.toLowerCase()} of` },
    gesture,
  );
}
function drag(event: PointerEvent, { handle, along }: (typeof shown.value)[number]): void {
  if (event.button !== 0) return;
  event.stopPropagation();
  const target = event.currentTarget as Element;
  const [x, y, was, gesture, scale] = [event.clientX, event.clientY, Number(props.piece.settings[handle.key]), shortId(), pxPerMm.value];
  target.setPointerCapture(event.pointerId);
  const move = (raw: Event): void => {
    const moved = raw as PointerEvent;
    const length = along.x ** 2 + along.y ** 2;
    const mm = ((moved.clientX - x) * along.x + (moved.clientY - y) * along.y) / scale / length;
    set(handle, was + mm / handle.perUnitMm, gesture);
  };
  const end = (): void => {
    target.removeEventListener('pointermove', move);
    target.removeEventListener('pointerup', end);
    target.removeEventListener('pointercancel', end);
  };
  target.addEventListener('pointermove', move);
  target.addEventListener('pointerup', end);
  target.addEventListener('pointercancel', end);
}
function nudge(event: KeyboardEvent, { handle }: (typeof shown.value)[number]): void {
  const step = arrowStep(event);
  if (step === null) return;
  event.preventDefault();
  set(handle, Number(props.piece.settings[handle.key]) + Math.sign(step.dxMm - step.dyMm) * handle.step, null);
}
const isTurning = ref(false);
function turn(event: PointerEvent): void {
  if (!props.mayTurn || event.button !== 0) return;
  const target = event.currentTarget as Element;
  const [x, y, from] = [event.clientX, event.clientY, props.sight];
  isTurning.value = true;
  target.setPointerCapture(event.pointerId);
  const move = (raw: Event): void => {
    const moved = raw as PointerEvent;
    emit('turn', {
      yawDeg: from.yawDeg - (moved.clientX - x) * 0.5,
      pitchDeg: Math.max(-10, Math.min(90, from.pitchDeg + (moved.clientY - y) * 0.4)),
    });
  };
  const end = (): void => {
    isTurning.value = false;
    target.removeEventListener('pointermove', move);
    target.removeEventListener('pointerup', end);
    target.removeEventListener('pointercancel', end);
  };
  target.addEventListener('pointermove', move);
  target.addEventListener('pointerup', end);
  target.addEventListener('pointercancel', end);
}
function turnByKey(event: KeyboardEvent): void {
  const step = arrowStep(event);
  if (!props.mayTurn || step === null || event.target !== event.currentTarget) return;
  event.preventDefault();
  emit('turn', {
    yawDeg: props.sight.yawDeg - Math.sign(step.dxMm) * 10,
    pitchDeg: Math.max(-10, Math.min(90, props.sight.pitchDeg + Math.sign(step.dyMm) * 10)),
  });
}
const length = (mm: number): string => lengthText(mm, store.plan!.units);
/** Paper in the light, ink in the shade. */
const shade = (light: number): string => `color-mix(in srgb, var(--piece-light) ${Math.round(light * 100)}%, var(--piece-shade))`;
</script>

<template>
  <svg
    :width="widthPx"
    :height="heightPx"
    :viewBox="`${box.left} ${box.top} ${box.w} ${box.h}`"
    class="piece"
    :class="{ turns: mayTurn, turning: isTurning }"
    role="group"
    :aria-label="mayTurn ? `${piece.name} in 3D; arrow keys rotate it` : `${piece.name}, drawn to scale`"
    :tabindex="mayTurn ? 0 : undefined"
    @pointerdown="turn"
    @keydown="turnByKey"
  >
    <template v-for="(face, i) in drawing.faces" :key="i">
      <path
        :d="ringPath(face.rings)"
        :style="{ fill: shade(face.light), ...(face.isFacet ? { stroke: shade(face.light * 0.8) } : {}) }"
        class="face"
        :class="{ loose: face.isLoose }"
      />
      <path v-if="face.courses.length > 0" :d="linePath(face.courses)" class="course" />
    </template>
    <path v-for="one in cables" :key="one.id" :d="one.d" class="cable" />
    <g v-if="isFlatView" class="sizes" aria-hidden="true">
      <path
        :d="`M${whole.left} ${whole.bottom + 14 / pxPerMm}H${whole.right}M${whole.left} ${whole.bottom + 9 / pxPerMm}v${10 / pxPerMm}M${whole.right} ${whole.bottom + 9 / pxPerMm}v${10 / pxPerMm}`"
      />
      <text :x="(whole.left + whole.right) / 2" :y="whole.bottom + 30 / pxPerMm" :font-size="13 / pxPerMm" text-anchor="middle">
        {{ length(whole.right - whole.left) }}
      </text>
      <path
        :d="`M${whole.left - 14 / pxPerMm} ${whole.top}V${whole.bottom}M${whole.left - 19 / pxPerMm} ${whole.top}h${10 / pxPerMm}M${whole.left - 19 / pxPerMm} ${whole.bottom}h${10 / pxPerMm}`"
      />
      <text :x="whole.left - 20 / pxPerMm" :y="(whole.top + whole.bottom) / 2" :font-size="13 / pxPerMm" text-anchor="end">
        {{ length(whole.bottom - whole.top) }}
      </text>
    </g>
    <g
      v-for="one in shown"
      :key="one.handle.key"
      class="handle"
      role="slider"
      tabindex="0"
      :aria-label="one.handle.label"
      :aria-valuenow="Number(piece.settings[one.handle.key])"
      @pointerdown="(event) => drag(event, one)"
      @keydown="(event) => nudge(event, one)"
    >
      <title>{{ one.handle.label }}</title>
      <circle :cx="one.at.x" :cy="one.at.y" :r="11 / pxPerMm" class="reach" />
      <rect :x="one.at.x - 4.5 / pxPerMm" :y="one.at.y - 4.5 / pxPerMm" :width="9 / pxPerMm" :height="9 / pxPerMm" />
    </g>
  </svg>
</template>

<style scoped>
.cable {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
}
.piece {
  display: block;
  --piece-light: var(--sheet);
  --piece-shade: color-mix(in srgb, var(--ink) 38%, var(--paper));
}
.turns {
  cursor: grab;
  touch-action: none;
}
.turning {
  cursor: grabbing;
}
.face {
  fill-rule: evenodd;
  stroke: var(--ink);
  stroke-width: 0.9px;
  stroke-linejoin: round;
  vector-effect: non-scaling-stroke;
}
.loose {
  fill-opacity: 0.75;
}
.course {
  fill: none;
  stroke: var(--ink);
  stroke-opacity: 0.35;
  stroke-width: 0.6px;
  vector-effect: non-scaling-stroke;
}
.sizes path {
  fill: none;
  stroke: var(--ink-soft);
  vector-effect: non-scaling-stroke;
}
.sizes text {
  fill: var(--ink);
  font-variant-numeric: tabular-nums;
  dominant-baseline: middle;
}
.handle {
  cursor: move;
  touch-action: none;
}
.handle rect {
  fill: var(--sheet);
  stroke: var(--clay);
  stroke-width: 2px;
  vector-effect: non-scaling-stroke;
}
.handle .reach {
  fill: transparent;
}
.handle:focus-visible rect {
  fill: var(--clay);
}
</style>
