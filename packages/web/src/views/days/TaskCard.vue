<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { clock, dayText } from '@spare-acre/core/base/dates';
import { given } from '@spare-acre/core/base/units';
import { timeFrom } from '@spare-acre/core/schedule/tasks';
import type { ArrangedTask } from '@spare-acre/core/plan';
import { doneAt } from '@spare-acre/core/plan/workshop';
import DayField from '../../ui/fields/DayField.vue';
import FigureCell from '../../ui/values/FigureCell.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import TextField from '../../ui/fields/TextField.vue';
import { usePlan } from '../../stores/board/plan';
import type { Slices } from '../../workers/slices';
import { usePlanTime } from '../../stores/board/planTime';

/** One task of the timeline: why it begins when it does, what it may slip, and what can be arranged of it. */
const props = defineProps<{
  slotOf: NonNullable<Slices['days']>['slots'][number];
  isOnChain: boolean;
  names: ReadonlyMap<string, string>;
}>();
const emit = defineEmits<{ close: [] }>();
const store = usePlan();
const { now, timeOf } = usePlanTime();
const calendar = computed(() => store.plan!.calendar);
const arranged = computed(() => calendar.value.tasks.find(({ taskId }) => taskId === props.slotOf.ofTask));
/** Where it is pinned, whether or not that can be kept, else where it is planned. */
const at = computed(() => arranged.value?.pin ?? timeOf(props.slotOf.startMin));
const who = computed(() =>
  props.slotOf.people.map((id) => store.plan!.people.find((person) => person.id === id)?.name ?? id).join(' and '),
);
const slack = computed(() => given('Slack, ignoring people', props.slotOf.slackMin, 'min', 'calendar'));
const place = computed(() => store.plan!.places.find(({ id }) => id === props.slotOf.placeId)?.name ?? '');
const GOES = { min: 1, max: 6 };
const tick = (): string =>
  store.edit({ code: 'task/tick', taskId: props.slotOf.ofTask, task: doneAt(now.value), what: `Done: ${props.slotOf.label}` });
const untick = (): string => store.edit({ code: 'task/untick', taskId: props.slotOf.ofTask, what: `Not done: ${props.slotOf.label}` });
const arrange = (change: Partial<Omit<ArrangedTask, 'taskId'>>, what: string): string =>
  store.edit({ code: 'task/arrange', taskId: props.slotOf.ofTask, change, what: `${what}: ${props.slotOf.label}` });
const pinDay = (day: string): string => arrange({ pin: { day, atMin: at.value.atMin } }, 'Pin');
function pinTime(typed: string): string {
  const read = timeFrom(typed);
  return read.ok ? arrange({ pin: { day: at.value.day, atMin: read.value } }, 'Pin') : read.problem.message;
}
</script>

<template>
  <section class="card-of" aria-label="Task" data-testid="task-card">
    <header>
      <h3>{{ slotOf.label }}</h3>
      <BButton size="sm" variant="key" aria-label="Close" @click="emit('close')">×</BButton>
    </header>
    <p class="when">
      {{ dayText(calendar.startsOn, slotOf.startMin) }}, {{ clock(slotOf.startMin) }}–{{ clock(slotOf.endMin) }}, {{ place
      }}<template v-if="who !== ''">, {{ who }}</template>
    </p>
    <p>{{ slotOf.why }}</p>
    <p v-if="isOnChain" class="chain-said">On the critical path: any delay moves the ready date.</p>
    <p v-else-if="!slotOf.isDone">Slack: <FigureCell :figure="slack" />, if someone is free then. The ready date stays the same.</p>
    <template v-if="!slotOf.isDone">
      <DayField label="Pin to day" :value="at.day" :take="pinDay" />
      <TextField label="at" :value="clock(at.atMin)" :take="pinTime" />
      <NumberField label="Split into" :value="slotOf.goes" unit="stages" :limits="GOES" :take="(goes) => arrange({ goes }, 'Split')" />
    </template>
    <div class="deeds">
      <BButton v-if="arranged?.pin != null" size="sm" variant="key" @click="arrange({ pin: null }, 'Unpin')">Unpin</BButton>
      <template v-if="!slotOf.isDone">
        <BButton size="sm" variant="key" @click="arrange({ pin: at }, 'Pin')">Pin here</BButton>
        <BButton size="sm" variant="key" @click="tick">Done just now</BButton>
        <BButton
          size="sm"
          variant="key"
          @click="
            arrange({ isSkipped: true, pin: null }, 'Skip');
            emit('close');
          "
          >Skip task</BButton
        >
      </template>
      <BButton v-else size="sm" variant="key" @click="untick">Mark as not done</BButton>
    </div>
  </section>
</template>

<style scoped>
.card-of {
  border: 1px solid var(--rule);
  border-left: 3px solid var(--moss);
  padding: 8px 12px;
  margin: 8px 0;
  max-width: 560px;
}
.card-of header {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.card-of h3 {
  font-size: 1rem;
  margin: 0;
}
.card-of p {
  margin: 2px 0;
}
.when {
  color: var(--ink-soft);
  font-variant-numeric: tabular-nums;
}
.chain-said {
  color: var(--clay);
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}
</style>
