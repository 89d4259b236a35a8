<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { shallowRef, watch } from 'vue';
import { type Figure, exact, show } from '@spare-acre/core/base/units';
import { type VarianceDriver, showBand } from '@spare-acre/core/learning/uncertainty';
import { usePlan } from '../../stores/board/plan';
import { searches } from '../../workers/searches';
import OwnFigure from '../fields/OwnFigure.vue';
import { useDrawer } from '../drawer';

/** How far a figure may really come out, and which inputs make it so wide. */
const props = defineProps<{ figure: Figure }>();
const store = usePlan();
const found = shallowRef<Awaited<ReturnType<ReturnType<typeof searches>['width']>> | null>(null);
const fault = shallowRef('');
const drawer = useDrawer();
/** The input that is being set. */
const opened = shallowRef<string | null>(null);
watch(
  () => props.figure,
  async (figure) => {
    [found.value, fault.value, opened.value] = [null, '', null];
    try {
      const answer = await searches().width(figure);
      if (figure === props.figure) found.value = answer;
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
  },
  { immediate: true },
);
const amountOf = (one: VarianceDriver, end: 'low' | 'high'): string => exact({ value: one[end], unit: one.unit }, store.showing.currency);
const percent = (share: number): string => show({ value: 100 * share, unit: '%' }, store.showing).number;
</script>

<template>
  <section class="width" data-testid="width">
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    <p v-else-if="found === null" class="quiet">Calculating the likely range …</p>
    <template v-else-if="found.band !== null">
      <p>
        Likely range (8 in 10): <b class="num">{{ showBand(found.band, figure.unit, store.showing) }}</b>
      </p>
      <BTableSimple v-if="found.from.length > 0" class="column">
        <caption>
          What this range depends on
        </caption>
        <tbody>
          <template v-for="one in found.from" :key="one.label">
            <tr>
              <td>
                {{ one.label }}
                <span class="quiet note">{{ amountOf(one, 'low') }} to {{ amountOf(one, 'high') }}</span>
                <BButton
                  v-if="one.path !== null"
                  variant="bare"
                  class="set"
                  :aria-expanded="opened === one.path"
                  @click="opened = opened === one.path ? null : one.path"
                  >Enter my value<span class="visually-hidden">: {{ one.label }}</span></BButton
                >
              </td>
              <td class="num">
                <span class="bar" aria-hidden="true"><span :style="{ width: `${100 * one.share}%` }"></span></span
                >{{ percent(one.share) }}&nbsp;%
              </td>
            </tr>
            <tr v-if="one.path !== null && opened === one.path">
              <td colspan="2"><OwnFigure :input="one" :path="one.path" @kept="drawer.close()" /></td>
            </tr>
          </template>
        </tbody>
      </BTableSimple>
      <p v-if="found.from.length > 0" class="quiet hint">
        The first value has the largest effect. Measure it on a test piece or read it from the label to narrow the range.
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
.set {
  font-size: 0.9rem;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
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
