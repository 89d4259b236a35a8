<script lang="ts">
import { fetchAhead, partLazily } from '../ui/lazily';

const FiguresChanged = partLazily(() => import('./FiguresChanged.vue'));
const NoTable = partLazily(() => import('./NoTable.vue'));
const StaleDialog = partLazily(() => import('./StaleDialog.vue'));
const LessonCard = partLazily(() => import('../views/lessons/LessonCard.vue'));
const NoticeToast = partLazily(() => import('./NoticeToast.vue'));
</script>

<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useEventListener, useIdle, whenever } from '@vueuse/core';
import { hasTable } from '@spare-acre/core/plan';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import type { useLessons } from '../stores/board/lessons';
import { usePlan } from '../stores/board/plan';
import BoardHead from './BoardHead.vue';
import TallyStrip from './TallyStrip.vue';
import { InTurn, takeTurns } from '../ui/InTurn';
import ViewSkeleton from '../ui/ViewSkeleton.vue';

const props = defineProps<{ boardId: string }>();
takeTurns();
const store = usePlan();
const learning = shallowRef<ReturnType<typeof useLessons>>();
const problem = ref('');
const route = useRoute();
/** Views that show the ground, where there is none. */
const lacksTable = computed(() => store.plan !== null && !hasTable(store.plan.table) && ['ground', 'section'].includes(String(route.name)));

async function open(): Promise<void> {
  problem.value = '';
  await store.open(props.boardId).catch((error: unknown) => (problem.value = error instanceof Error ? error.message : String(error)));
}
watch(() => props.boardId, open, { immediate: true });
/** Told to the plan once the board stands. */
onMounted(async () => (learning.value = (await import('../stores/board/beside')).standBeside()));
/** Whoever begins at once is not held up by what may be wanted later. */
const AT_REST_MS = 1_500;
const { idle, reset } = useIdle(AT_REST_MS);
// Counted from when there is something to begin with.
whenever(() => store.tally !== null, reset, { once: true, flush: 'sync' });
whenever(() => store.tally !== null && idle.value, fetchAhead, { once: true });

/** Fields of text have an undo of their own; ticks and sliders have none. */
const WITH_OWN_UNDO = 'input:not([type=checkbox], [type=radio], [type=range]), textarea';

useEventListener('keydown', (event) => {
  if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).closest(WITH_OWN_UNDO) !== null) return;
  const key = event.key.toLowerCase();
  if (key === 'z' && !event.shiftKey) store.undo();
  else if (key === 'y' || key === 'z') store.redo();
  else return;
  event.preventDefault();
});
</script>

<template>
  <InTurn v-if="store.plan !== null"><BoardHead /></InTurn>
  <main class="main of-board">
    <LessonCard v-if="store.plan !== null && learning?.value?.boardId === boardId" />
    <FiguresChanged v-if="store.tally !== null" />
    <NoTable v-if="lacksTable" />
    <InTurn v-else-if="store.plan !== null"><RouterView /></InTurn>
    <div v-else-if="problem !== ''" class="p-4">
      <p class="attention" role="alert">This board could not be opened: {{ problem }}</p>
      <BButton variant="key" @click="open">Try again</BButton>
      <RouterLink class="btn btn-key ms-2" to="/">All boards</RouterLink>
    </div>
    <ViewSkeleton v-else />
  </main>
  <InTurn v-if="store.plan !== null"><TallyStrip /></InTurn>
  <NoticeToast v-if="store.notice !== null" />
  <StaleDialog v-if="store.saving.state === 'stale'" />
</template>
