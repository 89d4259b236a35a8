import type { Catalogue } from '../catalogue';
import type { FixedPiece, PieceWork } from '../pieces';
import type { OnTile } from '../tiling';
import { listedBy } from '../base/grouping';
import { total } from '../base/units';
import { type Draft, task } from './step';

/** What is done to pieces before they are coated, in the order of their tasks. */
const STEPS = [
  ['make-pieces', 'Put pieces together'],
  ['clad-pieces', 'Clad pieces'],
  ['make-moulds', 'Make moulds'],
  ['cast-copies', 'Cast copies'],
] as const;

/** Every piece put together, clad, and copied where it is cast: each as it says itself. Only the first has a set-up; the others carry their own. */
export const pieceSteps = (pieces: readonly PieceWork[], { bench }: Catalogue): readonly Draft[] =>
  STEPS.map(([id, name], i) => {
    const own = pieces.flatMap(({ pieceId, tasks }) => (tasks[i] == null ? [] : [{ pieceId, ...tasks[i] }]));
    return {
      id,
      name,
      kind: 'glue',
      setUp: i === 0 ? bench.glueSetUpMin : NO_SET_UP,
      cautionIds: own.flatMap(({ cautionIds }) => cautionIds),
      tasks: own.map(({ pieceId, work, wait, cure }) => task(id, pieceId, work, wait, cure)),
    };
  });

/** Pieces glued down, tile by tile: from then on tile and pieces are one workpiece. */
export function fixStep(fixed: readonly (FixedPiece & OnTile)[], { bench }: Catalogue): Draft {
  const tasks = [...listedBy(fixed, ({ tileId }) => tileId)].map(([tileId, own]) => {
    const work = total(
      `Fix pieces, ${tileId}`,
      'min',
      own.map((piece) => piece.work),
    );
    const slowest = own.reduce((most, piece) => (piece.wait.value > most.wait.value ? piece : most));
    const joins = [...new Set(own.map(({ pieceId }) => pieceId))];
    return { ...task('fix-pieces', tileId, work, slowest.wait, slowest.cure), joins };
  });
  const cautionIds = fixed.flatMap((piece) => piece.cautionIds);
  return { id: 'fix-pieces', name: 'Fix pieces to their tiles', kind: 'glue', setUp: bench.glueSetUpMin, cautionIds, tasks };
}
const NO_SET_UP = { value: 0, low: 0, high: 0, origin: 'with each piece' };
