<script setup lang="ts">
import { ref } from 'vue';
import { WEEKDAYS } from '@spare-acre/core/base/dates';
import { TERMS_OF, type TermsOf } from '@spare-acre/core/catalogue/editing';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { setCustoms } from '../../stores/workshop/workshop';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import TextField from '../../ui/fields/TextField.vue';

/** How this workshop counts and talks: the money that all prices are in, whose words, the first day of a week, the measures of new boards. */
const catalogues = useCatalogue();
const fault = ref('');
function keep(change: Parameters<typeof setCustoms>[0]): string {
  fault.value = '';
  setCustoms(change).catch((error: unknown) => (fault.value = error instanceof Error ? error.message : String(error)));
  return '';
}
function takeMoney(words: string): string {
  const currency = words.toUpperCase();
  return /^[A-Z]{3}$/.test(currency) ? keep({ currency }) : `got “${words}”. Enter three letters such as EUR, USD or JPY`;
}
const TERMS = (Object.entries(TERMS_OF) as [TermsOf, string][]).map(([value, text]) => ({ value, text }));
const MEASURES = [
  { value: 'metric', text: 'millimetres, metric stock' },
  { value: 'imperial', text: 'inches, nominal inch stock' },
] as const;
const FIRST_DAYS = [1, 6, 7].map((day) => ({ value: day, text: WEEKDAYS[day - 1]! }));
</script>

<template>
  <section class="customs">
    <TextField label="Money" :value="catalogues.catalogue!.currency" :take="takeMoney" />
    <ChoiceField label="Trade names" :value="catalogues.terms" :options="TERMS" @choose="(terms) => keep({ terms })" />
    <ChoiceField
      label="New boards in"
      :value="catalogues.catalogue!.measures ?? 'metric'"
      :options="MEASURES"
      @choose="(measures) => keep({ measures })"
    />
    <ChoiceField
      label="First day of the week"
      :value="catalogues.catalogue!.weekStartsOn ?? 1"
      :options="FIRST_DAYS"
      @choose="(weekStartsOn) => keep({ weekStartsOn })"
    />
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    <p class="quiet">Prices keep their numbers and are not converted. Currencies without cents, such as yen, use whole amounts.</p>
    <p class="quiet">Your own entries keep their names. Search finds every entry by any of its names.</p>
    <p class="quiet">
      A board can be switched between millimetres and inches in its own settings. Sheets of both kinds can be ticked in Cuts.
    </p>
  </section>
</template>

<style scoped>
.customs {
  max-width: 420px;
}
</style>
