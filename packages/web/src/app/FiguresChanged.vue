<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, onWatcherCleanup, ref, shallowRef, watch } from 'vue';
import { changeWords, changesBetween, usedEntries } from '@spare-acre/core/catalogue/editing';
import { PlanSchema } from '@spare-acre/core/plan/schema';
import { useCatalogue } from '../stores/workshop/catalogue';
import { type Remembered, fetchEdition, takeNote } from '../stores/board/edition';
import { usePlan } from '../stores/board/plan';
import { dayText } from '../ui/dates';
import { effectsOn } from '../workers/effects';

/** Told over a board whose figures are other than those it was reckoned with: which, and what that does to it. */
const store = usePlan();
const catalogues = useCatalogue();
const remembered = shallowRef<Remembered | null>(null);
const isOpen = ref(false);
const problem = ref('');
const effect = shallowRef<readonly string[] | null>(null);

watch(
  () => [store.boardId, catalogues.catalogue] as const,
  async ([boardId]) => {
    let isOver = false;
    onWatcherCleanup(() => (isOver = true));
    // Nobody waits for it: where it does not come it is asked for the next time.
    const edition = boardId === null ? null : await fetchEdition(boardId).catch(() => null);
    if (isOver) return;
    remembered.value = edition;
    effect.value = null;
  },
  { immediate: true },
);

const rows = computed(() => {
  const then = remembered.value?.catalogue ?? null;
  const now = catalogues.catalogue;
  if (then === null || now === null || store.plan === null) return [];
  const [was, is] = [then, now].map((one) => usedEntries(PlanSchema, store.plan!, one));
  return changesBetween(then, now, (place) => was!.has(place) || is!.has(place)).map((change) =>
    changeWords(change, then, now, store.showing),
  );
});
const title = computed(() => {
  const count = rows.value.length;
  return `${count} ${count === 1 ? 'value' : 'values'} used by this board changed since ${dayText(remembered.value!.since)}`;
});

async function see(): Promise<void> {
  isOpen.value = !isOpen.value;
  const then = remembered.value?.catalogue ?? null;
  if (!isOpen.value || effect.value !== null || then === null) return;
  try {
    const board = { id: store.boardId!, plan: store.plan!, record: store.record };
    for await (const { changes } of effectsOn([board], then, catalogues.catalogue!)) effect.value = changes;
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
}
async function note(): Promise<void> {
  problem.value = '';
  try {
    remembered.value = await takeNote(store.boardId!);
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
}
</script>

<template>
  <section v-if="rows.length > 0" class="changed" data-testid="figures-changed" aria-label="Changed values">
    <div class="said">
      <strong>{{ title }}</strong>
      <BButton variant="key" size="sm" :aria-expanded="isOpen" @click="see">{{ isOpen ? 'Less' : 'Show them' }}</BButton>
      <BButton variant="key" size="sm" @click="note">Acknowledge</BButton>
      <span v-if="problem !== ''" class="attention" role="alert">{{ problem }}</span>
    </div>
    <div v-if="isOpen" class="body">
      <p class="m-0" data-testid="figures-effect">
        {{
          effect === null
            ? 'Calculating the effect …'
            : effect.length === 0
              ? 'The summary does not change.'
              : `Effect on this board: ${effect.join(', ')}.`
        }}
      </p>
      <BTableSimple class="ledger">
        <thead>
          <tr>
            <th>Of</th>
            <th>What</th>
            <th class="num">Was</th>
            <th class="num">Is</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in rows" :key="i">
            <td>{{ row.name }}</td>
            <td>{{ row.field }}</td>
            <td class="num">{{ row.before }}</td>
            <td class="num">{{ row.after }}</td>
          </tr>
        </tbody>
      </BTableSimple>
    </div>
  </section>
</template>

<style scoped>
.main > .changed {
  background: var(--paper);
  border-bottom: 1px solid var(--rule);
  padding: 6px 18px;
  flex: none;
}
.said {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: baseline;
}
.body {
  max-height: 34vh;
  overflow: auto;
}
</style>
