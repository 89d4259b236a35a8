<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, ref, shallowRef } from 'vue';
import {
  ALL_KINDS,
  KINDS,
  type Kind,
  blankGroup,
  entriesCsv,
  fieldsOf,
  idFor,
  nameOf,
  otherNames,
  searched,
} from '@spare-acre/core/catalogue/editing';
import { useCatalogue } from '../../stores/workshop/catalogue';
import type { Entry } from '../../stores/workshop/workshop';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { saveFile } from '../../ui/saveFile';
import EntryForm from './EntryForm.vue';
import EntriesFile from './EntriesFile.vue';

/** Everything in the catalogue: found by any name, ours and the builder's own, each to be changed. */
const catalogues = useCatalogue();
const catalogue = computed(() => catalogues.catalogue!);
const words = ref('');
const kind = ref<Kind | 'all'>('all');
const kinds = [{ value: 'all' as const, text: 'Everything' }, ...ALL_KINDS.map((value) => ({ value, text: KINDS[value].many }))];
const isFile = ref(false);

const owned = computed(() => new Map(catalogues.own.map(({ kind: of, id, isOurs }) => [`${of}.${id}`, isOurs])));
const outOfUse = computed(() => new Set(catalogue.value.outOfUse ?? []));
function whose(path: string): string {
  const isOurs = owned.value.get(path);
  const said = isOurs === undefined ? 'ours' : isOurs ? 'ours, changed' : 'yours';
  return outOfUse.value.has(path) ? `${said}, disabled` : said;
}
const found = computed(() => searched(catalogue.value, words.value).filter((one) => kind.value === 'all' || one.kind === kind.value));
/** More than anybody reads; a word or two brings the rest. */
const MOST = 120;
const shown = computed(() => found.value.slice(0, MOST));

/** What is open: an entry as it is, or one that is only being made. */
const open = shallowRef<{ readonly kind: Kind; readonly entry: Entry; readonly isNew: boolean } | null>(null);
const entryOf = (of: Kind, id: string): Entry =>
  (catalogue.value[of] as readonly { readonly id: string }[]).find((one) => one.id === id) as Entry;
const look = (of: Kind, id: string): void => void (open.value = { kind: of, entry: entryOf(of, id), isNew: false });
function add(): void {
  if (kind.value === 'all') return;
  open.value = { kind: kind.value, isNew: true, entry: { ...blankGroup(fieldsOf(kind.value)), id: '' } };
}
/** The same once more under another name, to be changed from there. */
function copy(of: Kind, entry: Entry): void {
  const name = typeof entry['name'] === 'string' ? { name: `${entry['name']}, another` } : {};
  open.value = { kind: of, isNew: true, entry: { ...entry, ...name, id: '' } };
}
function kept(of: Kind, id: string): void {
  isFile.value = false;
  look(of, id);
}
function toTable(): void {
  if (kind.value === 'all') return;
  saveFile(new Blob([entriesCsv(kind.value, catalogue.value[kind.value])], { type: 'text/csv' }), KINDS[kind.value].many, 'csv');
}
function toJson(): void {
  const entries = catalogues.own
    .map(({ kind: of, id }) => ({ kind: of, id, entry: entryOf(of, id) }))
    .filter(({ entry }) => entry !== undefined);
  saveFile(
    new Blob([JSON.stringify({ format: 'spare-acre-catalogue', version: 1, entries }, null, 1)], { type: 'application/json' }),
    'own catalogue entries',
    'json',
  );
}
const freshId = (of: Kind, entry: Entry): string =>
  idFor(catalogue.value, of, typeof entry['name'] === 'string' ? entry['name'] : nameOf(catalogue.value, of, entry));
</script>

<template>
  <div class="bench catalogue">
    <div class="drawing list">
      <div class="find">
        <BFormInput v-model="words" type="search" class="sought" placeholder="Find by any name" aria-label="Find by any name" />
        <ChoiceField label="Kind" :value="kind" :options="kinds" hide-label @choose="(one) => (kind = one)" />
        <span class="quiet" role="status">{{ found.length }} found</span>
      </div>
      <div class="find">
        <BButton variant="primary" :disabled="kind === 'all'" @click="add">{{
          kind === 'all' ? 'Add: choose a kind' : `Add a ${KINDS[kind].one}`
        }}</BButton>
        <BButton variant="key" :disabled="kind === 'all'" @click="toTable">Export table</BButton>
        <BButton variant="key" @click="toJson">Export my entries</BButton>
        <BButton variant="key" :aria-expanded="isFile" @click="isFile = !isFile">Import file</BButton>
      </div>
      <EntriesFile v-if="isFile" :kind="kind" />
      <p v-for="left in catalogues.leftOut" :key="`${left.kind}.${left.id}`" class="warning" role="alert">
        Your {{ KINDS[left.kind].one }} “{{ left.id }}” is kept but not value used: {{ left.issues[0]?.path }}:
        {{ left.issues[0]?.message }}.
      </p>
      <BTableSimple class="ledger" data-testid="entries">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Kind</th>
            <th scope="col">Source</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in shown" :key="`${one.kind}.${one.id}`" :class="{ own: open?.entry.id === one.id && open.kind === one.kind }">
            <td>
              <BButton variant="link" class="p-0 text-start" @click="look(one.kind, one.id)">{{ one.name }}</BButton>
              <span v-if="one.by !== null" class="quiet"> also “{{ one.by }}”</span>
            </td>
            <td class="quiet">{{ KINDS[one.kind].one }}</td>
            <td :class="{ quiet: whose(`${one.kind}.${one.id}`) === 'ours' }">{{ whose(`${one.kind}.${one.id}`) }}</td>
          </tr>
        </tbody>
      </BTableSimple>
      <p v-if="found.length > MOST" class="quiet">The first {{ MOST }}. Type a word or choose a kind to see more.</p>
      <p v-if="found.length === 0" class="quiet">No entry has that name. Choose a kind and add it.</p>
    </div>
    <aside class="notes" aria-label="Entry">
      <EntryForm
        v-if="open !== null"
        :key="`${open.kind}.${open.entry.id}.${open.isNew}`"
        :kind="open.kind"
        :entry="open.entry"
        :is-new="open.isNew"
        :is-out-of-use="outOfUse.has(`${open.kind}.${open.entry.id}`)"
        :whose="open.isNew ? 'new' : whose(`${open.kind}.${open.entry.id}`)"
        :other-names="otherNames(nameOf(catalogue, open.kind, open.entry))"
        :fresh-id="freshId"
        @kept="(id) => kept(open!.kind, id)"
        @copy="(entry) => copy(open!.kind, entry)"
        @gone="open = null"
      />
      <p v-else class="quiet">
        Choose an entry to see all its values, their ranges and sources. Your changes apply to all boards and are kept when we update the
        catalogue.
      </p>
    </aside>
  </div>
</template>

<style scoped>
.catalogue {
  grid-template-columns: minmax(0, 1fr) 400px;
  height: auto;
}
.list {
  padding-right: 20px;
}
.find {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
  margin: 8px 0;
}
.sought {
  width: 240px;
}
.own td {
  background: var(--sheet);
  font-weight: 500;
}
@media (max-width: 700px) {
  .catalogue {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
