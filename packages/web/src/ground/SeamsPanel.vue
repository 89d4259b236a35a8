<script setup lang="ts">
import { computed, ref } from 'vue';
import { LIMITS } from '@spare-acre/core/plan';
import { ZONE_NAMES } from '@spare-acre/core/ground';
import type { Crossing } from '@spare-acre/core/tiling';
import { lengthWords } from '@spare-acre/core/units';
import ChoiceField from '../figures/ChoiceField.vue';
import FigureCell from '../figures/FigureCell.vue';
import FigureLine from '../figures/FigureLine.vue';
import LengthField from '../figures/LengthField.vue';
import TextField from '../figures/TextField.vue';
import WarningCard from '../frame/WarningCard.vue';
import { shortId } from '../drafts/name';
import { useCatalogue } from '../stores/catalogue';
import { usePlan } from '../stores/plan';
import SplitDialog from './SplitDialog.vue';

/** Tiles as they are carried and stored, and what meets at their seams. */
const store = usePlan();
const catalogues = useCatalogue();
const plan = computed(() => store.plan!);
const system = computed(() => plan.value.units);
const isSplitting = ref(false);
const derivation = computed(() => store.derivation);
const warnings = computed(() => store.warnings.filter(({ code }) => code.startsWith('seam/') || code.startsWith('join/')));
const crossed = computed(() => derivation.value?.seams.filter(({ crossings }) => crossings.length > 0) ?? []);
const nameOf = ({ kind, first, second }: Crossing): string => {
  const names = [first, second].map((stretch) => plan.value.features.find(({ id }) => id === stretch?.featureId)?.name);
  return [...new Set(names.filter((name) => name !== undefined))].join(', ') || (kind === 'wall' ? 'Wall' : ZONE_NAMES[kind]);
};
const FAULTS = { place: 'apart', width: 'in width', level: 'in height', ends: 'ends here' } as const;
const wordsOf = ({ fault, sizeMm }: Crossing): string => {
  if (fault === null) return 'agrees';
  return fault === 'ends' ? FAULTS.ends : `${lengthWords(sizeMm, system.value)} ${FAULTS[fault]}`;
};
const joins = computed(() => catalogues.catalogue!.joins.map(({ id, name }) => ({ value: id, text: name })));
const join = computed(() => catalogues.catalogue!.joins.find(({ id }) => id === plan.value.table.join.methodId)!);
const rims = computed(() => [
  { value: '', text: 'None' },
  ...catalogues
    .catalogue!.sheets.filter(({ materialId }) =>
      catalogues.catalogue!.materials.find(({ id }) => id === materialId)?.uses.includes('substrate'),
    )
    .filter(
      (sheet, i, all) => all.findIndex((other) => other.materialId === sheet.materialId && other.thicknessMm === sheet.thicknessMm) === i,
    )
    .map(({ materialId, thicknessMm }) => ({
      value: `${materialId} ${thicknessMm}`,
      text: `${catalogues.catalogue!.materials.find(({ id }) => id === materialId)!.name}, ${lengthWords(thicknessMm, system.value)}`,
    })),
]);
const rimValue = computed(() => {
  const { rim } = plan.value.table;
  return rim === null ? '' : `${rim.materialId} ${rim.thicknessMm}`;
});
function setRim(value: string): void {
  const [materialId, thicknessMm] = value.split(' ');
  const tallMm = derivation.value?.stack.ground.value ?? 30;
  store.edit('Choose a rim', (draft) => {
    draft.table.rim =
      value === '' ? null : { materialId: materialId!, thicknessMm: Number(thicknessMm), heightMm: draft.table.rim?.heightMm ?? tallMm };
  });
}
const heaviest = computed(() => [...(derivation.value?.tiles ?? [])].sort((a, b) => b.mass.value - a.mass.value)[0]);
const longest = computed(() => [...(derivation.value?.tiles ?? [])].sort((a, b) => b.carry.value - a.carry.value)[0]);
/** What all tiles together make of a door or place. */
const fittings = computed(() =>
  plan.value.table.passages.map((passage, i) => {
    const own = (derivation.value?.tiles ?? []).map(({ tileId, fittings }) => ({ tileId, ...fittings[i]! }));
    const not = own.filter(({ fits }) => !fits).map(({ tileId }) => tileId);
    const stacked = passage.depthMm === null ? null : Math.min(...own.map((one) => one.stacked ?? 0));
    return { passage, not, stacked };
  }),
);
function setPassage(
  index: number,
  what: string,
  change: (passage: { name: string; widthMm: number; heightMm: number; depthMm: number | null }) => void,
): string {
  return store.edit(what, (draft) => change(draft.table.passages[index]!));
}
function addPassage(hasDepth: boolean): void {
  store.edit('Add a place to fit', (draft) => {
    draft.table.passages.push({
      id: shortId(),
      name: hasDepth ? 'Another place' : 'Another door',
      widthMm: 700,
      heightMm: hasDepth ? 400 : 1_900,
      depthMm: hasDepth ? 500 : null,
    });
  });
}
</script>

