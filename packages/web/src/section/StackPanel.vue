<script setup lang="ts">
import { computed } from 'vue';
import type { PlanDraft } from '@spare-acre/core/plan';
import { freshLayer, glueChoices, materialBelow, materialChoices, nearestThickness, thicknessChoices } from '@spare-acre/core/stack';
import { lengthField } from '@spare-acre/core/units';
import { shortId } from '../drafts/name';
import ChoiceField from '../figures/ChoiceField.vue';
import FigureLine from '../figures/FigureLine.vue';
import ViewWarnings from '../frame/ViewWarnings.vue';
import { useCatalogue } from '../stores/catalogue';
import { usePlan } from '../stores/plan';

/** The layers of the board from top to bottom, each with what holds it to the one below. */
const store = usePlan();
const catalogue = computed(() => useCatalogue().catalogue!);
const plan = computed(() => store.plan!);
const stack = computed(() => plan.value.stack);
const unit = computed(() => (plan.value.units === 'metric' ? 'mm' : 'in'));

const thicknesses = (materialId: string, presentMm: number): { value: number; text: string }[] =>
  thicknessChoices(catalogue.value, materialId, presentMm).map((mm) => ({
    value: mm,
    text: `${lengthField(mm, plan.value.units)} ${unit.value}`,
  }));
const materials = (use: 'substrate' | 'ground'): { value: string; text: string }[] =>
  materialChoices(catalogue.value, use).map(({ id, name }) => ({ value: id, text: name }));
const substrates = computed(() => [{ value: '', text: 'none' }, ...materials('substrate')]);
const FITS = { holds: '', 'never-dries': ' (stays wet)', dissolves: ' (eats it)' };
const glues = (lower: string, upper: string): { value: string; text: string }[] =>
  glueChoices(catalogue.value, lower, upper).map(({ id, name, fit }) => ({ value: id, text: name + FITS[fit] }));

/** Ground layers from the top, each with its place counted from the bottom. */
const layers = computed(() =>
  stack.value.ground.map((layer, index) => ({ layer, index, below: materialBelow(stack.value, index) })).reverse(),
);

const edit = (what: string, change: (stack: PlanDraft['stack']) => void): string => store.edit(what, (draft) => change(draft.stack));

function setMaterial(index: number, materialId: string): void {
  edit('Change the foam', ({ ground }) => {
    const layer = ground[index]!;
    layer.thicknessMm = nearestThickness(catalogue.value, materialId, layer.thicknessMm);
    layer.materialId = materialId;
  });
}
function setSubstrate(materialId: string): void {
  edit('Change the substrate', (draft) => {
    draft.substrate =
      materialId === ''
        ? null
        : {
            materialId,
            thicknessMm: nearestThickness(
              catalogue.value,
              materialId,
              draft.substrate?.thicknessMm ?? catalogue.value.starter.substrate.thicknessMm,
            ),
          };
  });
}
function addLayer(): void {
  edit('Add a layer', (draft) => void draft.ground.push(freshLayer(catalogue.value, stack.value, shortId())));
}
</script>

<template>
  <h2>Stack</h2>
  <p class="sub">from the top down</p>
  <ViewWarnings view="section" />
  <section>
    <h3>Raised ground</h3>
    <ChoiceField
      label="Foam"
      :value="stack.raised.materialId"
      :options="materials('ground')"
      @choose="(id) => edit('Change the raised foam', (draft) => void (draft.raised.materialId = id))"
    />
    <ChoiceField
      label="Glued with"
      :value="stack.raised.glueId"
      :options="glues(stack.ground.at(-1)!.materialId, stack.raised.materialId)"
      @choose="(id) => edit('Change the adhesive', (draft) => void (draft.raised.glueId = id))"
    />
  </section>
  <section v-for="{ layer, index, below } in layers" :key="layer.id">
    <h3>Ground layer {{ index + 1 }}</h3>
    <ChoiceField label="Foam" :value="layer.materialId" :options="materials('ground')" @choose="(id) => setMaterial(index, id)" />
    <ChoiceField
      label="Thickness"
      :value="layer.thicknessMm"
      :options="thicknesses(layer.materialId, layer.thicknessMm)"
      @choose="(mm) => edit('Change a thickness', ({ ground }) => void (ground[index]!.thicknessMm = mm))"
    />
    <ChoiceField
      v-if="below !== null"
      label="Glued with"
      :value="layer.glueBelowId"
      :options="glues(below, layer.materialId)"
      @choose="(id) => edit('Change the adhesive', ({ ground }) => void (ground[index]!.glueBelowId = id))"
    />
    <div class="d-flex gap-2 mt-1">
      <button v-if="index === stack.ground.length - 1 && stack.ground.length < 8" type="button" class="key" @click="addLayer">
        Add a layer on top
      </button>
      <button
        v-if="stack.ground.length > 1"
        type="button"
        class="key"
        @click="edit('Remove a layer', (draft) => void draft.ground.splice(index, 1))"
      >
        Remove
      </button>
    </div>
  </section>
  <section>
    <h3>Substrate</h3>
    <ChoiceField label="Board" :value="stack.substrate?.materialId ?? ''" :options="substrates" @choose="setSubstrate" />
    <ChoiceField
      v-if="stack.substrate !== null"
      label="Thickness"
      :value="stack.substrate.thicknessMm"
      :options="thicknesses(stack.substrate.materialId, stack.substrate.thicknessMm)"
      @choose="(mm) => edit('Change a thickness', ({ substrate }) => substrate !== null && void (substrate.thicknessMm = mm))"
    />
  </section>
  <section v-if="store.derivation !== null">
    <h3>Height and adhesive</h3>
    <FigureLine label="Ground over the substrate" :figure="store.derivation.stack.ground" />
    <FigureLine v-for="glue in store.derivation.glues" :key="glue.adhesiveId" :label="glue.name" :figure="glue.mass" />
  </section>
</template>
