<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, shallowRef, watch } from 'vue';
import { type Learnt, courseOf } from '@spare-acre/core/learning/calibration';
import { HandReadings } from '@spare-acre/core/io/wire';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { call } from '../../stores/device/client';
import PlotFrame from '../../ui/PlotFrame.vue';

/** How one value came to be known: our range first, then what each reading left of it. */
const props = defineProps<{ path: string; who: string; readings: number; name: string }>();
const catalogues = useCatalogue();
const course = shallowRef<readonly Learnt[] | null>(null);
const fault = shallowRef('');
async function load(): Promise<void> {
  fault.value = '';
  try {
    const { readings } = await call(HandReadings, 'GET', `/hand/${encodeURIComponent(props.path)}`);
    course.value = courseOf(readings, catalogues.catalogue!, props.path, props.who);
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error);
  }
}
watch([() => props.path, () => props.who, () => props.readings], load, { immediate: true });

const times = (ratio: number): string => ratio.toFixed(2);
const words = computed(() => {
  const [first, last] = [course.value?.[0], course.value?.at(-1)];
  if (first === undefined || last === undefined) return '';
  const ours = `${times(first.low)} to ${times(first.high)}`;
  return `Before your readings, the likely range (8 in 10) was ${ours} times our value. After ${last.readings === 1 ? 'one reading' : `${last.readings} readings`} it is ${times(last.low)} to ${times(last.high)}, most likely ${times(last.value)}.`;
});
const data = computed(() => {
  const style = getComputedStyle(document.documentElement);
  const ink = (name: string): string => style.getPropertyValue(name).trim();
  const all = course.value ?? [];
  const x = all.map(({ readings }) => readings);
  const edge = { mode: 'lines' as const, type: 'scatter' as const, x, line: { color: ink('--moss'), width: 1, dash: 'dot' as const } };
  const read = all.filter((one) => one.read !== null);
  return [
    { ...edge, name: 'lowest', y: all.map(({ low }) => low) },
    { ...edge, name: 'highest', y: all.map(({ high }) => high), fill: 'tonexty' as const, fillcolor: `${ink('--moss')}22` },
    {
      type: 'scatter' as const,
      mode: 'lines' as const,
      name: 'value used',
      x,
      y: all.map(({ value }) => value),
      line: { color: ink('--moss'), width: 2 },
    },
    {
      type: 'scatter' as const,
      mode: 'markers' as const,
      name: 'read',
      x: read.map(({ readings }) => readings),
      y: read.map((one) => one.read!),
      marker: { color: ink('--clay'), size: 8, symbol: 'diamond' },
    },
  ];
});
const layout = computed(() => ({
  margin: { l: 46, r: 10, t: 6, b: 40 },
  hovermode: 'x unified' as const,
  xaxis: {
    title: { text: 'readings' },
    range: [-0.15, (course.value?.length ?? 1) - 0.8],
    dtick: Math.max(1, Math.ceil((course.value?.length ?? 1) / 8)),
  },
  yaxis: { title: { text: 'times our value' }, hoverformat: '.2f' },
}));
</script>

<template>
  <p v-if="fault !== ''" class="attention" role="alert">{{ fault }} <BButton variant="key" size="sm" @click="load">Ask again</BButton></p>
  <template v-else-if="course !== null">
    <PlotFrame :label="`How ${name} was learned; the same in words below`" :data="data" :layout="layout" :height-px="190" />
    <p class="quiet m-0" data-testid="course">
      {{ words }} Diamonds are readings, the line is the value used, the band is the likely range (8 in 10).
    </p>
  </template>
</template>
