<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue';
import type { Recorded } from '@spare-acre/core/io/wire';
import { dayText } from '../../ui/dates';
import { fetchRecord } from './access';

/** Who signed in, deleted, restored and exported, the newest first. */
const WORDS: Readonly<Record<Recorded, string>> = {
  'signed-in': 'signed in',
  'sign-in-failed': 'sign-in failed',
  'signed-out': 'signed out',
  'session-ended': 'ended a session',
  invited: 'created an invitation',
  joined: 'joined',
  'role-changed': 'changed a role',
  'person-removed': 'removed a person',
  'passphrase-changed': 'changed the passphrase',
  deleted: 'deleted',
  restored: 'restored',
  exported: 'exported',
};
const SHOWN = 60;
const entries = shallowRef<Awaited<ReturnType<typeof fetchRecord>>>([]);
const problem = ref('');
onMounted(async () => {
  try {
    entries.value = await fetchRecord();
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
});
</script>

<template>
  <details class="mb-3">
    <summary>Access log</summary>
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    <p v-if="entries.length === 0" class="quiet">Sign-ins, deletions and exports appear here.</p>
    <ul>
      <li v-for="(one, i) in entries.slice(0, SHOWN)" :key="i">
        {{ dayText(one.at) }}: {{ one.person ?? 'Someone on this computer' }} {{ WORDS[one.what]
        }}{{ one.about === '' ? '' : `: ${one.about}` }}
      </li>
    </ul>
  </details>
</template>
