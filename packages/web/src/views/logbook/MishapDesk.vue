<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref, shallowRef, watch } from 'vue';
import { showText, given } from '@spare-acre/core/base/units';
import { tilesOf } from '@spare-acre/core/terrain/ground';
import { mishapNames } from '@spare-acre/core/advice/troubleshooting';
import { useBench } from '../../stores/bench';
import { useLogbook } from '../../stores/bench/logbook';
import { shortId } from '../../stores/device/name';
import { newEntry } from '../../stores/workshop/new-entry';
import { usePlan } from '../../stores/board/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { searches } from '../../workers/searches';
import type { Told } from '../../workers/searches/diagnose';

/** What went wrong?, what it comes of by all that the board says, what to do now and what to change next time. */
const store = usePlan();
const bench = useBench();
const log = useLogbook();
const mishapId = ref('');
const workpieceId = ref('');
const found = shallowRef<{ readonly causes: readonly Told[]; readonly isNotFromPlan: boolean } | null>(null);
const fault = ref('');
const done = ref('');
const workpieces = computed(() => [
  ...tilesOf(store.plan!.table).map(({ id }) => ({ value: id, text: `Tile ${id}` })),
  ...store.plan!.pieces.filter(({ isMadeElsewhere }) => !isMadeElsewhere).map(({ id, name }) => ({ value: id, text: name })),
]);
const on = computed(() => workpieceId.value || (workpieces.value[0]?.value ?? ''));
const options = computed(() => [
  { value: '', text: 'choose what went wrong' },
  ...mishapNames().map(({ id, name }) => ({ value: id, text: name })),
]);
const nameOf = (id: string): string => mishapNames().find((one) => one.id === id)!.name;
watch([mishapId, on, () => store.plan, () => log.entries], async ([id, where]) => {
  if (id === '') return void (found.value = null);
  try {
    const answer = await searches().diagnose(id, where, JSON.parse(JSON.stringify(log.entries)) as typeof log.entries);
    if (mishapId.value === id && on.value === where) [found.value, fault.value] = [answer, ''];
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error);
  }
});
watch([mishapId, on], () => (done.value = ''));

function write({ cause }: Told): void {
  const name = `${nameOf(mishapId.value)}, ${on.value}`;
  const note = `${cause.name}. ${cause.next}`;
  const mishap = { mishapId: mishapId.value, causeId: cause.id };
  bench.act({ kind: 'note', entry: newEntry({ name, who: store.plan!.people[0]!.name, note, mishap }, on.value) });
  done.value = 'Entry added.';
}
function plan(one: Told): void {
  const refused = store.edit({ code: 'mend/add', mend: { ...one.work!, id: shortId() } });
  if (refused !== '') return void (fault.value = refused);
  write(one);
  done.value = `Planned: ${one.work!.name}. It comes before the remaining tasks there. Days and Supplies include it.`;
}
const minutes = (min: number): string => showText(given('', min, 'min', 'plan'), store.showing);
</script>

<template>
  <section aria-label="Troubleshooting" data-testid="mishap-desk">
    <div class="asked">
      <ChoiceField label="What went wrong?" :value="mishapId" :options="options" @choose="(id) => (mishapId = id)" />
      <ChoiceField label="Tile or piece" :value="on" :options="workpieces" @choose="(id) => (workpieceId = id)" />
    </div>
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    <p v-if="done !== ''" role="status">{{ done }}</p>
    <template v-if="found !== null">
      <p v-if="found.isNotFromPlan" data-testid="not-from-plan">
        Nothing in your plan or log points to one of these causes. The most common cause comes first.
      </p>
      <article v-for="(one, i) in found.causes" :key="one.cause.id" :class="{ likely: i === 0 && one.weight > 0 }" data-testid="cause">
        <h3>{{ one.cause.name }}</h3>
        <ul v-if="one.evidence.length > 0">
          <li v-for="text in one.evidence" :key="text">{{ text }}</li>
        </ul>
        <p v-else class="quiet">not from your plan</p>
        <p><strong>Now</strong> {{ one.cause.now }}</p>
        <p><strong>Next time</strong> {{ one.cause.next }}</p>
        <div class="deeds">
          <BButton v-if="one.work !== null" variant="key" @click="plan(one)"
            >Plan it: {{ one.work.name }}, {{ minutes(one.work.workMin)
            }}<template v-if="one.work.waitMin > 0">, then {{ minutes(one.work.waitMin) }}</template></BButton
          >
          <BButton variant="key" @click="write(one)">This was the cause: add entry</BButton>
        </div>
      </article>
    </template>
    <p v-else class="quiet">Choose what went wrong. Possible causes are ranked by this board’s layers, coats, drying conditions and log.</p>
    <template v-if="store.plan!.mends.length > 0">
      <h3>Planned fixes</h3>
      <ul>
        <li v-for="own in store.plan!.mends" :key="own.id">
          {{ own.name }}, {{ own.workpieceId }}
          <BButton variant="key" size="sm" @click="store.edit({ code: 'mend/remove', mendId: own.id })">Remove it</BButton>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 22px;
}
article {
  border-left: 3px solid var(--rule);
  padding: 4px 12px;
  margin: 10px 0;
  max-width: 760px;
}
article.likely {
  border-color: var(--clay);
}
article h3 {
  font-size: 1.05rem;
  margin: 0;
}
article p {
  margin: 3px 0;
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.deeds :deep(.btn) {
  white-space: normal;
  text-align: left;
  min-height: 40px;
  align-items: center;
}
</style>
