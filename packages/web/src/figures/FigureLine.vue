<script setup lang="ts">
import type { Figure } from '@spare-acre/core/units';
import FigureCell from './FigureCell.vue';

/** A figure under its label, on one line of the notes. */
defineProps<{ label: string; figure: Figure; text?: string }>();
</script>

<template>
  <div class="line">
    <span>{{ label }}</span>
    <FigureCell :figure="figure" :text="text" />
  </div>
</template>
