<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref, watch } from 'vue';
import { given } from '@spare-acre/core/base/units';
import { atOnce } from '@spare-acre/core/plan/edits';
import { doneAt } from '@spare-acre/core/plan/workshop';
import FigureCell from '../../ui/values/FigureCell.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import { usePlan } from '../../stores/board/plan';
import { searches } from '../../workers/searches';
import type { NowChoice } from '@spare-acre/core/schedule/tasks';
import { usePlanTime } from '../../stores/board/planTime';

/** “I have … minutes now”: what is ready, chosen so that it leaves the most drying under way. */
const store = usePlan();
const { nowMin, now } = usePlanTime();
const have = ref(45);
const choice = ref<NowChoice | null>(null);
const LIMITS = { min: 5, max: 600 };
const labelOf = computed(() => new Map((store.slices.days?.slots ?? []).map(({ taskId, label, ofTask }) => [taskId, { label, ofTask }])));
const work = computed(() => given('Time including set-up', choice.value?.workMin ?? 0, 'min', 'calendar'));
const drying = computed(() => given('Drying time afterwards', choice.value?.dryingMin ?? 0, 'min', 'calendar', 'sum of all tasks'));
// Of another plan it says nothing.
watch(
  () => store.plan,
  () => (choice.value = null),
);
async function ask(): Promise<void> {
  choice.value = await searches().now(Math.max(0, nowMin.value), have.value);
}
function take(minutes: number): string {
  have.value = minutes;
  return '';
}
function done(): void {
  const edits = choice.value!.taskIds.map((id) => {
    const { ofTask, label } = labelOf.value.get(id)!;
    return { code: 'task/tick' as const, taskId: ofTask, task: doneAt(now.value), what: `Done: ${label}` };
  });
  store.edit(atOnce(edits, 'Done just now'));
}
</script>

<template>
  <section aria-label="Minutes now">
    <h3>What can I do in … minutes?</h3>
    <NumberField label="Minutes" :value="have" unit="min" :limits="LIMITS" :take="take" />
    <BButton variant="key" @click="ask">Suggest</BButton>
    <div v-if="choice !== null" data-testid="now-choice">
      <p v-if="choice.taskIds.length === 0" role="status">No available task fits in this time.</p>
      <template v-else>
        <ul>
          <li v-for="id in choice.taskIds" :key="id">{{ labelOf.get(id)?.label ?? id }}</li>
        </ul>
        <p>
          <FigureCell :figure="work" /> of work;
          <template v-if="choice.dryingMin > 0"><FigureCell :figure="drying" /> of drying can start.</template
          ><template v-else>no drying time starts.</template>
        </p>
        <BButton size="sm" variant="key" @click="done">All done just now</BButton>
      </template>
    </div>
  </section>
</template>
