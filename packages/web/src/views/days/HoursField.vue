<script setup lang="ts">
import type { Calendar } from '@spare-acre/core/plan';
import { withHours } from '@spare-acre/core/schedule/tasks';
import TextField from '../../ui/fields/TextField.vue';

/** Bench hours of one weekday, typed as `19:00–21:00`; empty for none. */
const props = defineProps<{
  label: string;
  weekday: number;
  text: string;
  hours: Calendar['hours'];
  take: (hours: { weekday: number; fromMin: number; toMin: number }[]) => string;
}>();

function typed(text: string): string {
  const changed = withHours(props.hours, props.weekday, text);
  return changed.ok ? props.take([...changed.value]) : changed.problem.message;
}
</script>

<template>
  <TextField :label="label" :value="text" :take="typed" />
</template>
