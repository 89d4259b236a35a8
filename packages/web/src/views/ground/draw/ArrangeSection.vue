<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { type Alignment, aligned, boxOfAll, mirrored, repeated, tableDepthMm, tableWidthMm, turned } from '@spare-acre/core/plan';
import { type Feature, copyOf } from '@spare-acre/core/plan/features';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { shortId } from '../../../stores/device/name';
import LengthField from '../../../ui/fields/LengthField.vue';
import NumberField from '../../../ui/fields/NumberField.vue';
import { usePlan } from '../../../stores/board/plan';
import { replaceAll } from './featureEdits';
import { useSelection } from '../useSelection';

/** Lines up, mirrors, turns and repeats what is chosen; alone a feature lines up with the table, several with one another. */
const props = defineProps<{ features: readonly Feature[] }>();
const store = usePlan();
const { choose } = useSelection();
const problem = ref('');
const system = computed(() => store.plan!.units);
const box = computed(() => boxOfAll(props.features));
const frame = computed(() => {
  const { table } = store.plan!;
  return props.features.length > 1 ? box.value : { left: 0, top: 0, right: tableWidthMm(table), bottom: tableDepthMm(table) };
});
const what = computed(() => (props.features.length === 1 ? props.features[0]!.name : `${props.features.length} features`));

const LINES: readonly (readonly [Alignment, string])[] = [
  ['left', 'Left'],
  ['centre', 'Centre'],
  ['right', 'Right'],
  ['back', 'Back'],
  ['middle', 'Middle'],
  ['near', 'Front'],
];
const put = (how: string, features: readonly Feature[]): void => void (problem.value = replaceAll(store, how, features));
const align = (by: Alignment): void => put('Line up', aligned(props.features, by, frame.value));
const mirror = (across: 'x' | 'y'): void => {
  const { left, right, top, bottom } = box.value;
  put('Mirror', mirrored(props.features, across, across === 'x' ? (left + right) / 2 : (top + bottom) / 2));
};
/** Fields that only say how: nothing to check, nothing to store. */
function keep(set: () => void): string {
  set();
  return '';
}
const turnBy = ref(90);
function turn(): void {
  const { left, right, top, bottom } = box.value;
  put('Rotate', turned(props.features, turnBy.value, { x: (left + right) / 2, y: (top + bottom) / 2 }));
}
const times = ref(2);
const stepX = ref(Math.round(box.value.right - box.value.left) + 20);
const stepY = ref(0);
function repeat(): void {
  const copies: Feature[] = [];
  for (const feature of repeated(props.features, times.value, stepX.value, stepY.value).flat()) {
    copies.push(copyOf({ features: [...store.plan!.features, ...copies] }, feature, feature.shape, shortId()));
  }
  problem.value = store.edit({ code: 'features/add', features: copies, why: `Repeat ${what.value}` });
  if (problem.value === '') choose([...props.features.map(({ id }) => id), ...copies.map(({ id }) => id)]);
}
</script>

<template>
  <section>
    <details :open="features.length > 1">
      <summary>Line up, mirror, turn, repeat</summary>
      <p class="quiet m-0">{{ features.length > 1 ? 'With each other' : 'With the table' }}</p>
      <div class="keys">
        <BButton v-for="[by, name] in LINES" :key="by" variant="key" @click="align(by)">{{ name }}</BButton>
      </div>
      <div class="keys">
        <BButton variant="key" @click="mirror('x')">Mirror left to right</BButton>
        <BButton variant="key" @click="mirror('y')">Mirror back to front</BButton>
      </div>
      <NumberField label="Rotate clockwise" :value="turnBy" unit="°" :limits="LIMITS.turnDeg" :take="(v) => keep(() => (turnBy = v))" />
      <div class="keys"><BButton variant="key" @click="turn">Rotate</BButton></div>
      <NumberField label="Copies" :value="times" unit="" :limits="{ min: 1, max: 30 }" :take="(v) => keep(() => (times = Math.round(v)))" />
      <LengthField
        label="Step to the right"
        :mm="stepX"
        :system="system"
        :limits="LIMITS.coordinateMm"
        :take="(v) => keep(() => (stepX = v))"
      />
      <LengthField
        label="Step to the front"
        :mm="stepY"
        :system="system"
        :limits="LIMITS.coordinateMm"
        :take="(v) => keep(() => (stepY = v))"
      />
      <div class="keys"><BButton variant="key" @click="repeat">Repeat</BButton></div>
      <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    </details>
  </section>
</template>

<style scoped>
summary {
  color: var(--ink-soft);
  cursor: pointer;
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 4px 0 6px;
}
.btn-key {
  font-size: 0.86rem;
  padding: 2px 7px;
}
</style>
