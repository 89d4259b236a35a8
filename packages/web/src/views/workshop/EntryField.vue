<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { KINDS, type Field, type NamedField, blankGroup, blankOf, nameOf } from '@spare-acre/core/catalogue/editing';
import type { Estimate } from '@spare-acre/core/catalogue';
import { fromMinor, toMinor } from '@spare-acre/core/base/units';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import TextField from '../../ui/fields/TextField.vue';
import TickField from '../../ui/fields/TickField.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';

/** One value of an entry, asked for as its kind says; what has parts asks for each of them. */
const props = defineProps<{ name: string; field: Field; value: unknown }>();
const emit = defineEmits<{ change: [value: unknown] }>();
const catalogues = useCatalogue();
const catalogue = computed(() => catalogues.catalogue!);

const data = computed(() => (props.value ?? {}) as Readonly<Record<string, unknown>>);
const list = computed(() => (props.value ?? []) as readonly unknown[]);
const figure = computed(() => props.value as Estimate);
/** Takes a value that is right. */
const take = (value: unknown): string => {
  emit('change', value);
  return '';
};
const within = (key: string, value: unknown): void => emit('change', { ...data.value, [key]: value });
/** A value outside its ends takes the nearer one along. */
function takeFigure(key: 'value' | 'low' | 'high', value: number): string {
  const next = { ...figure.value, [key]: value };
  if (key === 'value') Object.assign(next, { low: Math.min(next.low, value), high: Math.max(next.high, value) });
  if (!(next.low <= next.value && next.value <= next.high))
    return `${props.name}: ${next.low} to ${next.high} does not contain ${next.value}. Enter lowest, value, highest.`;
  return take({ ...next, origin: 'yours' });
}
function takeNumber(value: number): string {
  const { field } = props;
  if (field.is === 'number' && field.isWhole && !Number.isInteger(value))
    return `${props.name}: ${value} is not whole. Enter a whole number.`;
  if (field.is === 'number' && field.isAbove && value <= field.least)
    return `${props.name}: ${value} is too small. Enter more than ${field.least}.`;
  return take(value);
}
function takeWords(words: string): string {
  const { field } = props;
  if (field.is !== 'words') return '';
  if (words === '' && !field.mayBeEmpty) return 'is empty. Enter a few words';
  return words.length > field.most ? `has ${words.length} letters. Enter up to ${field.most}` : take(words);
}
const takeColour = (words: string): string =>
  /^#[0-9a-f]{6}$/.test(words) ? take(words) : `got “${words}”. Enter a colour such as #7a6f52`;
function takeMoney(amount: number): string {
  const minor = toMinor(amount, catalogue.value.currency);
  if (props.field.is === 'money' && !props.field.mayBeFree && minor < 1) return `${props.name}: Enter a value above 0.`;
  return take(minor);
}
const optionsOf = (field: Field): readonly { readonly value: string; readonly text: string }[] =>
  field.is === 'entry'
    ? [
        { value: '', text: `choose a ${KINDS[field.kind].one}` },
        ...(catalogue.value[field.kind] as readonly { readonly id: string }[]).map((entry) => ({
          value: entry.id,
          text: nameOf(catalogue.value, field.kind, entry),
        })),
      ]
    : field.is === 'choice'
      ? field.of.map((word) => ({ value: word, text: word.replaceAll('-', ' ') }))
      : [];
const optionOf = computed(() => {
  const { field } = props;
  return field.is === 'one-of' ? (field.options.find(({ word }) => word === data.value[field.key]) ?? field.options[0]!) : null;
});
function choose(word: string): void {
  const { field } = props;
  if (field.is !== 'one-of') return;
  const option = field.options.find((one) => one.word === word)!;
  // What both shapes have stays.
  const kept = Object.fromEntries(option.fields.filter(({ key }) => key in data.value).map(({ key }) => [key, data.value[key]]));
  emit('change', { [field.key]: word, ...blankGroup(option.fields), ...kept });
}
const fieldsIn = computed<readonly NamedField[]>(() => (props.field.is === 'group' ? props.field.fields : (optionOf.value?.fields ?? [])));
const rowName = (i: number): string => `${props.name} ${i + 1}`;
const WIDE = { min: 0, max: 1e7 };
</script>

