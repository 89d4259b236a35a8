<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, ref } from 'vue';
import { tableBox, tilesOf } from '@spare-acre/core/terrain/ground';
import type { Point } from '@spare-acre/core/base/geometry';
import { usePlan } from '../../../stores/board/plan';
import PlanArt from '../plan/PlanArt.vue';
import type { Tables } from './useTables';

/** The tiles laid as arranged, each with its own piece of the drawing; click two to change their places. */
const props = defineProps<{ tables: Tables }>();
const store = usePlan();
const frame = ref<HTMLElement | null>(null);
const { width, height } = useElementSize(frame);
const tiles = computed(() => tilesOf(store.plan!.table));
const GAP_PX = 8;
const MARGIN = { x: 40, top: 44, bottom: 30 };
const columns = computed(() => store.plan!.table.columnWidthsMm.length);
const rows = computed(() => store.plan!.table.rowDepthsMm.length);
const k = computed(() => {
  const box = tableBox(store.plan!.table);
  const room = {
    w: width.value - 2 * MARGIN.x - GAP_PX * (columns.value - 1),
    h: height.value - MARGIN.top - MARGIN.bottom - GAP_PX * (rows.value - 1),
  };
  return Math.max(0.02, Math.min(room.w / box.right, room.h / box.bottom));
});
/** Left back corner, so that the table lies in the middle of the sheet. */
const origin = computed(() => {
  const box = tableBox(store.plan!.table);
  return {
    x: (width.value - box.right * k.value - GAP_PX * (columns.value - 1)) / 2,
    y: MARGIN.top + (height.value - MARGIN.top - MARGIN.bottom - box.bottom * k.value - GAP_PX * (rows.value - 1)) / 2,
  };
});
const toPx = computed(() => {
  const scale = k.value;
  return ({ x, y }: Point): Point => ({ x: x * scale, y: y * scale });
});
const cells = computed(() =>
  props.tables.arrangement.value.map(({ tileId, turns }, i) => {
    const cell = tiles.value[i]!;
    const tile = tiles.value.find(({ id }) => id === tileId)!;
    const [w, h] = [(tile.box.right - tile.box.left) * k.value, (tile.box.bottom - tile.box.top) * k.value];
    const x = origin.value.x + cell.box.left * k.value + cell.column * GAP_PX;
    const y = origin.value.y + cell.box.top * k.value + cell.row * GAP_PX;
    const [cw, ch] = [(cell.box.right - cell.box.left) * k.value, (cell.box.bottom - cell.box.top) * k.value];
    return {
      i,
      tileId,
      turns,
      x,
      y,
      cw,
      ch,
      isLocked: props.tables.locked.value.includes(tileId),
      isPicked: props.tables.picked.value === i,
      // About the cell's middle, turned, then the tile's own corner to the corner of its drawing.
      art: `translate(${x + cw / 2} ${y + ch / 2}) rotate(${turns * 90}) translate(${-w / 2 - tile.box.left * k.value} ${-h / 2 - tile.box.top * k.value})`,
      letters: sideLetters(tileId, turns, { x, y, w: cw, h: ch }),
      clip: { x: tile.box.left * k.value, y: tile.box.top * k.value, w, h },
    };
  }),
);
/** A smaller tile has room for its name and no more. */
const LEAST_LETTERED_PX = 70;
/** The letters of a tile's edges where they lie now, each just inside its side. */
interface CellBox {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}
function sideLetters(tileId: string, turns: number, { x, y, w, h }: CellBox): { x: number; y: number; text: string }[] {
  if (width.value > 0 && Math.min(w, h) < LEAST_LETTERED_PX) return [];
  const own = props.tables.letters.value[tileId] ?? [];
  const places = [
    { x: x + w / 2, y: y + 15 },
    { x: x + w - 9, y: y + h / 2 + 4 },
    { x: x + w / 2, y: y + h - 6 },
    { x: x + 9, y: y + h / 2 + 4 },
  ];
  return own.map((_, side) => ({ ...places[side]!, text: own[(side - turns + 4) % 4]! }));
}
const faults = computed(() =>
  props.tables.failing.value.flatMap(({ first, second }) => {
    const [a, b] = [cells.value[first], cells.value[second]];
    if (a === undefined || b === undefined) return [];
    const isBeside = Math.floor(first / columns.value) === Math.floor(second / columns.value);
    const mid = isBeside ? a.x + a.cw + GAP_PX / 2 : a.y + a.ch + GAP_PX / 2;
    return [
      isBeside
        ? { id: `${first}-${second}`, x1: mid, x2: mid, y1: a.y, y2: a.y + a.ch }
        : { id: `${first}-${second}`, y1: mid, y2: mid, x1: a.x, x2: a.x + a.cw },
    ];
  }),
);
function key(event: KeyboardEvent, cell: number): void {
  if (event.key === 'Enter' || event.key === ' ') props.tables.pick(cell);
  else if (event.key.toLowerCase() === 'q') props.tables.turn(cell);
  else if (event.key.toLowerCase() === 'l') props.tables.toggleLock(cell);
  else return;
  event.preventDefault();
}
</script>

