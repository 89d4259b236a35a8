<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useElementSize } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { cutSteps, listedParts } from '@spare-acre/core/build/cutting/bench';
import { isCut, withOpen } from '@spare-acre/core/build/cutting/job';
import { isNew } from '@spare-acre/core/build/cutting/nesting';
import { lengthText, lengthUnit, lengthUnitName } from '@spare-acre/core/base/units';
import TabbedSheets from '../../ui/TabbedSheets.vue';
import ViewWarnings from '../../ui/ViewWarnings.vue';
import { usePlan } from '../../stores/board/plan';
import { useLook } from '../../stores/board/useLook';
import BestOffer from './BestOffer.vue';
import CutOrderList from './CutOrderList.vue';
import HandBar from './HandBar.vue';
import JobPanel from './JobPanel.vue';
import KerfTestPanel from './KerfTestPanel.vue';
import RackPanel from './RackPanel.vue';
import SheetDrawing from './SheetDrawing.vue';
import TakeAway from './TakeAway.vue';
import { useBetterLayout } from './useBetterLayout';
import { useByHand } from './useByHand';
import { useFitOffers } from './useFitOffers';

const store = usePlan();
useLook(() => ['jobs']);
const jobs = computed(() => store.slices.jobs ?? []);
const chosen = ref({ key: '', index: 0 });
const job = computed(() => jobs.value.find(({ key }) => key === chosen.value.key) ?? jobs.value[0] ?? null);
const jobKey = computed({ get: () => job.value?.key ?? '', set: (key) => (chosen.value = { key, index: 0 }) });
const jobTabs = computed(() => jobs.value.map(({ key, name, layout }) => ({ id: key, name, count: layout.sheets.length })));
const better = useBetterLayout(job);
const hand = useByHand(job);
const fit = useFitOffers();
/** The job as the search has it just now, or as the hand left it. */
const shown = computed(() => {
  const live = better.progress.value;
  return job.value === null || live === null ? hand.job.value : withOpen(job.value, live.layout);
});
const LISTS = [
  { id: 'cuts', name: 'Cuts' },
  { id: 'parts', name: 'Parts' },
  { id: 'job', name: 'Job' },
  { id: 'rack', name: 'Rack' },
  { id: 'practice', name: 'Kerf test' },
  { id: 'files', name: 'Files' },
] as const;
const listed = ref<(typeof LISTS)[number]['id']>('cuts');
const index = computed(() => Math.min(chosen.value.index, (shown.value?.layout.sheets.length ?? 1) - 1));
watch(
  jobs,
  (now) => {
    if (!now.some(({ key }) => key === chosen.value.key)) chosen.value = { key: now[0]?.key ?? '', index: 0 };
  },
  { immediate: true },
);

const rows = computed(() => (shown.value === null || index.value < 0 ? [] : listedParts(shown.value, index.value)));
const unit = computed(() => lengthUnit(store.plan!.units));
const unitName = computed(() => lengthUnitName(store.plan!.units));
const length = (mm: number): string => lengthText(mm, store.plan!.units);
const sheetText = computed(() => {
  const sheet = shown.value?.layout.sheets[index.value];
  if (sheet === undefined) return '';
  const { stock } = sheet;
  const what = `${isNew(stock) ? 'new' : 'offcut from the rack'}${isCut(sheet) ? ', cut' : ''}`;
  return `${length(stock.widthMm)} × ${length(stock.depthMm)} ${unit.value}, ${what}; ${shown.value!.tool.name.toLowerCase()}, kerf ${length(shown.value!.kerfMm)} ${unit.value}`;
});
/** A sheet that is cut stays as it is. */
const isDone = computed(() => index.value >= 0 && shown.value !== null && isCut(shown.value.layout.sheets[index.value]!));
const frame = ref<HTMLElement | null>(null);
const { width, height } = useElementSize(frame);
</script>

