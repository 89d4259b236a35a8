<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useStorage, useWakeLock } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { clock, dayText } from '@spare-acre/core/base/dates';
import { type Bare, DAY_MIN, given, showText } from '@spare-acre/core/base/units';
import { type BenchTask, sittingAt, standingOf } from '@spare-acre/core/schedule/bench-tasks';
import { sittingsOf } from '@spare-acre/core/schedule/tasks';
import { tilesOf } from '@spare-acre/core/terrain/ground';
import { useBench } from '../../stores/bench';
import { usePlan } from '../../stores/board/plan';
import { usePlanTime } from '../../stores/board/planTime';
import { useTimers } from '../../stores/bench/timers';
import { useLook } from '../../stores/board/useLook';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import BenchNotes from './BenchNotes.vue';
import BenchTaskCard from './BenchTaskCard.vue';
import TimerList from './TimerList.vue';

/** The next move, large; what comes then and what still dries below. */
const store = usePlan();
const bench = useBench();
const timers = useTimers();
const { nowMin } = usePlanTime();
const chosenId = ref<string | null>(null);
const whoId = useStorage('spare-acre/at-the-bench', '');
const people = computed(() => store.plan!.people);
const who = computed(() => people.value.find(({ id }) => id === whoId.value) ?? people.value[0]!);
const names = computed(
  () =>
    new Map([
      ...tilesOf(store.plan!.table).map(({ id }) => [id, `Tile ${id}`] as const),
      ...store.plan!.pieces.map(({ id, name }) => [id, name] as const),
    ]),
);
const nameOf = (id: string): string => names.value.get(id) ?? id;

const moves = computed(() => store.slices.moves ?? null);
const mine = computed(() => (moves.value ?? []).filter(({ people: by }) => by.length === 0 || by.includes(who.value.id)));
const ready = computed(() => mine.value.filter((move) => standingOf(move, nowMin.value) === 'ready'));
const waiting = computed(() => mine.value.filter((move) => standingOf(move, nowMin.value) !== 'ready'));
/** What is under way comes first, then what was chosen, then what is planned next. */
const current = computed<Bare<BenchTask> | null>(() => {
  const chosen = (moves.value ?? []).find(({ taskId }) => taskId === chosenId.value);
  const begun = new Set(bench.state.worked.flatMap(({ taskId, sinceMs }) => (sinceMs === null ? [] : [taskId])));
  return chosen ?? ready.value.find(({ ofTask }) => begun.has(ofTask)) ?? ready.value[0] ?? waiting.value[0] ?? null;
});
const detail = computed(() => store.slices.move?.find(({ taskId }) => taskId === current.value?.taskId) ?? null);
/** Sheets can be ticked off where there are some. */
const hasSheets = computed(() => (detail.value?.sheets.length ?? 0) > 0);
useLook(
  () => ['moves', 'move', 'steps', 'tasks', ...(hasSheets.value ? (['jobs'] as const) : [])],
  () => (current.value === null ? [] : [current.value.taskId]),
);
const view = ref<HTMLElement | null>(null);
/** Brings a move to the front, and the front into sight. */
function bring(taskId: string): void {
  chosenId.value = taskId;
  view.value?.scrollTo({ top: 0 });
}
const others = computed(() => ready.value.filter((move) => move !== current.value));

/** A week ahead is far enough to find the next evening. */
const AHEAD_MIN = 21 * DAY_MIN;
const sitting = computed(() =>
  sittingAt(mine.value, sittingsOf(who.value, store.plan!.calendar, Math.max(0, nowMin.value) + AHEAD_MIN), nowMin.value),
);
const minutes = (min: number): string => showText(given('', Math.max(0, min), 'min', 'calendar'), store.showing);
const sittingText = computed(() => {
  const { startsOn } = store.plan!.calendar;
  const own = sitting.value;
  if (own === null) return '';
  const { fromMin, untilMin, clearUpFromMin } = own;
  if (fromMin > nowMin.value) return `Next session ${dayText(startsOn, fromMin)}, ${clock(fromMin)} to ${clock(untilMin)}`;
  if (nowMin.value >= clearUpFromMin) return `Time to clear up: ${minutes(untilMin - nowMin.value)} left`;
  return `${minutes(untilMin - nowMin.value)} left, clear up from ${clock(clearUpFromMin)}`;
});
const last = computed(() => {
  const move = mine.value.find(({ taskId }) => taskId === sitting.value?.lastId);
  return move === undefined || sitting.value!.moves.length < 2 ? '' : `Do this last, because it dries longest: ${move.work.label}`;
});
const whenOf = ({ startMin }: Bare<BenchTask>): string => `${dayText(store.plan!.calendar.startsOn, startMin)}, ${clock(startMin)}`;
const waitText = (move: Bare<BenchTask>): string => {
  const open = move.before.find(({ isDone }) => !isDone);
  if (open !== undefined) return `after ${open.name}, ${nameOf(open.workpieceId)}`;
  const dryMin = move.before.reduce<number | null>(
    (most, one) => (one.dryMin === null || most === null ? null : Math.max(most, one.dryMin)),
    0,
  );
  return dryMin === null ? 'never dries in these conditions' : `dry ${dayText(store.plan!.calendar.startsOn, dryMin)}, ${clock(dryMin)}`;
};
/** The screen stays lit while something runs by the clock. */
const { isSupported, request, release } = useWakeLock();
const isRunning = computed(() => timers.isRunning || bench.state.worked.some(({ sinceMs }) => sinceMs !== null));
watch(
  isRunning,
  (runs) => {
    // A browser that will not, as on a low battery, only darkens the screen.
    if (isSupported.value) void (runs ? request('screen') : release()).catch(() => undefined);
  },
  { immediate: true },
);
const lastDone = computed(() => store.history.done.at(-1) ?? null);
const SHOWN = 12;
</script>

