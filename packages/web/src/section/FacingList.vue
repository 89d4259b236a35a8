<script setup lang="ts">
import { computed, ref } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { ZONE_NAMES } from '@spare-acre/core/ground';
import { type Facing, ZONE_KINDS, type ZoneKind } from '@spare-acre/core/plan';
import { type Face, freshFacing, isSealedOn } from '@spare-acre/core/stack';
import { shortId } from '../drafts/name';
import ChoiceField from '../figures/ChoiceField.vue';
import { usePlan } from '../stores/plan';
import GlueFields from './GlueFields.vue';
import SheetFields from './SheetFields.vue';
import { useStackEdits } from './useStackEdits';

/** Coverings glued on one kind of surface: cork, card, cloth, a mat. */
const store = usePlan();
const stack = computed(() => store.plan!.stack);
const { catalogue, edit } = useStackEdits();
const zone = ref<ZoneKind>(ZONE_KINDS.find((kind) => stack.value.facings[kind].length > 0) ?? 'open');
const zones = computed(() =>
  ZONE_KINDS.map((kind) => {
    const count = stack.value.facings[kind].length;
    return { value: kind, text: count === 0 ? ZONE_NAMES[kind] : `${ZONE_NAMES[kind]} (${count})` };
  }),
);
const layers = computed(() => [...stack.value.facings[zone.value]].reverse());
const ground = computed<Face>(() => {
  const top = stack.value.ground.at(-1)!;
  return zone.value === 'raised'
    ? { materialId: stack.value.raised.materialId, thicknessMm: top.thicknessMm, isSealed: false }
    : { materialId: top.materialId, thicknessMm: top.thicknessMm, isSealed: isSealedOn(top.sealed, 'top') };
});
const faceOf = ({ materialId, thicknessMm }: Facing): Face => ({ materialId, thicknessMm, isSealed: false });
function under({ id }: Facing): Face {
  const own = stack.value.facings[zone.value];
  const index = own.findIndex((layer) => layer.id === id);
  return index > 0 ? faceOf(own[index - 1]!) : ground.value;
}
type Draft = { -readonly [K in keyof Facing]: Facing[K] };
const change = (what: string, { id }: Facing, how: (layer: Draft) => void): string =>
  edit(what, ({ facings }) => how(facings[zone.value].find((layer) => layer.id === id)!));
function reorder(sorted: readonly Facing[]): void {
  const ids = sorted.map(({ id }) => id).reverse();
  edit('Put coverings in another order', ({ facings }) => void facings[zone.value].sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id)));
}
function add(): void {
  const below = stack.value.facings[zone.value].at(-1)?.materialId ?? ground.value.materialId;
  const facing = freshFacing(catalogue.value, below, shortId());
  if (facing !== null) edit('Add a covering', ({ facings }) => void facings[zone.value].push({ ...facing }));
}
</script>

<template>
  <ChoiceField label="On" :value="zone" :options="zones" @choose="(kind) => (zone = kind)" />
  <button v-if="layers.length < 4" type="button" class="key" @click="add">Cover it</button>
  <VueDraggable :model-value="layers" handle=".hold" :animation="120" @update:model-value="reorder">
    <div v-for="layer in layers" :key="layer.id" class="layer" data-testid="facing">
      <div class="hold" aria-hidden="true" title="Drag to put it elsewhere"></div>
      <div>
        <SheetFields
          label="Covering"
          use="facing"
          :material-id="layer.materialId"
          :thickness-mm="layer.thicknessMm"
          @choose="
            (id, mm) =>
              change('Change a covering', layer, (draft) => {
                draft.materialId = id;
                draft.thicknessMm = mm;
              })
          "
        />
        <GlueFields
          :lower="under(layer)"
          :upper="faceOf(layer)"
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
        <button
          type="button"
          class="key mt-1"
          @click="edit('Remove a covering', ({ facings }) => void (facings[zone] = facings[zone].filter(({ id }) => id !== layer.id)))"
        >
          Remove
        </button>
      </div>
    </div>
  </VueDraggable>
</template>
