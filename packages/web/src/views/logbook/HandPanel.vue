<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref, shallowRef, watch } from 'vue';
import { saidIn } from '@spare-acre/core/catalogue/editing';
import { listedBy } from '@spare-acre/core/base/grouping';
import { correctionWords, sameName } from '@spare-acre/core/learning/calibration';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { useLogbook } from '../../stores/bench/logbook';
import { usePlan } from '../../stores/board/plan';
import TickField from '../../ui/fields/TickField.vue';
import { effectsOn } from '../../workers/effects';
import HandCourse from './HandCourse.vue';

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
      readings: one.readings,
      text: `${whose(one.who)}${correctionWords(one)}, with ${Math.round(one.keeps * 100)} % of the original range`,
    })),
    isTaken: !log.refused.includes(path),
  })),
);
/** Whose course of which value is drawn; one at a time. */
const drawn = ref('');
const keyOf = (path: string, who: string): string => JSON.stringify([path, sameName(who)]);
const draw = (key: string): void => void (drawn.value = drawn.value === key ? '' : key);
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
  <h2>Your pace</h2>
  <p class="sub">what the logs of all your boards say about our estimates; each board uses the pace of the people who build it</p>
  <p v-if="rows.length === 0" class="quiet">
    Nothing learned yet. Each log entry with actual minutes or grams adjusts our estimate a little. Three of your readings count as much as
    our value.
  </p>
  <section v-for="row in rows" :key="row.path" data-testid="learnt">
    <TickField :label="row.name" :is-on="row.isTaken" @toggle="(on) => log.refuse(row.path, !on)" />
    <p v-for="line in row.lines" :key="line.who" class="quiet m-0">{{ line.text }}</p>
    <div class="deeds">
      <BButton
        v-for="line in row.lines"
        :key="line.who"
        variant="key"
        size="sm"
        :aria-expanded="drawn === keyOf(row.path, line.who)"
        :aria-label="`How ${row.name} was learned${line.who === '' ? '' : `, ${line.who}`}`"
        @click="draw(keyOf(row.path, line.who))"
        >{{ row.lines.length > 1 ? `${line.who}, reading by reading` : 'Reading by reading' }}</BButton
      >
      <BButton variant="key" size="sm" :aria-label="`Reset ${row.name}`" @click="log.forget(row.path)">Reset</BButton>
    </div>
    <template v-for="line in row.lines" :key="line.who">
      <HandCourse v-if="drawn === keyOf(row.path, line.who)" :path="row.path" :who="line.who" :readings="line.readings" :name="row.name" />
    </template>
  </section>
  <p v-if="effect !== null" data-testid="hand-effect">
    {{ effect.length === 0 ? 'It does not affect this board.' : `On this board: ${effect.join(', ')}.` }}
  </p>
</template>

<style scoped>
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 4px 0;
}
</style>
