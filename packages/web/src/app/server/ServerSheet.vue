<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { onMounted, ref, shallowRef } from 'vue';
import type { Reach, Session } from '@spare-acre/core/io/wire';
import { isSignInWanted } from '../../stores/device/client';
import AccessLog from './AccessLog.vue';
import DeletedList from './DeletedList.vue';
import KeptPictures from './KeptPictures.vue';
import PeoplePanel from './PeoplePanel.vue';
import SessionList from './SessionList.vue';
import { forgetTold } from '../../stores/device/offline';
import { fetchReach, fetchSession, signOut } from './asked';
import { CODE_SIDE, codeOf } from './code';

/** How this server is reached from elsewhere, who is signed in, and what it keeps besides boards. */
const reach = shallowRef<Reach | null>(null);
const session = shallowRef<Session | null>(null);
const code = ref('');
const problem = ref('');

async function load(): Promise<void> {
  problem.value = '';
  try {
    [reach.value, session.value] = await Promise.all([fetchReach(), fetchSession()]);
    const [address] = [...reach.value.authorityUrls, ...reach.value.addresses];
    code.value = address === undefined ? '' : codeOf(address);
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
}
onMounted(load);

async function leave(): Promise<void> {
  await signOut();
  await forgetTold();
  isSignInWanted.value = true;
}
</script>

<template>
  <p v-if="problem !== ''" class="attention" role="alert">{{ problem }} <BButton variant="key" @click="load">Try again</BButton></p>
  <p v-else-if="reach === null || session === null" class="quiet" role="status">Loading …</p>
  <template v-else>
    <section>
      <h3 class="h6">From a phone</h3>
      <template v-if="reach.addresses.length > 0">
        <!-- The code is dark on light in either light: cameras read no other. -->
        <svg
          v-if="code !== ''"
          class="code"
          :viewBox="`0 0 ${CODE_SIDE} ${CODE_SIDE}`"
          role="img"
          :aria-label="`Code of ${reach.authorityUrls[0] ?? reach.addresses[0]}`"
        >
          <path :d="code" fill="#000" />
        </svg>
        <p v-for="address in reach.addresses" :key="address">
          <a :href="address">{{ address }}</a>
        </p>
        <template v-if="reach.authorityUrls.length > 0">
          <p>
            Each phone or desk trusts this server once. This page shows the steps and checks that it worked:
            <a v-for="url in reach.authorityUrls" :key="url" :href="url">{{ url }}</a>
          </p>
          <p>
            After that the connection shows no warning, and the bench works without a network. The SHA-256 fingerprint of the certificate is
            <span class="fingerprint">{{ reach.fingerprint }}</span>
          </p>
        </template>
      </template>
      <template v-else>
        <p>Only this computer can open this server. To open it from a phone at the bench or at your club:</p>
        <ol>
          <li><code>npm run passphrase</code>, once</li>
          <li><code>npm start -- --listen 0.0.0.0</code></li>
        </ol>
        <p class="quiet">
          The server then shows its address, and here a code for your phone’s camera. Everyone has to enter the passphrase.
        </p>
      </template>
    </section>
    <section v-if="session.signIn === 'done'">
      <h3 class="h6">Signed in</h3>
      <p>
        As {{ session.person }} ({{ session.role }}). Your saves carry this name. <BButton variant="key" @click="leave">Sign out</BButton>
      </p>
    </section>
    <SessionList v-if="session.signIn === 'done'" />
    <PeoplePanel v-if="session.signIn === 'done' && session.role === 'owner'" />
    <DeletedList />
    <AccessLog v-if="session.role === 'owner'" />
    <KeptPictures />
    <section>
      <h3 class="h6">Backup</h3>
      <p>
        <code>npm run backup</code> puts boards, history, pictures, rack and catalogue into one file;
        <code>npm run restore -- FILE</code> restores them. Before an update changes the database, a backup is made automatically.
      </p>
    </section>
  </template>
</template>

<style scoped>
section {
  margin-bottom: 20px;
}
.code {
  display: block;
  width: 200px;
  margin-bottom: 8px;
  background: #fff;
}
.fingerprint {
  display: block;
  font-family: var(--bs-font-monospace);
  font-size: 0.82rem;
  word-break: break-all;
}
</style>
