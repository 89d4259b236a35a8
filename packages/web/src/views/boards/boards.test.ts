import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { flushPromises } from '@vue/test-utils';
import { shown } from '../../testing/ground-world';
import { CATALOGUE_ANSWER, aServer, aStoredBoard, freshStores, someLocks } from '../../testing/world';
import BoardsView from './BoardsView.vue';
import { boardSummary } from '@spare-acre/core/plan/summary';
import type { BoardEntry } from '@spare-acre/core/io/wire';
import type { StoredBoard } from '../../stores/device/client';
import { onShelf } from './shelf';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
vi.mock('../../workers/summaries', () => ({ summarise: async function* () {} }));
vi.mock('./BoardPicture.vue', () => ({ default: { template: '<i />' } }));
vi.mock('./NewBoardDialog.vue', () => ({ default: { template: '<i />' } }));
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

/** A board as the list names it. */
const entryOf = ({ id, revision, savedAt, plan }: StoredBoard): BoardEntry => ({
  ...{ id, revision, savedAt, name: plan.name, doneTasks: 0, cutSheets: 0 },
  summary: boardSummary(plan),
});
const DAMAGED = {
  id: '4f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c222',
  name: 'Old Quay',
  issues: [{ path: 'plan.table', message: 'expected object' }],
};
async function aList(unreadable: readonly unknown[], isAlone = false) {
  aServer(({ path }) =>
    path === '/api/catalogue'
      ? { status: 200, body: CATALOGUE_ANSWER }
      : path === '/api/boards'
        ? { status: 200, body: { boards: isAlone ? [] : [entryOf(aStoredBoard())], unreadable } }
        : { status: 200, body: aStoredBoard() },
  );
  const view = shown(BoardsView, {});
  await flushPromises();
  return view;
}

test('a board whose plan cannot be read is named with its fault and its file; the others are listed', async () => {
  const view = await aList([DAMAGED]);
  expect(view.findAll('.cards li')).toHaveLength(1);
  const told = view.find('[role="alert"]');
  expect(told.text()).toContain('The stored plan of Old Quay cannot be read: plan.table: expected object.');
  expect(told.find('a').attributes('href')).toBe(`/api/boards/${DAMAGED.id}/export`);
});

test('an empty list invites a first board, but not where one is only unreadable', async () => {
  expect((await aList([], true)).text()).toContain('No boards yet.');
  freshStores();
  expect((await aList([DAMAGED], true)).text()).not.toContain('No boards yet.');
});

const ODD = '5f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c333';
async function aShelf(count: number) {
  const asked: string[] = [];
  const boards = Array.from({ length: count }, (_, i) => {
    const board = aStoredBoard();
    const name = `${['Quay', 'Moor', 'Fen', 'Holm', 'Tarn', 'Dale'][i % 6]!} ${i}`;
    return { ...board, id: `6f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c${String(400 + i).padStart(3, '0')}`, plan: { ...board.plan, name } };
  });
  aServer(({ path, method }) => {
    asked.push(`${method} ${path}`);
    if (path === '/api/catalogue') return { status: 200, body: CATALOGUE_ANSWER };
    if (path === '/api/boards/put-away')
      return { status: 200, body: { boards: [{ id: ODD, name: 'Lost Mill', putAwayAt: '2026-11-20T10:00:00.000Z' }] } };
    if (path === '/api/boards') return { status: 200, body: { boards: boards.map(entryOf), unreadable: [] } };
    const one = boards.find(({ id }) => path === `/api/boards/${id}`);
    return one === undefined ? { status: 204, body: null } : { status: 200, body: one };
  });
  const view = shown(BoardsView, {});
  await flushPromises();
  return { view, asked };
}

test('of many boards one is found by its name; of few there is nothing to seek', async () => {
  const { view } = await aShelf(6);
  const cards = () => view.findAll('.cards li').length;
  expect(cards()).toBe(6);
  await view.find('input[type=search]').setValue('  mOOr');
  expect(cards()).toBe(1);
  expect(view.find('.find [role=status]').text()).toBe('1 of 6');
  freshStores();
  expect((await aShelf(3)).view.find('input[type=search]').exists()).toBe(false);
});

test('three hundred boards are one request and few cards; a card is calculated when it is pointed at', async () => {
  const { view, asked } = await aShelf(300);
  expect(asked.filter((one) => one.includes('/boards'))).toEqual(['GET /api/boards']);
  expect(view.findAll('.cards li')).toHaveLength(24);
  expect(view.findAll('*').length).toBeLessThan(2_000);
  await view.findAll('.cards li')[3]!.trigger('pointerenter');
  await flushPromises();
  expect(asked.filter((one) => /boards\/\w/.test(one))).toHaveLength(1);
  await view
    .findAll('button')
    .find((one) => one.text() === 'Show 24 more boards')!
    .trigger('click');
  expect(view.findAll('.cards li')).toHaveLength(48);
});

test('boards put away are listed when asked for, and brought back', async () => {
  const { view, asked } = await aShelf(1);
  expect(asked).not.toContain('GET /api/boards/put-away');
  await view.find('[aria-controls=boards-away]').trigger('click');
  await flushPromises();
  expect(view.find('#boards-away').text()).toContain('Lost Mill archived 20 Nov 2026');
  await view.find('#boards-away button').trigger('click');
  await flushPromises();
  expect(asked).toContain(`DELETE /api/boards/${ODD}/put-away`);
});

test('the shelf by name, by size, and as it was last saved', () => {
  const named = (name: string, columnWidthsMm: readonly number[]) => {
    const board = aStoredBoard();
    return entryOf({ ...board, plan: { ...board.plan, name, table: { ...board.plan.table, columnWidthsMm } } });
  };
  const boards = [named('Quay', [300]), named('dale', [900]), named('Moor', [600])];
  const by = (order: 'saved' | 'name' | 'size') => onShelf(boards, '', order).map(({ name }) => name);
  expect([by('saved'), by('name'), by('size')]).toEqual([
    ['Quay', 'dale', 'Moor'],
    ['dale', 'Moor', 'Quay'],
    ['dale', 'Moor', 'Quay'],
  ]);
  expect(onShelf(boards, 'DAL', 'saved')).toHaveLength(1);
});
