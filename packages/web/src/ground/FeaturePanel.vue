<script setup lang="ts">
import { computed } from 'vue';
import {
  type Feature,
  KIND_NAMES,
  LIMITS,
  copyOf,
  fittedTo,
  mayLosePoint,
  movedBy,
  shapeBox,
  withPoint,
  withoutPoint,
} from '@spare-acre/core/plan';
import { shortId } from '../drafts/name';
import ChoiceField from '../figures/ChoiceField.vue';
import FigureLine from '../figures/FigureLine.vue';
import LengthField from '../figures/LengthField.vue';
import NumberField from '../figures/NumberField.vue';
import TextField from '../figures/TextField.vue';
import TickField from '../figures/TickField.vue';
import ViewWarnings from '../frame/ViewWarnings.vue';
import { useCatalogue } from '../stores/catalogue';
import { usePlan } from '../stores/plan';
import ArrangeSection from './ArrangeSection.vue';
import { editFeature, removeFeatures, reshape, setValue } from './featureEdits';
import { CHOICES, NUMBERS, valueOf } from './numbers';
import { useSelection } from './useSelection';

const props = defineProps<{ feature: Feature }>();
const store = usePlan();
const catalogues = useCatalogue();
const { select } = useSelection();
const system = computed(() => store.plan!.units);
const shape = computed(() => props.feature.shape);
const box = computed(() => shapeBox(shape.value));
const takes = computed(() => store.derivation?.takes.find(({ featureId }) => featureId === props.feature.id) ?? null);
const kindText = computed(() => {
  const tiles = takes.value?.tiles ?? [];
  const name = KIND_NAMES[props.feature.kind];
  return tiles.length === 0 ? name : `${name}, on ${tiles.join(', ')}`;
});
const numbers = computed(() =>
  NUMBERS[props.feature.kind].map((number) => ({ ...number, value: Number(valueOf(props.feature, number.key)) })),
);
const choices = computed(() =>
  (CHOICES[props.feature.kind] ?? []).map((choice) => ({ ...choice, value: String(valueOf(props.feature, choice.key)) })),
);
const isSunk = computed(() => ['pit', 'water', 'crater'].includes(props.feature.kind));
const batteries = computed(() => catalogues.catalogue!.batteries.map(({ id, name }) => ({ value: id, text: name })));
const lamps = computed(() => catalogues.catalogue!.lamps.map(({ id, name }) => ({ value: id, text: name })));

const set = (label: string, key: string, value: unknown): string => setValue(store, props.feature, label, key, value);
const moveTo = (x: number, y: number): string =>
  reshape(store, props.feature, 'Move', movedBy(shape.value, x - box.value.left, y - box.value.top));

function resize(side: 'width' | 'depth', mm: number): string {
  const { left, top, right, bottom } = box.value;
  return reshape(
    store,
    props.feature,
    'Resize',
    fittedTo(shape.value, side === 'width' ? { left, top, right: left + mm, bottom } : { left, top, right, bottom: top + mm }),
  );
}
function duplicate(): void {
  const id = shortId();
  const copy = copyOf(store.plan!, props.feature, movedBy(shape.value, 30, 30), id);
  if (store.edit(`Copy ${props.feature.name}`, (draft) => void draft.features.push(copy as never)) === '') select(id);
}
function remove(): void {
  if (removeFeatures(store, [props.feature]) === '') select(null);
}
const SIZE = { min: 1, max: LIMITS.tableMm.max };
</script>

<template>
  <h2>{{ feature.name }}</h2>
  <p class="sub">{{ kindText }}<template v-if="feature.locked">, locked</template><template v-if="feature.hidden">, hidden</template></p>
  <ViewWarnings view="ground" :feature-id="feature.id" />

  <section v-if="takes !== null && takes.figures.length > 0">
    <h3>Takes</h3>
    <FigureLine v-for="figure in takes.figures" :key="`${feature.id} ${figure.label}`" :label="figure.label" :figure="figure" />
  </section>

  <section>
    <h3>Shape</h3>
    <TextField
      label="Name"
      :value="feature.name"
      :take="(name) => editFeature(store, feature, 'Rename', (draft) => void (draft.name = name))"
    />
    <template v-for="number in numbers" :key="number.key">
      <LengthField
        v-if="number.unit === undefined"
        :label="number.label"
        :mm="number.value"
        :system="system"
        :limits="number.limits"
        :take="(mm) => set(number.label, number.key, mm)"
      />
      <NumberField
        v-else
        :label="number.label"
        :value="number.value"
        :unit="number.unit"
        :limits="number.limits"
        :take="(value) => set(number.label, number.key, value)"
      />
    </template>
    <ChoiceField
      v-for="choice in choices"
      :key="choice.key"
      :label="choice.label"
      :value="choice.value"
      :options="choice.options"
      @choose="(value) => set(choice.label, choice.key, value)"
    />
    <template v-if="feature.kind === 'light'">
      <ChoiceField label="Battery" :value="feature.batteryId" :options="batteries" @choose="(id) => set('Battery', 'batteryId', id)" />
      <ChoiceField label="Lamp" :value="feature.lampId" :options="lamps" @choose="(id) => set('Lamp', 'lampId', id)" />
    </template>
    <TickField
      v-if="isSunk"
      label="Cut down to the substrate"
      :is-on="valueOf(feature, 'cutThrough') === true"
      @toggle="(on) => set('Cut-through', 'cutThrough', on)"
    />
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
    <template v-if="shape.form === 'outline' || shape.form === 'contours'">
      <LengthField label="Across" :mm="box.right - box.left" :system="system" :limits="SIZE" :take="(mm) => resize('width', mm)" />
      <LengthField label="Deep" :mm="box.bottom - box.top" :system="system" :limits="SIZE" :take="(mm) => resize('depth', mm)" />
    </template>
    <LengthField label="From the left" :mm="box.left" :system="system" :limits="LIMITS.coordinateMm" :take="(mm) => moveTo(mm, box.top)" />
    <LengthField label="From the back" :mm="box.top" :system="system" :limits="LIMITS.coordinateMm" :take="(mm) => moveTo(box.left, mm)" />
    <details v-if="shape.form === 'outline' || shape.form === 'strip'" class="mt-1">
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
    <p v-if="shape.form === 'contours'" class="quiet">
      {{ shape.levels.length }} {{ shape.levels.length === 1 ? 'step' : 'steps' }} of contour
    </p>
  </section>

  <ArrangeSection :features="[feature]" />

  <section class="d-flex gap-2 flex-wrap">
    <button
      type="button"
      class="key"
      :aria-pressed="feature.locked"
      @click="editFeature(store, feature, feature.locked ? 'Unlock' : 'Lock', (draft) => void (draft.locked = !draft.locked))"
    >
      {{ feature.locked ? 'Unlock' : 'Lock' }}
    </button>
    <button type="button" class="key" @click="duplicate">Copy</button>
    <button type="button" class="key" @click="remove">Remove <kbd>Del</kbd></button>
    <button type="button" class="key" @click="select(null)">Let go <kbd>Esc</kbd></button>
  </section>
</template>

<style scoped>
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
