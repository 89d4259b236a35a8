<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BForm } from 'bootstrap-vue-next/components/BForm';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { ref, useId } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { isSignInWanted } from '../../stores/device/client';
import { join } from './access';

/** Where an invitation link leads: a name and a passphrase of one's own. The token stands behind the #, which no browser sends anywhere by itself. */
const route = useRoute();
const router = useRouter();
const id = useId();
const [person, passphrase, problem] = [ref(''), ref(''), ref('')];
async function enter(): Promise<void> {
  problem.value = '';
  try {
    await join(route.hash.slice(1), person.value.trim(), passphrase.value);
    isSignInWanted.value = false;
    await router.push('/');
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
}
</script>

<template>
  <main class="main join">
    <h1>Join this Spare Acre server</h1>
    <p class="quiet">Choose the name that your changes are saved under, and a passphrase of your own.</p>
    <BForm @submit.prevent="enter">
      <label :for="`${id}-person`">Your name</label>
      <BFormInput :id="`${id}-person`" v-model="person" autocomplete="username" maxlength="40" required />
      <label :for="`${id}-passphrase`">Passphrase (10 characters or more)</label>
      <BFormInput :id="`${id}-passphrase`" v-model="passphrase" type="password" autocomplete="new-password" maxlength="200" required />
      <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
      <BButton type="submit" variant="primary" class="mt-2">Join</BButton>
    </BForm>
  </main>
</template>

<style scoped>
h1 {
  font-size: 1.5rem;
}
.join {
  padding: 18px 26px;
  max-width: 460px;
}
</style>
