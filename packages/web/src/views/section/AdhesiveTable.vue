<script setup lang="ts">
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import type { Bare } from '@spare-acre/core/base/units';
import { GLUE_FIT_WORDS, adhesiveRows } from '@spare-acre/core/build/stack/adhesives';
import type { Joint } from '@spare-acre/core/build/stack/joint';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import FigureCell from '../../ui/values/FigureCell.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import { SPREADS } from './useStackEdits';

/** Every adhesive on one pair of faces: what holds, what it eats, what cannot dry, and how long each takes. */
const store = usePlan();
const catalogues = useCatalogue();
/** One joint of each place an adhesive is chosen for. */
const joints = computed(() => {
  const places = new Map<string, Bare<Joint>>();
  for (const joint of store.slices.joints ?? []) {
    const key = JSON.stringify(joint.place);
    if (!places.has(key)) places.set(key, joint);
  }
  return [...places].map(([key, joint]) => ({ key, joint, name: joint.place.part === 'raised' ? 'Raised ground' : joint.label }));
});
const chosen = ref('');
const current = computed(() => joints.value.find(({ key }) => key === chosen.value) ?? joints.value[0] ?? null);
const rows = computed(() => {
  if (current.value === null) return [];
  const { lower, upper, adhesiveId } = current.value.joint;
  return adhesiveRows(lower, upper, catalogues.catalogue!, adhesiveId).map((row) => ({ ...row, isUsed: row.adhesive.id === adhesiveId }));
});
function use(adhesiveId: string): void {
  const { place } = current.value!.joint;
  const row = rows.value.find(({ adhesive }) => adhesive.id === adhesiveId)!;
  const spread = row.holdsIn[0] ?? row.adhesive.spreads[0]!;
  store.edit({ code: 'glue/set', place, adhesiveId, spread }, null, `Use ${row.adhesive.name.toLowerCase()}`);
}
</script>

<template>
  <p v-if="current === null" class="quiet">No layers are glued on this board.</p>
  <template v-else>
    <div class="which">
      <ChoiceField
        label="Between"
        :value="current.key"
        :options="joints.map(({ key, name }) => ({ value: key, text: name }))"
        @choose="(key) => (chosen = key)"
      />
    </div>
    <BTableSimple class="ledger" data-testid="adhesives">
      <thead>
        <tr>
          <th>Adhesive</th>
          <th>On this joint</th>
          <th>Applied as</th>
          <th class="num">Open time</th>
          <th class="num">Under weight</th>
          <th class="num">Full cure</th>
          <th>Fills gaps</th>
          <th>Cuts cleanly</th>
          <th><span class="visually-hidden">to do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.adhesive.id" :class="{ off: row.holdsIn.length === 0 }" :title="row.adhesive.remark">
          <td>{{ row.adhesive.name }}</td>
          <td :class="{ attention: row.holdsIn.length === 0 }">{{ row.holdsIn.length > 0 ? 'holds' : GLUE_FIT_WORDS[row.fit] }}</td>
          <td>{{ (row.holdsIn.length > 0 ? row.holdsIn : row.adhesive.spreads).map((way) => SPREADS[way]).join(', ') }}</td>
          <td class="num"><FigureCell :figure="row.open" /></td>
          <td class="num"><FigureCell :figure="row.clamp" /></td>
          <td class="num"><FigureCell :figure="row.cure" /></td>
          <td>{{ row.adhesive.fillsGaps ? 'yes' : 'no' }}</td>
          <td>{{ row.adhesive.cutsCleanly ? 'yes' : 'no' }}</td>
          <td>
            <span v-if="row.isUsed" class="quiet">in use</span>
            <BButton v-else variant="key" @click="use(row.adhesive.id)">Use it</BButton>
          </td>
        </tr>
      </tbody>
    </BTableSimple>
  </template>
</template>

<style scoped>
.which {
  max-width: 420px;
}
.off td {
  color: var(--ink-soft);
}
.off td.attention {
  color: var(--clay-ink);
}
.ledger td {
  padding-top: 1px;
  padding-bottom: 1px;
}
</style>
