<script setup lang="ts">
import type { MeasureSystem } from '@spare-acre/core/base/units';
import type { AskedField } from '@spare-acre/core/plan/fields';
import ChoiceField from './ChoiceField.vue';
import LengthField from './LengthField.vue';
import NumberField from './NumberField.vue';
import TextField from './TextField.vue';
import TickField from './TickField.vue';

/** A field as core describes it. `take` says what is wrong with what was typed or chosen, or nothing. */
defineProps<{ field: AskedField; value: unknown; system: MeasureSystem; take: (value: number | string | boolean) => string }>();
const emit = defineEmits<{ refused: [says: string] }>();
/** What is chosen rather than typed has no place of its own to be refused at. */
const told = (says: string): void => emit('refused', says);
</script>

<template>
  <LengthField
    v-if="field.ask === 'length'"
    :label="field.label"
    :mm="Number(value)"
    :system="system"
    :limits="field.limits"
    :take="take"
  />
  <NumberField
    v-else-if="field.ask === 'number'"
    :label="field.label"
    :value="Number(value)"
    :unit="field.unit"
    :limits="field.limits"
    :take="take"
  />
  <TickField v-else-if="field.ask === 'tick'" :label="field.label" :is-on="value === true" @toggle="(on) => told(take(on))" />
  <TextField v-else-if="field.ask === 'words'" :label="field.label" :value="String(value)" :take="take" />
  <ChoiceField v-else :label="field.label" :value="String(value)" :options="field.options" @choose="(chosen) => told(take(chosen))" />
</template>
