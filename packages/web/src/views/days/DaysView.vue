<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed } from 'vue';
import { tilesOf } from '@spare-acre/core/ground';
import { clock, daysOffFrom, daysOffText } from '@spare-acre/core/days';
import { LIMITS } from '@spare-acre/core/fields';
import type { Plan } from '@spare-acre/core/plan';
import ChoiceField from '../../ui/ChoiceField.vue';
import FigureCell from '../../ui/FigureCell.vue';
import FigureLine from '../../ui/FigureLine.vue';
import NumberField from '../../ui/NumberField.vue';
import DayField from '../../ui/DayField.vue';
import TextField from '../../ui/TextField.vue';
import ViewWarnings from '../../ui/ViewWarnings.vue';
import { useCatalogue } from '../../document/catalogue';
import { usePlan } from '../../document/plan';
import { useLook } from '../../document/useLook';
import BetterEvenings from './BetterEvenings.vue';
import DayChart from './DayChart.vue';
import EarlierWays from './EarlierWays.vue';
import HoursField from './HoursField.vue';

const store = usePlan();
useLook(() => ['days', 'steps', 'agenda']);
const catalogue = computed(() => useCatalogue().catalogue!);
const plan = computed(() => store.plan!);
const days = computed(() => store.slices.days ?? null);
const agenda = computed(() => store.slices.agenda ?? []);
/** Each step's cautions stand where the step is first done. */
const firstEntries = computed(() => {
  const seen = new Set<string>();
  return new Set(agenda.value.flatMap(({ entries }) => entries).filter(({ stepId }) => !seen.has(stepId) && seen.add(stepId)));
});
const stepsById = computed(() => new Map((store.slices.steps ?? []).map((step) => [step.id, step])));
const workpieces = computed(() => [
  ...tilesOf(plan.value.table).map(({ id }) => ({ id, name: id })),
  ...plan.value.pieces.filter(({ isMadeElsewhere }) => !isMadeElsewhere).map(({ id, name }) => ({ id, name })),
]);
const names = computed(() => new Map(workpieces.value.map(({ id, name }) => [id, name])));
const airs = computed(() => catalogue.value.airs.map(({ id, name }) => ({ value: id, text: name })));
const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const setClimate = (change: Partial<Plan['climate']>): string => store.edit({ code: 'climate/set', change });
const setHours = (hours: Plan['calendar']['hours']): string => store.edit({ code: 'calendar/hours', hours });
function setDaysOff(typed: string): string {
  const read = daysOffFrom(typed);
  return read.ok ? store.edit({ code: 'calendar/days-off', daysOff: read.value }) : read.problem.message;
}
const setDeadline = (day: string): string => store.edit({ code: 'calendar/deadline', deadline: day === '' ? null : day });
const hoursOn = (weekday: number): string =>
  plan.value.calendar.hours
    .filter((h) => h.weekday === weekday)
    .map(({ fromMin, toMin }) => `${clock(fromMin)}–${clock(toMin)}`)
    .join(', ');
</script>

<template>
  <div class="bench">
    <div class="drawing scroll">
      <h2 v-if="days?.ready">Ready {{ days.ready.text }}</h2>
      <p class="quiet key-line"><span class="swatch work"></span> hands on <span class="swatch dry"></span> drying</p>
      <DayChart
        v-if="days !== null && store.slices.steps !== undefined"
        :days="days"
        :steps="store.slices.steps"
        :workpieces="workpieces"
        :starts-on="plan.calendar.startsOn"
      />
      <BTableSimple class="ledger stacked mt-3" responsive data-testid="agenda">
        <thead>
          <tr>
            <th scope="col">when</th>
            <th scope="col">step</th>
            <th scope="col">on</th>
            <th scope="col" class="num">hands-on</th>
            <th scope="col" class="num">then dries</th>
          </tr>
        </thead>
        <tbody v-for="day in agenda" :key="day.day">
          <tr class="group">
            <td colspan="5">{{ day.text }}</td>
          </tr>
          <tr v-for="(entry, i) in day.entries" :key="i">
            <td class="text-nowrap">{{ entry.fromText }}–{{ entry.toText }}</td>
            <td>
              {{ stepsById.get(entry.stepId)?.name }}
              <span
                v-for="caution in firstEntries.has(entry) ? (stepsById.get(entry.stepId)?.cautions ?? []) : []"
                :key="caution"
                class="caution"
                >⚠ {{ caution }}</span
              >
            </td>
            <td>{{ entry.workpieces.map((id) => names.get(id) ?? id).join(plan.pieces.length === 0 ? ' ' : ', ') }}</td>
            <td class="num"><FigureCell :figure="entry.work" /></td>
            <td class="num"><FigureCell v-if="entry.wait.value > 0" :figure="entry.wait" /></td>
          </tr>
        </tbody>
      </BTableSimple>
      <EarlierWays />
    </div>
    <aside class="notes" aria-label="Notes">
      <h2>When</h2>
      <p class="sub">one pair of hands, dry before the next coat</p>
      <ViewWarnings view="days" />
      <section v-if="days !== null">
        <FigureLine v-if="days.ready !== null" label="Ready" :figure="days.ready.at" :text="days.ready.text" />
        <FigureLine v-if="days.bound !== null" label="No order of work beats" :figure="days.bound.at" :text="days.bound.text" />
        <FigureLine label="Hands-on" :figure="days.handsOn" />
      </section>
      <section>
        <h3>Bench hours</h3>
        <DayField
          label="First day"
          :value="plan.calendar.startsOn"
          :take="(startsOn) => store.edit({ code: 'calendar/first-day', startsOn })"
        />
        <HoursField
          v-for="(name, i) in WEEKDAYS"
          :key="name"
          :label="name"
          :weekday="i + 1"
          :text="hoursOn(i + 1)"
          :hours="plan.calendar.hours"
          :take="setHours"
        />
        <TextField label="Days off" :value="daysOffText(plan.calendar.daysOff)" :take="setDaysOff" />
        <DayField label="Wanted for" :value="plan.calendar.deadline ?? ''" :take="setDeadline" />
      </section>
      <BetterEvenings />
      <section>
        <h3>Air at the bench</h3>
        <NumberField
          label="Temperature"
          :value="plan.climate.airC"
          unit="°C"
          :limits="LIMITS.airC"
          :take="(airC) => setClimate({ airC })"
        />
        <NumberField
          label="Humidity"
          :value="plan.climate.humidityPct"
          unit="%"
          :limits="LIMITS.humidityPct"
          :take="(pct) => setClimate({ humidityPct: pct })"
        />
        <ChoiceField label="Moving air" :value="plan.climate.airId" :options="airs" @choose="(id) => setClimate({ airId: id })" />
      </section>
    </aside>
  </div>
</template>

<style scoped>
.scroll {
  overflow-y: auto !important;
  padding: 14px 22px;
}
.scroll h2 {
  font-size: 1.2rem;
}
.key-line {
  display: flex;
  align-items: center;
  gap: 6px;
  margin: 2px 0 4px;
}
.swatch {
  width: 18px;
  height: 9px;
  margin-left: 8px;
}
.swatch.work {
  background: var(--moss);
  margin-left: 0;
}
.swatch.dry {
  border: 1px dotted var(--ink);
}
.caution {
  display: block;
  font-size: 0.85rem;
  color: var(--ink-soft);
  max-width: 70ch;
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
    content: 'then dries ';
    color: var(--ink-soft);
  }
}
</style>
