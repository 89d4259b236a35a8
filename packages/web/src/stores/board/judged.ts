import { type DayOfAir, type Judged, type SensorState, dayFromReadings, judged, stateOf } from '@spare-acre/core/schedule/air';
import type { Sensor } from '@spare-acre/core/io/wire';

/** A thermo-hygrometer with its readings told true from false. */
export interface JudgedSensor extends Omit<Sensor, 'readings'> {
  readonly readings: readonly Judged[];
  readonly state: SensorState;
  /** The day they make; null where there is nothing to believe. */
  readonly day: DayOfAir | null;
}

export function judgedSensor({ readings, ...sensor }: Sensor, nowMs: number): JudgedSensor {
  const all = judged(readings);
  const offsetMin = -new Date(nowMs).getTimezoneOffset();
  return { ...sensor, readings: all, state: stateOf(all, nowMs), day: dayFromReadings(all, offsetMin) };
}
