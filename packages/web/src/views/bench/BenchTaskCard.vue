<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { v4 as uuid } from 'uuid';
import { computed, ref, watch } from 'vue';
import { clock, dayText } from '@spare-acre/core/base/dates';
import { type Bare, DAY_MIN, given, showText } from '@spare-acre/core/base/units';
import { spentBatches, workedMin } from '@spare-acre/core/schedule/bench';
import { type BenchTask, type BenchTaskDetail, type Standing, usedOf } from '@spare-acre/core/schedule/bench-tasks';
import { doneAt } from '@spare-acre/core/plan/workshop';
import { useBench } from '../../stores/bench';
import { usePlan } from '../../stores/board/plan';
import { usePlanTime } from '../../stores/board/planTime';
import { newEntry } from '../../stores/workshop/new-entry';
import { loggedAs } from '../../stores/workshop/readings';
import { useTimers } from '../../stores/bench/timers';
import FigureCell from '../../ui/values/FigureCell.vue';
import BenchTaskAmounts from './BenchTaskAmounts.vue';
import BenchTaskDrawing from './BenchTaskDrawing.vue';
import BenchTaskPart from './BenchTaskPart.vue';
import BenchTaskSheets from './BenchTaskSheets.vue';
import BenchTaskLog from './BenchTaskLog.vue';
import { NOTHING_SAID, readSaid } from './said';
import { useSaid } from './useSaid';

/** One move, large: what, where, how much, what to watch, and the buttons for it. */
const props = defineProps<{
  move: Bare<BenchTask>;
  detail: Bare<BenchTaskDetail> | null;
  standing: Standing;
  who: string;
  workpiece: string;
  nameOf: (workpieceId: string) => string;
}>();
const emit = defineEmits<{ left: [] }>();
const store = usePlan();
const bench = useBench();
const timers = useTimers();
const { now, nowMin, timeOf } = usePlanTime();
const startsOn = computed(() => store.plan!.calendar.startsOn);
const own = computed(() => bench.state.worked.find(({ taskId }) => taskId === props.move.ofTask) ?? null);
const isUnderWay = computed(() => own.value?.sinceMs != null);
const spentMin = computed(() => workedMin(bench.state, props.move.ofTask, timers.nowMs));
const spent = computed(() => showText(given('', spentMin.value, 'min', 'logbook'), store.showing));
const isRead = (what: string): boolean => bench.state.read.has(what);
const unread = computed(() => props.detail?.cautions.filter(({ id }) => !isRead(`caution:${id}`)) ?? []);
const known = computed(() => props.detail?.cautions.filter(({ id }) => isRead(`caution:${id}`)) ?? []);
const practice = computed(() => {
  const { guide, isFirst } = props.detail ?? {};
  return guide != null && isFirst === true && !isRead(`practice:${guide.does}`) ? guide : null;
});
const read = (what: string): void => bench.act({ kind: 'read', what });
const understood = (): void => unread.value.forEach(({ id }) => read(`caution:${id}`));
const spentOnes = computed(() => spentBatches(bench.state, props.move.ofTask, timers.nowMs));
/** A batch whose time is over is followed by the next, timed anew. */
const isRunning = (name: string): boolean =>
  timers.timers.some((timer) => timer.name === name && timer.taskId === props.move.ofTask && !spentOnes.value.includes(timer));
const waits = computed(() =>
  props.move.before.map(({ name, workpieceId, isDone, dryMin }) => ({
    label: `${name}, ${props.nameOf(workpieceId)}`,
    text: !isDone
      ? 'to be done first'
      : dryMin === null
        ? 'never dries in these conditions'
        : props.standing === 'ready' || dryMin <= nowMin.value
          ? 'done, and dry'
          : `dry ${dayText(startsOn.value, dryMin)}, ${clock(dryMin)}`,
    isMet: isDone && dryMin !== null && dryMin <= nowMin.value,
  })),
);
const said = useSaid(() => `${store.boardId} ${props.move.ofTask}`);
const problem = ref('');
watch(
  () => props.move.ofTask,
  () => (problem.value = ''),
);

