<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useVirtualList } from '@vueuse/core';
import { computed } from 'vue';
import { type Feature, kindOf } from '@spare-acre/core/plan/features';
import Eye from '~icons/bi/eye';
import EyeSlash from '~icons/bi/eye-slash';
import Lock from '~icons/bi/lock-fill';
import Unlock from '~icons/bi/unlock';
import Up from '~icons/bi/chevron-up';
import Down from '~icons/bi/chevron-down';
import { useListInTurns } from '../../../ui/InTurn';
import { usePlan } from '../../../stores/board/plan';
import { setIn } from './featureEdits';
import { useSelection } from '../useSelection';

/**
 * Everything on the table, the last drawn first: where two meet at one height, what stands higher in the list lies on top.
 * Only the rows in sight are built: five buttons for each of 200 features would hold the page up for half a second.
 */
const store = usePlan();
const { select, toggle } = useSelection();
const features = computed(() => [...store.plan!.features].reverse());
const ROW_PX = 26;
const { list, containerProps, wrapperProps } = useVirtualList(features, { itemHeight: ROW_PX, overscan: 20 });
const rows = useListInTurns(() => list.value, 5);

const move = ({ id }: Feature, by: 1 | -1): string => store.edit({ code: 'feature/order', featureId: id, by });
</script>

<template>
  <p v-if="features.length === 0" class="quiet">No features yet. Press R and drag a rectangle on the plan to add raised ground.</p>
  <div v-else v-bind="containerProps" class="window">
    <ul class="features" v-bind="wrapperProps">
      <li
        v-for="{ data: feature, index: i } in rows"
        :key="feature.id"
        :class="{ hidden: feature.hidden }"
        :style="{ height: `${ROW_PX}px` }"
        :aria-setsize="features.length"
        :aria-posinset="i + 1"
      >
        <BButton variant="bare" class="name" :title="feature.name" @click="$event.shiftKey ? toggle(feature.id) : select(feature.id)">
          {{ feature.name }} <span class="quiet">{{ kindOf(feature).name.toLowerCase() }}</span>
        </BButton>
        <span class="marks">
          <BButton variant="bare" :disabled="i === 0" :aria-label="`${feature.name}: up the list`" @click="move(feature, 1)"
            ><Up
          /></BButton>
          <BButton
            variant="bare"
            :disabled="i === features.length - 1"
            :aria-label="`${feature.name}: down the list`"
            @click="move(feature, -1)"
          >
            <Down />
          </BButton>
          <BButton
            variant="bare"
            :aria-label="`${feature.name}: ${feature.hidden ? 'show' : 'hide'} (still counted)`"
            :aria-pressed="feature.hidden"
            @click="setIn(store, feature, feature.hidden ? 'Show' : 'Hide', { hidden: !feature.hidden })"
          >
            <EyeSlash v-if="feature.hidden" /><Eye v-else />
          </BButton>
          <BButton
            variant="bare"
            :aria-label="`${feature.name}: ${feature.locked ? 'unlock' : 'lock'}`"
            :aria-pressed="feature.locked"
            @click="setIn(store, feature, feature.locked ? 'Unlock' : 'Lock', { locked: !feature.locked })"
          >
            <Lock v-if="feature.locked" /><Unlock v-else />
          </BButton>
        </span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
/* What stands below the list stays within reach, however long the list is. */
.window {
  max-height: max(23rem, 50vh);
}
.features {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 6px;
  align-items: baseline;
}
li.hidden .name {
  opacity: 0.55;
}
button {
  all: unset;
  cursor: pointer;
  padding: 2px 0;
}
button:hover {
  color: var(--slate);
}
button:focus-visible {
  outline: 2px solid var(--slate);
}
.name {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.marks {
  display: flex;
  gap: 5px;
  flex: none;
}
.marks button {
  width: 16px;
  text-align: center;
  color: var(--ink-soft);
}
.marks button[aria-pressed='true'] {
  color: var(--clay-ink);
}
.marks button:disabled {
  visibility: hidden;
}
.marks svg {
  width: 13px;
  height: 13px;
}
</style>
