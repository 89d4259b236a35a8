<script setup lang="ts">
import { computed } from 'vue';
import { type CutJob, cutOrder } from '@spare-acre/core/cutting';
import { lengthText } from '@spare-acre/core/units';
import { usePlan } from '../stores/plan';

/** The cuts of one sheet in order, each measured from one edge of the piece it goes through. */
const props = defineProps<{ job: CutJob; index: number }>();
const store = usePlan();
const order = computed(() => cutOrder(props.job.layout.sheets[props.index]!, props.job.rule));
const length = (mm: number): string => lengthText(mm, store.plan!.units);
const nameOf = (piece: string): string => {
  const freed = order.value?.freed.find((one) => one.piece === piece);
  return freed === undefined ? piece : (props.job.parts.find(({ id }) => id === freed.blankId)?.name ?? piece);
};
</script>

<template>
  <p v-if="order === null" class="quiet">These parts do not come free by straight-through cuts; cut round each of them.</p>
  <ol v-else class="order" data-testid="cut-order">
    <li v-for="(cut, i) in order.cuts" :key="i">
      <span
        ><b>{{ cut.piece }}</b> {{ cut.way }}, {{ length(cut.atMm) }} from the {{ cut.way === 'down' ? 'left' : 'top' }}</span
      >
      <span class="quiet">{{
        cut.leaves
          .filter((piece) => piece !== null)
          .map((piece) => nameOf(piece!))
          .join(' | ')
      }}</span>
    </li>
  </ol>
</template>

<style scoped>
.order {
  margin: 4px 0 0;
  padding-left: 24px;
}
.order li {
  padding: 2px 0;
  border-bottom: 1px solid var(--rule);
}
.order li > * {
  display: block;
  line-height: 1.25;
}
.order .quiet {
  font-size: 0.86rem;
}
</style>
