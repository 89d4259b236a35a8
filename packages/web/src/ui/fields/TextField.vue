<script setup lang="ts">
import TypedField from './TypedField.vue';

/** A name or other words. `take` says what is wrong with them, or nothing. */
const props = defineProps<{ label: string; value: string; take: (value: string) => string }>();

function read(typed: string): string {
  const said = props.take(typed.trim());
  return said === '' ? '' : `${props.label}: ${said}`;
}
</script>

<template>
  <TypedField :label="label" :stored="value" is-words :read="read" />
</template>
