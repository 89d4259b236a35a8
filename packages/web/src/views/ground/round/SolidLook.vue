<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useElementSize, useEventListener } from '@vueuse/core';
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { saveFile } from '../../../ui/saveFile';
import { usePlan } from '../../../document/plan';
import { searches } from '../../../workers/searches';
import { type SolidScene, openScene } from './solidScene';

/** The table in the round: turned and neared by hand, or walked over at a figure's height. */
const store = usePlan();
const frame = ref<HTMLElement | null>(null);
const { width, height } = useElementSize(frame);
const problem = ref('');
const isWalking = ref(false);
const isReady = ref(false);
let scene: SolidScene | null = null;
let turn = 0;

async function show(): Promise<void> {
  const plan = store.plan;
  if (plan === null || scene === null) return;
  const mine = ++turn;
  try {
    const look = await searches().look();
    if (mine !== turn || scene === null) return;
    scene.show(plan, look);
    isReady.value = true;
  } catch (error) {
    problem.value = `The table cannot be drawn: ${error instanceof Error ? error.message : String(error)}`;
  }
}
onMounted(() => {
  try {
    scene = openScene(frame.value!);
  } catch (error) {
    problem.value = `This browser shows no 3D: ${error instanceof Error ? error.message : String(error)}`;
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

const WALK: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [1, 0],
  ArrowDown: [-1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};
useEventListener('keydown', (event) => {
  const step = WALK[event.key];
  if (!isWalking.value || step === undefined || (event.target as HTMLElement).closest('input, select, textarea, .modal') !== null) return;
  scene?.walk(step[0] * (event.shiftKey ? 5 : 1), step[1]);
  event.preventDefault();
});
function walk(): void {
  isWalking.value = !isWalking.value;
  scene?.setWalking(isWalking.value);
}
async function save(kind: 'stl' | 'glb'): Promise<void> {
  const made = await scene?.exported(kind);
  if (made === undefined) return;
  saveFile(made, store.plan!.name, kind);
}
</script>

<template>
  <div ref="frame" class="solid" :data-ready="isReady" data-testid="solid">
    <p v-if="problem !== ''" class="attention p-4" role="alert">{{ problem }}</p>
    <p v-else-if="!isReady" class="quiet waiting" role="status">Raising the ground …</p>
    <div class="bar">
      <span class="quiet">{{
        isWalking
          ? 'Arrows walk and turn, Shift strides; drag looks about.'
          : 'Drag turns it, the wheel nears it, the right button shifts it.'
      }}</span>
      <BButton variant="key" :aria-pressed="isWalking" @click="walk">Walk it</BButton>
      <BButton variant="key" @click="save('stl')">STL, for print or mill</BButton>
      <BButton variant="key" @click="save('glb')">glTF</BButton>
    </div>
  </div>
</template>

<style scoped>
.solid {
  position: relative;
  height: 100%;
  overflow: hidden;
}
.waiting {
  position: absolute;
  left: 60px;
  top: 60px;
}
.bar {
  position: absolute;
  left: 0;
  right: 0;
  bottom: 10px;
  display: flex;
  gap: 8px;
  justify-content: center;
  align-items: baseline;
}
</style>
