<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { countedFor, countingOf } from '@spare-acre/core/build/pieces';
import { type Piece, hasTable, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import AskedField from '../../ui/fields/AskedField.vue';
import { usePlan } from '../../stores/board/plan';

/** Of how many a set consists, for a table it is to be laid out on. */
const props = defineProps<{ piece: Piece }>();
const store = usePlan();
const counting = computed(() => countingOf(props.piece));
const USUAL_MM = { widthMm: 1_200, depthMm: 800 };
const asked = ref<Readonly<Record<string, number>>>(
  counting.value?.fresh(
    hasTable(store.plan!.table) ? { widthMm: tableWidthMm(store.plan!.table), depthMm: tableDepthMm(store.plan!.table) } : USUAL_MM,
  ) ?? {},
);
const problem = ref('');
function ask(key: string, value: number | string | boolean): string {
  asked.value = { ...asked.value, [key]: Number(value) };
  problem.value = '';
  return '';
}
function count(): void {
  const counted = countedFor(props.piece, asked.value);
  problem.value = counted.ok
    ? store.edit({ code: 'piece/set', pieceId: props.piece.id, change: counted.value, what: 'Count' })
    : `${counting.value?.fields.find(({ key }) => key === counted.problem.field)?.label ?? counted.problem.field}: ${counted.problem.says}`;
}
</script>

<template>
  <section v-if="counting !== null">
    <h3>Count for a table</h3>
    <p class="quiet mb-1">{{ counting.says }}</p>
    <AskedField
      v-for="field in counting.fields"
      :key="field.key"
      :field="field"
      :value="asked[field.key]"
      :system="store.plan!.units"
      :take="(value) => ask(field.key, value)"
    />
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    <BButton variant="key" class="mt-1" @click="count">Count</BButton>
  </section>
</template>
