import { type AirAt, dewPointC } from './vapour';
import type { DayOfAir } from './course';

/** What a thermo-hygrometer said. @param atMs by its own clock, milliseconds since 1970; @param heardMs when it was heard */
export interface Reading extends AirAt {
  readonly atMs: number;
  readonly heardMs: number;
}
/** Why a reading is not used. */
export type Fault = 'out-of-range' | 'stuck' | 'spike' | 'clock' | 'gap';
export interface Judged extends Reading {
  /** null for one that is used. */
  readonly fault: Fault | null;
}
/** In words. */
export const FAULT_WORDS: Readonly<Record<Fault, string>> = {
  'out-of-range': 'is outside any possible value',
  stuck: 'repeats the same value',
  spike: 'jumped and came back',
  clock: 'its clock is wrong',
  gap: 'sent nothing for a while',
};

const MIN_MS = 60_000;
/** What air in any workroom may be. */
const RANGE = { leastC: -25, mostC: 50, leastPct: 3, mostPct: 100 };
/** Real air moves by a little within this time. */
const STUCK_MS = 6 * 60 * MIN_MS;
const STUCK_COUNT = 8;
/** Out and back by as much between three readings in a row. */
const SPIKE = { airC: 6, humidityPct: 25 };
const CLOCK_MS = 20 * MIN_MS;
/** Longer than this without a word. */
export const GAP_MS = 3 * 60 * MIN_MS;

/**
 * Tells readings that lie from those that do not. What one says is judged by what air can be, by its neighbours, and by when it was heard.
 * @param readings in the order they were heard
 */
export function judged(readings: readonly Reading[]): readonly Judged[] {
  const faults: (Fault | null)[] = readings.map(({ airC, humidityPct, atMs, heardMs }) => {
    if (!(airC >= RANGE.leastC && airC <= RANGE.mostC && humidityPct >= RANGE.leastPct && humidityPct <= RANGE.mostPct))
      return 'out-of-range';
    return Math.abs(heardMs - atMs) > CLOCK_MS ? 'clock' : null;
  });
  const sound = readings.map((_, i) => i).filter((i) => faults[i] === null);
  for (let k = 1; k + 1 < sound.length; k++) {
    const [a, b, c] = [readings[sound[k - 1]!]!, readings[sound[k]!]!, readings[sound[k + 1]!]!];
    const jumps = (what: keyof AirAt): boolean =>
      Math.min(Math.abs(b[what] - a[what]), Math.abs(b[what] - c[what])) > SPIKE[what] && (b[what] - a[what]) * (b[what] - c[what]) > 0;
    if (jumps('airC') || jumps('humidityPct')) faults[sound[k]!] = 'spike';
  }
  // The same to the last digit for hours: the first of them was true, what follows is not known to be.
  for (let from = 0; from < readings.length;) {
    let to = from + 1;
    while (to < readings.length && isSame(readings[to]!, readings[from]!)) to++;
    if (to - from >= STUCK_COUNT && readings[to - 1]!.heardMs - readings[from]!.heardMs >= STUCK_MS)
      for (let i = from + 1; i < to; i++) faults[i] ??= 'stuck';
    from = to;
  }
  return readings.map((reading, i) => ({ ...reading, fault: faults[i]! }));
}
const isSame = (a: AirAt, b: AirAt): boolean => a.airC === b.airC && a.humidityPct === b.humidityPct;

/** How a thermo-hygrometer fares now: what it said last that is believed, and what is the matter with it. */
export interface SensorState {
  readonly last: Judged | null;
  readonly dewC: number | null;
  readonly fault: Fault | null;
  /** Readings that were not used. */
  readonly lies: number;
}
export function stateOf(readings: readonly Judged[], nowMs: number): SensorState {
  const used = readings.filter(({ fault }) => fault === null);
  const last = used.at(-1) ?? null;
  const newest = readings.at(-1);
  const isSilent = newest === undefined || nowMs - newest.heardMs > GAP_MS;
  const fault = isSilent ? 'gap' : (newest.fault ?? null);
  return { last, dewC: last === null ? null : dewPointC(last), fault, lies: readings.length - used.length };
}

/**
 * The day that readings make: the mean of every hour over all days, hours without any from their neighbours. Those that lie are left out.
 * @param offsetMin of the builder's clock from universal time
 * @returns null where there is nothing to believe
 */
export function dayFromReadings(readings: readonly Judged[], offsetMin: number): DayOfAir | null {
  const sums = Array.from({ length: 24 }, () => ({ airC: 0, humidityPct: 0, count: 0 }));
  for (const { atMs, airC, humidityPct, fault } of readings) {
    if (fault !== null) continue;
    const hour = sums[new Date(atMs + offsetMin * MIN_MS).getUTCHours()]!;
    hour.airC += airC;
    hour.humidityPct += humidityPct;
    hour.count++;
  }
  const known = sums.map(({ airC, humidityPct, count }) => (count === 0 ? null : { airC: airC / count, humidityPct: humidityPct / count }));
  if (known.every((hour) => hour === null)) return null;
  const seek = (hour: number, by: number): { readonly air: AirAt; readonly away: number } => {
    for (let away = 0; ; away++) {
      const air = known[(((hour + by * away) % 24) + 24) % 24];
      if (air != null) return { air, away };
    }
  };
  return known.map((air, hour) => {
    if (air !== null) return air;
    const [before, after] = [seek(hour, -1), seek(hour, 1)];
    const share = before.away / (before.away + after.away);
    const between = (a: number, b: number): number => a + (b - a) * share;
    return { airC: between(before.air.airC, after.air.airC), humidityPct: between(before.air.humidityPct, after.air.humidityPct) };
  });
}
