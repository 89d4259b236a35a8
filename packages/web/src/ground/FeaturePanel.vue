<script setup lang="ts">
import { computed } from 'vue';
import { LIMITS, type Feature, copyOf, fittedTo, mayLosePoint, movedBy, shapeBox, withPoint, withoutPoint } from '@spare-acre/core/plan';
import { shortId } from '../drafts/name';
import FigureLine from '../figures/FigureLine.vue';
import LengthField from '../figures/LengthField.vue';
import TextField from '../figures/TextField.vue';
import ViewWarnings from '../frame/ViewWarnings.vue';
import { usePlan } from '../stores/plan';
import { editFeature, removeFeature, reshape } from './featureEdits';
import { useSelection } from './useSelection';

const props = defineProps<{ feature: Feature }>();
const store = usePlan();
const { select } = useSelection();
const system = computed(() => store.plan!.units);
const shape = computed(() => props.feature.shape);
const box = computed(() => shapeBox(shape.value));
const takes = computed(() => store.derivation?.takes.find(({ featureId }) => featureId === props.feature.id) ?? null);
const kindText = computed(() => {
  const names = { raised: 'Raised ground', pit: 'Pit', water: 'Water', route: 'Route' };
  const tiles = takes.value?.tiles ?? [];
  return tiles.length === 0 ? names[props.feature.kind] : `${names[props.feature.kind]}, on ${tiles.join(', ')}`;
});

const set = (what: string, change: Parameters<typeof editFeature>[3]): string => editFeature(store, props.feature, what, change);
const moveTo = (x: number, y: number): string =>
  reshape(store, props.feature, 'Move', movedBy(shape.value, x - box.value.left, y - box.value.top));

function resize(side: 'width' | 'depth', mm: number): string {
  const old = shape.value;
  if (old.form !== 'outline') return '';
  const { left, top, right, bottom } = box.value;
  return reshape(
    store,
    props.feature,
    'Resize',
    fittedTo(old, side === 'width' ? { left, top, right: left + mm, bottom } : { left, top, right, bottom: top + mm }),
  );
}
function setDepth(mm: number): string {
  return set('Deepen', (draft) => {
    if (draft.kind === 'pit' || draft.kind === 'water') draft.depthMm = mm;
  });
}
function duplicate(): void {
  const id = shortId();
  const plan = store.plan!;
  const copy = copyOf(plan, props.feature, movedBy(shape.value, 30, 30), id);
  if (store.edit(`Copy ${props.feature.name}`, (draft) => void draft.features.push(copy as never)) === '') select(id);
}
function remove(): void {
  if (removeFeature(store, props.feature) === '') select(null);
}
const SIZE = { min: 1, max: LIMITS.tableMm.max };
</script>

