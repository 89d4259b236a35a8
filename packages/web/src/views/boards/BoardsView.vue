<script lang="ts">
import { partLazily } from '../../ui/lazily';

/** Fetched beside the list: most devices have nothing to send. */
const OutboxNotice = partLazily(() => import('../../app/OutboxNotice.vue'));
const OfflineBoards = partLazily(() => import('./OfflineBoards.vue'));
</script>

<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BCollapse } from 'bootstrap-vue-next/components/BCollapse';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { planAgain } from '@spare-acre/core/plan';
import { lengthField, lengthUnit } from '@spare-acre/core/base/units';
import type { BoardEntry, UnreadableBoard } from '@spare-acre/core/io/wire';
import {
  NoServer,
  bringBack,
  createBoard,
  exportPath,
  fetchBoard,
  fetchBoards,
  fetchPutAway,
  importBoard,
  putAway,
} from '../../stores/device/client';
import { usePlan } from '../../stores/board/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { dayText, today } from '../../ui/dates';
import { useLessons } from '../../stores/board/lessons';
import { ORDERS, type Order, onShelf } from './shelf';
import { MAX_AT_ONCE, useSummaries } from './useSummaries';
import NewBoardDialog from './NewBoardDialog.vue';
import BoardPicture from './BoardPicture.vue';

const isOfflineOpen = ref(false);

const boards = shallowRef<readonly BoardEntry[] | null>(null);
const unreadable = shallowRef<readonly UnreadableBoard[]>([]);
const summaries = useSummaries();
const problem = ref('');
const lastPutAway = shallowRef<BoardEntry | null>(null);
const isNewOpen = ref(false);
/** From so many on, finding one by eye takes longer than typing. */
const MANY = 5;
const sought = ref('');
const order = ref<Order>('saved');
const shelf = computed(() => onShelf(boards.value ?? [], sought.value, order.value));
/** So many cards are drawn; more when they are asked for. */
const PAGE = 24;
const shownCount = ref(PAGE);
watch([sought, order], () => (shownCount.value = PAGE));
const cards = computed(() => shelf.value.slice(0, shownCount.value));
const names = computed(() => Object.fromEntries((boards.value ?? []).map(({ id, name }) => [id, name])));
const isAwayOpen = ref(false);
const away = shallowRef<Awaited<ReturnType<typeof fetchPutAway>>>([]);
const router = useRouter();
const plans = usePlan();
const filePicker = ref<HTMLInputElement | null>(null);

onMounted(async () => {
  await plans.saving.leave();
  plans.close();
  await load();
});

async function load(): Promise<void> {
  await told(async () => {
    const listed = await fetchBoards();
    unreadable.value = listed.unreadable;
    boards.value = listed.boards;
    if (listed.boards.length <= MAX_AT_ONCE) summaries.calculate(listed.boards);
  });
}

/** Runs something and says what went wrong with it, in words. */
async function told(work: () => Promise<void>): Promise<void> {
  problem.value = '';
  try {
    await work();
  } catch (error) {
    problem.value =
      error instanceof NoServer
        ? 'The server does not answer. Is it still running?'
        : error instanceof Error
          ? error.message
          : String(error);
  }
}

async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (file === undefined) return;
  await told(async () => {
    const text = await file.text();
    let parsed: unknown;
    try {
      parsed = JSON.parse(text);
    } catch {
      throw new Error(`${file.name} is not a JSON file. Choose a plan exported from this program.`);
    }
    const board = await importBoard(parsed);
    await router.push({ name: 'ground', params: { boardId: board.id } });
  });
  input.value = '';
}

/** Both lines stand there while a board is calculated, so that the buttons under them stay where they are. */
const WAITING = '…';
const readyText = (board: BoardEntry): string => {
  const summary = summaries.of(board);
  return summary === null ? WAITING : summary.readyText || 'nothing to do';
};
const warningText = (board: BoardEntry): string => {
  const count = summaries.of(board)?.warnings;
  return count === undefined ? WAITING : count === 1 ? '1 warning' : `${count} warnings`;
};

