<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import { kerfFrom, kerfTest } from '@spare-acre/core/build/cutting/bench';
import { tidyMm } from '@spare-acre/core/base/rounding';
import { lengthUnit, parseLength } from '@spare-acre/core/base/units';
import FigureLine from '../../ui/values/FigureLine.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** A card for the first cuts on scrap, and what they say of the blade. */
const props = defineProps<{ job: CutJob }>();
const store = usePlan();
const catalogues = useCatalogue();
const card = computed(() => kerfTest(props.job, store.plan!.units, catalogues.catalogue!));
const typed = ref({ before: '', together: '' });
const unit = computed(() => lengthUnit(store.plan!.units));
const LIMIT = { min: 1, max: 1_000 };
const read = (text: string, label: string) => parseLength(text, label, store.plan!.units, LIMIT);
const problem = computed(() => {
  if (typed.value.before === '' || typed.value.together === '') return '';
  const [before, together] = [read(typed.value.before, 'Before'), read(typed.value.together, 'Strips together')];
  if (!before.ok) return before.problem.message;
  if (!together.ok) return together.problem.message;
  return together.value > before.value ? 'Strips together: they cannot be longer than the scrap was. Measure again.' : '';
});
const kerf = computed(() => {
  const [before, together] = [read(typed.value.before, 'Before'), read(typed.value.together, 'Strips together')];
  return problem.value === '' && before.ok && together.ok ? kerfFrom(before.value, together.value) : null;
});
function use(): void {
  const { key, tool } = props.job;
  store.edit({ code: 'cutting/tool', jobKey: key, toolId: tool.id, kerfMm: tidyMm(kerf.value!.value) }, null, 'Use the measured kerf');
}
</script>

<template>
  <section data-testid="practice">
    <h3>Kerf test, {{ job.tool.name.toLowerCase() }}</h3>
    <ol class="steps">
      <li v-for="step in card.steps" :key="step">{{ step }}</li>
    </ol>
    <p v-for="caution in card.cautions" :key="caution" class="caution">{{ caution }}</p>
    <FigureLine label="Strips together should be" :figure="card.expected" />
    <div class="measures">
      <label>Before <BFormInput v-model="typed.before" inputmode="decimal" autocomplete="off" /></label>
      <label>Strips together <BFormInput v-model="typed.together" inputmode="decimal" autocomplete="off" /></label>
      <span class="quiet">{{ unit }}</span>
    </div>
    <p v-if="problem !== ''" class="attention m-0" role="alert">{{ problem }}</p>
    <template v-if="kerf !== null">
      <FigureLine label="Measured kerf" :figure="kerf" />
      <BButton variant="key" @click="use">Use this kerf</BButton>
    </template>
  </section>
</template>

<style scoped>
.steps {
  padding-left: 20px;
  margin: 0 0 6px;
}
.steps li {
  padding: 2px 0;
  line-height: 1.3;
}
.caution {
  border-left: 3px solid var(--ochre);
  padding-left: 8px;
  margin: 4px 0;
  line-height: 1.3;
  font-size: 0.92rem;
}
</style>
