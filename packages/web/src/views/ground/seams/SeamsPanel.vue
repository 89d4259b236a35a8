<script setup lang="ts">
import { offered } from '@spare-acre/core/catalogue';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { GROUND_KIND_NAMES } from '@spare-acre/core/plan/surfaces';
import { type Passage, newPassage, rimBoards, rimOf } from '@spare-acre/core/plan';
import { lengthWords } from '@spare-acre/core/base/units';
import ChoiceField from '../../../ui/fields/ChoiceField.vue';
import FigureCell from '../../../ui/values/FigureCell.vue';
import FigureLine from '../../../ui/values/FigureLine.vue';
import LengthField from '../../../ui/fields/LengthField.vue';
import TextField from '../../../ui/fields/TextField.vue';
import WarningCard from '../../../ui/WarningCard.vue';
import { shortId } from '../../../stores/device/name';
import { useCatalogue } from '../../../stores/workshop/catalogue';
import { usePlan } from '../../../stores/board/plan';
import SplitDialog from './SplitDialog.vue';

/** Tiles as they are carried and stored, and what meets at their seams. */
const store = usePlan();
const catalogues = useCatalogue();
const plan = computed(() => store.plan!);
const system = computed(() => plan.value.units);
const isSplitting = ref(false);
const warnings = computed(() => store.warnings.filter(({ code }) => code.startsWith('seam/') || code.startsWith('join/')));
const tiles = computed(() => store.slices.tiles ?? []);
const crossed = computed(() => store.slices.seams ?? []);
type Crossing = (typeof crossed.value)[number]['crossings'][number];
const nameOf = ({ kind, featureIds }: Crossing): string => {
  const names = featureIds.map((own) => plan.value.features.find(({ id }) => id === own)?.name);
  return [...new Set(names.filter((name) => name !== undefined))].join(', ') || (kind === 'wall' ? 'Wall' : GROUND_KIND_NAMES[kind]);
};
const FAULTS = { place: 'apart', width: 'width', level: 'height', water: 'water', ends: 'ends here' } as const;
const wordsOf = ({ fault, sizeMm }: Crossing): string => {
  if (fault === null) return 'agrees';
  return fault === 'ends' ? FAULTS.ends : `${lengthWords(sizeMm, system.value)} ${FAULTS[fault]}`;
};
const joins = computed(() =>
  offered(catalogues.catalogue!, 'joins', plan.value.table.join.methodId).map(({ id, name }) => ({ value: id, text: name })),
);
const join = computed(() => catalogues.catalogue!.joins.find(({ id }) => id === plan.value.table.join.methodId)!);
/** Boards a rim may be made of, told apart by their place in the list. */
const boards = computed(() => rimBoards(catalogues.catalogue!));
const rims = computed(() => [
  { value: -1, text: 'None' },
  ...boards.value.map(({ name, thicknessMm }, i) => ({ value: i, text: `${name}, ${lengthWords(thicknessMm, system.value)}` })),
]);
const rimIndex = computed(() => {
  const { rim } = plan.value.table;
  return rim === null ? -1 : boards.value.findIndex((one) => one.materialId === rim.materialId && one.thicknessMm === rim.thicknessMm);
});
const setRim = (index: number): string =>
  store.edit({ code: 'table/rim', rim: index < 0 ? null : rimOf(plan.value, boards.value[index]!) });
const setRimHeight = (heightMm: number): string =>
  plan.value.table.rim === null ? '' : store.edit({ code: 'table/rim', rim: { ...plan.value.table.rim, heightMm } });
const heaviest = computed(() => [...tiles.value].sort((a, b) => b.mass.value - a.mass.value)[0]);
const longest = computed(() => [...tiles.value].sort((a, b) => b.carry.value - a.carry.value)[0]);
/** What all tiles together make of a door or place. */
const fittings = computed(() =>
  plan.value.table.passages.map((passage, i) => {
    const own = tiles.value.map(({ tileId, fittings }) => ({ tileId, ...fittings[i]! }));
    const not = own.filter(({ fits }) => !fits).map(({ tileId }) => tileId);
    const stacked = passage.depthMm === null ? null : Math.min(...own.map((one) => one.stacked ?? 0));
    return { passage, not, stacked };
  }),
);
const setPassage = (passageId: string, change: Partial<Omit<Passage, 'id'>>): string =>
  store.edit({ code: 'passage/set', passageId, change });
const addPassage = (kind: 'door' | 'place'): string => store.edit({ code: 'passage/add', passage: newPassage(kind, shortId()) });
</script>

