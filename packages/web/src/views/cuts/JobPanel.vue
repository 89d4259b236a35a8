<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { type CutJob, boundFigure, optimalityOf } from '@spare-acre/core/build/cutting/job';
import { isPieceOf } from '@spare-acre/core/build/cutting/parts';
import { isNew } from '@spare-acre/core/build/cutting/nesting';
import { sheetLabour, toolLimits } from '@spare-acre/core/build/cutting/bench';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { lengthWords, showText } from '@spare-acre/core/base/units';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import FigureLine from '../../ui/values/FigureLine.vue';
import TickField from '../../ui/fields/TickField.vue';
import LengthField from '../../ui/fields/LengthField.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import EdgeTrim from './EdgeTrim.vue';
import EqualParts from './EqualParts.vue';
import FitOffers from './FitOffers.vue';
import SheetsHad from './SheetsHad.vue';
import type { BetterLayout } from './useBetterLayout';
import type { FitOffers as Fit } from './useFitOffers';

/** How one job is cut, what it takes, and how near its layout is to what no layout can beat. */
const props = defineProps<{ job: CutJob; index: number; better: BetterLayout; fit: Fit }>();
const store = usePlan();
const catalogues = useCatalogue();
const work = computed(() =>
  props.index >= 0 && props.index < props.job.layout.sheets.length ? sheetLabour(props.job, props.index, catalogues.catalogue!) : null,
);
const proof = computed(() => optimalityOf(props.job));
const PROOFS = {
  search: 'every layout of these parts was checked.',
  area: 'the parts need at least this much area.',
  clashes: 'some parts cannot share a sheet, and they alone need this much.',
} as const;
/** What a proof holds for: other sizes, another blade or another trim may still save a sheet. */
const under = computed(() => {
  const { kerfMm, statedTrimMm } = props.job;
  const trim = statedTrimMm === null ? 'rough edges trimmed' : `trim ${lengthWords(statedTrimMm, store.plan!.units)}`;
  return `Best possible for these parts, kerf ${lengthWords(kerfMm, store.plan!.units)}, ${trim}:`;
});
const limits = computed(() => toolLimits(props.job.tool));
const AIMS = [
  { value: 'cheapest', text: 'lowest cost' },
  { value: 'fewest', text: 'fewest sheets' },
] as const;
const live = computed(() => props.better.progress.value);
const bound = computed(
  () =>
    `no layout ${props.job.aim === 'cheapest' ? 'costs' : 'needs'} less than ${showText(boundFigure(props.job, live.value!.bound), store.showing)}`,
);
const newSheets = computed(() => live.value!.layout.sheets.filter(({ stock }) => isNew(stock)).length);

/** Parts of this job that are cut in pieces, by the part they make together. */
const splits = computed(() => {
  const wholes = new Map(props.job.parts.filter(isPieceOf).map(({ wholeId, wholeName }) => [wholeId, wholeName]));
  const laid = new Set(props.job.laidSplits.map(({ wholeId }) => wholeId));
  const saving = new Set(props.job.savingSplits.map(({ wholeId }) => wholeId));
  return [...wholes].map(([key, name]) => ({ key, name, isLaid: laid.has(key), isSaving: saving.has(key) }));
});
/** Parts that are not to be joined, though it would save sheets. */
const kept = computed(() => {
  const ids = store.plan!.cutting.keptWhole;
  return props.job.parts
    .filter(({ wholeId }) => ids.includes(wholeId))
    .map(({ wholeId, wholeName }) => ({ key: wholeId, name: wholeName }));
});
const keepWhole = (wholeId: string, isKept: boolean): string => store.edit({ code: 'part/keep', wholeId, isKept });
const makeWhole = (wholeId: string): string => store.edit({ code: 'part/whole', wholeId });

/** Another tool takes another kerf. */
function setTool(change: { readonly toolId: string } | { readonly kerfMm: number | null }): string {
  const { key, tool } = props.job;
  const present = store.plan!.cutting.tools.find(({ jobKey }) => jobKey === key)?.toolId ?? tool.id;
  const own = 'toolId' in change ? { toolId: change.toolId, kerfMm: null } : { toolId: present, kerfMm: change.kerfMm };
  return store.edit({ code: 'cutting/tool', jobKey: key, ...own });
}
</script>

