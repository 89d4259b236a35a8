<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { LIMITS } from '@spare-acre/core/plan/fields';
import type { PlayRules } from '@spare-acre/core/plan';
import { onTable, realSize, scaleOf, yardsticks } from '@spare-acre/core/terrain/play';
import { SIDES } from '@spare-acre/core/terrain/tiling';
import ChoiceField from '../../../ui/fields/ChoiceField.vue';
import FigureCell from '../../../ui/values/FigureCell.vue';
import FigureLine from '../../../ui/values/FigureLine.vue';
import LengthField from '../../../ui/fields/LengthField.vue';
import NumberField from '../../../ui/fields/NumberField.vue';
import TabbedSheets from '../../../ui/TabbedSheets.vue';
import SearchProgress from '../../../ui/SearchProgress.vue';
import { useCatalogue } from '../../../stores/workshop/catalogue';
import { usePlan } from '../../../stores/board/plan';
import type { OverlayId, Play } from './usePlay';

/** Does the table play well? One check at a time over the plan, each with its legend and figures. */
const props = defineProps<{ play: Play }>();
const store = usePlan();
const catalogues = useCatalogue();
const plan = computed(() => store.plan!);
const rules = computed(() => plan.value.play);
const system = computed(() => plan.value.units);
const report = computed(() => props.play.report.value);
const { overlay, from, to, seenFrom, search, sight } = props.play;

const OVERLAYS: readonly { readonly id: OverlayId; readonly name: string }[] = [
  { id: 'ways', name: 'Paths' },
  { id: 'standing', name: 'Standing room' },
  { id: 'reach', name: 'Reach' },
  { id: 'sight', name: 'Sight' },
];
const sides = SIDES.map((value) => ({ value, text: `${value} side` }));
const set = (rule: Exclude<keyof PlayRules, 'baseHex'>, value: number): string => store.edit({ code: 'play/rule', rule, value });
const scale = computed(() => scaleOf(plan.value.figureHeightMm, catalogues.catalogue!));
const sticks = computed(() => yardsticks(plan.value.figureHeightMm, catalogues.catalogue!));
const realMm = ref(2_000);
const tableMm = ref(40);
function keep(change: () => void): string {
  change();
  return '';
}
const isReached = (mm: number): boolean => mm >= rules.value.baseMm;
</script>

