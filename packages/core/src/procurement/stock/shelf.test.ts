import { expect, test } from 'vitest';
import { CATALOGUE, aBoard, derived } from '../../testing';
import { derivePipeline } from '../../pipeline';
import { EMPTY_WORKSHOP } from '../../plan/workshop';
import { type StockTransaction, freeFor, shelfOf, spentOn, stockedIn } from './index';

const GLUE = 'adhesives.white-glue';
let next = 0;
const move = (kind: StockTransaction['kind'], amount: number, more: Partial<StockTransaction> = {}): StockTransaction => ({
  id: `m${next++}`,
  stockId: GLUE,
  kind,
  amount,
  day: '2026-11-01',
  boardId: null,
  paidMinor: null,
  note: '',
  ...more,
});
const glueAfter = (moves: readonly StockTransaction[], today = '2026-11-02') => shelfOf(moves, CATALOGUE, today)[0]!;

test('what was bought and found is there, what was used and thrown away is not, and a count puts all of it right', () => {
  const moves = [move('bought', 1_000), move('found', 200), move('used', 300), move('thrown', 100)];
  expect(glueAfter(moves).amount).toBe(800);
  expect(glueAfter([...moves, move('counted', 650)]).amount).toBe(650);
  expect(glueAfter([...moves, move('used', 5_000), move('bought', 100)]).amount).toBe(100);
});

test('what is reserved for a board is for no other, and is used up first by itself', () => {
  const moves = [move('bought', 1_000), move('kept', 600, { boardId: 'a' })];
  const shelf = shelfOf(moves, CATALOGUE, '2026-11-02');
  expect([freeFor(shelf, 'a')[GLUE], freeFor(shelf, 'b')[GLUE], freeFor(shelf, null)[GLUE]]).toEqual([1_000, 400, 400]);
  const used = shelfOf([...moves, move('used', 600, { boardId: 'a' })], CATALOGUE, '2026-11-02');
  expect([freeFor(used, 'a')[GLUE], freeFor(used, 'b')[GLUE]]).toEqual([400, 400]);
  // Two that keep more than there is have it in the order in which they asked.
  const both = shelfOf([...moves, move('kept', 900, { boardId: 'b' })], CATALOGUE, '2026-11-02');
  expect([...both[0]!.kept]).toEqual([
    ['a', 600],
    ['b', 400],
  ]);
});

test('old liquid mask is told, sooner once it was opened; a fresh bottle is not', () => {
  const mask = (moves: readonly StockTransaction[], today: string) =>
    shelfOf(
      moves.map((one) => ({ ...one, stockId: 'coatings.masking-fluid' })),
      CATALOGUE,
      today,
    )[0]!.tooOld;
  expect(mask([move('bought', 50)], '2027-05-01')).toBeNull();
  expect(mask([move('bought', 50), move('opened', 0)], '2027-06-01')).toMatch(/open for 212 days/);
  expect(mask([move('bought', 50)], '2028-12-01')).toMatch(/keeps for about 540 days/);
  expect(
    mask([move('bought', 50), move('opened', 0), move('thrown', 50), move('bought', 50, { day: '2027-05-01' })], '2027-06-01'),
  ).toBeNull();
});

test('everything a board buys stands in the list of what can lie on a shelf, in the same unit', () => {
  const { supplies } = derivePipeline()(aBoard(), CATALOGUE);
  const rows = supplies.rows.filter(({ stockId }) => stockId !== null);
  expect(rows.length).toBeGreaterThan(3);
  for (const { stockId, need } of rows) expect(stockedIn(CATALOGUE).get(stockId!)?.unit, stockId!).toBe(need.unit);
});
test('a thing on the shelf says by what work asks for it: a sheet by its material, all else by its own entry', () => {
  const { steps } = derivePipeline()(aBoard(), CATALOGUE);
  const all = [...stockedIn(CATALOGUE).values()];
  const asked = new Set(steps.flatMap(({ asks }) => asks.stockIds));
  for (const materialId of CATALOGUE.sheets.map((sheet) => sheet.materialId))
    expect(all.some(({ kind, usedAs }) => kind === 'sheets' && usedAs === materialId)).toBe(true);
  for (const { id, kind, entryId, usedAs } of all.filter((one) => one.kind !== 'sheets' && one.kind !== 'castings'))
    expect([usedAs, `${kind}.${entryId}`]).toEqual([entryId, id]);
  expect(all.some(({ kind, usedAs }) => kind === 'sheets' && asked.has(usedAs))).toBe(true);
  expect(all.some(({ kind, usedAs }) => kind === 'adhesives' && asked.has(usedAs))).toBe(true);
});

test('what is on the shelf is not bought; what goes in costs what it did', () => {
  const plan = aBoard();
  const derive = derivePipeline();
  const glueOf = (shelf: Readonly<Record<string, number>>) =>
    derive(plan, CATALOGUE, { ...EMPTY_WORKSHOP, shelf }).supplies.rows.find(({ stockId }) => stockId === GLUE)!;
  const [without, some, all] = [glueOf({}), glueOf({ [GLUE]: 100 }), glueOf({ [GLUE]: 1e6 })];
  expect(without.onShelf).toBeNull();
  expect(some.onShelf?.value).toBe(100);
  expect(some.buy.value).toBeLessThanOrEqual(without.buy.value);
  expect([all.buy.value, all.onShelf!.value]).toEqual([0, all.need.value]);
  expect(all.used.value).toBeCloseTo(without.used.value, 6);
});

test('what was paid for a board stands beside what was planned for it', () => {
  const { supplies } = derived(aBoard());
  const glue = supplies.rows.find(({ stockId }) => stockId === GLUE)!;
  const moves = [
    move('bought', 1_000, { boardId: 'a', paidMinor: glue.planned.value + 150 }),
    move('bought', 500, { boardId: 'b', paidMinor: 9_999 }),
    move('bought', 1, { boardId: 'a', stockId: 'stuffs.plaster', paidMinor: 420 }),
    move('bought', 1, { boardId: 'a', stockId: 'stuffs.plaster' }),
    move('used', 300, { boardId: 'a' }),
  ];
  const spent = spentOn('a', moves, supplies.rows, (id) => `the ${id}`);
  expect(spent.rows.slice(0, 2)).toEqual([
    { name: 'the stuffs.plaster', plannedMinor: 0, paidMinor: 420, plannedOfBoughtMinor: 0 },
    { name: glue.name, plannedMinor: glue.planned.value, paidMinor: glue.planned.value + 150, plannedOfBoughtMinor: glue.planned.value },
  ]);
  expect(spent.rows.slice(2).every(({ paidMinor }) => paidMinor === null)).toBe(true);
  expect(spent).toMatchObject({ paidMinor: glue.planned.value + 570, plannedOfBoughtMinor: glue.planned.value, unpriced: 1 });
  expect(spent.plannedMinor).toBeCloseTo(supplies.buy.value, 6);
  // A third of what it takes stands against a third of the money.
  const third = spentOn('a', [move('bought', glue.need.value / 3, { boardId: 'a', paidMinor: 50 })], supplies.rows, (id) => id);
  expect(third).toMatchObject({ paidMinor: 50, plannedOfBoughtMinor: Math.round(glue.planned.value / 3) });
});

test('what is planned for a thing is the same however much of it lies on the shelf', () => {
  const [bare, stocked] = [0, 200].map((grams) => derived(aBoard(), { ...EMPTY_WORKSHOP, shelf: { [GLUE]: grams } }).supplies);
  const planned = (of: typeof bare) => of!.rows.map((row) => row.planned.value);
  expect(planned(stocked)).toEqual(planned(bare));
});
