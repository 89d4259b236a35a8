import type { Timer } from './deed';
import { MINUTE_MS } from './state';

/** A timer that a task asks for. */
export interface TimerWanted {
  readonly use: Timer['use'];
  readonly name: string;
  readonly min: number;
  readonly everyMin: number | null;
}

/** One time that a timer rings. */
export interface Ring {
  readonly timer: Timer;
  readonly atMs: number;
  /** The last of it: what it watched over is due. */
  readonly isDue: boolean;
}

/** Every time that a timer rings: its calls back, and the end. */
export function ringsOf(timer: Timer): readonly Ring[] {
  const { fromMs, dueMs, everyMin } = timer;
  const due: Ring = { timer, atMs: dueMs, isDue: true };
  if (everyMin === null) return [due];
  const stepMs = everyMin * MINUTE_MS;
  const calls = Math.max(0, Math.ceil((dueMs - fromMs) / stepMs) - 1);
  return [...Array.from({ length: calls }, (_, i): Ring => ({ timer, atMs: fromMs + (i + 1) * stepMs, isDue: false })), due];
}

/**
 * What has rung between two looks at the clock, the first first: by the clock and not by counting, so that a device that slept or was reloaded misses none
 * and is late by no more than its own waking.
 */
export const rungBetween = (timers: readonly Timer[], afterMs: number, toMs: number): readonly Ring[] =>
  timers
    .flatMap(ringsOf)
    .filter(({ atMs }) => atMs > afterMs && atMs <= toMs)
    .sort((a, b) => a.atMs - b.atMs);

/** The next ring; null where all have rung. */
export const nextRing = (timer: Timer, nowMs: number): Ring | null => ringsOf(timer).find(({ atMs }) => atMs > nowMs) ?? null;

/** Time as a timer shows it: `1:05:09`, `4:30`, `−0:20` once it is over. */
export function countdown(ms: number): string {
  const all = Math.abs(ms >= 0 ? Math.ceil(ms / 1000) : Math.floor(ms / 1000));
  const [hours, minutes, seconds] = [Math.floor(all / 3_600), Math.floor(all / 60) % 60, all % 60];
  const two = (n: number): string => String(n).padStart(2, '0');
  const said = hours > 0 ? `${hours}:${two(minutes)}:${two(seconds)}` : `${minutes}:${two(seconds)}`;
  return ms < 0 && all > 0 ? `−${said}` : said;
}
