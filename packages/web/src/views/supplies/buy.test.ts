import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { leastCost } from '@spare-acre/core/procurement/buying';
import { boardSummary } from '@spare-acre/core/plan/summary';
import { stockedIn } from '@spare-acre/core/procurement/stock';
import type { WorkshopState } from '@spare-acre/core/io/wire';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { type Asked, CATALOGUE, aServer, aStoredBoard, freshStores, settled, someLocks } from '../../testing/world';
import BuyTab from './BuyTab.vue';

/** When each thing is first worked with. */
const { needed } = vi.hoisted(() => ({ needed: new Map<string, number>() }));
vi.mock('../../workers/reckoning', () => import('../../testing/reckoning-here'));
vi.mock('../../workers/searches', () => ({
  searches: () => ({
    buy: (...[wants, terms, offers]: Parameters<typeof leastCost>) => Promise.resolve(leastCost(wants, terms, offers)),
    needed: () => Promise.resolve(needed),
    wantsOf: () => Promise.resolve([]),
  }),
}));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  needed.clear();
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

/** One shop that has everything, and sends it after some days. */
const shop = (): WorkshopState => ({
  id: 'yard',
  name: 'The Yard',
  deliveryMinor: 500,
  freeFromMinor: null,
  days: 3,
  isSimulated: false,
  plays: 'none',
  askedMs: null,
  heardMs: null,
  fault: null,
  offers: [...stockedIn(CATALOGUE).values()].flatMap(({ id, packs }) =>
    packs.map((pack) => ({ stockId: id, ...pack, steps: [], stock: null, seenMs: 0, wasMinor: null })),
  ),
});
const another = () => ({
  ...{ id: OTHER_ID, name: 'Another board', revision: 1, savedAt: '2026-11-24T05:00:00.000Z', doneTasks: 0, cutSheets: 0 },
  summary: boardSummary(aStoredBoard().plan),
});
const OTHER_ID = '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c222';
async function aBuyList(answers: (asked: Asked) => { status: number; body: unknown } | null | undefined = () => undefined) {
  const store = await anOpenBoard();
  const asked = aServer((request) => {
    const own = answers(request);
    if (own !== undefined) return own;
    if (request.path.endsWith('/shops')) return { status: 200, body: { shops: [shop()], nowMs: 0 } };
    if (request.path.endsWith('/shelf')) return { status: 200, body: { moves: [] } };
    if (request.path.endsWith('/boards')) return { status: 200, body: { boards: [another()], unreadable: [] } };
    return { status: 500, body: { type: 'about:blank', title: 'Out of order', status: 500 } };
  });
  store.look(['supplies'], []);
  const list = shown(BuyTab, {});
  await vi.waitFor(() => expect(list.findAll('[data-buy]').length).toBeGreaterThan(0), { timeout: 5_000 });
  await settled();
  return { store, list, asked };
}
type List = ReturnType<typeof shown>;
const bought = (list: List): string[] => list.findAll('[data-buy]').map((row) => row.attributes('data-buy')!);
const button = (list: List, text: string) => list.findAll('button').find((one) => one.text() === text)!;

test('what is needed first stands first, sheets among it', async () => {
  const sheet = CATALOGUE.sheets.find(({ materialId }) => materialId === 'mdf')!;
  needed.set('mdf', 1_440).set('light-filler', 2 * 1_440);
  const { list } = await aBuyList();
  const order = bought(list);
  expect(order.some((id) => id.startsWith('sheets.'))).toBe(true);
  const firstSheet = order.findIndex((id) =>
    CATALOGUE.sheets.some((one) => one.materialId === sheet.materialId && `sheets.${one.id}` === id),
  );
  const filler = order.findIndex((id) => id.endsWith('.light-filler'));
  expect(firstSheet).toBeGreaterThanOrEqual(0);
  expect([firstSheet, filler]).toEqual([0, 1]);
});

test('what is ordered today says when it comes, of everything on the list', async () => {
  const { store, list } = await aBuyList();
  await button(list, 'Ordered today').trigger('click');
  const due = new Date();
  due.setDate(due.getDate() + shop().days);
  const days = new Set(store.plan!.calendar.arrivals.map(({ day }) => day));
  expect([...days]).toEqual([due.toLocaleDateString('sv')]);
  await settled();
  for (const row of list.findAll('[data-buy]'))
    expect([row.attributes('data-buy'), row.text()]).toEqual([
      row.attributes('data-buy'),
      expect.stringMatching(/arrives \w{3} \d+ \w{3}/),
    ]);
});

test('what is bought is written down once, however often it is pressed', async () => {
  const { list, asked } = await aBuyList();
  const press = list.get('[data-buy] button');
  await Promise.all([press.trigger('click'), press.trigger('click')]);
  await settled();
  const sent = asked.filter(({ method, path }) => method === 'POST' && path.endsWith('/shelf'));
  expect(sent).toHaveLength(1);
  expect((sent[0]!.body as { moves: { kind: string; stockId: string }[] }).moves.map(({ kind, stockId }) => [kind, stockId])).toEqual([
    ['bought', bought(list)[0]],
  ]);
});

test('a shelf that cannot be reached is told, and what was to be bought stays on the list', async () => {
  const { list } = await aBuyList(({ method, path }) => (method === 'POST' && path.endsWith('/shelf') ? null : undefined));
  const before = bought(list);
  await list.get('[data-buy] button').trigger('click');
  await vi.waitFor(() => expect(list.find('[role="alert"]').exists()).toBe(true));
  expect(bought(list)).toEqual(before);
  // It may be pressed again.
  await vi.waitFor(() => expect(list.get('[data-buy] button').attributes('disabled')).toBeUndefined());
});

test('another board that cannot be read is told by its name, and is not among those bought for', async () => {
  const { list } = await aBuyList(({ path }) => (path.endsWith(`/boards/${OTHER_ID}`) ? null : undefined));
  await vi.waitFor(() => expect(list.text()).toContain('Buy together with'));
  const tick = list.get<HTMLInputElement>('input[type="checkbox"]');
  await tick.setValue(true);
  await vi.waitFor(() => expect(list.get('[role="alert"]').text()).toMatch(/^Another board: /));
});
