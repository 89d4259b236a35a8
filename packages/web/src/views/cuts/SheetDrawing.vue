<script setup lang="ts">
import { arrowStep } from '../../ui/arrowStep';
import { computed, ref } from 'vue';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import { type CutStep, type PlacedPart, placedParts } from '@spare-acre/core/build/cutting/bench';
import { isNew, roomOf } from '@spare-acre/core/build/cutting/nesting';
import { snappedPlace } from '@spare-acre/core/build/cutting/saved';
import type { Point } from '@spare-acre/core/base/geometry';
import { lengthText } from '@spare-acre/core/base/units';
import { linePath } from '../ground/plan/paths';
import { useDragMm } from '../../ui/useDragMm';
import { usePlan } from '../../stores/board/plan';
import type { ByHand } from './useByHand';

/** One sheet with its parts laid out, to scale. With `hand` its parts are chosen, dragged, turned and pinned. */
const props = defineProps<{
  job: CutJob;
  index: number;
  widthPx: number;
  heightPx: number;
  isLarge: boolean;
  hand?: ByHand;
  steps?: readonly CutStep[];
}>();
const store = usePlan();
const laid = computed(() => props.job.layout.sheets[props.index]!);
const stock = computed(() => laid.value.stock);
const k = computed(() => Math.min(props.widthPx / stock.value.widthMm, props.heightPx / stock.value.depthMm));
const toPx = ({ x, y }: Point): Point => ({ x: x * k.value, y: y * k.value });
/** The part in the hand: where it hovers, and whether it may be put down there. */
const held = ref<{ readonly id: string; readonly xMm: number; readonly yMm: number; readonly isFree: boolean } | null>(null);
const parts = computed(() =>
  placedParts(props.job, props.index).map((part) => {
    const own = held.value?.id === part.id ? held.value : null;
    const [dx, dy] = own === null ? [0, 0] : [own.xMm - part.leftMm, own.yMm - part.topMm];
    return {
      ...part,
      size: `${lengthText(part.widthMm, store.plan!.units)} × ${lengthText(part.depthMm, store.plan!.units)}`,
      d: part.rings
        .map(
          (ring) =>
            `${linePath(
              ring.map(({ x, y }) => ({ x: x + dx, y: y + dy })),
              toPx,
            )}Z`,
        )
        .join(''),
      lines: props.isLarge
        ? part.marks.map(({ what, points }) => ({
            what,
            d: linePath(
              points.map(({ x, y }) => ({ x: x + dx, y: y + dy })),
              toPx,
            ),
          }))
        : [],
      isRefused: own !== null && !own.isFree,
      box: {
        x: (part.leftMm + dx) * k.value,
        y: (part.topMm + dy) * k.value,
        width: part.widthMm * k.value,
        height: part.depthMm * k.value,
      },
    };
  }),
);
/** What is in the hand is drawn once more over its neighbours; moving the part itself there would lose the pointer. */
const hovering = computed(() => parts.value.find(({ id }) => id === held.value?.id) ?? null);
const rest = computed(() => ({
  x: laid.value.rest.xMm * k.value,
  y: laid.value.rest.yMm * k.value,
  width: laid.value.rest.widthMm * k.value,
  height: laid.value.rest.depthMm * k.value,
}));
/** What is left of a sheet that is trimmed; null where every edge is used as it is. */
const trimmed = computed(() => {
  const { trim } = stock.value;
  const { w, h } = roomOf(stock.value, 0);
  if (w === stock.value.widthMm && h === stock.value.depthMm) return null;
  return { x: trim.leftMm * k.value, y: trim.topMm * k.value, width: w * k.value, height: h * k.value };
});
const sheet = computed(() => ({ width: stock.value.widthMm * k.value, height: stock.value.depthMm * k.value, trim: trimmed.value }));
/** Shorter lines are not numbered on the drawing: the list says where they run. */
const MARKED_PX = 56;
/** A number's place drawn in from the edge of the sheet, where it would be cut off. */
const within = ({ x, y }: Point): Point => ({
  x: Math.max(9, Math.min(sheet.value.width - 9, x)),
  y: Math.max(9, Math.min(sheet.value.height - 9, y)),
});
const NUMBER_PX = 17;
/** Of many cuts at one setting the first few are numbered. */
const NUMBERED = 3;
/** Cut lines in the order they are made; where each number stands: at the far end of its line, or nearer where another stands there. */
const lines = computed(() => {
  const taken: Point[] = [];
  const all = (props.steps ?? []).flatMap(({ step, cuts }) =>
    cuts.map(({ way, line }, i) => ({ step, way, line, isNumbered: i < NUMBERED || cuts.length <= NUMBERED })),
  );
  return all.map(({ step, way, line, isNumbered }) => {
    const { x: x1, y: y1 } = toPx({ x: line.x1, y: line.y1 });
    const { x: x2, y: y2 } = toPx({ x: line.x2, y: line.y2 });
    const lengthPx = Math.hypot(x2 - x1, y2 - y1);
    const isLong = isNumbered && lengthPx > MARKED_PX;
    const from = (backPx: number): Point => within(way === 'down' ? { x: x2, y: y2 - backPx } : { x: x2 - backPx, y: y2 });
    const isFree = (at: Point): boolean => taken.every((other) => Math.hypot(at.x - other.x, at.y - other.y) >= NUMBER_PX);
    const places = Array.from({ length: Math.max(1, Math.floor((lengthPx - 12) / NUMBER_PX)) }, (_, i) => from(12 + i * NUMBER_PX));
    const at = places.find(isFree) ?? places[0]!;
    if (isLong) taken.push(at);
    return { step, x1, y1, x2, y2, isLong, at };
  });
});
const fits = (text: string, px: number): boolean => text.length * 6.1 < px;

