<script setup lang="ts">
import { ref } from 'vue';
import { useCatalogue } from '../../document/catalogue';
import { setMoney } from '../../document/workshop';
import TextField from '../../ui/TextField.vue';

/** The money that all prices are in. */
const catalogues = useCatalogue();
const fault = ref('');
function take(words: string): string {
  const currency = words.toUpperCase();
  if (!/^[A-Z]{3}$/.test(currency)) return `got “${words}”; three letters such as EUR, USD or JPY would do`;
  fault.value = '';
  setMoney(currency).catch((error: unknown) => (fault.value = error instanceof Error ? error.message : String(error)));
  return '';
}
</script>

<template>
  <section class="money">
    <TextField label="Money" :value="catalogues.catalogue!.currency" :take="take" />
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    <p class="quiet">Prices keep their numbers: nothing is exchanged. Money without cents, such as yen, is counted whole.</p>
    <p class="quiet">Millimetres or inches are chosen for each board, in its own settings.</p>
  </section>
</template>

<style scoped>
.money {
  max-width: 420px;
}
</style>
