<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { LESSONS, firstTile } from '@spare-acre/core/advice/tutorials';
import { useBench } from '../../stores/bench';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { useClock } from '../../stores/bench/clock';
import { useLessons } from '../../stores/board/lessons';
import { useLogbook } from '../../stores/bench/logbook';
import { usePlan } from '../../stores/board/plan';
import { usePlanTime } from '../../stores/board/planTime';
import { clockText } from '../../ui/dates';
import { endLessons } from './begin';

/** One lesson at a time beside the view it is about: what to do, whether it is done, and what that brought about. */
const lessons = useLessons();
const store = usePlan();
const bench = useBench();
const log = useLogbook();
const clock = useClock();
const catalogues = useCatalogue();
const { nowMin } = usePlanTime();
const route = useRoute();
const router = useRouter();
const isFolded = useStorage('spare-acre/lessons-folded', false);
const problem = ref('');
const isBusy = ref(false);
const at = computed(() => lessons.value?.at ?? 0);
const lesson = computed(() => LESSONS[at.value] ?? null);
const start = computed(() => firstTile(catalogues.catalogue!, lessons.value!.startsOn));
const isThere = computed(() => route.name === lesson.value?.view);
const isDone = computed(
  () =>
    lesson.value?.isDone({
      plan: store.plan!,
      start: start.value,
      record: store.record,
      movesLeft: store.slices.moves?.length ?? null,
      logged: log.entries.filter(({ figures }) => figures.length > 0).length,
    }) ?? false,
);
const go = (view: string): void => void router.push({ name: view, params: { boardId: store.boardId! } });
function next(): void {
  lessons.value = { ...lessons.value!, at: at.value + 1 };
  if (lesson.value !== null) go(lesson.value.view);
}

const RATES = [
  { rate: 1, name: 'Real time' },
  { rate: 60, name: 'A minute a second' },
  { rate: 3_600, name: 'One hour per second' },
] as const;
const hasClock = computed(() => lesson.value?.view === 'bench');
const nowText = computed(() => clockText(new Date(clock.nowMs).toISOString()));
const MINUTE_MS = 60_000;
/** When the next move may be begun, where none may be now. */
const nextMin = computed(() => {
  const starts = (store.slices.moves ?? []).map(({ startMin }) => startMin);
  const first = Math.min(...starts);
  return Number.isFinite(first) && first > nowMin.value ? first : null;
});
const onToNext = (): void => clock.go(store.boardId!, clock.rate, (nextMin.value! - nowMin.value) * MINUTE_MS);

async function end(): Promise<void> {
  [isBusy.value, problem.value] = [true, ''];
  try {
    await endLessons(lessons.value!);
    lessons.value = null;
    await router.push({ name: 'boards' });
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
  isBusy.value = false;
}
if (bench.boardId !== null) void log.load(bench.boardId);
</script>

<template>
  <aside class="lesson" aria-label="Lessons" data-testid="lesson">
    <BButton variant="bare" class="title" :aria-expanded="!isFolded" @click="isFolded = !isFolded">
      {{ isFolded ? '▸' : '▾' }}
      {{ lesson === null ? 'All lessons are done' : `Lesson ${at + 1} of ${LESSONS.length}: ${lesson.name}` }}
    </BButton>
    <template v-if="!isFolded">
      <p v-if="lesson === null">You have finished all lessons. Create a board of your own, or explore this tile as long as you like.</p>
      <p v-else-if="isDone" role="status"><strong>✓ Done.</strong> {{ lesson.then }}</p>
      <p v-else>{{ lesson.what }}</p>
      <div v-if="hasClock" class="deeds" role="group" aria-label="Clock">
        <span data-testid="practice-clock" class="time">{{ nowText }}</span>
        <BButton
          v-for="{ rate, name } in RATES"
          :key="rate"
          variant="key"
          size="sm"
          :aria-pressed="clock.rate === rate"
          @click="clock.go(store.boardId!, rate)"
          >{{ name }}</BButton
        >
        <BButton v-if="nextMin !== null" variant="key" size="sm" @click="onToNext">Skip to the next task</BButton>
      </div>
      <div class="deeds">
        <template v-if="lesson !== null">
          <BButton v-if="!isThere" variant="primary" size="sm" @click="go(lesson.view)">Take me there</BButton>
          <BButton v-if="isDone" variant="primary" size="sm" @click="next">{{
            at + 1 < LESSONS.length ? 'Next lesson' : 'Finish'
          }}</BButton>
          <BButton v-else variant="key" size="sm" @click="next">Skip lesson</BButton>
        </template>
        <BButton variant="key" size="sm" :disabled="isBusy" @click="end">End the lessons</BButton>
      </div>
      <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    </template>
  </aside>
</template>

<style scoped>
.main > .lesson {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  padding: 6px 22px;
  background: var(--sheet);
  border-bottom: 2px solid var(--moss);
}
.title {
  font-weight: 600;
  text-align: left;
  white-space: normal;
  padding: 2px 0;
}
.lesson p {
  flex: 1 1 460px;
  margin: 0;
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.time {
  min-width: 128px;
  font-variant-numeric: tabular-nums;
}
@media (max-width: 700px) {
  .main > .lesson {
    padding: 4px 14px;
    max-height: 34vh;
    overflow-y: auto;
  }
  .lesson p {
    flex: 1 1 100%;
  }
}
</style>
