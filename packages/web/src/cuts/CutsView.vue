<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { cutList } from '@spare-acre/core/cutting';
import { LIMITS } from '@spare-acre/core/plan';
import { lengthText } from '@spare-acre/core/units';
import FigureLine from '../figures/FigureLine.vue';
import LengthField from '../figures/LengthField.vue';
import ViewWarnings from '../frame/ViewWarnings.vue';
import { usePlan } from '../stores/plan';
import CutOrderList from './CutOrderList.vue';
import { saveFile } from '../frame/saveFile';
import SheetDrawing from './SheetDrawing.vue';
import { useBetterLayout } from './useBetterLayout';

const store = usePlan();
const jobs = computed(() => store.derivation?.jobs ?? []);
const chosen = ref({ key: '', index: 0 });
const job = computed(() => jobs.value.find(({ key }) => key === chosen.value.key) ?? jobs.value[0] ?? null);
const better = useBetterLayout(job);
/** The job as the search has it just now, or as it stands. */
const shown = computed(() => {
  const live = better.progress.value;
  return job.value === null || live === null ? job.value : { ...job.value, layout: live.layout };
});
const listed = ref<'cuts' | 'parts'>('cuts');
const index = computed(() => Math.min(chosen.value.index, (shown.value?.layout.sheets.length ?? 1) - 1));
watch(
  jobs,
  (now) => {
    if (!now.some(({ key }) => key === chosen.value.key)) chosen.value = { key: now[0]?.key ?? '', index: 0 };
  },
  { immediate: true },
);

const rows = computed(() => (shown.value === null || index.value < 0 ? [] : cutList(shown.value, index.value)));
const system = computed(() => store.plan!.units);
const unit = computed(() => (system.value === 'metric' ? 'mm' : 'in'));
const length = (mm: number): string => lengthText(mm, system.value);
const sheetText = computed(() => {
  const sheet = job.value?.sheet;
  return sheet === null || sheet === undefined
    ? 'not stocked'
    : `${length(sheet.widthMm)} × ${length(sheet.depthMm)} ${unit.value}, ${job.value!.tool.name.toLowerCase()}, kerf ${length(job.value!.rule.kerfMm)} ${unit.value}`;
});
/** The sheet on show as a drawing at true scale. */
async function save(kind: 'svg' | 'dxf'): Promise<void> {
  const { sheetDxf, sheetSvg } = await import('@spare-acre/core/formats');
  const text = (kind === 'svg' ? sheetSvg : sheetDxf)(shown.value!, index.value);
  saveFile(new Blob([text]), `${store.plan!.name} ${shown.value!.name} sheet ${index.value + 1}`, kind);
}
const frame = ref<HTMLElement | null>(null);
const { width, height } = useElementSize(frame);
</script>

