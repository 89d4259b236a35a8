<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { shallowRef, watch } from 'vue';
import { type Figure, exact, show } from '@spare-acre/core/base/units';
import { showBand } from '@spare-acre/core/sure';
import { usePlan } from '../document/plan';
import { searches } from '../workers/searches';

/** How far a figure may really come out, and which inputs make it so wide. */
const props = defineProps<{ figure: Figure }>();
const store = usePlan();
const found = shallowRef<Awaited<ReturnType<ReturnType<typeof searches>['width']>> | null>(null);
const fault = shallowRef('');
watch(
  () => props.figure,
  async (figure) => {
    [found.value, fault.value] = [null, ''];
    try {
      const answer = await searches().width(figure);
      if (figure === props.figure) found.value = answer;
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
  },
  { immediate: true },
);
const percent = (share: number): string => show({ value: 100 * share, unit: '%' }, store.showing).number;
</script>

<template>
  <section class="width" data-testid="width">
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    <p v-else-if="found === null" class="quiet">Drawing chances …</p>
    <template v-else-if="found.band !== null">
      <p>
        One in ten to nine in ten: <b class="num">{{ showBand(found.band, figure.unit, store.showing) }}</b>
      </p>
      <BTableSimple v-if="found.from.length > 0" class="column">
        <caption>
          What makes it so wide
        </caption>
        <tbody>
          <tr v-for="one in found.from" :key="one.label">
            <td>
              {{ one.label }}
              <span class="quiet note"
                >{{ exact({ value: one.low, unit: one.unit }, store.showing.currency) }} to
                {{ exact({ value: one.high, unit: one.unit }, store.showing.currency) }}</span
              >
            </td>
            <td class="num">
              <span class="bar" aria-hidden="true"><span :style="{ width: `${100 * one.share}%` }"></span></span
              >{{ percent(one.share) }}&nbsp;%
            </td>
          </tr>
        </tbody>
      </BTableSimple>
      <p v-if="found.from.length > 0" class="quiet hint">
        Measured on a practice piece or read off the label, the first of these narrows it most.
      </p>
    </template>
  </section>
</template>

<style scoped>
.width {
  clear: both;
  margin-top: 10px;
}
.width p {
  margin: 0 0 6px;
}
.column {
  width: 100%;
}
caption {
  caption-side: top;
  padding: 0 0 2px;
  color: var(--ink-soft);
  font-size: 0.9rem;
}
.column td {
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
  vertical-align: baseline;
}
.column .num {
  text-align: right;
  white-space: nowrap;
  padding-left: 12px;
}
.note {
  display: block;
  font-size: 0.86rem;
}
.bar {
  display: inline-block;
  width: 54px;
  height: 7px;
  margin-right: 7px;
  border: 1px solid var(--ink-soft);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--ink-soft);
}
</style>
