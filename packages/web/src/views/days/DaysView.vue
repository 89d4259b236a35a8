<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { tilesOf } from '@spare-acre/core/terrain/ground';
import FigureLine from '../../ui/values/FigureLine.vue';
import TabbedSheets from '../../ui/TabbedSheets.vue';
import { InTurn } from '../../ui/InTurn';
import ViewWarnings from '../../ui/ViewWarnings.vue';
import { usePlan } from '../../stores/board/plan';
import { useLook } from '../../stores/board/useLook';
import AgendaTab from './AgendaTab.vue';
import AirTab from './AirTab.vue';
import BetterEvenings from './BetterEvenings.vue';
import DayChart, { type Zoom } from './DayChart.vue';
import EarlierWays from './EarlierWays.vue';
import MinutesNow from './MinutesNow.vue';
import TaskCard from './TaskCard.vue';
import WhenNotes from './WhenNotes.vue';
import WhereNotes from './WhereNotes.vue';
import WhoNotes from './WhoNotes.vue';
import { usePlanTime } from '../../stores/board/planTime';

const store = usePlan();
useLook(() => ['days', 'floor', 'steps', 'agenda', 'spots']);
const { nowMin, timeOf } = usePlanTime();
const plan = computed(() => store.plan!);
const days = computed(() => store.slices.days ?? null);
const floor = computed(() => store.slices.floor ?? null);
const workpieces = computed(() => [
  ...tilesOf(plan.value.table).map(({ id }) => ({ id, name: id })),
  ...plan.value.pieces.filter(({ isMadeElsewhere }) => !isMadeElsewhere).map(({ id, name }) => ({ id, name })),
]);
const names = computed(() => new Map(workpieces.value.map(({ id, name }) => [id, name])));

type Sheet = 'evenings' | 'air' | 'earlier';
const sheet = ref<Sheet>('evenings');
const SHEETS = [
  { id: 'evenings', name: 'Schedule' },
  { id: 'air', name: 'Conditions' },
  { id: 'earlier', name: 'Finish earlier' },
] as const;
type Notes = 'when' | 'where' | 'who';
const notes = ref<Notes>('when');
const NOTES = [
  { id: 'when', name: 'When' },
  { id: 'where', name: 'Where' },
  { id: 'who', name: 'Who' },
] as const;
const zoom = ref<Zoom>('all');
const ZOOMS = [
  { id: 'evening', name: 'Session' },
  { id: 'week', name: 'Week' },
  { id: 'all', name: 'All' },
] as const;
const chosenId = ref<string | null>(null);
const chosen = computed(() => days.value?.slots.find(({ taskId }) => taskId === chosenId.value) ?? null);
const pin = (taskId: string, atMin: number): string => {
  const label = days.value!.slots.find(({ ofTask }) => ofTask === taskId)!.label;
  return store.edit({ code: 'task/arrange', taskId, change: { pin: timeOf(atMin) }, what: `Pin: ${label}` });
};
const WHY: Readonly<Record<string, string>> = {
  air: 'too cold',
  spray: 'no place to spray',
  people: 'nobody can do it',
  noise: 'no suitable hours',
  after: 'depends on a task that cannot be done',
  dries: 'the coat or glue before it never dries',
  'none-free': 'does not fit in any session',
};
/** Steps that can not be done, once each. */
const blocked = computed(() => {
  const seen = new Set<string>();
  return (days.value?.blocked ?? []).filter(({ stepId, why }) => why !== 'after' && !seen.has(stepId) && seen.add(stepId));
});
</script>

<template>
  <div class="bench">
    <div class="drawing scroll">
      <h2 v-if="days?.ready">Ready {{ days.ready.text }}</h2>
      <h2 v-else-if="days !== null && days.blocked.length > 0" data-testid="never">Cannot be finished with this plan</h2>
      <TabbedSheets v-model="sheet" label="Days" :tabs="SHEETS" class="mb-2" />
      <template v-if="sheet === 'evenings'">
        <ul v-if="blocked.length > 0" class="blocked">
          <li v-for="one in blocked" :key="one.taskId">{{ one.label }}: {{ WHY[one.why] }}</li>
        </ul>
        <div class="over">
          <p class="quiet key-line">
            <span class="swatch work"></span> hands-on time <span class="swatch tended"></span> drying, needs attention
            <span class="swatch dry"></span> drying <span class="swatch chain"></span> critical path
          </p>
          <div class="btn-group btn-group-sm" role="group" aria-label="Zoom">
            <BButton v-for="one in ZOOMS" :key="one.id" variant="key" :pressed="zoom === one.id" @click="zoom = one.id">{{
              one.name
            }}</BButton>
          </div>
        </div>
        <InTurn v-if="days !== null"
          ><DayChart
            :days="days"
            :workpieces="workpieces"
            :starts-on="plan.calendar.startsOn"
            :zoom="zoom"
            :chosen-id="chosenId"
            :now-min="nowMin"
            @choose="(id) => (chosenId = id)"
            @pin="pin"
        /></InTurn>
        <TaskCard
          v-if="chosen !== null"
          :slot-of="chosen"
          :is-on-chain="days!.chain.includes(chosen.taskId)"
          :names="names"
          @close="chosenId = null"
        />
        <InTurn><AgendaTab :names="names" class="mt-3" /></InTurn>
      </template>
      <AirTab v-else-if="sheet === 'air'" />
      <EarlierWays v-else />
    </div>
    <aside class="notes" aria-label="Notes">
      <h2>Days</h2>
      <ViewWarnings view="days" />
      <section v-if="days !== null">
        <FigureLine v-if="days.ready !== null" label="Ready" :figure="days.ready.at" :text="days.ready.text" />
        <FigureLine v-if="floor !== null" label="Earliest possible" :figure="floor.at" :text="floor.text" />
        <FigureLine label="Hands-on" :figure="days.handsOn" />
      </section>
      <TabbedSheets v-model="notes" label="Day notes" :tabs="NOTES" />
      <template v-if="notes === 'when'">
        <InTurn><MinutesNow /></InTurn>
        <InTurn><BetterEvenings /></InTurn>
        <InTurn><WhenNotes /></InTurn>
      </template>
      <WhereNotes v-else-if="notes === 'where'" :workpieces="workpieces" />
      <WhoNotes v-else />
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
.over {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 8px;
  align-items: center;
}
.key-line {
  display: flex;
  flex-wrap: wrap;
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
.swatch.tended {
  border: 1px solid var(--ink-soft);
  background: repeating-linear-gradient(90deg, var(--ink-soft) 0 1px, transparent 1px 4px);
}
.swatch.chain {
  height: 0;
  border-top: 2px dashed var(--clay);
}
.blocked {
  color: var(--clay);
  margin: 4px 0 8px;
}
</style>
