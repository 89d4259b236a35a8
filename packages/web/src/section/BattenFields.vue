<script setup lang="ts">
import { computed } from 'vue';
import { LIMITS, type PlanDraft } from '@spare-acre/core/plan';
import ChoiceField from '../figures/ChoiceField.vue';
import LengthField from '../figures/LengthField.vue';
import NumberField from '../figures/NumberField.vue';
import { usePlan } from '../stores/plan';
import { useStackEdits } from './useStackEdits';

/** Strips on edge under every tile, along its longer side. */
const store = usePlan();
const battens = computed(() => store.plan!.stack.battens);
const { edit, materials, thicknesses, nearest } = useStackEdits();
const boards = computed(() => [{ value: '', text: 'none' }, ...materials('substrate')]);
const START = { thicknessMm: 9, heightMm: 20, count: 2 };

function setBoard(materialId: string): void {
  edit('Change the battens', (draft) => {
    const { thicknessMm, heightMm, count } = draft.battens ?? START;
    draft.battens = materialId === '' ? null : { materialId, thicknessMm: nearest(materialId, thicknessMm), heightMm, count };
  });
}
const change = (how: (battens: NonNullable<PlanDraft['stack']['battens']>) => void): string =>
  edit('Change the battens', (draft) => draft.battens !== null && how(draft.battens));
</script>

<template>
  <ChoiceField label="Battens" :value="battens?.materialId ?? ''" :options="boards" @choose="setBoard" />
  <template v-if="battens !== null">
    <NumberField
      label="A tile"
      :value="battens.count"
      unit=""
      :limits="LIMITS.battens"
      :take="(count) => change((own) => void (own.count = count))"
    />
    <ChoiceField
      label="Thickness"
      :value="battens.thicknessMm"
      :options="thicknesses(battens.materialId, battens.thicknessMm)"
      @choose="(mm) => change((own) => void (own.thicknessMm = mm))"
    />
    <LengthField
      label="Standing"
      :mm="battens.heightMm"
      :system="store.plan!.units"
      :limits="LIMITS.rimHeightMm"
      :take="(mm) => change((own) => void (own.heightMm = mm))"
    />
  </template>
</template>