<template>
  <div class="bench cuts">
    <div class="drawing rows">
      <div class="jobs" role="tablist" aria-label="Materials">
        <button
          v-for="each in jobs"
          :key="each.key"
          type="button"
          class="key"
          role="tab"
          :aria-selected="each === job"
          @click="chosen = { key: each.key, index: 0 }"
        >
          {{ each.name }} <kbd>{{ each.layout.sheets.length }}</kbd>
        </button>
      </div>
      <p v-if="jobs.length === 0 && store.derivation !== null" class="quiet p-4">Nothing to cut yet: lay out a table first.</p>
      <div ref="frame" class="large">
        <template v-if="shown !== null && index >= 0">
          <h2>Sheet {{ index + 1 }} of {{ shown.layout.sheets.length }}, {{ shown.name }}</h2>
          <p class="quiet under">
            {{ sheetText }}
            <button v-for="kind in ['svg', 'dxf'] as const" :key="kind" type="button" class="key" @click="save(kind)">
              Save as {{ kind.toUpperCase() }}
            </button>
          </p>
          <SheetDrawing :job="shown" :index="index" :width-px="Math.max(100, width - 8)" :height-px="Math.max(80, height - 62)" is-large />
        </template>
        <p v-else-if="job !== null" class="attention">No part of {{ job.name }} fits a sheet.</p>
      </div>
      <div v-if="shown !== null && shown.layout.sheets.length > 1" class="strip">
        <button
          v-for="(_, i) in shown.layout.sheets"
          :key="i"
          type="button"
          class="small"
          :aria-pressed="i === index"
          :aria-label="`Sheet ${i + 1}`"
          @click="chosen = { key: shown.key, index: i }"
        >
          <span>Sheet {{ i + 1 }}</span>
          <SheetDrawing :job="shown" :index="i" :width-px="150" :height-px="84" :is-large="false" />
        </button>
      </div>
    </div>
    <aside class="notes" aria-label="Notes">
      <h2>Cut list, sheet {{ index + 1 }}</h2>
      <div class="lists" role="tablist" aria-label="Lists">
        <button type="button" class="key" role="tab" :aria-selected="listed === 'cuts'" @click="listed = 'cuts'">Cuts in order</button>
        <button type="button" class="key" role="tab" :aria-selected="listed === 'parts'" @click="listed = 'parts'">Parts</button>
      </div>
      <p class="sub">
        {{
          listed === 'cuts'
            ? 'each from the left or the top edge of the piece in hand'
            : 'every distance from the left edge and the top edge of the sheet'
        }}, {{ unit }}
      </p>
      <ViewWarnings view="cuts" />
      <CutOrderList v-if="listed === 'cuts' && shown !== null && index >= 0" :job="shown" :index="index" />
      <table v-if="listed === 'parts' && rows.length > 0" class="ledger mt-2" data-testid="cut-list">
        <thead>
          <tr>
            <th scope="col">part</th>
            <th scope="col" class="num">size</th>
            <th scope="col" class="num">left</th>
            <th scope="col" class="num">top</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.part.id">
            <td>
              <b class="attention">{{ row.number }}</b> {{ row.part.name }}
            </td>
            <td class="num">{{ length(row.widthMm) }}×{{ length(row.depthMm) }}</td>
            <td class="num">{{ length(row.leftMm) }}</td>
            <td class="num">{{ length(row.topMm) }}</td>
          </tr>
        </tbody>
      </table>
      <section v-if="job !== null" :key="job.key">
        <h3>{{ job.name }}</h3>
        <div class="better">
          <button v-if="!better.isRunning.value" type="button" class="key" @click="better.start()">Search for a better layout</button>
          <button v-else type="button" class="key" @click="better.stop()">Stop</button>
          <span v-if="better.progress.value !== null" class="quiet" role="status" data-testid="layout-progress">
            {{ better.progress.value.layout.sheets.length }} sheets,
            {{
              better.progress.value.isProven
                ? 'proven fewest; looking for the largest rest'
                : `no plan under ${better.progress.value.bound}`
            }}
          </span>
        </div>
        <p v-if="better.outcome.value !== ''" class="quiet m-0" role="status" data-testid="layout-outcome">{{ better.outcome.value }}</p>
        <p v-if="better.fault.value !== ''" class="attention m-0" role="alert">{{ better.fault.value }}</p>
        <FigureLine label="Sheets" :figure="job.sheetCount" />
        <FigureLine label="No plan can use fewer than" :figure="job.fewest" />
        <FigureLine label="Becomes parts" :figure="job.used" />
        <FigureLine label="Passes of the blade" :figure="job.passes" />
        <FigureLine label="Cost" :figure="job.cost" />
      </section>
      <section>
        <h3>Whole job</h3>
        <FigureLine v-if="store.derivation !== null" label="Sheets" :figure="store.derivation.tally.sheets" />
        <LengthField
          label="Trim off every edge"
          :mm="store.plan!.cutting.trimMm"
          :system="system"
          :limits="LIMITS.trimMm"
          :take="(mm) => store.edit('Set the trim', (draft) => void (draft.cutting.trimMm = mm))"
        />
      </section>
    </aside>
  </div>
</template>

<style scoped>
.cuts {
  grid-template-columns: minmax(0, 1fr) 390px;
}
.rows {
  display: flex;
  flex-direction: column;
  padding: 12px 18px;
  gap: 10px;
}
.lists,
.better {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: baseline;
  margin: 6px 0;
}
.jobs,
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
.under {
  display: flex;
  align-items: baseline;
  gap: 8px;
}
.under button:first-of-type {
  margin-left: auto;
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
