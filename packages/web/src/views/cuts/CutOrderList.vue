<script setup lang="ts">
import { computed } from 'vue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import { cutSteps, stepWords } from '@spare-acre/core/build/cutting/bench';
import { usePlan } from '../../stores/board/plan';

/** The cuts of all sheets of a job in order; those at one setting of the fence are one line. */
const props = defineProps<{ job: CutJob; index: number }>();
const emit = defineEmits<{ choose: [index: number] }>();
const store = usePlan();
const sheets = computed(() =>
  props.job.layout.sheets.map((_, index) => ({
    index,
    steps: cutSteps(props.job, index).map((step) => ({ step: step.step, ...stepWords(step, store.plan!.units) })),
  })),
);
const passes = computed(() => (props.job.passes.value === 1 ? 'one pass each' : `${props.job.passes.value} passes each`));
</script>

<template>
  <section v-for="sheet in sheets" :key="sheet.index" :aria-label="`Cuts of sheet ${sheet.index + 1}`">
    <h3 v-if="sheets.length > 1">
      <BButton variant="bare" class="which" :aria-pressed="sheet.index === index" @click="emit('choose', sheet.index)">
        Sheet {{ sheet.index + 1 }} of {{ sheets.length }}
      </BButton>
    </h3>
    <p v-if="sheet.steps.length === 0" class="quiet">
      These parts cannot be separated with straight cuts from edge to edge. Cut round each one.
    </p>
    <ol v-else class="order" :data-testid="sheet.index === index ? 'cut-order' : undefined" :aria-label="passes">
      <li v-for="step in sheet.steps" :key="step.step">
        <span>{{ step.cut }}</span>
        <span class="quiet">{{ step.gives }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
section + section {
  margin-top: 12px;
}
h3 {
  margin: 0;
}
.which {
  font: inherit;
  padding: 0;
}
.which[aria-pressed='true'] {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.order {
  margin: 4px 0 0;
  padding-left: 24px;
}
.order li {
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
}
.order li > * {
  display: block;
  line-height: 1.3;
}
.order .quiet {
  font-size: 0.86rem;
}
</style>
