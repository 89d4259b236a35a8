<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormFile } from 'bootstrap-vue-next/components/BFormFile';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { BFormTextarea } from 'bootstrap-vue-next/components/BFormTextarea';
import { computed } from 'vue';
import { type Bare, showText } from '@spare-acre/core/base/units';
import type { Usage } from '@spare-acre/core/schedule/bench-tasks';
import { usePlan } from '../../stores/board/plan';
import type { Said } from './said';

/** What it really took, a note, photos: goes with Done, or is written down by itself. */
const said = defineModel<Said>({ required: true });
defineProps<{ takes: readonly Bare<Usage>[] }>();
const emit = defineEmits<{ write: [] }>();
const store = usePlan();
/** Something was begun before the page was dropped, or another task looked at. */
const wasBegun = said.value.note !== '' || said.value.minutes !== '';
const photos = computed({
  get: () => [...said.value.photos],
  set: (files: File[] | null) => (said.value = { ...said.value, photos: files ?? [] }),
});
</script>

<template>
  <details class="said" :open="wasBegun">
    <summary>Log time, amounts, note or photo</summary>
    <form aria-label="Actual time and amounts" @submit.prevent="emit('write')">
      <label
        >Actual time <BFormInput v-model="said.minutes" inputmode="decimal" autocomplete="off" placeholder="from the timer" /> min</label
      >
      <label v-for="(take, i) in takes" :key="take.name"
        >{{ take.name }} <BFormInput v-model="said.amounts[i]" inputmode="decimal" autocomplete="off" /> {{ take.amount.unit }}
        <small class="quiet">planned {{ showText(take.amount, store.showing) }}</small></label
      >
      <label class="wide">Note <BFormTextarea v-model="said.note" rows="2" maxlength="2000" /></label>
      <BFormFile v-model="photos" multiple accept="image/png,image/jpeg" label="Photos" />
      <p v-if="said.photos.length > 0" class="quiet">
        {{ said.photos.length }} {{ said.photos.length === 1 ? 'photo' : 'photos' }}; place and time of the photos are removed
      </p>
      <BButton type="submit" variant="key">Add entry, not done yet</BButton>
    </form>
  </details>
</template>

<style scoped>
.said {
  margin: 8px 0;
}
summary {
  min-height: 44px;
  line-height: 44px;
}
form {
  display: grid;
  gap: 8px;
}
label {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
label :deep(input) {
  width: 110px;
  min-height: 44px;
}
.wide :deep(textarea) {
  flex: 1 1 100%;
}
form :deep(.btn) {
  min-height: 44px;
  align-items: center;
}
</style>
