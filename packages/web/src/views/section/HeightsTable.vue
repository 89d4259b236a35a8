<script setup lang="ts">
import { BFormCheckbox } from 'bootstrap-vue-next/components/BFormCheckbox';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { thicknessesOf } from '@spare-acre/core/catalogue';
import { stockRegion, type HeightChoice, type HeightOption } from '@spare-acre/core/build/stack';
import { type Bare, lengthText, lengthUnit } from '@spare-acre/core/base/units';
import FigureCell from '../../ui/values/FigureCell.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** Every raised height with the ways to build it from the thicknesses at hand. */
const store = usePlan();
const catalogues = useCatalogue();
const raised = computed(() => store.plan!.stack.raised);
const stocked = computed(() =>
  thicknessesOf(catalogues.catalogue!, raised.value.materialId, stockRegion(store.plan!.stack, catalogues.catalogue!)),
);
const choices = computed(() => store.slices.heights ?? []);
const unit = computed(() => lengthUnit(store.plan!.units));
const length = (mm: number): string => lengthText(mm, store.plan!.units);
const error = (mm: number): string => (mm === 0 ? 'exact' : `${length(Math.abs(mm))} ${unit.value} ${mm > 0 ? 'too high' : 'too low'}`);
const isAtHand = (mm: number): boolean => raised.value.atHandMm.length === 0 || raised.value.atHandMm.includes(mm);

function toggle(mm: number): void {
  const now = stocked.value.filter((one) => (one === mm ? !isAtHand(one) : isAtHand(one)));
  // None at all would leave nothing to build from; all of them is what an empty list says.
  store.edit({ code: 'raised/at-hand', atHandMm: now.length === stocked.value.length ? [] : now });
}
function pick({ heightMm }: Bare<HeightChoice>, { thicknessesMm }: Bare<HeightOption>, isReckoned: boolean): void {
  store.edit({ code: 'raised/pick', heightMm, thicknessesMm: isReckoned ? null : thicknessesMm });
}
</script>

<template>
  <fieldset class="hand">
    <legend>Available</legend>
    <BFormCheckbox v-for="mm in stocked" :key="mm" inline :model-value="isAtHand(mm)" @update:model-value="toggle(mm)"
      >{{ length(mm) }} {{ unit }}</BFormCheckbox
    >
  </fieldset>
  <p v-if="choices.length === 0" class="quiet">No raised ground on this board.</p>
  <BTableSimple v-else class="ledger" data-testid="heights">
    <thead>
      <tr>
        <th>Height</th>
        <th>Layers</th>
        <th>Error</th>
        <th class="num">Foam, cost</th>
        <th><span class="visually-hidden">to do</span></th>
      </tr>
    </thead>
    <tbody v-for="choice in choices" :key="choice.heightMm">
      <tr v-for="(option, i) in choice.options" :key="option.thicknessesMm.join()" :class="{ own: option.isChosen }">
        <td>
          <template v-if="i === 0"
            ><b>{{ length(choice.heightMm) }} {{ unit }}</b> <span class="quiet">{{ choice.names.join(', ') }}</span></template
          >
        </td>
        <td>{{ option.thicknessesMm.map(length).join(' + ') }} {{ unit }}</td>
        <td :class="{ attention: !option.isWithin }">{{ error(option.errorMm) }}</td>
        <td class="num"><FigureCell :figure="option.cost" /></td>
        <td>
          <span v-if="option.isChosen" class="quiet">in use</span>
          <BButton v-else variant="key" @click="pick(choice, option, i === 0)">Use it</BButton>
        </td>
      </tr>
    </tbody>
  </BTableSimple>
</template>

<style scoped>
.hand {
  display: flex;
  gap: 14px;
  align-items: baseline;
}
.hand legend {
  float: left;
  width: auto;
  font-size: 1rem;
  margin: 0 12px 0 0;
}
.ledger td {
  padding-top: 1px;
  padding-bottom: 1px;
}
.own td {
  font-weight: 500;
}
</style>
