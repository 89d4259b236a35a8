<script setup lang="ts">
import { nextTick, ref } from 'vue';
import type { Sketch } from './useSketch';

/** A place typed while drawing: Enter sets it, Enter on nothing finishes the drawing. */
const props = defineProps<{ sketch: Sketch }>();
const typed = ref('');
const input = ref<HTMLInputElement | null>(null);

function set(): void {
  if (typed.value.trim() === '') return props.sketch.finish();
  const problem = props.sketch.typePoint(typed.value);
  props.sketch.refuse(problem);
  if (problem === '') typed.value = '';
}
function leave(): void {
  typed.value = '';
  props.sketch.giveUp();
  input.value?.blur();
}
defineExpose({
  /** Begins typing with what was pressed. */
  begin(first: string) {
    typed.value = first;
    void nextTick(() => input.value?.focus());
  },
});
</script>

<template>
  <input
    ref="input"
    v-model="typed"
    class="point"
    aria-label="Next point: x, y"
    placeholder="x, y"
    autocomplete="off"
    @keydown.enter.stop="set"
    @keydown.escape.stop="leave"
  />
</template>

<style scoped>
.point {
  width: 96px;
  padding: 0 6px;
  background: var(--sheet);
  border: 1px solid var(--rule);
  border-radius: 2px;
  color: var(--ink);
  font: inherit;
}
</style>
