<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormFile } from 'bootstrap-vue-next/components/BFormFile';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { BFormTextarea } from 'bootstrap-vue-next/components/BFormTextarea';
import { v4 as uuid } from 'uuid';
import { computed, ref } from 'vue';
import type { AirAt } from '@spare-acre/core/schedule/air';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { type Quantity, parseNumber, showText } from '@spare-acre/core/base/units';
import type { Logged } from '@spare-acre/core/learning/logbook';
import { airNow, newEntry } from '../../stores/workshop/new-entry';
import { driedAs, loggedAs } from '../../stores/workshop/readings';
import { useLogbook } from '../../stores/bench/logbook';
import { usePlan } from '../../stores/board/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { useOnce } from '../../ui/useOnce';

/** What a task really took: its minutes, and what of one thing was used on its workpiece. */
const store = usePlan();
const log = useLogbook();
const typed = ref({ taskId: '', minutes: '', supplyId: '', amount: '', dryH: '', airC: '', humidityPct: '', who: '', note: '' });
const photos = ref<File[]>([]);
const problem = ref('');
const tasks = computed(() => {
  const byId = new Map((store.slices.tasks ?? []).map((task) => [task.taskId, task]));
  return [...byId.values()].sort((a, b) => Number(b.isDone) - Number(a.isDone));
});
const task = computed(() => tasks.value.find(({ taskId }) => taskId === typed.value.taskId) ?? null);
const taskOptions = computed(() => [
  { value: '', text: 'no task, only a note' },
  ...tasks.value.map(({ taskId, work, isDone }) => ({ value: taskId, text: isDone ? `✓ ${work.label}` : work.label })),
]);
/** What goes into the workpiece, and is weighed or measured out. */
const takes = computed(() => {
  const own = store.slices.byWorkpiece?.find(({ workpieceId }) => workpieceId === task.value?.workpieceId);
  return own?.rows.filter(({ group }) => group !== 'sheets') ?? [];
});
const taken = computed(() => takes.value.find(({ supplyId }) => supplyId === typed.value.supplyId) ?? null);
const people = computed(() => store.plan!.people.map(({ name }) => ({ value: name, text: name })));
const who = computed(() => (typed.value.who === '' ? (people.value[0]?.value ?? '') : typed.value.who));
const shown = (value: number): string => String(value).replace('-', '−');
const planned = (figure: Quantity): string => `planned ${showText(figure, store.showing)}`;

