import type * as Settling from './settling';
import { keptDrafts } from '../../testing/kept-drafts';
import { FakeStream } from '../../testing/streams';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { computed, shallowRef } from 'vue';
import { brinefold } from '@spare-acre/core/demo';
import type { Plan } from '@spare-acre/core/plan';
import {
  type Answer,
  type Asked,
  BOARD_ID,
  CATALOGUE,
  CATALOGUE_ANSWER,
  aServer,
  aStoredBoard,
  freshStores,
  settled,
  someLocks,
} from '../../testing/world';

/** What decides who saved first is fetched when it is needed, and a busy machine takes its time. */
const WAIT = { timeout: 5_000, interval: 20 };
const told = vi.hoisted(() => ({
  opened: [] as string[],
  boards: [] as { plan: { name: string } }[],
  listener: null as { answered: (answer: never, version: number) => void } | null,
}));
vi.mock('../../workers/reckoning', () => ({
  Reckoning: class {
    constructor(listener: never) {
      told.listener = listener;
    }
    open = ({ board }: { board: { plan: { name: string } } }): void => void told.opened.push(board.plan.name);
    look = (): void => undefined;
    change = ({ board }: { board?: { plan: { name: string } } }): void => void (board && told.boards.push(board));
  },
}));

const base = brinefold(CATALOGUE);
const ok = (body: unknown): Answer => ({ status: 200, body });
let stored: { revision: number; plan: Plan };
let settling: typeof Settling.useSettling;

