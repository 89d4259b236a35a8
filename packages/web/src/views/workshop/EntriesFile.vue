<script setup lang="ts">
import { BFormFile } from 'bootstrap-vue-next/components/BFormFile';
import { ref, shallowRef } from 'vue';
import { type BadRow, KINDS, type Kind } from '@spare-acre/core/catalogue/editing';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { keepEntries } from '../../stores/workshop/workshop';
import { ReadingStopped, readInWorker } from '../../workers/reading';

/** Entries from a table or a file: the good ones are kept, the others told by line and column. */
const props = defineProps<{ kind: Kind | 'all' }>();
const catalogues = useCatalogue();
const said = ref('');
const fault = ref('');
const bad = shallowRef<readonly BadRow[]>([]);
const chosen = ref<File | null>(null);
const MOST_TOLD = 40;

async function take(given: File | readonly File[] | null): Promise<void> {
  const file = given instanceof File ? given : given?.[0];
  if (file == null) return;
  [said.value, fault.value, bad.value] = ['', '', []];
  try {
    const text = await file.text();
    const isJson = /\.json$/i.test(file.name);
    if (!isJson && props.kind === 'all') throw new Error('A table holds one kind. Choose the kind above, then import the file again.');
    const read = await readInWorker(file, (reader) =>
      isJson ? reader.readEntryFile(text, catalogues.catalogue!) : reader.readEntries(props.kind as Kind, text, catalogues.catalogue!),
    );
    if (read.entries.length > 0) await keepEntries(read.entries);
    bad.value = read.bad;
    const rows = read.bad.length === 1 ? '1 entry has an error' : `${read.bad.length} entries have errors`;
    said.value = `${read.entries.length} ${read.entries.length === 1 ? 'entry' : 'entries'} kept${read.bad.length === 0 ? '' : `; ${rows}`}.`;
  } catch (error) {
    const words = error instanceof Error ? error.message : String(error);
    fault.value = error instanceof ReadingStopped ? words : `${file.name}: ${words}`;
  }
  chosen.value = null;
}
</script>

<template>
  <section class="file">
    <BFormFile
      v-model="chosen"
      :label="
        kind === 'all'
          ? 'Entries from a file (JSON), or choose a kind for a table'
          : `${KINDS[kind].many} from a table (CSV) or a file (JSON)`
      "
      accept=".csv,text/csv,.json,application/json"
      @update:model-value="take"
    />
    <p v-if="said !== ''" role="status">{{ said }}</p>
    <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
    <ul v-if="bad.length > 0" data-testid="bad-rows">
      <li v-for="{ line, column, message } in bad.slice(0, MOST_TOLD)" :key="`${line}.${column}`">
        line {{ line }}, {{ column }}: {{ message }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
.file {
  border-left: 3px solid var(--rule);
  padding-left: 10px;
  margin: 8px 0;
}
</style>