<template>
  <div class="bench cuts">
    <div class="drawing rows">
      <p v-if="jobs.length === 0 && store.slices.jobs !== undefined" class="quiet p-4">Nothing to cut yet. Add a table or a piece first.</p>
      <TabbedSheets v-model="jobKey" label="Materials" :tabs="jobTabs">
        <div ref="frame" class="large">
          <template v-if="shown !== null && index >= 0">
            <h2>Sheet {{ index + 1 }} of {{ shown.layout.sheets.length }}, {{ shown.name }}</h2>
            <p class="quiet under">{{ sheetText }}</p>
            <SheetDrawing
              :job="shown"
              :index="index"
              :width-px="Math.max(100, width - 8)"
              :height-px="Math.max(80, height - 58)"
              :hand="better.isRunning.value || isDone ? undefined : hand"
              :steps="listed === 'cuts' ? cutSteps(shown, index) : []"
              is-large
            />
          </template>
          <p v-else-if="job !== null" class="attention">No part of {{ job.name }} fits a sheet.</p>
        </div>
        <HandBar
          v-if="shown !== null && index >= 0 && !isDone && !better.isRunning.value"
          :job="shown"
          :index="index"
          :hand="hand"
          @carried="(to) => (chosen = { key: shown!.key, index: to })"
        />
        <div v-if="shown !== null && shown.layout.sheets.length > 1" class="strip">
          <BButton
            v-for="(sheet, i) in shown.layout.sheets"
            :key="i"
            variant="bare"
            class="small"
            :aria-pressed="i === index"
            :aria-label="`Sheet ${i + 1}${isCut(sheet) ? ', cut' : ''}`"
            @click="chosen = { key: shown.key, index: i }"
          >
            <span>Sheet {{ i + 1 }}<template v-if="isCut(sheet)"> ✓ cut</template></span>
            <SheetDrawing :job="shown" :index="i" :width-px="140" :height-px="72" :is-large="false" />
          </BButton>
        </div>
      </TabbedSheets>
    </div>
    <aside class="notes" aria-label="Notes">
      <h2>Cut list, sheet {{ index + 1 }}</h2>
      <TabbedSheets v-model="listed" label="Lists" :tabs="LISTS">
        <ViewWarnings view="cuts" />
        <BestOffer v-if="listed !== 'job'" :fit="fit" @look="listed = 'job'" />
        <template v-if="shown !== null && job !== null && index >= 0">
          <template v-if="listed === 'cuts'">
            <p class="sub">
              Each cut is measured from the left or top edge of the piece you are cutting, in {{ unitName }};
              {{ shown.passes.value === 1 ? 'one pass' : `${shown.passes.value} passes` }}
            </p>
            <CutOrderList :job="shown" :index="index" @choose="(to) => (chosen = { key: shown!.key, index: to })" />
          </template>
          <template v-else-if="listed === 'parts'">
            <p class="sub">Equal parts once; distances from the left and top edge of the sheet, in {{ unitName }}</p>
            <BTableSimple class="ledger mt-2" data-testid="cut-list">
              <thead>
                <tr>
                  <th scope="col">Part</th>
                  <th scope="col" class="num">Size</th>
                  <th scope="col" class="num">Left</th>
                  <th scope="col" class="num">Top</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="{ rows: own, name, numbers, marks, segments, at } in rows" :key="own[0]!.part.id">
                  <td>
                    <b class="attention">{{ numbers }}</b> {{ own.length > 1 ? `${own.length} × ` : '' }}{{ name }}
                    <span v-if="marks !== ''" class="quiet d-block">{{ marks }}</span>
                    <span v-for="segment in segments" :key="segment.name" class="quiet d-block">
                      {{ segment.strips > 1 ? `from each of ${segment.strips} strips` : 'from the strip' }}, when glued and dry:
                      {{ segment.count }} × {{ segment.name }}, {{ length(segment.lengthMm) }}
                    </span>
                  </td>
                  <td class="num">{{ length(own[0]!.widthMm) }}×{{ length(own[0]!.depthMm) }}</td>
                  <td class="num">{{ at === null ? '' : length(at.leftMm) }}</td>
                  <td class="num">{{ at === null ? '' : length(at.topMm) }}</td>
                </tr>
              </tbody>
            </BTableSimple>
          </template>
          <RackPanel v-else-if="listed === 'rack'" :job="job" :index="index" />
          <KerfTestPanel v-else-if="listed === 'practice'" :key="job.key" :job="job" />
          <TakeAway v-else-if="listed === 'files'" :job="shown" :index="index" />
        </template>
        <JobPanel
          v-if="job !== null && (listed === 'job' || index < 0)"
          :key="job.key"
          :job="job"
          :index="index"
          :better="better"
          :fit="fit"
        />
      </TabbedSheets>
    </aside>
  </div>
</template>

<style scoped>
@media (min-width: 901px) {
  .cuts {
    grid-template-columns: minmax(0, 1fr) 390px;
  }
}
.rows {
  display: flex;
  flex-direction: column;
  padding: 12px 18px;
  gap: 8px;
}
.strip {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  flex: none;
}
.large {
  flex: 1 1 auto;
  min-height: 0;
  overflow: hidden;
}
.large h2 {
  font-size: 1.08rem;
}
.large p {
  margin: 0 0 6px;
}
.strip {
  flex-wrap: nowrap;
  overflow-x: auto;
}
.small {
  all: unset;
  cursor: pointer;
  padding: 4px;
  border: 1px solid transparent;
  font-size: 0.86rem;
}
.small span {
  display: block;
}
.small[aria-pressed='true'] {
  border-color: var(--ink);
}
.small:focus-visible {
  outline: 2px solid var(--slate);
}
</style>
