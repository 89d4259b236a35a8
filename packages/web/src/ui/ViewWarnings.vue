<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { type WarningView, viewsOf } from '@spare-acre/core/advice/checks/warning';
import { usePlan } from '../stores/board/plan';
import { useListInTurns } from './InTurn';
import WarningCard from './WarningCard.vue';

/** The warnings that a view shows, or of one feature in it, or those of one piece or of all but it. */
const props = defineProps<{ view: WarningView; featureId?: string | null; pieceId?: string; notPieceId?: string }>();
const store = usePlan();
const warnings = computed(() =>
  store.warnings.filter(({ featureId, pieceId, code }) => {
    if (props.featureId) return featureId === props.featureId;
    if (!viewsOf(code).includes(props.view)) return false;
    if (props.pieceId !== undefined) return pieceId === props.pieceId;
    return props.notPieceId === undefined || pieceId !== props.notPieceId;
  }),
);
/** Cards shown before the rest is asked for: each has buttons, and a crowded board has sixty. */
const FIRST = 12;
const showsAll = ref(false);
const shown = computed(() => (showsAll.value ? warnings.value : warnings.value.slice(0, FIRST)));
const cards = useListInTurns(() => shown.value, 3);
const hiddenCount = computed(() => warnings.value.length - shown.value.length);
</script>

<template>
  <WarningCard v-for="warning in cards" :key="warning.id" :warning="warning" />
  <BButton v-if="hiddenCount > 0" variant="key" class="mb-3" @click="showsAll = true">
    Show {{ hiddenCount }} more {{ hiddenCount === 1 ? 'warning' : 'warnings' }}
  </BButton>
</template>
