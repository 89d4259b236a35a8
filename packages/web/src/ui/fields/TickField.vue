<script setup lang="ts">
import { BFormCheckbox } from 'bootstrap-vue-next/components/BFormCheckbox';

/** Something that is so or not. @param isHeld stays as it is for now */
defineProps<{ label: string; isOn: boolean; isHeld?: boolean }>();
const emit = defineEmits<{ toggle: [isOn: boolean] }>();
</script>

<template>
  <BFormCheckbox class="field" :model-value="isOn" :disabled="isHeld" reverse @update:model-value="(on) => emit('toggle', on === true)">{{
    label
  }}</BFormCheckbox>
</template>