<template>
  <h2>{{ feature.name }}</h2>
  <p class="sub">{{ kindText }}</p>
  <ViewWarnings view="ground" :feature-id="feature.id" />

  <section v-if="takes !== null">
    <h3>Takes</h3>
    <FigureLine v-for="figure in takes.figures" :key="`${feature.id} ${figure.label}`" :label="figure.label" :figure="figure" />
  </section>

  <section>
    <h3>Shape</h3>
    <TextField label="Name" :value="feature.name" :take="(name) => set('Rename', (draft) => void (draft.name = name))" />
    <LengthField
      v-if="feature.kind === 'raised'"
      label="Height"
      :mm="feature.heightMm"
      :system="system"
      :limits="LIMITS.heightMm"
      :take="(mm) => set('Raise', (draft) => draft.kind === 'raised' && void (draft.heightMm = mm))"
    />
    <LengthField
      v-if="feature.kind === 'pit' || feature.kind === 'water'"
      label="Depth"
      :mm="feature.depthMm"
      :system="system"
      :limits="LIMITS.depthMm"
      :take="setDepth"
    />
    <LengthField
      v-if="feature.kind === 'water'"
      label="Water"
      :mm="feature.waterMm"
      :system="system"
      :limits="LIMITS.waterMm"
      :take="(mm) => set('Fill', (draft) => draft.kind === 'water' && void (draft.waterMm = mm))"
    />
    <div v-if="feature.kind === 'pit' || feature.kind === 'water'" class="field">
      <label :for="`through-${feature.id}`">Cut down to the substrate</label>
      <input
        :id="`through-${feature.id}`"
        type="checkbox"
        class="box"
        :checked="feature.cutThrough"
        @change="set('Cut', (draft) => (draft.kind === 'pit' || draft.kind === 'water') && void (draft.cutThrough = !draft.cutThrough))"
      />
    </div>
    <template v-if="shape.form === 'strip'">
      <LengthField
        label="Width"
        :mm="shape.widthMm"
        :system="system"
        :limits="LIMITS.stripWidthMm"
        :take="(mm) => (shape.form === 'strip' ? reshape(store, feature, 'Widen', { ...shape, widthMm: mm }) : '')"
      />
      <LengthField
        label="Bends"
        :mm="shape.bendMm"
        :system="system"
        :limits="LIMITS.bendMm"
        :take="(mm) => (shape.form === 'strip' ? reshape(store, feature, 'Bend', { ...shape, bendMm: mm }) : '')"
      />
    </template>
    <LengthField
      v-if="shape.form === 'round'"
      label="Radius"
      :mm="shape.radiusMm"
      :system="system"
      :limits="LIMITS.radiusMm"
      :take="(mm) => (shape.form === 'round' ? reshape(store, feature, 'Resize', { ...shape, radiusMm: mm }) : '')"
    />
    <template v-if="shape.form === 'outline'">
      <LengthField label="Across" :mm="box.right - box.left" :system="system" :limits="SIZE" :take="(mm) => resize('width', mm)" />
      <LengthField label="Deep" :mm="box.bottom - box.top" :system="system" :limits="SIZE" :take="(mm) => resize('depth', mm)" />
    </template>
    <LengthField label="From the left" :mm="box.left" :system="system" :limits="LIMITS.coordinateMm" :take="(mm) => moveTo(mm, box.top)" />
    <LengthField label="From the back" :mm="box.top" :system="system" :limits="LIMITS.coordinateMm" :take="(mm) => moveTo(box.left, mm)" />
    <details v-if="shape.form !== 'round'" class="mt-1">
      <summary>{{ shape.points.length }} points</summary>
      <div v-for="(point, i) in shape.points" :key="i" class="point">
        <LengthField
          :label="`${i + 1} x`"
          :mm="point.x"
          :system="system"
          :limits="LIMITS.coordinateMm"
          :take="(mm) => reshape(store, feature, 'Reshape', withPoint(shape, i, { x: mm, y: point.y }))"
        />
        <LengthField
          :label="`${i + 1} y`"
          :mm="point.y"
          :system="system"
          :limits="LIMITS.coordinateMm"
          :take="(mm) => reshape(store, feature, 'Reshape', withPoint(shape, i, { x: point.x, y: mm }))"
        />
        <button
          v-if="mayLosePoint(shape)"
          type="button"
          class="key"
          :aria-label="`Take out point ${i + 1}`"
          @click="reshape(store, feature, 'Reshape', withoutPoint(shape, i))"
        >
          ×
        </button>
      </div>
    </details>
  </section>

  <section class="d-flex gap-2 flex-wrap">
    <button type="button" class="key" @click="duplicate">Copy</button>
    <button type="button" class="key" @click="remove">Remove <kbd>Del</kbd></button>
    <button type="button" class="key" @click="select(null)">Let go <kbd>Esc</kbd></button>
  </section>
</template>

<style scoped>
.box {
  width: 18px !important;
}
.point {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.point :deep(.field input) {
  width: 58px;
}
.point .key {
  padding: 0 6px;
}
summary {
  color: var(--ink-soft);
  cursor: pointer;
}
</style>
