<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BModal } from 'bootstrap-vue-next/components/BModal';
import { shallowRef, watch } from 'vue';
import type { SplitOption } from '@spare-acre/core/pipeline';
import { evenSplit, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { lengthWords } from '@spare-acre/core/base/units';
import FigureCell from '../../../ui/values/FigureCell.vue';
import SearchProgress from '../../../ui/SearchProgress.vue';
import { usePlan } from '../../../stores/board/plan';
import { searches, useLongSearch } from '../../../workers/searches';

/** Ways to split the table, each reckoned through. */
const isOpen = defineModel<boolean>({ required: true });
const store = usePlan();
const search = useLongSearch();
const options = shallowRef<readonly SplitOption[]>([]);

watch(isOpen, async (open) => {
  if (!open) return search.cancel();
  options.value = [];
  const found = await search.run((onProgress) => searches().split(onProgress));
  if (found !== null) options.value = found;
});
function take({ columns, rows }: SplitOption): void {
  const { table } = store.plan!;
  store.edit({
    code: 'table/split',
    columnWidthsMm: evenSplit(tableWidthMm(table), columns),
    rowDepthsMm: evenSplit(tableDepthMm(table), rows),
  });
  isOpen.value = false;
}
const size = ({ widthMm, depthMm }: SplitOption): string => {
  const { units } = store.plan!;
  return lengthWords([widthMm, depthMm], units);
};
</script>

<template>
  <BModal v-model="isOpen" title-tag="h2" title-class="h5" title="Ways to split the table" size="xl" no-footer>
    <SearchProgress :search="search" what="Calculating each split" />
    <BTableSimple v-if="options.length > 0" class="ledger" data-testid="splits">
      <thead>
        <tr>
          <th>Split</th>
          <th>Tiles</th>
          <th class="num">Tiles</th>
          <th class="num">Heaviest</th>
          <th class="num">Sheets</th>
          <th class="num">Sheets, cost</th>
          <th class="num">Split parts</th>
          <th class="num">Features crossed</th>
          <th class="num">Doors, places</th>
          <th class="num">Warnings</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="option in options" :key="`${option.columns} ${option.rows} ${option.isAsDrawn}`">
          <td>{{ option.columns }} × {{ option.rows }}</td>
          <td>{{ size(option) }}</td>
          <td class="num"><FigureCell :figure="option.tiles" /></td>
          <td class="num"><FigureCell :figure="option.heaviest" /></td>
          <td class="num"><FigureCell :figure="option.sheets" /></td>
          <td class="num"><FigureCell :figure="option.sheetCost" /></td>
          <td class="num"><FigureCell :figure="option.used" /></td>
          <td class="num"><FigureCell :figure="option.crossed" /></td>
          <td class="num"><FigureCell :figure="option.passes" /></td>
          <td class="num"><FigureCell :figure="option.warnings" /></td>
          <td>
            <span v-if="option.isAsDrawn" class="quiet">as drawn</span>
            <BButton v-else variant="key" @click="take(option)">Use this</BButton>
          </td>
        </tr>
      </tbody>
    </BTableSimple>
  </BModal>
</template>