/** A server with one board that saves whatever comes with the right revision. */
function answer({ method, path, body }: Asked): Answer {
  if (path.endsWith('/catalogue')) return ok(CATALOGUE_ANSWER);
  if (path.endsWith('/rack')) return ok({ offcuts: [] });
  if (path.includes('/history/')) return ok(aStoredBoard(base, 1));
  if (method === 'GET') return ok(aStoredBoard(stored.plan, stored.revision));
  if (method === 'POST') return { status: 201, body: aStoredBoard((body as { plan: Plan }).plan, 1) };
  const sent = body as { revision: number; plan: Plan };
  if (sent.revision !== stored.revision) {
    return {
      status: 409,
      body: {
        type: 'about:blank',
        title: 'Someone else saved this board',
        status: 409,
        detail: '',
        stored: aStoredBoard(stored.plan, stored.revision),
      },
    };
  }
  stored = { revision: sent.revision + 1, plan: sent.plan };
  return ok({ revision: stored.revision, savedAt: '2026-11-24T05:00:00.000Z' });
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.resetModules();
  someLocks();
  localStorage.clear();
  keptDrafts.clear();
  sessionStorage.clear();
  freshStores();
  stored = { revision: 1, plan: base };
  [told.opened, told.boards] = [[], []];
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

async function anOpenPlan(server: (asked: Asked) => Answer = answer) {
  const asked = aServer(server);
  const { createPinia, setActivePinia } = await import('pinia');
  setActivePinia(createPinia());
  await import('./live'); // fetched by itself, in its own time
  const { usePlan } = await import('./plan');
  const { useSettling } = await import('./settling');
  settling = useSettling;
  const store = usePlan();
  await store.open(BOARD_ID);
  return { store, asked };
}
const heightOf = (plan: Plan | null): number => (plan!.features.find(({ id }) => id === 'mound') as { heightMm: number }).heightMm;
type Store = Awaited<ReturnType<typeof anOpenPlan>>['store'];
const raise = (store: Store, heightMm: number, gesture: string | null = null): string =>
  store.edit({ code: 'feature/set', featureId: 'mound', change: { heightMm }, what: 'Raise' }, gesture);

describe('the one door for changes', () => {
  test('a sound edit is taken, told to the worker, and can be undone and done again', async () => {
    const { store } = await anOpenPlan();
    expect(told.opened).toEqual(['Brinefold Saltworks']);
    expect(raise(store, 40)).toBe('');
    expect(heightOf(store.plan)).toBe(40);
    expect(told.boards).toEqual([{ plan: store.plan, record: store.record }]);
    store.undo();
    expect(heightOf(store.plan)).toBe(20);
    store.redo();
    expect(heightOf(store.plan)).toBe(40);
    expect(told.boards).toHaveLength(3);
  });

  test('an edit that would not leave a sound plan changes nothing and says why', async () => {
    const { store } = await anOpenPlan();
    const before = store.plan;
    expect(raise(store, -5)).toBe('got -5. Enter 1 to 600 mm');
    expect(store.plan).toBe(before);
    expect(store.history.done).toEqual([]);
    expect(told.boards).toEqual([]);
  });

  test('an edit that changes nothing is no deed', async () => {
    const { store } = await anOpenPlan();
    expect(raise(store, 20)).toBe('');
    expect(store.history.done).toEqual([]);
  });

  test('all edits of one drag are undone together', async () => {
    const { store } = await anOpenPlan();
    for (const mm of [22, 25, 31]) raise(store, mm, 'drag');
    expect(store.history.done).toHaveLength(1);
    store.undo();
    expect(heightOf(store.plan)).toBe(20);
  });

  test('parts of the plan that an edit does not touch stay the same objects', async () => {
    const { store } = await anOpenPlan();
    const before = store.plan!;
    raise(store, 40);
    expect(store.plan!.table).toBe(before.table);
    expect(store.plan!.features[0]).toBe(before.features[0]);
  });

  test('a mend is an edit like any other', async () => {
    const { store } = await anOpenPlan();
    expect(
      store.mend({ edit: { code: 'feature/set', featureId: 'settling', change: { depthMm: 20 }, what: 'Sink' }, label: 'Sink it 20 mm' }),
    ).toBe('');
    expect(store.plan!.features.find(({ id }) => id === 'settling')).toMatchObject({ depthMm: 20 });
    expect(store.history.done.at(-1)!.name).toBe('Sink it 20 mm');
  });
});

describe('answers', () => {
  test('an answer to an older plan never replaces one to a newer', async () => {
    const { store } = await anOpenPlan();
    const answerNamed = (readyText: string) => ({ slices: { readiness: { readyText } }, warningIds: [] }) as never;
    told.listener!.answered(answerNamed('newer'), 5);
    told.listener!.answered(answerNamed('older'), 4);
    expect(store.slices.readiness).toEqual({ readyText: 'newer' });
  });
});

describe('opening', () => {
  test('a draft kept in this browser goes on from where it was, and is saved', async () => {
    const { store } = await anOpenPlan((asked) => (asked.method === 'PUT' ? null : answer(asked)));
    raise(store, 33);
    await vi.advanceTimersByTimeAsync(1_000);
    expect(store.saving.state).toBe('kept');
    vi.resetModules(); // the page is loaded again, the locks of its former self gone
    someLocks();
    const again = await anOpenPlan();
    await vi.advanceTimersByTimeAsync(100);
    expect(heightOf(again.store.plan)).toBe(33);
    expect([again.store.saving.state, again.store.saving.revision]).toEqual(['saved', 2]);
    expect(keptDrafts.size).toBe(0);
  });

  test('a draft of an earlier version is brought forward before it is gone on with', async () => {
    const { cutting, stack, surfaces, wears, paints: _paints, testPieces: _testPieces, ...rest } = base;
    const bare = ({ spread: _spread, grain: _grain, sealed: _sealed, ...layer }: (typeof stack.ground)[number]) => layer;
    const old = {
      ...rest,
      climate: { airC: 20, humidityPct: 50, airId: 'still' },
      version: 2,
      name: 'Older draft',
      stack: {
        substrate: { materialId: 'mdf', thicknessMm: 6 },
        ground: stack.ground.map(bare),
        raised: { materialId: 'xps-foam', glueId: 'hot-melt' },
      },
      coats: Object.fromEntries(
        Object.entries(wears).map(([kind, worn]) => [
          kind,
          surfaces
            .find(({ id }) => id === worn)!
            .coats.map(({ id, methodId, filmMm, coatingId }) => ({ id, methodId, filmMm, stuffId: coatingId })),
        ]),
      ),
      cutting: { trimMm: cutting.trimMm, kept: [] },
    };
    localStorage.setItem(`spare-acre/draft/${BOARD_ID}/gone`, JSON.stringify({ baseRevision: 1, plan: old }));
    const { store } = await anOpenPlan();
    expect(store.plan).toMatchObject({ version: 14, name: 'Older draft', stack: { edges: 'cut-first' }, cutting: { aim: 'cheapest' } });
  });

  test('a draft that is no sound plan is left alone', async () => {
    localStorage.setItem(`spare-acre/draft/${BOARD_ID}/gone`, JSON.stringify({ baseRevision: 1, plan: { name: 'broken' } }));
    const { store } = await anOpenPlan();
    expect(store.plan!.name).toBe('Brinefold Saltworks');
    expect(store.saving.state).toBe('saved');
  });
});

describe('a draft is put beside what others did since, by its own base', () => {
  const sheet = (id: string) => ({
    ...{ id, materialId: 'mdf', thicknessMm: 6, number: 1, widthMm: 99, depthMm: 99, offcutId: null },
    places: [{ partId: 'p', xMm: 0, yMm: 0, boxWidthMm: 9, boxDepthMm: 9, areaMm2: 81, turned: false, half: false }],
  });
  test.each([
    ['of this version', { base: { plan: base, record: { cutSheets: [], doneTasks: {} } } }],
    ['from before a base was kept', {}],
  ])('a sheet ticked on the phone while a draft %s waited stays ticked; the desk’s own is added', async (_, more) => {
    const record = { cutSheets: [sheet('desk')], doneTasks: {} };
    localStorage.setItem(`spare-acre/draft/${BOARD_ID}/gone`, JSON.stringify({ baseRevision: 1, plan: base, record, ...more }));
    const there = [sheet('phone')];
    const { store, asked } = await anOpenPlan((one) => {
      if (one.path.includes('/cut-sheets/')) there.push(one.body as (typeof there)[number]);
      return one.method === 'GET' && one.path.endsWith(BOARD_ID)
        ? ok({ ...aStoredBoard(stored.plan, stored.revision), record: { cutSheets: there, doneTasks: {} } })
        : one.path.includes('/cut-sheets/')
          ? { status: 204, body: null }
          : answer(one);
    });
    await vi.advanceTimersByTimeAsync(1_000);
    expect(store.record.cutSheets.map(({ id }) => id).sort()).toEqual(['desk', 'phone']);
    const sent = asked
      .filter(({ path }) => path.includes('/cut-sheets/'))
      .map(({ method, path }) => `${method} ${path.split('/').at(-1)!}`);
    expect(sent).toEqual(['PUT desk']);
  });
});

describe('a save that came too late', () => {
  async function aStale() {
    const { store, asked } = await anOpenPlan();
    stored = { revision: 7, plan: { ...base, name: 'Theirs' } };
    raise(store, 40);
    await vi.advanceTimersByTimeAsync(1_000);
    await vi.waitFor(() => expect(store.saving.state).toBe('stale'), WAIT);
    return { store, asked };
  }

  test('put together: both changes, on their revision; undo then takes back mine and leaves theirs', async () => {
    const { store } = await aStale();
    expect(settling().merge).toMatchObject({ clashes: [] });
    await settling().settle('merge');
    await settled();
    expect([stored.revision, stored.plan.name, heightOf(stored.plan)]).toEqual([8, 'Theirs', 40]);
    expect(store.saving.state).toBe('saved');
    store.undo();
    expect([store.plan!.name, heightOf(store.plan)]).toEqual(['Theirs', 20]);
    store.undo();
    expect(store.plan!.name).toBe('Theirs');
  });

  test('mine: saved over theirs, which the server keeps as a revision', async () => {
    await aStale();
    await settling().settle('mine');
    expect([stored.revision, stored.plan.name, heightOf(stored.plan)]).toEqual([8, 'Brinefold Saltworks', 40]);
  });

  test('theirs: mine becomes a board of its own first', async () => {
    const { store, asked } = await aStale();
    await settling().settle('theirs');
    const created = asked.find(({ method }) => method === 'POST')!.body as { plan: Plan };
    expect([created.plan.name, heightOf(created.plan)]).toEqual(['Brinefold Saltworks (my copy)', 40]);
    expect([store.plan!.name, heightOf(store.plan)]).toEqual(['Theirs', 20]);
    expect(store.history.done).toEqual([]);
  });

  test('too much together for one board is said; what is left out is for the builder to say, and nothing is dropped silently', async () => {
    const copies = (count: number, name: string) => {
      const mound = base.features.find(({ id }) => id === 'mound')!;
      return Array.from({ length: count }, (_, i) => ({ ...mound, id: `${name}${i}`, name: `${name} ${i}` }));
    };
    const full = { ...base, features: [...base.features, ...copies(395 - base.features.length, 'old')] };
    stored = { revision: 1, plan: full };
    const { store } = await anOpenPlan((asked) => (asked.path.includes('/history/') ? ok(aStoredBoard(full, 1)) : answer(asked)));
    stored = { revision: 7, plan: { ...full, features: [...full.features, ...copies(4, 'theirs')] } };
    expect(
      store.edit({
        code: 'board/replace',
        plan: { ...full, features: [...full.features, ...copies(4, 'mine')] },
        record: store.record,
        why: 'Add',
      }),
    ).toBe('');
    await vi.advanceTimersByTimeAsync(1_000);
    expect(settling().merge!.tooMany).toMatchObject({ count: 403, most: 400 });
    expect(settling().merge!.tooMany!.added.map(({ id }) => id)).toEqual([
      'mine0',
      'mine1',
      'mine2',
      'mine3',
      'theirs0',
      'theirs1',
      'theirs2',
      'theirs3',
    ]);
    await expect(settling().settle('merge')).rejects.toThrow('400');
    expect([stored.revision, store.saving.state]).toEqual([7, 'stale']);
    settling().leftOut = new Set(['mine1', 'theirs2', 'theirs3']);
    expect([settling().merge!.problem, settling().merge!.tooMany!.count]).toEqual(['', 400]);
    await settling().settle('merge');
    const kept = stored.plan.features.map(({ id }) => id).slice(-5);
    expect(kept).toEqual(['mine0', 'mine2', 'mine3', 'theirs0', 'theirs1']);
  });

  test('a draft whose version is no longer kept: no side wins silently, all that differs is a clash', async () => {
    localStorage.setItem(`spare-acre/draft/${BOARD_ID}/gone`, JSON.stringify({ baseRevision: 1, plan: { ...base, name: 'Mine' } }));
    const gone: Answer = { status: 404, body: { type: 'about:blank', title: 'No such board', status: 404, detail: 'gone' } };
    const without = base.features.filter(({ id }) => id !== 'mound');
    stored = { revision: 7, plan: { ...base, name: 'Theirs', features: without } };
    const { store } = await anOpenPlan((asked) => (asked.path.includes('/history/') ? gone : answer(asked)));
    await vi.advanceTimersByTimeAsync(1_000);
    await vi.waitFor(() => expect(store.saving.state).toBe('stale'), WAIT);
    expect(settling().merge).toMatchObject({ hasBase: false, clashes: ['name'] });
    // What one side has and the other has not comes back: nobody knows who took it out.
    expect(settling().merge!.plan.features.map(({ id }) => id)).toContain('mound');
  });
});

describe('a board that is open in two places', () => {
  const elsewhere = (revision: number): void => FakeStream.opened.at(-1)!.tell({ kind: 'at', revision, by: 'Ida', what: 'plan' });
  const later = (): Promise<unknown> => vi.advanceTimersByTimeAsync(50);

  test('shows the other’s save, calculating only what changed, says so, and undo never takes it back', async () => {
    const { store, asked } = await anOpenPlan();
    await later();
    raise(store, 40);
    await vi.advanceTimersByTimeAsync(1_000);
    const before = store.plan!;
    stored = { revision: 3, plan: { ...structuredClone(before), name: 'Theirs' } };
    elsewhere(3);
    await later();
    expect([store.plan!.name, store.saving.revision, store.saving.state]).toEqual(['Theirs', 3, 'saved']);
    expect(store.plan!.features).toEqual(before.features);
    expect(store.plan!.features[0]).toBe(before.features[0]);
    expect(store.notice!.text).toContain('the name of the board');
    expect(store.history.done).toHaveLength(1);
    store.undo();
    expect([store.plan!.name, heightOf(store.plan)]).toEqual(['Theirs', 20]);
    await vi.advanceTimersByTimeAsync(1_000);
    expect([stored.revision, stored.plan.name]).toEqual([4, 'Theirs']);
    store.undo();
    expect(store.plan!.name).toBe('Theirs');
    expect(asked.filter(({ method }) => method === 'PUT')).toHaveLength(2);
  });

  test('a step whose place somebody else changed since is refused in words, and those before it are not held up', async () => {
    const { store } = await anOpenPlan();
    await later();
    store.edit({ code: 'board/rename', name: 'Mine' });
    raise(store, 40);
    await vi.advanceTimersByTimeAsync(1_000);
    const theirs = store.plan!.features.map((one) => (one.id === 'mound' ? { ...one, heightMm: 55 } : one)) as Plan['features'];
    stored = { revision: 3, plan: { ...structuredClone(store.plan!), features: theirs } };
    elsewhere(3);
    await later();
    store.undo();
    expect(heightOf(store.plan)).toBe(55);
    expect(store.notice!.text).toMatch(/cannot be undone: “.+” changed on another device/);
    store.undo();
    expect([store.plan!.name, heightOf(store.plan)]).toEqual(['Brinefold Saltworks', 55]);
  });

  test('ticks that came from a phone stay when the desk undoes a step of its own', async () => {
    const { store } = await anOpenPlan();
    raise(store, 40);
    const task = { at: { day: '2026-12-01', atMin: 900 }, part: null, by: '', workedMin: null, uses: [] };
    const told = vi.fn();
    store.ticksBy({ doneTasks: computed(() => ({ t1: task, t2: task, t3: task })), change: told });
    store.undo();
    expect(told).not.toHaveBeenCalled();
    expect([heightOf(store.plan), Object.keys(store.record.doneTasks)]).toEqual([20, ['t1', 't2', 't3']]);
  });

  test('what an edit ticks is told to whoever keeps what is done, and shows once it is kept', async () => {
    const { store } = await anOpenPlan();
    const task = { at: { day: '2026-12-01', atMin: 900 }, part: null, by: '', workedMin: null, uses: [] };
    const kept = shallowRef<Readonly<Record<string, typeof task>>>({});
    store.ticksBy({ doneTasks: computed(() => kept.value), change: (_, to) => void (kept.value = to as typeof kept.value) });
    expect(store.edit({ code: 'task/tick', taskId: 't1', task, what: 'Tick' })).toBe('');
    expect([Object.keys(kept.value), Object.keys(store.record.doneTasks)]).toEqual([['t1'], ['t1']]);
    kept.value = {};
    expect(store.record.doneTasks).toEqual({});
    // Of another board somebody else has to say it.
    store.close();
    expect(store.board).toBeNull();
  });

  test('does not ask again for what it has saved itself, nor for what it has seen', async () => {
    const { store, asked } = await anOpenPlan();
    await later();
    const reads = () => asked.filter(({ method, path }) => method === 'GET' && path.endsWith(BOARD_ID)).length;
    const before = reads();
    raise(store, 40);
    await vi.advanceTimersByTimeAsync(1_000);
    for (const revision of [1, 2]) elsewhere(revision);
    await later();
    expect(reads()).toBe(before);
  });

  test('with a change of one’s own the other’s save waits for one’s own, which asks', async () => {
    const { store } = await anOpenPlan();
    await later();
    raise(store, 40);
    stored = { revision: 2, plan: { ...base, name: 'Theirs' } };
    elsewhere(2);
    await later();
    expect(store.plan!.name).toBe('Brinefold Saltworks');
    await vi.advanceTimersByTimeAsync(1_000);
    await vi.waitFor(() => expect(store.saving.state).toBe('stale'), WAIT);
    await settling().settle('merge');
    expect([stored.plan.name, heightOf(stored.plan)]).toEqual(['Theirs', 40]);
  });

  test('says who is here, two things told at once, and lets nonsense pass', async () => {
    const { store } = await anOpenPlan();
    await later();
    const stream = FakeStream.opened.at(-1)!;
    expect(stream.url).toMatch(new RegExp(`^/api/boards/${BOARD_ID}/live\\?tab=[0-9a-f]{12}$`));
    stored = { revision: 2, plan: { ...base, name: 'Theirs' } };
    elsewhere(2);
    stream.tell({ kind: 'here', others: [{ person: 'Ida', device: 'phone' }] });
    for (const nonsense of ['{"kind":', '{"kind":"at"}', 'null']) stream.tell(nonsense);
    await later();
    expect([store.plan!.name, store.others]).toEqual(['Theirs', [{ person: 'Ida', device: 'phone' }]]);
    stream.tell({ kind: 'away' });
    expect(store.notice).toMatchObject({ text: expect.stringContaining('archived') as string, isDeed: false });
    store.close();
    await later();
    expect([stream.readyState, store.others]).toEqual([2, []]);
  });
});
