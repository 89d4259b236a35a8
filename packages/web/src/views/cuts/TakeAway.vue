<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { ref } from 'vue';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { saveFile } from '../../ui/saveFile';
import { usePlan } from '../../stores/board/plan';
import { OUTPUTS, type Output, useTakeAway } from './useTakeAway';

/** Sheets, lists and templates as files. */
const props = defineProps<{ job: CutJob; index: number }>();
const store = usePlan();
const paper = ref<'a4' | 'letter'>(store.plan!.units === 'metric' ? 'a4' : 'letter');
const { isMaking, fault, make } = useTakeAway();
const PAPERS = [
  { value: 'a4', text: 'A4' },
  { value: 'letter', text: 'Letter' },
] as const;
const outputsOf = (group: (typeof OUTPUTS)[Output]['group']) =>
  (Object.keys(OUTPUTS) as Output[]).filter((output) => OUTPUTS[output].group === group);
async function save(output: Output): Promise<void> {
  const made = await make(output, props.job, props.index, paper.value);
  if (made !== null) saveFile(made.blob, `${store.plan!.name} ${made.title}`, made.ending);
}
</script>

<template>
  <section>
    <h3>This sheet, true scale</h3>
    <div class="keys">
      <BButton v-for="output in outputsOf('sheet')" :key="output" variant="key" :disabled="isMaking" @click="save(output)">
        {{ OUTPUTS[output].text }}
      </BButton>
    </div>
  </section>
  <section>
    <h3>Cut list</h3>
    <div class="keys">
      <BButton v-for="output in outputsOf('list')" :key="output" variant="key" :disabled="isMaking" @click="save(output)">
        {{ OUTPUTS[output].text }}
      </BButton>
    </div>
  </section>
  <section>
    <h3>Paper templates</h3>
    <ChoiceField label="Paper" :value="paper" :options="PAPERS" @choose="(chosen) => (paper = chosen)" />
    <div class="keys">
      <BButton v-for="output in outputsOf('templates')" :key="output" variant="key" :disabled="isMaking" @click="save(output)">
        {{ OUTPUTS[output].text }}
      </BButton>
    </div>
    <p class="quiet small">
      Print at 100 %. Each page has a 100 mm bar: measure it before you cut. Pages overlap by 10 mm: align the crosses.
    </p>
  </section>
  <p v-if="isMaking" class="quiet" role="status">Creating the file …</p>
  <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
</template>

<style scoped>
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.small {
  font-size: 0.86rem;
  line-height: 1.3;
  margin: 6px 0 0;
}
</style>
