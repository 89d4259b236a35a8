<script setup lang="ts">
import { useId } from 'vue';

/** Something that is so or not. */
defineProps<{ label: string; isOn: boolean }>();
const emit = defineEmits<{ toggle: [isOn: boolean] }>();
const id = useId();
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <input :id="id" type="checkbox" class="box" :checked="isOn" @change="emit('toggle', ($event.target as HTMLInputElement).checked)" />
  </div>
</template>

<style scoped>
.box {
  width: 18px !important;
}
</style>
