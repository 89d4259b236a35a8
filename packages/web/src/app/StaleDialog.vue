<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BModal } from 'bootstrap-vue-next/components/BModal';
import { computed, ref } from 'vue';
import { usePlan } from '../document/plan';

/** Someone else saved first: nothing is lost, and the builder says how to go on. */
const store = usePlan();
const isOpen = computed(() => store.saving.state === 'stale' && store.merge !== null);
const clashes = computed(() => store.merge?.clashes ?? []);
const isBusy = ref(false);
const problem = ref('');

async function settle(choice: 'merge' | 'mine' | 'theirs'): Promise<void> {
  isBusy.value = true;
  problem.value = '';
  await store.settle(choice).catch((error: unknown) => (problem.value = error instanceof Error ? error.message : String(error)));
  isBusy.value = false;
}
</script>

<template>
  <BModal
    :model-value="isOpen"
    title-tag="h2"
    title-class="h5"
    title="Someone saved this board first"
    no-close-on-backdrop
    no-close-on-esc
    no-header-close
    no-footer
  >
    <p>
      Revision {{ store.saving.stored?.revision }} was saved from another tab or place while you were working from revision
      {{ store.saving.revision }}. Both versions are safe; say how to go on.
    </p>
    <p v-if="clashes.length > 0" class="attention">Both changed: {{ clashes.join(', ') }}. Put together, yours counts there.</p>
    <p v-else class="quiet">The two versions touch different things and go together cleanly.</p>
    <div class="d-flex flex-column gap-2 align-items-start">
      <BButton variant="primary" :disabled="isBusy" @click="settle('merge')">Put both together</BButton>
      <BButton variant="key" :disabled="isBusy" @click="settle('mine')">Keep mine, the other stays in the history</BButton>
      <BButton variant="key" :disabled="isBusy" @click="settle('theirs')"> Take the other, mine becomes a board of its own </BButton>
    </div>
    <p v-if="problem !== ''" class="attention mt-2" role="alert">{{ problem }}</p>
  </BModal>
</template>
