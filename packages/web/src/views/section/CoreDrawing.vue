<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { scaleLinear } from 'd3-scale';
import { computed, ref } from 'vue';
import type { SectionDrawing } from '@spare-acre/core/terrain/section';
import { type MeasureSystem, lengthText, lengthUnit, showText } from '@spare-acre/core/base/units';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { placeLabels } from './placeLabels';

/** The cut drawn like a soil core: true proportions along, heights drawn larger by a stated factor. */
const props = defineProps<{ section: SectionDrawing; system: MeasureSystem }>();
const frame = ref<HTMLElement | null>(null);
const { width, height } = useElementSize(frame);

const LEFT_PX = 64;
const RIGHT_PX = 24;
const LABEL_ROWS = 3;
const LABEL_ROW_PX = 34;
/** Of a letter of a name, and of the line under it, at most; and between two labels. */
const NAME_PX = 6;
const DETAIL_PX = 5.1;
const LABEL_GAP_PX = 6;
const LEAST_LABEL_PX = 56;
const FOOT_PX = 30;
/** Marks beside the heights: whole lengths of the board's own measures. */
const HEIGHT_STEPS_MM = { metric: [5, 10, 20, 50, 100], imperial: [6.35, 12.7, 25.4, 50.8, 101.6] } as const;
/** Heights are drawn this many times larger, as far as the sheet allows. */
const FACTORS = [1, 2, 3, 4, 5, 6, 8, 10];

const x = computed(() => scaleLinear([0, props.section.lengthMm || 1], [LEFT_PX, Math.max(LEFT_PX + 10, width.value - RIGHT_PX)]));
const pxPerMm = computed(() => x.value(1) - x.value(0));
const wanted = ref(0);
const factor = computed(() => (wanted.value > 0 ? Math.min(wanted.value, most.value) : most.value));
const most = computed(() => {
  const room = height.value - LABEL_ROWS * LABEL_ROW_PX - FOOT_PX - 40;
  const tall = (props.section.highMm - props.section.lowMm) * pxPerMm.value;
  return [...FACTORS].reverse().find((times) => tall * times <= room) ?? 1;
});
const z = computed(() => {
  const foot = height.value - FOOT_PX - 14;
  const perMm = pxPerMm.value * factor.value;
  return (mm: number): number => foot - (mm - props.section.lowMm) * perMm;
});
const factors = computed(() => [
  { value: 0, text: `as large as possible, ${most.value}×` },
  ...FACTORS.filter((times) => times <= most.value).map((times) => ({ value: times, text: times === 1 ? 'true' : `${times} times` })),
]);
const slabs = computed(() => props.section.slabs.map((slab) => ({ ...slab, d: slabPath(slab) })));
/** Along the tops of its runs and back along their undersides; a slope's many short runs are joined at their middles. */
function slabPath({ runs, fromMm, toMm }: SectionDrawing['slabs'][number]): string {
  const point = (atMm: number, mm: number): string => `${x.value(atMm).toFixed(1)} ${z.value(mm).toFixed(1)}`;
  const along = (level: (run: (typeof runs)[number]) => number): string[] =>
    runs.length === 1
      ? [point(fromMm, level(runs[0]!)), point(toMm, level(runs[0]!))]
      : [
          point(fromMm, level(runs[0]!)),
          ...runs.map((run) => point((run.fromMm + run.toMm) / 2, level(run))),
          point(toMm, level(runs.at(-1)!)),
        ];
  return `M${[...along(({ topMm }) => topMm), ...along(({ bottomMm }) => bottomMm).reverse()].join('L')}Z`;
}
const heights = computed(() => {
  const steps = HEIGHT_STEPS_MM[props.system];
  const step = steps.find((mm) => mm * pxPerMm.value * factor.value >= 22) ?? steps.at(-1)!;
  const first = Math.ceil(props.section.lowMm / step) * step;
  const marks: number[] = [];
  for (let mm = first; mm <= props.section.highMm; mm += step) marks.push(mm);
  return marks;
});
const FROM_PX = LEFT_PX - 40;
const toPx = computed(() => width.value - 4);
/** Names stand in rows over the drawing, each next one a row lower, moved aside so that none overlap. */
const rowsOfMarks = computed(() =>
  [0, 1, 2].map((row) => {
    const marks = props.section.marks.filter((_, i) => i % LABEL_ROWS === row);
    // Where not even short names have room, some go without: pointed at, every slab says what it is.
    const every = Math.ceil(marks.length / Math.max(1, Math.floor((toPx.value - FROM_PX) / LEAST_LABEL_PX)));
    return marks.filter((_, i) => i % every === 0);
  }),
);
const widthOf = (text: string, signPx: number): number => text.length * signPx + 8;
const inFull = (mark: SectionDrawing['marks'][number]): number => Math.max(widthOf(mark.name, NAME_PX), widthOf(detailOf(mark), DETAIL_PX));
/** Where there is little room names stand alone; how high or deep is said when one is pointed at. */
const isCrowded = computed(() =>
  rowsOfMarks.value.some((marks) => marks.reduce((sum, mark) => sum + inFull(mark) + LABEL_GAP_PX, 0) > toPx.value - FROM_PX),
);
/** A name with as many of its letters as there is room for. */
const cut = (name: string, roomPx: number): string =>
  widthOf(name, NAME_PX) <= roomPx ? name : `${name.slice(0, Math.max(3, Math.floor((roomPx - 8) / NAME_PX) - 1)).trim()}…`;
