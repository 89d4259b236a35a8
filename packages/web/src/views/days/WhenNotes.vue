<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormFile } from 'bootstrap-vue-next/components/BFormFile';
import { computed, ref } from 'vue';
import { WEEKDAYS, clock, momentText, weekFrom } from '@spare-acre/core/base/dates';
import { daysOffFrom, daysOffText, spanFrom } from '@spare-acre/core/schedule/tasks';
import type { Plan } from '@spare-acre/core/plan';
import DayField from '../../ui/fields/DayField.vue';
import TextField from '../../ui/fields/TextField.vue';
import { saveFile } from '../../ui/saveFile';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import HoursField from './HoursField.vue';
import { usePlanTime } from '../../stores/board/planTime';
import { readInWorker } from '../../workers/reading';

/** Bench hours, days off, what the board is wanted for; out to a calendar and in from one. */
const store = usePlan();
const catalogues = useCatalogue();
const { nowMin, now } = usePlanTime();
const calendar = computed(() => store.plan!.calendar);
/** A task that is not done should have been begun by now. */
const behindMin = computed(() => {
  const first = store.slices.days?.firstOpenMin ?? null;
  return first !== null && first < nowMin.value && calendar.value.notBefore === null ? first : null;
});
/** Weekdays from the first day of a week in this workshop. */
const week = computed(() => weekFrom(catalogues.catalogue?.weekStartsOn ?? 1));
const setHours = (hours: Plan['calendar']['hours']): string => store.edit({ code: 'calendar/hours', hours });
function setDaysOff(typed: string): string {
  const read = daysOffFrom(typed);
  return read.ok ? store.edit({ code: 'calendar/days-off', daysOff: read.value }) : read.problem.message;
}
const setDeadline = (day: string): string => store.edit({ code: 'calendar/deadline', deadline: day === '' ? null : day });
const hoursOn = (weekday: number): string =>
  calendar.value.hours
    .filter((h) => h.weekday === weekday)
    .map(({ fromMin, toMin }) => `${clock(fromMin)}–${clock(toMin)}`)
    .join(', ');
const noise = computed(() =>
  calendar.value.noise === null ? '' : `${clock(calendar.value.noise.fromMin)}–${clock(calendar.value.noise.toMin)}`,
);
function setNoise(typed: string): string {
  if (typed.trim() === '') return store.edit({ code: 'calendar/noise', noise: null });
  const read = spanFrom(typed);
  return read.ok ? store.edit({ code: 'calendar/noise', noise: read.value }) : read.problem.message;
}
const skipped = computed(() => store.slices.days?.leftOut ?? []);
const bringBack = (taskId: string): string =>
  store.edit({ code: 'task/arrange', taskId, change: { isSkipped: false }, what: 'Restore a task' });

async function toCalendar(): Promise<void> {
  const { calendarFileOf } = await import('@spare-acre/core/io/formats');
  const { days, steps, agenda } = store.slices;
  const text = calendarFileOf({
    boardId: store.boardId!,
    boardName: store.plan!.name,
    startsOn: calendar.value.startsOn,
    agenda: agenda ?? [],
    stepName: (id) => steps?.find((step) => step.id === id)?.name ?? id,
    stamp: `${new Date().toISOString().replaceAll(/[-:]/g, '').slice(0, 15)}Z`,
    readyMin: days?.ready?.at.value ?? null,
  });
  saveFile(new Blob([text], { type: 'text/calendar' }), `${store.plan!.name} evenings`, 'ics');
}
const fault = ref('');
const chosenFile = ref<File | null>(null);
async function fromCalendar(chosen: File | readonly File[] | null): Promise<void> {
  const file = chosen instanceof File ? chosen : chosen?.[0];
  if (file == null) return;
  const text = await file.text();
  const offsetMin = -new Date().getTimezoneOffset();
  const read = await readInWorker(file, (reader) => reader.busyFrom(text, calendar.value.startsOn, offsetMin)).catch(
    (error: Error) => error.message,
  );
  if (typeof read === 'string') fault.value = read;
  else fault.value = read.ok ? store.edit({ code: 'calendar/busy', busy: read.value }) : `${file.name}: ${read.problem.message}`;
  chosenFile.value = null;
}
</script>

<template>
  <section v-if="behindMin !== null" class="behind" data-testid="behind">
    <p>Work planned for {{ momentText(calendar.startsOn, behindMin) }} is not marked done. Mark what is done, then reschedule the rest.</p>
    <BButton size="sm" variant="key" @click="store.edit({ code: 'calendar/replan', notBefore: now })">Reschedule from now</BButton>
  </section>
  <section v-if="calendar.notBefore !== null">
    <p>
      Rescheduled from {{ calendar.notBefore.day }}, {{ clock(calendar.notBefore.atMin) }}.
      <BButton size="sm" variant="key" @click="store.edit({ code: 'calendar/replan', notBefore: null })">From the first day</BButton>
      <BButton size="sm" variant="key" @click="store.edit({ code: 'calendar/replan', notBefore: now })">From now</BButton>
    </p>
  </section>
  <section>
    <h3>Bench hours</h3>
    <DayField label="First day" :value="calendar.startsOn" :take="(startsOn) => store.edit({ code: 'calendar/first-day', startsOn })" />
    <HoursField
      v-for="weekday in week"
      :key="weekday"
      :label="WEEKDAYS[weekday - 1]!"
      :weekday="weekday"
      :text="hoursOn(weekday)"
      :hours="calendar.hours"
      :take="setHours"
    />
    <TextField label="Days off" :value="daysOffText(calendar.daysOff)" :take="setDaysOff" />
    <DayField label="Needed by" :value="calendar.deadline ?? ''" :take="setDeadline" />
    <TextField label="Noise allowed between" :value="noise" :take="setNoise" />
  </section>
  <section v-if="skipped.length > 0">
    <h3>Skipped tasks</h3>
    <p v-for="{ taskId, label } in skipped" :key="taskId">
      {{ label }} <BButton size="sm" variant="key" @click="bringBack(taskId)">Restore</BButton>
    </p>
  </section>
  <section>
    <h3>Calendar</h3>
    <BButton variant="key" @click="toCalendar">Export calendar (ICS)</BButton>
    <p class="quiet">Importing the file again updates the entries without duplicates. Each session has one reminder.</p>
    <BFormFile
      v-model="chosenFile"
      label="Busy times from a calendar file (ICS)"
      accept=".ics,text/calendar"
      @update:model-value="fromCalendar"
    />
    <p v-if="fault !== ''" role="alert">{{ fault }}</p>
    <p v-if="calendar.busy.length > 0" data-testid="busy">
      {{ calendar.busy.length }} busy {{ calendar.busy.length === 1 ? 'time' : 'times' }}
      <BButton size="sm" variant="key" @click="store.edit({ code: 'calendar/busy', busy: [] })">Remove them</BButton>
    </p>
  </section>
</template>

<style scoped>
.behind {
  border-left: 3px solid var(--clay);
  padding-left: 8px;
}
</style>
