<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BModal } from 'bootstrap-vue-next/components/BModal';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { type Unit, lengthField, lengthUnit, showText } from '@spare-acre/core/base/units';
import { type Likely, likelyFrom } from '@spare-acre/core/learning/logbook';
import { type NewBoard, newPlan, planLike, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { type BoardEntry, Log } from '@spare-acre/core/io/wire';
import { checkPlan } from '@spare-acre/core/plan/stored/file';
import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { type StoredBoard, call, createBoard, fetchBoard } from '../../stores/device/client';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { today } from '../../ui/dates';
import LengthField from '../../ui/fields/LengthField.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import TickField from '../../ui/fields/TickField.vue';
import TextField from '../../ui/fields/TextField.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';

const isOpen = defineModel<boolean>({ required: true });
const router = useRouter();
const catalogues = useCatalogue();
const problem = ref('');
const isBusy = ref(false);
/** Four tiles of a size that is cut from a common sheet. */
const USUAL_TABLE = { metric: { widthMm: 1_200, depthMm: 800 }, imperial: { widthMm: 1_219.2, depthMm: 914.4 } } as const;
const usualUnits = (): NewBoard['units'] => catalogues.catalogue?.measures ?? 'metric';
const fresh = (): NewBoard => ({
  name: 'New board',
  units: usualUnits(),
  ...USUAL_TABLE[usualUnits()],
  columns: 2,
  rows: 2,
  figureHeightMm: 28,
  startsOn: today(),
});
const board = ref<NewBoard>(fresh());
/** What was typed is not replaced by what is usual. */
const isTouched = ref(false);
watch(isOpen, async (open) => {
  if (!open) return;
  // Without a catalogue, creating the board says what is wrong.
  await catalogues.load().catch(() => undefined);
  if (!isTouched.value) board.value = fresh();
});
const isOnTable = ref(true);
const { boards } = defineProps<{ boards: readonly BoardEntry[] }>();
/** One that it is to be like, and how much larger. */
const likeId = ref('');
const morePct = ref(0);
const like = shallowRef<StoredBoard | null>(null);
const likeOptions = computed(() => [
  { value: '', text: 'empty board' },
  ...boards.filter(({ summary }) => summary.widthMm > 0).map(({ id, name }) => ({ value: id, text: name })),
]);
const MORE = { min: -75, max: 300 };
/** What the other took, and what this one would by the same hand. */
const took = shallowRef<readonly Likely[]>([]);
watch([like, morePct], async ([board, pct]) => {
  took.value = [];
  if (board === null) return;
  const { entries } = await call(Log, 'GET', `/boards/${board.id}/log`).catch(() => ({ entries: [] }));
  if (like.value === board && morePct.value === pct) took.value = likelyFrom(entries, 1 + pct / 100).slice(0, 6);
});
async function choose(id: string): Promise<void> {
  likeId.value = id;
  const chosen =
    id === ''
      ? null
      : await fetchBoard(id).catch((error: unknown) => void (problem.value = error instanceof Error ? error.message : String(error)));
  if (likeId.value !== id) return;
  like.value = chosen ?? null;
  if (chosen == null) return;
  const { units, figureHeightMm } = chosen.plan;
  isTouched.value = true;
  board.value = { ...board.value, units, figureHeightMm };
}
const likePlan = computed(() =>
  like.value === null ? null : planLike(like.value.plan, { name: board.value.name, startsOn: today(), morePct: morePct.value }),
);
const likeText = computed(() => {
  if (likePlan.value === null) return '';
  const { table, units } = likePlan.value;
  const size = `${lengthField(tableWidthMm(table), units)} × ${lengthField(tableDepthMm(table), units)} ${lengthUnit(units)}`;
  return `${size} in ${table.columnWidthsMm.length * table.rowDepthsMm.length} tiles. Heights, paths and pieces keep their size, because they depend on the figures.`;
});
const amount = (value: number, unit: Unit): string =>
  showText({ value, unit }, { system: board.value.units, currency: catalogues.catalogue?.currency ?? 'EUR' });
const tileText = computed(() => `${board.value.columns * board.value.rows} tiles`);

function set<K extends keyof NewBoard>(key: K, value: NewBoard[K]): string {
  isTouched.value = true;
  board.value = { ...board.value, [key]: value };
  return '';
}

async function create(): Promise<void> {
  problem.value = '';
  const catalogue = await catalogues.load();
  const plan =
    likePlan.value ?? newPlan(isOnTable.value ? board.value : { ...board.value, widthMm: 0, depthMm: 0, columns: 0, rows: 0 }, catalogue);
  const checked = checkPlan(plan, catalogue);
  if (!checked.ok) {
    const [issue] = checked.problem.issues;
    problem.value = `${issue!.path}: ${issue!.message}`;
    return;
  }
  isBusy.value = true;
  try {
    const { id } = await createBoard({ plan, record: NOTHING_DONE });
    isOpen.value = false;
    [board.value, isTouched.value, likeId.value, like.value, morePct.value] = [fresh(), false, '', null, 0];
    await router.push({ name: isOnTable.value || like.value !== null ? 'ground' : 'pieces', params: { boardId: id } });
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
  isBusy.value = false;
}
</script>

<template>
  <BModal v-model="isOpen" title-tag="h2" title-class="h5" title="New board" no-footer>
    <TextField label="Name" :value="board.name" :take="(name) => (name === '' ? 'is empty. Enter a name' : set('name', name))" />
    <ChoiceField v-if="boards.length > 0" label="Start from" :value="likeId" :options="likeOptions" @choose="choose" />
    <template v-if="like !== null">
      <NumberField label="Larger by" :value="morePct" unit="%" :limits="MORE" :take="(pct) => ((morePct = pct), '')" />
      <p class="quiet mt-2 mb-2" data-testid="like">{{ likeText }}</p>
      <p v-if="took.length === 0" class="quiet">{{ like.plan.name }} has no log entries. The estimate uses our values and your pace.</p>
      <BTableSimple v-else class="ledger" data-testid="likely">
        <thead>
          <tr>
            <th scope="col">{{ like.plan.name }}, logged so far</th>
            <th scope="col" class="num">Planned</th>
            <th scope="col" class="num">Actual</th>
            <th scope="col" class="num">Estimate here</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in took" :key="`${row.name} ${row.unit}`">
            <td>{{ row.name }}</td>
            <td class="num">{{ amount(row.planned, row.unit) }}</td>
            <td class="num">{{ amount(row.real, row.unit) }}</td>
            <td class="num">{{ amount(row.likely, row.unit) }}</td>
          </tr>
        </tbody>
      </BTableSimple>
    </template>
    <template v-else>
      <ChoiceField
        label="Measures"
        :value="board.units"
        :options="[
          { value: 'metric', text: 'millimetres' },
          { value: 'imperial', text: 'inches' },
        ]"
        @choose="(units) => set('units', units)"
      />
      <TickField label="With a table" :is-on="isOnTable" @toggle="(on) => (isOnTable = on)" />
      <template v-if="isOnTable">
        <LengthField
          label="Table width"
          :mm="board.widthMm"
          :system="board.units"
          :limits="LIMITS.tableMm"
          :take="(mm) => set('widthMm', mm)"
        />
        <LengthField
          label="Table depth"
          :mm="board.depthMm"
          :system="board.units"
          :limits="LIMITS.tableMm"
          :take="(mm) => set('depthMm', mm)"
        />
        <NumberField
          label="Tiles across"
          :value="board.columns"
          unit=""
          :limits="LIMITS.tilesAlong"
          :take="(n) => (Number.isInteger(n) ? set('columns', n) : 'Tiles across: Enter a whole number.')"
        />
        <NumberField
          label="Tiles deep"
          :value="board.rows"
          unit=""
          :limits="LIMITS.tilesAlong"
          :take="(n) => (Number.isInteger(n) ? set('rows', n) : 'Tiles deep: Enter a whole number.')"
        />
      </template>
      <NumberField
        label="Figure height"
        :value="board.figureHeightMm"
        unit="mm"
        :limits="LIMITS.figureHeightMm"
        :take="(mm) => set('figureHeightMm', mm)"
      />
      <p class="quiet mt-2 mb-2">
        {{ isOnTable ? `${tileText}. Each is carried, stored and dried separately.` : 'Pieces only, cut and built without a table.' }}
      </p>
    </template>
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    <BButton variant="primary" :disabled="isBusy" @click="create">Create board</BButton>
  </BModal>
</template>
