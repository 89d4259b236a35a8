<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useElementSize, useEventListener } from '@vueuse/core';
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { saveFile } from '../../../ui/saveFile';
import { usePlan } from '../../../document/plan';
import { searches } from '../../../workers/searches';
import { type Eye, type SolidScene, openScene } from './solidScene';

/** The table in the round: turned and neared by hand, or walked over at a figure's height. */
const store = usePlan();
const frame = ref<HTMLElement | null>(null);
const { width, height } = useElementSize(frame);
const problem = ref('');
const eye = ref<Eye>('over');
const isStopped = ref(false);
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

const hint = computed(() => {
  if (eye.value === 'over') return 'Drag turns it, the wheel nears it, the right button shifts it.';
  return isStopped.value
    ? 'Too high, too steep or in the way: a figure stops here.'
    : 'Arrows walk and turn, Shift strides; drag looks about.';
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
  <div class="solid" :data-ready="isReady" data-testid="solid">
    <div ref="frame" class="picture">
      <p v-if="problem !== ''" class="attention p-4" role="alert">{{ problem }}</p>
      <p v-else-if="!isReady" class="quiet waiting" role="status">Raising the ground …</p>
    </div>
    <div class="bar">
      <span class="quiet" role="status">{{ hint }}</span>
      <BButton variant="key" :aria-pressed="eye !== 'over'" @click="lookFrom(eye === 'over' ? 'behind' : 'over')">Walk it</BButton>
      <BButton v-if="eye !== 'over'" variant="key" :aria-pressed="eye === 'own'" @click="lookFrom(eye === 'own' ? 'behind' : 'own')">
        Through its eyes
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
