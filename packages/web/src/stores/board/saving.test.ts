import type { Board, Plan } from '@spare-acre/core/plan';
import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { browserStore, keptDrafts } from '../../testing/kept-drafts';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { type EffectScope, effectScope, watch } from 'vue';
import { brinefold } from '@spare-acre/core/demo';
import { type Answer, type Asked, BOARD_ID, CATALOGUE, aServer, aStoredBoard, someLocks } from '../../testing/world';

const base = brinefold(CATALOGUE);
const named = (name: string): Plan => ({ ...base, name });
const saved = (revision: number): Answer => ({ status: 200, body: { revision, savedAt: '2026-11-24T05:00:00.000Z' } });

let scope: EffectScope;
beforeEach(() => {
  vi.useFakeTimers();
  vi.resetModules();
  someLocks();
  localStorage.clear();
  keptDrafts.clear();
  sessionStorage.clear();
  scope = effectScope();
});
afterEach(() => {
  scope.stop();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** An open board whose plan the test changes, on a server that answers as told. */
async function anOpenBoard(answer: (asked: Asked) => Answer | Promise<Answer>) {
  const asked = aServer(answer);
  const { useSaving } = await import('./saving');
  let board: Board = { plan: base, record: NOTHING_DONE };
  let id = BOARD_ID;
  const saving = scope.run(() => useSaving(() => ({ id, board })))!;
  const goTo = (other: string): void => {
    id = other;
    board = { plan: base, record: NOTHING_DONE };
    saving.opened({ ...aStoredBoard(base, 1), ...board });
  };
  saving.opened({ ...aStoredBoard(base, 1), ...board });
  const edit = (name: string): void => {
    board = { ...board, plan: named(name) };
    saving.changed();
  };
  const replace = (plan: Plan): void => {
    board = { ...board, plan };
    saving.changed();
  };
  const tick = (...ids: string[]): void => {
    const known = new Map(board.record.cutSheets.map((sheet) => [sheet.id, sheet]));
    const places = [{ partId: 'p', xMm: 0, yMm: 0, boxWidthMm: 9, boxDepthMm: 9, areaMm2: 81, turned: false, half: false }];
    const sheet = { materialId: 'mdf', thicknessMm: 6, number: 1, widthMm: 99, depthMm: 99, offcutId: null, places };
    board = { ...board, record: { ...board.record, cutSheets: ids.map((id) => known.get(id) ?? { ...sheet, id }) } };
    saving.changed();
  };
  const drafts = (): { baseRevision: number; plan: Plan }[] => [...keptDrafts.values()] as never;
  return { saving, asked, edit, replace, tick, drafts, goTo };
}
const wait = (ms: number): Promise<unknown> => vi.advanceTimersByTimeAsync(ms);

/** A board whose first save has been sent and not yet answered; later ones are answered at once. */
async function aSaveUnderWay() {
  let release = (_answer: Answer): void => undefined;
  let revision = 1;
  const board = await anOpenBoard(() => (++revision === 2 ? new Promise<Answer>((done) => (release = done)) : saved(revision)));
  board.edit('first');
  await wait(800);
  return { ...board, release: (answer: Answer) => release(answer) };
}

describe('autosave', () => {
  test('several quick edits are one save, with the revision they grew from', async () => {
    const { saving, asked, edit, drafts } = await anOpenBoard(() => saved(2));
    edit('a');
    await wait(300);
    edit('ab');
    expect(saving.state.value).toBe('changed');
    await wait(1_000);
    expect(asked).toEqual([{ method: 'PUT', path: `/api/boards/${BOARD_ID}/plan`, body: { revision: 1, plan: named('ab') } }]);
    expect([saving.state.value, saving.revision.value]).toEqual(['saved', 2]);
    expect(drafts()).toEqual([]);
  });

  test('an edit made while a save is under way is saved after it, on the new revision', async () => {
    const { saving, asked, edit, release } = await aSaveUnderWay();
    expect(saving.state.value).toBe('saving');
    edit('second');
    release(saved(2));
    await wait(1_000);
    expect(asked.map(({ body }) => (body as { revision: number }).revision)).toEqual([1, 2]);
    expect([saving.state.value, saving.revision.value]).toEqual(['saved', 3]);
  });

  test('without a server the draft stays in this browser, and is saved when the server is back', async () => {
    let isUp = false;
    const { saving, edit, drafts } = await anOpenBoard(() => (isUp ? saved(2) : null));
    edit('kept');
    await wait(1_000);
    expect(saving.state.value).toBe('kept');
    expect(drafts()).toEqual([{ baseRevision: 1, base: { plan: base, record: NOTHING_DONE }, plan: named('kept'), record: NOTHING_DONE }]);
    isUp = true;
    await wait(3_100);
    expect(saving.state.value).toBe('saved');
    expect(drafts()).toEqual([]);
  });

  test('where neither the server nor the browser keeps it, that is said, and tried again until it is saved', async () => {
    let isUp = false;
    const { saving, edit } = await anOpenBoard(() => (isUp ? saved(2) : null));
    browserStore.isFull = true;
    edit('nowhere');
    await wait(1_000);
    browserStore.isFull = false;
    expect(saving.state.value).toBe('unkept');
    isUp = true;
    await wait(3_100);
    expect(saving.state.value).toBe('saved');
  });

  const problem = (status: number, title: string): Answer => ({ status, body: { type: 'about:blank', title, status, detail: title } });
  test.each([
    [problem(503, 'The database is away'), 'database'],
    [problem(503, 'Too much at once'), 'busy'],
    [problem(500, 'Something broke here'), 'busy'],
    [problem(401, 'Not signed in'), 'sign-in'],
    [{ status: 502, body: 'Bad gateway' }, 'server'],
    [null, 'server'],
  ] as const)('%j: what is away is said, the edit is kept, and saved by itself later and later until it is', async (answer, away) => {
    let isBack = false;
    const { saving, asked, edit, drafts } = await anOpenBoard(() => (isBack ? saved(2) : answer));
    edit('kept');
    await wait(1_000);
    expect([saving.state.value, saving.away.value]).toEqual(['kept', away]);
    expect(drafts()).toMatchObject([{ plan: { name: 'kept' } }]);
    await wait(60_000);
    expect(asked.length).toBeGreaterThan(4);
    expect(asked.length).toBeLessThan(10);
    expect(saving.state.value).toBe('kept');
    isBack = true;
    await wait(20_000);
    expect([saving.state.value, saving.revision.value]).toEqual(['saved', 2]);
    expect(drafts()).toEqual([]);
  });

  test('what waits is saved at once when the network is back, and goes on saying that it waits until then', async () => {
    let isUp = false;
    const { saving, edit } = await anOpenBoard(() => (isUp ? saved(2) : null));
    edit('kept');
    await wait(1_000);
    const seen: string[] = [];
    watch(saving.state, (state) => seen.push(state), { flush: 'sync' });
    await wait(30_000);
    isUp = true;
    window.dispatchEvent(new Event('online'));
    await wait(50);
    expect(seen).toEqual(['saved']);
  });

  test('leaving a board while a save is under way waits for it and saves what was changed since', async () => {
    const { saving, asked, edit, release } = await aSaveUnderWay();
    edit('second');
    const left = saving.leave();
    release(saved(2));
    await left;
    expect(asked.map(({ body }) => (body as { plan: Plan }).plan.name)).toEqual(['first', 'second']);
    expect(saving.state.value).toBe('saved');
  });

  test('leaving does not wait for a server that is silent: the draft is kept', async () => {
    const { saving, edit, drafts } = await anOpenBoard(() => new Promise<Answer>(() => undefined));
    edit('first');
    await wait(800);
    edit('second');
    const left = saving.leave();
    await wait(2_100);
    await left;
    expect(drafts()).toMatchObject([{ plan: { name: 'second' } }]);
  });

  test('a board opened while another’s save is still unanswered is saved all the same', async () => {
    const other = '4f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c222';
    const { saving, asked, edit, goTo } = await anOpenBoard(({ path }) =>
      path.includes(other) ? saved(2) : new Promise<Answer>(() => undefined),
    );
    edit('first');
    await wait(800);
    goTo(other);
    edit('second');
    await wait(1_000);
    expect(asked.at(-1)!.path).toContain(other);
    expect([saving.state.value, saving.revision.value]).toEqual(['saved', 2]);
  });

  test('sheets ticked off and unticked are told one by one, without a new revision of the plan', async () => {
    const { saving, asked, tick } = await anOpenBoard(() => ({ status: 204, body: null }));
    tick('a', 'b');
    await wait(1_000);
    const path = `/api/boards/${BOARD_ID}/cut-sheets`;
    expect(asked.map((one) => [one.method, one.path])).toEqual([
      ['PUT', `${path}/a`],
      ['PUT', `${path}/b`],
    ]);
    tick('b');
    await wait(1_000);
    expect(asked.slice(2).map((one) => [one.method, one.path])).toEqual([['DELETE', `${path}/a`]]);
    expect([saving.state.value, saving.revision.value]).toEqual(['saved', 1]);
  });

  test('a draft is kept before the save is even tried', async () => {
    const { edit, drafts, asked } = await anOpenBoard(() => saved(2));
    edit('early');
    await wait(200);
    expect(asked).toEqual([]);
    expect(drafts()).toEqual([{ baseRevision: 1, base: { plan: base, record: NOTHING_DONE }, plan: named('early'), record: NOTHING_DONE }]);
  });

  test('a stale save stops saving and holds what the server has; a choice goes on from there', async () => {
    const theirs = aStoredBoard(named('theirs'), 5);
    const problem = { type: 'about:blank', title: 'Someone else saved this board', status: 409, detail: 'at 5', stored: theirs };
    let isStale = true;
    const { saving, asked, edit, drafts } = await anOpenBoard(() => (isStale ? { status: 409, body: problem } : saved(6)));
    edit('mine');
    await wait(1_000);
    // What tells one's own from another's is fetched first.
    await vi.waitFor(() => expect(saving.state.value).toBe('stale'), 10_000);
    expect(saving.stored.value).toMatchObject({ revision: 5, plan: { name: 'theirs' } });
    edit('mine still');
    await wait(10_000);
    expect(asked).toHaveLength(1); // it waits for the builder's word
    expect(drafts()).toMatchObject([{ plan: { name: 'mine still' } }]);
    isStale = false;
    saving.rebase(5, theirs);
    await saving.saveNow();
    expect(asked.at(-1)!.body).toMatchObject({ revision: 5, plan: { name: 'mine still' } });
    expect(saving.state.value).toBe('saved');
  });

  test('a save whose answer never came, found on the server as it was sent, is no one else’s: no question is asked', async () => {
    const ours = aStoredBoard(named('mine'), 2);
    const problem = { type: 'about:blank', title: 'Someone else saved this board', status: 409, detail: 'at 2', stored: ours };
    const { saving, edit, drafts } = await anOpenBoard(() => ({ status: 409, body: problem }));
    edit('mine');
    await wait(1_000);
    expect([saving.state.value, saving.revision.value, saving.stored.value]).toEqual(['saved', 2, null]);
    await vi.waitFor(() => expect(drafts()).toEqual([]));
  });

  test('one that found an earlier state of this very page on the server goes on from there, and asks nothing', async () => {
    const earlier = aStoredBoard({ ...base, figureHeightMm: 32 }, 2);
    const problem = { type: 'about:blank', title: 'Someone else saved this board', status: 409, detail: 'at 2', stored: earlier };
    let isFirst = true;
    const board = await anOpenBoard(() => {
      const answer = isFirst ? { status: 409, body: problem } : saved(3);
      isFirst = false;
      return answer;
    });
    board.replace({ ...base, figureHeightMm: 32, name: 'and more' });
    await wait(1_000);
    await vi.waitFor(() => expect(board.saving.state.value).toBe('saved'), 10_000);
    expect(board.asked.map(({ body }) => (body as { revision: number }).revision)).toEqual([1, 2]);
    expect(board.saving.stored.value).toBeNull();
  });

  test('a refusal is told in the server’s words, by path', async () => {
    const problem = { type: 'about:blank', title: 'no', status: 422, detail: 'no', issues: [{ path: 'name', message: 'is empty' }] };
    const { saving, edit } = await anOpenBoard(() => ({ status: 422, body: problem }));
    edit('');
    await wait(1_000);
    expect([saving.state.value, saving.refusal.value]).toEqual(['refused', 'name: is empty']);
  });

  test('nothing changed, nothing saved', async () => {
    const { saving, asked } = await anOpenBoard(() => saved(2));
    await saving.saveNow();
    await wait(10_000);
    expect(asked).toEqual([]);
  });
});
