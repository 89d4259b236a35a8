<script lang="ts">
import { partLazily } from '../../../ui/lazily';

/** Only chosen features are coated otherwise: what offers the surfaces is fetched with the first of them. */
const WearsField = partLazily(() => import('./WearsField.vue'));
</script>

<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { type Feature, type FeatureField, copyOf, kindOf } from '@spare-acre/core/plan/features';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { fittedTo, mayLosePoint, movedBy, shapeBox, withPoint, withoutPoint } from '@spare-acre/core/plan/shapes';
import { shortId } from '../../../stores/device/name';
import AskedField from '../../../ui/fields/AskedField.vue';
import ChoiceField from '../../../ui/fields/ChoiceField.vue';
import FigureLine from '../../../ui/values/FigureLine.vue';
import LengthField from '../../../ui/fields/LengthField.vue';
import TextField from '../../../ui/fields/TextField.vue';
import ViewWarnings from '../../../ui/ViewWarnings.vue';
import { useCatalogue } from '../../../stores/workshop/catalogue';
import { usePlan } from '../../../stores/board/plan';
import ArrangeSection from './ArrangeSection.vue';
import { setIn, removeFeatures, reshape, setValue } from './featureEdits';
import { InTurn } from '../../../ui/InTurn';
import { useSelection } from '../useSelection';

const props = defineProps<{ feature: Feature }>();
const store = usePlan();
const catalogues = useCatalogue();
const { select } = useSelection();
const system = computed(() => store.plan!.units);
const shape = computed(() => props.feature.shape);
const box = computed(() => shapeBox(shape.value));
const needs = computed(() => store.slices.needs?.find(({ featureId }) => featureId === props.feature.id) ?? null);
const kind = computed(() => kindOf(props.feature));
const kindText = computed(() => {
  const tiles = needs.value?.tiles ?? [];
  const { name } = kind.value;
  return tiles.length === 0 ? name : `${name}, on ${tiles.join(', ')}`;
});
const valueOf = ({ key }: FeatureField): unknown => (props.feature as unknown as Readonly<Record<string, unknown>>)[key];
const entries = (list: 'batteries' | 'lamps') => catalogues.catalogue![list].map(({ id, name }) => ({ value: id, text: name }));

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
  if (store.edit({ code: 'features/add', features: [copy], why: `Copy ${props.feature.name}` }) === '') select(id);
}
function remove(): void {
  if (removeFeatures(store, [props.feature]) === '') select(null);
}
/** Two fields and a button for each point: mounted when they are asked for. */
const showsPoints = ref(false);
const SIZE = { min: 1, max: LIMITS.tableMm.max };
</script>

<template>
  <h2>{{ feature.name }}</h2>
  <p class="sub">{{ kindText }}<template v-if="feature.locked">, locked</template><template v-if="feature.hidden">, hidden</template></p>
  <ViewWarnings view="ground" :feature-id="feature.id" />

  <section v-if="needs !== null && needs.figures.length > 0">
    <h3>Materials</h3>
    <FigureLine v-for="figure in needs.figures" :key="`${feature.id} ${figure.label}`" :label="figure.label" :figure="figure" />
  </section>

  <InTurn>
    <section>
      <h3>Shape</h3>
      <TextField label="Name" :value="feature.name" :take="(name) => setIn(store, feature, 'Rename', { name })" />
      <template v-for="field in kind.fields" :key="field.key">
        <ChoiceField
          v-if="field.ask === 'entry'"
          :label="field.label"
          :value="String(valueOf(field))"
          :options="entries(field.list)"
          @choose="(value) => set(field.label, field.key, value)"
        />
        <AskedField v-else :field="field" :value="valueOf(field)" :system="system" :take="(value) => set(field.label, field.key, value)" />
      </template>
      <WearsField :feature="feature" />
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
        <LengthField label="Left to right" :mm="box.right - box.left" :system="system" :limits="SIZE" :take="(mm) => resize('width', mm)" />
        <LengthField label="Front to back" :mm="box.bottom - box.top" :system="system" :limits="SIZE" :take="(mm) => resize('depth', mm)" />
      </template>
      <LengthField
        label="From the left"
        :mm="box.left"
        :system="system"
        :limits="LIMITS.coordinateMm"
        :take="(mm) => moveTo(mm, box.top)"
      />
      <LengthField
        label="From the back"
        :mm="box.top"
        :system="system"
        :limits="LIMITS.coordinateMm"
        :take="(mm) => moveTo(box.left, mm)"
      />
      <details
        v-if="shape.form === 'outline' || shape.form === 'strip'"
        class="mt-1"
        @toggle="showsPoints = ($event.target as HTMLDetailsElement).open"
      >
        <summary>{{ shape.points.length }} points</summary>
        <div v-for="(point, i) in showsPoints ? shape.points : []" :key="i" class="point">
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
          <BButton
            v-if="mayLosePoint(shape)"
            variant="key"
            :aria-label="`Remove point ${i + 1}`"
            @click="reshape(store, feature, 'Reshape', withoutPoint(shape, i))"
          >
            ×
          </BButton>
        </div>
      </details>
      <p v-if="shape.form === 'contours'" class="quiet">
        {{ shape.levels.length }} {{ shape.levels.length === 1 ? 'step' : 'steps' }} of contour
      </p>
    </section>
  </InTurn>

  <InTurn><ArrangeSection :features="[feature]" /></InTurn>

  <InTurn>
    <section class="d-flex gap-2 flex-wrap">
      <BButton
        variant="key"
        :aria-pressed="feature.locked"
        @click="setIn(store, feature, feature.locked ? 'Unlock' : 'Lock', { locked: !feature.locked })"
      >
        {{ feature.locked ? 'Unlock' : 'Lock' }}
      </BButton>
      <BButton variant="key" @click="duplicate">Copy</BButton>
      <BButton variant="key" @click="remove">Remove <kbd>Del</kbd></BButton>
      <BButton variant="key" @click="select(null)">Deselect <kbd>Esc</kbd></BButton>
    </section>
  </InTurn>
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
.point .btn-key {
  padding: 0 6px;
}
summary {
  color: var(--ink-soft);
  cursor: pointer;
}
</style>
