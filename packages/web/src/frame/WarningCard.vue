<script setup lang="ts">
import type { Warning } from '@spare-acre/core/warnings';
import { showText } from '@spare-acre/core/units';
import { useDrawer } from '../stores/drawer';
import { usePlan } from '../stores/plan';

/** A warning with its mends as buttons. */
defineProps<{ warning: Warning }>();
const store = usePlan();
const drawer = useDrawer();
</script>

<template>
  <div
    class="warning"
    role="group"
    :aria-label="`${warning.severity === 'stop' ? 'Cannot be built' : 'Take care'}: ${warning.title}`"
    :data-code="warning.code"
  >
    <span aria-hidden="true">{{ warning.severity === 'stop' ? '✕' : '!' }}&nbsp;</span>
    <span class="title">{{ warning.title }}</span>{{ ' ' }}
    <template v-for="(piece, i) in warning.text" :key="i">
      <template v-if="typeof piece === 'string'">{{ piece }}</template>
      <button v-else type="button" class="figure" @click="drawer.showWorking(piece)">{{ showText(piece, store.showing) }}</button>
    </template>
    <div v-if="warning.mends.length > 0" class="mends">
      <button v-for="mend in warning.mends" :key="mend.label" type="button" class="key" @click="store.mend(mend)">
        {{ mend.label }}
      </button>
    </div>
  </div>
</template>
