<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormFile } from 'bootstrap-vue-next/components/BFormFile';
import { computed, ref } from 'vue';
import type { Kind } from '@spare-acre/core/catalogue/editing';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { keepPicture } from '../../stores/bench/pictures';
import { setPicture } from '../../stores/workshop/workshop';

/** What an entry looks like on the shelf or in the hand. */
const props = defineProps<{ kind: Kind; id: string; name: string }>();
const catalogues = useCatalogue();
const fault = ref('');
const pictureId = computed(() => catalogues.pictures.find(({ kind, id }) => kind === props.kind && id === props.id)?.pictureId ?? null);

async function attempt(work: () => Promise<void>): Promise<void> {
  fault.value = '';
  try {
    await work();
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error);
  }
}
const take = (file: File | null): Promise<void> =>
  attempt(async () => {
    if (file !== null) await setPicture(props.kind, props.id, (await keepPicture(file)).id);
  });
const drop = (): Promise<void> => attempt(() => setPicture(props.kind, props.id, null));
</script>

<template>
  <div class="picture">
    <img v-if="pictureId !== null" :src="`/api/pictures/${pictureId}`" :alt="`Picture of ${name}`" />
    <BFormFile accept="image/png,image/jpeg" label="Picture" @update:model-value="(file) => take((file as File | null) ?? null)" />
    <BButton v-if="pictureId !== null" variant="key" size="sm" @click="drop">Remove the picture</BButton>
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
  </div>
</template>

<style scoped>
.picture {
  margin: 8px 0;
}
img {
  display: block;
  max-width: 100%;
  max-height: 180px;
  margin-bottom: 6px;
  border: 1px solid var(--rule);
}
</style>
