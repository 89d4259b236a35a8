<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed } from 'vue';
import type { Deed, Clash } from '@spare-acre/core/schedule/bench';
import { clockAt } from '../../ui/dates';
import { useBench } from '../../stores/bench';
import { deedText } from '../../stores/bench/benchEventText';
import { goOffline, offline } from '../../stores/device/offline';
import { useOutbox } from '../../stores/device/outbox';
import { usePlan } from '../../stores/board/plan';
import OutboxNotice from '../../app/OutboxNotice.vue';

/** What has not reached the server, what it would not have, and what two devices say otherwise of one task. */
const bench = useBench();
const outbox = useOutbox();
const store = usePlan();
void goOffline();
const OFFLINE = {
  'not-yet': '',
  yes: 'This board also opens on this device without a network',
  never:
    'Without a network, only a page that is already open keeps working: this device does not trust the server’s certificate. Open “This server” to change that',
} as const;
const status = computed(() => {
  const { length } = bench.waiting;
  if (length === 0) return outbox.isAway ? 'Server not reachable. No unsent changes' : 'All synced';
  const what = `${length} ${length === 1 ? 'entry waits' : 'entries wait'} on this device to be sent`;
  return outbox.isUnkept ? `${what}. This browser cannot store them: keep this page open` : what;
});
const sideOf = ({ act, atMs, device }: Deed): string => {
  const said =
    act.kind === 'untick'
      ? 'not done'
      : act.kind === 'tick' && act.task.part !== null
        ? `${act.task.part.done} of ${act.task.part.of}`
        : 'done';
  return `${said}, ${clockAt(atMs)}${device === bench.device ? ', here' : ', elsewhere'}`;
};
/** Says one of both again, knowing of the other. */
function settle({ taskId, name }: Clash, { act }: Deed): void {
  bench.act(act.kind === 'tick' ? act : { kind: 'untick', taskId, name });
}
/** Ticks on tasks that the plan has no more. */
const lost = computed(() => {
  if (store.slices.steps === undefined) return [];
  const known = new Set(store.slices.tasks?.map(({ taskId }) => taskId));
  return known.size === 0 ? [] : Object.keys(store.record.doneTasks).filter((id) => !known.has(id));
});
</script>

<template>
  <section aria-label="Sending" class="sending">
    <p role="status" data-testid="queue" :class="{ attention: bench.waiting.length > 0 || outbox.isAway }">{{ status }}</p>
    <p v-if="offline !== 'not-yet'" class="quiet" data-testid="offline">{{ OFFLINE[offline] }}</p>
    <details v-if="bench.waiting.length > 0">
      <summary>Unsent entries</summary>
      <ol>
        <li v-for="{ deed } in bench.waiting" :key="deed.id">{{ deedText(deed) }}</li>
      </ol>
    </details>
    <OutboxNotice />
    <div v-for="clash in bench.state.clashes" :key="clash.taskId" class="clash" role="alert" data-testid="clash">
      <p>{{ clash.name }}: Two devices recorded this differently. Which one is right?</p>
      <BButton v-for="deed in clash.deeds" :key="deed.id" variant="key" @click="settle(clash, deed)">{{ sideOf(deed) }}</BButton>
    </div>
    <p v-if="lost.length > 0" class="quiet">
      Marked done, but no longer in the plan: {{ lost.join(', ') }}. The marks are kept in case these tasks come back.
    </p>
  </section>
</template>

<style scoped>
.sending p {
  margin: 2px 0;
}
.clash {
  border-left: 3px solid var(--clay);
  padding: 6px 10px;
  margin: 8px 0;
}
.sending :deep(.btn) {
  min-height: 44px;
  align-items: center;
  margin: 4px 8px 4px 0;
}
</style>
