<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormFile } from 'bootstrap-vue-next/components/BFormFile';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { computed, ref, watch } from 'vue';
import type { Surface, TestPiece } from '@spare-acre/core/plan';
import { type Advice, type Look, type School, inSchool } from '@spare-acre/core/finishing/swatch';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import TextField from '../../ui/fields/TextField.vue';
import TickField from '../../ui/fields/TickField.vue';
import { shortId } from '../../stores/device/name';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import HexField from './HexField.vue';
import SwatchCanvas from './SwatchCanvas.vue';
import { useJudgement } from './useSwatch';

/** A small piece of the surface, coat by coat, in the light one wants; beside it another, and what would mend it. */
const props = defineProps<{ surface: Surface }>();
const store = usePlan();
const catalogue = computed(() => useCatalogue().catalogue!);
const stage = ref(props.surface.coats.length);
const most = computed(() => props.surface.coats.length);
watch(most, (now, before) => (stage.value = stage.value >= before ? now : Math.min(stage.value, now)));
const stepName = computed(() => {
  const coat = props.surface.coats[stage.value - 1];
  if (coat === undefined) return 'bare';
  const coating = catalogue.value.coatings.find(({ id }) => id === coat.coatingId)!.name;
  return `${coating}, ${catalogue.value.methods.find(({ id }) => id === coat.methodId)!.name}`;
});
const lightDeg = ref(315);
const isWet = ref(false);
const isFar = ref(false);
const look = computed<Look>(() => ({ lightDeg: lightDeg.value, lightUpDeg: 42, isWet: isWet.value, from: isFar.value ? 'arm' : 'close' }));
const judgement = useJudgement(() => props.surface);
const besideId = ref('');
/** The same coats ended the other way. */
const SCHOOLS: readonly { readonly school: School; readonly text: string }[] = [
  { school: 'wash-last', text: 'the same, wash last' },
  { school: 'light-last', text: 'the same, light last' },
];
const others = computed(() => [
  { value: '', text: 'no comparison' },
  ...SCHOOLS.filter(({ school }) => inSchool(props.surface.coats, school, catalogue.value) !== null).map(({ school, text }) => ({
    value: school,
    text,
  })),
  ...store.plan!.testPieces.map(({ id, name }) => ({ value: `test ${id}`, text: `test piece: ${name}` })),
  ...store.plan!.surfaces.filter(({ id }) => id !== props.surface.id).map(({ id, name }) => ({ value: id, text: name })),
]);
const beside = computed(() => {
  const school = SCHOOLS.find((one) => one.school === besideId.value);
  if (school !== undefined) {
    const coats = inSchool(props.surface.coats, school.school, catalogue.value);
    return coats === null ? null : { ...props.surface, name: school.text, coats };
  }
  const kept = store.plan!.testPieces.find(({ id }) => `test ${id}` === besideId.value);
  return kept === undefined ? (store.plan!.surfaces.find(({ id }) => id === besideId.value) ?? null) : { ...kept, laid: null };
});
const take = ({ coats }: Advice): string => store.edit({ code: 'coats/set', surfaceId: props.surface.id, coats });
function keep(): void {
  const testPiece: TestPiece = {
    id: shortId(),
    name: props.surface.name,
    relief: props.surface.relief,
    coats: props.surface.coats,
    note: '',
    imageId: null,
  };
  store.edit({ code: 'test-piece/keep', testPiece });
}
/** A photo of the test piece as it really came out. */
const fault = ref('');
async function photograph(one: TestPiece, file: File | null): Promise<void> {
  fault.value = '';
  if (file === null) return;
  try {
    const { keepPicture } = await import('../../stores/bench/pictures');
    const { id } = await keepPicture(file);
    fault.value = change(one, { imageId: id });
  } catch (error) {
    fault.value = `${file.name}: ${error instanceof Error ? error.message : String(error)}`;
  }
}
const change = (one: TestPiece, some: Partial<TestPiece>): string =>
  store.edit({ code: 'test-piece/keep', testPiece: { ...one, ...some } });
</script>

<template>
  <div class="sheet-scroll" tabindex="0" role="region" aria-label="Swatch">
    <div class="pair">
      <SwatchCanvas :surface="surface" :stage="stage" :look="look" />
      <SwatchCanvas v-if="beside !== null" :key="besideId" :surface="beside" :stage="beside.coats.length" :look="look" />
    </div>
    <label class="scrub"
      ><span class="quiet">after {{ stage }} of {{ most }} coats: {{ stepName }}</span>
      <BFormInput v-model.number="stage" type="range" number min="0" :max="most" step="1" aria-label="Number of coats" />
    </label>
    <div class="looks">
      <label class="scrub"
        ><span class="quiet">light from</span
        ><BFormInput v-model.number="lightDeg" type="range" number min="0" max="345" step="15" aria-label="Light from"
      /></label>
      <TickField label="Wet" :is-on="isWet" @toggle="(on) => (isWet = on)" />
      <TickField label="At arm’s length" :is-on="isFar" @toggle="(on) => (isFar = on)" />
      <ChoiceField label="Compare with" :value="besideId" :options="others" @choose="(id) => (besideId = id)" />
      <HexField
        label="Bases of the figures"
        :hex="store.plan!.play.baseHex"
        :take="(hex) => store.edit({ code: 'play/base-colour', hex })"
      />
    </div>
    <section v-if="judgement !== null" class="says" aria-label="Advice">
      <p data-testid="says">{{ judgement.says }}</p>
      <ul>
        <li v-for="advice in judgement.advice" :key="advice.code">
          <BButton variant="key" @click="take(advice)">{{ advice.label }}</BButton>
          <span class="quiet">
            L* {{ Math.round(judgement.numbers.spread) }} → {{ Math.round(advice.numbers.spread) }}, mean
            {{ Math.round(judgement.numbers.lightness) }} → {{ Math.round(advice.numbers.lightness) }}</span
          >
        </li>
      </ul>
    </section>
    <section aria-label="Test pieces">
      <BButton variant="key" @click="keep">Save as test piece</BButton>
      <div v-for="one in store.plan!.testPieces" :key="one.id" class="kept">
        <TextField label="Test piece" :value="one.name" :take="(name) => change(one, { name })" />
        <TextField label="View" :value="one.note" :take="(note) => change(one, { note })" />
        <img v-if="one.imageId !== null" class="photo" :src="`/api/pictures/${one.imageId}`" :alt="`Photo of ${one.name}`" />
        <BFormFile
          accept="image/png,image/jpeg"
          :label="`Photo of ${one.name}`"
          @update:model-value="(file) => photograph(one, (file as File | null) ?? null)"
        />
        <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
        <BButton variant="key" :aria-label="`Delete ${one.name}`" @click="store.edit({ code: 'test-piece/remove', testPieceId: one.id })"
          >Delete</BButton
        >
      </div>
    </section>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 14px;
}
.scrub {
  display: block;
  max-width: 420px;
  margin-top: 6px;
}
.looks {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
  gap: 4px 20px;
  align-items: end;
}
.says ul {
  list-style: none;
  padding: 0;
}
.says li {
  margin: 5px 0;
}
.photo {
  max-width: 220px;
  display: block;
}
.kept {
  border-top: 1px solid var(--rule);
  margin-top: 8px;
  padding-top: 6px;
  max-width: 460px;
}
</style>
