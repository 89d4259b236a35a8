import { describe, expect, test } from 'vitest';
import { brinefold, larkstone } from '../../../demo';
import { newPiece, pieceScale } from '../../../build/pieces';
import { CATALOGUE, aBoard, aMound, derived } from '../../../testing';

const plan = aBoard({ widthMm: 1200, depthMm: 600, columns: 2, rows: 1 }, aMound([650, 50, 500, 500], 60));

describe.each([
  ['Brinefold', brinefold],
  ['Larkstone', larkstone],
] as const)('%s', (_, board) => {
  const { byWorkpiece, supplies } = derived(board(CATALOGUE));
  test('what goes into all workpieces is what goes into the board, thing by thing', () => {
    for (const row of supplies.rows) {
      const own = byWorkpiece.flatMap(({ rows }) => rows).filter(({ supplyId }) => supplyId === row.id);
      const [need, used] = [own.reduce((sum, one) => sum + one.need.value, 0), own.reduce((sum, one) => sum + one.used.value, 0)];
      expect(need, row.name).toBeCloseTo(row.need.value, 6);
      expect(used, row.name).toBeCloseTo(row.used.value, 6);
    }
    expect(byWorkpiece.reduce((sum, { used }) => sum + used.value, 0)).toBeCloseTo(supplies.used.value, 5);
  });
  test('everything has a place', () => {
    expect(byWorkpiece.filter(({ workpieceId }) => workpieceId === null).flatMap(({ rows }) => rows.map(({ name }) => name))).toEqual([]);
  });
});

test('the tile with the mound takes the more', () => {
  const { byWorkpiece } = derived(plan);
  const [a, b] = ['A1', 'B1'].map((id) => byWorkpiece.find(({ workpieceId }) => workpieceId === id)!);
  expect(b!.used.value).toBeGreaterThan(a!.used.value * 1.1);
});

test('a piece takes its own sheets and its own glue', () => {
  const scale = pieceScale(plan.figureHeightMm, plan.play.baseMm, CATALOGUE);
  const shed = newPiece('shed', 'one', scale, [], CATALOGUE);
  const { rows } = derived({ ...plan, pieces: [shed] }).byWorkpiece.find(({ workpieceId }) => workpieceId === 'one')!;
  expect(rows.map(({ supplyId }) => supplyId)).toContain(shed.glueId);
  expect(rows.some(({ group }) => group === 'sheets')).toBe(true);
});

test('what faces are sealed with before they are glued goes to the tiles by their size', () => {
  const { surfaces, stack } = plan;
  const sealed = {
    ...plan,
    surfaces: surfaces.map((one) => ({ ...one, coats: [] })),
    stack: { ...stack, ground: stack.ground.map((layer) => ({ ...layer, sealed: 'both' as const })) },
  };
  const { byWorkpiece, sealing, stuffs } = derived(sealed);
  const ids = [sealing!.coating.id, ...stuffs.map(({ stuff }) => stuff.adhesiveId ?? `stuff ${stuff.id}`)];
  const own = (workpieceId: string | null) =>
    byWorkpiece
      .find((one) => one.workpieceId === workpieceId)
      ?.rows.filter(({ supplyId, group }) => group !== 'adhesive' && ids.includes(supplyId)) ?? [];
  expect(own('A1').length).toBeGreaterThan(0);
  expect(own(null)).toEqual([]);
  own('A1').forEach(({ need }, i) => expect(need.value).toBeCloseTo(own('B1')[i]!.need.value, 6));
});
