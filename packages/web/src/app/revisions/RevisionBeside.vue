<script setup lang="ts">
import { TALLY_FIGURES, TALLY_KEYS } from '@spare-acre/core/pipeline/tally-figures';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { cutText } from '@spare-acre/core/base/text';
import { type Bare, showChange, showText } from '@spare-acre/core/base/units';
import type { Tally } from '@spare-acre/core/pipeline';
import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { type StoredBoard, createBoard, fetchRevision, nameRevision } from '../../stores/device/client';
import { usePlan } from '../../stores/board/plan';
import TextField from '../../ui/fields/TextField.vue';
import { clockText } from '../../ui/dates';
import BoardPicture from '../../views/boards/BoardPicture.vue';
import { boardSummary } from '@spare-acre/core/plan/summary';
import { searches } from '../../workers/searches';

/** One revision beside today's: its plan in small, its tally, and the ways to have it again. */
const props = defineProps<{ revision: number; title: string }>();
const emit = defineEmits<{ back: []; named: [] }>();
const store = usePlan();
const router = useRouter();
const then = shallowRef<StoredBoard | null>(null);
const tally = shallowRef<Bare<Tally> | null>(null);
const problem = ref('');

watch(
  () => props.revision,
  async (revision) => {
    problem.value = '';
    try {
      then.value = await fetchRevision(store.boardId!, revision);
      tally.value = await searches().tallyThen(then.value.plan);
    } catch (error) {
      problem.value = error instanceof Error ? error.message : String(error);
    }
  },
  { immediate: true },
);

const lines = computed(() => {
  const [was, is] = [tally.value, store.tally];
  if (was === null || is === null) return [];
  return [
    ...TALLY_KEYS.map((key) => ({
      name: TALLY_FIGURES[key].name,
      then: showText(was[key], store.showing),
      today: showText(is[key], store.showing),
      change: was[key].value === is[key].value ? '' : showChange(was[key].value, is[key].value, is[key].unit, store.showing),
    })),
    { name: 'Ready', then: was.readyText || '–', today: is.readyText || '–', change: '' },
  ];
});

/** A version with a name is kept for good; an empty one takes it away. */
function nameIt(title: string): string {
  nameRevision(store.boardId!, props.revision, title === '' ? null : title).then(
    () => emit('named'),
    (error: unknown) => (problem.value = error instanceof Error ? error.message : String(error)),
  );
  return '';
}

function takeBack(): void {
  const refused = store.edit(
    { code: 'board/replace', plan: then.value!.plan, record: store.record, why: `Restore version ${props.revision}` },
    null,
    `Restore version ${props.revision}`,
  );
  if (refused === '') emit('back');
  else problem.value = refused;
}
async function copy(): Promise<void> {
  try {
    const { plan } = then.value!;
    const { id } = await createBoard({
      plan: { ...plan, name: cutText(`${plan.name} (revision ${props.revision})`, 80) },
      record: NOTHING_DONE,
    });
    await router.push(`/boards/${id}/ground`);
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
}
</script>

<template>
  <div>
    <BButton variant="key" @click="emit('back')">All versions</BButton>
    <p v-if="problem !== ''" class="attention mt-3" role="alert">{{ problem }}</p>
    <p v-if="then === null && problem === ''" class="quiet mt-3" role="status">Loading version {{ revision }} …</p>
    <template v-if="then !== null">
      <h3 class="mt-3">Version {{ revision }}</h3>
      <p class="quiet">{{ clockText(then.savedAt) }}, “{{ then.plan.name }}”</p>
      <TextField class="mb-2" label="Version name" :value="title" :take="nameIt" />
      <BoardPicture :name="then.plan.name" :summary="boardSummary(then.plan)" />
      <p v-if="lines.length === 0" class="quiet" role="status">Calculating its summary …</p>
      <BTableSimple v-else class="ledger" caption-top>
        <thead>
          <tr>
            <th scope="col"></th>
            <th scope="col" class="num">Then</th>
            <th scope="col" class="num">Today</th>
            <th scope="col" class="num">Difference</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in lines" :key="line.name">
            <th scope="row">{{ line.name }}</th>
            <td class="num">{{ line.then }}</td>
            <td class="num">{{ line.today }}</td>
            <td class="num quiet">{{ line.change }}</td>
          </tr>
        </tbody>
      </BTableSimple>
      <div class="d-flex flex-wrap gap-2 mt-3">
        <BButton variant="key" :disabled="revision === store.saving.revision" @click="takeBack">Restore this version</BButton>
        <BButton variant="key" @click="copy">Copy as new board</BButton>
      </div>
      <p class="quiet mt-2">Restoring adds a new version. The current one stays in the list, and you can undo.</p>
    </template>
  </div>
</template>

<style scoped>
tbody th {
  border-color: var(--rule);
  font-weight: 400;
}
</style>
