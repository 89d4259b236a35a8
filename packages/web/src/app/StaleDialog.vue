<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BModal } from 'bootstrap-vue-next/components/BModal';
import { computed, ref } from 'vue';
import { usePlan } from '../document/plan';
import { useSettling } from '../document/settling';
import TickField from '../ui/TickField.vue';

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
    title="Someone saved this board first"
    scrollable
    no-close-on-backdrop
    no-close-on-esc
    no-header-close
    no-footer
  >
    <p>
      Revision {{ store.saving.stored?.revision }} was saved from another tab or place while you were working from revision
      {{ store.saving.revision }}. Both versions are safe; say how to go on.
    </p>
    <p v-if="settling.merge?.hasBase === false" class="attention">
      The version both grew from is no longer kept, so whatever differs counts as changed by both, and what either side took out comes back.
    </p>
    <p v-if="clashes.length > 0" class="attention">Both changed: {{ clashes.join(', ') }}. Put together, yours counts there.</p>
    <p v-else-if="over === 0" class="quiet">The two versions touch different things and go together cleanly.</p>
    <fieldset v-if="tooMany !== null" class="too-many">
      <legend class="h6">
        <template v-if="over > 0">
          Together they have {{ tooMany.count }} features, {{ over }} more than the {{ tooMany.most }} of a board. Leave out {{ over }}:
        </template>
        <template v-else>Together they have {{ tooMany.count }} features now; {{ tooMany.most }} go on a board.</template>
      </legend>
      <TickField
        v-for="{ id, name, by } in tooMany.added"
        :key="id"
        :label="`${name}, added ${by === 'mine' ? 'here' : 'elsewhere'}`"
        :is-on="!settling.leftOut.has(id)"
        @toggle="(isTaken) => take(id, isTaken)"
      />
    </fieldset>
    <p v-else-if="settling.merge?.problem" class="attention">Put together they make no sound board: {{ settling.merge.problem }}.</p>
    <div class="d-flex flex-column gap-2 align-items-start">
      <BButton variant="primary" :disabled="isBusy || settling.merge?.problem !== ''" @click="settle('merge')">Put both together</BButton>
      <BButton variant="key" :disabled="isBusy" @click="settle('mine')">Keep mine, the other stays in the history</BButton>
      <BButton variant="key" :disabled="isBusy" @click="settle('theirs')"> Take the other, mine becomes a board of its own </BButton>
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
