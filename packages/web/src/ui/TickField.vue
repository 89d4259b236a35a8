<script setup lang="ts">
import { BFormCheckbox } from 'bootstrap-vue-next/components/BFormCheckbox';

/** Something that is so or not. */
defineProps<{ label: string; isOn: boolean }>();
const emit = defineEmits<{ toggle: [isOn: boolean] }>();
</script>

<template>
  <BFormCheckbox class="field" :model-value="isOn" reverse @update:model-value="(on) => emit('toggle', on === true)">{{
    label
  }}</BFormCheckbox>
</template>
