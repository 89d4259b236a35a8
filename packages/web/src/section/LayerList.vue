<script setup lang="ts">
import { computed } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import type { GroundLayer } from '@spare-acre/core/plan';
import { type Face, freshLayer, isSealedOn } from '@spare-acre/core/stack';
import { shortId } from '../drafts/name';
import ChoiceField from '../figures/ChoiceField.vue';
import { usePlan } from '../stores/plan';
import GlueFields from './GlueFields.vue';
import SheetFields from './SheetFields.vue';
import { SEALS, useStackEdits } from './useStackEdits';

/** Ground layers from the top, put in another order by dragging or by the arrows on them, over the substrate they stand on. */
const store = usePlan();
const stack = computed(() => store.plan!.stack);
const { catalogue, edit, materials, thicknesses, nearest, hasGrain } = useStackEdits();
const fromTop = computed(() => [...stack.value.ground].reverse());
const substrates = computed(() => [{ value: '', text: 'none' }, ...materials('substrate')]);
const GRAINS = [
  { value: '', text: 'not said' },
  { value: 'x', text: 'along the table' },
  { value: 'y', text: 'across it' },
] as const;

const indexOf = (id: string): number => stack.value.ground.findIndex((layer) => layer.id === id);
/** The face a layer is glued to; null for the lowest of all. */
function under({ id }: GroundLayer): Face | null {
  const index = indexOf(id);
  const below = index > 0 ? stack.value.ground[index - 1]! : stack.value.substrate;
  return below === null
    ? null
    : { materialId: below.materialId, thicknessMm: below.thicknessMm, isSealed: isSealedOn(below.sealed, 'top') };
}
const own = ({ materialId, thicknessMm, sealed }: GroundLayer): Face => ({
  materialId,
  thicknessMm,
  isSealed: isSealedOn(sealed, 'under'),
});

function reorder(layers: readonly GroundLayer[]): void {
  const ids = layers.map(({ id }) => id).reverse();
  edit('Put layers in another order', (draft) => void draft.ground.sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id)));
}
function move({ id }: GroundLayer, by: 1 | -1): void {
  const index = indexOf(id);
  edit('Put layers in another order', ({ ground }) => void ground.splice(index + by, 0, ...ground.splice(index, 1)));
}
function change(what: string, { id }: GroundLayer, how: (layer: { -readonly [K in keyof GroundLayer]: GroundLayer[K] }) => void): void {
  edit(what, ({ ground }) => how(ground.find((layer) => layer.id === id)! as never));
}
function setSheet(layer: GroundLayer, materialId: string, thicknessMm: number): void {
  change(materialId === layer.materialId ? 'Change a thickness' : 'Change the foam', layer, (draft) => {
    [draft.materialId, draft.thicknessMm] = [materialId, thicknessMm];
  });
}
function setSubstrate(materialId: string): void {
  const { substrate } = stack.value;
  const present = substrate?.thicknessMm ?? catalogue.value.starter.substrate.thicknessMm;
  edit('Change the substrate', (draft) => {
    draft.substrate =
      materialId === ''
        ? null
        : { materialId, thicknessMm: nearest(materialId, present), sealed: substrate?.sealed ?? 'none', grain: substrate?.grain ?? null };
  });
}
const addLayer = (): string => edit('Add a layer', (draft) => void draft.ground.push(freshLayer(catalogue.value, stack.value, shortId())));
</script>

<template>
  <button v-if="stack.ground.length < 8" type="button" class="key" @click="addLayer">Add a layer on top</button>
  <VueDraggable :model-value="fromTop" handle=".hold" :animation="120" @update:model-value="reorder">
    <div v-for="layer in fromTop" :key="layer.id" class="layer" data-testid="ground-layer">
      <div class="hold" aria-hidden="true" title="Drag to put it elsewhere"></div>
      <div class="fields">
        <SheetFields
          :label="`Layer ${indexOf(layer.id) + 1}`"
          use="ground"
          :material-id="layer.materialId"
          :thickness-mm="layer.thicknessMm"
          @choose="(id, mm) => setSheet(layer, id, mm)"
        />
        <ChoiceField
          v-if="hasGrain(layer.materialId) && stack.ground.length > 1"
          label="Grain"
          :value="layer.grain ?? ''"
          :options="GRAINS"
          @choose="(grain) => change('Turn a layer', layer, (draft) => void (draft.grain = grain === '' ? null : grain))"
        />
        <GlueFields
          v-if="under(layer) !== null"
          :lower="under(layer)!"
          :upper="own(layer)"
          :adhesive-id="layer.glueBelowId"
          :spread="layer.spread"
          @choose="
            (id, spread) =>
              change('Change the adhesive', layer, (draft) => {
                draft.glueBelowId = id;
                draft.spread = spread;
              })
          "
        />
        <div v-if="stack.ground.length > 1" class="moves">
          <button type="button" class="key" :disabled="indexOf(layer.id) === stack.ground.length - 1" @click="move(layer, 1)">Up</button>
          <button type="button" class="key" :disabled="indexOf(layer.id) === 0" @click="move(layer, -1)">Down</button>
          <button
            type="button"
            class="key"
            @click="edit('Remove a layer', (draft) => void (draft.ground = draft.ground.filter(({ id }) => id !== layer.id)))"
          >
            Remove
          </button>
        </div>
      </div>
    </div>
  </VueDraggable>
  <div class="layer">
    <div></div>
    <div class="fields">
      <ChoiceField label="Substrate" :value="stack.substrate?.materialId ?? ''" :options="substrates" @choose="setSubstrate" />
      <template v-if="stack.substrate !== null">
        <ChoiceField
          label="Thickness"
          :value="stack.substrate.thicknessMm"
          :options="thicknesses(stack.substrate.materialId, stack.substrate.thicknessMm)"
          @choose="(mm) => edit('Change a thickness', ({ substrate }) => substrate !== null && void (substrate.thicknessMm = mm))"
        />
        <ChoiceField
          label="Faces"
          :value="stack.substrate.sealed"
          :options="SEALS"
          @choose="(sealed) => edit('Seal the substrate', ({ substrate }) => substrate !== null && void (substrate.sealed = sealed))"
        />
      </template>
    </div>
  </div>
</template>

<style scoped>
.moves {
  display: flex;
  gap: 6px;
  margin-top: 4px;
}
</style>
