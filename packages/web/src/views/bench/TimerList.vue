<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormInput } from 'bootstrap-vue-next/components/BFormInput';
import { computed, ref } from 'vue';
import { countdown, nextRing } from '@spare-acre/core/schedule/bench';
import { parseNumber } from '@spare-acre/core/base/units';
import { useTimers } from '../../stores/bench/timers';
import TickField from '../../ui/fields/TickField.vue';
import { clockAt } from '../../ui/dates';

/** What is watched by the clock: the soonest first, what is over until somebody says so. */
const timers = useTimers();
const own = ref({ name: '', minutes: '' });
const problem = ref('');
const rows = computed(() =>
  timers.timers.map((timer) => {
    const next = nextRing(timer, timers.nowMs);
    return {
      timer,
      left: countdown((next?.atMs ?? timer.dueMs) - timers.nowMs),
      isOver: next === null,
      then:
        next !== null && !next.isDue
          ? `then until ${clockAt(timer.dueMs)}`
          : `${next === null ? 'was due' : 'due'} ${clockAt(timer.dueMs)}`,
    };
  }),
);
function add(): void {
  const read = parseNumber(own.value.minutes, 'Minutes', 'min', { min: 0.1, max: 100_000 });
  problem.value = read.ok ? '' : read.problem.message;
  if (!read.ok) return;
  timers.start({ use: 'own', name: own.value.name.trim() || 'Timer', min: read.value, everyMin: null }, null);
  own.value = { name: '', minutes: '' };
}
</script>

<template>
  <section aria-label="Timers">
    <h3>Timers</h3>
    <p class="visually-hidden" role="status">{{ timers.said }}</p>
    <ul v-if="rows.length > 0" class="timers" data-testid="timers">
      <li v-for="{ timer, left, isOver, then } in rows" :key="timer.id" :class="{ over: isOver }">
        <span class="name"
          >{{ timer.name }}
          <small>{{ then }}<template v-if="isOver && timer.use === 'pot'">: the rest of the batch has set</template></small></span
        >
        <span class="left">{{ left }}</span>
        <BButton variant="key" :aria-label="`5 minutes more: ${timer.name}`" @click="timers.longer(timer, 5)">+5 min</BButton>
        <BButton variant="key" :aria-label="`Stop: ${timer.name}`" @click="timers.stop(timer)">{{ isOver ? 'Got it' : 'Stop' }}</BButton>
      </li>
    </ul>
    <form class="own" aria-label="Own timer" @submit.prevent="add">
      <label>For <BFormInput v-model="own.name" autocomplete="off" maxlength="120" placeholder="kettle" /></label>
      <label>in <BFormInput v-model="own.minutes" inputmode="decimal" autocomplete="off" /> min</label>
      <BButton type="submit" variant="key">Start</BButton>
    </form>
    <p v-if="problem !== ''" class="attention" role="alert">{{ problem }}</p>
    <TickField label="Sound" :is-on="!timers.isSilent" @toggle="(on) => (timers.isSilent = !on)" />
    <BButton v-if="timers.canTell && !timers.mayTell" variant="key" @click="timers.askToTell()">Notify me in the background</BButton>
  </section>
</template>

<style scoped>
.timers {
  list-style: none;
  padding: 0;
}
.timers li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto auto;
  gap: 8px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.name small {
  display: block;
  color: var(--ink-soft);
}
.left {
  font:
    600 1.5rem 'IBM Plex Sans Condensed',
    sans-serif;
  font-variant-numeric: tabular-nums;
}
.over .left,
.over .name {
  color: var(--clay);
}
.timers :deep(.btn) {
  min-height: 44px;
  align-items: center;
}
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 8px 0;
}
.own label {
  display: flex;
  gap: 6px;
  align-items: center;
}
.own label:nth-child(1) :deep(input) {
  width: 120px;
}
.own label:nth-child(2) :deep(input) {
  width: 64px;
}
.own :deep(.btn),
.own :deep(input) {
  min-height: 44px;
  align-items: center;
}
</style>
