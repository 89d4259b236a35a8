<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BToast } from 'bootstrap-vue-next/components/BToast';
import { computed, ref, watch } from 'vue';
import { usePlan } from '../stores/board/plan';

/** What was just done, with its undo on it. It goes by itself, and as soon as something else is done. */
const STAYS_MS = 8_000;
const store = usePlan();
const isCurrent = computed(() => store.notice !== null && store.notice.steps === store.history.done.length);
/** ms left, as the toast counts them down. */
const left = ref<number | boolean>(STAYS_MS);
watch(
  () => store.notice,
  () => (left.value = STAYS_MS),
);
watch(left, (now) => {
  if (now === false || now === 0) store.notice = null;
});
function undo(): void {
  store.undo();
  store.notice = null;
}
</script>

<template>
  <div class="notices" aria-live="polite">
    <BToast v-if="isCurrent" :key="store.notice!.steps" v-model="left" no-progress no-close-button body-class="notice">
      <span>{{ store.notice!.text }}</span>
      <BButton v-if="store.notice!.isDeed" variant="key" :aria-label="`Undo: ${store.notice!.text}`" @click="undo">Undo</BButton>
    </BToast>
  </div>
</template>

<style scoped>
/* Under the head and beside the side panel, where nothing stands to be pressed. */
.notices {
  position: fixed;
  top: 54px;
  right: 312px;
  /* Under a drawer that is opened meanwhile. */
  z-index: 1030;
}
.notices :deep(.notice) {
  display: flex;
  gap: 12px;
  align-items: baseline;
  justify-content: space-between;
  padding: 4px 10px;
}
@media (max-width: 700px) {
  .notices {
    top: auto;
    right: 10px;
    bottom: 116px;
    left: 10px;
  }
}
</style>
