<script setup lang="ts">
import { computed } from 'vue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { type CutJob, trimCost } from '@spare-acre/core/build/cutting/job';
import { LIMITS } from '@spare-acre/core/plan/fields';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import FigureLine from '../../ui/values/FigureLine.vue';
import LengthField from '../../ui/fields/LengthField.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** What is cut off the edges of new sheets: nothing off factory-straight ones, or a length off every edge, of this job or of them all. */
const props = defineProps<{ job: CutJob }>();
const store = usePlan();
const catalogues = useCatalogue();
const cutting = computed(() => store.plan!.cutting);
const statedMm = computed(() => props.job.statedTrimMm);
const isOwn = computed(() => cutting.value.trims.some(({ jobKey }) => jobKey === props.job.key));
const isShared = computed(() => !isOwn.value && cutting.value.trims.length === 0);
const WAYS = [
  { value: 'rough', text: 'rough edges only' },
  { value: 'every', text: 'every edge' },
] as const;
const setTrim = (mm: number | null, jobKey: string | null = props.job.key): string => store.edit({ code: 'cutting/trim', jobKey, mm });
/** What the trim costs in sheets. */
const cost = computed(() => trimCost(props.job));
const usualMm = computed(() => catalogues.catalogue!.bench.sheetTrimMm.value);
</script>

<template>
  <ChoiceField
    label="Trim"
    :value="statedMm === null ? 'rough' : 'every'"
    :options="WAYS"
    @choose="(way) => setTrim(way === 'rough' ? null : usualMm)"
  />
  <LengthField
    v-if="statedMm !== null"
    label="Off every edge"
    :mm="statedMm"
    :system="store.plan!.units"
    :limits="LIMITS.trimMm"
    :take="(mm) => setTrim(mm)"
  />
  <FigureLine v-if="cost !== null" label="Sheets for the trim" :figure="cost" data-testid="trim-cost" />
  <p v-if="statedMm === null" class="quiet small">Factory-straight edges are used as they are.</p>
  <BButton v-if="!isShared" variant="key" size="sm" @click="setTrim(statedMm, null)">Use this trim for all jobs</BButton>
</template>

<style scoped>
.small {
  font-size: 0.86rem;
  line-height: 1.3;
  margin: 0;
}
</style>
