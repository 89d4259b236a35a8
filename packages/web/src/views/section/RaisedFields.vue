<script setup lang="ts">
import { computed } from 'vue';
import { facesOfRaised } from '@spare-acre/core/build/stack';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import TickField from '../../ui/fields/TickField.vue';
import { usePlan } from '../../stores/board/plan';
import GlueFields from './GlueFields.vue';
import { useStackEdits } from './useStackEdits';

/** What raised ground is built of, and what holds it. Its heights are solved beside the drawing. */
const store = usePlan();
const stack = computed(() => store.plan!.stack);
const { catalogue, materials, hasGrain } = useStackEdits();
const faces = computed(() => facesOfRaised(catalogue.value, stack.value));
</script>

<template>
  <ChoiceField
    label="Foam"
    :value="stack.raised.materialId"
    :options="materials('ground', stack.raised.materialId)"
    @choose="(materialId) => store.edit({ code: 'raised/material', materialId })"
  />
  <GlueFields
    :lower="faces.lower"
    :upper="faces.upper"
    :adhesive-id="stack.raised.glueId"
    :spread="stack.raised.spread"
    @choose="(adhesiveId, spread) => store.edit({ code: 'glue/set', place: { part: 'raised' }, adhesiveId, spread })"
  />
  <TickField
    v-if="hasGrain(stack.raised.materialId)"
    label="Turn every second layer across"
    :is-on="stack.raised.crossGrain"
    @toggle="(crossGrain) => store.edit({ code: 'raised/cross-grain', crossGrain })"
  />
</template>
