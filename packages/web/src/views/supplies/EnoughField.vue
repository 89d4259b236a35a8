<script setup lang="ts">
import { computed } from 'vue';
import { showText } from '@spare-acre/core/base/units';
import type { Enough } from '@spare-acre/core/procurement/supplies/certainty';
import { usePlan } from '../../stores/board/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';

type OfHundred = 80 | 90 | 95 | null;
/** How often of ten or twenty what is bought is to be enough, with what each would cost. @param enough packages by how sure; none where nothing is told yet */
const props = defineProps<{
  label: string;
  value: OfHundred | 'usual';
  hasUsual?: boolean;
  hideLabel?: boolean;
  enough?: readonly Enough[];
  usual?: OfHundred;
}>();
const emit = defineEmits<{ choose: [ofHundred: OfHundred | 'usual'] }>();
const store = usePlan();
const NAMES: readonly (readonly [OfHundred, string])[] = [
  [null, 'estimate only'],
  [80, 'enough 8 times in 10'],
  [90, 'enough 9 times in 10'],
  [95, 'enough 19 times in 20'],
];
function priceOf(ofHundred: OfHundred): string {
  const found = props.enough?.find((one) => one.ofHundred === ofHundred);
  return found === undefined ? '' : `: ${showText({ value: found.choice.costMinor, unit: 'money' }, store.showing)}`;
}
const options = computed(() => [
  ...(props.hasUsual === true ? [{ value: 'usual', text: 'default' }] : []),
  ...NAMES.map(([ofHundred, text]) => ({ value: String(ofHundred), text: `${text}${priceOf(ofHundred)}` })),
]);
const choose = (chosen: string): void =>
  emit('choose', chosen === 'usual' ? 'usual' : (NAMES.find(([ofHundred]) => String(ofHundred) === chosen)?.[0] ?? null));
</script>

<template>
  <ChoiceField :label="label" :value="String(value)" :options="options" :hide-label="hideLabel === true" @choose="choose" />
</template>