<template>
  <div ref="view" class="bench-view">
    <header class="over">
      <p class="sitting" data-testid="sitting">{{ sittingText }}</p>
      <p v-if="last !== ''" class="quiet">{{ last }}</p>
      <ChoiceField
        v-if="people.length > 1"
        label="At the bench"
        :value="who.id"
        :options="people.map(({ id, name }) => ({ value: id, text: name }))"
        @choose="(id) => (whoId = id)"
      />
    </header>
    <div class="now">
      <p v-if="moves === null" class="quiet">Finding the next task …</p>
      <p v-else-if="current === null" data-testid="nothing">
        All tasks on this board are done. Actual times and amounts are in the Logbook.
      </p>
      <BenchTaskCard
        v-else
        :key="current.ofTask"
        :move="current"
        :detail="detail"
        :standing="standingOf(current, nowMin)"
        :who="who.name"
        :workpiece="nameOf(current.workpieceId)"
        :name-of="nameOf"
        @left="chosenId = null"
      />
      <BButton v-if="lastDone !== null" variant="key" class="undo" @click="store.undo()">Undo: {{ lastDone.name }}</BButton>
    </div>
    <div class="rest">
      <TimerList />
      <BenchNotes />
      <section v-if="others.length > 0" aria-label="Next">
        <h3>Available now</h3>
        <ul class="list">
          <li v-for="move in others.slice(0, SHOWN)" :key="move.taskId">
            <BButton variant="key" @click="bring(move.taskId)"
              >{{ move.name }}, {{ nameOf(move.workpieceId) }}<small>{{ whenOf(move) }}</small></BButton
            >
          </li>
        </ul>
        <p v-if="others.length > SHOWN" class="quiet">and {{ others.length - SHOWN }} more</p>
      </section>
      <section v-if="waiting.length > 0" aria-label="Waiting">
        <h3>Waiting</h3>
        <ul class="list">
          <li v-for="move in waiting.slice(0, SHOWN)" :key="move.taskId">
            <BButton variant="key" @click="bring(move.taskId)"
              >{{ move.name }}, {{ nameOf(move.workpieceId) }}<small>{{ waitText(move) }}</small></BButton
            >
          </li>
        </ul>
        <p v-if="waiting.length > SHOWN" class="quiet">and {{ waiting.length - SHOWN }} more</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.bench-view {
  display: grid;
  grid-template: 'over over' auto 'now rest' minmax(0, 1fr) / minmax(0, 1fr) 360px;
  gap: 0 26px;
  height: 100%;
  padding: 8px 22px 18px;
  overflow-y: auto;
}
.over {
  grid-area: over;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: baseline;
}
.over p {
  margin: 0;
}
.sitting {
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
.now {
  grid-area: now;
  max-width: 720px;
}
.rest {
  grid-area: rest;
}
.rest h3 {
  font-size: 1.05rem;
  margin: 12px 0 4px;
}
.list {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 6px;
}
.list :deep(.btn) {
  width: 100%;
  min-height: 48px;
  display: block;
  text-align: left;
  white-space: normal;
}
.list small {
  display: block;
  color: var(--ink-soft);
}
.undo {
  min-height: 44px;
  white-space: normal;
  text-align: left;
}
@media (max-width: 700px) {
  .bench-view {
    display: block;
    padding: 8px 14px 18px;
  }
}
</style>
