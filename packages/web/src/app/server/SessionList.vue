<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { onMounted, ref, shallowRef, useId } from 'vue';
import { dayText } from '../../ui/dates';
import { changePassphrase, endSession, fetchSessions } from './access';

/** Where somebody is signed in, and a way to end it; one's own passphrase. */
const sessions = shallowRef<Awaited<ReturnType<typeof fetchSessions>>>([]);
const problem = ref('');
const said = ref('');
const id = useId();
const [old, fresh] = [ref(''), ref('')];
async function attempt(work: () => Promise<void>): Promise<void> {
  [problem.value, said.value] = ['', ''];
  await work().catch((error: unknown) => (problem.value = error instanceof Error ? error.message : String(error)));
}
const load = (): Promise<void> => attempt(async () => void (sessions.value = await fetchSessions()));
onMounted(load);
const deviceOf = (agent: string): string =>
  /Android/.test(agent)
    ? 'Android'
    : /iPhone|iPad/.test(agent)
      ? 'iPhone or iPad'
      : /Windows/.test(agent)
        ? 'Windows'
        : /Mac OS/.test(agent)
          ? 'Mac'
          : /Linux/.test(agent)
            ? 'Linux'
            : 'Unknown device';
const change = (): Promise<void> =>
  attempt(async () => {
    await changePassphrase(old.value, fresh.value);
    [old.value, fresh.value] = ['', ''];
    said.value = 'The passphrase is changed. Your other sessions have ended.';
  });
</script>

<template>
  <section>
    <h3 class="h6">Sessions</h3>
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    <div v-for="one in sessions" :key="one.id" class="line">
      <span
        >{{ one.person }}, {{ deviceOf(one.device) }}, {{ one.address }}, since {{ dayText(one.begunAt)
        }}{{ one.isThis ? ' (this device)' : '' }}</span
      >
      <BButton
        v-if="!one.isThis"
        variant="key"
        :aria-label="`End the session of ${one.person}`"
        @click="attempt(async () => (await endSession(one.id), await load()))"
      >
        End session
      </BButton>
    </div>
    <details>
      <summary>Change my passphrase</summary>
      <label :for="`${id}-old`">Current passphrase</label>
      <BFormInput :id="`${id}-old`" v-model="old" type="password" autocomplete="current-password" maxlength="200" />
      <label :for="`${id}-new`">New passphrase (10 characters or more)</label>
      <BFormInput :id="`${id}-new`" v-model="fresh" type="password" autocomplete="new-password" maxlength="200" />
      <BButton variant="key" class="mt-2" @click="change">Change passphrase</BButton>
    </details>
    <p v-if="said !== ''" role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
}
section {
  margin-bottom: 20px;
}
</style>
