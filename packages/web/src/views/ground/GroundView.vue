<script lang="ts">
import { heavyPartLazily, partLazily } from '../../ui/lazily';

// Drawing comes first; the other looks are fetched when they are looked at.
const ChosenPanel = partLazily(() => import('./draw/ChosenPanel.vue'));
const FeaturePanel = partLazily(() => import('./draw/FeaturePanel.vue'));
const TablePins = partLazily(() => import('./plan/TablePins.vue'));
const TypePoint = partLazily(() => import('./draw/TypePoint.vue'));
const SolidLook = heavyPartLazily(() => import('./round/SolidLook.vue'));
const PlayOverlay = partLazily(() => import('./play/PlayOverlay.vue'));
const PlayPanel = partLazily(() => import('./play/PlayPanel.vue'));
const RearrangeBoard = partLazily(() => import('./rearrange/RearrangeBoard.vue'));
const RearrangePanel = partLazily(() => import('./rearrange/RearrangePanel.vue'));
const SeamMarks = partLazily(() => import('./seams/SeamMarks.vue'));
const SeamsPanel = partLazily(() => import('./seams/SeamsPanel.vue'));
</script>

<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useEventListener } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { movedBy } from '@spare-acre/core/plan/shapes';
import { reshaped } from '@spare-acre/core/plan/features';
import { tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { useDrawer } from '../../ui/drawer';
import { InTurn } from '../../ui/InTurn';
import { usePlan } from '../../stores/board/plan';
import PlanSheet from './plan/PlanSheet.vue';
import TablePanel from './draw/TablePanel.vue';
import { removeFeatures, replaceAll, reshape } from './draw/featureEdits';
import { LOOKS } from './looks';
import { TOOLS } from './draw/tools';
import { usePlay } from './play/usePlay';
import { useSelection } from './useSelection';
import { type AreaForm, useSketch } from './draw/useSketch';
import { PLAN_STEP_MM, arrowStep } from '../../ui/arrowStep';
import { useLook } from '../../stores/board/useLook';
import { useTables } from './rearrange/useTables';

const store = usePlan();
const drawer = useDrawer();
const { chosen, selected, choose, select, look, lookAt } = useSelection();
const sheet = ref<InstanceType<typeof PlanSheet> | null>(null);
const typePoint = ref<InstanceType<typeof TypePoint> | null>(null);
/** px for a mm, told by the sheet; the reach of snapping depends on it. */
const scale = ref(1);
const sketch = useSketch(scale, (id) => select(id));
const play = usePlay(() => look.value === 'play');
const tables = useTables(() => look.value === 'rearrange');
useLook(
  () => [
    'standing',
    // Worn in the round.
    ...(look.value === 'solid' ? (['matrix', 'worn'] as const) : []),
    ...(look.value === 'seams'
      ? (['seams', 'tiles', 'stored', 'groundHeight'] as const)
      : chosen.value.length === 0
        ? (['surfaces'] as const)
        : (['needs'] as const)),
  ],
  () => chosen.value.map(({ id }) => id),
);
const hint = computed(() => sketch.refusal.value || sketch.tool.value.hint);
const onPlan = computed(() => look.value === 'draw' || look.value === 'seams' || look.value === 'play');
watch(look, () => sketch.choose('hold'));

/** Room under the table for the yardsticks. */
const PLAY_FOOT_PX = 84;
const FORMS = [
  ['area', 'Corners'],
  ['round', 'Round'],
  ['strip', 'Along a line'],
] as const;
useEventListener('keydown', (event) => {
  const target = event.target as HTMLElement;
  if (event.ctrlKey || event.metaKey || drawer.content !== null || target.closest('input, select, textarea, .modal') !== null) return;
  if (look.value === 'draw' && pressed(event, target)) event.preventDefault();
});

/** @returns whether the key meant something here */
function pressed(event: KeyboardEvent, target: HTMLElement): boolean {
  if (sketch.isSetting.value) return pressedDrawing(event, target);
  return chosen.value.length > 0 ? pressedChosen(event) : chooseTool(event.key);
}
function pressedDrawing(event: KeyboardEvent, target: HTMLElement): boolean {
  const arrow = arrowStep(event);
  const isOnButton = target.tagName === 'BUTTON';
  if (arrow !== null) moveCross(arrow);
  else if (event.key === ' ' && !isOnButton) sketch.addPoint();
  else if (event.key === 'Enter' && !isOnButton) sketch.finish();
  else if (event.key === 'Backspace') sketch.takeBack();
  else if (event.key === 'Escape') sketch.giveUp();
  else if (/^[\d+−-]$/.test(event.key)) typePoint.value?.begin(event.key);
  else return chooseTool(event.key);
  return true;
}
function pressedChosen(event: KeyboardEvent): boolean {
  const arrow = arrowStep(event);
  if (arrow !== null) moveChosen(arrow.dxMm, arrow.dyMm);
  else if (event.key === 'Delete') sketch.refuse(removeFeatures(store, chosen.value));
  else if (event.key === 'Escape') choose([]);
  else if ((event.key === '[' || event.key === ']') && selected.value?.shape.form === 'strip') widen(event.key === ']' ? 1 : -1);
  else return chooseTool(event.key);
  return true;
}

function moveChosen(dxMm: number, dyMm: number): void {
  sketch.refuse(
    replaceAll(
      store,
      'Move',
      chosen.value.map((one) => reshaped(one, movedBy(one.shape, dxMm, dyMm))),
    ),
  );
}
function widen(byMm: number): void {
  const feature = selected.value!;
  if (feature.shape.form !== 'strip') return;
  const widthMm = Math.max(LIMITS.stripWidthMm.min, feature.shape.widthMm + byMm);
  sketch.refuse(reshape(store, feature, 'Widen', { ...feature.shape, widthMm }));
}

/** From a tool or a form the hand goes back to the drawing, so that Space and Enter draw instead of pressing the button again. */
function pickTool(key: string): void {
  chooseTool(key);
  sheet.value?.takeFocus();
}
function pickForm(form: AreaForm): void {
  sketch.areaForm.value = form;
  sheet.value?.takeFocus();
}

function chooseTool(key: string): boolean {
  const tool = TOOLS.find((candidate) => candidate.key === key.toLowerCase());
  if (tool !== undefined) {
    sketch.choose(tool.id);
    if (tool.draws !== null) choose([]);
  } else if (key === '+' || key === '=') sheet.value?.zoomBy(1.25);
  else if (key === '-') sheet.value?.zoomBy(0.8);
  else if (key === '0') sheet.value?.wholeTable();
  else return false;
  return true;
}

/** The cross starts in the middle of the table. */
function moveCross({ dxMm, dyMm }: { readonly dxMm: number; readonly dyMm: number }): void {
  const { table } = store.plan!;
  const snapGrid = (mm: number): number => Math.round(mm / PLAN_STEP_MM) * PLAN_STEP_MM;
  const at = sketch.cross.value ?? { x: snapGrid(tableWidthMm(table) / 2), y: snapGrid(tableDepthMm(table) / 2) };
  sketch.pointAt({ x: at.x + dxMm, y: at.y + dyMm });
}
</script>

<template>
  <div class="bench">
    <div class="drawing stacked">
      <nav class="looks" aria-label="Views of the ground">
        <BButton v-for="{ id, name } in LOOKS" :key="id" variant="bare" :aria-pressed="look === id" @click="lookAt(id)">{{ name }}</BButton>
      </nav>
      <div class="sheet-frame">
        <PlanSheet
          v-if="onPlan"
          ref="sheet"
          :sketch="sketch"
          :is-still="look !== 'draw'"
          :foot-px="look === 'play' ? PLAY_FOOT_PX : undefined"
          @scale="(px) => (scale = px)"
        >
          <template #default="{ toPx, scale: pxPerMm, table }">
            <TablePins v-if="store.plan!.tableNotes.length > 0" :to-px="toPx" />
            <SeamMarks v-if="look === 'seams'" :to-px="toPx" />
            <PlayOverlay v-if="look === 'play'" :play="play" :to-px="toPx" :scale="pxPerMm" :table="table" />
          </template>
        </PlanSheet>
        <RearrangeBoard v-else-if="look === 'rearrange'" :tables="tables" />
        <SolidLook v-else />
      </div>
      <InTurn v-if="look === 'draw'">
        <div class="hint" :class="{ attention: sketch.refusal.value !== '' }">
          <span :role="sketch.refusal.value === '' ? 'status' : 'alert'">{{ hint }}</span>
          <TypePoint v-if="sketch.isSetting.value" ref="typePoint" :sketch="sketch" />
          <span
            v-if="sketch.tool.value.draws?.form === 'area' && sketch.tool.value.id !== 'hill'"
            class="forms"
            role="group"
            aria-label="Shape"
          >
            <BButton
              v-for="[form, name] in FORMS"
              :key="form"
              variant="key"
              :aria-pressed="sketch.areaForm.value === form"
              @click="pickForm(form)"
            >
              {{ name }}
            </BButton>
          </span>
        </div>
        <div class="tools" role="toolbar" aria-label="Drawing tools">
          <BButton
            v-for="tool in TOOLS"
            :key="tool.id"
            variant="key"
            :aria-pressed="sketch.tool.value.id === tool.id"
            @click="pickTool(tool.key)"
          >
            {{ tool.name }} <kbd>{{ tool.key.toUpperCase() }}</kbd>
          </BButton>
          <BButton variant="key" aria-label="Zoom in" @click="sheet?.zoomBy(1.25)">+</BButton>
          <BButton variant="key" aria-label="Zoom out" @click="sheet?.zoomBy(0.8)">−</BButton>
          <BButton variant="key" @click="sheet?.wholeTable()">Whole table <kbd>0</kbd></BButton>
        </div>
      </InTurn>
    </div>
    <aside class="notes" aria-label="Notes">
      <SeamsPanel v-if="look === 'seams'" />
      <PlayPanel v-else-if="look === 'play'" :play="play" />
      <RearrangePanel v-else-if="look === 'rearrange'" :tables="tables" />
      <FeaturePanel v-else-if="selected !== null" :key="selected.id" :feature="selected" />
      <ChosenPanel v-else-if="chosen.length > 1" :features="chosen" />
      <TablePanel v-else :sketch="sketch" />
    </aside>
  </div>
</template>

<style scoped>
/* The names of the looks above the drawing and the tools below it, so that neither lies on it, whatever the table's shape. */
.stacked {
  display: flex;
  flex-direction: column;
}
.sheet-frame {
  position: relative;
  flex: 1 1 auto;
  min-height: 0;
}
.looks {
  flex: none;
  padding-left: 50px;
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
}
.looks button {
  all: unset;
  cursor: pointer;
  padding: 5px 1px 3px;
  color: var(--ink-soft);
  font-size: 0.9rem;
  border-bottom: 2px solid transparent;
}
.looks button:hover {
  color: var(--ink);
}
.looks button[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 600;
  border-bottom-color: var(--moss);
}
.looks button:focus-visible {
  outline: 2px solid var(--slate);
}
.tools {
  flex: none;
  display: flex;
  justify-content: center;
  flex-wrap: wrap;
  gap: 4px;
  padding: 2px 20px 8px;
}
.tools .btn-key {
  font-size: 0.86rem;
  padding: 2px 8px;
}
.hint {
  flex: none;
  min-height: 28px;
  padding: 0 20px;
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  justify-content: center;
  align-items: baseline;
  color: var(--ink-soft);
  font-size: 0.9rem;
}
.hint.attention {
  color: var(--clay-ink);
  font-weight: 500;
}
.forms {
  display: flex;
  gap: 4px;
}
.forms .btn-key {
  font-size: 0.82rem;
  padding: 0 7px;
}
</style>
