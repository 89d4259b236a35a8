<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { ref, shallowRef } from 'vue';
import { showChange } from '@spare-acre/core/base/units';
import type { Substitute } from '@spare-acre/core/pipeline';
import { usePlan } from '../../stores/board/plan';
import { searches } from '../../workers/searches';

/** What might be taken in the place of something, each with what it changes. */
const props = defineProps<{ stockId: string }>();
const emit = defineEmits<{ taken: [] }>();
const store = usePlan();
const list = shallowRef<readonly Substitute[] | null>(null);
const fault = ref('');
searches()
  .substitutes(props.stockId)
  .then(
    (found) => (list.value = found),
    (error: unknown) => (fault.value = error instanceof Error ? error.message : String(error)),
  );
function trade({ cost, hours, mass, readyText, look, hazards, warns }: Substitute): string {
  const own = store.tally;
  if (own === null) return '';
  const changes = [
    showChange(own.cost.value, cost.value, 'money', store.showing),
    showChange(own.handsOn.value, hours.value, 'min', store.showing),
    showChange(own.mass?.value ?? 0, mass.value, 'g', store.showing),
    own.readyText === readyText ? '' : `ready ${readyText}`,
    look,
    ...hazards.map((text) => `⚠ ${text}`),
    ...warns.map((title) => `⚠ ${title}`),
  ];
  return changes.filter((one) => one !== '').join('; ') || 'no other difference';
}
function take({ edit }: Substitute): void {
  fault.value = store.edit(edit);
  if (fault.value === '') emit('taken');
}
</script>

<template>
  <div class="instead" data-testid="substitutes">
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    <p v-if="list === null" class="quiet m-0">Trying each on this board …</p>
    <p v-else-if="list.length === 0" class="quiet m-0">No substitute works without a problem that stops the build.</p>
    <div v-for="one in list ?? []" :key="one.stockId" class="one">
      <span
        ><b>{{ one.name }}</b
        >: {{ trade(one) }}</span
      >
      <BButton variant="key" size="sm" :aria-label="`Use ${one.name}`" @click="take(one)">Use this</BButton>
    </div>
  </div>
</template>

<style scoped>
.instead {
  border-left: 3px solid var(--rule);
  padding-left: 8px;
  margin: 4px 0;
}
.one {
  display: flex;
  gap: 8px;
  justify-content: space-between;
  align-items: baseline;
}
</style>