<template>
  <NumberField
    v-if="field.is === 'number'"
    :label="name"
    :value="Number(value)"
    :unit="field.unit"
    :limits="{ min: field.least, max: field.most }"
    :take="takeNumber"
  />
  <NumberField
    v-else-if="field.is === 'money'"
    :label="name"
    :value="fromMinor(Number(value), catalogue.currency)"
    :unit="catalogue.currency"
    :limits="WIDE"
    :take="takeMoney"
  />
  <fieldset v-else-if="field.is === 'figure'" class="measure">
    <legend>
      {{ name }}<span class="quiet">, {{ figure.origin }}</span>
    </legend>
    <NumberField label="usually" :value="figure.value" :unit="field.unit" :limits="WIDE" :take="(one) => takeFigure('value', one)" />
    <NumberField label="lowest" :value="figure.low" :unit="field.unit" :limits="WIDE" :take="(one) => takeFigure('low', one)" />
    <NumberField label="highest" :value="figure.high" :unit="field.unit" :limits="WIDE" :take="(one) => takeFigure('high', one)" />
  </fieldset>
  <TextField v-else-if="field.is === 'words'" :label="name" :value="String(value ?? '')" :take="takeWords" />
  <TextField v-else-if="field.is === 'colour'" :label="name" :value="String(value ?? '')" :take="takeColour" />
  <TickField v-else-if="field.is === 'tick'" :label="name" :is-on="value === true" @toggle="(on) => emit('change', on)" />
  <ChoiceField
    v-else-if="field.is === 'choice' || field.is === 'entry'"
    :label="name"
    :value="String(value ?? '')"
    :options="optionsOf(field)"
    @choose="(word) => emit('change', word)"
  />
  <div v-else-if="field.is === 'maybe'">
    <TickField
      :label="`Has ${name}`"
      :is-on="value !== null && value !== undefined"
      @toggle="(on) => emit('change', on ? blankOf((field as Extract<Field, { is: 'maybe' }>).inner) : blankOf(field))"
    />
    <EntryField
      v-if="value !== null && value !== undefined"
      :name="name"
      :field="field.inner"
      :value="value"
      @change="(one) => emit('change', one)"
    />
  </div>
  <fieldset v-else-if="field.is === 'list' && field.of.is === 'choice'">
    <legend>{{ name }}</legend>
    <TickField
      v-for="word in field.of.of"
      :key="word"
      :label="word"
      :is-on="list.includes(word)"
      @toggle="(on) => emit('change', on ? [...list, word] : list.filter((one) => one !== word))"
    />
  </fieldset>
  <fieldset v-else-if="field.is === 'list'">
    <legend>{{ name }}</legend>
    <div v-for="(one, i) in list" :key="i" class="row-of">
      <EntryField :name="rowName(i)" :field="field.of" :value="one" @change="(next) => emit('change', list.with(i, next))" />
      <BButton
        v-if="list.length > field.least"
        variant="key"
        :aria-label="`Remove ${rowName(i)}`"
        @click="emit('change', list.toSpliced(i, 1))"
        >Remove</BButton
      >
    </div>
    <BButton variant="key" @click="emit('change', [...list, blankOf((field as Extract<Field, { is: 'list' }>).of)])"
      >Add to {{ name }}</BButton
    >
  </fieldset>
  <fieldset v-else>
    <legend>{{ name }}</legend>
    <ChoiceField
      v-if="field.is === 'one-of'"
      label="how"
      :value="optionOf!.word"
      :options="field.options.map(({ word }) => ({ value: word, text: word }))"
      @choose="choose"
    />
    <EntryField
      v-for="inner in fieldsIn"
      :key="inner.key"
      :name="inner.name"
      :field="inner.field"
      :value="data[inner.key]"
      @change="(one) => within(inner.key, one)"
    />
  </fieldset>
</template>

<style scoped>
fieldset {
  border-left: 2px solid var(--rule);
  padding-left: 8px;
  margin: 4px 0;
}
legend {
  font-size: 0.92rem;
  font-weight: 500;
  margin: 0;
}
.measure {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 0 6px;
}
.measure legend {
  grid-column: 1 / -1;
}
.measure :deep(.field) {
  flex-direction: column;
  align-items: stretch;
  gap: 0;
}
.row-of {
  padding: 2px 0;
  border-bottom: 1px dotted var(--rule);
}
</style>
