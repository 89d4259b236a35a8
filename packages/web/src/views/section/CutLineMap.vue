<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, ref } from 'vue';
import type { Point } from '@spare-acre/core/base/geometry';
import { tableBox, tilesOf } from '@spare-acre/core/terrain/ground';
import { shapeRegion } from '@spare-acre/core/plan/shapes';
import { showText } from '@spare-acre/core/base/units';
import { drawingOrder, fillOf, regionPath } from '../ground/plan/paths';
import { arrowStep } from '../../ui/arrowStep';
import { useDragMm } from '../../ui/useDragMm';
import { usePlan } from '../../stores/board/plan';

/** The plan in small with the line the section is cut along; its ends are dragged, or moved with the arrow keys. */
const store = usePlan();
const frame = ref<HTMLElement | null>(null);
const { width, height } = useElementSize(frame);
const plan = computed(() => store.plan!);
const box = computed(() => tableBox(plan.value.table));
const PAD_PX = 12;
const k = computed(() =>
  Math.max(0.01, Math.min((width.value - 2 * PAD_PX) / box.value.right, (height.value - 2 * PAD_PX) / box.value.bottom)),
);
const toPx = computed(() => {
  const scale = k.value;
  return ({ x, y }: Point): Point => ({ x: PAD_PX + x * scale, y: PAD_PX + y * scale });
});
const features = computed(() =>
  drawingOrder(plan.value.features).map((feature) => ({ feature, d: regionPath(shapeRegion(feature.shape), toPx.value) })),
);
const table = computed(() => ({ a: toPx.value({ x: 0, y: 0 }), b: toPx.value({ x: box.value.right, y: box.value.bottom }) }));
const tiles = computed(() =>
  tilesOf(plan.value.table).map((tile) => ({
    id: tile.id,
    a: toPx.value({ x: tile.box.left, y: tile.box.top }),
    b: toPx.value({ x: tile.box.right, y: tile.box.bottom }),
  })),
);
const ends = computed(() => (['from', 'to'] as const).map((end) => ({ end, at: toPx.value(plan.value.section[end]) })));

const toMm = ({ clientX, clientY }: PointerEvent): Point => {
  const { left, top } = frame.value!.getBoundingClientRect();
  return { x: (clientX - left - PAD_PX) / k.value, y: (clientY - top - PAD_PX) / k.value };
};
const drag = useDragMm(toMm);
const size = (mm: number): string => showText({ value: Math.abs(mm), unit: 'mm' }, store.showing);

function put(end: 'from' | 'to', { x, y }: Point, gesture: string | null = null): void {
  const within = (value: number, most: number): number => Math.round(Math.max(0, Math.min(most, value)));
  store.edit({ code: 'section/end', end, at: { x: within(x, box.value.right), y: within(y, box.value.bottom) } }, gesture);
}
function take(event: PointerEvent, end: 'from' | 'to'): void {
  drag(event, { move: (at, _from, gesture) => put(end, at, gesture) });
}
function key(event: KeyboardEvent, end: 'from' | 'to'): void {
  const by = arrowStep(event);
  if (by === null) return;
  event.preventDefault();
  const at = plan.value.section[end];
  put(end, { x: at.x + by.dxMm, y: at.y + by.dyMm });
}
</script>

<template>
  <div class="where">
    <div ref="frame" class="map">
      <svg class="ink" width="100%" height="100%" role="group" aria-label="Section line">
        <rect
          :x="table.a.x"
          :y="table.a.y"
          :width="Math.max(0, table.b.x - table.a.x)"
          :height="Math.max(0, table.b.y - table.a.y)"
          fill="url(#hatch-open)"
        />
        <path
          v-for="{ feature, d } in features"
          :key="feature.id"
          :d="d"
          class="feature"
          :class="feature.kind"
          :fill="fillOf(feature)"
          fill-rule="evenodd"
          pointer-events="none"
        />
        <template v-for="{ id, a, b } in tiles" :key="id">
          <rect class="seam" fill="none" :x="a.x" :y="a.y" :width="Math.max(0, b.x - a.x)" :height="Math.max(0, b.y - a.y)" />
          <text class="tile-name" :x="a.x + 4" :y="a.y + 13">{{ id }}</text>
        </template>
        <rect
          class="table-edge"
          :x="table.a.x"
          :y="table.a.y"
          :width="Math.max(0, table.b.x - table.a.x)"
          :height="Math.max(0, table.b.y - table.a.y)"
        />
        <line class="cut" :x1="ends[0]!.at.x" :y1="ends[0]!.at.y" :x2="ends[1]!.at.x" :y2="ends[1]!.at.y" />
        <circle
          v-for="{ end, at } in ends"
          :key="end"
          class="handle"
          :cx="at.x"
          :cy="at.y"
          r="7"
          tabindex="0"
          role="button"
          :aria-label="`${end === 'from' ? 'First' : 'Second'} end of the cut: arrows move it`"
          :data-testid="`cut-${end}`"
          @pointerdown="take($event, end)"
          @keydown="key($event, end)"
        />
      </svg>
    </div>
    <div class="words">
      <p class="quiet">Drag the ends of the line, or choose one with Tab and move it with the arrow keys.</p>
      <p v-if="store.slices.section !== undefined && store.slices.section.tiles.length > 0">
        Through {{ store.slices.section.tiles.map(({ id }) => id).join(', ') }}.
      </p>
      <ul v-if="store.slices.section !== undefined" class="seams" data-testid="seam-steps">
        <li v-for="seam in store.slices.section.seams" :key="seam.name">
          {{ seam.name }}: {{ seam.stepMm === 0 ? 'level' : `${size(seam.stepMm)} ${seam.stepMm > 0 ? 'up' : 'down'} to the right` }}
        </li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.where {
  display: grid;
  grid-template-columns: 390px minmax(0, 1fr);
  gap: 18px;
  height: 100%;
}
.words {
  padding-top: 10px;
  max-width: 44ch;
}
.seams {
  padding-left: 18px;
  margin: 0;
}
.map {
  height: 100%;
  touch-action: none;
}
.cut {
  stroke: var(--clay);
  stroke-width: 2;
}
</style>
