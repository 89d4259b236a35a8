<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { MAX_PICTURES_MB } from '@spare-acre/core/io/wire';
import { dayText } from '../../ui/dates';
import { type Kept, type ListedPicture, fetchPictures, removePicture } from '../../stores/bench/pictures';

/** The pictures under all boards: how much room they take, and which nobody needs. */
const kept = shallowRef<Kept | null>(null);
const problem = ref('');
const sizeText = (bytes: number): string =>
  bytes < 1_048_576 ? `${Math.max(1, Math.round(bytes / 1_024))} kB` : `${(bytes / 1_048_576).toFixed(1)} MB`;
const total = computed(() => `${sizeText(kept.value?.bytes ?? 0)} of ${MAX_PICTURES_MB} MB`);

async function told(work: () => Promise<void>): Promise<void> {
  problem.value = '';
  await work().catch((error: unknown) => (problem.value = error instanceof Error ? error.message : String(error)));
}
const load = (): Promise<void> => told(async () => void (kept.value = await fetchPictures()));
const remove = (id: string): Promise<void> =>
  told(async () => {
    await removePicture(id);
    await load();
  });
onMounted(load);

function useText({ usedBy, isInHistory }: ListedPicture): string {
  if (usedBy.length > 0) return `under ${usedBy.map(({ name }) => name).join(', ')}`;
  return isInHistory ? 'in an earlier version only' : 'used by no board; deleted automatically after a week';
}
</script>

<template>
  <section>
    <h3 class="h6">Pictures</h3>
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }} <BButton variant="key" @click="load">Refresh</BButton></p>
    <p v-if="kept?.pictures.length === 0" class="quiet">
      No pictures yet. Photos and sketches that you place under a plan appear here, up to {{ MAX_PICTURES_MB }} MB in total.
    </p>
    <p v-else-if="kept !== null" class="quiet">{{ total }}</p>
    <ul>
      <li v-for="one in kept?.pictures" :key="one.id">
        <img :src="`/api/pictures/${one.id}`" alt="" loading="lazy" />
        <span>
          {{ one.widthPx }} × {{ one.heightPx }} px, {{ sizeText(one.bytes) }}, {{ dayText(one.keptAt) }}
          <span class="quiet d-block">{{ useText(one) }}</span>
        </span>
        <BButton
          v-if="one.usedBy.length === 0"
          variant="key"
          :aria-label="`Delete the picture of ${dayText(one.keptAt)}`"
          @click="remove(one.id)"
        >
          Delete
        </BButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 64px 1fr auto;
  gap: 10px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
img {
  width: 64px;
  height: 48px;
  object-fit: cover;
}
section {
  margin-bottom: 20px;
}
</style>
