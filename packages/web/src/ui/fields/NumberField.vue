<script setup lang="ts">
import { type Limits, parseNumber } from '@spare-acre/core/base/units';
import TypedField from './TypedField.vue';

/** A plain number with its unit. `take` says what is wrong with it, or nothing. */
const props = defineProps<{ label: string; value: number; unit: string; limits: Limits; take: (value: number) => string }>();

function read(typed: string): string {
  const parsed = parseNumber(typed, props.label, props.unit, props.limits);
  return parsed.ok ? props.take(parsed.value) : parsed.problem.message;
}
</script>

<template>
  <TypedField :label="label" :stored="String(value)" :unit="unit" :read="read" />
</template>
