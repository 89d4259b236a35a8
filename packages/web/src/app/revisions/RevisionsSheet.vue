<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { useVirtualizer } from '@tanstack/vue-virtual';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { type Revision, fetchHistory } from '../../stores/device/client';
import { usePlan } from '../../stores/board/plan';
import { clockText } from '../../ui/dates';
import RevisionBeside from './RevisionBeside.vue';

/** All revisions of the open board, the newest first; one of them is laid beside today's. */
const store = usePlan();
const revisions = shallowRef<readonly Revision[] | null>(null);
const problem = ref('');
const chosen = ref<number | null>(null);

async function load(): Promise<void> {
  problem.value = '';
  try {
    revisions.value = await fetchHistory(store.boardId!);
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error);
  }
}
onMounted(load);

const frame = ref<HTMLElement | null>(null);
const ROW_PX = 54;
const rows = useVirtualizer(
  computed(() => ({ count: revisions.value?.length ?? 0, getScrollElement: () => frame.value, estimateSize: () => ROW_PX, overscan: 6 })),
);
const shown = computed(() => rows.value.getVirtualItems().map(({ start, index }) => ({ start, ...revisions.value![index]! })));
const titleOf = (revision: number): string => revisions.value?.find((one) => one.revision === revision)?.title ?? '';
const did = ({ changes, revision }: Revision): string => {
  if (changes.length > 0) return changes.join(' · ');
  return revision === 1 ? 'First version' : 'No description';
};
</script>

<template>
  <div class="sheet-of-revisions">
    <RevisionBeside v-if="chosen !== null" :revision="chosen" :title="titleOf(chosen)" @named="load" @back="chosen = null" />
    <template v-else>
      <p class="quiet">
        Open a version to compare it with the current one. Opening changes nothing. Every save of the last four weeks is kept, then one a
        day, and after half a year one a week. The first version, the last and those you name are kept for good.
      </p>
      <p v-if="problem !== ''" class="attention" role="alert">{{ problem }} <BButton variant="key" @click="load">Try again</BButton></p>
      <p v-else-if="revisions === null" class="quiet" role="status">Loading …</p>
      <div v-else ref="frame" class="frame-of-rows" tabindex="0" role="list" aria-label="Versions">
        <div :style="{ height: `${rows.getTotalSize()}px`, position: 'relative' }">
          <div
            v-for="row in shown"
            :key="row.revision"
            class="row-of-one"
            role="listitem"
            :style="{ transform: `translateY(${row.start}px)` }"
          >
            <BButton variant="bare" class="pick" :aria-current="row.revision === store.saving.revision" @click="chosen = row.revision">
              <span class="when">
                <b>{{ row.revision }}</b> {{ clockText(row.savedAt) }}
                <span v-if="row.by !== null" class="quiet">by {{ row.by }}</span>
                <span v-if="row.revision === store.saving.revision" class="quiet">current</span>
                <b v-if="row.title !== null" class="title">{{ row.title }}</b>
              </span>
              <span class="did" :title="did(row)">{{ did(row) }}</span>
            </BButton>
          </div>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.sheet-of-revisions {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.frame-of-rows {
  flex: 1 1 auto;
  min-height: 120px;
  overflow-y: auto;
}
.row-of-one {
  position: absolute;
  inset: 0 0 auto;
  height: 54px;
  border-top: 1px solid var(--rule);
}
.pick {
  display: block;
  width: 100%;
  height: 100%;
  padding: 6px 8px;
  text-align: start;
}
.when,
.did {
  display: block;
}
.title {
  margin-inline-start: 8px;
  color: var(--moss);
}
.did {
  overflow: hidden;
  color: var(--ink-soft);
  font-size: 0.86rem;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
