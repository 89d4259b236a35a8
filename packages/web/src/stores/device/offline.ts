import { ref } from 'vue';
import { askedFor } from './client';

/** Whether the page opens without a network from now on: not yet, yes, or never where the address is not secure. */
export const offline = ref<'not-yet' | 'yes' | 'never'>('serviceWorker' in navigator ? 'not-yet' : 'never');

let asked: Promise<void> | null = null;
/** Has the page and what it was told kept on this device. Asked for at the bench: whoever only draws has no use for it. */
export const goOffline = (): Promise<void> => (asked ??= settle().catch(() => void (offline.value = 'never')));

async function settle(): Promise<void> {
  if (offline.value === 'never') return;
  await navigator.serviceWorker.register('/sw.js');
  await navigator.serviceWorker.ready;
  await controlled();
  // What was told before it listened is asked once more, so that it is kept.
  await Promise.all([...askedFor].map((path) => fetch(path).catch(() => undefined)));
  offline.value = 'yes';
}

const controlled = (): Promise<unknown> =>
  navigator.serviceWorker.controller !== null
    ? Promise.resolve()
    : new Promise((done) => navigator.serviceWorker.addEventListener('controllerchange', done, { once: true }));

/** What was told of a path is another by now: where this device keeps it, it keeps that. */
export async function toldAnew(path: string, body: unknown): Promise<void> {
  const told = await (globalThis as { caches?: CacheStorage }).caches?.open('spare-acre-told');
  if ((await told?.match(path)) !== undefined) await told!.put(path, Response.json(body));
}

/** What was told is forgotten: somebody signs out. */
export const forgetTold = async (): Promise<void> =>
  void (await (globalThis as { caches?: CacheStorage }).caches?.delete('spare-acre-told'));
