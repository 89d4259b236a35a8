<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { type CutJob, isCut } from '@spare-acre/core/build/cutting/job';
import { placedParts } from '@spare-acre/core/build/cutting/bench';
import type { ByHand } from './useByHand';

/** What can be done by hand with the part that is chosen. */
const props = defineProps<{ job: CutJob; index: number; hand: ByHand }>();
const emit = defineEmits<{ carried: [toSheet: number] }>();
const part = computed(() => placedParts(props.job, props.index).find(({ id }) => id === props.hand.chosen.value) ?? null);
const pinned = computed(() => props.job.layout.sheets.flatMap(({ placements }) => placements).filter((one) => one.pinned).length);
const others = computed(() => props.job.layout.sheets.flatMap((sheet, i) => (i === props.index || isCut(sheet) ? [] : [i])));
function carry(toSheet: number): void {
  if (props.hand.put(part.value!.id, { code: 'carry', toSheet })) emit('carried', toSheet);
}
</script>

<template>
  <div class="bar" data-testid="hand-bar">
    <template v-if="part !== null">
      <b>{{ part.name }}</b>
      <BButton
        variant="key"
        :disabled="!part.mayTurn"
        :title="part.mayTurn ? '' : 'The grain must run along the sheet'"
        @click="hand.put(part.id, { code: 'turn' })"
      >
        Rotate <kbd>t</kbd>
      </BButton>
      <BButton variant="key" :aria-pressed="part.pinned" @click="hand.put(part.id, { code: 'pin', pinned: !part.pinned })">
        {{ part.pinned ? 'Pinned' : 'Pin' }} <kbd>p</kbd>
      </BButton>
      <template v-if="others.length > 0">
        <span class="quiet">move to sheet</span>
        <BButton v-for="i in others" :key="i" variant="key" :aria-label="`Move to sheet ${i + 1}`" @click="carry(i)">
          {{ i + 1 }}
        </BButton>
      </template>
    </template>
    <span v-else class="quiet">Drag a part to move it. Moved parts are pinned.</span>
    <BButton v-if="pinned > 0" variant="key" class="end" @click="hand.letGoOfAll()">Unpin all {{ pinned }} parts</BButton>
    <span v-if="hand.fault.value !== ''" class="attention" role="alert">{{ hand.fault.value }}</span>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: baseline;
  min-height: 30px;
}
.end {
  margin-left: auto;
}
</style>
