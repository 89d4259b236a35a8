<script setup lang="ts">
import { offered } from '@spare-acre/core/catalogue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref, watch } from 'vue';
import { lengthWords } from '@spare-acre/core/base/units';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { GLUE_FIT_WORDS } from '@spare-acre/core/build/stack/adhesives';
import { type PieceField, FAMILIES, cornerWords, drawnFor, settingsOf, takenFromPlan, withStocks } from '@spare-acre/core/build/pieces';
import type { Piece } from '@spare-acre/core/plan';
import AskedField from '../../ui/fields/AskedField.vue';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import TextField from '../../ui/fields/TextField.vue';
import TickField from '../../ui/fields/TickField.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { shortId } from '../../stores/device/name';
import { usePlan } from '../../stores/board/plan';
import OutlineFile from './OutlineFile.vue';
import PieceCounting from './PieceCounting.vue';
import { allFieldsOf, fieldsOf, scaleOf, whyNot } from './pieceChoice';

const props = defineProps<{ piece: Piece }>();
const emit = defineEmits<{ gone: [] }>();
const store = usePlan();
const catalogue = computed(() => useCatalogue().catalogue!);
const system = computed(() => store.plan!.units);
const settings = computed(() => settingsOf(props.piece, scaleOf(store.plan!, catalogue.value)));
const fields = computed(() => fieldsOf(props.piece, settings.value));
const roles = computed(() => (props.piece.family in FAMILIES ? FAMILIES[props.piece.family as keyof typeof FAMILIES].of.roles : []));
/** What will not hold it says so, where it is known yet; those that hold come first. */
const glues = computed(() => {
  const judged = store.slices.bench?.find(({ pieceId }) => pieceId === props.piece.id)?.glues ?? [];
  if (judged.length === 0)
    return offered(catalogue.value, 'adhesives', props.piece.glueId).map(({ id, name }) => ({ value: id, text: name }));
  return judged.map(({ id, name, faults: [fault] }) => ({
    value: id,
    text: fault === undefined ? name : `${name}: ${GLUE_FIT_WORDS[fault.fit]}, ${fault.faces}`,
  }));
});
/** With the usual stock for what its family has come to need. */
const stocked = computed(() => withStocks(props.piece, roles.value, catalogue.value));
const problem = ref('');
watch(
  () => props.piece,
  () => (problem.value = ''),
);

/** @returns what is wrong with it, or nothing: what cannot be made is not taken */
function set({ key, label }: PieceField, value: number | string | boolean): string {
  const change = { [key]: value };
  const problem = whyNot(props.piece, change, scaleOf(store.plan!, catalogue.value), catalogue.value);
  if (problem !== null)
    return problem.field === key || problem.field === null ? problem.says : `${labelOf(problem.field)}: ${problem.says}`;
  return store.edit({ code: 'piece/set', pieceId: props.piece.id, change, what: `Set ${label.toLowerCase()} of` });
}
function takeFrom(field: PieceField, featureId: string): void {
  const feature = store.plan!.features.find(({ id }) => id === featureId);
  if (feature === undefined) return;
  const taken = takenFromPlan(props.piece, { field, feature, id: shortId() }, store.plan!, catalogue.value);
  const set = taken.code === 'together' ? taken.edits[0]! : taken;
  const why = set.code === 'piece/set' ? whyNot(props.piece, set.change, scaleOf(store.plan!, catalogue.value), catalogue.value) : null;
  problem.value = why === null ? store.edit(taken) : `${feature.name}: ${why.says}`;
}
/** Also of a field that has no say with the settings as they are. */
const labelOf = (key: string): string => allFieldsOf(props.piece).find((field) => field.key === key)?.label ?? key;
const change = (what: string, to: Partial<Pick<Piece, 'name' | 'count' | 'glueId' | 'isMadeElsewhere' | 'isFixed'>>): string =>
  store.edit({ code: 'piece/change', pieceId: props.piece.id, change: to, what });

const sheetChoices = computed(() =>
  offered(catalogue.value, 'sheets')
    .filter(
      ({ materialId, thicknessMm }, i, all) =>
        all.findIndex((one) => one.materialId === materialId && one.thicknessMm === thicknessMm) === i,
    )
    .map(({ materialId, thicknessMm }) => ({
      value: `${materialId} ${thicknessMm}`,
      text: `${catalogue.value.materials.find(({ id }) => id === materialId)!.name}, ${lengthWords(thicknessMm, system.value)}`,
    })),
);
const lengthChoices = (section: string) =>
  offered(catalogue.value, 'lengths')
    .filter((one) => one.section === section)
    .map(({ id, name }) => ({ value: id, text: name }));
