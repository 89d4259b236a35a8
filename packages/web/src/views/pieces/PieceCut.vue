<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { computed, ref } from 'vue';
import { lengthText, lengthWords } from '@spare-acre/core/base/units';
import { type Cut, type CutSize, type MadeObject, cutRange, cutThrough } from '@spare-acre/core/build/pieces';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { usePlan } from '../../stores/board/plan';
import { ringPath } from './ringPath';

/** A piece cut through upright, with its sizes: of every part on the line, and clear between them. */
const props = defineProps<{ name: string; object: Pick<MadeObject, 'bodies' | 'loose'>; widthPx: number; heightPx: number }>();
const store = usePlan();
const WAYS = [
  { value: 'y', text: 'from side to side' },
  { value: 'x', text: 'from front to back' },
] as const satisfies readonly { readonly value: Cut['squareTo']; readonly text: string }[];
const squareTo = ref<Cut['squareTo']>('x');
const share = ref(0.5);
const range = computed(() => cutRange(props.object, squareTo.value));
const atMm = computed(() => range.value.fromMm + (range.value.toMm - range.value.fromMm) * share.value);
const cut = computed(() => cutThrough(props.object, { squareTo: squareTo.value, atMm: atMm.value }));
const ROOM_PX = 76;
const HEAD_PX = 44;
const high = computed(() => Math.max(80, props.heightPx - HEAD_PX));
const pxPerMm = computed(() => {
  if (cut.value === null) return 1;
  const { left, right, top, bottom } = cut.value;
  const fits = Math.min((props.widthPx - 2 * ROOM_PX) / (right - left), (high.value - 2 * ROOM_PX) / (bottom - top), 12);
  return Math.max(0.05, fits);
});
const box = computed(() => {
  const { left, right, top, bottom } = cut.value!;
  const [w, h] = [props.widthPx / pxPerMm.value, high.value / pxPerMm.value];
  return `${(left + right - w) / 2} ${(top + bottom - h) / 2} ${w} ${h}`;
});
const px = (count: number): number => count / pxPerMm.value;
/** Two rows, so that a thin wall's size has room beside that of the room it closes. */
const rows = (sizes: readonly CutSize[]) => sizes.map((size, i) => ({ ...size, row: size.isClear ? 0 : 1 + (i % 2) }));
const length = (mm: number): string => lengthText(Math.round(mm * 10) / 10, store.plan!.units);
</script>

<template>
  <div class="head">
    <ChoiceField label="Cut" :value="squareTo" :options="[...WAYS]" @choose="(way) => (squareTo = way)" />
    <label class="slider">
      <BFormInput v-model.number="share" type="range" min="0.01" max="0.99" step="0.01" aria-label="Cutting position" />
      <span class="num">at {{ lengthWords(Math.round(atMm - range.fromMm), store.plan!.units) }}</span>
    </label>
  </div>
  <p v-if="cut === null" class="quiet">There is no part at this position.</p>
  <svg v-else :width="widthPx" :height="high" :viewBox="box" role="img" :aria-label="`${name}, cut through`">
    <path
      v-for="face in cut.faces"
      :key="face.bodyId"
      :d="ringPath(face.rings)"
      class="cut"
      :class="{ loose: face.isLoose }"
      data-testid="cut-face"
    >
      <title>{{ face.name }}</title>
    </path>
    <path
      :d="`M${cut.left - px(10)} ${cut.acrossAt}H${cut.right + px(10)}M${cut.upAt} ${cut.top - px(10)}V${cut.bottom + px(10)}`"
      class="line"
    />
    <g class="sizes" aria-hidden="true">
      <g v-for="size in rows(cut.across)" :key="`a${size.fromMm}`" :class="{ clear: size.isClear }">
        <path
          :d="`M${size.fromMm} ${cut.bottom + px(14)}H${size.toMm}M${size.fromMm} ${cut.bottom + px(9)}v${px(10)}M${size.toMm} ${cut.bottom + px(9)}v${px(10)}`"
        />
        <text
          :x="(size.fromMm + size.toMm) / 2"
          :y="cut.bottom + px(30 + 15 * size.row)"
          :font-size="px(size.isClear ? 13 : 11)"
          text-anchor="middle"
        >
          {{ length(size.toMm - size.fromMm) }}
        </text>
      </g>
      <g v-for="size in rows(cut.up)" :key="`u${size.fromMm}`" :class="{ clear: size.isClear }">
        <path
          :d="`M${cut.left - px(14)} ${size.fromMm}V${size.toMm}M${cut.left - px(19)} ${size.fromMm}h${px(10)}M${cut.left - px(19)} ${size.toMm}h${px(10)}`"
        />
        <text
          :x="cut.left - px(22 + 24 * size.row * Number(!size.isClear))"
          :y="(size.fromMm + size.toMm) / 2"
          :font-size="px(size.isClear ? 13 : 11)"
          text-anchor="end"
        >
          {{ length(size.toMm - size.fromMm) }}
        </text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
}
.slider {
  display: flex;
  gap: 8px;
  align-items: center;
  color: var(--ink-soft);
}
.slider :deep(input) {
  accent-color: var(--moss);
  width: 150px;
}
svg {
  display: block;
}
.cut {
  fill: var(--sheet);
  fill-rule: evenodd;
  stroke: var(--ink);
  stroke-width: 1.2px;
  vector-effect: non-scaling-stroke;
}
.line {
  fill: none;
  stroke: var(--rule);
  stroke-dasharray: 5 4;
  vector-effect: non-scaling-stroke;
}
.sizes path {
  fill: none;
  stroke: var(--ink-soft);
  vector-effect: non-scaling-stroke;
}
.sizes text {
  fill: var(--ink-soft);
  font-variant-numeric: tabular-nums;
  dominant-baseline: middle;
}
.sizes .clear text {
  fill: var(--ink);
  font-weight: 600;
}
</style>
