<script setup lang="ts">
import { lengthText, lengthUnit, lengthWords, showText } from '@spare-acre/core/base/units';
import { BALLAST_UP_MM, capacityOf } from '@spare-acre/core/build/pieces';
import { ballastFor } from '@spare-acre/core/build/shell';
import { computed, ref } from 'vue';
import NumberField from '../../ui/fields/NumberField.vue';
import FigureLine from '../../ui/values/FigureLine.vue';
import PieceWays from './PieceWays.vue';
import { usePlan } from '../../stores/board/plan';
import { allFieldsOf } from './pieceChoice';
import type { Slices } from '../../workers/slices';

/** What a piece comes to: sizes, weight, how it stands. */
const props = defineProps<{ made: NonNullable<Slices['bench']>[number] }>();
const store = usePlan();
const piece = computed(() => store.plan!.pieces.find(({ id }) => id === props.made.pieceId));
const hasWays = computed(() => piece.value !== undefined && allFieldsOf(piece.value).some(({ isWay }) => isWay === true));
const baseMm = computed(() => store.plan!.play.baseMm);
/** The slope it is to stand, and what it takes for that in its foot. */
const wantedDeg = ref(20);
const ballast = computed(() => {
  const standing = props.made.facts?.standing;
  if (standing == null) return '';
  const grams = ballastFor(standing, wantedDeg.value, BALLAST_UP_MM);
  if (grams === null) return 'no ballast is enough: use a wider foot';
  return grams < LEAST_BALLAST_G ? 'none, it is stable' : showText({ value: grams, unit: 'g' }, store.showing);
});
/** Less is lost in the glue. */
const LEAST_BALLAST_G = 0.5;
const WANTED_DEG = { min: 5, max: 60 };
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
      <FigureLine v-if="made.facts.tips !== null" label="Tips over at" :figure="made.facts.tips" />
      <FigureLine label="Outside to coat" :figure="made.facts.outside" />
      <FigureLine label="Joints to glue" :figure="made.facts.joints" />
      <FigureLine label="Glue" :figure="made.facts.glue" />
      <FigureLine v-if="made.facts.fillStrips !== null" label="Strips to fill folds" :figure="made.facts.fillStrips" />
    </section>
    <section v-if="made.facts.tips !== null">
      <h3>To stand on a slope</h3>
      <NumberField label="Of" :value="wantedDeg" unit="°" :limits="WANTED_DEG" :take="(deg) => ((wantedDeg = deg), '')" />
      <div class="line" data-testid="ballast">
        <span>Ballast in its foot</span>
        <span class="num">{{ ballast }}</span>
      </div>
    </section>
    <section v-for="size in made.facts.sizes" :key="size.objectId">
      <h3>{{ size.name }}</h3>
      <FigureLine label="Width" :figure="size.wide" />
      <FigureLine label="Depth" :figure="size.deep" />
      <FigureLine label="Height" :figure="size.high" />
    </section>
    <PieceWays v-if="hasWays" :key="made.pieceId" :piece-id="made.pieceId" />
    <section v-if="made.strips.length > 0" data-testid="strips">
      <h3>Strips to glue first</h3>
      <div v-for="strip in made.strips" :key="strip.id" class="line">
        <span>{{ strip.segments.length }} segments, {{ strip.layers.length }} layers</span>
        <span class="num">{{ lengthWords([strip.longMm, strip.wideMm], store.plan!.units) }}</span>
      </div>
    </section>
    <section v-if="made.waysIn.length > 0">
      <h3>Openings</h3>
      <div v-for="way in made.waysIn" :key="way.name" class="line">
        <span>{{ way.name }}, width × height</span>
        <span class="num">{{ length(way.widthMm) }} × {{ length(way.heightMm) }}</span>
      </div>
    </section>
    <section v-if="made.more.length > 0 || made.levels.length > 0">
      <h3>More sizes</h3>
      <div v-for="fact in made.more" :key="fact.label" class="line">
        <span>{{ fact.label }}</span>
        <span class="num">{{ factText(fact) }}</span>
      </div>
      <div v-for="level in made.levels" :key="level.name" class="line">
        <span>{{ level.name }}, above the foot</span>
        <span class="num">{{ length(level.atMm) }}</span>
      </div>
      <div v-for="level in made.levels" :key="`${level.name} holds`" class="line" data-testid="holds">
        <span>{{ level.name }}, bases of {{ length(baseMm) }}</span>
        <span class="num">{{ capacityOf(level.ring, baseMm) }}</span>
      </div>
    </section>
  </template>
</template>