/** How far a board has come, by what was ticked off. */
function stageText({ cutSheets, doneTasks }: BoardEntry): string {
  if (doneTasks > 0) return `at the bench, ${doneTasks} ${doneTasks === 1 ? 'task' : 'tasks'} done`;
  if (cutSheets === 0) return 'planning';
  return cutSheets === 1 ? 'cutting, 1 sheet cut' : `cutting, ${cutSheets} sheets cut`;
}

const lessons = useLessons();
/** A small tile, from drawing to a done bench: begun, or gone on with where it was left. */
const learn = (): Promise<void> =>
  told(async () => {
    if (lessons.value === null || !(boards.value ?? []).some(({ id }) => id === lessons.value!.boardId))
      lessons.value = await (await import('../lessons/begin')).beginLessons(today());
    await router.push({ name: 'ground', params: { boardId: lessons.value.boardId } });
  });
async function copy({ id }: BoardEntry): Promise<void> {
  await told(async () => {
    const { plan } = await fetchBoard(id);
    await createBoard({ plan: planAgain(plan), record: NOTHING_DONE });
    await load();
  });
}
async function putAside(board: BoardEntry): Promise<void> {
  await told(async () => {
    await putAway(board.id);
    lastPutAway.value = board;
    await load();
  });
}
async function bringItBack(id: string): Promise<void> {
  await told(async () => {
    await bringBack(id);
    if (lastPutAway.value?.id === id) lastPutAway.value = null;
    if (isAwayOpen.value) away.value = await fetchPutAway();
    await load();
  });
}
async function showAway(): Promise<void> {
  isAwayOpen.value = !isAwayOpen.value;
  if (isAwayOpen.value) await told(async () => void (away.value = await fetchPutAway()));
}

const hasTable = ({ summary }: BoardEntry): boolean => summary.widthMm > 0;
const tableText = (board: BoardEntry): string => {
  const { widthMm, depthMm, units, columnWidthsMm, rowDepthsMm } = board.summary;
  if (!hasTable(board)) return 'none: pieces only';
  const tiles = columnWidthsMm.length * rowDepthsMm.length;
  return `${lengthField(widthMm, units)} × ${lengthField(depthMm, units)} ${lengthUnit(units)}, ${tiles} ${tiles === 1 ? 'tile' : 'tiles'}`;
};
</script>

