<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed } from 'vue';
import { usePlan } from '../../stores/board/plan';
import FigureCell from '../../ui/values/FigureCell.vue';

/** What goes into each tile and each piece, and what that costs. */
const store = usePlan();
const workpieces = computed(() => store.slices.byWorkpiece ?? null);
</script>

<template>
  <p v-if="workpieces === null" class="quiet">Calculating …</p>
  <BTableSimple v-else class="ledger" data-testid="by-workpiece">
    <thead>
      <tr>
        <th scope="col">Used in</th>
        <th scope="col" class="num">Needed</th>
        <th scope="col" class="num">Costs</th>
      </tr>
    </thead>
    <tbody>
      <template v-for="{ workpieceId, name, rows, used } in workpieces" :key="workpieceId ?? ''">
        <tr class="group" :data-workpiece="workpieceId">
          <td colspan="2">{{ name }}</td>
          <td class="num"><FigureCell :figure="used" /></td>
        </tr>
        <tr v-for="row in rows" :key="row.supplyId">
          <td>{{ row.name }}</td>
          <td class="num">
            <FigureCell :figure="row.need" :unit="row.group === 'sheets' && row.need.unit === '1' ? 'sheets' : undefined" />
          </td>
          <td class="num"><FigureCell :figure="row.used" /></td>
        </tr>
      </template>
    </tbody>
  </BTableSimple>
</template>
