<script setup lang="ts">
import { type Limits, type MeasureSystem, lengthField, lengthUnit, parseLength } from '@spare-acre/core/base/units';
import TypedField from './TypedField.vue';

/** A length typed in the board's own measures. `take` gets mm and says what is wrong with it, or nothing. */
const props = defineProps<{ label: string; mm: number; system: MeasureSystem; limits: Limits; take: (mm: number) => string }>();

function read(typed: string): string {
  const parsed = parseLength(typed, props.label, props.system, props.limits);
  return parsed.ok ? props.take(parsed.value) : parsed.problem.message;
}
</script>

<template>
  <TypedField :label="label" :stored="lengthField(mm, system)" :unit="lengthUnit(system)" :read="read" />
</template>
