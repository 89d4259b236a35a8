<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue';
import { saidIn } from '@spare-acre/core/catalogue/editing';
import { correctionWords } from '@spare-acre/core/hand';
import { useCatalogue } from '../../document/catalogue';
import { useLogbook } from '../../document/logbook';
import { usePlan } from '../../document/plan';
import TickField from '../../ui/TickField.vue';
import { effectsOn } from '../../workers/effects';

/** What the logs say of the catalogue, value by value: taken or refused, and what it does to this board. */
const store = usePlan();
const log = useLogbook();
const catalogues = useCatalogue();
const effect = shallowRef<readonly string[] | null>(null);
const rows = computed(() =>
  log.learnt.map((one) => ({
    path: one.path,
    name: saidIn(catalogues.catalogue!, one.path),
    says: correctionWords(one),
    narrower: `its range ${Math.round(one.keeps * 100)} % as wide`,
    isTaken: !log.refused.includes(one.path),
  })),
);
watch(
  () => catalogues.inUse,
  async (inUse) => {
    effect.value = null;
    if (inUse === null || catalogues.catalogue === null || inUse === catalogues.catalogue || store.plan === null) return;
    const board = { id: store.boardId!, plan: store.plan, record: store.record };
    for await (const { changes } of effectsOn([board], catalogues.catalogue, inUse)) if (catalogues.inUse === inUse) effect.value = changes;
  },
  { immediate: true },
);
</script>

<template>
  <h2>Your hand</h2>
  <p class="sub">what the logs of all boards say of our figures</p>
  <p v-if="rows.length === 0" class="quiet">
    Nothing is learnt yet. Each task written down with its real minutes or grams moves the figure behind it a little: three readings of
    yours weigh as much as ours.
  </p>
  <section v-for="row in rows" :key="row.path" data-testid="learnt">
    <TickField :label="row.name" :is-on="row.isTaken" @toggle="(on) => log.refuse(row.path, !on)" />
    <p class="quiet m-0">{{ row.says }}, {{ row.narrower }}</p>
  </section>
  <p v-if="effect !== null" data-testid="hand-effect">
    {{ effect.length === 0 ? 'Nothing is seen of it on this board.' : `On this board: ${effect.join(', ')}.` }}
  </p>
</template>
