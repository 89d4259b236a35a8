<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { ref, watch } from 'vue';
import { parseNumber } from '@spare-acre/core/base/units';

/** Some of it done: 4 of 6 walls. @prop of how many there are of themselves; 0 where the builder counts */
const props = defineProps<{ part: { readonly done: number; readonly of: number } | null; of: number }>();
const emit = defineEmits<{ done: [part: { done: number; of: number }] }>();
const typed = ref({ done: '', of: '' });
const problem = ref('');
watch(
  () => [props.part, props.of] as const,
  ([part, of]) => (typed.value = { done: part === null ? '' : String(part.done), of: String(part?.of ?? (of > 1 ? of : '')) }),
  { immediate: true },
);
function take(): void {
  const of = parseNumber(typed.value.of, 'Out of', '', { min: 2, max: 1_000 });
  const done = parseNumber(typed.value.done, 'Done', '', { min: 1, max: of.ok ? of.value - 1 : 999 });
  problem.value = !of.ok ? of.problem.message : !done.ok ? done.problem.message : '';
  if (of.ok && done.ok) emit('done', { done: Math.round(done.value), of: Math.round(of.value) });
}
</script>

<template>
  <form class="part" aria-label="Partly done" @submit.prevent="take">
    <label>Part: <BFormInput v-model="typed.done" inputmode="numeric" autocomplete="off" aria-label="Number done" /></label>
    <label>of <BFormInput v-model="typed.of" inputmode="numeric" autocomplete="off" aria-label="Out of" /></label>
    <BButton type="submit" variant="key">Save progress</BButton>
  </form>
  <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
</template>

<style scoped>
.part {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.part label {
  display: flex;
  gap: 6px;
  align-items: center;
}
.part :deep(input) {
  width: 64px;
}
.part :deep(input),
.part :deep(.btn) {
  min-height: 44px;
  align-items: center;
  align-items: center;
}
</style>
