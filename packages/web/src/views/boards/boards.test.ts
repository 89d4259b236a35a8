import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { flushPromises } from '@vue/test-utils';
import { shown } from '../../testing/ground-world';
import { CATALOGUE, aServer, aStoredBoard, freshStores, someLocks } from '../../testing/world';
import BoardsView from './BoardsView.vue';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
vi.mock('../../workers/summaries', () => ({ summarise: async function* () {} }));
vi.mock('./PlanThumbnail.vue', () => ({ default: { template: '<i />' } }));
vi.mock('./NewBoardDialog.vue', () => ({ default: { template: '<i />' } }));
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

const DAMAGED = {
  id: '4f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c222',
  name: 'Old Quay',
  issues: [{ path: 'plan.table', message: 'expected object' }],
};
async function aList(unreadable: readonly unknown[], isAlone = false) {
  aServer(({ path }) =>
    path === '/api/catalogue'
      ? { status: 200, body: { catalogue: CATALOGUE } }
      : { status: 200, body: { boards: isAlone ? [] : [aStoredBoard()], unreadable } },
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
