<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { hasTable, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { lengthField, lengthUnit } from '@spare-acre/core/base/units';
import { exportPath } from '../stores/device/client';
import { usePlan } from '../stores/board/plan';
import { useDrawer } from '../ui/drawer';

const store = usePlan();
const drawer = useDrawer();
const plan = computed(() => store.plan!);
const size = computed(() => {
  const { table, units, figureHeightMm, pieces } = plan.value;
  if (!hasTable(table)) return `No table, ${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'}, ${figureHeightMm} mm figures`;
  const unit = lengthUnit(units);
  const tiles = table.columnWidthsMm.length * table.rowDepthsMm.length;
  return `${lengthField(tableWidthMm(table), units)} × ${lengthField(tableDepthMm(table), units)} ${unit}, ${tiles} ${tiles === 1 ? 'tile' : 'tiles'}, ${figureHeightMm} mm figures`;
});
const othersText = computed(() => {
  const names = store.others.map(({ person, device }) => (person === null ? `a ${device}` : `${person} (${device})`));
  return `Also here: ${names.join(', ')}`;
});
const AWAY = { server: 'Server not reachable', database: 'Database not reachable', busy: 'Server busy', 'sign-in': 'Signed out' } as const;
const saved = computed(() => {
  switch (store.saving.state) {
    case 'saved':
      return { text: `Saved, version ${store.saving.revision}`, attention: false };
    case 'kept':
      return { text: `${AWAY[store.saving.away]}: changes saved in this browser`, attention: true };
    case 'unkept':
      return { text: `${AWAY[store.saving.away]}. This browser cannot store changes: keep this page open`, attention: true };
    case 'stale':
      return { text: 'Someone else saved this board', attention: true };
    case 'refused':
      return { text: `Not saved: ${store.saving.refusal}`, attention: true };
    case 'changed':
    case 'saving':
      return { text: 'Saving …', attention: false };
    default:
      return store.saving.state satisfies never;
  }
});
</script>

<template>
  <header class="head">
    <h1 :title="plan.name">{{ plan.name }}</h1>
    <span class="quiet">{{ size }}</span>
    <span v-if="store.others.length > 0" class="quiet" role="status" data-testid="others">{{ othersText }}</span>
    <div class="actions">
      <BButton variant="key" :disabled="store.history.done.length === 0" :title="store.history.done.at(-1)?.name" @click="store.undo()">
        Undo
      </BButton>
      <BButton variant="key" :disabled="store.history.undone.length === 0" :title="store.history.undone.at(-1)?.name" @click="store.redo()">
        Redo
      </BButton>
      <BButton variant="key" :href="exportPath(store.boardId!)" download>Export</BButton>
      <BButton variant="bare" class="figure" title="Earlier versions" @click="drawer.showRevisions()">
        <span :class="saved.attention ? 'attention' : 'quiet'" role="status" data-testid="save-state">{{ saved.text }}</span>
      </BButton>
    </div>
  </header>
</template>
