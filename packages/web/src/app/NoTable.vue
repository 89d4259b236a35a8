<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { evenSplit } from '@spare-acre/core/plan';
import { usePlan } from '../stores/board/plan';

/** Ground and section of a loose lot: there is none, until a table is laid under it. */
const store = usePlan();
const SIDE_MM = 600;
const lay = (): string => store.edit({ code: 'table/split', columnWidthsMm: evenSplit(SIDE_MM, 1), rowDepthsMm: evenSplit(SIDE_MM, 1) });
</script>

<template>
  <div class="p-4" data-testid="no-table">
    <h2>This board has no table</h2>
    <p class="quiet">You can cut, buy for and build its pieces without a table. This view stays empty.</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'pieces' }">Go to Pieces</RouterLink>
    <BButton variant="key" class="ms-2" @click="lay">Add a table</BButton>
  </div>
</template>
