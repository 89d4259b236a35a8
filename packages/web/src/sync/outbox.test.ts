import 'fake-indexeddb/auto';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, expect, test, vi } from 'vitest';
import { mount } from '@vue/test-utils';
import type { Deed } from '@spare-acre/core/schedule/bench';
import OutboxNotice from '../app/OutboxNotice.vue';
import { useOutbox } from '../stores/device/outbox';
import { type Answer, type Asked, aServer, someLocks } from '../testing/world';
import { type Waiting, keepWaiting, listAllWaiting } from './waiting';

vi.mock('../workers/reckoning', () => import('../testing/idle-reckoning'));

const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const [ONE, OTHER] = [uuid(901), uuid(902)];
const note = (n: number, text: string): Waiting => ({
  deed: {
    ...{ id: uuid(n), device: uuid(0), seen: 0, atMs: 1_000 + n, day: '2026-12-01' },
    act: {
      kind: 'note',
      entry: {
        id: uuid(500 + n),
        taskId: null,
        name: 'Note',
        day: '2026-12-01',
        who: '',
        figures: [],
        note: text,
        photoIds: [],
        air: null,
        mishap: null,
      },
    },
  },
  photos: [],
  refused: null,
});
const stub = { global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } } };
/** A server that takes all but notes with half of a character, which it rejects as ours does. */
function answer({ method, path, body }: Asked): Answer {
  if (path.endsWith('/health')) return { status: 200, body: { ok: true, database: 'up' } };
  if (method !== 'POST') return { status: 404, body: {} };
  const { deeds } = body as { deeds: Deed[] };
  const isBad = deeds.some(({ act }) => act.kind === 'note' && !/^[^\p{Cs}]*$/u.test(act.entry.note));
  if (isBad) return { status: 422, body: { type: 'about:blank', title: 'Text', status: 422, detail: 'holds half of a character' } };
  return { status: 200, body: { deeds: deeds.map((deed, i) => ({ turn: i + 1, deed })) } };
}
beforeEach(async () => {
  someLocks();
  setActivePinia(createPinia());
  const { clear, createStore } = await import('idb-keyval');
  await clear(createStore('spare-acre-bench', 'kept'));
});

test('entries of every board are sent, whichever view is open, and what waits is told by the name of its board', async () => {
  let isUp = false;
  const asked = aServer((one) => (isUp ? answer(one) : null));
  await keepWaiting(ONE, note(1, 'fine'));
  await keepWaiting(OTHER, note(2, 'fine'));
  const view = mount(OutboxNotice, { ...stub, props: { names: { [ONE]: 'Mill', [OTHER]: 'Quay' } } });
  await vi.waitFor(() => expect(view.text()).toContain('1 entry for Mill waits'));
  expect(view.text()).toContain('1 entry for Quay waits');
  isUp = true;
  await useOutbox().flush();
  expect(asked.filter(({ path, method }) => method === 'POST' && path.endsWith('/deeds')).map(({ path }) => path.split('/')[3])).toEqual(
    expect.arrayContaining([ONE, OTHER]),
  );
  await vi.waitFor(async () => expect(await listAllWaiting()).toEqual(new Map()));
  expect(view.find('section').exists()).toBe(false);
});

test('a poisoned entry is set aside with its text, holds nothing up, and goes through once it was put into other words', async () => {
  aServer(answer);
  await keepWaiting(ONE, note(1, 'half \ud83d'));
  await keepWaiting(ONE, note(2, 'fine'));
  await keepWaiting(OTHER, note(3, 'fine'));
  const view = mount(OutboxNotice, stub);
  const outbox = useOutbox();
  await vi.waitFor(() => expect(outbox.refused).toHaveLength(1));
  await vi.waitFor(() => expect(outbox.toSend).toEqual([]));
  expect(view.text()).toContain('holds half of a character');
  await view.find('textarea').setValue('whole again');
  await view.findAll('button')[0]!.trigger('click');
  await vi.waitFor(async () => expect(await listAllWaiting()).toEqual(new Map()));
  expect(outbox.refused).toEqual([]);
});

test('a rejected entry can be discarded, and stays away after the page is loaded again', async () => {
  aServer(answer);
  await keepWaiting(ONE, note(1, 'half \ud83d'));
  const outbox = useOutbox();
  await outbox.load();
  await outbox.flush();
  await outbox.discard(ONE, outbox.refused[0]!);
  await outbox.load();
  expect([outbox.refused, outbox.toSend]).toEqual([[], []]);
});
