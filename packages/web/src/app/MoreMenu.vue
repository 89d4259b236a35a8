<script setup lang="ts">
import { BDropdown, BDropdownItemButton } from 'bootstrap-vue-next/components/BDropdown';

/** On a phone, what is rarely wanted behind one word. */
defineProps<{ items: readonly { readonly text: string; readonly go: () => void }[] }>();
</script>

<template>
  <BDropdown variant="bare" dropup no-caret class="more" toggle-class="stop" text="More">
    <BDropdownItemButton v-for="item in items" :key="item.text" role="menuitem" @click="item.go()">{{ item.text }}</BDropdownItemButton>
  </BDropdown>
</template>
