<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import type { ShownWarning } from '../workers/slices';
import { showText } from '@spare-acre/core/base/units';
import { useDrawer } from './drawer';
import { usePlan } from '../stores/board/plan';

/** A warning with its mends as buttons. */
defineProps<{ warning: ShownWarning }>();
const store = usePlan();
const drawer = useDrawer();
</script>

<template>
  <div
    class="warning"
    role="group"
    :aria-label="`${warning.severity === 'stop' ? 'Cannot be built' : 'Warning'}: ${warning.title}`"
    :data-code="warning.code"
  >
    <span aria-hidden="true">{{ warning.severity === 'stop' ? '✕' : '!' }}&nbsp;</span>
    <span class="title">{{ warning.title }}</span>{{ ' ' }}
    <template v-for="(piece, i) in warning.text" :key="i">
      <template v-if="typeof piece === 'string'">{{ piece }}</template>
      <BButton v-else variant="bare" class="figure" @click="drawer.showWorking(piece)">{{ showText(piece, store.showing) }}</BButton>
    </template>
    <div v-if="warning.mends.length > 0" class="mends">
      <BButton v-for="mend in warning.mends" :key="mend.label" variant="key" @click="store.mend(mend)">
        {{ mend.label }}
      </BButton>
    </div>
  </div>
</template>
