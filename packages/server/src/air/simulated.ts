import { seeded } from '@spare-acre/core/base/random';
import type { Played } from '@spare-acre/core/io/wire';

/** What a thermo-hygrometer says when it is asked; null when it says nothing. */
export interface Said {
  readonly atMs: number;
  readonly airC: number;
  readonly humidityPct: number;
}
/** Somewhere readings come from. */
export interface Feed {
  readonly read: (nowMs: number) => Promise<Said | null>;
}

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** A garage in winter. */
const [MEAN_C, SWING_C, MEAN_PCT, SWING_PCT] = [9, 1.8, 77, 6];
/** Weather comes and goes over some days. */
const WEATHER_C = 1.2;

/**
 * What the simulated thermo-hygrometer says at a time: always the same for the same time, so that a week can be told after it was.
 * @param plays the fault that it plays
 */
export function simulated(nowMs: number, plays: Played): Said | null {
  const dayShare = (nowMs % DAY_MS) / DAY_MS;
  const warmth = Math.cos(2 * Math.PI * (dayShare - 15 / 24));
  const weather = Math.sin(nowMs / (3.3 * DAY_MS)) + 0.4 * Math.sin(nowMs / (0.8 * DAY_MS));
  const random = seeded(Math.floor(nowMs / 60_000) % 2 ** 31);
  const said = {
    atMs: nowMs,
    airC: tenth(MEAN_C + SWING_C * warmth + WEATHER_C * weather + 0.3 * (random() - 0.5)),
    humidityPct: tenth(Math.min(97, MEAN_PCT - SWING_PCT * warmth + 3 * weather + 1.2 * (random() - 0.5))),
  };
  const third = Math.floor(nowMs / (HOUR_MS / 2)) % 3 === 0;
  switch (plays) {
    case 'gap':
      return null;
    case 'stuck':
      return { ...said, airC: 9.4, humidityPct: 76.1 };
    case 'spike':
      return third ? { ...said, airC: said.airC + 18 } : said;
    case 'out-of-range':
      return { ...said, airC: 85, humidityPct: 0 };
    case 'clock':
      return { ...said, atMs: nowMs - 5 * HOUR_MS };
    case 'none':
      return said;
  }
}
const tenth = (value: number): number => Math.round(value * 10) / 10;
