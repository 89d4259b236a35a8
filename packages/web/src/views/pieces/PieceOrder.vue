<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import type { OrderStep } from '@spare-acre/core/build/pieces';

/** The assembly, step by step: the drawing shows what stands after the step that is looked at. */
defineProps<{ order: readonly OrderStep[] }>();
const step = defineModel<number | null>({ required: true });
const DOES: Readonly<Record<OrderStep['does'], string>> = {
  'dry-fit': 'Dry-fit',
  glue: 'Glue',
  pin: 'Pin',
  fill: 'Fill',
  paint: 'Paint',
  weigh: 'Weigh down',
  place: 'Place',
};
</script>

<template>
  <ol class="steps">
    <li v-for="(one, i) in order" :key="i">
      <BButton variant="bare" :aria-pressed="step === i" @click="step = step === i ? null : i">
        <b>{{ i + 1 }}. {{ DOES[one.does] }}</b>
        <span>{{ one.says }}</span>
      </BButton>
    </li>
  </ol>
</template>

<style scoped>
.steps {
  list-style: none;
  margin: 0;
  padding: 0 12px 0 0;
  overflow-y: auto;
}
.steps button {
  all: unset;
  display: block;
  cursor: pointer;
  padding: 7px 8px;
  border-left: 3px solid transparent;
  border-bottom: 1px solid var(--rule);
}
.steps button[aria-pressed='true'] {
  border-left-color: var(--clay);
  background: var(--sheet);
}
.steps button:focus-visible {
  outline: 2px solid var(--slate);
}
.steps span {
  display: block;
}
</style>
