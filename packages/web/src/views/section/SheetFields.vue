<script setup lang="ts">
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { useStackEdits } from './useStackEdits';

/** What a layer is made of and how thick; another material comes in the thickness nearest to the present one. */
const props = defineProps<{ label: string; use: 'substrate' | 'ground' | 'facing'; materialId: string; thicknessMm: number }>();
const emit = defineEmits<{ choose: [materialId: string, thicknessMm: number] }>();
const { materials, thicknesses, nearest } = useStackEdits();
</script>

<template>
  <ChoiceField
    :label="label"
    :value="materialId"
    :options="materials(use, materialId)"
    @choose="(id) => emit('choose', id, nearest(id, props.thicknessMm))"
  />
  <ChoiceField
    label="Thickness"
    :value="thicknessMm"
    :options="thicknesses(materialId, thicknessMm)"
    @choose="(mm) => emit('choose', materialId, mm)"
  />
</template>