<template>
  <div ref="frame" class="frame-all">
    <svg class="ink" :width="width" :height="height" role="group" aria-label="Current layout of the tiles">
      <defs>
        <clipPath v-for="cell in cells" :id="`tile-clip-${cell.i}`" :key="cell.i">
          <rect :x="cell.clip.x" :y="cell.clip.y" :width="cell.clip.w" :height="cell.clip.h" />
        </clipPath>
      </defs>
      <g v-for="cell in cells" :key="cell.tileId">
        <rect :x="cell.x" :y="cell.y" :width="cell.cw" :height="cell.ch" fill="url(#hatch-open)" />
        <g :transform="cell.art">
          <g :clip-path="`url(#tile-clip-${cell.i})`"><PlanArt :features="store.plan!.features" :to-px="toPx" is-still /></g>
        </g>
        <rect
          class="cell"
          :class="{ picked: cell.isPicked, locked: cell.isLocked }"
          :x="cell.x"
          :y="cell.y"
          :width="cell.cw"
          :height="cell.ch"
          tabindex="0"
          role="button"
          :aria-label="`${cell.tileId}, turned ${cell.turns * 90}°${cell.isLocked ? ', locked' : ''}`"
          :aria-pressed="cell.isPicked"
          data-testid="laid-tile"
          @click="tables.pick(cell.i)"
          @dblclick="tables.turn(cell.i)"
          @keydown="key($event, cell.i)"
        />
        <text
          v-for="(letter, side) in cell.letters"
          :key="side"
          class="letter"
          :x="letter.x"
          :y="letter.y"
          text-anchor="middle"
          pointer-events="none"
        >
          {{ letter.text }}
        </text>
        <text class="tile-name" :x="cell.x + 6" :y="cell.y + 16" pointer-events="none">
          {{ cell.tileId }}
          <tspan v-if="cell.turns > 0">{{ cell.turns * 90 }}°</tspan>
          <tspan v-if="cell.isLocked">locked</tspan>
        </text>
      </g>
      <line v-for="{ id, ...line } in faults" :key="id" class="fails" v-bind="line" data-testid="failing-seam" />
    </svg>
  </div>
</template>

<style scoped>
.frame-all {
  height: 100%;
}
.cell {
  fill: transparent;
  stroke: var(--ink);
  stroke-width: 1.4;
  cursor: pointer;
}
.cell.locked {
  stroke-width: 3;
  stroke-dasharray: 8 3;
}
.cell.picked,
.cell:focus-visible {
  outline: none;
  stroke: var(--clay);
  stroke-width: 3;
}
.letter {
  font-size: 12px;
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
.fails {
  stroke: var(--clay);
  stroke-width: 6;
  stroke-dasharray: 5 3;
}
</style>
