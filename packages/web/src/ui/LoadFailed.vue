<script setup lang="ts">
import { BAlert } from 'bootstrap-vue-next/components/BAlert';
import { BButton } from 'bootstrap-vue-next/components/BButton';

/** A part of the page that did not arrive. A browser keeps the failure of a module, so that only a new page asks for it again. */
const again = (): void => window.location.reload();
</script>

<template>
  <BAlert :model-value="true" variant="danger" class="m-3" role="alert">
    This part of the page could not be loaded. Your plan is safe. Check that the server is running.
    <BButton size="sm" variant="outline-primary" class="ms-2" @click="again">Load again</BButton>
  </BAlert>
</template>
