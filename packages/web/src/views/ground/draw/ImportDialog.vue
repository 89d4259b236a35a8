<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BModal } from 'bootstrap-vue-next/components/BModal';
import { computed, ref, shallowRef } from 'vue';
import { HEIGHTMAP_LIMITS, type ImportedDrawing, outlineShape } from '@spare-acre/core/io/formats';
import { type Feature, type FeatureKind, kindNamed, newFeature } from '@spare-acre/core/plan/features';
import { tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { thicknessesOf } from '@spare-acre/core/catalogue';
import { stockRegion } from '@spare-acre/core/build/stack';
import { lengthWords } from '@spare-acre/core/base/units';
import { shortId } from '../../../stores/device/name';
import ChoiceField from '../../../ui/fields/ChoiceField.vue';
import LengthField from '../../../ui/fields/LengthField.vue';
import { useCatalogue } from '../../../stores/workshop/catalogue';
import { usePlan } from '../../../stores/board/plan';
import { ReadingStopped, readInWorker } from '../../../workers/reading';
import { useSelection } from '../useSelection';

/** Outlines from an SVG or DXF drawing, or a hill from a grey picture of heights. */
const isOpen = defineModel<boolean>({ required: true });
const store = usePlan();
const catalogues = useCatalogue();
const { choose } = useSelection();
const fileName = ref('');
const problem = ref('');
const isReading = ref(false);
const drawing = shallowRef<ImportedDrawing | null>(null);
const heights = shallowRef<Uint8Array | null>(null);

const kind = ref<FeatureKind>('raised');
const KINDS = (['raised', 'hill', 'pit', 'water', 'route', 'plot', 'field', 'clear'] as const).map((value) => ({
  value,
  text: kindNamed(value).name,
}));
const system = computed(() => store.plan!.units);
const stocks = computed(() =>
  thicknessesOf(catalogues.catalogue!, store.plan!.stack.raised.materialId, stockRegion(store.plan!.stack, catalogues.catalogue!)).map(
    (mm) => ({ value: mm, text: lengthWords(mm, system.value) }),
  ),
);
const widthMm = ref(400);
const heightMm = ref(60);
const stepMm = ref(10);
const size = computed(() => {
  if (drawing.value === null) return '';
  const { left, top, right, bottom } = drawing.value.box;
  return lengthWords([right - left, bottom - top], system.value);
});

function forget(): void {
  [drawing.value, heights.value, problem.value, fileName.value] = [null, null, '', ''];
}
async function take(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0];
  (event.target as HTMLInputElement).value = '';
  if (file === undefined) return;
  forget();
  fileName.value = file.name;
  isReading.value = true;
  try {
    if (/\.(svg|dxf)$/i.test(file.name)) {
      const text = await file.text();
      const read = await readInWorker(file, (reader) => reader.drawing(file.name, text));
      if (read.ok) drawing.value = read.value;
      else problem.value = read.problem.message;
    } else if (/\.png$/i.test(file.name)) {
      const bytes = new Uint8Array(await file.arrayBuffer());
      const read = await readInWorker(file, (reader) => reader.heights(file.name, bytes));
      if (read.ok) heights.value = bytes;
      else problem.value = read.problem.message;
    } else problem.value = `${file.name} cannot be imported. Choose an SVG, DXF or PNG file.`;
  } catch (error) {
    const words = error instanceof Error ? error.message : String(error);
    problem.value = error instanceof ReadingStopped ? words : `${file.name}: ${words}`;
  } finally {
    isReading.value = false;
  }
}

async function layDown(): Promise<void> {
  const plan = store.plan!;
  const [midX, midY] = [tableWidthMm(plan.table) / 2, tableDepthMm(plan.table) / 2];
  const made: Feature[] = [];
  if (drawing.value !== null) {
    const { outlines, box } = drawing.value;
    const [dx, dy] = [midX - (box.left + box.right) / 2, midY - (box.top + box.bottom) / 2];
    for (const ring of outlines) {
      const known = { features: [...plan.features, ...made] };
      made.push(newFeature(known, kind.value, outlineShape(ring, dx, dy), shortId(), catalogues.catalogue!));
    }
  } else if (heights.value !== null) {
    const bytes = heights.value;
    const use = { widthMm: widthMm.value, heightMm: heightMm.value, stepMm: stepMm.value };
    const read = await readInWorker({ name: fileName.value, size: bytes.byteLength }, (reader) =>
      reader.hill(fileName.value, bytes, use),
    ).catch((error: Error) => error.message);
    if (typeof read === 'string') return void (problem.value = read);
    if (!read.ok) return void (problem.value = read.problem.message);
    const hill = newFeature(plan, 'hill', read.value, shortId(), catalogues.catalogue!);
    made.push({ ...hill, ...{ stepMm: stepMm.value } });
  }
  problem.value = store.edit({ code: 'features/add', features: made, why: `Import ${fileName.value}` });
  if (problem.value !== '') return;
  forget();
  isOpen.value = false;
  choose(made.map(({ id }) => id));
}
function keep(set: () => void): string {
  set();
  return '';
}
</script>

<template>
  <BModal v-model="isOpen" title-tag="h2" title-class="h5" title="Import file" no-footer @hidden="forget">
    <p class="quiet">
      Outlines from an SVG or DXF drawing keep their true size. A greyscale PNG becomes a hill: black is ground level, white is the top.
    </p>
    <label class="btn btn-key file">
      {{ isReading ? 'Reading …' : fileName === '' ? 'Choose a file …' : fileName }}
      <!-- eslint-disable-next-line vue/no-restricted-html-elements -- the browser's own file picker behind our button: BFormFile brings a field of its own to look at -->
      <input type="file" accept=".svg,.dxf,.png" aria-label="Drawing or heightmap file" class="visually-hidden" @change="take" />
    </label>
    <template v-if="drawing !== null">
      <p class="mt-2 mb-1" data-testid="import-size">
        {{ drawing.outlines.length }} {{ drawing.outlines.length === 1 ? 'outline' : 'outlines' }}, {{ size }} overall ({{
          drawing.scaleNote
        }}).
        <span v-if="drawing.left.length > 0" class="quiet">Skipped: {{ drawing.left.join(', ') }}.</span>
      </p>
      <ChoiceField label="Import as" :value="kind" :options="KINDS" @choose="(value) => (kind = value)" />
    </template>
    <template v-if="heights !== null">
      <LengthField
        label="Width on the table"
        :mm="widthMm"
        :system="system"
        :limits="HEIGHTMAP_LIMITS.widthMm"
        :take="(mm) => keep(() => (widthMm = mm))"
      />
      <LengthField
        label="Height of white"
        :mm="heightMm"
        :system="system"
        :limits="HEIGHTMAP_LIMITS.heightMm"
        :take="(mm) => keep(() => (heightMm = mm))"
      />
      <ChoiceField label="Steps from stock of" :value="stepMm" :options="stocks" @choose="(mm) => (stepMm = mm)" />
    </template>
    <p v-if="problem !== ''" class="attention mt-2" role="alert">{{ problem }}</p>
    <div class="d-flex gap-2 justify-content-end mt-2">
      <BButton variant="key" @click="isOpen = false">Cancel</BButton>
      <BButton variant="primary" :disabled="drawing === null && heights === null" @click="layDown">Import</BButton>
    </div>
  </BModal>
</template>

<style scoped>
.file {
  cursor: pointer;
}
.file:focus-within {
  outline: 2px solid var(--slate);
}
</style>
