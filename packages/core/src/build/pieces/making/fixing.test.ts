import { describe, expect, test } from 'vitest';
import type { Feature } from '../../../plan/features';
import type { Piece } from '../../../plan';
import { type Derivation, derivePipeline } from '../../../pipeline';
import { CATALOGUE, aBoard, aPlot } from '../../../testing';
import { newPiece } from '../index';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const shed = (isFixed: boolean): Piece => ({ ...newPiece('shed', 'shed', SCALE, [], CATALOGUE), name: 'Shed', isFixed });
/** On a table of two tiles, their seam at 600 mm. */
const derived = (piece: Piece, ...leftMm: readonly number[]): Derivation => {
  const plots = leftMm.map((left, i) => ({ ...aPlot([left, 100, 160, 160], 60, `plot-${i}`), pieceId: piece.id }) as Feature);
  return derivePipeline()({ ...aBoard({}, ...plots), pieces: [piece] }, CATALOGUE);
};
const tileOf = ({ tiles }: Derivation, id: string) => tiles.find(({ tileId }) => tileId === id)!;
const task = ({ steps }: Derivation, step: string, workpiece: string) =>
  steps.find(({ id }) => id === step)?.tasks.find(({ workpieceId }) => workpieceId === workpiece);

describe('a piece that is glued to its tile', () => {
  const [loose, fixed] = [derived(shed(false), 100), derived(shed(true), 100)];

  test('comes to it when it is made and the ground is shaped, and is coated after', () => {
    expect(task(loose, 'fix-pieces', 'A1')).toBeUndefined();
    const own = task(fixed, 'fix-pieces', 'A1')!;
    expect(own.after.map(({ taskId }) => taskId)).toEqual([expect.stringMatching(/-A1$/), 'make-pieces-shed']);
    const coats = fixed.steps.flatMap(({ tasks }) => tasks).filter(({ after }) => after.some(({ taskId }) => taskId === own.id));
    expect(coats.map(({ workpieceId }) => workpieceId).sort()).toEqual(['A1', 'shed']);
  });
  test('is never planned before it is made, whatever order the evenings take', () => {
    const { slots } = fixed.days;
    expect(slots.some(({ task }) => task.joins.length > 0)).toBe(true);
    const endOf = new Map(slots.map((slot) => [slot.task.id, slot.endMin]));
    for (const { task, startMin } of slots)
      for (const { taskId } of task.after) expect(startMin).toBeGreaterThanOrEqual(endOf.get(taskId)! - 1e-6);
  });
  test('is weighed and stored with its tile', () => {
    const [without, with_] = [tileOf(loose, 'A1'), tileOf(fixed, 'A1')];
    const made = fixed.pieces.made[0]!;
    expect(with_.mass.value - without.mass.value).toBeCloseTo(made.facts!.mass.value, 6);
    expect(with_.tall.value - without.tall.value).toBeCloseTo(made.facts!.sizes[0]!.high.value, 0);
    expect(tileOf(fixed, 'B1').mass.value).toBeCloseTo(tileOf(loose, 'B1').mass.value, 9);
  });
  test('takes glue for what of it touches the ground', () => {
    const glue = ({ pieces }: Derivation): number => pieces.glues.reduce((sum, { mass }) => sum + mass.value, 0);
    const adhesive = CATALOGUE.adhesives.find(({ id }) => id === fixed.pieces.made[0]!.piece.glueId)!;
    const mm2 = ((glue(fixed) - glue(loose)) / adhesive.gPerM2.value) * 1e6;
    const { wide, deep } = fixed.pieces.made[0]!.facts!.sizes[0]!;
    expect(mm2).toBeGreaterThan(200);
    expect(mm2).toBeLessThan(wide.value * deep.value);
  });
  test('glues two of one piece down where each stands', () => {
    const both = derived({ ...shed(true), count: 2 }, 100, 800);
    expect(both.steps.find(({ id }) => id === 'fix-pieces')!.tasks.map(({ workpieceId }) => workpieceId)).toEqual(['A1', 'B1']);
  });
  test('over a seam stops the tiles from parting: it is moved onto one, or lifts off', () => {
    const over = derived(shed(true), 560);
    const warning = over.warnings.find(({ code }) => code === 'piece/over-seam')!;
    expect(warning.text.join('')).toContain('A1, B1');
    expect(warning.mends.map(({ edit }) => edit.code)).toEqual(['feature/move', 'piece/change']);
    const move = warning.mends[0]!.edit as { readonly dxMm: number };
    const moved = derived(shed(true), 560 + move.dxMm);
    expect(moved.warnings.filter(({ code }) => code === 'piece/over-seam')).toEqual([]);
    expect(derived(shed(false), 560).warnings.filter(({ code }) => code === 'piece/over-seam')).toEqual([]);
  });
});
