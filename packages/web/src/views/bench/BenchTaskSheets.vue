<script setup lang="ts">
import { BFormCheckbox } from 'bootstrap-vue-next/components/BFormCheckbox';
import { ref } from 'vue';
import type { Bare } from '@spare-acre/core/base/units';
import type { BenchTaskDetail } from '@spare-acre/core/schedule/bench-tasks';
import { usePlan } from '../../stores/board/plan';
import { useSheetsCut } from '../cuts/useSheetsCut';

/** Sheets that a move cuts, ticked off where they are cut: what they leave goes to the rack. */
defineProps<{ sheets: Bare<BenchTaskDetail>['sheets'] }>();
const store = usePlan();
const sheetsCut = useSheetsCut();
const problem = ref('');
const isBusy = ref(false);
type Sheet = Bare<BenchTaskDetail>['sheets'][number];
const jobOf = ({ jobKey }: Sheet) => store.slices.jobs?.find(({ key }) => key === jobKey);
async function toggle(sheet: Sheet): Promise<void> {
  const job = jobOf(sheet);
  if (job === undefined || isBusy.value) return;
  isBusy.value = true;
  problem.value = await sheetsCut.toggle(job, sheet.index);
  isBusy.value = false;
}
const textOf = ({ name, number, parts, isCut }: Sheet): string =>
  `${name}, sheet ${number}, ${parts} ${parts === 1 ? 'part' : 'parts'}${isCut ? ': cut' : ''}`;
</script>

<template>
  <ul class="sheets">
    <li v-for="sheet in sheets" :key="`${sheet.jobKey} ${sheet.number}`">
      <BFormCheckbox :model-value="sheet.isCut" :disabled="jobOf(sheet) === undefined" @update:model-value="toggle(sheet)">{{
        textOf(sheet)
      }}</BFormCheckbox>
    </li>
  </ul>
  <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
  <RouterLink :to="{ name: 'cuts', params: { boardId: store.boardId } }">Show cutting plan</RouterLink>
</template>

<style scoped>
.sheets {
  list-style: none;
  margin: 6px 0;
  padding: 0;
}
.sheets li {
  min-height: 44px;
  display: flex;
  align-items: center;
}
.sheets :deep(input) {
  width: 1.5em;
  height: 1.5em;
  margin-right: 10px;
}
</style>
