<script lang="ts">
import { partLazily } from '../ui/lazily';

const KeysSheet = partLazily(() => import('./KeysSheet.vue'));
const RevisionsSheet = partLazily(() => import('./revisions/RevisionsSheet.vue'));
const ServerSheet = partLazily(() => import('./server/ServerSheet.vue'));
const WorkingSheet = partLazily(() => import('../ui/values/WorkingSheet.vue'));
</script>

<script setup lang="ts">
import { BCloseButton } from 'bootstrap-vue-next/components/BButton';
import { BOffcanvas } from 'bootstrap-vue-next/components/BOffcanvas';
import { computed } from 'vue';
import { useDrawer } from '../ui/drawer';
import { usePlan } from '../stores/board/plan';
import WarningCard from '../ui/WarningCard.vue';

const drawer = useDrawer();
const store = usePlan();
const title = computed(() => {
  if (drawer.content === 'warnings') return 'Warnings';
  if (drawer.content === 'keys') return 'Shortcuts';
  if (drawer.content === 'server') return 'This server';
  if (drawer.content === 'shift') return 'Why the ready date changed';
  if (drawer.content === 'revisions') return 'Earlier versions';
  return drawer.path.at(-1)?.figure.label ?? '';
});
const opened = computed(() => drawer.path.at(-1));
const isOpen = computed({
  get: () => drawer.content !== null,
  set: (open) => {
    if (!open) drawer.close();
  },
});
</script>

<template>
  <BOffcanvas v-model="isOpen" placement="end" :no-backdrop="drawer.content === 'warnings'" body-scrolling>
    <template #header="{ id, hide }">
      <h2 :id="`${id}-offcanvas-label`" class="offcanvas-title h5">{{ title }}</h2>
      <BCloseButton aria-label="Close" @click="hide('close')" />
    </template>
    <WorkingSheet v-if="drawer.content === 'working' && opened !== undefined" :figure="opened.figure" :text="opened.text" />
    <KeysSheet v-else-if="drawer.content === 'keys'" />
    <div v-else-if="drawer.content === 'shift'" data-testid="shift">
      <p v-for="line in drawer.shift" :key="line">{{ line }}</p>
      <p class="quiet">
        Work is planned in whole sessions. A few minutes more or less can move a task to another session, sometimes across a weekend.
      </p>
    </div>
    <ServerSheet v-else-if="drawer.content === 'server'" />
    <RevisionsSheet v-else-if="drawer.content === 'revisions'" />
    <template v-else-if="drawer.content === 'warnings'">
      <WarningCard v-for="warning in store.warnings" :key="warning.id" :warning="warning" />
      <p v-if="store.warnings.length === 0" class="quiet">No warnings. This plan passes all checks.</p>
    </template>
  </BOffcanvas>
</template>
