<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BForm } from 'bootstrap-vue-next/components/BForm';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { BModal } from 'bootstrap-vue-next/components/BModal';
import { ref, useId } from 'vue';
import { isSignInWanted } from '../../stores/device/client';
import { usePlan } from '../../stores/board/plan';
import { signIn } from './asked';

/** Who is asking, where a server is reached from beyond its own machine. What was being done goes on underneath. */
const plans = usePlan();
const id = useId();
const person = ref('');
const passphrase = ref('');
const problem = ref('');
const isBusy = ref(false);

async function enter(): Promise<void> {
  isBusy.value = true;
  problem.value = '';
  try {
    await signIn({ person: person.value.trim(), passphrase: passphrase.value });
    isSignInWanted.value = false;
    // A page that was turned away before it had anything begins again; one with a board on it goes on.
    if (plans.board === null) location.reload();
    else await plans.saving.saveNow();
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
    passphrase.value = '';
  }
  isBusy.value = false;
}
</script>

<template>
  <BModal
    :model-value="true"
    title-tag="h2"
    title-class="h5"
    title="Sign in"
    no-close-on-backdrop
    no-close-on-esc
    no-header-close
    no-footer
  >
    <BForm @submit.prevent="enter">
      <p class="quiet">This server can be reached from other devices. Each save carries your name.</p>
      <div class="field wide">
        <label :for="`${id}-person`">Your name</label>
        <BFormInput :id="`${id}-person`" v-model="person" autocomplete="username" maxlength="40" required />
      </div>
      <div class="field wide">
        <label :for="`${id}-passphrase`">Passphrase</label>
        <BFormInput
          :id="`${id}-passphrase`"
          v-model="passphrase"
          type="password"
          autocomplete="current-password"
          maxlength="200"
          required
        />
      </div>
      <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
      <BButton type="submit" variant="primary" class="mt-2" :disabled="isBusy">Sign in</BButton>
    </BForm>
  </BModal>
</template>
