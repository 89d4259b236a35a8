<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, ref, watch } from 'vue';
import { showChange, showText } from '@spare-acre/core/base/units';
import { type LogEntry, type Logged, logCsv, logHtml, logMarkdown, totalsOf } from '@spare-acre/core/learning/logbook';
import { useBench } from '../../stores/bench';
import { useLogbook } from '../../stores/bench/logbook';
import { usePlan } from '../../stores/board/plan';
import { useLook } from '../../stores/board/useLook';
import { InTurn } from '../../ui/InTurn';
import { saveFile } from '../../ui/saveFile';
import PlotFrame from '../../ui/PlotFrame.vue';
import TabbedSheets from '../../ui/TabbedSheets.vue';
import HandPanel from './HandPanel.vue';
import MishapDesk from './MishapDesk.vue';
import TableNotes from './TableNotes.vue';
import WriteDown from './WriteDown.vue';

/** Build log: planned against real, task by task, and what that teaches. */
const store = usePlan();
const log = useLogbook();
const bench = useBench();
useLook(() => ['tasks', 'byWorkpiece']);
watch(
  () => store.boardId,
  (id) => {
    if (id !== null) void log.load(id);
  },
  { immediate: true },
);
type Sheet = 'log' | 'mishap' | 'table';
const sheet = ref<Sheet>('log');
const SHEETS = [
  { id: 'log', name: 'Log' },
  { id: 'mishap', name: 'Troubleshooting' },
  { id: 'table', name: 'After a game' },
] as const;
const totals = computed(() => totalsOf(log.entries));
/** The first moment that nothing is left to do. */
const isFinished = computed(() => {
  const tasks = store.slices.tasks ?? [];
  return tasks.length > 0 && tasks.every(({ isDone }) => isDone);
});
const pictureOf = (id: string): string => `/api/pictures/${id}`;
async function asPage(): Promise<void> {
  const ids = [...new Set(log.entries.flatMap(({ photoIds }) => photoIds))];
  const pictures = await Promise.all(
    ids.map(async (id) => {
      const file = await fetch(pictureOf(id)).then(
        (answer) => (answer.ok ? answer.blob() : null),
        () => null,
      );
      return file === null ? null : ([id, await addressOf(file)] as const);
    }),
  );
  save(logHtml(store.plan!.name, log.entries, store.showing, new Map(pictures.filter((one) => one !== null))), 'text/html', 'html');
}
const addressOf = (file: Blob): Promise<string> =>
  new Promise((done, failed) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.onerror = () => failed(reader.error as Error);
    reader.readAsDataURL(file);
  });
const isWaiting = ({ id }: LogEntry): boolean => bench.waiting.some(({ deed: { act } }) => act.kind === 'note' && act.entry.id === id);
const entries = computed(() => [...log.entries].reverse());
const asLogged = ({ name, unit, planned, real }: (typeof totals.value)[number]): Logged => ({ name, unit, planned, real, implied: null });
const text = ({ real, unit }: Logged): string => showText({ value: real, unit }, store.showing);
const apart = ({ planned, real, unit }: Logged): string => showChange(planned, real, unit, store.showing) || 'as planned';
const minutes = computed(() => log.entries.flatMap(({ figures }) => figures.filter(({ unit }) => unit === 'min')));
const data = computed(() => {
  const style = getComputedStyle(document.documentElement);
  const most = Math.max(1, ...minutes.value.flatMap(({ planned, real }) => [planned, real]));
  return [
    {
      type: 'scatter' as const,
      mode: 'lines' as const,
      name: 'as planned',
      x: [0, most],
      y: [0, most],
      line: { color: style.getPropertyValue('--rule').trim(), dash: 'dash' as const },
      hoverinfo: 'skip' as const,
    },
    {
      type: 'scatter' as const,
      mode: 'markers' as const,
      name: 'tasks',
      x: minutes.value.map(({ planned }) => planned),
      y: minutes.value.map(({ real }) => real),
      marker: { color: style.getPropertyValue('--moss').trim(), size: 9 },
    },
  ];
});
const layout = { xaxis: { title: { text: 'planned, min' } }, yaxis: { title: { text: 'actual, min' } } };
const save = (words: string, type: string, end: string): void => saveFile(new Blob([words], { type }), `${store.plan!.name} log`, end);
</script>

