<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { proxy } from 'comlink';
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useId } from 'vue';
import { keepsTo, limitsFrom } from '@spare-acre/core/advice/tradeoffs';
import { fromMinor, showText } from '@spare-acre/core/base/units';
import { usePlan } from '../../stores/board/plan';
import PlotFrame from '../../ui/PlotFrame.vue';
import { searches } from '../../workers/searches';
import type { ShownWay, ShownWeighing } from '../../workers/searches/weigh';

/** The ways a plan leaves open, weighed against each other: only those that nothing beats, with the plan as it is among them. */
const store = usePlan();
const id = useId();
const weighing = shallowRef<ShownWeighing | null>(null);
const isDone = ref(false);
const fault = ref('');
const typed = ref('');
const chosenId = ref<string | null>(null);
let turn = 0;
async function look(): Promise<void> {
  const mine = ++turn;
  [fault.value, isDone.value, chosenId.value] = ['', false, null];
  try {
    await searches().weigh(
      proxy((now: ShownWeighing) => {
        if (mine === turn) weighing.value = now;
        return mine === turn;
      }),
    );
    if (mine === turn) isDone.value = true;
  } catch (error) {
    if (mine === turn) fault.value = error instanceof Error ? error.message : String(error);
  }
}
function stop(): void {
  turn += 1;
  isDone.value = true;
}
onMounted(() => void look());
onBeforeUnmount(() => (turn += 1));

const limits = computed(() => limitsFrom(typed.value, store.showing.currency, store.plan!.calendar.startsOn));
const fits = ({ weight }: ShownWay): boolean => keepsTo(limits.value, weight, weight.takes);
/** The plan as it is, and every way of the front that keeps to what is typed, the least dear first. */
const ways = computed(() => {
  if (weighing.value === null) return [];
  const { own, front } = weighing.value;
  return [own, ...front.filter((way) => way.id !== own.id && fits(way)).sort((a, b) => a.weight.costMinor - b.weight.costMinor)];
});
const isOwn = (way: ShownWay): boolean => way.id === weighing.value?.own.id;
const left = computed(() =>
  weighing.value === null
    ? 0
    : weighing.value.front.filter(({ id: own }) => own !== weighing.value!.own.id).length - (ways.value.length - 1),
);
const chosen = computed(() => ways.value.find((way) => way.id === chosenId.value) ?? null);
const text = (value: number, unit: 'money' | 'min' | 'g'): string => showText({ value, unit }, store.showing);
function take(way: ShownWay): void {
  stop();
  fault.value = store.edit(way.edit);
  if (fault.value === '') void look();
}
/** Cost across, hands-on time up; the later it is ready, the larger the point. */
const data = computed(() => {
  const all = ways.value;
  const readies = all.map(({ weight }) => weight.readyMin).filter(Number.isFinite);
  const [first, last] = [Math.min(...readies), Math.max(...readies)];
  const size = ({ weight: { readyMin } }: ShownWay): number =>
    Number.isFinite(readyMin) ? 9 + (11 * (readyMin - first)) / (last - first || 1) : 24;
  const style = getComputedStyle(document.documentElement);
  const ink = (name: string): string => style.getPropertyValue(name).trim();
  return [
    {
      type: 'scatter' as const,
      mode: 'markers' as const,
      x: all.map(({ weight }) => fromMinor(weight.costMinor, store.showing.currency)),
      y: all.map(({ weight }) => weight.handsOnMin / 60),
      text: all.map((way) => `${isOwn(way) ? 'current' : way.changes.join('<br>')}<br>ready ${way.weight.readyText}`),
      hoverinfo: 'text' as const,
      marker: {
        size: all.map(size),
        symbol: all.map((way) => (isOwn(way) ? 'diamond' : way.id === chosenId.value ? 'star' : 'circle')),
        color: all.map((way) => (isOwn(way) ? ink('--clay') : way.id === chosenId.value ? ink('--slate') : ink('--moss'))),
        line: { color: ink('--ink'), width: 1 },
      },
    },
  ];
});
const layout = computed(() => ({
  xaxis: { title: { text: `cost, ${store.showing.currency}` } },
  yaxis: { title: { text: 'hands-on, h' } },
}));
const pick = ({ index }: { readonly index: number }): void => void (chosenId.value = ways.value[index]?.id ?? null);
</script>

