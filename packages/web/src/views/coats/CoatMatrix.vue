<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { showText } from '@spare-acre/core/base/units';
import FigureCell from '../../ui/values/FigureCell.vue';
import { useListInTurns } from '../../ui/InTurn';
import { usePlan } from '../../stores/board/plan';

/** Surfaces across, steps down in the order of work: how much of each goes where, and how long it dries. */
defineProps<{ chosenId: string }>();
const emit = defineEmits<{ choose: [surfaceId: string] }>();
const store = usePlan();
const matrix = computed(() => store.slices.matrix ?? null);
const rows = useListInTurns(() => matrix.value?.rows ?? [], 4);
const cellOf = computed(
  () => new Map((matrix.value?.rows ?? []).map(({ key, cells }) => [key, new Map(cells.map((cell) => [cell.surfaceId as string, cell]))])),
);
const real = (mm: number): string => showText({ value: mm, unit: 'mm' }, store.showing);
</script>

<template>
  <p v-if="matrix === null" class="quiet" role="status">Calculating …</p>
  <p v-else-if="matrix.rows.length === 0" class="quiet">No coats yet. Choose a surface on the left and add coats on the right.</p>
  <div v-else class="wide" tabindex="0" role="region" aria-label="Coats by surface">
    <BTableSimple class="ledger" data-testid="matrix">
      <thead>
        <tr>
          <th scope="col">Coat</th>
          <th scope="col" class="num">Total</th>
          <th scope="col" class="num">Drying time</th>
          <th
            v-for="{ surfaceId, name, area } in matrix.columns"
            :key="surfaceId"
            scope="col"
            class="num"
            :class="{ chosen: surfaceId === chosenId }"
          >
            <BButton variant="bare" @click="emit('choose', surfaceId)">{{ name }}</BButton>
            <FigureCell :figure="area" />
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.key" :data-step="row.key">
          <th scope="row">
            {{ row.name }} <small class="quiet">{{ row.method }}</small>
            <small v-if="row.grain !== null" class="quiet grain">
              looks like {{ row.grain.readsAs }}, {{ real(row.grain.realLeastMm) }} to {{ real(row.grain.realMostMm) }} at figure scale
            </small>
          </th>
          <td class="num"><FigureCell :figure="row.all" /></td>
          <td class="num">
            <FigureCell v-if="row.wait !== null" :figure="row.wait" /><span v-else class="quiet">never in these conditions</span>
            <small v-if="row.tended !== null" class="quiet"> needs attention, <FigureCell :figure="row.tended" /></small>
          </td>
          <td v-for="{ surfaceId } in matrix.columns" :key="surfaceId" class="num" :class="{ chosen: surfaceId === chosenId }">
            <template v-if="cellOf.get(row.key)?.get(surfaceId)">
              <FigureCell :figure="cellOf.get(row.key)!.get(surfaceId)!.amount" />
              <small v-if="cellOf.get(row.key)!.get(surfaceId)!.goes > 1" class="quiet">
                in {{ cellOf.get(row.key)!.get(surfaceId)!.goes }} applications</small
              >
              <small v-if="cellOf.get(row.key)!.get(surfaceId)!.before === 'wet'" class="quiet"> when wet</small>
              <small v-else-if="cellOf.get(row.key)!.get(surfaceId)!.before === 'cured'" class="quiet"> when cured</small>
            </template>
          </td>
        </tr>
      </tbody>
    </BTableSimple>
  </div>
</template>

<style scoped>
.wide {
  overflow: auto;
  height: 100%;
}
.ledger th[scope='row'] {
  font-weight: 400;
  min-width: 150px;
  border-color: var(--rule);
  vertical-align: top;
}
.ledger small {
  display: block;
}
.ledger .chosen {
  background: color-mix(in srgb, var(--moss-wash) 70%, transparent);
}
.ledger thead button {
  font-weight: 600;
  display: block;
  margin-left: auto;
}
</style>