<template>
  <main class="main boards">
    <header>
      <h1>Boards</h1>
      <p class="quiet m-0">What are you building?</p>
      <span class="ms-auto d-flex gap-2">
        <BButton variant="key" @click="filePicker?.click()">Import plan</BButton>
        <!-- eslint-disable-next-line vue/no-restricted-html-elements -- the browser's own file picker behind our button: BFormFile brings a field of its own to look at -->
        <input
          ref="filePicker"
          type="file"
          accept=".json,application/json"
          class="visually-hidden"
          tabindex="-1"
          aria-label="Plan file"
          @change="take"
        />
        <BButton variant="key" @click="learn">{{ lessons === null ? 'Start lessons' : 'Continue lessons' }}</BButton>
        <BButton variant="primary" @click="isNewOpen = true">New board</BButton>
      </span>
    </header>
    <p v-if="problem !== ''" class="warning" role="alert">{{ problem }} <BButton variant="key" @click="load">Refresh</BButton></p>
    <OutboxNotice v-if="boards !== null" :names="names" />
    <p v-if="lastPutAway !== null" class="quiet">
      {{ lastPutAway.name }} is archived. <BButton variant="key" @click="bringItBack(lastPutAway.id)">Restore</BButton>
    </p>
    <p v-for="{ id, name, issues } in unreadable" :key="id" class="warning" role="alert">
      The stored plan of {{ name }} cannot be read: {{ issues[0]!.path }}: {{ issues[0]!.message }}. The file is kept unchanged.
      <a :href="exportPath(id)">Export the file</a>, correct it and import it again.
    </p>
    <p v-if="boards?.length === 0 && unreadable.length === 0" class="empty">
      No boards yet. Start with the table size and the number of tiles. The rest is calculated from what you draw.
      <BButton variant="primary" class="ms-2" @click="isNewOpen = true">Create first board</BButton>
    </p>
    <div v-if="(boards?.length ?? 0) >= MANY" class="find">
      <BFormInput v-model="sought" type="search" class="sought" placeholder="Find by name" aria-label="Find by name" />
      <ChoiceField label="Sort by" :value="order" :options="ORDERS" hide-label @choose="(one) => (order = one)" />
      <span class="quiet" role="status">{{ shelf.length }} of {{ boards?.length }}</span>
    </div>
    <ul class="cards">
      <li v-for="board in cards" :key="board.id" @pointerenter="summaries.calculate([board])" @focusin="summaries.calculate([board])">
        <RouterLink :to="{ name: hasTable(board) ? 'ground' : 'pieces', params: { boardId: board.id } }">
          <span class="plan"><BoardPicture :name="board.name" :summary="board.summary" /></span>
          <h2>{{ board.name }}</h2>
        </RouterLink>
        <div class="line">
          <span>Table</span><span>{{ tableText(board) }}</span>
        </div>
        <div class="line">
          <span>Ready</span><span>{{ readyText(board) }}</span>
        </div>
        <div class="line">
          <span>Stage</span><span>{{ stageText(board) }}</span>
        </div>
        <div class="line">
          <span>Warnings</span>
          <span :class="{ attention: (summaries.of(board)?.warnings ?? 0) > 0 }">{{ warningText(board) }}</span>
        </div>
        <div class="d-flex gap-2 mt-2">
          <BButton variant="key" @click="copy(board)">Copy</BButton>
          <BButton variant="key" @click="putAside(board)">Archive</BButton>
        </div>
      </li>
    </ul>
    <BButton v-if="cards.length < shelf.length" variant="key" @click="shownCount += PAGE"
      >Show {{ Math.min(PAGE, shelf.length - cards.length) }} more boards</BButton
    >
    <BButton v-if="boards !== null" variant="bare" class="quiet" :aria-expanded="isAwayOpen" aria-controls="boards-away" @click="showAway">
      {{ isAwayOpen ? '▾' : '▸' }} Archived boards
    </BButton>
    <BCollapse id="boards-away" :model-value="isAwayOpen">
      <p v-if="away.length === 0" class="quiet">No archived boards. Boards that you archive appear here, complete, and can be restored.</p>
      <div v-for="{ id, name, putAwayAt } in away" :key="id" class="line away">
        <span
          >{{ name }} <span class="quiet">archived {{ dayText(putAwayAt) }}</span></span
        >
        <BButton variant="key" :aria-label="`Restore ${name}`" @click="bringItBack(id)">Restore</BButton>
      </div>
    </BCollapse>
    <BButton
      v-if="(boards?.length ?? 0) > 0"
      variant="bare"
      class="quiet mt-2"
      :aria-expanded="isOfflineOpen"
      aria-controls="boards-offline"
      @click="isOfflineOpen = !isOfflineOpen"
    >
      {{ isOfflineOpen ? '▾' : '▸' }} Boards on this device
    </BButton>
    <BCollapse id="boards-offline" :model-value="isOfflineOpen">
      <OfflineBoards v-if="isOfflineOpen" :boards="boards ?? []" />
    </BCollapse>
    <NewBoardDialog v-model="isNewOpen" :boards="boards ?? []" />
  </main>
</template>

<style scoped>
.boards {
  padding: 18px 26px;
  overflow-y: auto;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 14px;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 12px;
}
header h1 {
  font-size: 1.5rem;
}
.find {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 8px 14px;
  margin-top: 14px;
}
.sought {
  width: 220px;
}
[aria-controls] {
  display: block;
}
.away {
  max-width: 520px;
  margin-top: 6px;
}
.cards {
  list-style: none;
  margin: 18px 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 26px;
}
.cards li {
  width: 300px;
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 14px;
}
.cards a {
  color: inherit;
  text-decoration: none;
}
.cards a:hover h2 {
  color: var(--slate);
}
.plan {
  display: grid;
  place-items: center;
  height: 182px;
}
h2 {
  font-size: 1.15rem;
  margin: 10px 0 6px;
}
.empty {
  margin-top: 30px;
  max-width: 60ch;
}
</style>
