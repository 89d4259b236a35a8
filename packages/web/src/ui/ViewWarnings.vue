<script setup lang="ts">
import { computed } from 'vue';
import { type WarningView, viewsOf } from '@spare-acre/core/checks/warning';
import { usePlan } from '../document/plan';
import WarningCard from './WarningCard.vue';

/** The warnings that a view shows, or of one feature in it. */
const props = defineProps<{ view: WarningView; featureId?: string | null }>();
const store = usePlan();
const warnings = computed(() =>
  store.warnings.filter(({ featureId, code }) => (props.featureId ? featureId === props.featureId : viewsOf(code).includes(props.view))),
);
</script>

<template>
  <WarningCard v-for="warning in warnings" :key="warning.id" :warning="warning" />
</template>
