<script setup lang="ts">
import { computed } from 'vue';
import { usePlan } from '../stores/plan';
import WarningCard from './WarningCard.vue';

/** The warnings of one view, or of one feature in it. */
const props = defineProps<{ view: string; featureId?: string | null }>();
const store = usePlan();
const warnings = computed(() =>
  store.warnings.filter(({ view, featureId }) => (props.featureId ? featureId === props.featureId : view === props.view)),
);
</script>

<template>
  <WarningCard v-for="warning in warnings" :key="warning.id" :warning="warning" />
</template>
