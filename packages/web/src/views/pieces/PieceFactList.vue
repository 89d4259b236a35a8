<script setup lang="ts">
import { lengthText, lengthUnit, showText } from '@spare-acre/core/base/units';
import FigureLine from '../../ui/FigureLine.vue';
import { usePlan } from '../../document/plan';
import type { Slices } from '../../workers/slices';

/** What a piece comes to: sizes, weight, how it stands. */
defineProps<{ made: NonNullable<Slices['bench']>[number] }>();
const store = usePlan();
/** As the eye wants it: never a bare float. */
function factText({ value, unit }: NonNullable<Slices['bench']>[number]['more'][number]): string {
  if (unit === 'mm') return length(value);
  if (unit === '°') return `${value.toFixed(1)}°`;
  return showText({ value, unit }, store.showing);
}
const length = (mm: number): string => `${lengthText(mm, store.plan!.units)} ${lengthUnit(store.plan!.units)}`;
</script>

<template>
  <template v-if="made.facts !== null">
    <section>
      <FigureLine label="Mass" :figure="made.facts.mass" />
      <FigureLine v-if="made.facts.tips !== null" label="Falls at a slope of" :figure="made.facts.tips" />
      <FigureLine label="Outside to coat" :figure="made.facts.outside" />
      <FigureLine label="Joints to glue" :figure="made.facts.joints" />
      <FigureLine label="Glue" :figure="made.facts.glue" />
    </section>
    <section v-for="size in made.facts.sizes" :key="size.objectId">
      <h3>{{ size.name }}</h3>
      <FigureLine label="Across" :figure="size.wide" />
      <FigureLine label="Deep" :figure="size.deep" />
      <FigureLine label="High" :figure="size.high" />
    </section>
    <section v-if="made.more.length > 0 || made.levels.length > 0">
      <h3>Read off</h3>
      <div v-for="fact in made.more" :key="fact.label" class="line">
        <span>{{ fact.label }}</span>
        <span class="num">{{ factText(fact) }}</span>
      </div>
      <div v-for="level in made.levels" :key="level.name" class="line">
        <span>{{ level.name }}, over the foot</span>
        <span class="num">{{ length(level.atMm) }}</span>
      </div>
    </section>
  </template>
</template>
