<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import type { GroundLayer, LayerRef } from '@spare-acre/core/plan';
import type { Face } from '@spare-acre/core/build/stack/joint';
import { freshLayer } from '@spare-acre/core/build/stack/adhesives';
import { faceOfLayer, faceUnderLayer, substrateOf } from '@spare-acre/core/build/stack';
import { shortId } from '../../stores/device/name';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { usePlan } from '../../stores/board/plan';
import GlueFields from './GlueFields.vue';
import SheetFields from './SheetFields.vue';
import { SEALS, useStackEdits } from './useStackEdits';

/** Ground layers from the top, put in another order by dragging or by the arrows on them, over the substrate they stand on. */
const store = usePlan();
const stack = computed(() => store.plan!.stack);
const { catalogue, materials, thicknesses, hasGrain } = useStackEdits();
const fromTop = computed(() => [...stack.value.ground].reverse());
const substrates = computed(() => [{ value: '', text: 'none' }, ...materials('substrate', stack.value.substrate?.materialId)]);
const GRAINS = [
  { value: '', text: 'not set' },
  { value: 'x', text: 'along the table' },
  { value: 'y', text: 'across it' },
] as const;

const indexOf = (id: string): number => stack.value.ground.findIndex((layer) => layer.id === id);
/** The face a layer is glued to; null for the lowest of all. */
const under = ({ id }: GroundLayer): Face | null => faceUnderLayer(stack.value, id);
const own = (layer: GroundLayer): Face => faceOfLayer(layer, 'under');
const refOf = ({ id }: GroundLayer): LayerRef => ({ kind: 'ground', layerId: id });

const reorder = (layers: readonly GroundLayer[]): string =>
  store.edit({ code: 'layer/order', layerIds: layers.map(({ id }) => id).reverse() });
function move({ id }: GroundLayer, by: 1 | -1): void {
  const layerIds = stack.value.ground.map((layer) => layer.id);
  const index = indexOf(id);
  store.edit({ code: 'layer/order', layerIds: layerIds.toSpliced(index, 1).toSpliced(index + by, 0, id) });
}
const setSubstrate = (materialId: string): string =>
  store.edit({
    code: 'substrate/set',
    substrate: materialId === '' ? null : substrateOf(catalogue.value, stack.value.substrate, materialId),
  });
const addLayer = (): string => store.edit({ code: 'layer/add', layer: freshLayer(catalogue.value, stack.value, shortId()) });
</script>

<template>
  <BButton v-if="stack.ground.length < 8" variant="key" @click="addLayer">Add a layer on top</BButton>
  <VueDraggable :model-value="fromTop" handle=".hold" :animation="120" @update:model-value="reorder">
    <div v-for="layer in fromTop" :key="layer.id" class="layer" data-testid="ground-layer">
      <div class="hold" aria-hidden="true" title="Drag to move"></div>
      <div class="fields">
        <SheetFields
          :label="`Layer ${indexOf(layer.id) + 1}`"
          use="ground"
          :material-id="layer.materialId"
          :thickness-mm="layer.thicknessMm"
          @choose="(id, mm) => store.edit({ code: 'layer/sheet', layer: refOf(layer), materialId: id, thicknessMm: mm })"
        />
        <ChoiceField
          v-if="hasGrain(layer.materialId) && stack.ground.length > 1"
          label="Grain"
          :value="layer.grain ?? ''"
          :options="GRAINS"
          @choose="(grain) => store.edit({ code: 'layer/grain', grains: [{ layer: refOf(layer), grain: grain === '' ? null : grain }] })"
        />
        <GlueFields
          v-if="under(layer) !== null"
          :lower="under(layer)!"
          :upper="own(layer)"
          :adhesive-id="layer.glueBelowId"
          :spread="layer.spread"
          @choose="
            (adhesiveId, spread) => store.edit({ code: 'glue/set', place: { part: 'ground', layerId: layer.id }, adhesiveId, spread })
          "
        />
        <div v-if="stack.ground.length > 1" class="moves">
          <BButton variant="key" :disabled="indexOf(layer.id) === stack.ground.length - 1" @click="move(layer, 1)">Up</BButton>
          <BButton variant="key" :disabled="indexOf(layer.id) === 0" @click="move(layer, -1)">Down</BButton>
          <BButton variant="key" @click="store.noticed(store.edit({ code: 'layer/remove', layerId: layer.id }))">Remove</BButton>
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
          @choose="
            (mm) =>
              store.edit({ code: 'layer/sheet', layer: { kind: 'substrate' }, materialId: stack.substrate!.materialId, thicknessMm: mm })
          "
        />
        <ChoiceField
          label="Faces"
          :value="stack.substrate.sealed"
          :options="SEALS"
          @choose="(sealed) => store.edit({ code: 'layer/seal', layer: { kind: 'substrate' }, sealed })"
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