<template>
  <h2>Tiles and seams</h2>
  <p class="sub">Ring: the two tiles match. Square: they do not match, with the difference.</p>
  <WarningCard v-for="warning in warnings" :key="warning.id" :warning="warning" />
  <section v-if="tiles.length > 0">
    <h3>Tiles</h3>
    <BTableSimple class="ledger tight">
      <thead>
        <tr>
          <th>Tile</th>
          <th class="num">Mass</th>
          <th class="num">Height</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="tile in tiles" :key="tile.tileId">
          <td>{{ tile.tileId }}</td>
          <td class="num"><FigureCell :figure="tile.mass" /></td>
          <td class="num"><FigureCell :figure="tile.tall" /></td>
        </tr>
      </tbody>
    </BTableSimple>
    <FigureLine v-if="heaviest !== undefined" :label="`Heaviest, ${heaviest.tileId}`" :figure="heaviest.mass" />
    <FigureLine v-if="longest !== undefined" label="Longest tile side to carry" :figure="longest.carry" />
    <FigureLine v-if="store.slices.stored !== undefined" label="Stacked height" :figure="store.slices.stored" />
    <BButton variant="key" class="mt-1" @click="isSplitting = true">Compare ways to split …</BButton>
  </section>
  <section>
    <h3>Does it fit?</h3>
    <details v-for="{ passage, not, stacked } in fittings" :key="passage.id" class="passage">
      <summary>
        <span>{{ passage.name }}</span>
        <span :class="{ attention: not.length > 0 }">{{
          not.length > 0
            ? `not ${not.join(', ')}`
            : stacked === null
              ? 'every tile'
              : stacked === 0
                ? 'only on its edge'
                : `${stacked} flat`
        }}</span>
      </summary>
      <TextField label="Name" :value="passage.name" :take="(name) => setPassage(passage.id, { name })" />
      <LengthField
        label="Width"
        :mm="passage.widthMm"
        :system="system"
        :limits="LIMITS.passageMm"
        :take="(widthMm) => setPassage(passage.id, { widthMm })"
      />
      <LengthField
        label="Height"
        :mm="passage.heightMm"
        :system="system"
        :limits="LIMITS.passageMm"
        :take="(heightMm) => setPassage(passage.id, { heightMm })"
      />
      <LengthField
        v-if="passage.depthMm !== null"
        label="Depth"
        :mm="passage.depthMm"
        :system="system"
        :limits="LIMITS.passageMm"
        :take="(depthMm) => setPassage(passage.id, { depthMm })"
      />
      <BButton variant="key" @click="store.noticed(store.edit({ code: 'passage/remove', passageId: passage.id }))">Remove</BButton>
    </details>
    <div class="d-flex flex-wrap gap-2 mt-1">
      <BButton variant="key" @click="addPassage('door')">A door</BButton>
      <BButton variant="key" @click="addPassage('place')">A shelf, crate or boot</BButton>
    </div>
  </section>
  <section>
    <h3>Rim and connectors</h3>
    <ChoiceField label="Rim" :value="rimIndex" :options="rims" @choose="setRim" />
    <LengthField
      v-if="plan.table.rim !== null"
      label="Rim height"
      :mm="plan.table.rim.heightMm"
      :system="system"
      :limits="LIMITS.rimHeightMm"
      :take="setRimHeight"
    />
    <ChoiceField
      label="Connector"
      :value="plan.table.join.methodId"
      :options="joins"
      @choose="(methodId) => store.edit({ code: 'join/method', methodId })"
    />
    <LengthField
      v-if="join.perEdge > 0"
      label="Distance from the middle"
      :mm="plan.table.join.offsetMm"
      :system="system"
      :limits="LIMITS.joinOffsetMm"
      :take="(offsetMm) => store.edit({ code: 'join/offset', offsetMm })"
    />
    <p class="quiet m-0">{{ join.remark }}</p>
  </section>
  <section>
    <h3>Features crossing a seam</h3>
    <template v-for="seam in crossed" :key="seam.id">
      <p class="seam-name">{{ seam.name }}</p>
      <div v-for="crossing in seam.crossings" :key="crossing.id" class="line inner">
        <span>{{ nameOf(crossing) }}</span>
        <span :class="crossing.fault !== null && crossing.fault !== 'ends' ? 'attention' : 'quiet'">{{ wordsOf(crossing) }}</span>
      </div>
    </template>
    <p v-if="crossed.length === 0" class="quiet">No feature crosses a seam.</p>
  </section>
  <SplitDialog v-model="isSplitting" />
</template>

<style scoped>
.seam-name {
  margin: 6px 0 0;
  font-weight: 500;
}
.line {
  min-height: 22px;
}
.passage summary {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  cursor: pointer;
}
</style>