const sheetOf = (role: string): string => {
  const sheet = stocked.value.sheets.find((one) => one.role === role);
  return sheet === undefined ? '' : `${sheet.materialId} ${sheet.thicknessMm}`;
};
function takeSheet(role: string, value: string): void {
  const [materialId = '', thickness = ''] = value.split(' ');
  store.edit({ code: 'piece/sheet', pieceId: props.piece.id, role, materialId, thicknessMm: Number(thickness) });
}
const plots = computed(() => [
  { value: '', text: 'beside the table' },
  ...store.plan!.features.flatMap((feature) => ('pieceId' in feature ? [{ value: feature.id, text: `on ${feature.name}` }] : [])),
]);
const plotId = computed(() => store.plan!.features.find((feature) => 'pieceId' in feature && feature.pieceId === props.piece.id)?.id ?? '');
function stand(featureId: string): void {
  const free =
    plotId.value === '' ? [] : [{ code: 'feature/set', featureId: plotId.value, change: { pieceId: null }, what: 'Clear' } as const];
  const taken =
    featureId === '' ? [] : [{ code: 'feature/set', featureId, change: { pieceId: props.piece.id }, what: 'Build on' } as const];
  store.edit({
    code: 'together',
    edits: [...free, ...taken],
    why: featureId === '' ? `Take ${props.piece.name} off the table` : `Place ${props.piece.name} on a plot`,
  });
}
function remove(): void {
  if (store.edit({ code: 'pieces/remove', pieceIds: [props.piece.id] }) === '') emit('gone');
}
</script>

<template>
  <p v-if="problem !== ''" class="problem attention" role="alert">{{ problem }}</p>
  <section>
    <template v-for="field in fields" :key="field.key">
      <AskedField
        :field="field"
        :value="settings[field.key]"
        :system="system"
        :take="(value) => set(field, value)"
        @refused="(says) => (problem = says)"
      />
      <OutlineFile v-if="field.drawn === 'outline'" :take="(ring) => set(field, cornerWords(ring))" />
      <ChoiceField
        v-if="drawnFor(field, store.plan!.features).length > 0"
        label="From the plan"
        value=""
        :options="[
          { value: '', text: 'choose …' },
          ...drawnFor(field, store.plan!.features).map(({ id, name }) => ({ value: id, text: name })),
        ]"
        @choose="(featureId) => takeFrom(field, featureId)"
      />
    </template>
  </section>
  <PieceCounting :key="piece.id" :piece="piece" />
  <section>
    <h3>Materials</h3>
    <template v-for="role in roles" :key="role.role">
      <ChoiceField
        v-if="role.sold === 'sheet'"
        :label="role.name"
        :value="sheetOf(role.role)"
        :options="sheetChoices"
        @choose="(value) => takeSheet(role.role, value)"
      />
      <ChoiceField
        v-else
        :label="role.name"
        :value="stocked.lengths.find((one) => one.role === role.role)?.lengthId ?? ''"
        :options="lengthChoices(role.section ?? 'strip')"
        @choose="(lengthId) => store.edit({ code: 'piece/length', pieceId: piece.id, role: role.role, lengthId })"
      />
    </template>
    <ChoiceField label="Glue" :value="piece.glueId" :options="glues" @choose="(glueId) => change('Glue', { glueId })" />
  </section>
  <section>
    <h3>On the board</h3>
    <TextField label="Name" :value="piece.name" :take="(name) => change('Rename', { name })" />
    <NumberField label="Copies" :value="piece.count" unit="" :limits="LIMITS.pieceCount" :take="(count) => change('Count', { count })" />
    <ChoiceField label="Place" :value="plotId" :options="plots" @choose="stand" />
    <TickField
      label="Glued to its tile"
      :is-on="piece.isFixed"
      @toggle="(isFixed) => change(isFixed ? 'Fix' : 'Make removable', { isFixed })"
    />
    <TickField
      label="Made for another board"
      :is-on="piece.isMadeElsewhere"
      @toggle="(isMadeElsewhere) => change('Change where it is made:', { isMadeElsewhere })"
    />
    <BButton variant="key" class="mt-2" :aria-label="`Remove ${piece.name}`" @click="remove">Remove</BButton>
  </section>
</template>
