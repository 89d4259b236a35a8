import { describe, expect, test } from 'vitest';
import type { Piece, Plan } from '../../plan';
import { pieceSurface } from '../../plan/surfaces';
import { CATALOGUE, aBoard, aCoat } from '../../testing';
import { derivePipeline } from '../../pipeline';
import { type FamilyName, makePiece, newPiece } from './index';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const aPiece = (family: FamilyName, own: Partial<Piece> = {}): Piece => ({ ...newPiece(family, 'one', SCALE, [], CATALOGUE), ...own });
const made = (piece: Piece) => makePiece(piece, SCALE, CATALOGUE);
const derived = (piece: Piece, plan: Plan = aBoard()) => derivePipeline()({ ...plan, pieces: [piece] }, CATALOGUE);

describe('coats of a piece', () => {
  const paint = (count: number, coats?: Piece['coats']): number =>
    derived(aPiece('shed', { count, ...(coats === undefined ? {} : { coats }) }))
      .coats.filter(({ surfaceId }) => surfaceId === pieceSurface('one'))
      .reduce((sum, { volume }) => sum + volume.value, 0);

  test('go over its outside, every copy; a bare one takes none', () => {
    expect(paint(1)).toBeGreaterThan(0);
    expect(paint(3)).toBeCloseTo(3 * paint(1), 6);
    expect(paint(1, [])).toBe(0);
  });
  test('area ÷ coverage × share of the method, with its loss', () => {
    const piece = aPiece('basin', { coats: [aCoat('masonry-paint', 'base')] });
    const coating = CATALOGUE.coatings.find(({ id }) => id === 'masonry-paint')!;
    const method = CATALOGUE.methods.find(({ id }) => id === 'base')!;
    if (coating.spread.by !== 'coverage') throw new Error('spread otherwise');
    const m2 = made(piece).facts!.outside.value / 1e6;
    const ml = (m2 / coating.spread.m2PerL.value) * 1_000 * method.coverShare * (1 + coating.lossPct.value / 100);
    expect(derived(piece).coats.find(({ surfaceId }) => surfaceId === pieceSurface('one'))!.volume.value).toBeCloseTo(ml, 6);
  });
  test('are bought, and done on its own workpiece after it is put together; no tile is heavier for them', () => {
    const [bare, painted] = [derived(aPiece('shed', { coats: [] })), derived(aPiece('shed'))];
    const cost = ({ supplies }: typeof bare, id: string): number => supplies.rows.find((row) => row.id === id)!.need.value;
    expect(cost(painted, 'masonry-paint')).toBeGreaterThan(cost(bare, 'masonry-paint'));
    const own = painted.steps.flatMap(({ id, tasks }) =>
      tasks.filter(({ workpieceId }) => workpieceId === 'one').map((task) => ({ id, task })),
    );
    expect(own.map(({ id }) => id).indexOf('make-pieces')).toBe(1);
    expect(own.slice(2).map(({ id }) => id)).toEqual([
      'masonry-paint-base-1',
      'craft-acrylic-overbrush-1',
      'wash-wash-1',
      'pale-acrylic-drybrush-1',
      'matt-varnish-varnish-1',
    ]);
    expect(own[2]!.task.after[0]!.taskId).toBe('make-pieces-one');
    expect(painted.tiles.map(({ mass }) => mass.value)).toEqual(bare.tiles.map(({ mass }) => mass.value));
    expect(painted.tally.mass.value).toBeGreaterThan(bare.tally.mass.value);
  });
});

