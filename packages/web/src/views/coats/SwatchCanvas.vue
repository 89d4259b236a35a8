<script setup lang="ts">
import { ref, watch } from 'vue';
import { showText } from '@spare-acre/core/base/units';
import type { Surface } from '@spare-acre/core/plan';
import { type Look, type SwatchNumbers, CELLS } from '@spare-acre/core/finishing/swatch';
import { usePlan } from '../../stores/board/plan';
import { useSwatch } from './useSwatch';

/** One swatch as it is looked at, and its figures. */
const props = defineProps<{ surface: Pick<Surface, 'name' | 'relief' | 'laid' | 'coats'>; stage: number; look: Look }>();
const emit = defineEmits<{ numbers: [numbers: SwatchNumbers] }>();
const store = usePlan();
const canvas = ref<HTMLCanvasElement | null>(null);
const { numbers, isReady, fault } = useSwatch(
  () => props.surface,
  () => props.stage,
  () => props.look,
  canvas,
);
watch(numbers, (now) => now !== null && emit('numbers', now));
const plain = (value: number): string => showText({ value, unit: '1' }, store.showing);
</script>

<template>
  <figure class="swatch" :data-ready="isReady">
    <canvas
      ref="canvas"
      :width="CELLS"
      :height="CELLS"
      role="img"
      :aria-label="`Swatch of ${surface.name} after ${stage} of ${surface.coats.length} coats`"
    ></canvas>
    <figcaption>
      <b>{{ surface.name }}</b>
      <dl v-if="numbers !== null" class="counts">
        <div>
          <dt>from dark to light, L*</dt>
          <dd class="num" data-testid="spread">{{ plain(Math.round(numbers.spread)) }}</dd>
        </div>
        <div>
          <dt>mean L*</dt>
          <dd class="num">{{ plain(Math.round(numbers.lightness)) }}</dd>
        </div>
        <div>
          <dt>chroma</dt>
          <dd class="num">{{ plain(Math.round(numbers.chroma)) }}</dd>
        </div>
        <div>
          <dt>difference from bases, ΔE</dt>
          <dd class="num">{{ plain(Math.round(numbers.fromBases)) }}</dd>
        </div>
      </dl>
      <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    </figcaption>
  </figure>
</template>

<style scoped>
.swatch {
  margin: 0;
  min-width: 0;
  display: flex;
  gap: 14px;
  align-items: flex-start;
}
.counts dt {
  font-weight: normal;
  color: var(--ink-soft);
  font-size: 0.9rem;
}
.counts dd {
  margin: 0;
}
figcaption {
  flex: 1 1 120px;
}
canvas {
  width: 100%;
  flex: 0 1 300px;
  min-width: 0;
  aspect-ratio: 1;
  border: 1px solid var(--ink-soft);
  display: block;
}
</style>
