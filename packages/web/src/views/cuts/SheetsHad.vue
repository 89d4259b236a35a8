<script setup lang="ts">
import { computed } from 'vue';
import { lengthWords, showText } from '@spare-acre/core/base/units';
import { sheetPrice, sheetsOf } from '@spare-acre/core/catalogue';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import TickField from '../../ui/fields/TickField.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** Which stock sheets are to be had for this board, and who lays the joints of what goes on none of them. */
const props = defineProps<{ job: CutJob }>();
const store = usePlan();
const catalogues = useCatalogue();
const cutting = computed(() => store.plan!.cutting);
const rows = computed(() => {
  const gone = cutting.value.withoutSheetIds;
  const all = sheetsOf(catalogues.catalogue!, props.job.materialId, props.job.thicknessMm);
  const had = all.filter(({ id }) => !gone.includes(id));
  return all.map((sheet) => ({
    id: sheet.id,
    name: lengthWords([sheet.widthMm, sheet.depthMm], store.plan!.units),
    price: showText(sheetPrice(sheet), store.showing),
    isHad: had.length === 0 || had.includes(sheet),
    // Something has to be cut from.
    isLast: had.length === 1 && had[0] === sheet,
  }));
});
const JOINTS = [
  { value: 'saving', text: 'too large, or it saves sheets' },
  { value: 'laid', text: 'too large for every sheet' },
  { value: 'asked', text: 'never, warn me' },
] as const;
</script>

<template>
  <section>
    <h3>Available sheets</h3>
    <TickField
      v-for="row in rows"
      :key="row.id"
      :label="`${row.name}, ${row.price}`"
      :is-on="row.isHad"
      :is-held="row.isLast"
      data-testid="sheet-had"
      @toggle="(isHad) => store.edit({ code: 'sheets/had', sheetId: row.id, isHad })"
    />
    <ChoiceField
      label="Join a part of several"
      :value="cutting.joints"
      :options="JOINTS"
      @choose="(joints) => store.edit({ code: 'cutting/joints', joints })"
    />
  </section>
</template>
