<script lang="ts">
import { partLazily } from '../ui/lazily';

const SignInDialog = partLazily(() => import('./server/SignInDialog.vue'));
const SideDrawer = partLazily(() => import('./SideDrawer.vue'));
</script>

<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useEventListener } from '@vueuse/core';
import { onErrorCaptured, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import HatchDefs from './HatchDefs.vue';
import AppRail from './AppRail.vue';
import { isSignInWanted } from '../stores/device/client';
import { useDrawer } from '../ui/drawer';

const drawer = useDrawer();
/** Fetched when it is first opened, and there from then on. */
const isDrawerThere = ref(false);
watch(
  () => drawer.content,
  (content) => (isDrawerThere.value ||= content !== null),
);
const route = useRoute();
const fault = ref('');
onErrorCaptured((error) => {
  fault.value = error.message;
  return false;
});
useEventListener('keydown', (event) => {
  if (event.key === '?' && (event.target as HTMLElement).closest('input, textarea') === null) drawer.showKeys();
});
</script>

<!-- No BApp around it: what it adds to the plugin are calls that open dialogs and toasts from code, 4 kB that nobody here makes use of. -->
<template>
  <HatchDefs />
  <div class="frame" :class="{ 'frame--plain': route.name === 'boards' || route.name === 'workshop' || route.name === 'join' }">
    <AppRail />
    <RouterView />
  </div>
  <SignInDialog v-if="isSignInWanted && route.name !== 'join'" />
  <SideDrawer v-if="isDrawerThere" />
  <p v-if="fault !== ''" class="position-fixed bottom-0 end-0 m-2 warning" role="alert">
    Something went wrong on this page: {{ fault }}. Your plan is safe.
    <BButton variant="key" @click="fault = ''">Close</BButton>
  </p>
</template>
