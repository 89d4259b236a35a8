<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { type GroundKind, GROUND_KIND_NAMES, GROUND_KINDS } from '@spare-acre/core/plan/surfaces';
import type { Facing } from '@spare-acre/core/plan';
import type { Face } from '@spare-acre/core/build/stack/joint';
import { freshFacing } from '@spare-acre/core/build/stack/adhesives';
import { faceOfFacing, faceUnderFacing } from '@spare-acre/core/build/stack';
import { shortId } from '../../stores/device/name';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { usePlan } from '../../stores/board/plan';
import GlueFields from './GlueFields.vue';
import SheetFields from './SheetFields.vue';
import { useStackEdits } from './useStackEdits';

/** Coverings glued on one kind of surface: cork, card, cloth, a mat. */
const store = usePlan();
const stack = computed(() => store.plan!.stack);
const { catalogue } = useStackEdits();
const zone = ref<GroundKind>(GROUND_KINDS.find((kind) => stack.value.facings[kind].length > 0) ?? 'open');
const zones = computed(() =>
  GROUND_KINDS.map((kind) => {
    const count = stack.value.facings[kind].length;
    return { value: kind, text: count === 0 ? GROUND_KIND_NAMES[kind] : `${GROUND_KIND_NAMES[kind]} (${count})` };
  }),
);
const layers = computed(() => [...stack.value.facings[zone.value]].reverse());
const under = ({ id }: Facing): Face => faceUnderFacing(stack.value, zone.value, id);
const own = (facing: Facing): Face => faceOfFacing(facing);
function reorder(sorted: readonly Facing[]): void {
  store.edit({ code: 'facing/order', groundKind: zone.value, layerIds: sorted.map(({ id }) => id).reverse() });
}
function add(): void {
  const facing = freshFacing(catalogue.value, faceUnderFacing(stack.value, zone.value, null).materialId, shortId());
  if (facing !== null) store.edit({ code: 'facing/add', groundKind: zone.value, facing });
}
</script>

<template>
  <ChoiceField label="On" :value="zone" :options="zones" @choose="(kind) => (zone = kind)" />
  <BButton v-if="layers.length < 4" variant="key" @click="add">Add covering</BButton>
  <VueDraggable :model-value="layers" handle=".hold" :animation="120" @update:model-value="reorder">
    <div v-for="layer in layers" :key="layer.id" class="layer" data-testid="facing">
      <div class="hold" aria-hidden="true" title="Drag to move"></div>
      <div>
        <SheetFields
          label="Covering"
          use="facing"
          :material-id="layer.materialId"
          :thickness-mm="layer.thicknessMm"
          @choose="(id, mm) => store.edit({ code: 'facing/sheet', groundKind: zone, layerId: layer.id, materialId: id, thicknessMm: mm })"
        />
        <GlueFields
          :lower="under(layer)"
          :upper="own(layer)"
          :adhesive-id="layer.glueBelowId"
          :spread="layer.spread"
          @choose="
            (adhesiveId, spread) =>
              store.edit({ code: 'glue/set', place: { part: 'facing', groundKind: zone, layerId: layer.id }, adhesiveId, spread })
          "
        />
        <BButton
          variant="key"
          class="mt-1"
          @click="store.noticed(store.edit({ code: 'facing/remove', groundKind: zone, layerId: layer.id }))"
        >
          Remove
        </BButton>
      </div>
    </div>
  </VueDraggable>
</template>