const begin = (): void => bench.act({ kind: isUnderWay.value ? 'pause' : 'begin', taskId: props.move.ofTask });
/** Minutes as they were typed, else as the clock has them; null where nobody looked. */
const minutesOf = (typed: number | null): number | null => typed ?? (spentMin.value >= 0.5 ? Math.round(spentMin.value * 10) / 10 : null);

/** Done, in whole or in part: the tick, what it took, and what was said of it. */
async function done(part: { readonly done: number; readonly of: number } | null = null): Promise<void> {
  const { move, detail } = props;
  const typed = readSaid(said.value, detail?.takes ?? []);
  problem.value = typed.problem;
  if (typed.problem !== '') return;
  const real = minutesOf(typed.minutes);
  const uses = part === null ? (detail?.takes.flatMap((take, i) => usedOf(take, typed.amounts[i] ?? null)) ?? []) : [];
  await writeDown(part === null ? real : null, typed.amounts);
  const task = doneAt(now.value, { part, by: props.who, workedMin: real, uses });
  const refused = store.edit({
    code: 'task/tick',
    taskId: move.ofTask,
    task,
    what: part === null ? `Done: ${move.work.label}` : `Part done: ${move.work.label}`,
  });
  if (refused !== '') return void (problem.value = refused);
  if (isUnderWay.value) bench.act({ kind: 'pause', taskId: move.ofTask });
  clear();
  if (part === null) emit('left');
}

/** An entry of the logbook, where there is anything to say. */
async function writeDown(minutes: number | null, amounts: readonly (number | null)[]): Promise<void> {
  const { move, detail } = props;
  const figures = [
    ...(minutes === null ? [] : [await loggedAs('Minutes', move.work, minutes)]),
    ...(await Promise.all(
      (detail?.takes ?? []).flatMap((take, i) => (amounts[i] == null ? [] : [loggedAs(take.name, take.amount, amounts[i])])),
    )),
  ];
  const { note, photos } = said.value;
  if (figures.length === 0 && note.trim() === '' && photos.length === 0) return;
  const files = photos.map((file) => ({ id: uuid(), file }));
  const photoIds = files.map(({ id }) => id);
  const entry = newEntry(
    { taskId: move.ofTask, name: move.work.label, who: props.who, figures, note: note.trim(), photoIds },
    move.workpieceId,
  );
  bench.act({ kind: 'note', entry }, files);
}
async function noteOnly(): Promise<void> {
  const typed = readSaid(said.value, props.detail?.takes ?? []);
  problem.value = typed.problem;
  if (typed.problem !== '') return;
  await writeDown(typed.minutes, typed.amounts);
  clear();
}
const clear = (): void => void (said.value = NOTHING_SAID());

function notToday(): void {
  const day = tomorrow.value;
  store.edit({
    code: 'task/arrange',
    taskId: props.move.ofTask,
    change: { notBefore: { day, atMin: 0 } },
    what: `Postpone: ${props.move.work.label}`,
  });
  emit('left');
}
const tomorrow = computed(() => timeOf(nowMin.value + DAY_MIN).day);
function skip(): void {
  store.edit({
    code: 'task/arrange',
    taskId: props.move.ofTask,
    change: { isSkipped: true, pin: null },
    what: `Skip: ${props.move.work.label}`,
  });
  emit('left');
}
</script>

