<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed } from 'vue';
import type { Bare } from '@spare-acre/core/base/units';
import type { Timer } from '@spare-acre/core/schedule/bench';
import type { BenchTaskDetail } from '@spare-acre/core/schedule/bench-tasks';
import { usePlan } from '../../stores/board/plan';
import FigureCell from '../../ui/values/FigureCell.vue';
import { clockAt } from '../../ui/dates';

/** What goes into this one task, in whatever one measures with. */
const props = defineProps<{
  detail: Bare<BenchTaskDetail>;
  /** Timed batches of it that are past their pot life. */
  spent: readonly Timer[];
}>();
const store = usePlan();
const kitchen = computed(() => (store.plan!.units === 'imperial' ? 'us' : 'metric'));
/** A bowl and how many of them, where one is not enough. */
const bowls = computed(() => props.detail.mixes.filter(({ batches }) => batches.value > 1));
</script>

<template>
  <p v-for="batch in spent" :key="batch.id" class="spent" role="alert" data-testid="spent-batch">
    <strong>✗ {{ batch.name }}: time ran out at {{ clockAt(batch.dueMs) }}.</strong> Do not use or thin the rest of this batch. Let it set
    and dispose of it as the label says. Mix a new batch and start its timer.
  </p>
  <BTableSimple v-if="detail.takes.length > 0" class="ledger" data-testid="amounts">
    <thead>
      <tr>
        <th scope="col">Use</th>
        <th scope="col" class="num">Measured</th>
        <th scope="col" class="num">Weighed</th>
        <th scope="col">Or</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="take in detail.takes" :key="take.name">
        <td>{{ take.name }}</td>
        <td class="num"><FigureCell v-if="take.amount.unit !== 'g'" :figure="take.amount" /></td>
        <td class="num"><FigureCell v-if="take.amount.unit === 'g' || take.mass !== null" :figure="take.mass ?? take.amount" /></td>
        <td>{{ take.kitchen?.[kitchen] ?? '' }}</td>
      </tr>
    </tbody>
  </BTableSimple>
  <p v-for="mix in bowls" :key="mix.id" class="bowls">
    {{ mix.name }}: <FigureCell :figure="mix.batches" unit="batches" /> of <FigureCell :figure="mix.batch" /> each<template
      v-if="mix.tintDrops !== null"
      >, <FigureCell :figure="mix.tintDrops" unit="drops of tint" /></template
    >.
  </p>
</template>

<style scoped>
.spent {
  border: 2px solid var(--clay);
  color: var(--clay);
  padding: 8px 12px;
}
</style>
