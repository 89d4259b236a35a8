<script setup lang="ts">
import { computed } from 'vue';
import { usePlan } from '../../../stores/board/plan';
import type { ToPx } from './paths';

/** What was missed at the table and is not settled yet, where it was missed. */
const props = defineProps<{ toPx: ToPx }>();
const store = usePlan();
const pins = computed(() =>
  store.plan!.tableNotes.flatMap(({ id, at, words, isDone }, i) => (isDone ? [] : [{ id, at: props.toPx(at), words, number: i + 1 }])),
);
</script>

<template>
  <g v-for="pin in pins" :key="pin.id" :transform="`translate(${pin.at.x} ${pin.at.y})`" data-testid="table-pin">
    <title>{{ pin.words }}</title>
    <circle r="9" />
    <text y="4">{{ pin.number }}</text>
  </g>
</template>

<style scoped>
circle {
  fill: var(--clay);
}
text {
  fill: var(--sheet);
  font-size: 12px;
  font-weight: 600;
  text-anchor: middle;
}
</style>
