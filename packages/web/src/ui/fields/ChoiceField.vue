<script setup lang="ts" generic="T extends string | number">
import { BFormSelect } from 'bootstrap-vue-next/components/BFormSelect';
import { useId } from 'vue';

/** One of a few. */
defineProps<{ label: string; value: T; options: readonly { readonly value: T; readonly text: string }[]; hideLabel?: boolean }>();
const emit = defineEmits<{ choose: [value: T] }>();
const id = useId();
</script>

<template>
  <div class="field wide">
    <label :for="id" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <span class="entry">
      <BFormSelect :id="id" :model-value="value" :options="options" @update:model-value="(chosen) => emit('choose', chosen as T)" />
    </span>
  </div>
</template>
