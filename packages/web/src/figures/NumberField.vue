<script setup lang="ts">
import { ref, useId, watch } from 'vue';
import { type Limits, parseNumber } from '@spare-acre/core/units';

/** A plain number with its unit. `take` says what is wrong with it, or nothing. */
const props = defineProps<{ label: string; value: number; unit: string; limits: Limits; take: (value: number) => string }>();
const id = useId();
const typed = ref('');
const problem = ref('');
watch(() => props.value, reset, { immediate: true });

function reset(): void {
  typed.value = String(props.value);
  problem.value = '';
}
function commit(): void {
  if (typed.value === String(props.value)) return reset();
  const parsed = parseNumber(typed.value, props.label, props.unit, props.limits);
  problem.value = parsed.ok ? props.take(parsed.value) : parsed.problem.message;
  if (problem.value === '') reset();
}
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <span class="entry">
      <input
        :id="id"
        v-model="typed"
        inputmode="decimal"
        autocomplete="off"
        :aria-invalid="problem !== ''"
        :aria-describedby="problem === '' ? undefined : `${id}-problem`"
        @change="commit"
        @keydown.enter="commit"
        @keydown.escape.stop="reset"
      />
      <span class="unit">{{ unit }}</span>
    </span>
    <p v-if="problem !== ''" :id="`${id}-problem`" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
