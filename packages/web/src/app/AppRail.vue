<script lang="ts">
import { partLazily } from '../ui/lazily';

// Menus bring a good deal with them, and only a phone has one.
const MoreMenu = partLazily(() => import('./MoreMenu.vue'));
</script>

<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useDark, useMediaQuery, useToggle } from '@vueuse/core';
import { useRouter } from 'vue-router';
import { computed } from 'vue';
import Bench from '~icons/bi/hammer';
import Boards from '~icons/bi/grid-1x2';
import Coats from '~icons/bi/brush';
import Days from '~icons/bi/calendar-week';
import Cuts from '~icons/bi/scissors';
import Ground from '~icons/bi/map';
import Logbook from '~icons/bi/journal-text';
import Pieces from '~icons/bi/house';
import Section from '~icons/bi/layers';
import Supplies from '~icons/bi/basket';
import Workshop from '~icons/bi/tools';
import { BOARD_VIEWS, type BoardView } from './router';
import { viewsOf } from '@spare-acre/core/advice/checks/warning';
import { useDrawer } from '../ui/drawer';
import { usePlan } from '../stores/board/plan';

const STOPS = {
  ground: { name: 'Ground', icon: Ground },
  section: { name: 'Section', icon: Section },
  pieces: { name: 'Pieces', icon: Pieces },
  cuts: { name: 'Cuts', icon: Cuts },
  coats: { name: 'Coats', icon: Coats },
  supplies: { name: 'Supplies', icon: Supplies },
  days: { name: 'Days', icon: Days },
  bench: { name: 'Bench', icon: Bench },
  logbook: { name: 'Logbook', icon: Logbook },
} satisfies Record<BoardView, unknown>;

const store = usePlan();
const router = useRouter();
/** On a phone the views lie under the thumb. */
const isSmall = useMediaQuery('(max-width: 700px)');
const drawer = useDrawer();
const isDark = useDark({ selector: 'html', attribute: 'data-bs-theme', valueDark: 'dark', valueLight: 'light' });
const toggleDark = useToggle(isDark);
/** Under a thumb there is room for seven: what a phone is taken up for least is among the more. */
const RARE: readonly BoardView[] = ['section', 'logbook'];
const views = computed(() => (isSmall.value ? BOARD_VIEWS.filter((view) => !RARE.includes(view)) : BOARD_VIEWS));
const more = computed(() => [
  ...(store.boardId === null
    ? []
    : RARE.map((view) => ({ text: STOPS[view].name, go: () => void router.push({ name: view, params: { boardId: store.boardId } }) }))),
  { text: 'Boards', go: () => void router.push('/') },
  { text: 'Workshop', go: () => void router.push('/workshop') },
  { text: 'Shortcuts', go: () => drawer.showKeys() },
  { text: 'This server', go: () => drawer.showServer() },
  { text: isDark.value ? 'Light theme' : 'Dark theme', go: () => void toggleDark() },
]);
const marks = computed(() => {
  const counts: Partial<Record<string, number>> = {};
  for (const { code } of store.warnings) {
    const [view] = viewsOf(code);
    counts[view] = (counts[view] ?? 0) + 1;
  }
  return counts;
});
</script>

<template>
  <nav class="rail" aria-label="Views">
    <RouterLink to="/" class="brand">
      <svg viewBox="0 0 24 24" aria-hidden="true">
        <path d="M3 3h18v10h-8v8H3z" fill="none" stroke="currentColor" stroke-width="2.4" />
        <path d="M15 15h6v6h-6z" fill="var(--moss)" />
      </svg>
      Spare Acre
    </RouterLink>
    <RouterLink to="/" class="stop" active-class="" exact-active-class="router-link-active"><Boards /> Boards</RouterLink>
    <template v-if="store.boardId !== null">
      <hr />
      <RouterLink v-for="view in views" :key="view" :to="{ name: view, params: { boardId: store.boardId } }" class="stop">
        <component :is="STOPS[view].icon" />
        {{ STOPS[view].name }}
        <span v-if="marks[view]" class="count" :aria-label="`Warnings: ${marks[view]}`">{{ marks[view] }}</span>
      </RouterLink>
    </template>
    <hr v-if="!isSmall" />
    <RouterLink v-if="!isSmall" to="/workshop" class="stop"><Workshop /> Workshop</RouterLink>
    <MoreMenu v-if="isSmall" :items="more" />
    <div v-else class="foot">
      <BButton variant="bare" @click="drawer.showKeys()">Shortcuts <kbd>?</kbd></BButton>
      <BButton variant="bare" @click="drawer.showServer()">This server</BButton>
      <BButton variant="bare" @click="toggleDark()">{{ isDark ? 'Light theme' : 'Dark theme' }}</BButton>
    </div>
  </nav>
</template>

<style scoped>
kbd {
  background: none;
  color: inherit;
  border: 1px solid var(--rule);
  padding: 0 4px;
}
</style>
