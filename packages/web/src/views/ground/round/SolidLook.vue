<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useElementSize, useEventListener } from '@vueuse/core';
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { saveFile } from '../../../ui/saveFile';
import { useCatalogue } from '../../../stores/workshop/catalogue';
import { usePlan } from '../../../stores/board/plan';
import { searches } from '../../../workers/searches';
import { paintedAfter } from './painted';
import { type Eye, type SolidScene, openScene } from './solidScene';

/** The table in the round: turned and neared by hand, or walked over at a figure's height. */
const store = usePlan();
const frame = ref<HTMLElement | null>(null);
const { width, height } = useElementSize(frame);
const problem = ref('');
const eye = ref<Eye>('over');
const isStopped = ref(false);
const isReady = ref(false);
/** Painted as after so many steps of the order of work. */
const isPainted = ref(false);
const step = ref(0);
const shownStep = ref<number | null>(null);
const rows = computed(() => store.slices.matrix?.rows ?? []);
const stepText = computed(() =>
  step.value === 0 ? 'bare' : `${rows.value[step.value - 1]?.name ?? ''}, ${rows.value[step.value - 1]?.method ?? ''}`,
);
let scene: SolidScene | null = null;
let turn = 0;

async function show(): Promise<void> {
  const plan = store.plan;
  if (plan === null || scene === null) return;
  const mine = ++turn;
  try {
    const look = await searches().look();
    const { matrix, worn } = store.slices;
    const painted =
      isPainted.value && matrix != null && worn !== undefined
        ? await paintedAfter(plan, useCatalogue().catalogue!, { matrix, worn }, step.value)
        : null;
    if (mine !== turn || scene === null) return;
    scene.show(plan, look, painted);
    isReady.value = true;
    shownStep.value = painted === null ? null : step.value;
  } catch (error) {
    problem.value = `The table cannot be drawn: ${error instanceof Error ? error.message : String(error)}`;
  }
}
onMounted(() => {
  try {
    scene = openScene(frame.value!);
  } catch (error) {
    problem.value = `This browser cannot show 3D: ${error instanceof Error ? error.message : String(error)}`;
    return;
  }
  scene.resize(width.value, height.value);
  void show();
});
onBeforeUnmount(() => {
  turn += 1;
  scene?.close();
  scene = null;
});
watch([width, height], () => scene?.resize(width.value, height.value));
watch(() => store.plan, show);
function paint(isOn: boolean): void {
  isPainted.value = isOn;
  const last = rows.value.length;
  if (isOn && step.value !== last) step.value = last;
  else void show();
}
watch(step, () => isPainted.value && show());

const hint = computed(() => {
  if (eye.value === 'over') return 'Drag to orbit, scroll to zoom, right-drag to pan.';
  return isStopped.value
    ? 'A figure cannot go further here: too high, too steep or blocked.'
    : 'Arrow keys walk and turn, Shift walks faster. Drag to look around.';
});
const WALK: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [1, 0],
  ArrowDown: [-1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};
useEventListener('keydown', (event) => {
  const step = WALK[event.key];
  if (eye.value === 'over' || step === undefined || (event.target as HTMLElement).closest('input, select, textarea, .modal') !== null)
    return;
  isStopped.value = scene?.walk(step[0] * (event.shiftKey ? 5 : 1), step[1]) ?? false;
  event.preventDefault();
});
function lookFrom(from: Eye): void {
  eye.value = from;
  isStopped.value = false;
  scene?.look(from);
}
async function save(kind: 'stl' | 'glb'): Promise<void> {
  const made = await scene?.exported(kind);
  if (made === undefined) return;
  saveFile(made, store.plan!.name, kind);
}
</script>

<template>
  <div class="solid" :data-ready="isReady" :data-painted="shownStep ?? undefined" data-testid="solid">
    <div ref="frame" class="picture">
      <p v-if="problem !== ''" class="attention p-4" role="alert">{{ problem }}</p>
      <p v-else-if="!isReady" class="quiet waiting" role="status">Building the 3D view …</p>
    </div>
    <div class="bar">
      <span class="quiet" role="status">{{ hint }}</span>
      <BButton variant="key" :aria-pressed="isPainted" @click="paint(!isPainted)">Painted</BButton>
      <label v-if="isPainted" class="steps"
        ><span class="quiet">after {{ step }} of {{ rows.length }}: {{ stepText }}</span>
        <BFormInput v-model.number="step" type="range" number min="0" :max="rows.length" step="1" aria-label="Number of steps" />
      </label>
      <BButton variant="key" :aria-pressed="eye !== 'over'" @click="lookFrom(eye === 'over' ? 'behind' : 'over')">Walk through</BButton>
      <BButton v-if="eye !== 'over'" variant="key" :aria-pressed="eye === 'own'" @click="lookFrom(eye === 'own' ? 'behind' : 'own')">
        Figure’s view
      </BButton>
      <BButton variant="key" @click="save('stl')">STL, for print or mill</BButton>
      <BButton variant="key" @click="save('glb')">glTF</BButton>
    </div>
  </div>
</template>

<style scoped>
.solid {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.picture {
  position: relative;
  flex: 1 1 auto;
  min-height: 0;
  overflow: hidden;
}
.steps {
  flex: 0 1 300px;
}
.waiting {
  position: absolute;
  left: 60px;
  top: 60px;
}
.bar {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  justify-content: center;
  align-items: baseline;
  padding: 8px 14px;
}
</style>
