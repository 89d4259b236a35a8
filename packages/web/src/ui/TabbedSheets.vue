<script setup lang="ts" generic="Id extends string">
import { BTab, BTabs } from 'bootstrap-vue-next/components/BTabs';
import { computed, useId } from 'vue';

/** A few sheets of which one is looked at. Arrow keys go from tab to tab; what is not looked at is not there. */
const props = defineProps<{
  label: string;
  /** @param count shown small behind the name */
  tabs: readonly { readonly id: Id; readonly name: string; readonly count?: number }[];
}>();
const chosen = defineModel<Id>({ required: true });
const prefix = useId();
const elementId = (id: Id): string => `${prefix}-tab-${props.tabs.findIndex((tab) => tab.id === id)}`;
const shown = computed({
  get: () => elementId(chosen.value),
  set: (element) => {
    const tab = props.tabs.find(({ id }) => elementId(id) === element);
    if (tab !== undefined && tab.id !== chosen.value) chosen.value = tab.id;
  },
});
</script>

<template>
  <BTabs v-model="shown" no-fade no-nav-style class="tabbed" nav-class="tabbed-nav" role="group" :aria-label="label">
    <BTab v-for="tab in tabs" :id="elementId(tab.id)" :key="tab.id" lazy unmount-lazy title-link-class="btn btn-key">
      <template #title>
        {{ tab.name }} <kbd v-if="tab.count !== undefined">{{ tab.count }}</kbd>
      </template>
      <slot />
    </BTab>
  </BTabs>
</template>
