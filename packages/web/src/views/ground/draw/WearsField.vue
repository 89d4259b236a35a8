<script setup lang="ts">
import { computed } from 'vue';
import { type Feature, kindOf } from '@spare-acre/core/plan/features';
import { starterSurface } from '@spare-acre/core/plan';
import { atOnce } from '@spare-acre/core/plan/edits';
import ChoiceField from '../../../ui/fields/ChoiceField.vue';
import { useCatalogue } from '../../../stores/workshop/catalogue';
import { usePlan } from '../../../stores/board/plan';

/** The surface a feature or a patch wears in place of the usual one. */
const props = defineProps<{ feature: Feature }>();
const store = usePlan();
/** Surfaces it may wear: those of the board first, then recipes the board has not got yet; none for what shows no ground. */
const wears = computed(() => {
  const { patch, staysFree, isGroove, standsMm, isPlot } = kindOf(props.feature);
  if (staysFree === true || isGroove === true || (standsMm !== undefined && isPlot !== true)) return null;
  const own = store.plan!.surfaces;
  const others = useCatalogue().catalogue!.starter.surfaces.filter(({ id }) => own.every((surface) => surface.id !== id));
  return [
    { value: '', text: patch === undefined ? 'default' : 'nothing yet' },
    ...own.map(({ id, name }) => ({ value: id, text: name })),
    ...others.map(({ id, name }) => ({ value: id, text: name })),
  ];
});
function wear(surfaceId: string): void {
  const set = {
    code: 'feature/set',
    featureId: props.feature.id,
    change: { surfaceId: surfaceId === '' ? null : surfaceId },
    what: 'Coat',
  } as const;
  const starter = useCatalogue().catalogue!.starter.surfaces.find(({ id }) => id === surfaceId);
  const isNew = starter !== undefined && store.plan!.surfaces.every(({ id }) => id !== surfaceId);
  const scale = store.plan!.figureHeightMm / useCatalogue().catalogue!.bench.personMm.value;
  const add = isNew ? [{ code: 'surface/add' as const, surface: starterSurface(starter, useCatalogue().catalogue!.patterns, scale) }] : [];
  store.edit(add.length === 0 ? set : atOnce([...add, set], `Set the finish of ${props.feature.name}`));
}
</script>

<template>
  <ChoiceField v-if="wears !== null" label="Finish" :value="feature.surfaceId ?? ''" :options="wears" @choose="wear" />
</template>
