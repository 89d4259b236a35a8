<script setup lang="ts">
import { BFormCheckbox } from 'bootstrap-vue-next/components/BFormCheckbox';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import { leftoversOf } from '@spare-acre/core/build/cutting/saved';
import type { RackOffcut } from '@spare-acre/core/io/wire';
import { lengthUnit, lengthWords, parseLength } from '@spare-acre/core/base/units';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import { useRack } from '../../stores/workshop/rack';
import { useSheetsCut } from './useSheetsCut';

/** Which sheets are cut, what they leave, and the rack of offcuts: what lies there is used first. */
const props = defineProps<{ job: CutJob; index: number }>();
const store = usePlan();
const rack = useRack();
const catalogues = useCatalogue();
const sheetsCut = useSheetsCut();
const system = computed(() => store.plan!.units);
const unit = computed(() => lengthUnit(system.value));
const size = ({ widthMm, depthMm }: { readonly widthMm: number; readonly depthMm: number }): string =>
  lengthWords([widthMm, depthMm], system.value);
/** Left by a sheet of this board that is cut, and not used up by another since. */
const isOwn = ({ from, usedBy }: RackOffcut): boolean =>
  usedBy === null && from?.boardId === store.boardId && store.record.cutSheets.some(({ id }) => id === from?.cutSheetId);
const here = computed(() =>
  rack.offcuts.filter((offcut) => {
    const isSame = offcut.materialId === props.job.materialId && offcut.thicknessMm === props.job.thicknessMm;
    return isSame && (isOwn(offcut) || store.offcuts.some(({ id }) => id === offcut.id));
  }),
);
const used = computed(() => new Set(props.job.layout.sheets.flatMap(({ stock }) => (stock.offcutId === null ? [] : [stock.offcutId]))));
/** Every sheet, and the pieces it leaves or has left. */
const sheets = computed(() =>
  props.job.layout.sheets.map((sheet, i) => {
    const left = sheet.cut === undefined ? leftoversOf(props.job, sheet, catalogues.catalogue!) : leftBy(sheet.cut.id);
    const what =
      left.length === 0 ? 'leaves no useful offcut' : `${sheet.cut === undefined ? 'leaves' : 'left'} ${left.map(size).join(', ')}`;
    return { number: i + 1, isCut: sheet.cut !== undefined, text: `Sheet ${i + 1} is cut; ${what}` };
  }),
);
const leftBy = (cutId: string): readonly RackOffcut[] => rack.offcuts.filter(({ from }) => from?.cutSheetId === cutId);
async function toggle(number: number): Promise<void> {
  problem.value = await sheetsCut.toggle(props.job, number - 1);
}
const typed = ref({ width: '', depth: '' });
const problem = ref('');
const LIMIT = { min: 20, max: 3_000 };
async function add(): Promise<void> {
  const width = parseLength(typed.value.width, 'Width', system.value, LIMIT);
  const depth = parseLength(typed.value.depth, 'Depth', system.value, LIMIT);
  problem.value = !width.ok ? width.problem.message : !depth.ok ? depth.problem.message : '';
  if (!width.ok || !depth.ok) return;
  const { materialId, thicknessMm } = props.job;
  await rack.add({ materialId, thicknessMm, widthMm: width.value, depthMm: depth.value, from: null });
  if (rack.fault === '') typed.value = { width: '', depth: '' };
}
</script>

<template>
  <section>
    <h3>Cut sheets</h3>
    <div v-for="sheet in sheets" :key="sheet.number" class="tick" :class="{ own: sheet.number === index + 1 }" data-testid="leftover">
      <BFormCheckbox :model-value="sheet.isCut" @update:model-value="toggle(sheet.number)">{{ sheet.text }}</BFormCheckbox>
    </div>
    <p class="quiet small">
      A sheet marked as cut no longer changes. Its offcuts are added to the rack, and a used offcut is removed from it.
    </p>
  </section>
  <section>
    <h3>Rack, {{ job.name }}</h3>
    <p v-if="here.length === 0" class="quiet m-0">No offcuts of this material yet. Offcuts in the rack are used before new sheets.</p>
    <ul v-else class="rack" data-testid="rack">
      <li v-for="offcut in here" :key="offcut.id">
        <span>{{ size(offcut) }}</span>
        <span class="quiet">{{ used.has(offcut.id) ? 'used here' : isOwn(offcut) ? 'left by this board' : '' }}</span>
        <BButton variant="key" :aria-label="`Remove ${size(offcut)} from the rack`" @click="rack.remove(offcut.id)"> Remove </BButton>
      </li>
    </ul>
    <form class="measures" @submit.prevent="add">
      <label>Width <BFormInput v-model="typed.width" inputmode="decimal" autocomplete="off" /></label>
      <label>Depth <BFormInput v-model="typed.depth" inputmode="decimal" autocomplete="off" /></label>
      <span class="quiet">{{ unit }}</span>
      <BButton type="submit" variant="key">Add offcut</BButton>
    </form>
    <p v-if="problem !== '' || rack.fault !== ''" class="attention m-0" role="alert">{{ problem || rack.fault }}</p>
  </section>
</template>

<style scoped>
.tick {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 2px 0;
}
.own {
  font-weight: 500;
}
.rack {
  list-style: none;
  padding: 0;
  margin: 0 0 6px;
}
.rack li {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 2px 0;
  border-bottom: 1px solid var(--rule);
}
.rack li > :first-child {
  flex: 1 1 auto;
}
</style>
