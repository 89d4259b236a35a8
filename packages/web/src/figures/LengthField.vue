<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import { type Limits, type MeasureSystem, lengthField, parseLength } from '@spare-acre/core/units';

/**
 * A length typed in the board's own measures. `take` gets mm and says what is wrong with it, or nothing. What was typed
 * stays in the field until it is right or given up with Escape.
 */
const props = defineProps<{ label: string; mm: number; system: MeasureSystem; limits: Limits; take: (mm: number) => string }>();
const id = useId();
const typed = ref('');
const problem = ref('');
const asStored = computed(() => lengthField(props.mm, props.system));
watch(asStored, reset, { immediate: true });

function reset(): void {
  typed.value = asStored.value;
  problem.value = '';
}
function commit(): void {
  if (typed.value === asStored.value) return reset();
  const parsed = parseLength(typed.value, props.label, props.system, props.limits);
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
      <span class="unit">{{ system === 'metric' ? 'mm' : 'in' }}</span>
    </span>
    <p v-if="problem !== ''" :id="`${id}-problem`" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
