<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BModal } from 'bootstrap-vue-next/components/BModal';
import { computed, ref } from 'vue';
import { usePlan } from '../stores/board/plan';
import { useSettling } from '../stores/board/settling';
import TickField from '../ui/fields/TickField.vue';

/** Someone else saved first: nothing is lost, and the builder says how to go on. */
const store = usePlan();
const settling = useSettling();
const isOpen = computed(() => store.saving.state === 'stale' && settling.merge !== null);
const clashes = computed(() => settling.merge?.clashes ?? []);
const tooMany = computed(() => settling.merge?.tooMany ?? null);
const over = computed(() => tooMany.value?.over ?? 0);
const isBusy = ref(false);
const problem = ref('');

function take(id: string, isTaken: boolean): void {
  const left = new Set(settling.leftOut);
  if (isTaken) left.delete(id);
  else left.add(id);
  settling.leftOut = left;
}

async function settle(choice: 'merge' | 'mine' | 'theirs'): Promise<void> {
  isBusy.value = true;
  problem.value = '';
  await settling.settle(choice).catch((error: unknown) => (problem.value = error instanceof Error ? error.message : String(error)));
  isBusy.value = false;
}
</script>

<template>
  <BModal
    :model-value="isOpen"
    title-tag="h2"
    title-class="h5"
    title="Someone else saved this board"
    scrollable
    no-close-on-backdrop
    no-close-on-esc
    no-header-close
    no-footer
  >
    <p>
      Version {{ store.saving.stored?.revision }} was saved from another tab or device while you were editing version
      {{ store.saving.revision }}. Both are safe. Choose how to continue.
    </p>
    <p v-if="settling.merge?.hasBase === false" class="attention">
      The version that both started from is no longer stored. Every difference therefore counts as changed in both, and anything removed in
      one comes back.
    </p>
    <p v-if="clashes.length > 0" class="attention">
      Changed in both: {{ clashes.join(', ') }}. If you merge, your changes are used for these.
    </p>
    <p v-else-if="over === 0" class="quiet">The two versions change different things. They can be merged without conflicts.</p>
    <fieldset v-if="tooMany !== null" class="too-many">
      <legend class="h6">
        <template v-if="over > 0">
          The merged board has {{ tooMany.count }} features, {{ over }} more than the limit of {{ tooMany.most }}. Choose {{ over }} to
          remove:
        </template>
        <template v-else>The merged board now has {{ tooMany.count }} features. The limit is {{ tooMany.most }}.</template>
      </legend>
      <TickField
        v-for="{ id, name, by } in tooMany.added"
        :key="id"
        :label="`${name}, added ${by === 'mine' ? 'here' : 'elsewhere'}`"
        :is-on="!settling.leftOut.has(id)"
        @toggle="(isTaken) => take(id, isTaken)"
      />
    </fieldset>
    <p v-else-if="settling.merge?.problem" class="attention">The merged board is not valid: {{ settling.merge.problem }}.</p>
    <div class="d-flex flex-column gap-2 align-items-start">
      <BButton variant="primary" :disabled="isBusy || settling.merge?.problem !== ''" @click="settle('merge')">Merge both</BButton>
      <BButton variant="key" :disabled="isBusy" @click="settle('mine')">Keep my version (the other stays in the history)</BButton>
      <BButton variant="key" :disabled="isBusy" @click="settle('theirs')"> Use the other version, save mine as a new board </BButton>
    </div>
    <p v-if="problem !== ''" class="attention mt-2" role="alert">{{ problem }}</p>
  </BModal>
</template>

<style scoped>
.too-many {
  max-height: 240px;
  margin-bottom: 12px;
  overflow-y: auto;
}
</style>