<template>
  <h2>Tiles and seams</h2>
  <p class="sub">A ring: both tiles agree. A square: they do not, and by how much.</p>
  <WarningCard v-for="warning in warnings" :key="warning.id" :warning="warning" />
  <section v-if="derivation !== null">
    <h3>Each tile</h3>
    <table class="ledger tight">
      <thead>
        <tr>
          <th>Tile</th>
          <th class="num">Mass</th>
          <th class="num">Height</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="tile in derivation.tiles" :key="tile.tileId">
          <td>{{ tile.tileId }}</td>
          <td class="num"><FigureCell :figure="tile.mass" /></td>
          <td class="num"><FigureCell :figure="tile.tall" /></td>
        </tr>
      </tbody>
    </table>
    <FigureLine v-if="heaviest !== undefined" :label="`Heaviest, ${heaviest.tileId}`" :figure="heaviest.mass" />
    <FigureLine v-if="longest !== undefined" label="Longest carry" :figure="longest.carry" />
    <FigureLine label="Stored one on another" :figure="derivation.stored" />
    <button type="button" class="key mt-1" @click="isSplitting = true">Compare ways to split …</button>
  </section>
  <section>
    <h3>Does it fit?</h3>
    <details v-for="({ passage, not, stacked }, i) in fittings" :key="passage.id" class="passage">
      <summary>
        <span>{{ passage.name }}</span>
        <span :class="{ attention: not.length > 0 }">{{
          not.length > 0 ? `not ${not.join(', ')}` : stacked === null ? 'every tile' : stacked === 0 ? 'only on edge' : `${stacked} flat`
        }}</span>
      </summary>
      <TextField label="Name" :value="passage.name" :take="(name) => setPassage(i, 'Rename a place', (one) => void (one.name = name))" />
      <LengthField
        label="Width"
        :mm="passage.widthMm"
        :system="system"
        :limits="LIMITS.passageMm"
        :take="(mm) => setPassage(i, 'Measure a place', (one) => void (one.widthMm = mm))"
      />
      <LengthField
        label="Height"
        :mm="passage.heightMm"
        :system="system"
        :limits="LIMITS.passageMm"
        :take="(mm) => setPassage(i, 'Measure a place', (one) => void (one.heightMm = mm))"
      />
      <LengthField
        v-if="passage.depthMm !== null"
        label="Depth"
        :mm="passage.depthMm"
        :system="system"
        :limits="LIMITS.passageMm"
        :take="(mm) => setPassage(i, 'Measure a place', (one) => void (one.depthMm = mm))"
      />
      <button type="button" class="key" @click="store.edit('Forget a place', (draft) => void draft.table.passages.splice(i, 1))">
        Forget it
      </button>
    </details>
    <div class="d-flex gap-2 mt-1">
      <button type="button" class="key" @click="addPassage(false)">A door</button>
      <button type="button" class="key" @click="addPassage(true)">A shelf, crate or boot</button>
    </div>
  </section>
  <section>
    <h3>Rim and joins</h3>
    <ChoiceField label="Rim" :value="rimValue" :options="rims" @choose="setRim" />
    <LengthField
      v-if="plan.table.rim !== null"
      label="Rim height"
      :mm="plan.table.rim.heightMm"
      :system="system"
      :limits="LIMITS.rimHeightMm"
      :take="(mm) => store.edit('Set the rim height', (draft) => draft.table.rim !== null && void (draft.table.rim.heightMm = mm))"
    />
    <ChoiceField
      label="Held by"
      :value="plan.table.join.methodId"
      :options="joins"
      @choose="(id) => store.edit('Choose a join', (draft) => void (draft.table.join.methodId = id))"
    />
    <LengthField
      v-if="join.perEdge > 0"
      label="Out from the middle"
      :mm="plan.table.join.offsetMm"
      :system="system"
      :limits="LIMITS.joinOffsetMm"
      :take="(mm) => store.edit('Set the fixings', (draft) => void (draft.table.join.offsetMm = mm))"
    />
    <p class="quiet m-0">{{ join.remark }}</p>
  </section>
  <section>
    <h3>What crosses</h3>
    <template v-for="seam in crossed" :key="seam.id">
      <p class="seam-name">{{ seam.name }}</p>
      <div v-for="crossing in seam.crossings" :key="crossing.id" class="line inner">
        <span>{{ nameOf(crossing) }}</span>
        <span :class="crossing.fault !== null && crossing.fault !== 'ends' ? 'attention' : 'quiet'">{{ wordsOf(crossing) }}</span>
      </div>
    </template>
    <p v-if="crossed.length === 0" class="quiet">Nothing crosses a seam.</p>
  </section>
  <SplitDialog v-model="isSplitting" />
</template>

<style scoped>
.ledger.tight td,
.ledger.tight th {
  padding: 1px 4px 1px 0;
}
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
