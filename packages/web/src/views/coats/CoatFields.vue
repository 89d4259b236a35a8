<script setup lang="ts">
import { offered } from '@spare-acre/core/catalogue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { coatHex, potsOf } from '@spare-acre/core/finishing/paint';
import { LIMITS } from '@spare-acre/core/plan/fields';
import type { Coat } from '@spare-acre/core/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import LengthField from '../../ui/fields/LengthField.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import TintFields from './TintFields.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** Everything that can be said of one coat. */
const props = defineProps<{ surfaceId: string; coat: Coat }>();
const store = usePlan();
const catalogue = computed(() => useCatalogue().catalogue!);
const coating = computed(() => catalogue.value.coatings.find(({ id }) => id === props.coat.coatingId)!);
const coatings = computed(() =>
  offered(catalogue.value, 'coatings', props.coat.coatingId).map(({ id, name }) => ({ value: id, text: name })),
);
const methods = computed(() => offered(catalogue.value, 'methods', props.coat.methodId).map(({ id, name }) => ({ value: id, text: name })));
const BEFORE = [
  { value: 'wet', text: 'still wet' },
  { value: 'dry', text: 'dry' },
  { value: 'cured', text: 'fully cured' },
] as const;
const change = (changed: Partial<Coat>, what: string): string =>
  store.edit({ code: 'coat/change', surfaceId: props.surfaceId, coatId: props.coat.id, change: changed, what });
const hex = computed(() => coatHex(coating.value, props.coat.tint, potsOf(catalogue.value, store.plan!.paints)));
const film = computed(() => (coating.value.spread.by === 'film' ? coating.value.spread.filmMm.value : null));
const strewn = computed(() =>
  coating.value.spread.by === 'count'
    ? (props.coat.strewn ?? { perM2: coating.value.spread.perM2.value, clumpPct: 40, feetPct: 40 })
    : null,
);
const strew = (changed: Partial<NonNullable<Coat['strewn']>>): string =>
  change({ strewn: { ...strewn.value!, ...changed } }, 'Change scatter');
</script>

<template>
  <div class="fields">
    <ChoiceField
      label="Coating"
      :value="coat.coatingId"
      :options="coatings"
      @choose="(coatingId) => change({ coatingId, strewn: null }, 'Take another coating')"
    />
    <ChoiceField
      label="Method"
      :value="coat.methodId"
      :options="methods"
      @choose="(methodId) => change({ methodId }, 'Put a coat on otherwise')"
    />
    <ChoiceField
      label="Apply when coat below is"
      :value="coat.before"
      :options="BEFORE"
      @choose="(before) => change({ before }, 'Wait otherwise')"
    />
    <LengthField
      v-if="film !== null"
      label="Film thickness"
      :mm="coat.filmMm ?? film"
      :system="store.plan!.units"
      :limits="LIMITS.filmMm"
      :take="(filmMm) => change({ filmMm }, 'Change film thickness')"
    />
    <NumberField
      label="Area covered"
      :value="coat.coverPct"
      unit="%"
      :limits="LIMITS.coverPct"
      :take="(coverPct) => change({ coverPct }, 'Change covered area')"
    />
    <NumberField
      label="Applications"
      :value="coat.goes"
      unit="times"
      :limits="LIMITS.goes"
      :take="(goes) => change({ goes }, 'Change applications of a coat')"
    />
    <NumberField
      v-if="coating.spread.by === 'coverage' || coating.spread.by === 'rate'"
      label="Thinned with"
      :value="coat.thin"
      unit="of water"
      :limits="LIMITS.thin"
      :take="(thin) => change({ thin }, 'Thin a coat')"
    />
    <template v-if="strewn !== null">
      <NumberField label="Count" :value="strewn.perM2" unit="a m²" :limits="LIMITS.perM2" :take="(perM2) => strew({ perM2 })" />
      <NumberField
        label="In clumps"
        :value="strewn.clumpPct"
        unit="%"
        :limits="LIMITS.sharePct"
        :take="(clumpPct) => strew({ clumpPct })"
      />
      <NumberField
        label="At the foot of walls and in hollows"
        :value="strewn.feetPct"
        unit="%"
        :limits="LIMITS.sharePct"
        :take="(feetPct) => strew({ feetPct })"
      />
    </template>
    <TintFields v-if="coating.look.hex !== null" :tint="coat.tint" :hex="hex" @take="(tint) => change({ tint }, 'Tint a coat')" />
    <BButton variant="key" class="my-2" @click="store.edit({ code: 'coats/remove', surfaceId, coatId: coat.id })">Remove coat</BButton>
  </div>
</template>

<style scoped>
.fields {
  padding: 2px 0 6px 4px;
}
</style>
