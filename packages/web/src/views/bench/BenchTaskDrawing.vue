<script setup lang="ts">
import { computed } from 'vue';
import { lengthField, lengthUnit } from '@spare-acre/core/base/units';
import type { BenchTaskDrawing } from '@spare-acre/core/schedule/bench-tasks';
import { usePlan } from '../../stores/board/plan';

/** The workpiece from above, cut out of the plan: what is worked on is hatched. */
const props = defineProps<{ drawing: BenchTaskDrawing; name: string }>();
const store = usePlan();
const PAD = 0.03;
const view = computed(() => {
  const { left, top, right, bottom } = props.drawing.box;
  const pad = PAD * Math.max(right - left, bottom - top);
  return `${left - pad} ${top - pad} ${right - left + 2 * pad} ${bottom - top + 2 * pad}`;
});
const pathOf = ({ rings }: BenchTaskDrawing['marked'][number]): string =>
  rings.map((ring) => `M${ring.map(({ x, y }) => `${x},${y}`).join('L')}Z`).join('');
const across = computed(() => {
  const { left, top, right, bottom } = props.drawing.box;
  const units = store.plan!.units;
  return `${lengthField(right - left, units)} × ${lengthField(bottom - top, units)} ${lengthUnit(units)}`;
});
const size = computed(() => Math.max(props.drawing.box.right - props.drawing.box.left, props.drawing.box.bottom - props.drawing.box.top));
</script>

<template>
  <figure>
    <svg :viewBox="view" role="img" :aria-label="`${name} from above; the work area is hatched`">
      <defs>
        <pattern id="worked" patternUnits="userSpaceOnUse" :width="size / 40" :height="size / 40" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" :y2="size / 40" class="hatch" :stroke-width="size / 160" />
        </pattern>
        <clipPath id="workpiece">
          <rect
            :x="drawing.box.left"
            :y="drawing.box.top"
            :width="drawing.box.right - drawing.box.left"
            :height="drawing.box.bottom - drawing.box.top"
          />
        </clipPath>
      </defs>
      <g clip-path="url(#workpiece)">
        <path v-for="(region, i) in drawing.marked" :key="i" :d="pathOf(region)" class="marked" fill-rule="evenodd" />
        <path v-for="(region, i) in drawing.faint" :key="i" :d="pathOf(region)" class="faint" fill-rule="evenodd" />
      </g>
      <rect
        class="edge"
        :x="drawing.box.left"
        :y="drawing.box.top"
        :width="drawing.box.right - drawing.box.left"
        :height="drawing.box.bottom - drawing.box.top"
      />
    </svg>
    <figcaption>{{ name }}, {{ across }}, front edge at the bottom</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  width: 100%;
  max-height: 240px;
  background: var(--sheet);
}
path,
rect {
  vector-effect: non-scaling-stroke;
}
.hatch {
  stroke: var(--moss);
}
.marked {
  fill: url(#worked);
  stroke: var(--moss);
  stroke-width: 1.5;
}
.faint {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 0.8;
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
figcaption {
  color: var(--ink-soft);
  font-size: 0.86rem;
}
</style>