/** A figure as it came out; null where nothing was typed. @throws Error with what is wrong */
async function logged(name: string, figure: Quantity, words: string): Promise<Logged | null> {
  if (words.trim() === '') return null;
  const read = parseNumber(words, name, figure.unit, { min: 0.01, max: 1e6 });
  if (!read.ok) throw new Error(read.problem.message);
  return loggedAs(name, figure, read.value);
}
/** How long it really took until it felt dry. @throws Error with what is wrong */
async function dryAfter(wait: Quantity<'min'>, words: string): Promise<Logged | null> {
  if (words.trim() === '') return null;
  const read = parseNumber(words, 'Touch-dry after', 'h', { min: 0.01, max: 10_000 });
  if (!read.ok) throw new Error(read.problem.message);
  return driedAs(wait, read.value * 60);
}
const on = computed(() => task.value?.workpieceId ?? null);
/** As the plan or a thermo-hygrometer has it, unless somebody looked. */
const air = computed(() => airNow(on.value));
/** @throws Error with what is wrong */
function airTyped(): AirAt {
  const read = (words: string, name: string, unit: '°C' | '%', limits: { min: number; max: number }, known: number): number => {
    if (words.trim() === '') return known;
    const parsed = parseNumber(words, name, unit, limits);
    if (!parsed.ok) throw new Error(parsed.problem.message);
    return parsed.value;
  };
  const { airC, humidityPct } = typed.value;
  return {
    airC: read(airC, 'Temperature', '°C', LIMITS.airC, air.value.airC),
    humidityPct: read(humidityPct, 'Humidity', '%', LIMITS.humidityPct, air.value.humidityPct),
  };
}
const { isBusy, run: write } = useOnce(async () => {
  problem.value = '';
  const { taskId, minutes, amount, dryH, note } = typed.value;
  try {
    const figures = [
      task.value === null ? null : await logged('Minutes', task.value.work, minutes),
      taken.value === null ? null : await logged(taken.value.name, taken.value.need, amount),
      task.value?.wait == null ? null : await dryAfter(task.value.wait, dryH),
    ].filter((one) => one !== null);
    if (figures.length === 0 && note.trim() === '' && photos.value.length === 0)
      return void (problem.value = 'Enter a time, an amount or a note.');
    const name = task.value?.work.label ?? 'Note';
    const files = photos.value.map((file) => ({ id: uuid(), file }));
    const photoIds = files.map(({ id }) => id);
    log.add(newEntry({ taskId: taskId || null, name, who: who.value, figures, note, photoIds, air: airTyped() }, on.value), files);
    photos.value = [];
    if (log.fault === '')
      typed.value = { ...typed.value, minutes: '', supplyId: '', amount: '', dryH: '', airC: '', humidityPct: '', note: '' };
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
});
</script>

<template>
  <form class="write" aria-label="Add entry" @submit.prevent="write">
    <ChoiceField label="Task" :value="typed.taskId" :options="taskOptions" @choose="(id) => (typed.taskId = id)" />
    <template v-if="task !== null">
      <label>Actual time <BFormInput v-model="typed.minutes" inputmode="decimal" autocomplete="off" /> min</label>
      <span class="quiet">{{ planned(task.work) }}</span>
      <template v-if="task.wait !== null">
        <label>Touch-dry after <BFormInput v-model="typed.dryH" inputmode="decimal" autocomplete="off" /> h</label>
        <span class="quiet">{{ planned(task.wait) }}</span>
      </template>
      <ChoiceField
        v-if="takes.length > 0"
        label="Material"
        :value="typed.supplyId"
        :options="[{ value: '', text: 'no amount' }, ...takes.map(({ supplyId, name }) => ({ value: supplyId, text: name }))]"
        @choose="(id) => (typed.supplyId = id)"
      />
      <template v-if="taken !== null">
        <label>Used <BFormInput v-model="typed.amount" inputmode="decimal" autocomplete="off" /> {{ taken.need.unit }}</label>
        <span class="quiet">{{ planned(taken.need) }} on {{ task.workpieceId }}</span>
      </template>
    </template>
    <ChoiceField v-if="people.length > 1" label="By" :value="who" :options="people" @choose="(name) => (typed.who = name)" />
    <label>Temperature <BFormInput v-model="typed.airC" inputmode="decimal" autocomplete="off" :placeholder="shown(air.airC)" /> °C</label>
    <label
      >Humidity
      <BFormInput v-model="typed.humidityPct" inputmode="decimal" autocomplete="off" :placeholder="shown(air.humidityPct)" /> %</label
    >
    <label class="note">Note <BFormTextarea v-model="typed.note" rows="2" maxlength="2000" /></label>
    <BFormFile v-model="photos" class="photos" multiple accept="image/png,image/jpeg" label="Photos" />
    <BButton type="submit" variant="primary" :disabled="isBusy">Add entry</BButton>
  </form>
  <p v-if="problem !== '' || log.fault !== ''" class="attention" role="alert">{{ problem || log.fault }}</p>
</template>

<style scoped>
.write {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
  margin: 10px 0;
}
.write label {
  display: flex;
  gap: 6px;
  align-items: center;
}
.write label :deep(input) {
  width: 90px;
}
.note {
  flex: 1 1 320px;
}
.photos {
  flex: 0 1 260px;
}
</style>
