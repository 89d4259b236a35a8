<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, ref } from 'vue';
import { LIMITS, movedBy, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { useDrawer } from '../stores/drawer';
import { usePlan } from '../stores/plan';
import FeaturePanel from './FeaturePanel.vue';
import PlanSheet from './PlanSheet.vue';
import TablePanel from './TablePanel.vue';
import { removeFeature, reshape } from './featureEdits';
import { TOOLS } from './tools';
import { useSelection } from './useSelection';
import { GRID_MM, useSketch } from './useSketch';

const store = usePlan();
const drawer = useDrawer();
const { selected, select } = useSelection();
const sheet = ref<InstanceType<typeof PlanSheet> | null>(null);
/** px for a mm, told by the sheet; the reach of snapping depends on it. */
const scale = ref(1);
const sketch = useSketch(scale, (id) => select(id));
const hint = computed(() => sketch.refusal.value || sketch.tool.value.hint);

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

useEventListener('keydown', (event) => {
  const target = event.target as HTMLElement;
  if (event.ctrlKey || event.metaKey || drawer.content !== null || target.closest('input, select, textarea, .modal') !== null) return;
  if (pressed(event, target)) event.preventDefault();
});

/** @returns whether the key meant something here */
function pressed(event: KeyboardEvent, target: HTMLElement): boolean {
  const arrow = ARROWS[event.key];
  if (sketch.tool.value.draws !== null) {
    if (arrow !== undefined) moveCross(arrow, event.shiftKey);
    else if (event.key === ' ' && target.tagName !== 'BUTTON') sketch.addPoint();
    else if (event.key === 'Enter' && target.tagName !== 'BUTTON') sketch.finish();
    else if (event.key === 'Backspace') sketch.takeBack();
    else if (event.key === 'Escape') sketch.giveUp();
    else return chooseTool(event.key);
    return true;
  }
  const feature = selected.value;
  if (feature !== null) {
    const step = GRID_MM * (event.shiftKey ? 10 : 1);
    if (arrow !== undefined) sketch.refuse(reshape(store, feature, 'Move', movedBy(feature.shape, arrow[0] * step, arrow[1] * step)));
    else if (event.key === 'Delete') removeFeature(store, feature);
    else if (event.key === 'Escape') select(null);
    else if ((event.key === '[' || event.key === ']') && feature.shape.form === 'strip') {
      const widthMm = Math.max(LIMITS.stripWidthMm.min, feature.shape.widthMm + (event.key === ']' ? 1 : -1));
      sketch.refuse(reshape(store, feature, 'Widen', { ...feature.shape, widthMm }));
    } else return chooseTool(event.key);
    return true;
  }
  return chooseTool(event.key);
}

function chooseTool(key: string): boolean {
  const tool = TOOLS.find((candidate) => candidate.key === key.toLowerCase());
  if (tool !== undefined) {
    sketch.choose(tool.id);
    if (tool.draws !== null) select(null);
  } else if (key === '+' || key === '=') sheet.value?.zoomBy(1.25);
  else if (key === '-') sheet.value?.zoomBy(0.8);
  else if (key === '0') sheet.value?.wholeTable();
  else return false;
  return true;
}

/** The cross starts in the middle of the table. */
function moveCross([dx, dy]: readonly [number, number], isFar: boolean): void {
  const { table } = store.plan!;
  const step = GRID_MM * (isFar ? 10 : 1);
  const snapGrid = (mm: number): number => Math.round(mm / GRID_MM) * GRID_MM;
  const at = sketch.cross.value ?? { x: snapGrid(tableWidthMm(table) / 2), y: snapGrid(tableDepthMm(table) / 2) };
  sketch.pointAt({ x: at.x + dx * step, y: at.y + dy * step });
}
</script>

<template>
  <div class="bench">
    <div class="drawing">
      <PlanSheet ref="sheet" :sketch="sketch" @scale="(px) => (scale = px)" />
      <p
        v-if="hint !== ''"
        class="hint"
        :class="{ attention: sketch.refusal.value !== '' }"
        :role="sketch.refusal.value === '' ? 'status' : 'alert'"
      >
        {{ hint }}
      </p>
      <div class="tools" role="toolbar" aria-label="Drawing tools">
        <button
          v-for="tool in TOOLS"
          :key="tool.id"
          type="button"
          class="key"
          :aria-pressed="sketch.tool.value.id === tool.id"
          @click="chooseTool(tool.key)"
        >
          {{ tool.name }} <kbd>{{ tool.key.toUpperCase() }}</kbd>
        </button>
        <span class="gap"></span>
        <button type="button" class="key" aria-label="Nearer" @click="sheet?.zoomBy(1.25)">+</button>
        <button type="button" class="key" aria-label="Farther" @click="sheet?.zoomBy(0.8)">−</button>
        <button type="button" class="key" @click="sheet?.wholeTable()">Whole table <kbd>0</kbd></button>
      </div>
    </div>
    <aside class="notes" aria-label="Notes">
      <FeaturePanel v-if="selected !== null" :key="selected.id" :feature="selected" />
      <TablePanel v-else />
    </aside>
  </div>
</template>

<style scoped>
.tools {
  position: absolute;
  left: 0;
  right: 0;
  bottom: 12px;
  display: flex;
  justify-content: center;
  flex-wrap: wrap;
  gap: 6px;
}
.gap {
  width: 18px;
}
.hint {
  position: absolute;
  left: 0;
  right: 0;
  bottom: 44px;
  margin: 0;
  text-align: center;
  color: var(--ink-soft);
  pointer-events: none;
}
.hint.attention {
  color: var(--clay);
  font-weight: 500;
}
</style>
