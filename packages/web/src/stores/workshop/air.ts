import { useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { DayOfAir } from '@spare-acre/core/schedule/air';
import { type NewReadings, type Played, Sensors } from '@spare-acre/core/io/wire';
import { call } from '../device/client';
import type { JudgedSensor } from '../board/judged';

const AGAIN_MS = 5 * 60_000;

/** Thermo-hygrometers, shared by all boards. */
export const useAir = defineStore('air', () => {
  const sensors = shallowRef<readonly JudgedSensor[]>([]);
  const isHeard = ref(false);
  const nowMs = ref(0);
  const fault = ref('');
  const airs = computed<Readonly<Record<string, DayOfAir>>>((before) => {
    const now = Object.fromEntries(sensors.value.flatMap(({ id, day }) => (day === null ? [] : [[id, day] as const])));
    // The same days are the same object: nothing is reckoned anew for them.
    return before !== undefined && JSON.stringify(before) === JSON.stringify(now) ? before : now;
  });

  const load = (): Promise<void> => ask('GET', '/air');
  const poll = (): Promise<void> => ask('POST', '/air/poll');
  const play = (id: string, played: Played): Promise<void> => ask('PUT', `/air/${encodeURIComponent(id)}/plays`, { fault: played });
  const add = (readings: NewReadings): Promise<void> => ask('POST', '/air/readings', readings);
  const remove = (id: string): Promise<void> => ask('DELETE', `/air/${encodeURIComponent(id)}`);
  /** A server that does not answer leaves them as they were last heard. */
  async function ask(method: string, path: string, body?: unknown): Promise<void> {
    fault.value = '';
    try {
      const answer = await call(Sensors, method, path, body);
      // What tells true readings from false is fetched with the first of them.
      const { judgedSensor } = await import('../board/judged');
      nowMs.value = answer.nowMs;
      sensors.value = answer.sensors.map((sensor) => judgedSensor(sensor, answer.nowMs));
      isHeard.value = true;
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
  }
  useIntervalFn(() => {
    if (isHeard.value) void load();
  }, AGAIN_MS);
  return { sensors, airs, nowMs, fault, load, poll, play, add, remove };
});
