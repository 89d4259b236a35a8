<script setup lang="ts">
import { computed } from 'vue';
import { lengthWords } from '@spare-acre/core/base/units';
import { usePlan } from '../../../stores/board/plan';
import type { ToPx } from '../plan/paths';

/** Where features cross seams: a ring where both tiles agree, a square with the size of the fault where they do not. */
const props = defineProps<{ toPx: ToPx }>();
const store = usePlan();
const marks = computed(() =>
  (store.slices.seams ?? []).flatMap(({ crossings }) =>
    crossings.map((crossing) => ({
      id: crossing.id,
      at: props.toPx(crossing.at),
      isFault: crossing.fault !== null && crossing.fault !== 'ends',
      isEnd: crossing.fault === 'ends',
      text: lengthWords(crossing.sizeMm, store.plan!.units),
    })),
  ),
);
</script>

<template>
  <g pointer-events="none">
    <g v-for="{ id, at, isFault, isEnd, text } in marks" :key="id" :transform="`translate(${at.x} ${at.y})`">
      <template v-if="isFault">
        <rect class="fault" x="-7" y="-7" width="14" height="14" data-testid="seam-fault" />
        <rect class="tag" x="10" y="-9" :width="text.length * 6.6 + 10" height="18" />
        <text class="tag-text" :x="15 + text.length * 3.3" y="4">{{ text }}</text>
      </template>
      <path v-else-if="isEnd" class="end" d="M-5 -5L5 5M5 -5L-5 5" />
      <circle v-else class="agrees" r="5" />
    </g>
  </g>
</template>

<style scoped>
.fault {
  fill: none;
  stroke: var(--clay);
  stroke-width: 2;
}
.agrees {
  fill: var(--sheet);
  stroke: var(--moss);
  stroke-width: 2;
}
.end {
  stroke: var(--ink);
  stroke-width: 1.4;
}
</style>
