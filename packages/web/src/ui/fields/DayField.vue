<script setup lang="ts">
import TypedField from './TypedField.vue';

/** A day of the calendar, as the browser lets one be typed or picked. `take` says what is wrong with it, or nothing. @param value `2026-11-30` */
const props = defineProps<{ label: string; value: string; take: (value: string) => string }>();

function read(day: string): string {
  const said = props.take(day);
  return said === '' ? '' : `${props.label}: ${said}`;
}
</script>

<template>
  <TypedField :label="label" :stored="value" is-day :read="read" />
</template>
