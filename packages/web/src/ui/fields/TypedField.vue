<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { ref, useId, watch } from 'vue';

/**
 * A field for something typed. `read` takes what was typed and says what is wrong with it, or nothing. What was typed stays
 * in the field until it is right or given up with Escape.
 */
const props = defineProps<{
  label: string;
  stored: string;
  unit?: string;
  isWords?: boolean;
  isDay?: boolean;
  read: (typed: string) => string;
}>();
const id = useId();
const typed = ref('');
const problem = ref('');
watch(() => props.stored, reset, { immediate: true });

function reset(): void {
  typed.value = props.stored;
  problem.value = '';
}
function commit(): void {
  problem.value = typed.value === props.stored ? '' : props.read(typed.value);
  if (problem.value === '') reset();
}
</script>

<template>
  <div class="field" :class="{ wide: isWords || isDay }">
    <label :for="id">{{ label }}</label>
    <span class="entry">
      <BFormInput
        :id="id"
        v-model="typed"
        :type="isDay ? 'date' : 'text'"
        :inputmode="isDay ? undefined : isWords ? 'text' : 'decimal'"
        autocomplete="off"
        :aria-invalid="problem !== ''"
        :aria-describedby="problem === '' ? undefined : `${id}-problem`"
        @change="commit"
        @keydown.enter="commit"
        @keydown.escape.stop="reset"
      />
      <span v-if="unit !== undefined" class="unit">{{ unit }}</span>
    </span>
    <p v-if="problem !== ''" :id="`${id}-problem`" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