<template>
  <section>
    <h3>Cutting method</h3>
    <ChoiceField
      label="Tool"
      :value="job.tool.id"
      :options="job.tools.map(({ id, name }) => ({ value: id, text: name }))"
      @choose="(toolId) => setTool({ toolId })"
    />
    <FigureLine v-for="limit in limits" :key="limit.label" :label="limit.label" :figure="limit" />
    <LengthField
      label="Kerf"
      :mm="job.kerfMm"
      :system="store.plan!.units"
      :limits="LIMITS.kerfMm"
      :take="(kerfMm) => setTool({ kerfMm })"
    />
    <EdgeTrim :job="job" />
    <ChoiceField
      label="Optimise for"
      :value="store.plan!.cutting.aim"
      :options="AIMS"
      @choose="(aim) => store.edit({ code: 'cutting/aim', aim })"
    />
    <p class="quiet small">
      {{
        job.tool.cuts === 'free'
          ? 'Cuts along any outline. Parts may fit into each other’s hollows.'
          : 'Straight cuts from edge to edge. Make them in order and every part comes free.'
      }}
    </p>
  </section>
  <section>
    <h3>{{ job.name }}</h3>
    <div class="better">
      <BButton v-if="!better.isRunning.value" variant="key" @click="better.start()">Search for a better layout</BButton>
      <BButton v-else variant="key" @click="better.stop()">Stop</BButton>
      <span v-if="live !== null" class="quiet" role="status" data-testid="layout-progress">
        {{ newSheets }} new {{ newSheets === 1 ? 'sheet' : 'sheets' }},
        {{ live.isProven ? 'best possible; looking for the largest offcut' : bound }}
      </span>
    </div>
    <p v-if="better.outcome.value !== ''" class="quiet m-0" role="status" data-testid="layout-outcome">{{ better.outcome.value }}</p>
    <p v-if="better.fault.value !== ''" class="attention m-0" role="alert">{{ better.fault.value }}</p>
    <FigureLine label="New sheets" :figure="job.sheetCount" />
    <FigureLine v-if="job.offcutCount.value > 0" label="Offcuts from the rack" :figure="job.offcutCount" />
    <FigureLine label="Fewest possible" :figure="job.fewest" />
    <FigureLine label="Cost" :figure="job.cost" />
    <FigureLine label="Lowest possible cost" :figure="job.cheapest" />
    <p v-if="proof.how !== null" class="quiet m-0" data-testid="proof">{{ under }} {{ PROOFS[proof.how] }}</p>
    <FigureLine v-else label="Possible saving, at most" :figure="proof.gap" />
    <FigureLine label="Yield" :figure="job.used" />
  </section>
  <EqualParts :job="job" />
  <FitOffers :fit="fit" />
  <SheetsHad :job="job" />
  <section v-if="splits.length + kept.length > 0" data-testid="joined-parts">
    <h3>Joined parts</h3>
    <template v-for="split in splits" :key="split.key">
      <TickField v-if="split.isSaving" :label="split.name" is-on @toggle="keepWhole(split.key, true)" />
      <div v-else class="line">
        <span>{{ split.name }}</span>
        <span v-if="split.isLaid" class="quiet">does not fit on any sheet</span>
        <BButton v-else variant="key" @click="makeWhole(split.key)">Undo split</BButton>
      </div>
    </template>
    <TickField v-for="part in kept" :key="part.key" :label="part.name" :is-on="false" @toggle="keepWhole(part.key, false)" />
    <p v-if="splits.some(({ isSaving }) => isSaving) || kept.length > 0" class="quiet small">
      A ticked part is joined of several because that saves sheets. Untick it to keep it whole; “Join a part of several” above decides for
      all.
    </p>
  </section>
  <section v-if="work !== null">
    <h3>This sheet</h3>
    <FigureLine label="To cut" :figure="work.length" />
    <FigureLine label="Blade passes" :figure="job.passes" />
    <FigureLine v-if="work.edges !== null" label="Fresh edges" :figure="work.edges" />
    <FigureLine label="Marking and cutting" :figure="work.minutes" />
    <FigureLine v-if="work.shop !== null" label="Cutting price at the shop" :figure="work.shop" />
  </section>
  <section>
    <h3>Whole board</h3>
    <FigureLine v-if="store.slices.counts !== undefined" label="New sheets" :figure="store.slices.counts.sheets" />
  </section>
</template>

<style scoped>
.better {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: baseline;
  margin: 6px 0;
}
.small {
  font-size: 0.86rem;
  line-height: 1.3;
  margin: 4px 0 0;
}
</style>
