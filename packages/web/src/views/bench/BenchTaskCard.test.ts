import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { KeptDeed } from '@spare-acre/core/schedule/bench';
import type { LogEntry } from '@spare-acre/core/learning/logbook';
import { useBench } from '../../stores/bench';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { type Asked, BOARD_ID, CATALOGUE_ANSWER, aServer, aStoredBoard, freshStores, someLocks } from '../../testing/world';
import BenchTaskCard from './BenchTaskCard.vue';

vi.mock('../../workers/reckoning', () => import('../../testing/reckoning-here'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  someLocks();
  freshStores();
  localStorage.clear();
});
afterEach(() => vi.unstubAllGlobals());

let noted: LogEntry[];
function answer({ method, path, body }: Asked): { status: number; body: unknown } {
  const ok = (told: unknown) => ({ status: 200, body: told });
  if (path.endsWith('/catalogue')) return ok(CATALOGUE_ANSWER);
  if (path.endsWith('/rack')) return ok({ offcuts: [] });
  if (path.endsWith('/hand')) return ok({ corrections: [], refused: [] });
  if (path.includes('/deeds') && method === 'POST') {
    const sent = (body as { deeds: KeptDeed['deed'][] }).deeds;
    for (const { act } of sent) if (act.kind === 'note') noted.push(act.entry);
    return ok({ deeds: sent.map((deed, i) => ({ turn: i + 1, deed })) });
  }
  return path.includes('/deeds') ? ok({ deeds: [] }) : ok(aStoredBoard());
}
/** The card of a task that uses something from the shelf. */
async function aCard() {
  noted = [];
  const store = await anOpenBoard();
  aServer(answer);
  await vi.waitFor(() => expect(useBench().boardId).toBe(BOARD_ID), { timeout: 5_000 });
  store.look(['moves', 'tasks', 'byWorkpiece'], []);
  const ids = store.slices.moves!.map(({ ofTask }) => ofTask);
  store.look(['moves', 'move', 'tasks', 'byWorkpiece'], ids);
  const detail = store.slices.move!.find(({ takes }) => takes.length === 1 && takes[0]!.uses.length > 0)!;
  const move = store.slices.moves!.find(({ ofTask }) => ofTask === detail.taskId)!;
  const card = shown(BenchTaskCard, { move, detail, standing: 'ready', who: 'Ida', workpiece: 'A1', nameOf: (id: string) => id });
  return { store, card, take: detail.takes[0]!, taskId: move.ofTask };
}
const field = (card: Awaited<ReturnType<typeof aCard>>['card'], label: string) =>
  card
    .findAll('label')
    .find((one) => one.text().startsWith(label))!
    .get('input, textarea');
const done = async (card: Awaited<ReturnType<typeof aCard>>['card']) =>
  card
    .findAll('button')
    .find((one) => one.text() === 'Done')!
    .trigger('click');

test('what was weighed leaves the shelf in the place of what was planned, and is written in the log', async () => {
  const { store, card, take, taskId } = await aCard();
  await field(card, take.name).setValue(String(take.amount.value * 2));
  await done(card);
  await vi.waitFor(() => expect(store.record.doneTasks[taskId]).toBeDefined());
  const { uses } = store.record.doneTasks[taskId]!;
  expect(uses).toHaveLength(take.uses.length);
  take.uses.forEach(({ stockId, amount }, i) => expect(uses[i]).toEqual({ stockId, amount: expect.closeTo(amount * 2, 6) as number }));
  await vi.waitFor(() => expect(noted).toHaveLength(1));
  expect(noted[0]!.figures[0]).toMatchObject({ name: take.name });
});

test('where nothing was weighed the planned amount leaves it, and the log has nothing to say', async () => {
  const { store, card, take, taskId } = await aCard();
  await done(card);
  await vi.waitFor(() => expect(store.record.doneTasks[taskId]).toBeDefined());
  expect(store.record.doneTasks[taskId]!.uses).toEqual(take.uses.map(({ stockId, amount }) => ({ stockId, amount })));
  expect(noted).toEqual([]);
});

test('an amount that is none is refused in words, and the task stays to be done', async () => {
  const { store, card, take, taskId } = await aCard();
  await field(card, take.name).setValue('a lot');
  await done(card);
  expect(card.find('[role="alert"]').text()).toContain('a lot');
  expect(store.record.doneTasks[taskId]).toBeUndefined();
});
