import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { brinefold } from '@spare-acre/core/demo';
import { anOpenBoard } from '../../testing/ground-world';
import { CATALOGUE, freshStores, someLocks } from '../../testing/world';
import { type Output, useTakeAway } from './useTakeAway';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(async () => {
  someLocks();
  freshStores();
  await anOpenBoard();
});
afterEach(() => vi.unstubAllGlobals());
const { jobs } = derivePipeline()(brinefold(CATALOGUE), CATALOGUE);
const [boards] = jobs;

test.each([
  ['sheet-svg', 'svg', '<svg'],
  ['sheet-dxf', 'dxf', 'LWPOLYLINE'],
] as const)('%s comes as %s', async (output, ending, holds) => {
  const made = await useTakeAway().make(output, boards!, 0, 'a4');
  expect(made!.ending).toBe(ending);
  expect(await made!.blob.text()).toContain(holds);
});

test('without its font a page is not made, and the reason is said', async () => {
  vi.stubGlobal('fetch', async () => new Response(null, { status: 503 }));
  const { make, fault, isMaking } = useTakeAway();
  expect(await make('sheet-pdf' satisfies Output, boards!, 0, 'a4')).toBeNull();
  expect([fault.value, isMaking.value]).toEqual(['The font for the pages could not be read from the server.', false]);
});

test('a job of plain rectangles has no shaped parts to make templates of', async () => {
  const { make, fault } = useTakeAway();
  expect(await make('templates-shaped', boards!, 0, 'letter')).toBeNull();
  expect(fault.value).toContain('plain rectangle');
});
