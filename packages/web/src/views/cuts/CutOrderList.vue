<script setup lang="ts">
import { computed } from 'vue';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import { listedCuts } from '@spare-acre/core/build/cutting/bench';
import { lengthText } from '@spare-acre/core/base/units';
import { usePlan } from '../../stores/board/plan';

/** The cuts of one sheet in order, each measured from one edge of the piece it goes through. */
const props = defineProps<{ job: CutJob; index: number }>();
const store = usePlan();
const cuts = computed(() => listedCuts(props.job, props.index));
const length = (mm: number): string => lengthText(mm, store.plan!.units);
const passes = computed(() => (props.job.passes.value === 1 ? '1 pass' : `${props.job.passes.value} passes`));
</script>

<template>
  <p v-if="cuts.length === 0" class="quiet">These parts cannot be separated with straight cuts from edge to edge. Cut round each one.</p>
  <ol v-else class="order" data-testid="cut-order">
    <li v-for="cut in cuts" :key="cut.step">
      <span class="cut"
        ><span
          ><b>{{ cut.piece }}</b> {{ cut.way }}, {{ length(cut.atMm) }} from the {{ cut.from }}</span
        >
        <span class="quiet">{{ passes }}</span></span
      >
      <span class="quiet">{{ cut.leaves.join(' | ') }}</span>
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
.order li > .cut {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.order .quiet {
  font-size: 0.86rem;
}
</style>
