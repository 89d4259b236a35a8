<script setup lang="ts">
import { computed } from 'vue';
import { type Face, isSealedOn } from '@spare-acre/core/stack';
import ChoiceField from '../figures/ChoiceField.vue';
import TickField from '../figures/TickField.vue';
import { usePlan } from '../stores/plan';
import GlueFields from './GlueFields.vue';
import { useStackEdits } from './useStackEdits';

/** What raised ground is built of, and what holds it. Its heights are solved beside the drawing. */
const store = usePlan();
const stack = computed(() => store.plan!.stack);
const { edit, materials, hasGrain, thicknesses } = useStackEdits();
const top = computed(() => stack.value.ground.at(-1)!);
const lower = computed<Face>(() => ({
  materialId: top.value.materialId,
  thicknessMm: top.value.thicknessMm,
  isSealed: isSealedOn(top.value.sealed, 'top'),
}));
const upper = computed<Face>(() => ({
  materialId: stack.value.raised.materialId,
  thicknessMm: thicknesses(stack.value.raised.materialId, top.value.thicknessMm)[0]!.value,
  isSealed: false,
}));
function setMaterial(materialId: string): void {
  edit('Change the raised foam', ({ raised }) => {
    raised.materialId = materialId;
    // What was at hand of the other, and built of it, says nothing of this one.
    [raised.atHandMm, raised.picks] = [[], []];
  });
}
</script>

<template>
  <ChoiceField label="Foam" :value="stack.raised.materialId" :options="materials('ground')" @choose="setMaterial" />
  <GlueFields
    :lower="lower"
    :upper="upper"
    :adhesive-id="stack.raised.glueId"
    :spread="stack.raised.spread"
    @choose="
      (id, spread) =>
        edit('Change the adhesive', ({ raised }) => {
          raised.glueId = id;
          raised.spread = spread;
        })
    "
  />
  <TickField
    v-if="hasGrain(stack.raised.materialId)"
    label="Turn every second layer across"
    :is-on="stack.raised.crossGrain"
    @toggle="(on) => edit('Turn raised layers', ({ raised }) => void (raised.crossGrain = on))"
  />
</template>
