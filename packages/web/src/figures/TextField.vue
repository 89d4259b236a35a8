<script setup lang="ts">
import { ref, useId, watch } from 'vue';

/** A name. `take` says what is wrong with it, or nothing. */
const props = defineProps<{ label: string; value: string; take: (value: string) => string }>();
const id = useId();
const typed = ref('');
const problem = ref('');
watch(() => props.value, reset, { immediate: true });

function reset(): void {
  typed.value = props.value;
  problem.value = '';
}
function commit(): void {
  if (typed.value === props.value) return reset();
  const said = props.take(typed.value.trim());
  problem.value = said === '' ? '' : `${props.label}: ${said}`;
}
</script>

<template>
  <div class="field wide">
    <label :for="id">{{ label }}</label>
    <span class="entry"
      ><input
        :id="id"
        v-model="typed"
        autocomplete="off"
        :aria-invalid="problem !== ''"
        @change="commit"
        @keydown.enter="commit"
        @keydown.escape.stop="reset"
    /></span>
    <p v-if="problem !== ''" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
