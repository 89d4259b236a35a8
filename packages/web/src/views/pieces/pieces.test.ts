import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { derivePipeline } from '@spare-acre/core/pipeline';
import type { Piece } from '@spare-acre/core/plan';
import NoTable from '../../app/NoTable.vue';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { CATALOGUE, freshStores, someLocks } from '../../testing/world';
import { Answering, applyAnswer } from '../../workers/answering';
import PieceCladding from './PieceCladding.vue';
import PieceCounting from './PieceCounting.vue';
import PieceFactList from './PieceFactList.vue';
import PiecePanel from './PiecePanel.vue';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

type Store = Awaited<ReturnType<typeof anOpenBoard>>;
const pieceIn = (store: Store, id = 'boiling-house'): Piece => store.plan!.pieces.find((piece) => piece.id === id)!;
/** What the bench is told of a piece, as the worker would answer. */
function onBench(store: Store, id = 'boiling-house') {
  const look = { slices: ['bench'], chosen: [id] } as const;
  return applyAnswer({}, new Answering().answer(derivePipeline()(store.plan!, CATALOGUE), look)).bench![0]!;
}
const named = (wrapper: ReturnType<typeof shown>, label: string) => {
  const field = wrapper.findAll('.field').find((one) => one.find('label').text() === label);
  if (field === undefined) throw new Error(`no field ${label}`);
  return field.find('select, input');
};
async function type(wrapper: ReturnType<typeof shown>, label: string, value: string): Promise<void> {
  const input = named(wrapper, label);
  await input.setValue(value);
  await input.trigger('keydown', { key: 'Enter' });
  await input.trigger('change');
}
const key = (wrapper: ReturnType<typeof shown>, text: string) => wrapper.findAll('button').find((one) => one.text() === text)!;

describe('cladding', () => {
  test('every surface of the family is asked for; what is chosen is laid in its usual way, or left bare again', async () => {
    const store = await anOpenBoard();
    const panel = shown(PieceCladding, { piece: pieceIn(store), clads: onBench(store).clads });
    expect(panel.findAll('.field label').map((one) => one.text())).toEqual(['Walls outside', 'Roof', 'Floor']);
    await named(panel, 'Floor').setValue('flags');
    expect(pieceIn(store).cladding).toContainEqual({ shows: 'floor', claddingId: 'flags', layingId: 'one-by-one' });
    await named(panel, 'Roof').setValue('');
    expect(pieceIn(store).cladding.map(({ shows }) => shows)).not.toContain('roof');
  });

  test('the ways stand side by side; another is taken by its button', async () => {
    const store = await anOpenBoard();
    const panel = shown(PieceCladding, { piece: pieceIn(store), clads: onBench(store).clads });
    const rows = panel.findAll('tbody tr').map((row) => row.text());
    expect(rows.some((row) => row.startsWith('On paper sheets first') && row.includes('in use'))).toBe(true);
    await panel.find('button[aria-label="Use it: Rolled or stamped, Walls outside"]').trigger('click');
    expect(pieceIn(store).cladding).toContainEqual({ shows: 'walls', claddingId: 'small-bricks', layingId: 'rolled' });
  });
});

describe('sizes', () => {
  test('what cannot be is told and not taken; what can be is', async () => {
    const store = await anOpenBoard();
    const panel = shown(PiecePanel, { piece: pieceIn(store) });
    await type(panel, 'Door, height', '90');
    expect(panel.text()).toMatch(/Enter|Use/);
    expect(pieceIn(store).settings['doorHeightMm']).not.toBe(90);
    await type(panel, 'Width in bases', '6');
    expect(pieceIn(store).settings['basesWide']).toBe(6);
    expect(store.plan!.pieces.map(({ id }) => id)).toContain('boiling-house');
  });

  test('taken off its plot, and stood on another', async () => {
    const store = await anOpenBoard();
    const panel = shown(PiecePanel, { piece: pieceIn(store) });
    const plotOf = (): string[] =>
      store.plan!.features.flatMap((feature) => ('pieceId' in feature && feature.pieceId === 'boiling-house' ? [feature.name] : []));
    expect(plotOf()).toEqual(['Boiling house']);
    await named(panel, 'Place').setValue('');
    expect(plotOf()).toEqual([]);
  });

  test('removed, its plot is empty and its view is told', async () => {
    const store = await anOpenBoard();
    const panel = shown(PiecePanel, { piece: pieceIn(store) });
    await key(panel, 'Remove').trigger('click');
    expect(pieceIn(store)).toBeUndefined();
    expect(panel.emitted('gone')).toHaveLength(1);
  });
});

test('a set is counted for the table; what does not go on it is told', async () => {
  const store = await anOpenBoard();
  const walls: Piece = { ...pieceIn(store), id: 'set', name: 'Set', family: 'walls', settings: WALLS, sheets: [], lengths: [] };
  store.edit({ code: 'pieces/add', pieces: [walls], why: 'Add' });
  const panel = shown(PieceCounting, { piece: pieceIn(store, 'set') });
  // Brinefold is 1500 × 1000 mm: 15 × 10 segments in two compounds
  await key(panel, 'Count').trigger('click');
  expect(pieceIn(store, 'set').settings).toMatchObject({ corners: 4, tees: 2, crosses: 0, gates: 2, straights: 2 * 13 + 3 * 9 - 2 });
  await type(panel, 'Width', '100');
  await key(panel, 'Count').trigger('click');
  expect(panel.find('[role=alert]').text()).toContain('Compounds across');
});
const WALLS: Piece['settings'] = {
  segmentMm: 100,
  heightMm: 28,
  straights: 1,
  gates: 0,
  loopholed: 0,
  corners: 0,
  tees: 0,
  crosses: 0,
  steps: 0,
  brokenEnds: 0,
  stepMm: 5,
  gateMm: 30,
  gateHeightMm: 20,
  posts: 'none',
  coping: false,
  copingOutMm: 1,
  seed: 1,
};

test('facts are read off with their units', async () => {
  const store = await anOpenBoard();
  const text = shown(PieceFactList, { made: onBench(store, 'windpump') }).text();
  expect(text).toContain('Bevel of every wall22.5°');
  expect(text).toMatch(/Mass\d+/);
});

test('a lot without a table says so, and a table can be laid under it', async () => {
  const store = await anOpenBoard();
  store.edit({ code: 'table/split', columnWidthsMm: [], rowDepthsMm: [] });
  const page = shown(NoTable, {});
  await key(page, 'Add a table').trigger('click');
  expect(store.plan!.table).toMatchObject({ columnWidthsMm: [600], rowDepthsMm: [600] });
});
