<script setup lang="ts">
import { computed } from 'vue';
import { type Figure, exact, working } from '@spare-acre/core/units';
import { usePlan } from '../stores/plan';

/** How a figure came about: the result, each step of the arithmetic, and the inputs with where they are changed. */
const props = defineProps<{ figure: Figure }>();
const store = usePlan();
const sheet = computed(() => working(props.figure, store.showing.currency));
const result = computed(() => exact(props.figure, store.showing.currency));
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
  definition: 'by definition',
};
</script>

<template>
  <div class="working" data-testid="working">
    <p class="result">{{ result }}</p>
    <h3 v-if="sheet.lines.length > 0">Step by step</h3>
    <ol v-if="sheet.lines.length > 0" class="steps">
      <li v-for="(line, i) in sheet.lines" :key="i">
        <span class="label">{{ line.label }}</span>
        <table v-if="line.addends.length > COLUMN_FROM" class="column">
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
        </table>
        <span v-else class="sum-line">{{ line.expression }} = <b>{{ line.result }}</b></span>
      </li>
    </ol>
    <h3>Where the numbers come from</h3>
    <table class="column inputs">
      <tbody>
        <tr v-for="(input, i) in sheet.inputs" :key="i">
          <td>
            {{ input.label }}
            <span class="quiet note">{{ SOURCES[input.source] ?? input.source }}{{ input.note === '' ? '' : `: ${input.note}` }}</span>
          </td>
          <td class="num">{{ input.amount }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.result {
  font-size: 1.5rem;
  font-weight: 600;
  margin: 0 0 10px;
}
h3 {
  font-size: 0.98rem;
  margin: 14px 0 4px;
}
.steps {
  padding-left: 22px;
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
  padding: 2px 0;
  vertical-align: top;
  border-bottom: 1px solid var(--rule);
}
.steps .column td {
  border: 0;
  font-size: 0.92rem;
}
.column .num {
  text-align: right;
  white-space: nowrap;
  padding-left: 12px;
}
.steps .column tr.sum td {
  border-top: 1px solid var(--ink);
  font-weight: 600;
}
.note {
  display: block;
  font-size: 0.86rem;
}
</style>