const labels = computed(() =>
  rowsOfMarks.value.flatMap((marks, row) => {
    const roomPx = (toPx.value - FROM_PX) / marks.length - LABEL_GAP_PX;
    const named = marks.map((mark) => ({ ...mark, shown: isCrowded.value ? cut(mark.name, roomPx) : mark.name }));
    const places = placeLabels(
      named.map((mark) => ({ atPx: x.value(mark.atMm), widthPx: isCrowded.value ? widthOf(mark.shown, NAME_PX) : inFull(mark) })),
      LABEL_GAP_PX,
      FROM_PX,
      toPx.value,
    );
    return named.map((mark, i) => ({
      ...mark,
      detail: detailOf(mark),
      x: places[i]!,
      y: 18 + row * LABEL_ROW_PX,
      tipX: x.value(mark.atMm),
      tipY: z.value(mark.levelMm),
    }));
  }),
);
function detailOf({ lies, byMm, leftMm }: SectionDrawing['marks'][number]): string {
  const size = (mm: number): string => `${length(mm)} ${unit.value}`;
  switch (lies) {
    case 'open':
      return `${size(byMm)} over the substrate`;
    case 'over':
      return `${size(byMm)} over the ground`;
    case 'deep':
      return `${size(byMm)} deep, ${size(leftMm)} left under`;
    case 'level':
      return 'level with the ground';
    default:
      throw lies satisfies never;
  }
}
const unit = computed(() => lengthUnit(props.system));
const length = (mm: number): string => lengthText(mm, props.system);
</script>

<template>
  <div class="core">
    <div ref="frame" class="frame-all">
      <svg
        class="ink"
        :width="width"
        :height="height"
        role="img"
        :aria-label="`Section, ${section.slabs.length} slabs over ${Math.round(section.lengthMm)} mm`"
      >
        <g v-for="label in labels" :key="label.name">
          <line class="tick" :x1="label.x" :y1="label.y + 17" :x2="label.tipX" :y2="label.tipY" />
          <circle :cx="label.tipX" :cy="label.tipY" r="2" />
        </g>
        <g v-for="slab in slabs" :key="slab.id">
          <path class="slab" :class="slab.what" :d="slab.d" :fill="`url(#hatch-${slab.hatch})`" data-testid="slab" :data-name="slab.name">
            <title>{{ slab.name }}: {{ length(slab.topMm - slab.bottomMm) }} {{ unit }}</title>
          </path>
        </g>
        <g>
          <text class="tick-label soft" x="6" :y="Math.max(104, z(section.highMm) - 24)">{{ unit }} over</text>
          <text class="tick-label soft" x="6" :y="Math.max(116, z(section.highMm) - 12)">substrate</text>
          <template v-for="mm in heights" :key="mm">
            <line class="tick" :x1="LEFT_PX - 8" :x2="LEFT_PX - 2" :y1="z(mm)" :y2="z(mm)" />
            <text class="tick-label" :x="LEFT_PX - 11" :y="z(mm) + 4" text-anchor="end">{{ length(mm) }}</text>
          </template>
        </g>
        <g v-for="seam in section.seams" :key="seam.name">
          <line class="seam" :x1="x(seam.atMm)" :x2="x(seam.atMm)" :y1="z(section.highMm) - 8" :y2="z(section.lowMm) + 8" />
          <text v-if="seam.stepMm !== 0" class="tick-label step-note" :x="x(seam.atMm) + 4" :y="z(section.lowMm) + 20">
            {{ length(Math.abs(seam.stepMm)) }} {{ unit }} {{ seam.stepMm > 0 ? 'up' : 'down' }}
          </text>
        </g>
        <g v-for="tile in section.tiles" :key="`${tile.id}${tile.fromMm}`">
          <text
            v-if="x(tile.toMm) - x(tile.fromMm) > 24"
            class="tile-name"
            :x="(x(tile.fromMm) + x(tile.toMm)) / 2"
            :y="z(section.lowMm) + 20"
            text-anchor="middle"
          >
            {{ tile.id }}
          </text>
        </g>
        <g v-for="label in labels" :key="`t${label.name}`" :transform="`translate(${label.x} ${label.y})`" text-anchor="middle">
          <text class="callout" y="0">
            {{ label.shown }}
            <title v-if="isCrowded">{{ label.name }}: {{ label.detail }}</title>
          </text>
          <text v-if="!isCrowded" class="callout soft" y="13">{{ label.detail }}</text>
        </g>
      </svg>
    </div>
    <div class="under">
      <span class="quiet">
        {{ showText({ value: section.lengthMm, unit: 'mm' }, { system, currency: '' }) }} from end to end; heights drawn {{ factor }}
        {{ factor === 1 ? 'time' : 'times' }}
      </span>
      <ChoiceField label="Heights drawn" :value="wanted" :options="factors" @choose="(times) => (wanted = times)" />
    </div>
  </div>
</template>

<style scoped>
.frame-all {
  flex: 1 1 auto;
  min-height: 0;
  overflow: hidden;
}
.under {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 0 14px;
  padding: 0 14px 0 64px;
  font-size: 0.86rem;
}
.step-note {
  fill: var(--clay-ink);
}
.core {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.slab {
  stroke: var(--ink);
  stroke-width: 0.8;
}
.slab.coat {
  stroke: none;
}
.slab.water {
  stroke: var(--slate);
}
.callout {
  font-size: 11.5px;
  font-weight: 500;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 3px;
}
.callout.soft {
  font-weight: 400;
  font-size: 10.5px;
}
</style>
