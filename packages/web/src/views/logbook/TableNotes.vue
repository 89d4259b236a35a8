<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { computed, ref } from 'vue';
import { cutText } from '@spare-acre/core/base/text';
import { hasTable, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import type { Point } from '@spare-acre/core/base/geometry';
import { shortId } from '../../stores/device/name';
import { usePlan } from '../../stores/board/plan';
import TickField from '../../ui/fields/TickField.vue';
import { today } from '../../ui/dates';
import PlanArt from '../ground/plan/PlanArt.vue';

/** After playing: what was missed at the table, pinned where it was missed, for the next revision. */
const store = usePlan();
const plan = computed(() => store.plan!);
const size = computed(() => ({ width: tableWidthMm(plan.value.table), depth: tableDepthMm(plan.value.table) }));
const at = ref<Point | null>(null);
const words = ref('');
const problem = ref('');
const toPx = (point: Point): Point => point;
/** Of the table, so that a pin is as big on any. */
const PIN = 0.016;
const pin = computed(() => size.value.width * PIN);
function place(event: MouseEvent): void {
  const svg = event.currentTarget as SVGSVGElement;
  const { left, top, width, height } = svg.getBoundingClientRect();
  at.value = {
    x: Math.round(((event.clientX - left) / width) * size.value.width),
    y: Math.round(((event.clientY - top) / height) * size.value.depth),
  };
}
function put(): void {
  if (words.value.trim() === '') return void (problem.value = 'What was missing? Enter a few words.');
  const middle = { x: size.value.width / 2, y: size.value.depth / 2 };
  problem.value = store.edit({
    code: 'table-note/put',
    note: { id: shortId(), at: at.value ?? middle, words: cutText(words.value.trim(), 300), day: today(), isDone: false },
  });
  if (problem.value === '') [at.value, words.value] = [null, ''];
}
</script>

<template>
  <section aria-label="At the table" data-testid="table-notes">
    <p class="quiet">
      After a game, pin notes where the table should be better: too narrow, no cover. Tick a note when it is solved, or remove it.
    </p>
    <svg
      v-if="hasTable(plan.table)"
      :viewBox="`0 0 ${size.width} ${size.depth}`"
      role="img"
      aria-label="Plan: click where it was"
      @click="place"
    >
      <rect class="edge" :width="size.width" :height="size.depth" />
      <PlanArt :features="plan.features" :to-px="toPx" is-still />
      <g v-for="(note, i) in plan.tableNotes" :key="note.id" :class="{ settled: note.isDone }" class="pin">
        <circle :cx="note.at.x" :cy="note.at.y" :r="pin" />
        <text :x="note.at.x" :y="note.at.y + pin * 0.5" :font-size="pin * 1.4">{{ i + 1 }}</text>
      </g>
      <circle v-if="at !== null" class="new" :cx="at.x" :cy="at.y" :r="pin" />
    </svg>
    <form class="put" aria-label="Pin a note" @submit.prevent="put">
      <label>What was missed <BFormInput v-model="words" maxlength="300" autocomplete="off" /></label>
      <BButton type="submit" variant="primary">{{ at === null ? 'Pin in the middle' : 'Pin here' }}</BButton>
    </form>
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    <ol>
      <li v-for="note in plan.tableNotes" :key="note.id">
        <TickField
          :label="`${note.words} (${note.day})`"
          :is-on="note.isDone"
          @toggle="(isDone) => store.edit({ code: 'table-note/put', note: { ...note, isDone } })"
        />
        <BButton
          variant="key"
          size="sm"
          :aria-label="`Remove: ${note.words}`"
          @click="store.edit({ code: 'table-note/remove', noteId: note.id })"
          >Remove</BButton
        >
      </li>
    </ol>
  </section>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 760px;
  max-height: 46vh;
  background: var(--sheet);
  cursor: crosshair;
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.pin circle {
  fill: var(--clay);
}
.pin.settled circle {
  fill: var(--moss);
}
.pin text {
  fill: var(--sheet);
  text-anchor: middle;
  font-weight: 600;
}
.new {
  fill: none;
  stroke: var(--clay);
  stroke-width: 4;
}
.put {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
  margin: 8px 0;
}
.put label {
  display: flex;
  flex: 1 1 300px;
  gap: 6px;
  align-items: center;
}
</style>
