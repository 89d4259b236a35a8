<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { reactive, ref, watch } from 'vue';
import type { VarianceDriver } from '@spare-acre/core/learning/uncertainty';
import { keepOwn } from '../../stores/workshop/own';
import NumberField from './NumberField.vue';

/** A figure of the catalogue as the builder has measured it, in the place of ours. */
const props = defineProps<{ input: VarianceDriver; path: string }>();
const emit = defineEmits<{ kept: [] }>();
const own = reactive({ value: 0, low: 0, high: 0 });
const fault = ref('');
const isBusy = ref(false);
watch(
  () => props.input,
  ({ value, low, high }) => Object.assign(own, { value, low, high }),
  { immediate: true },
);
const LIMITS = { min: 0, max: 1e7 };
/** A value outside its ends takes the nearer one along. */
function take(name: keyof typeof own, value: number): string {
  own[name] = value;
  if (name === 'value') Object.assign(own, { low: Math.min(own.low, value), high: Math.max(own.high, value) });
  return '';
}
async function keep(): Promise<void> {
  [fault.value, isBusy.value] = ['', true];
  try {
    await keepOwn(props.path, { ...own });
    emit('kept');
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error);
  }
  isBusy.value = false;
}
</script>

<template>
  <form class="own" data-testid="own-figure" @submit.prevent="keep">
    <NumberField label="Measured" :value="own.value" :unit="input.unit" :limits="LIMITS" :take="(value) => take('value', value)" />
    <NumberField label="Lowest" :value="own.low" :unit="input.unit" :limits="LIMITS" :take="(value) => take('low', value)" />
    <NumberField label="Highest" :value="own.high" :unit="input.unit" :limits="LIMITS" :take="(value) => take('high', value)" />
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    <BButton type="submit" variant="key" :disabled="isBusy">Use my value on all boards</BButton>
  </form>
</template>

<style scoped>
.own {
  padding: 6px 0 10px;
}
</style>