describe('cast copies', () => {
  const column = (count: number, castingId: string | null): Piece => aPiece('column', { count, castingId });
  test('the master is cut and glued, the others are poured; there is nothing to cast of one', () => {
    const [all, cast, one] = [column(8, null), column(8, 'plaster-in-silicone'), column(1, 'plaster-in-silicone')].map(made);
    expect(cast!.parts.length * 8).toBe(all!.parts.length);
    expect(cast!.facts!.joints.value * 8).toBeCloseTo(all!.facts!.joints.value, 9);
    expect(one!.copying).toBeNull();
    expect(one!.parts.length).toBe(cast!.parts.length);
  });
  test('a copy of a block 40 × 30 × 10 weighs its volume in plaster; 61 copies take two moulds of 60', () => {
    const block = (count: number): Piece =>
      aPiece('own-outline', {
        count,
        castingId: 'plaster-in-silicone',
        settings: { outline: '0,0 40,0 40,30 0,30', layers: 1 },
        sheets: aPiece('own-outline').sheets.map((sheet) => ({ ...sheet, thicknessMm: 10 })),
      });
    const { way } = made(block(8)).copying!;
    // 12 ml of 1.5 g, and 10 % left in the bowl
    expect(way!.cast.value / 7).toBeCloseTo(12 * 1.5 * 1.1, 6);
    // a box 8 mm wider on every side but the open one, less the block: 56 × 46 × 18 − 12,000 mm³
    expect(way!.mould.value).toBeCloseTo(((56 * 46 * 18 - 12_000) / 1_000) * 1.2 * 1.1, 6);
    expect(way!.moulds.value).toBe(1);
    const many = made(block(62)).copying!.way!;
    expect(many.moulds.value).toBe(2);
    // one after another from each of two moulds
    expect(many.tasks[1][1].value).toBe(31 * 40);
  });
  test('what it takes is bought, what it takes of time stands in the days, and the mass follows', () => {
    const [byHand, cast] = [derived(column(8, null)), derived(column(8, 'plaster-in-silicone'))];
    expect(byHand.supplies.rows.some(({ group }) => group === 'casting')).toBe(false);
    expect(cast.supplies.rows.filter(({ group }) => group === 'casting').map(({ name }) => name)).toEqual([
      'Mould silicone',
      'Casting plaster',
    ]);
    const ids = cast.steps.filter(({ tasks }) => tasks.some(({ workpieceId }) => workpieceId === 'one')).map(({ id }) => id);
    expect(ids.indexOf('make-moulds')).toBeGreaterThan(ids.indexOf('make-pieces'));
    expect(ids.indexOf('cast-copies')).toBe(ids.indexOf('make-moulds') + 1);
    expect(ids.indexOf('masonry-paint-base-1')).toBeGreaterThan(ids.indexOf('cast-copies'));
    expect(cast.tally.mass.value).toBeGreaterThan(byHand.tally.mass.value);
    // One mould made in 45 minutes cures for half a day; seven copies of 7 minutes set for 40 one after another.
    const task = (id: string) => cast.steps.find((step) => step.id === id)!.tasks[0]!;
    expect([task('make-moulds').work.value, task('make-moulds').wait.usual!.value]).toEqual([45, 720]);
    expect([task('cast-copies').work.value, task('cast-copies').wait.usual!.value]).toEqual([7 * 7, 7 * 40]);
  });
  test('of many the copies are quicker cast than made; of two they are not worth a mould', () => {
    const faster = (count: number): boolean => {
      const { byHand, ways } = made(aPiece('shed', { count })).copying!;
      return ways[0]!.time.value < byHand.time.value;
    };
    expect([faster(40), faster(2)]).toEqual([true, false]);
  });
});
test('rubble of a heap is on the buy list in its three grades, all copies, and weighs', () => {
  const { supplies, tally } = derived(aPiece('heap', { count: 2 }));
  const rows = supplies.rows.filter(({ group }) => group === 'fills');
  expect(rows.map(({ name }) => name)).toEqual(['Broken plaster, coarse', 'Stones of 6 to 8 mm', 'Sand with grout, fine']);
  const one = derived(aPiece('heap')).supplies.rows.filter(({ group }) => group === 'fills');
  rows.forEach(({ need }, i) => expect(need.value).toBeCloseTo(2 * one[i]!.need.value, 9));
  const all = one.reduce((sum, { need }) => sum + need.value, 0);
  expect(one.map(({ need }) => need.value / all)).toEqual([expect.closeTo(0.45, 9), expect.closeTo(0.35, 9), expect.closeTo(0.2, 9)]);
  expect(tally.mass.value).toBeGreaterThan(derived(aPiece('heap')).tally.mass.value);
});
