<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, onScopeDispose, ref, shallowRef } from 'vue';
import { KINDS, type Kind, type NamedField, fieldsOf, isSameValue, withEntry } from '@spare-acre/core/catalogue/editing';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { fetchBoard, fetchBoards } from '../../stores/device/client';
import { type Entry, dropEntry, fetchOurs, keepEntry, setInUse } from '../../stores/workshop/workshop';
import { type Effect, effectsOn } from '../../workers/effects';
import EntryField from './EntryField.vue';
import EntryPicture from './EntryPicture.vue';

/** One entry of the catalogue, every value of it, and what another value would do to the boards that there are. */
const props = defineProps<{
  kind: Kind;
  entry: Entry;
  isNew: boolean;
  isOutOfUse: boolean;
  whose: string;
  otherNames: readonly string[];
  freshId: (kind: Kind, entry: Entry) => string;
}>();
const emit = defineEmits<{ kept: [id: string]; copy: [entry: Entry]; gone: [] }>();
const catalogues = useCatalogue();
const draft = shallowRef<Entry>(props.entry);
const fault = ref('');
const isBusy = ref(false);
const ours = shallowRef<Entry | null>(null);
const fields = computed<readonly NamedField[]>(() => fieldsOf(props.kind).filter(({ key }) => key !== 'id'));
const isChanged = computed(() => props.isNew || !isSameValue(draft.value, props.entry));
const effects = shallowRef<readonly Effect[] | null>(null);
if (props.whose.includes('changed'))
  void fetchOurs(props.kind, props.entry.id).then(
    (entry) => (ours.value = entry),
    () => undefined,
  );
function change(key: string, value: unknown): void {
  draft.value = { ...draft.value, [key]: value };
  effects.value = null;
}
async function attempt(work: () => Promise<void>): Promise<void> {
  [fault.value, isBusy.value] = ['', true];
  try {
    await work();
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error);
  }
  isBusy.value = false;
}
const named = (): Entry => (props.isNew ? { ...draft.value, id: props.freshId(props.kind, draft.value) } : draft.value);
/** The catalogue with it; null where it will not do, which is told. */
function tried(): Catalogue | null {
  const entry = named();
  const would = withEntry(catalogues.catalogue!, { kind: props.kind, id: entry.id, body: entry });
  if (would.ok) return would.catalogue;
  fault.value = would.issues.map(({ path, message }) => `${wordFor(path)}: ${message}`).join('; ');
  return null;
}
const wordFor = (path: string): string => fields.value.find(({ key }) => key === path.split('.')[0])?.name ?? path;
const keep = (): Promise<void> =>
  attempt(async () => {
    if (tried() === null) return;
    const entry = named();
    await keepEntry(props.kind, entry);
    emit('kept', entry.id);
  });
/** Boards that are reckoned just now; null while none is. */
const ofBoards = ref<number | null>(null);
let stopper: AbortController | null = null;
const stop = (): void => stopper?.abort();
onScopeDispose(stop);
/** Every board on the shelf, reckoned with it and without. */
const see = (): Promise<void> =>
  attempt(async () => {
    const then = tried();
    if (then === null) return;
    effects.value = [];
    const { boards } = await fetchBoards();
    const whole = await Promise.all(boards.map(({ id }) => fetchBoard(id)));
    ofBoards.value = whole.length;
    const running = (stopper = new AbortController());
    for await (const effect of effectsOn(whole, catalogues.catalogue!, then, running.signal)) {
      if (running.signal.aborted || effects.value === null) break;
      effects.value = [...effects.value, effect];
    }
    ofBoards.value = null;
  });
const back = (): Promise<void> =>
  attempt(async () => {
    const isOurs = props.whose.startsWith('ours');
    await dropEntry(props.kind, props.entry.id);
    if (isOurs) emit('kept', props.entry.id);
    else emit('gone');
  });
const use = (isInUse: boolean): Promise<void> => attempt(() => setInUse(props.kind, props.entry.id, isInUse));
/** What ours says of a field, where it says something else. */
function oursOf(key: string): string {
  if (ours.value === null || isSameValue(ours.value[key], draft.value[key])) return '';
  const value = ours.value[key];
  return typeof value === 'object' && value !== null && 'value' in value
    ? String(value.value)
    : typeof value === 'object'
      ? 'something else'
      : String(value);
}
</script>

<template>
  <form data-testid="entry-form" @submit.prevent="keep">
    <h2>{{ isNew ? `A new ${KINDS[kind].one}` : String(draft['name'] ?? KINDS[kind].one) }}</h2>
    <p class="sub">{{ KINDS[kind].one }}, {{ whose }}</p>
    <p v-if="otherNames.length > 0" class="quiet">Also called {{ otherNames.slice(0, 6).join(', ') }}.</p>
    <template v-for="{ key, name, field } in fields" :key="key">
      <EntryField :name="name" :field="field" :value="draft[key]" @change="(value) => change(key, value)" />
      <p v-if="oursOf(key) !== ''" class="quiet small">
        ours: {{ oursOf(key) }} <BButton variant="key" size="sm" @click="change(key, ours![key])">Use our value</BButton>
      </p>
    </template>
    <EntryPicture v-if="!isNew" :id="entry.id" :kind="kind" :name="String(draft['name'] ?? KINDS[kind].one)" />
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    <div v-if="effects !== null" data-testid="effects">
      <h3>Effect on your boards</h3>
      <p v-if="ofBoards !== null" class="quiet" role="status">
        {{ effects.length }} of {{ ofBoards }} boards calculated <BButton variant="key" size="sm" @click="stop">Stop</BButton>
      </p>
      <div v-for="effect in effects" :key="effect.name" class="line">
        <span>{{ effect.name }}</span><span>{{ effect.changes.join(', ') || 'nothing' }}</span>
      </div>
    </div>
    <div class="deeds">
      <BButton type="submit" variant="primary" :disabled="isBusy || !isChanged">Save</BButton>
      <BButton variant="key" :disabled="isBusy || !isChanged" @click="see">Preview effect</BButton>
      <template v-if="!isNew">
        <BButton variant="key" :disabled="isBusy" @click="emit('copy', draft)">Copy as new entry</BButton>
        <BButton variant="key" :disabled="isBusy" @click="use(isOutOfUse)">{{ isOutOfUse ? 'Enable' : 'Disable' }}</BButton>
        <BButton v-if="whose.includes('changed')" variant="key" :disabled="isBusy" @click="back">Use our value</BButton>
        <BButton v-else-if="whose.startsWith('yours')" variant="key" :disabled="isBusy" @click="back">Delete</BButton>
      </template>
    </div>
  </form>
</template>

<style scoped>
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 10px 0;
  position: sticky;
  bottom: 0;
  background: var(--paper);
  padding: 6px 0;
}
h2 {
  font-size: 1.15rem;
}
.small {
  font-size: 0.86rem;
  margin: 0 0 4px;
}
</style>
