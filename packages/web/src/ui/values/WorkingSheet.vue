<script lang="ts">
import { partLazily } from '../lazily';

const WorkingWidth = partLazily(() => import('./WorkingWidth.vue'));
</script>

<script setup lang="ts">
import { BFormCheckbox } from 'bootstrap-vue-next/components/BFormCheckbox';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { type Figure, enoughDigits, exact, operands, working } from '@spare-acre/core/base/units';
import { useDrawer } from '../drawer';
import { usePlan } from '../../stores/board/plan';

/** How a figure came about: its last step, whose parts open in turn; below it every step down to the inputs. */
const props = defineProps<{ figure: Figure; text?: string }>();
const store = usePlan();
const drawer = useDrawer();
const currency = computed(() => store.showing.currency);
/** One digit more than the figure is enough to see where it comes from; all of them are for who reckons it again. */
const isInFull = ref(false);
const digitsOf = (figure: Figure): number | undefined => (isInFull.value ? undefined : enoughDigits(figure, store.showing));
const amountOf = (figure: Figure): string => exact(figure, currency.value, digitsOf(figure));
const sheet = computed(() =>
  working(props.figure, currency.value, isInFull.value ? undefined : (figure) => enoughDigits(figure, store.showing)),
);
/** Whether anything shown has more digits than are shown. */
const isShort = computed(() =>
  [props.figure, ...operands(props.figure)].some(
    (figure) => exact(figure, currency.value) !== exact(figure, currency.value, enoughDigits(figure, store.showing)),
  ),
);
const parts = computed(() =>
  operands(props.figure).map((figure, i) => ({
    figure,
    amount: amountOf(figure),
    sign: signBefore(i),
    isOpen: operands(figure).length > 0,
  })),
);
const source = computed(() =>
  'source' in props.figure ? { from: SOURCES[props.figure.source] ?? props.figure.source, note: props.figure.note ?? '' } : null,
);
/** Whether anything that goes into it has a range. */
const isUnsure = computed(() => {
  const seen = new Set<Figure>();
  const asks = (figure: Figure): boolean => {
    if (seen.has(figure)) return false;
    seen.add(figure);
    return 'source' in figure ? figure.range !== undefined : operands(figure).some(asks);
  };
  return asks(props.figure);
});
/** A working of more steps than this is folded: its last step says most. */
const FOLD_FROM = 14;
/** A sum of more than this is set as a column, as on paper. */
const COLUMN_FROM = 3;
const SOURCES: Readonly<Record<string, string>> = {
  plan: 'your plan',
  drawing: 'measured on the drawing',
  catalogue: 'catalogue',
  shelf: 'your shelf',
  logbook: 'your logbook',
  calendar: 'your bench hours',
  layout: 'counted in the layout',
  definition: 'definition',
};

function signBefore(i: number): string {
  if (i === 0 || 'source' in props.figure) return '';
  return 'parts' in props.figure ? '+' : props.figure.sign;
}
</script>

<template>
  <div class="working" data-testid="working">
    <BButton v-if="drawer.path.length > 1" variant="key" class="back" @click="drawer.goBack()">
      Back to {{ drawer.path.at(-2)!.figure.label }}
    </BButton>
    <p class="result">
      <template v-if="text !== undefined">{{ text }}<br /></template
      ><span :class="{ small: text !== undefined }">{{ amountOf(figure) }}</span>
    </p>
    <BFormCheckbox v-if="isShort || parts.length > 0" v-model="isInFull" class="digits">Full precision</BFormCheckbox>
    <p v-if="source !== null">
      From {{ source.from }}<span class="quiet">{{ source.note === '' ? '' : `: ${source.note}` }}</span>
    </p>
    <BTableSimple v-if="parts.length > 0" class="column first" data-testid="last-step">
      <tbody>
        <tr v-for="(part, i) in parts" :key="i">
          <td class="sign">{{ part.sign }}</td>
          <td>{{ part.figure.label }}</td>
          <td class="num">
            <BButton v-if="part.isOpen" variant="bare" class="figure" @click="drawer.goInto(part.figure)">{{ part.amount }}</BButton>
            <template v-else>{{ part.amount }}</template>
          </td>
        </tr>
        <tr class="sum">
          <td class="sign">=</td>
          <td></td>
          <td class="num">{{ amountOf(figure) }}</td>
        </tr>
      </tbody>
    </BTableSimple>
    <WorkingWidth v-if="isUnsure" :figure="figure" />
    <details v-if="sheet.lines.length > 1" :open="sheet.lines.length <= FOLD_FROM">
      <summary>All {{ sheet.lines.length }} steps</summary>
      <ol class="steps">
        <li v-for="(line, i) in sheet.lines" :key="i">
          <span class="label">{{ line.label }}</span>
          <BTableSimple v-if="line.addends.length > COLUMN_FROM" class="column">
            <tbody>
              <tr v-for="(addend, k) in line.addends" :key="k">
                <td>{{ addend.label }}</td>
                <td class="num">{{ addend.amount }}</td>
              </tr>
              <tr class="sum">
                <td>together</td>
                <td class="num">{{ line.result }}</td>
              </tr>
            </tbody>
          </BTableSimple>
          <span v-else
            >{{ line.expression }} = <b>{{ line.result }}</b></span
          >
        </li>
      </ol>
    </details>
    <details v-if="sheet.inputs.length > 0 && source === null" :open="sheet.inputs.length <= FOLD_FROM">
      <summary>Sources</summary>
      <BTableSimple class="column">
        <tbody>
          <tr v-for="(input, i) in sheet.inputs" :key="i">
            <td>
              {{ input.label }}
              <span class="quiet note">{{ SOURCES[input.source] ?? input.source }}{{ input.note === '' ? '' : `: ${input.note}` }}</span>
            </td>
            <td class="num">{{ input.amount }}</td>
          </tr>
        </tbody>
      </BTableSimple>
    </details>
  </div>
</template>

<style scoped>
.back {
  margin-bottom: 8px;
  white-space: normal;
  text-align: left;
}
.result {
  font-size: 1.5rem;
  font-weight: 600;
  margin: 0 0 8px;
  line-height: 1.2;
}
.digits {
  float: right;
  font-size: 0.86rem;
  color: var(--ink-soft);
}
.result .small {
  font-size: 1.05rem;
}
summary {
  font:
    600 0.98rem 'Zilla Slab',
    serif;
  margin: 14px 0 4px;
  cursor: pointer;
}
.steps {
  padding-left: 24px;
  margin: 0;
}
.steps li {
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
}
.label {
  display: block;
  color: var(--ink-soft);
  font-size: 0.9rem;
}
.column {
  width: 100%;
  border-collapse: collapse;
}
.column td {
  padding: 3px 0;
  vertical-align: baseline;
  border-bottom: 1px solid var(--rule);
}
.column .sign {
  width: 18px;
  color: var(--ink-soft);
  white-space: nowrap;
  padding-right: 6px;
}
.steps .column td {
  border: 0;
  padding: 1px 0;
  font-size: 0.92rem;
}
.column .num {
  text-align: right;
  white-space: nowrap;
  padding-left: 12px;
}
.column tr.sum td {
  border-top: 1px solid var(--ink);
  border-bottom: 0;
  font-weight: 600;
}
.note {
  display: block;
  font-size: 0.86rem;
}
</style>
