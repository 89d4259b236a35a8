<script lang="ts">
import { heavyPartLazily, partLazily } from '../../../ui/lazily';

/** Pictures are laid under few tables: fetched after the drawing. */
const UnderlaySection = partLazily(() => import('./UnderlaySection.vue'));
/** Brings the readers of every kind of file with it: fetched when it is opened, and not before. */
const ImportDialog = heavyPartLazily(() => import('./ImportDialog.vue'));
</script>

<script setup lang="ts">
import { InTurn } from '../../../ui/InTurn';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { columnLetter } from '@spare-acre/core/terrain/ground';
import { GROUND_KIND_NAMES } from '@spare-acre/core/plan/surfaces';
import { tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import FigureLine from '../../../ui/values/FigureLine.vue';
import LengthField from '../../../ui/fields/LengthField.vue';
import NumberField from '../../../ui/fields/NumberField.vue';
import TextField from '../../../ui/fields/TextField.vue';
import ViewWarnings from '../../../ui/ViewWarnings.vue';
import { usePlan } from '../../../stores/board/plan';
import FeatureList from './FeatureList.vue';
import type { Sketch } from './useSketch';

defineProps<{ sketch: Sketch }>();
const store = usePlan();
const plan = computed(() => store.plan!);
const system = computed(() => plan.value.units);
const table = computed(() => plan.value.table);
const isImporting = ref(false);
const showsSides = ref(false);
const surfaces = computed(() => (store.slices.surfaces ?? []).filter(({ surface }) => surface.value > 0));

/** Another size or count along one side splits that side evenly anew. */
function split(side: 'columnWidthsMm' | 'rowDepthsMm', lengthMm: number, count: number): string {
  if (!Number.isInteger(count)) return 'Enter a whole number of tiles.';
  return store.edit({ code: 'table/side', side, lengthMm, count });
}
function setTile(side: 'columnWidthsMm' | 'rowDepthsMm', index: number, mm: number): string {
  return store.edit({ code: 'table/tile', side, index, mm });
}
</script>

<template>
  <h2>Table</h2>
  <p class="sub">Choose a tool below to draw, or a feature to change it.</p>
  <ViewWarnings view="ground" />
  <InTurn>
    <section>
      <h3>Size and tiles</h3>
      <LengthField
        label="Width"
        :mm="tableWidthMm(table)"
        :system="system"
        :limits="LIMITS.tableMm"
        :take="(mm) => split('columnWidthsMm', mm, table.columnWidthsMm.length)"
      />
      <LengthField
        label="Depth"
        :mm="tableDepthMm(table)"
        :system="system"
        :limits="LIMITS.tableMm"
        :take="(mm) => split('rowDepthsMm', mm, table.rowDepthsMm.length)"
      />
      <NumberField
        label="Tiles across"
        :value="table.columnWidthsMm.length"
        unit=""
        :limits="LIMITS.tilesAlong"
        :take="(n) => split('columnWidthsMm', tableWidthMm(table), n)"
      />
      <NumberField
        label="Tiles deep"
        :value="table.rowDepthsMm.length"
        unit=""
        :limits="LIMITS.tilesAlong"
        :take="(n) => split('rowDepthsMm', tableDepthMm(table), n)"
      />
      <LengthField
        label="Seam allowance"
        :mm="table.seamAllowanceMm"
        :system="system"
        :limits="LIMITS.seamAllowanceMm"
        :take="(mm) => store.edit({ code: 'table/seam-allowance', mm })"
      />
      <details @toggle="showsSides = ($event.target as HTMLDetailsElement).open">
        <summary>Each column and row</summary>
        <LengthField
          v-for="(mm, i) in showsSides ? table.columnWidthsMm : []"
          :key="`c${i}`"
          :label="`Column ${columnLetter(i)}`"
          :mm="mm"
          :system="system"
          :limits="LIMITS.tileMm"
          :take="(to) => setTile('columnWidthsMm', i, to)"
        />
        <LengthField
          v-for="(mm, i) in showsSides ? table.rowDepthsMm : []"
          :key="`r${i}`"
          :label="`Row ${i + 1}`"
          :mm="mm"
          :system="system"
          :limits="LIMITS.tileMm"
          :take="(to) => setTile('rowDepthsMm', i, to)"
        />
      </details>
    </section>
  </InTurn>
  <InTurn>
    <section>
      <h3>On the table</h3>
      <FeatureList />
      <BButton variant="key" class="mt-1" @click="isImporting = true">Import file …</BButton>
    </section>
  </InTurn>
  <UnderlaySection :sketch="sketch" />
  <InTurn>
    <section>
      <h3>Board</h3>
      <TextField label="Name" :value="plan.name" :take="(name) => store.edit({ code: 'board/rename', name })" />
      <LengthField
        label="Figure height"
        :mm="plan.figureHeightMm"
        :system="system"
        :limits="LIMITS.figureHeightMm"
        :take="(mm) => store.edit({ code: 'board/figure-height', mm })"
      />
    </section>
  </InTurn>
  <section v-if="surfaces.length > 0">
    <h3>Surfaces</h3>
    <FigureLine v-for="{ kind, surface } in surfaces" :key="kind" :label="GROUND_KIND_NAMES[kind]" :figure="surface" />
  </section>
  <ImportDialog v-if="isImporting" v-model="isImporting" />
</template>

<style scoped>
summary {
  color: var(--ink-soft);
  cursor: pointer;
}
</style>
