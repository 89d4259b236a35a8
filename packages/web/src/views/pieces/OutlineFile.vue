<script setup lang="ts">
import { ref } from 'vue';
import { signedMm2 } from '@spare-acre/core/base/geometry';
import { ReadingStopped, readInWorker } from '../../workers/reading';

/** The largest outline of an SVG or DXF drawing. `take` says what is wrong with it, or nothing. */
const props = defineProps<{ take: (ring: readonly { readonly x: number; readonly y: number }[]) => string }>();
const problem = ref('');
const isReading = ref(false);

async function read(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (file === undefined) return;
  problem.value = '';
  isReading.value = true;
  try {
    const text = await file.text();
    const drawing = await readInWorker(file, (reader) => reader.drawing(file.name, text));
    if (!drawing.ok) problem.value = drawing.problem.message;
    else {
      const [largest] = [...drawing.value.outlines].sort((a, b) => Math.abs(signedMm2(b)) - Math.abs(signedMm2(a)));
      problem.value = props.take(largest!);
    }
  } catch (error) {
    const words = error instanceof Error ? error.message : String(error);
    problem.value = error instanceof ReadingStopped ? words : `${file.name}: ${words}`;
  }
  isReading.value = false;
}
</script>

<template>
  <label class="btn btn-key mt-1" :aria-busy="isReading">
    {{ isReading ? 'Reading …' : 'Import outline (SVG or DXF)' }}
    <!-- eslint-disable-next-line vue/no-restricted-html-elements -- the browser's own file picker behind our button: BFormFile brings a field of its own to look at -->
    <input type="file" accept=".svg,.dxf" aria-label="Drawing of the outline" class="visually-hidden" @change="read" />
  </label>
  <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
</template>
