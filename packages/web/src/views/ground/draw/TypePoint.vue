<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { nextTick, ref } from 'vue';
import type { Sketch } from './useSketch';

/** A place typed while drawing: Enter sets it, Enter on nothing finishes the drawing. */
const props = defineProps<{ sketch: Sketch }>();
const typed = ref('');
const input = ref<InstanceType<typeof BFormInput> | null>(null);

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
  <BFormInput
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
}
</style>
