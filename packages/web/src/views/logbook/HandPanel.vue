<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, shallowRef, watch } from 'vue';
import { saidIn } from '@spare-acre/core/catalogue/editing';
import { listedBy } from '@spare-acre/core/base/grouping';
import { correctionWords, sameName } from '@spare-acre/core/hand';
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
  [...listedBy(log.learnt, ({ path }) => path)].map(([path, own]) => ({
    path,
    name: saidIn(catalogues.catalogue!, path),
    lines: own.map((one) => ({
      who: one.who,
      text: `${whose(one.who)}${correctionWords(one)}, its range ${Math.round(one.keeps * 100)} % as wide`,
    })),
    isTaken: !log.refused.includes(path),
  })),
);
const builders = computed(() => new Set(catalogues.builders.map(sameName)));
const whose = (who: string): string => {
  if (who === '') return '';
  return builders.value.has(sameName(who)) ? `${who}: ` : `${who}, not on this board: `;
};
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
  <p class="sub">what the logs of all boards say of our figures; a board goes by the hands of those who build it</p>
  <p v-if="rows.length === 0" class="quiet">
    Nothing is learnt yet. Each task written down with its real minutes or grams moves the figure behind it a little: three readings of
    yours weigh as much as ours.
  </p>
  <section v-for="row in rows" :key="row.path" data-testid="learnt">
    <TickField :label="row.name" :is-on="row.isTaken" @toggle="(on) => log.refuse(row.path, !on)" />
    <p v-for="line in row.lines" :key="line.who" class="quiet m-0">{{ line.text }}</p>
    <BButton variant="key" size="sm" :aria-label="`Forget what was learnt of ${row.name}`" @click="log.forget(row.path)">Forget</BButton>
  </section>
  <p v-if="effect !== null" data-testid="hand-effect">
    {{ effect.length === 0 ? 'Nothing is seen of it on this board.' : `On this board: ${effect.join(', ')}.` }}
  </p>
</template>
