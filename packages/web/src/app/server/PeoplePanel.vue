<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { onMounted, ref, shallowRef } from 'vue';
import { ROLES, type People, type Role } from '@spare-acre/core/io/wire';
import type { z } from 'zod';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { dayText } from '../../ui/dates';
import { ROLE_WORDS, fetchPeople, invite, removePerson, setRole, withdraw } from './access';

/** People with their own passphrases, and invitations. */
const known = shallowRef<z.infer<typeof People> | null>(null);
const problem = ref('');
const role = ref<Role>('builder');
const link = ref('');
/** Days that an invitation can be used. */
const DAYS = 7;
const options = ROLES.map((value) => ({ value, text: ROLE_WORDS[value] }));
async function attempt(work: () => Promise<void>): Promise<void> {
  problem.value = '';
  await work().catch((error: unknown) => (problem.value = error instanceof Error ? error.message : String(error)));
}
const load = (): Promise<void> => attempt(async () => void (known.value = await fetchPeople()));
onMounted(load);
const add = (): Promise<void> =>
  attempt(async () => {
    const { token } = await invite(role.value, DAYS);
    link.value = `${location.origin}/join#${token}`;
    known.value = await fetchPeople();
  });
</script>

<template>
  <section>
    <h3 class="h6">People</h3>
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    <p v-if="known?.people.length === 0" class="quiet">
      Nobody has a passphrase of their own yet. Everyone signs in with the passphrase of the server, as owner.
    </p>
    <div v-for="one in known?.people" :key="one.id" class="line">
      <span>{{ one.name }}</span>
      <ChoiceField
        :label="`Role of ${one.name}`"
        hide-label
        :value="one.role"
        :options="options"
        @choose="(to) => attempt(async () => void (known = await setRole(one.id, to as Role)))"
      />
      <BButton variant="key" :aria-label="`Remove ${one.name}`" @click="attempt(async () => void (known = await removePerson(one.id)))"
        >Remove</BButton
      >
    </div>
    <div v-for="one in known?.invitations" :key="one.id" class="line">
      <span>Open invitation: {{ one.role }}, until {{ dayText(one.endsAt) }}</span>
      <BButton variant="key" @click="attempt(async () => (await withdraw(one.id), await load()))">Withdraw</BButton>
    </div>
    <div class="line">
      <ChoiceField label="Invite as" :value="role" :options="options" @choose="(to) => (role = to as Role)" />
      <BButton variant="key" @click="add">Create invitation link</BButton>
    </div>
    <p v-if="link !== ''" role="status">
      Send this link to one person. It can be used once, within {{ DAYS }} days:
      <span class="link" data-testid="invitation-link">{{ link }}</span>
    </p>
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
.link {
  display: block;
  font-family: var(--bs-font-monospace);
  word-break: break-all;
}
section {
  margin-bottom: 20px;
}
</style>
