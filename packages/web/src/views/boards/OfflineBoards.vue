<script setup lang="ts">
import { onMounted } from 'vue';
import type { BoardEntry } from '@spare-acre/core/io/wire';
import { offline } from '../../stores/device/offline';
import { useOfflineBoards } from '../../stores/device/offlineBoards';
import TickField from '../../ui/fields/TickField.vue';

/** Which boards this device keeps, so that they open at the bench without a network. */
defineProps<{ boards: readonly BoardEntry[] }>();
const store = useOfflineBoards();
onMounted(() => void store.renew());
const sizeText = (bytes: number): string =>
  bytes < 1_048_576 ? `${Math.max(1, Math.round(bytes / 1_024))} kB` : `${(bytes / 1_048_576).toFixed(1)} MB`;
const labelOf = ({ id, name }: BoardEntry): string => {
  const bytes = store.kept[id];
  return bytes === undefined ? name : `${name} (${sizeText(bytes)})`;
};
const toggle = (id: string, isKept: boolean): void => void (isKept ? store.keep(id) : store.drop(id));
</script>

<template>
  <p v-if="offline === 'never'" class="quiet">
    This device cannot store boards: it does not trust the server’s certificate. Open “This server” for the steps.
  </p>
  <div v-else class="kept">
    <p class="quiet">
      Stored boards open on this device without a network. They are updated whenever this page is open and the server answers.
    </p>
    <TickField
      v-for="board in boards"
      :key="board.id"
      :label="labelOf(board)"
      :is-on="board.id in store.kept"
      @toggle="(isKept) => toggle(board.id, isKept)"
    />
    <p v-if="store.busyId !== null" role="status">Storing …</p>
    <p v-if="store.fault !== ''" class="attention" role="alert">{{ store.fault }}</p>
  </div>
</template>

<style scoped>
.kept {
  max-width: 520px;
}
</style>
