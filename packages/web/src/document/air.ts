import { useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { type DayOfAir, type Judged, type SensorState, dayFromReadings, judged, stateOf } from '@spare-acre/core/air';
import { type NewReadings, type Played, type Sensor, Sensors } from '@spare-acre/core/wire';
import { call } from './client';

/** A thermo-hygrometer with its readings told true from false. */
export interface JudgedSensor extends Omit<Sensor, 'readings'> {
  readonly readings: readonly Judged[];
  readonly state: SensorState;
  /** The day they make; null where there is nothing to believe. */
  readonly day: DayOfAir | null;
}

const AGAIN_MS = 5 * 60_000;

/** Thermo-hygrometers, shared by all boards. */
export const useAir = defineStore('air', () => {
  const told = shallowRef<readonly Sensor[] | null>(null);
  const nowMs = ref(0);
  const fault = ref('');
  const sensors = computed<readonly JudgedSensor[]>(() => (told.value ?? []).map((sensor) => judgedSensor(sensor, nowMs.value)));
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
      [nowMs.value, told.value] = [answer.nowMs, answer.sensors];
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
  }
  useIntervalFn(() => {
    if (told.value !== null) void load();
  }, AGAIN_MS);
  return { sensors, airs, nowMs, fault, load, poll, play, add, remove };
});

function judgedSensor({ readings, ...sensor }: Sensor, nowMs: number): JudgedSensor {
  const all = judged(readings);
  const offsetMin = -new Date(nowMs).getTimezoneOffset();
  return { ...sensor, readings: all, state: stateOf(all, nowMs), day: dayFromReadings(all, offsetMin) };
}
