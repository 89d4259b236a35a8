<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import { MAX_COUNTED } from '@spare-acre/core/terrain/tiling';
import SearchProgress from '../../../ui/SearchProgress.vue';
import { usePlan } from '../../../stores/board/plan';
import type { Tables } from './useTables';

/** How often the tiles can be laid, and what to do about an edge that fits nowhere. */
const props = defineProps<{ tables: Tables }>();
const store = usePlan();
const { arrangement, count, found, index, picked, failing, mends, isAsDrawn, counting, browsing, locked } = props.tables;
const countText = computed(() => {
  if (count.value === null) return '';
  switch (count.value.known) {
    case 'exact':
      return count.value.tables === 0
        ? 'No layout possible'
        : count.value.tables === 1
          ? '1 layout possible'
          : `${count.value.tables.toLocaleString('en-GB')} different layouts`;
    case 'over':
      return `Over ${MAX_COUNTED.toLocaleString('en-GB')} different layouts`;
    case 'too-large':
      return 'Too many options to count';
    default:
      return count.value satisfies never;
  }
});
const pickedTile = computed(() => (picked.value === null ? null : arrangement.value[picked.value]!.tileId));
const MOST_MENDS = 5;
</script>

<template>
  <h2>Other layouts of these tiles</h2>
  <p class="sub">Click two tiles to swap them. Double-click a tile to rotate it. Keys: Tab and Enter select, Q rotates, L locks.</p>
  <section>
    <p v-if="countText !== ''" class="count" data-testid="table-count">{{ countText }}</p>
    <SearchProgress :search="counting" what="Counting" />
    <SearchProgress :search="browsing" what="Laying out" />
    <p class="quiet">
      Edges with the same letter match. A letter also matches its partner with a prime mark. A dot matches nothing. Rotated layouts count
      once, and identical tiles count as one kind{{ locked.length > 0 ? '; locked tiles stay' : '' }}.
    </p>
    <div class="d-flex gap-2 flex-wrap align-items-baseline">
      <BButton variant="key" aria-label="Previous layout" :disabled="index <= 0" @click="tables.show(index - 1)">‹</BButton>
      <span v-if="found.length > 0" data-testid="table-index"
        >{{ index < 0 ? '–' : index + 1 }} of {{ found.length }}{{ found.length >= 200 ? ' shown' : '' }}</span
      >
      <BButton variant="key" aria-label="Next layout" :disabled="index >= found.length - 1" @click="tables.show(index + 1)"> › </BButton>
      <BButton variant="key" :disabled="count?.known === 'exact' && count.tables === 0" @click="tables.another()"> Another layout </BButton>
      <BButton variant="key" :disabled="isAsDrawn && locked.length === 0" @click="tables.asDrawn()">As drawn</BButton>
    </div>
    <div v-if="picked !== null" class="d-flex gap-2 mt-2 align-items-baseline">
      <span>{{ pickedTile }}</span>
      <BButton variant="key" @click="tables.turn(picked!)">Rotate <kbd>Q</kbd></BButton>
      <BButton variant="key" @click="tables.toggleLock(picked!)">
        {{ locked.includes(pickedTile!) ? 'Unlock' : 'Lock' }} <kbd>L</kbd>
      </BButton>
    </div>
    <p v-if="failing.length > 0" class="attention mt-2 mb-0" role="status">
      {{ failing.length === 1 ? 'One seam does not match' : `${failing.length} seams do not match` }}: the dashed bars show where the edges
      differ.
    </p>
    <p v-else-if="arrangement.length > 1" class="quiet mt-2 mb-0">All seams match.</p>
  </section>
  <section v-if="mends.length > 0">
    <h3>Edges with few matches</h3>
    <div v-for="(edge, i) in mends.slice(0, MOST_MENDS)" :key="i" class="edge">
      <span>{{ edge.tileId }}, {{ edge.side }} edge: matches {{ edge.meets }}</span>
      <BButton variant="key" @click="store.mend(edge.mend)">{{ edge.mend.label }}</BButton>
    </div>
  </section>
</template>

<style scoped>
.count {
  font:
    600 1.05rem 'Zilla Slab',
    serif;
  margin: 0 0 4px;
}
.edge {
  margin: 4px 0 8px;
}
.edge .btn-key {
  white-space: normal;
  text-align: left;
  font-size: 0.88rem;
}
</style>
