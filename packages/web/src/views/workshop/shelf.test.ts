import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { StockTransaction } from '@spare-acre/core/procurement/stock';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { CATALOGUE_ANSWER, aServer, freshStores, settled, someLocks } from '../../testing/world';
import ShelfTab from './ShelfTab.vue';

let moves: StockTransaction[];
let isAway: boolean;
beforeEach(() => {
  [moves, isAway] = [[], false];
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

async function aShelf() {
  const asked = aServer(({ method, path, body }) => {
    if (path.endsWith('/catalogue')) return { status: 200, body: CATALOGUE_ANSWER };
    if (path.endsWith('/rack')) return { status: 200, body: { offcuts: [] } };
    if (isAway) return null;
    if (method === 'POST') moves = [...moves, ...(body as { moves: StockTransaction[] }).moves];
    if (method === 'DELETE') moves = moves.filter(({ id }) => !path.endsWith(id));
    return { status: 200, body: { moves } };
  });
  await useCatalogue().load();
  const tab = mount(ShelfTab);
  await settled();
  return { tab, asked };
}
type Tab = Awaited<ReturnType<typeof aShelf>>['tab'];
const input = (tab: Tab, label: string) => {
  const found = tab.findAll('label').find((one) => one.text().startsWith(label))!;
  const id = found.attributes('for');
  return id === undefined ? found.find<HTMLInputElement>('input') : tab.get<HTMLSelectElement>(`[id="${id}"]`);
};
const submit = (tab: Tab) => tab.get('form').trigger('submit');
const alert = (tab: Tab): string => tab.get('[role="alert"]').text();
const there = (tab: Tab): string[][] =>
  tab.findAll('[data-testid="shelf"] tbody tr').map((row) => row.findAll('td').map((cell) => cell.text()));

test('what is bought is there with its unit, once for two presses; what is used is taken off it', async () => {
  const { tab } = await aShelf();
  expect(tab.text()).toContain('The shelf is empty.');
  await input(tab, 'Item').setValue('adhesives.white-glue');
  await input(tab, 'Amount').setValue('750');
  await input(tab, 'Paid').setValue('4.20');
  await Promise.all([submit(tab), submit(tab)]);
  await vi.waitFor(() => expect(there(tab)).toHaveLength(1));
  expect(moves.map(({ kind, amount, paidMinor }) => [kind, amount, paidMinor])).toEqual([['bought', 750, 420]]);
  expect(there(tab)[0]![1]).toMatch(/^750\s?g$/);
  expect(input(tab, 'Amount').element.value).toBe('');

  await input(tab, 'Change').setValue('used');
  expect(tab.text()).not.toContain('Paid');
  await input(tab, 'Amount').setValue('500');
  await submit(tab);
  await vi.waitFor(() => expect(there(tab)[0]![1]).toMatch(/^250\s?g$/));
  await tab.findAll('[data-testid="moves"] button')[0]!.trigger('click');
  await vi.waitFor(() => expect(there(tab)[0]![1]).toMatch(/^750\s?g$/));
});

test('nothing chosen, no number, and money that is none are refused in words; nothing is sent', async () => {
  const { tab } = await aShelf();
  await submit(tab);
  expect(alert(tab)).toContain('Choose an item first');
  await input(tab, 'Item').setValue('adhesives.white-glue');
  await input(tab, 'Amount').setValue('a tub');
  await submit(tab);
  expect(alert(tab)).toContain('a tub');
  await input(tab, 'Amount').setValue('250');
  await input(tab, 'Paid').setValue('-3');
  await submit(tab);
  expect(alert(tab)).toContain('Paid');
  expect(moves).toEqual([]);
});

test('a server that is away is told, and what was typed stays to be sent again', async () => {
  const { tab } = await aShelf();
  await input(tab, 'Item').setValue('adhesives.white-glue');
  await input(tab, 'Amount').setValue('250');
  isAway = true;
  await submit(tab);
  await vi.waitFor(() => expect(tab.find('[role="alert"]').exists()).toBe(true));
  expect(input(tab, 'Amount').element.value).toBe('250');
  isAway = false;
  await submit(tab);
  await vi.waitFor(() => expect(there(tab)).toHaveLength(1));
});
