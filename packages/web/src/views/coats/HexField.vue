<script setup lang="ts">
import TypedField from '../../ui/fields/TypedField.vue';

/** A colour typed as it is written for screens. `take` says what is wrong with it, or nothing. */
const props = defineProps<{ label: string; hex: string; take: (hex: string) => string }>();
function read(typed: string): string {
  const hex = typed.trim().toLowerCase();
  const whole = hex.startsWith('#') ? hex : `#${hex}`;
  return /^#[0-9a-f]{6}$/.test(whole) ? props.take(whole) : `${props.label}: got “${typed}”. Enter a colour such as #7a6f52`;
}
</script>

<template>
  <div class="hex">
    <span class="chip" :style="{ background: hex }" aria-hidden="true"></span>
    <TypedField :label="label" :stored="hex" is-words :read="read" />
  </div>
</template>

<style scoped>
.hex {
  display: flex;
  gap: 7px;
  align-items: end;
}
.hex > :last-child {
  flex: 1 1 auto;
}
.chip {
  flex: none;
  width: 22px;
  height: 22px;
  border: 1px solid var(--ink-soft);
  margin-bottom: 4px;
}
</style>
