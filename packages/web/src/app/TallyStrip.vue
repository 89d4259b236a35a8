<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useMediaQuery } from '@vueuse/core';
import { computed, onMounted, ref, shallowRef } from 'vue';
import FigureCell from '../ui/values/FigureCell.vue';
import { useDrawer } from '../ui/drawer';
import { TALLY_FIGURES, TALLY_KEYS } from '@spare-acre/core/pipeline/tally-figures';
import { usePlan } from '../stores/board/plan';

const store = usePlan();
const drawer = useDrawer();
const tally = computed(() => store.tally);
const entries = computed(() => {
  if (tally.value === null) return [];
  const { ready, readyText, isPlanned, ...figures } = tally.value;
  return [
    ...TALLY_KEYS.filter((key) => isPlanned || key !== 'handsOn').map((key) => ({
      name: TALLY_FIGURES[key].name,
      id: key,
      figure: figures[key],
      text: undefined,
      why: undefined,
    })),
    ...(ready === null
      ? []
      : [{ name: 'Ready', id: 'ready', figure: ready, text: readyText, why: (before: number) => void drawer.showShift(before) }]),
  ];
});
/** How far each may really come out; fetched when the board stands. */
const sure = shallowRef<{ readonly tallyBands: Readonly<Record<string, string>> } | null>(null);
onMounted(() => void import('../stores/board/sure').then(({ useSure }) => (sure.value = useSure())));
const bandOf = (name: string): string => sure.value?.tallyBands[name] ?? '';
const count = computed(() => store.warnings.length);
const warnings = computed(() => (count.value === 0 ? 'none' : count.value === 1 ? '1 warning' : `${count.value} warnings`));
/** On a phone one line says what matters most; the rest opens out of it. */
const isSmall = useMediaQuery('(max-width: 700px)');
const isOpen = ref(false);
const reload = (): void => location.reload();
</script>

<template>
  <footer class="tally" aria-label="Summary">
    <BButton
      v-if="isSmall && tally !== null"
      variant="bare"
      class="summary"
      :aria-expanded="isOpen"
      aria-controls="tally-entries"
      @click="isOpen = !isOpen"
    >
      <span>{{ tally.readyText === '' ? 'Summary' : `Ready ${tally.readyText}` }}</span>
      <span :class="{ attention: count > 0 }">{{ warnings }}</span>
      <span aria-hidden="true">{{ isOpen ? '▾' : '▴' }}</span>
    </BButton>
    <div v-show="!isSmall || isOpen" id="tally-entries" class="entries">
      <div v-for="entry in entries" :key="entry.id" class="entry" :data-testid="`tally-${entry.id}`">
        <div class="name">{{ entry.name }}</div>
        <div class="value"><FigureCell :figure="entry.figure" :text="entry.text" :why="entry.why" above /></div>
        <div class="band">{{ bandOf(entry.id) }}</div>
      </div>
      <div v-if="tally !== null" class="entry" data-testid="tally-warnings">
        <div class="name">Warnings</div>
        <div class="value">
          <BButton variant="bare" class="figure" :class="{ attention: count > 0 }" @click="drawer.showWarnings()">
            {{ warnings }}
          </BButton>
        </div>
      </div>
    </div>
    <span v-if="store.isDead" class="working-on attention" role="alert">
      The calculation stopped twice. Your changes are kept and saved.
      <BButton variant="key" @click="reload">Reload page</BButton>
    </span>
    <span v-else-if="store.fault !== ''" class="working-on attention" role="alert">Calculation failed: {{ store.fault }}</span>
    <span v-else-if="tally === null" class="working-on">Calculating …</span>
  </footer>
</template>
