<script setup lang="ts">
import { computed } from 'vue';
import { usePlan } from '../stores/plan';
import WarningCard from './WarningCard.vue';

/** The warnings of one view, or of one feature in it; `also` those of other views that are mended here too. */
const props = defineProps<{ view: string; featureId?: string | null; also?: readonly string[] }>();
const store = usePlan();
const warnings = computed(() =>
  store.warnings.filter(({ view, featureId, code }) =>
    props.featureId ? featureId === props.featureId : view === props.view || props.also?.includes(code) === true,
  ),
);
</script>

<template>
  <WarningCard v-for="warning in warnings" :key="warning.id" :warning="warning" />
</template>
