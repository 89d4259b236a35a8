<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { potsOf } from '@spare-acre/core/finishing/paint';
import { LIMITS } from '@spare-acre/core/plan/fields';
import type { Tint } from '@spare-acre/core/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** Paints stirred together in whole parts, and the colour they dry to. */
const props = defineProps<{ tint: Tint; hex: string | null; label?: string }>();
const emit = defineEmits<{ take: [tint: Tint] }>();
const store = usePlan();
const pots = computed(() => potsOf(useCatalogue().catalogue!, store.plan!.paints));
const rows = computed(() => props.tint.map((part) => ({ ...part, pot: pots.value.find(({ id }) => id === part.paintId) })));
const choices = computed(() => [
  { value: '', text: props.tint.length === 0 ? 'its own colour; tint with …' : 'mix in …' },
  ...pots.value.filter(({ id }) => props.tint.every(({ paintId }) => paintId !== id)).map(({ id, name }) => ({ value: id, text: name })),
]);
function setParts(paintId: string, parts: number): string {
  emit(
    'take',
    props.tint.map((part) => (part.paintId === paintId ? { paintId, parts } : part)),
  );
  return '';
}
</script>

<template>
  <p class="sub mt-2">
    <span v-if="hex !== null" class="chip" :style="{ background: hex }" aria-hidden="true"></span> {{ label ?? 'Colour' }}
    <span class="quiet">{{ hex }}</span>
  </p>
  <div v-for="row in rows" :key="row.paintId" class="part">
    <BButton
      variant="key"
      :aria-label="`Without ${row.pot?.name}`"
      @click="
        emit(
          'take',
          tint.filter(({ paintId }) => paintId !== row.paintId),
        )
      "
      >×</BButton
    >
    <span class="chip" :style="{ background: row.pot?.hex }" aria-hidden="true"></span>
    <NumberField
      :label="row.pot?.name ?? row.paintId"
      :value="row.parts"
      unit="parts"
      :limits="LIMITS.parts"
      :take="(parts) => (Number.isInteger(parts) ? setParts(row.paintId, parts) : 'Enter a whole number of parts')"
    />
  </div>
  <ChoiceField
    v-if="tint.length < 6"
    label="Add paint"
    hide-label
    value=""
    :options="choices"
    @choose="(paintId) => emit('take', [...tint, { paintId, parts: 1 }])"
  />
</template>

<style scoped>
.chip {
  flex: none;
  display: inline-block;
  width: 14px;
  height: 14px;
  border: 1px solid var(--ink-soft);
  vertical-align: -2px;
}
.part {
  display: flex;
  gap: 6px;
  align-items: center;
}
.part > :last-child {
  flex: 1 1 auto;
}
</style>