<template>
  <h2>Does it play well?</h2>
  <TabbedSheets v-model="overlay" label="Play checks" :tabs="OVERLAYS">
    <p v-if="play.fault.value !== ''" class="attention" role="alert">The checks failed: {{ play.fault.value }}</p>
    <section>
      <LengthField label="Base" :mm="rules.baseMm" :system="system" :limits="LIMITS.baseMm" :take="(mm) => set('baseMm', mm)" />
      <template v-if="overlay === 'ways'">
        <LengthField
          label="Can climb a step of"
          :mm="rules.stepUpMm"
          :system="system"
          :limits="LIMITS.stepUpMm"
          :take="(mm) => set('stepUpMm', mm)"
        />
        <NumberField
          label="Can walk a slope of"
          :value="rules.walkDeg"
          unit="°"
          :limits="LIMITS.walkDeg"
          :take="(deg) => set('walkDeg', deg)"
        />
        <ChoiceField label="From the" :value="from" :options="sides" @choose="(side) => (from = side)" />
        <ChoiceField label="To the" :value="to" :options="sides" @choose="(side) => (to = side)" />
        <p class="legend">
          <svg class="ink swatch"><rect width="22" height="12" fill="url(#hatch-no)" /></svg> too close to a drop or a wall for this base
        </p>
        <p class="legend">
          <svg class="ink swatch"><path class="way" d="M0 6H22" /></svg> path of the largest base
        </p>
      </template>
      <template v-else-if="overlay === 'standing'">
        <NumberField
          label="Can stand on a slope of"
          :value="rules.tiltDeg"
          unit="°"
          :limits="LIMITS.tiltDeg"
          :take="(deg) => set('tiltDeg', deg)"
        />
        <p class="legend">
          <svg class="ink swatch"><rect width="22" height="12" fill="url(#hatch-no)" /></svg> this base tips, rocks or has no room
        </p>
      </template>
      <template v-else-if="overlay === 'reach'">
        <LengthField label="Arm reach" :mm="rules.reachMm" :system="system" :limits="LIMITS.reachMm" :take="(mm) => set('reachMm', mm)" />
        <LengthField label="Hand width" :mm="rules.handMm" :system="system" :limits="LIMITS.handMm" :take="(mm) => set('handMm', mm)" />
        <p class="legend">
          <svg class="ink swatch"><rect width="22" height="12" fill="url(#hatch-far)" /></svg> out of reach from every side
        </p>
        <p class="legend">
          <svg class="ink swatch"><rect width="22" height="12" fill="url(#hatch-no)" /></svg> too narrow for the hand
        </p>
      </template>
      <template v-else>
        <ChoiceField label="Seen from the" :value="seenFrom" :options="sides" @choose="(side) => (seenFrom = side)" />
        <p class="legend">
          <svg class="ink swatch"><rect width="22" height="12" fill="url(#hatch-unseen)" /></svg> hidden from everyone along that side
        </p>
        <BButton v-if="sight === null && search.share.value === null" variant="key" @click="play.look()">
          Check sight from every side
        </BButton>
        <SearchProgress :search="search" what="Checking" />
      </template>
    </section>
    <section v-if="report !== null && overlay === 'ways'">
      <FigureLine :label="`Largest base, ${report.from} to ${report.to}`" :figure="report.widest" />
      <BTableSimple class="ledger tight" data-testid="levels">
        <thead>
          <tr>
            <th>Level</th>
            <th class="num">Room for</th>
            <th class="num">Largest base with access</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(level, i) in report.levels" :key="i">
            <td>{{ level.name }}</td>
            <td class="num"><FigureCell :figure="level.spots" /></td>
            <td class="num">
              <span v-if="level.reached.value === 0" class="attention">not reachable</span>
              <template v-else
                ><span v-if="!isReached(level.reached.value)" class="attention" title="narrower than the base">! </span
                ><FigureCell :figure="level.reached"
              /></template>
            </td>
          </tr>
        </tbody>
      </BTableSimple>
    </section>
    <section v-if="report !== null && overlay === 'standing'">
      <FigureLine label="Share of table to stand on" :figure="report.stands" />
      <FigureLine v-for="(level, i) in report.levels" :key="i" :label="`Bases on ${level.name.toLowerCase()}`" :figure="level.spots" />
    </section>
    <section v-if="report !== null && overlay === 'reach'">
      <FigureLine label="Out of reach" :figure="report.far" />
      <FigureLine label="Too narrow for a hand" :figure="report.narrow" />
    </section>
    <section v-if="sight !== null && overlay === 'sight'">
      <FigureLine v-for="{ side, seen } in sight.sights" :key="side" :label="`Seen from the ${side}`" :figure="seen" data-testid="seen" />
      <h3 class="mt-2">Hidden from the other side</h3>
      <template v-for="{ sides: pair, hidden } in sight.covers" :key="pair.join()">
        <FigureLine v-for="(figure, i) in hidden" :key="i" :label="`From the ${pair[i]} half`" :figure="figure" />
      </template>
    </section>
  </TabbedSheets>
  <section>
    <h3>Scale</h3>
    <FigureLine label="1 to" :figure="scale" />
    <LengthField
      label="Real"
      :mm="realMm"
      :system="system"
      :limits="{ min: 1, max: 1_000_000 }"
      :take="(mm) => keep(() => (realMm = mm))"
    />
    <FigureLine label="on the table" :figure="onTable(realMm, scale)" />
    <LengthField
      label="On the table"
      :mm="tableMm"
      :system="system"
      :limits="{ min: 0.1, max: 12_000 }"
      :take="(mm) => keep(() => (tableMm = mm))"
    />
    <FigureLine label="in real life" :figure="realSize(tableMm, scale)" />
    <FigureLine v-for="stick in sticks" :key="stick.id" :label="`${stick.name}, height`" :figure="stick.tall" />
  </section>
</template>

<style scoped>
.legend {
  display: flex;
  gap: 7px;
  align-items: center;
  margin: 3px 0;
  font-size: 0.88rem;
  color: var(--ink-soft);
}
.swatch {
  width: 22px;
  height: 12px;
  flex: none;
  border: 1px solid var(--rule);
}
.way {
  stroke: var(--moss);
  stroke-width: 2;
  stroke-dasharray: 6 3;
}
</style>
