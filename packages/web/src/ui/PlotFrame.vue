<script setup lang="ts">
import type Plotly from 'plotly.js';
import type { Layout, PlotData } from 'plotly.js';
import { useElementSize } from '@vueuse/core';
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';

/** A chart in the page's own ink. What is in it is told in words beside it: a chart alone tells some people nothing. */
const props = defineProps<{ label: string; data: readonly Partial<PlotData>[]; layout: Partial<Layout>; heightPx: number }>();
const emit = defineEmits<{ pick: [point: { readonly curve: number; readonly index: number }] }>();
const frame = ref<HTMLElement | null>(null);
const { width } = useElementSize(frame);
let plotly: typeof Plotly | null = null;
const colour = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
async function draw(): Promise<void> {
  if (frame.value === null || width.value === 0) return;
  plotly ??= (await import('plotly.js-basic-dist-min')).default;
  if (frame.value === null) return;
  const ink = colour('--ink');
  const axis = { gridcolor: colour('--rule'), zeroline: false, linecolor: ink };
  const { xaxis, yaxis, ...rest } = props.layout;
  const chart = await plotly.react(
    frame.value,
    props.data as PlotData[],
    {
      width: Math.max(220, width.value),
      height: props.heightPx,
      margin: { l: 62, r: 14, t: 8, b: 46 },
      paper_bgcolor: 'rgba(0,0,0,0)',
      plot_bgcolor: 'rgba(0,0,0,0)',
      font: { family: 'IBM Plex Sans Condensed, sans-serif', size: 12, color: ink },
      showlegend: false,
      xaxis: { ...axis, ...xaxis },
      yaxis: { ...axis, ...yaxis },
      ...rest,
    },
    { displayModeBar: false, responsive: false },
  );
  chart.removeAllListeners('plotly_click');
  chart.on('plotly_click', ({ points: [point] }) => {
    if (point !== undefined) emit('pick', { curve: point.curveNumber, index: point.pointIndex });
  });
}
onMounted(() => void draw());
watch([() => props.data, () => props.layout, width], () => void draw());
onBeforeUnmount(() => {
  if (frame.value !== null) plotly?.purge(frame.value);
});
</script>

<template>
  <div ref="frame" class="plot" :style="{ minHeight: `${heightPx}px` }" role="img" :aria-label="label"></div>
</template>