<template>
  <article class="move" data-testid="move">
    <h2>
      {{ move.name }}<small>{{ workpiece }}</small>
    </h2>
    <p class="quiet">
      <FigureCell :figure="move.work" /><template v-if="move.part !== null">, {{ move.part.done }} of {{ move.part.of }} done</template
      ><template v-if="detail !== null">, {{ detail.placeName }}</template
      ><template v-if="detail !== null && detail.hands > 1">, two people</template>
    </p>
    <ul v-if="waits.length > 0" class="waits">
      <li v-for="one in waits" :key="one.label" :class="{ unmet: !one.isMet }">
        {{ one.isMet ? '✓' : '…' }} {{ one.label }}: {{ one.text }}
      </li>
    </ul>
    <div v-if="unread.length > 0" class="caution" role="note">
      <p v-for="caution in unread" :key="caution.id">⚠ {{ caution.text }}</p>
      <BButton variant="key" @click="understood">Got it</BButton>
    </div>
    <p v-if="known.length > 0" class="quiet">⚠ {{ known.map(({ name }) => name).join(', ') }}: follow the label and the data sheet.</p>
    <div v-if="practice !== null" class="practice" role="note">
      <p><strong>First time?</strong> {{ practice.practice }}</p>
      <BButton variant="key" @click="read(`practice:${practice.does}`)">Done, or skip</BButton>
    </div>
    <template v-if="detail !== null">
      <BenchTaskDrawing v-if="detail.drawing !== null" :drawing="detail.drawing" :name="workpiece" />
      <BenchTaskAmounts :detail="detail" :spent="spentOnes" />
      <p v-if="detail.tools.length > 0"><strong>Tool</strong> {{ detail.tools.join(', ') }}</p>
      <BenchTaskSheets v-if="detail.sheets.length > 0" :sheets="detail.sheets" />
      <p v-if="detail.weights !== null"><strong>Weights</strong> <FigureCell :figure="detail.weights" />, spread over the whole face</p>
      <template v-if="detail.guide !== null">
        <p><strong>Good result</strong> {{ detail.guide.goodLooks }}</p>
        <p><strong>Common mistake</strong> {{ detail.guide.usualMistake }}</p>
      </template>
      <div v-if="detail.timers.length > 0" class="watch">
        <BButton
          v-for="wanted in detail.timers"
          :key="wanted.name"
          variant="key"
          :disabled="isRunning(wanted.name)"
          @click="timers.start(wanted, move.ofTask)"
          >Time {{ showText(given('', wanted.min, 'min', 'catalogue'), store.showing) }}: {{ wanted.name }}</BButton
        >
      </div>
    </template>
    <BenchTaskLog :key="move.ofTask" v-model="said" :takes="detail?.takes ?? []" @write="noteOnly" />
    <BenchTaskPart :part="move.part" :of="detail?.sheets.length ?? 0" @done="done" />
    <div class="deeds">
      <BButton variant="key" @click="notToday">Postpone</BButton>
      <BButton variant="key" @click="skip">Skip task</BButton>
    </div>
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    <div class="deeds main-deeds">
      <BButton variant="key" class="large" @click="begin">{{
        isUnderWay ? `Pause, ${spent}` : own === null ? 'Start' : `Resume, ${spent}`
      }}</BButton>
      <BButton variant="primary" class="large" @click="done()">Done</BButton>
    </div>
  </article>
</template>

<style scoped>
.move {
  font-size: 1.1rem;
}
h2 {
  font-size: 1.55rem;
  margin: 0 0 2px;
}
h2 small {
  display: block;
  font-size: 1.1rem;
  color: var(--ink-soft);
}
.move p {
  margin: 4px 0;
}
.waits,
.unmet {
  color: var(--clay);
}
.caution,
.practice {
  border-left: 4px solid var(--clay);
  background: var(--sheet);
  padding: 8px 12px;
  margin: 8px 0;
}
.practice {
  border-color: var(--slate);
}
.watch {
  display: grid;
  gap: 6px;
  margin: 8px 0;
}
.watch :deep(.btn) {
  min-height: 44px;
  align-items: center;
  white-space: normal;
  text-align: left;
}
.deeds {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin: 10px 0;
}
.deeds :deep(.btn),
.move :deep(.caution .btn),
.move :deep(.practice .btn) {
  min-height: 48px;
  justify-content: center;
  align-items: center;
}
/* Under the thumb however far one has read. */
.main-deeds {
  position: sticky;
  bottom: -18px;
  padding: 8px 0 20px;
  margin: 0;
  background: var(--paper);
  border-top: 1px solid var(--rule);
  z-index: 2;
}
.deeds :deep(.large) {
  min-height: 64px;
  font-size: 1.3rem;
}
</style>
