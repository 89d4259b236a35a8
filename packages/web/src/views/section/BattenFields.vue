<script setup lang="ts">
import { computed } from 'vue';
import { LIMITS } from '@spare-acre/core/plan/fields';
import type { Stack } from '@spare-acre/core/plan';
import { battensOf } from '@spare-acre/core/build/stack';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import LengthField from '../../ui/fields/LengthField.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import { usePlan } from '../../stores/board/plan';
import { useStackEdits } from './useStackEdits';

/** Strips on edge under every tile, along its longer side. */
const store = usePlan();
const battens = computed(() => store.plan!.stack.battens);
const { catalogue, materials, thicknesses } = useStackEdits();
const boards = computed(() => [{ value: '', text: 'none' }, ...materials('substrate', battens.value?.materialId)]);
const setBoard = (materialId: string): string =>
  store.edit({ code: 'battens/set', battens: materialId === '' ? null : battensOf(catalogue.value, battens.value, materialId) });
const change = (part: Partial<NonNullable<Stack['battens']>>): string =>
  battens.value === null ? '' : store.edit({ code: 'battens/set', battens: { ...battens.value, ...part } });
</script>

<template>
  <ChoiceField label="Battens" :value="battens?.materialId ?? ''" :options="boards" @choose="setBoard" />
  <template v-if="battens !== null">
    <NumberField label="Per tile" :value="battens.count" unit="" :limits="LIMITS.battens" :take="(count) => change({ count })" />
    <ChoiceField
      label="Thickness"
      :value="battens.thicknessMm"
      :options="thicknesses(battens.materialId, battens.thicknessMm)"
      @choose="(thicknessMm) => change({ thicknessMm })"
    />
    <LengthField
      label="Standing room"
      :mm="battens.heightMm"
      :system="store.plan!.units"
      :limits="LIMITS.rimHeightMm"
      :take="(heightMm) => change({ heightMm })"
    />
  </template>
</template>
