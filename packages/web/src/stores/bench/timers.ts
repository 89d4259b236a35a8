import { v4 as uuid } from 'uuid';
import { useStorage, useWebNotification } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { cutText } from '@spare-acre/core/base/text';
import { MINUTE_MS, type Timer, type TimerWanted, rungBetween } from '@spare-acre/core/schedule/bench';
import { useBench } from './index';
import { useClock } from './clock';

/** What rang longer ago than this while the device slept is told, but does not ring any more. */
const STALE_MS = 12 * 60 * MINUTE_MS;
/** Two notes, twice: heard over a running tap. */
const NOTES_HZ = [880, 660, 880, 660] as const;
const NOTE_S = 0.22;
const BUZZ_MS = [300, 120, 300];

/** Timers of the open board: by the clock, so that a reload, sleep or another device loses none. */
export const useTimers = defineStore('timers', () => {
  const bench = useBench();
  const clock = useClock();
  const nowMs = computed(() => clock.nowMs);
  const lastLookMs = useStorage('spare-acre/timers-heard', Date.now());
  const isSilent = useStorage('spare-acre/timers-silent', false);
  const { show, isSupported, permissionGranted, ensurePermissions } = useWebNotification({ requestPermissions: false });
  const timers = computed(() => bench.state.timers);
  const isRunning = computed(() => timers.value.some(({ dueMs }) => dueMs > nowMs.value));
  /** Names of what has just rung, for who does not see the list. */
  const said = ref('');

  watch(nowMs, () => {
    // Another board's clock may go ahead of this one's.
    const rung = rungBetween(timers.value, Math.min(lastLookMs.value, nowMs.value), nowMs.value);
    lastLookMs.value = nowMs.value;
    for (const { timer, isDue, atMs } of rung) {
      said.value = isDue ? `${timer.name}: time is up` : `${timer.name}: needs attention`;
      if (nowMs.value - atMs > STALE_MS || isSilent.value) continue;
      ring();
      (navigator as Partial<Navigator>).vibrate?.(BUZZ_MS);
      if (permissionGranted.value) void show({ title: said.value, tag: timer.id });
    }
  });

  function start({ use, name, min, everyMin }: TimerWanted, taskId: string | null): void {
    const fromMs = clock.now();
    const timer: Timer = { id: uuid(), name: cutText(name, 160), use, taskId, fromMs, dueMs: fromMs + min * MINUTE_MS, everyMin };
    bench.act({ kind: 'timer', timer });
  }
  const stop = ({ id }: Timer): void => bench.act({ kind: 'timer-off', timerId: id });
  const longer = (timer: Timer, min: number): void =>
    bench.act({ kind: 'timer', timer: { ...timer, dueMs: Math.max(nowMs.value, timer.dueMs) + min * MINUTE_MS } });
  return {
    timers,
    nowMs,
    isRunning,
    isSilent,
    said,
    start,
    stop,
    longer,
    canTell: isSupported,
    mayTell: permissionGranted,
    askToTell: ensurePermissions,
  };
});

let sound: AudioContext | null = null;
/** A page may sound once it was touched; before that it stays silent, and vibrates. */
function ring(): void {
  try {
    sound ??= new AudioContext();
    for (const [i, hz] of NOTES_HZ.entries()) {
      const [note, loud] = [sound.createOscillator(), sound.createGain()];
      note.frequency.value = hz;
      loud.gain.value = 0.25;
      note.connect(loud).connect(sound.destination);
      note.start(sound.currentTime + i * NOTE_S);
      note.stop(sound.currentTime + (i + 0.8) * NOTE_S);
    }
  } catch {
    // No sound to be had here.
  }
}
