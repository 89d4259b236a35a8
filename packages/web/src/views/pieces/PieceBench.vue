<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { useElementSize } from '@vueuse/core';
import { computed, ref } from 'vue';
import { CORNER_SIGHT, FRONT_SIGHT, PLAN_SIGHT, SIDE_SIGHT, type Sight } from '@spare-acre/core/build/pieces';
import type { Piece } from '@spare-acre/core/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import TabbedSheets from '../../ui/TabbedSheets.vue';
import { saveFile } from '../../ui/saveFile';
import type { Slices } from '../../workers/slices';
import PieceCladding from './PieceCladding.vue';
import PieceCoats from './PieceCoats.vue';
import PieceCopies from './PieceCopies.vue';
import PieceCut from './PieceCut.vue';
import PieceDrawing from './PieceDrawing.vue';
import PieceOrder from './PieceOrder.vue';
import PieceParts from './PieceParts.vue';

/** One piece on the bench: drawn from each side, in its parts, step by step. */
const props = defineProps<{ piece: Piece; made: NonNullable<Slices['bench']>[number] | null }>();
const LOOKS = [
  { id: 'drawing', name: 'Drawing' },
  { id: 'cut', name: 'Section' },
  { id: 'parts', name: 'Parts' },
  { id: 'cladding', name: 'Cladding' },
  { id: 'coats', name: 'Coats' },
  { id: 'copies', name: 'Copies' },
  { id: 'order', name: 'Assembly' },
] as const;
type Look = (typeof LOOKS)[number]['id'];
/** What is told of the whole piece, whatever of the set is looked at. */
const OF_ALL: readonly Look[] = ['cladding', 'coats', 'copies'];
const look = ref<Look>('drawing');
const FROM = [
  { value: 'round', text: '3D', sight: null },
  { value: 'plan', text: 'top', sight: PLAN_SIGHT },
  { value: 'front', text: 'front', sight: FRONT_SIGHT },
  { value: 'side', text: 'right', sight: SIDE_SIGHT },
] as const;
const from = ref<(typeof FROM)[number]['value']>('round');
const isRound = computed(() => look.value === 'drawing' && from.value === 'round');
const turned = ref<Sight>(CORNER_SIGHT);
const sight = computed(() => FROM.find(({ value }) => value === from.value)!.sight ?? turned.value);
const apart = ref(0);
const objectId = ref<string | null>(null);
const object = computed(() => props.made?.objects.find(({ id }) => id === objectId.value) ?? props.made?.objects[0] ?? null);
const objects = computed(() =>
  (props.made?.objects ?? []).map(({ id, name, count }) => ({ value: id, text: count === 1 ? name : `${name} × ${count}` })),
);
const frame = ref<HTMLElement | null>(null);
const { width, height } = useElementSize(frame);
const step = ref<number | null>(null);
async function save(kind: 'stl' | 'glb'): Promise<void> {
  // What writes them is heavy and seldom asked for.
  const { pieceFile } = await import('./pieceFiles');
  const { name } = object.value!;
  saveFile(await pieceFile(object.value!, kind), name === props.piece.name ? name : `${props.piece.name}, ${name}`, kind);
}
/** Bodies there are up to a step of the assembly. */
const placed = computed(() => {
  if (look.value !== 'order' || step.value === null || props.made === null) return null;
  return new Set(props.made.order.slice(0, step.value + 1).flatMap(({ bodyIds }) => bodyIds));
});
</script>

<template>
  <TabbedSheets v-model="look" label="Drawings" :tabs="LOOKS">
    <div v-show="look === 'drawing' || (objects.length > 1 && !OF_ALL.includes(look))" class="top">
      <ChoiceField
        v-if="objects.length > 1 && !OF_ALL.includes(look)"
        label="Of the set"
        :value="object?.id ?? ''"
        :options="objects"
        @choose="(id) => (objectId = id)"
      />
      <ChoiceField v-if="look === 'drawing'" label="View" :value="from" :options="[...FROM]" @choose="(way) => (from = way)" />
      <label v-if="isRound" class="slider">
        Assembled
        <BFormInput v-model.number="apart" type="range" min="0" max="1" step="0.02" aria-label="Assembled to exploded" />
        exploded
      </label>
      <span v-if="isRound && object !== null" class="ms-auto d-flex gap-2">
        <BButton variant="key" :aria-label="`STL of ${object.name}`" @click="save('stl')">STL</BButton>
        <BButton variant="key" :aria-label="`glTF of ${object.name}`" @click="save('glb')">glTF</BButton>
      </span>
    </div>
    <div ref="frame" class="sheet-frame">
      <p v-if="made?.problem" class="attention p-3">It cannot be built with these settings: {{ made.problem.says }}.</p>
      <template v-else-if="object !== null && made !== null">
        <PieceParts v-if="look === 'parts'" :object="object" :lengths="made.lengths" />
        <PieceCut
          v-else-if="look === 'cut'"
          :name="piece.name"
          :object="object"
          :width-px="Math.max(160, width)"
          :height-px="Math.max(140, height)"
        />
        <PieceCladding v-else-if="look === 'cladding'" :piece="piece" :clads="made.clads" />
        <PieceCoats v-else-if="look === 'coats'" :piece="piece" :made="made" />
        <PieceCopies v-else-if="look === 'copies'" :piece="piece" :copying="made.copying" />
        <div v-else-if="look === 'order'" class="ordered">
          <PieceOrder v-model="step" :order="made.order" />
          <PieceDrawing
            :object="object"
            :sight="turned"
            :apart="0"
            :placed="placed"
            :handles="[]"
            :piece="piece"
            :width-px="Math.max(120, width - 300)"
            :height-px="Math.max(100, height)"
            @turn="(to) => (turned = to)"
          />
        </div>
        <PieceDrawing
          v-else
          :object="object"
          :sight="sight"
          :apart="isRound ? apart : 0"
          :placed="null"
          :handles="made.handles"
          :strung="made.strung"
          :piece="piece"
          :width-px="Math.max(120, width)"
          :height-px="Math.max(100, height)"
          :may-turn="isRound"
          @turn="(to) => (turned = to)"
        />
      </template>
    </div>
  </TabbedSheets>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  min-height: 30px;
}
.slider {
  display: flex;
  flex: 0 1 auto;
  min-width: 0;
  gap: 8px;
  align-items: center;
  color: var(--ink-soft);
}
.slider :deep(input) {
  accent-color: var(--moss);
  width: 96px;
  min-width: 60px;
}
.sheet-frame {
  flex: 1 1 auto;
  min-height: 0;
  overflow: hidden;
}
.ordered {
  display: grid;
  grid-template-columns: 290px minmax(0, 1fr);
  height: 100%;
}
@media (max-width: 900px) {
  .sheet-frame {
    height: 420px;
  }
}
</style>