const SNAP_PX = 9;
const frame = ref<SVGSVGElement | null>(null);
const toMm = ({ clientX, clientY }: PointerEvent): Point => {
  const { left, top } = frame.value!.getBoundingClientRect();
  return { x: (clientX - left) / k.value, y: (clientY - top) / k.value };
};
const drag = useDragMm(toMm);
function take(event: PointerEvent, part: PlacedPart): void {
  const { hand } = props;
  if (hand === undefined) return;
  hand.choose(part.id);
  drag(event, {
    move(at, from) {
      const place = snappedPlace(
        props.job,
        props.index,
        part.id,
        { xMm: part.leftMm + at.x - from.x, yMm: part.topMm + at.y - from.y },
        SNAP_PX / k.value,
      );
      held.value = { id: part.id, ...place, isFree: hand.can(part.id, { code: 'move', toSheet: props.index, ...place }) };
    },
    end() {
      const place = held.value;
      held.value = null;
      if (place !== null) hand.put(part.id, { code: 'move', toSheet: props.index, xMm: place.xMm, yMm: place.yMm });
    },
  });
}
/** Only where there is a hand: a listener for focus alone makes a shape take it from the mouse. */
const handling = (part: PlacedPart): Record<string, (event: never) => void> => ({
  pointerdown: (event: PointerEvent) => take(event, part),
  focus: () => props.hand?.choose(part.id),
  keydown: (event: KeyboardEvent) => key(event, part),
});
/** Parts on a sheet are moved more finely than features on the plan. */
const NUDGE_MM = 1;
function key(event: KeyboardEvent, part: PlacedPart): void {
  const { hand } = props;
  if (hand === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
  const by = arrowStep(event, NUDGE_MM);
  if (by !== null) {
    hand.put(part.id, { code: 'move', toSheet: props.index, xMm: part.leftMm + by.dxMm, yMm: part.topMm + by.dyMm }, `nudge ${part.id}`);
  } else if (event.key.toLowerCase() === 't') hand.put(part.id, { code: 'turn' });
  else if (event.key.toLowerCase() === 'p') hand.put(part.id, { code: 'pin', pinned: !part.pinned });
  else return;
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <svg
    ref="frame"
    class="ink"
    :width="sheet.width + 2"
    :height="sheet.height + 2"
    :viewBox="`-1 -1 ${sheet.width + 2} ${sheet.height + 2}`"
    :role="hand === undefined ? 'img' : 'group'"
    :aria-label="`Sheet ${index + 1} of ${job.name}, ${parts.length} parts`"
  >
    <rect
      class="stock"
      :class="{ offcut: !isNew(stock) }"
      :width="sheet.width"
      :height="sheet.height"
      :fill="`url(#hatch-${job.hatch})`"
      @pointerdown="hand?.choose(null)"
    />
    <rect v-if="sheet.trim !== null" class="trim" v-bind="sheet.trim" />
    <rect
      v-if="isLarge && laid.cut === undefined && rest.width > 30 && rest.height > 20"
      class="rest"
      :x="rest.x"
      :y="rest.y"
      :width="rest.width"
      :height="rest.height"
    />
    <text
      v-if="isLarge && laid.cut === undefined && rest.width > 90 && rest.height > 40"
      class="rest-text"
      :x="rest.x + rest.width / 2"
      :y="rest.y + rest.height / 2 + 4"
      text-anchor="middle"
    >
      offcut, {{ lengthText(laid.rest.widthMm, store.plan!.units) }} × {{ lengthText(laid.rest.depthMm, store.plan!.units) }}
    </text>
    <g
      v-for="part in parts"
      :key="part.id"
      data-testid="placed-part"
      :data-part="part.id"
      :class="{ hold: hand !== undefined, chosen: part.id === hand?.chosen.value }"
      :role="hand === undefined ? undefined : 'button'"
      :tabindex="hand === undefined ? undefined : 0"
      :aria-label="hand === undefined ? undefined : `${part.name}, ${part.size}${part.pinned ? ', pinned' : ''}`"
      :aria-pressed="hand === undefined ? undefined : part.id === hand.chosen.value"
      v-on="hand === undefined ? {} : handling(part)"
    >
      <rect class="blank" :x="part.box.x" :y="part.box.y" :width="part.box.width" :height="part.box.height" />
      <path class="part" :d="part.d" fill-rule="evenodd">
        <title>{{ part.number }}. {{ part.name }}, {{ part.size }}</title>
      </path>
      <path v-for="(line, i) in part.lines" :key="i" class="marked" :class="line.what" :d="line.d" />
      <template v-if="isLarge">
        <text v-if="part.box.width > 16 && part.box.height > 13" class="number" :x="part.box.x + 5" :y="part.box.y + 13">
          {{ part.number }}
        </text>
        <text v-if="fits(part.name, part.box.width - 22) && part.box.height > 16" class="seen" :x="part.box.x + 20" :y="part.box.y + 13">
          {{ part.name }}
        </text>
        <text v-if="fits(part.size, part.box.width - 8) && part.box.height > 34" class="seen soft" :x="part.box.x + 5" :y="part.box.y + 29">
          {{ part.size }}
        </text>
        <g v-if="part.pinned" class="pin" :transform="`translate(${part.box.x + part.box.width - 9} ${part.box.y + 9})`">
          <title>Pinned: the search does not move it</title>
          <circle r="4" />
          <line x1="0" y1="4" x2="0" y2="11" />
        </g>
      </template>
    </g>
    <g v-for="(line, i) in lines" :key="i" class="cutting" data-testid="cut-line">
      <line :x1="line.x1" :y1="line.y1" :x2="line.x2" :y2="line.y2" />
      <template v-if="line.isLong">
        <circle :cx="line.at.x" :cy="line.at.y" r="8" />
        <text :x="line.at.x" :y="line.at.y + 4" text-anchor="middle">{{ line.step }}</text>
      </template>
    </g>
    <path v-if="hovering !== null" class="hovering" :class="{ bad: hovering.isRefused }" :d="hovering.d" fill-rule="evenodd" />
  </svg>
</template>

<style scoped>
.marked {
  fill: none;
  stroke: var(--slate);
  stroke-width: 0.9;
  stroke-dasharray: 4 2;
  pointer-events: none;
}
.marked.fold {
  stroke: var(--clay);
  stroke-dasharray: 7 2;
}
.marked.score {
  stroke: var(--tick);
  stroke-dasharray: none;
}
.stock {
  stroke: var(--ink);
  stroke-width: 1.4;
}
.stock.offcut {
  stroke: var(--moss);
  stroke-width: 2.4;
}
.trim {
  fill: none;
  stroke: var(--tick);
  stroke-width: 0.8;
  stroke-dasharray: 3 3;
  pointer-events: none;
}
.blank {
  fill: none;
  stroke: var(--tick);
  stroke-width: 0.6;
  stroke-dasharray: 2 2;
}
.part {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.2;
}
.hold {
  cursor: grab;
  touch-action: none;
}
.hold:focus {
  outline: none;
}
.chosen .part {
  stroke: var(--clay);
  stroke-width: 2.2;
}
.cutting {
  pointer-events: none;
}
.cutting line {
  stroke: var(--clay);
  stroke-width: 1;
  stroke-dasharray: 6 4;
}
.cutting circle {
  fill: var(--clay);
}
.cutting text {
  fill: var(--sheet);
  font-size: 10.5px;
  font-weight: 600;
}
.hovering {
  fill: var(--sheet);
  fill-opacity: 0.75;
  stroke: var(--clay);
  stroke-width: 2.2;
  pointer-events: none;
}
.hovering.bad {
  fill: var(--clay-wash);
  stroke-dasharray: 4 3;
}
.pin circle {
  fill: var(--ink);
}
.pin line {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.rest {
  fill: none;
  stroke: var(--moss);
  stroke-width: 1.4;
  stroke-dasharray: 6 4;
  pointer-events: none;
}
.rest-text {
  fill: var(--moss);
  font-size: 12px;
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
  pointer-events: none;
}
.number {
  fill: var(--clay);
  font-size: 12px;
  font-weight: 600;
}
</style>