<template>
  <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
  <p v-if="weighing === null" class="quiet">Comparing options …</p>
  <template v-else>
    <p class="m-0" role="status" data-testid="weighed">
      {{ weighing.of.toLocaleString('en') }} options to build this. {{ weighing.reckoned }} calculated in full;
      {{ weighing.front.length }} of them are not beaten by any other.
      <template v-if="!isDone">Still searching … <BButton variant="key" size="sm" @click="stop">Stop and keep best</BButton></template>
      <span v-else-if="weighing.isWhole" class="quiet">All of them were calculated.</span>
      <span v-else class="quiet">The others were estimated from the effect of each change alone.</span>
    </p>
    <div class="limits">
      <label :for="id">Limits</label>
      <BFormInput :id="id" v-model="typed" placeholder="under 120 EUR, ready by 19 Dec, no resin" autocomplete="off" />
    </div>
    <p v-if="limits.unread.length > 0" class="attention m-0" role="alert">
      “{{ limits.unread.join('”, “') }}” was not understood. Enter under 120 {{ store.showing.currency }}, under 30 h, under 12 kg, ready by
      19 Dec or no resin.
    </p>
    <p v-if="left > 0" class="quiet m-0" data-testid="left-out">
      {{ left }} {{ left === 1 ? 'option does' : 'options do' }} not meet these limits.
    </p>
    <PlotFrame
      label="Options by cost and hands-on time; same data as the table below"
      :data="data"
      :layout="layout"
      :height-px="300"
      @pick="pick"
    />
    <section v-if="chosen !== null && !isOwn(chosen)" class="chosen" data-testid="chosen-way">
      <p class="m-0">
        <b>{{ chosen.changes.join('; ') }}</b>
        <BButton variant="primary" class="ms-2" @click="take(chosen)">Use this</BButton>
      </p>
    </section>
    <BTableSimple class="ledger" responsive data-testid="ways">
      <thead>
        <tr>
          <th scope="col">Change</th>
          <th scope="col" class="num">Cost</th>
          <th scope="col" class="num">Hands-on</th>
          <th scope="col" class="num">Mass</th>
          <th scope="col">Ready</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="way in ways" :key="way.id" :class="{ own: isOwn(way), picked: way.id === chosenId }">
          <td>
            <span v-if="isOwn(way)">◆ current plan<span v-if="!fits(way)" class="attention">, which does not meet the limits</span></span>
            <BButton v-else variant="link" class="p-0 text-start" @click="chosenId = way.id">{{ way.changes.join('; ') }}</BButton>
          </td>
          <td class="num">{{ text(way.weight.costMinor, 'money') }}</td>
          <td class="num">{{ text(way.weight.handsOnMin, 'min') }}</td>
          <td class="num">{{ text(way.weight.massG, 'g') }}</td>
          <td>{{ way.weight.readyText }}</td>
        </tr>
      </tbody>
    </BTableSimple>
    <p class="quiet">Open questions: {{ weighing.questions.join('; ') }}.</p>
  </template>
</template>

<style scoped>
.limits {
  display: flex;
  gap: 10px;
  align-items: center;
  max-width: 620px;
  margin: 8px 0;
}
.limits label {
  white-space: nowrap;
}
.chosen {
  border-left: 3px solid var(--slate);
  padding: 4px 10px;
  margin: 6px 0;
}
.own td {
  font-weight: 500;
}
.picked td {
  background: var(--sheet);
}
</style>
