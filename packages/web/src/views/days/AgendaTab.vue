<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed } from 'vue';
import FigureCell from '../../ui/values/FigureCell.vue';
import { useListInTurns } from '../../ui/InTurn';
import { pageFont } from '../../ui/pageFont';
import { saveFile } from '../../ui/saveFile';
import { usePlan } from '../../stores/board/plan';

/** Evening by evening what is done, by whom, and what dries after it; on paper as well. */
const props = defineProps<{ names: ReadonlyMap<string, string> }>();
const store = usePlan();
const agenda = computed(() => store.slices.agenda ?? []);
const days = useListInTurns(() => agenda.value, 4);
const people = computed(() => store.plan!.people);
const isAlone = computed(() => people.value.length === 1);
const personName = (id: string): string => (isAlone.value ? '' : (people.value.find((person) => person.id === id)?.name ?? id));
/** Each step's cautions stand where the step is first done. */
const firstEntries = computed(() => {
  const seen = new Set<string>();
  return new Set(agenda.value.flatMap(({ entries }) => entries).filter(({ stepId }) => !seen.has(stepId) && seen.add(stepId)));
});
const stepsById = computed(() => new Map((store.slices.steps ?? []).map((step) => [step.id, step])));
const workpieceName = (id: string): string => props.names.get(id) ?? id;
async function print(): Promise<void> {
  const { agendaPdf } = await import('@spare-acre/core/io/formats');
  const stepName = (id: string): string => stepsById.value.get(id)?.name ?? id;
  const bytes = await agendaPdf(
    { boardName: store.plan!.name, agenda: agenda.value, stepName, workpieceName, personName },
    await pageFont(),
  );
  saveFile(new Blob([bytes as BlobPart], { type: 'application/pdf' }), `${store.plan!.name} evenings`, 'pdf');
}
</script>

<template>
  <BButton variant="key" class="mb-2" @click="print">Print schedule</BButton>
  <BTableSimple class="ledger stacked" responsive data-testid="agenda">
    <thead>
      <tr>
        <th scope="col">When</th>
        <th scope="col">Task</th>
        <th scope="col">Tile or piece</th>
        <th scope="col" class="num">Hands-on</th>
        <th scope="col" class="num">Drying time</th>
      </tr>
    </thead>
    <tbody v-for="day in days" :key="day.day">
      <tr class="group">
        <td colspan="5">{{ day.text }}</td>
      </tr>
      <tr v-for="(entry, i) in day.entries" :key="i">
        <td class="text-nowrap">{{ entry.fromText }}–{{ entry.toText }}</td>
        <td>
          {{ stepsById.get(entry.stepId)?.name }}
          <small v-if="!isAlone" class="who">{{ entry.people.map(personName).join(' and ') }}</small>
          <span
            v-for="caution in firstEntries.has(entry) ? (stepsById.get(entry.stepId)?.cautions ?? []) : []"
            :key="caution"
            class="caution"
            >⚠ {{ caution }}</span
          >
        </td>
        <td>{{ entry.workpieces.map(workpieceName).join(store.plan!.pieces.length === 0 ? ' ' : ', ') }}</td>
        <td class="num"><FigureCell :figure="entry.work" /></td>
        <td class="num">
          <span v-if="entry.wait === null" class="quiet">never in these conditions</span>
          <FigureCell v-else-if="entry.wait.value > 0" :figure="entry.wait" />
          <small v-if="entry.calls !== null" class="quiet"> needs attention, <FigureCell :figure="entry.calls" /></small>
        </td>
      </tr>
    </tbody>
  </BTableSimple>
</template>

<style scoped>
.caution {
  display: block;
  font-size: 0.85rem;
  color: var(--ink-soft);
  max-width: 70ch;
}
.who {
  color: var(--slate);
  white-space: nowrap;
}
@media (max-width: 700px) {
  .ledger tr:not(.group) td:nth-child(2) {
    grid-area: 2 / 1 / 3 / 3;
    font-weight: 500;
  }
  .ledger tr:not(.group) td:nth-child(3) {
    grid-area: 1 / 2 / 2 / 3;
    text-align: right;
  }
  .ledger tr:not(.group) td:nth-child(4) {
    text-align: left;
  }
  .ledger td:nth-child(4)::before {
    content: 'hands-on ';
    color: var(--ink-soft);
  }
  .ledger td:nth-child(5):not(:empty)::before {
    content: 'Drying time ';
    color: var(--ink-soft);
  }
}
</style>
