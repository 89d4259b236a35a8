<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { onMounted, ref, shallowRef } from 'vue';
import { type DeletedKind, KEPT_DAYS } from '@spare-acre/core/io/wire';
import { dayText } from '../../ui/dates';
import { fetchDeleted, restore } from './access';

/** What was deleted lately, by whom, and a way to bring it back. */
const KINDS: Readonly<Record<DeletedKind, string>> = { log: 'Log entry', shelf: 'Shelf entry', offcut: 'Offcut', picture: 'Picture' };
const deleted = shallowRef<Awaited<ReturnType<typeof fetchDeleted>> | null>(null);
const problem = ref('');
async function attempt(work: () => Promise<void>): Promise<void> {
  problem.value = '';
  await work().catch((error: unknown) => (problem.value = error instanceof Error ? error.message : String(error)));
}
onMounted(() => attempt(async () => void (deleted.value = await fetchDeleted())));
</script>

<template>
  <section>
    <h3 class="h6">Recently deleted</h3>
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    <p v-if="deleted?.length === 0" class="quiet">
      No deleted items. Deleted log entries, shelf entries, offcuts and pictures stay here for {{ KEPT_DAYS }} days.
    </p>
    <div v-for="one in deleted" :key="one.id" class="line" data-testid="deleted">
      <span>{{ KINDS[one.kind] }}: {{ one.name }}, {{ dayText(one.at) }}{{ one.by === null ? '' : `, by ${one.by}` }}</span>
      <BButton
        variant="key"
        :aria-label="`Restore ${one.name}`"
        @click="attempt(async () => void (deleted = await restore(one.kind, one.id)))"
        >Restore</BButton
      >
    </div>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
}
section {
  margin-bottom: 20px;
}
</style>