<template>
  <div class="bench">
    <div class="drawing scroll">
      <h2>Build log</h2>
      <TabbedSheets v-model="sheet" label="Logbook" :tabs="SHEETS" />
      <MishapDesk v-if="sheet === 'mishap'" />
      <TableNotes v-else-if="sheet === 'table'" />
      <template v-else>
        <p v-if="isFinished" data-testid="finished">
          <strong>Finished.</strong> Actual times and amounts are listed here, and your next plan uses them.
        </p>
        <InTurn><WriteDown /></InTurn>
        <p v-if="entries.length === 0" class="quiet">
          No entries yet. Add the actual time and amounts of a task to compare them with the plan. Your next plan uses them.
        </p>
        <InTurn v-else>
          <div class="deeds">
            <BButton variant="key" @click="save(logCsv(log.entries), 'text/csv', 'csv')">Export CSV</BButton>
            <BButton variant="key" @click="save(logMarkdown(store.plan!.name, log.entries, store.showing), 'text/markdown', 'md')"
              >Export Markdown</BButton
            >
            <BButton variant="key" @click="asPage">Export HTML with pictures</BButton>
            <BButton variant="key" @click="save(JSON.stringify(log.entries, null, 2), 'application/json', 'json')">Export JSON</BButton>
          </div>
          <BTableSimple v-if="totals.length > 0" class="ledger totals" data-testid="totals">
            <thead>
              <tr>
                <th scope="col">All logged</th>
                <th scope="col" class="num">Planned</th>
                <th scope="col" class="num">Actual</th>
                <th scope="col" class="num">Difference</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in totals" :key="`${row.name} ${row.unit}`">
                <td>
                  {{ row.name }} <small class="quiet">{{ row.entries }} {{ row.entries === 1 ? 'entry' : 'entries' }}</small>
                </td>
                <td class="num">{{ showText({ value: row.planned, unit: row.unit }, store.showing) }}</td>
                <td class="num">{{ text(asLogged(row)) }}</td>
                <td class="num">{{ apart(asLogged(row)) }}</td>
              </tr>
            </tbody>
          </BTableSimple>
          <PlotFrame
            v-if="minutes.length > 0"
            label="Actual minutes against planned minutes; same data as the table below"
            :data="data"
            :layout="layout"
            :height-px="260"
          />
          <BTableSimple class="ledger" data-testid="log">
            <thead>
              <tr>
                <th scope="col">Day</th>
                <th scope="col">What</th>
                <th scope="col">By</th>
                <th scope="col" class="num">Actual</th>
                <th scope="col" class="num">Difference</th>
                <th scope="col"><span class="visually-hidden">removed</span></th>
              </tr>
            </thead>
            <tbody>
              <template v-for="entry in entries" :key="entry.id">
                <tr>
                  <td>{{ entry.day }}</td>
                  <td>
                    {{ entry.name }}<small v-if="isWaiting(entry)" class="attention"> not sent yet</small
                    ><span v-if="entry.note !== ''" class="quiet said">{{ entry.note }}</span>
                    <a v-for="id in isWaiting(entry) ? [] : entry.photoIds" :key="id" :href="pictureOf(id)" target="_blank" rel="noopener"
                      ><img :src="pictureOf(id)" alt="Photo" class="photo"
                    /></a>
                  </td>
                  <td>{{ entry.who }}</td>
                  <td class="num">
                    <div v-for="figure in entry.figures" :key="figure.name">{{ text(figure) }}</div>
                  </td>
                  <td class="num">
                    <div v-for="figure in entry.figures" :key="figure.name">{{ apart(figure) }}</div>
                  </td>
                  <td>
                    <BButton
                      variant="key"
                      size="sm"
                      :aria-label="`Delete ${entry.name} of ${entry.day}`"
                      @click="log.remove(store.boardId!, entry.id)"
                      >Delete entry</BButton
                    >
                  </td>
                </tr>
              </template>
            </tbody>
          </BTableSimple>
        </InTurn>
      </template>
    </div>
    <aside class="notes" aria-label="Notes">
      <InTurn><HandPanel /></InTurn>
    </aside>
  </div>
</template>

<style scoped>
.scroll {
  overflow-y: auto !important;
  padding: 12px 26px;
}
.scroll h2 {
  font-size: 1.2rem;
}
.deeds {
  display: flex;
  gap: 6px;
  margin: 6px 0;
}
.said {
  display: block;
}
.ledger td:first-child {
  white-space: nowrap;
}
.photo {
  max-height: 90px;
  max-width: 140px;
  margin: 4px 6px 0 0;
}
.totals {
  max-width: 560px;
}
@media (max-width: 700px) {
  .ledger thead {
    display: none;
  }
  .ledger tr {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 12px;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
  }
  .ledger td {
    border: 0;
    padding: 0;
  }
  .ledger td:nth-child(2) {
    flex: 1 1 60%;
    font-weight: 500;
  }
}
</style>
