<script setup lang="ts">
import { computed } from 'vue';
import type { Yardstick } from '@spare-acre/core/terrain/play';

/** A person, a door, a step and a lamp post standing on one line at the scale of the plan, right-aligned at x. */
const props = defineProps<{ sticks: readonly Yardstick[]; scale: number; x: number; y: number }>();
const GAP_PX = 14;
const LABEL_PX = 46;
const placed = computed(() => {
  let at = props.x;
  return [...props.sticks].reverse().map((stick) => {
    const [w, h] = [stick.wide.value * props.scale, stick.tall.value * props.scale];
    at -= Math.max(w, LABEL_PX) + GAP_PX;
    return { ...stick, w, h, mid: at + Math.max(w, LABEL_PX) / 2, d: outline(stick.form, w, h) };
  });
});
/** Outlines about the middle of their foot, upwards negative. */
function outline(form: Yardstick['form'], w: number, h: number): string {
  switch (form) {
    case 'person': {
      const r = h * 0.075;
      return `M${-w / 3} 0L${-w / 4} ${-h * 0.5}L${-w / 2} ${-h * 0.8}L${w / 2} ${-h * 0.8}L${w / 4} ${-h * 0.5}L${w / 3} 0ZM${-r} ${-h + r}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;
    }
    case 'door':
      return `M${-w / 2} 0V${-h}H${w / 2}V0M${w * 0.28} ${-h * 0.5}h${w * 0.12}`;
    case 'step':
      return `M${-w} 0H0V${-h}H${w}V${-2 * h}`;
    case 'post':
      return `M0 0V${-h}H${w * 0.6}M${w * 0.35} ${-h}v${h * 0.07}h${w * 0.5}v${-h * 0.07}`;
    default:
      throw form satisfies never;
  }
}
</script>

<template>
  <g v-for="{ id, name, mid, d } in placed" :key="id" :transform="`translate(${mid} ${y})`" data-testid="yardstick">
    <path class="stick" :d="d" />
    <text class="tick-label soft" text-anchor="middle" y="13">{{ name }}</text>
  </g>
</template>

<style scoped>
.stick {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.1;
}
</style>
