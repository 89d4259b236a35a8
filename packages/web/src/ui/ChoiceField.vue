<script setup lang="ts" generic="T extends string | number">
import { useId } from 'vue';

/** One of a few. */
defineProps<{ label: string; value: T; options: readonly { readonly value: T; readonly text: string }[]; hideLabel?: boolean }>();
const emit = defineEmits<{ choose: [value: T] }>();
const id = useId();

function chosen(event: Event, options: readonly { readonly value: T }[]): void {
  const { selectedIndex } = event.target as HTMLSelectElement;
  emit('choose', options[selectedIndex]!.value);
}
</script>

<template>
  <div class="field wide">
    <label :for="id" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <span class="entry">
      <select :id="id" :value="value" @change="chosen($event, options)">
        <option v-for="option in options" :key="option.value" :value="option.value">{{ option.text }}</option>
      </select>
    </span>
  </div>
</template>
