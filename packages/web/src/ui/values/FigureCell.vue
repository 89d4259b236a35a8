<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { type Quantity, show, showChange, showText } from '@spare-acre/core/base/units';
import { useDrawer } from '../drawer';
import { usePlan } from '../../stores/board/plan';
import { useBefore } from '../useChange';

/**
 * A figure that opens to its working, with the change the last edits made to it. `text` replaces a number that reads better in words,
 * `unit` names what a plain count counts; `above` puts the change over the figure, where a strip has room for it; `why` opens the change to what made it.
 */
const props = defineProps<{ figure: Quantity; text?: string; unit?: string; above?: boolean; why?: (before: number) => unknown }>();
const store = usePlan();
const drawer = useDrawer();
const shown = computed(() => {
  if (props.text !== undefined) return { number: props.text, unit: '' };
  const { number, unit } = show(props.figure, store.showing);
  return { number, unit: props.unit ?? unit };
});
const before = useBefore(() => props.figure.value);
const change = computed(() =>
  before.value === null ? '' : showChange(before.value, props.figure.value, props.figure.unit, store.showing),
);
const isLess = computed(() => before.value !== null && props.figure.value < before.value);
const spoken = computed(() => `${props.figure.label}: ${props.text ?? showText(props.figure, store.showing)}. Show calculation.`);
</script>

<template>
  <span class="figure-cell" :class="{ above }">
    <Transition name="change">
      <BButton
        v-if="change !== '' && why !== undefined"
        variant="bare"
        class="change why"
        :class="{ less: isLess }"
        title="Why it changed"
        data-testid="change"
        @click="why(before!)"
        >{{ change }}</BButton
      >
      <span v-else-if="change !== ''" class="change" :class="{ less: isLess }" data-testid="change">{{ change }}</span>
    </Transition>
    <BButton variant="bare" class="figure" :aria-label="spoken" @click="drawer.showWorking(figure, text)">
      {{ shown.number }}<span v-if="shown.unit !== ''" class="unit">&nbsp;{{ shown.unit }}</span>
    </BButton>
  </span>
</template>

<style scoped>
.figure-cell {
  display: inline-flex;
  gap: 7px;
  align-items: baseline;
}
/* Against the entry of the strip, which is the box it is placed in. */
.above .change {
  position: absolute;
  right: 10px;
  top: 5px;
}
/* Pressed, it says what made it. */
.why {
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
</style>
