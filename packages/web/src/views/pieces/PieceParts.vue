<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, ref } from 'vue';
import { lengthText, lengthUnit } from '@spare-acre/core/base/units';
import { type MadeObject, partRows } from '@spare-acre/core/build/pieces';
import { usePlan } from '../../stores/board/plan';
import { pageFont } from '../../ui/pageFont';
import { saveFile } from '../../ui/saveFile';
import { ringPath } from './ringPath';

/** Every part of one object, drawn flat with what is marked on it. */
const props = defineProps<{
  object: Pick<MadeObject, 'id' | 'name' | 'sheets' | 'bodies'>;
  lengths: readonly { readonly id: string; readonly name: string; readonly lengthMm: number }[];
}>();
const store = usePlan();
const rows = computed(() => partRows(props.object.sheets));
const length = (mm: number): string => lengthText(mm, store.plan!.units);
const unit = computed(() => lengthUnit(store.plan!.units));

const isMaking = ref(false);
const fault = ref('');
/** Every part once, on the paper of the board's measures. */
async function saveTemplates(): Promise<void> {
  [isMaking.value, fault.value] = [true, ''];
  try {
    // What writes pages is heavy and seldom asked for.
    const { templateOf, templatesPdf } = await import('@spare-acre/core/io/formats');
    const templates = props.object.sheets.map((flat) => templateOf(flat, flat.name));
    const pdf = await templatesPdf(templates, store.plan!.units === 'metric' ? 'a4' : 'letter', await pageFont());
    saveFile(new Blob([pdf as BlobPart], { type: 'application/pdf' }), `${props.object.name} templates`, 'pdf');
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error);
  } finally {
    isMaking.value = false;
  }
}
</script>

<template>
  <div class="scroll" tabindex="0" role="region" aria-label="Parts">
    <p v-if="object.sheets.length > 0" class="print">
      <BButton variant="key" :disabled="isMaking" @click="saveTemplates">Paper templates</BButton>
      <span v-if="fault !== ''" class="attention" role="alert">{{ fault }}</span>
      <span v-else-if="isMaking" class="quiet" role="status">Creating the pages …</span>
      <span v-else class="quiet">Every part once at true size, to glue on the sheet: folds, scores and leaning edges marked.</span>
    </p>
    <BTableSimple class="ledger">
      <thead>
        <tr>
          <th scope="col">Part</th>
          <th scope="col"><span class="visually-hidden">outline</span></th>
          <th scope="col" class="num">Width</th>
          <th scope="col" class="num">Height</th>
          <th scope="col">Marks</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <td>{{ row.name }}</td>
          <td>
            <svg
              :viewBox="`-2 -2 ${row.widthMm + 4} ${row.depthMm + 4}`"
              width="110"
              height="62"
              role="img"
              :aria-label="`Outline of ${row.name}`"
            >
              <path :d="ringPath(row.drawn)" class="drawn" />
              <path :d="ringPath(row.far)" class="far" />
              <line
                v-for="(fold, i) in row.folds"
                :key="i"
                :x1="fold.from.x"
                :y1="fold.from.y"
                :x2="fold.to.x"
                :y2="fold.to.y"
                class="fold"
              />
            </svg>
          </td>
          <td class="num">{{ length(row.widthMm) }}&nbsp;{{ unit }}</td>
          <td class="num">{{ length(row.depthMm) }}&nbsp;{{ unit }}</td>
          <td>{{ row.says }}</td>
        </tr>
        <tr v-for="cut in lengths" :key="cut.id">
          <td colspan="2">{{ cut.name }}</td>
          <td class="num">{{ length(cut.lengthMm) }}&nbsp;{{ unit }}</td>
          <td></td>
          <td>from a strip</td>
        </tr>
      </tbody>
    </BTableSimple>
  </div>
</template>

<style scoped>
.scroll {
  height: 100%;
  overflow-y: auto;
}
.print {
  align-items: center;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  margin: 8px 0;
}
.drawn {
  fill: var(--sheet);
  fill-rule: evenodd;
  stroke: var(--ink);
  vector-effect: non-scaling-stroke;
}
.far {
  fill: none;
  stroke: var(--slate);
  stroke-dasharray: 3 2;
  vector-effect: non-scaling-stroke;
}
.fold {
  stroke: var(--clay);
  stroke-dasharray: 6 2;
  vector-effect: non-scaling-stroke;
}
</style>
