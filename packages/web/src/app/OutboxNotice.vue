<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormTextarea } from 'bootstrap-vue-next/components/BFormTextarea';
import { computed, onMounted, ref } from 'vue';
import { deedText } from '../stores/bench/benchEventText';
import { useOutbox } from '../stores/device/outbox';
import { usePlan } from '../stores/board/plan';

/** What this device did on other boards and could not send yet, and what the server rejected, wherever it was done. */
const { names = {} } = defineProps<{ names?: Readonly<Record<string, string>> }>();
const outbox = useOutbox();
const store = usePlan();
onMounted(async () => {
  await outbox.load();
  await outbox.flush();
});
const elsewhere = computed(() => {
  const counts = new Map<string, number>();
  for (const { boardId } of outbox.toSend) if (boardId !== store.boardId) counts.set(boardId, (counts.get(boardId) ?? 0) + 1);
  return [...counts].map(([boardId, count]) => ({ boardId, count }));
});
const drafts = computed(() => outbox.drafts.filter((id) => id !== store.boardId && (Object.keys(names).length === 0 || id in names)));
const nameOf = (boardId: string): string => names[boardId] ?? (boardId === store.boardId ? 'this board' : 'another board');
/** Other words for a rejected log entry, by its id. */
const words = ref<Record<string, string>>({});
</script>

<template>
  <section v-if="elsewhere.length + drafts.length + outbox.refused.length > 0" aria-label="Not sent yet" class="outbox">
    <p v-for="{ boardId, count } in elsewhere" :key="boardId" role="status" data-testid="outbox-elsewhere">
      {{ count }} {{ count === 1 ? 'entry' : 'entries' }} for {{ nameOf(boardId) }} {{ count === 1 ? 'waits' : 'wait' }} on this device to
      be sent.
      {{ outbox.isAway ? 'The server is not reachable.' : '' }}
      {{ outbox.isUnkept ? 'This browser cannot store them: keep this page open.' : '' }}
    </p>
    <p v-for="boardId in drafts" :key="boardId" data-testid="outbox-draft">
      Changes of {{ nameOf(boardId) }} are stored in this browser and not saved yet.
      <RouterLink :to="{ name: 'ground', params: { boardId } }">Open the board to save them</RouterLink>.
    </p>
    <div v-for="one in outbox.refused" :key="one.deed.id" class="attention" role="alert" data-testid="outbox-rejected">
      <p>{{ deedText(one.deed) }} ({{ nameOf(one.boardId) }}). The server rejected it: {{ one.refused }}</p>
      <BFormTextarea
        v-if="one.deed.act.kind === 'note'"
        :model-value="words[one.deed.id] ?? one.deed.act.entry.note"
        aria-label="Text of the entry"
        rows="2"
        @update:model-value="(text) => (words[one.deed.id] = String(text))"
      />
      <BButton variant="key" @click="outbox.retry(one.boardId, one, words[one.deed.id])">Send again</BButton>
      <BButton variant="key" @click="outbox.discard(one.boardId, one)">Discard</BButton>
    </div>
  </section>
</template>

<style scoped>
.outbox p {
  margin: 4px 0;
}
.outbox :deep(.btn) {
  min-height: 44px;
  align-items: center;
  margin: 4px 8px 4px 0;
}
</style>
