<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { keepsSizes } from '@spare-acre/core/build/pieces';
import type { Piece } from '@spare-acre/core/plan';
import { type StoredBoard, fetchBoard, fetchBoards } from '../../stores/device/client';
import { usePlan } from '../../stores/board/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';

/** Pieces of the other boards of this server: to stand here as well, or to be made once more. */
const emit = defineEmits<{ take: [piece: Piece, isMadeHere: boolean] }>();
const store = usePlan();
const boards = shallowRef<readonly { readonly id: string; readonly name: string }[] | null>(null);
const from = shallowRef<StoredBoard | null>(null);
const fault = ref('');
async function attempt(ask: () => Promise<void>): Promise<void> {
  fault.value = '';
  try {
    await ask();
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error);
  }
}
onMounted(() => attempt(async () => void (boards.value = (await fetchBoards()).boards.filter(({ id }) => id !== store.boardId))));
const choose = (id: string): Promise<void> => attempt(async () => void (from.value = id === '' ? null : await fetchBoard(id)));
const options = computed(() => [
  { value: '', text: 'choose …' },
  ...(boards.value ?? []).map(({ id, name }) => ({ value: id, text: name })),
]);
const isOfOneScale = computed(() => from.value !== null && keepsSizes(from.value.plan, store.plan!));
/** Pieces that stand there as guests are taken from where they are made. */
const pieces = computed(() => (from.value?.plan.pieces ?? []).filter(({ isMadeElsewhere }) => !isMadeElsewhere));
</script>

<template>
  <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
  <p v-else-if="boards === null" class="quiet" role="status">Looking …</p>
  <p v-else-if="boards.length === 0" class="quiet">There is no other board on this server.</p>
  <template v-else>
    <ChoiceField label="Board" :value="from?.id ?? ''" :options="options" @choose="choose" />
    <template v-if="from !== null">
      <p v-if="pieces.length === 0" class="quiet">{{ from.plan.name }} has no pieces.</p>
      <p v-else-if="!isOfOneScale" class="quiet">
        That board is for {{ from.plan.figureHeightMm }} mm figures. A piece built here uses the figure and base sizes of this board.
      </p>
      <ul class="list">
        <li v-for="piece in pieces" :key="piece.id">
          <b>{{ piece.name }}</b>
          <span class="keys">
            <BButton v-if="isOfOneScale" variant="key" :aria-label="`Use ${piece.name} here too`" @click="emit('take', piece, false)"
              >Use here too</BButton
            >
            <BButton variant="key" :aria-label="`Build another ${piece.name}`" @click="emit('take', piece, true)">Build another</BButton>
          </span>
        </li>
      </ul>
    </template>
  </template>
</template>

<style scoped>
.list {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.list li {
  border-bottom: 1px solid var(--rule);
  padding: 7px 0;
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 4px;
}
</style>
