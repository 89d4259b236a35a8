<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BModal } from 'bootstrap-vue-next/components/BModal';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { LIMITS } from '@spare-acre/core/fields';
import { type NewBoard, newPlan } from '@spare-acre/core/plan';
import { checkPlan } from '@spare-acre/core/plan/file';
import { NOTHING_DONE } from '@spare-acre/core/shop';
import { createBoard } from '../../document/client';
import ChoiceField from '../../ui/ChoiceField.vue';
import { today } from '../../ui/dates';
import LengthField from '../../ui/LengthField.vue';
import NumberField from '../../ui/NumberField.vue';
import TickField from '../../ui/TickField.vue';
import TextField from '../../ui/TextField.vue';
import { useCatalogue } from '../../document/catalogue';

const isOpen = defineModel<boolean>({ required: true });
const router = useRouter();
const catalogues = useCatalogue();
const problem = ref('');
const isBusy = ref(false);
const fresh = (): NewBoard => ({
  name: 'New board',
  units: 'metric',
  widthMm: 1200,
  depthMm: 800,
  columns: 2,
  rows: 2,
  figureHeightMm: 28,
  startsOn: today(),
});
const board = ref<NewBoard>(fresh());
const isOnTable = ref(true);
const tileText = computed(() => `${board.value.columns * board.value.rows} tiles`);

function set<K extends keyof NewBoard>(key: K, value: NewBoard[K]): string {
  board.value = { ...board.value, [key]: value };
  return '';
}

async function create(): Promise<void> {
  problem.value = '';
  const catalogue = await catalogues.load();
  const plan = newPlan(isOnTable.value ? board.value : { ...board.value, widthMm: 0, depthMm: 0, columns: 0, rows: 0 }, catalogue);
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
    board.value = fresh();
    await router.push({ name: isOnTable.value ? 'ground' : 'pieces', params: { boardId: id } });
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
  isBusy.value = false;
}
</script>

<template>
  <BModal v-model="isOpen" title-tag="h2" title-class="h5" title="New board" no-footer>
    <TextField label="Name" :value="board.name" :take="(name) => (name === '' ? 'is empty; a few words would do' : set('name', name))" />
    <ChoiceField
      label="Measures"
      :value="board.units"
      :options="[
        { value: 'metric', text: 'millimetres' },
        { value: 'imperial', text: 'inches' },
      ]"
      @choose="(units) => set('units', units)"
    />
    <TickField label="On a table" :is-on="isOnTable" @toggle="(on) => (isOnTable = on)" />
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
        :take="(n) => (Number.isInteger(n) ? set('columns', n) : 'Tiles across: a whole number would do.')"
      />
      <NumberField
        label="Tiles deep"
        :value="board.rows"
        unit=""
        :limits="LIMITS.tilesAlong"
        :take="(n) => (Number.isInteger(n) ? set('rows', n) : 'Tiles deep: a whole number would do.')"
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
      {{ isOnTable ? `${tileText}, each carried, stored and dried on its own.` : 'A loose lot: pieces, cut and built without a table.' }}
    </p>
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    <BButton variant="primary" :disabled="isBusy" @click="create">Lay it out</BButton>
  </BModal>
</template>
