<script setup lang="ts">
import type { Quantity } from '@spare-acre/core/base/units';
import FigureCell from './FigureCell.vue';

/** A figure under its label, on one line of the notes. */
defineProps<{ label: string; figure: Quantity; text?: string }>();
</script>

<template>
  <div class="line">
    <span>{{ label }}</span>
    <FigureCell :figure="figure" :text="text" />
  </div>
</template>
