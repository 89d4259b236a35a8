<script lang="ts">
import { partLazily } from '../../ui/lazily';

const ShelfTab = partLazily(() => import('./ShelfTab.vue'));
const ShopsTab = partLazily(() => import('./ShopsTab.vue'));
</script>

<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import TabbedSheets from '../../ui/TabbedSheets.vue';
import CatalogueTab from './CatalogueTab.vue';
import CustomsTab from './CustomsTab.vue';

/** What the reckoning knows of this workshop: what there is, what it costs, what is on the shelf. */
const plans = usePlan();
const catalogues = useCatalogue();
const fault = ref('');
onMounted(async () => {
  await plans.saving.leave();
  plans.close();
  try {
    await catalogues.load();
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error);
  }
});
const TABS = [
  { id: 'catalogue', name: 'Materials and tools' },
  { id: 'shelf', name: 'Shelf' },
  { id: 'shops', name: 'Shops and prices' },
  { id: 'customs', name: 'Money and words' },
] as const;
type Tab = (typeof TABS)[number]['id'];
const tab = ref<Tab>('catalogue');
const shown = computed(() => ({ catalogue: CatalogueTab, shelf: ShelfTab, shops: ShopsTab, customs: CustomsTab })[tab.value]);
</script>

<template>
  <main class="main workshop">
    <header>
      <h1>Workshop</h1>
      <p class="quiet m-0">Stock, prices and offcuts</p>
    </header>
    <p v-if="fault !== ''" class="warning" role="alert">{{ fault }}</p>
    <TabbedSheets v-if="catalogues.catalogue !== null" v-model="tab" label="Parts of the workshop" :tabs="TABS">
      <component :is="shown" />
    </TabbedSheets>
  </main>
</template>

<style scoped>
.workshop {
  padding: 18px 26px;
  overflow-y: auto;
  position: relative;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 14px;
  margin-bottom: 10px;
}
header h1 {
  font-size: 1.5rem;
}
</style>
