import { CLOCK } from '../../air';
import { type Catalogue, adhesiveBy } from '../../../catalogue';
import { type DryingPlace, type DryingPlaces, type Wait, gluePace, waitOf } from '../../drying';
import type { FixedPiece, PieceWork } from '../../../build/pieces';
import type { OnTile } from '../../../terrain/tiling';
import { listedBy } from '../../../base/grouping';
import { type Figure, total } from '../../../base/units';
import { type Draft, type TaskDraft, asks, coldest, task } from '../step';

/** What is done to pieces before they are coated, in the order of their tasks. */
const STEPS = [
  { id: 'glue-strips', name: 'Glue strips for pieces', kind: 'glue', does: 'glue', setUp: 'glueSetUpMin' },
  { id: 'cut-strips', name: 'Cut segments from strips', kind: 'cut', does: 'cut', setUp: 'cuttingSetUpMin' },
  { id: 'make-pieces', name: 'Assemble pieces', kind: 'glue', does: 'assemble', setUp: 'glueSetUpMin' },
  { id: 'clad-pieces', name: 'Clad pieces', kind: 'glue', does: 'clad', setUp: null },
  { id: 'make-moulds', name: 'Make moulds', kind: 'glue', does: 'mould', setUp: null },
  { id: 'cast-copies', name: 'Cast copies', kind: 'glue', does: 'cast', setUp: null },
] as const;

/** Every piece glued in strips, cut from them, put together, clad, and copied where it is cast: each as it says itself. Some set-ups are within the work. */
export const pieceSteps = (pieces: readonly PieceWork[], spots: DryingPlaces, catalogue: Catalogue): readonly Draft[] =>
  STEPS.map(({ id, name, kind, does, setUp }, i) => {
    const own = pieces.flatMap(({ pieceId, tasks }) => (tasks[i] == null ? [] : [{ pieceId, ...tasks[i] }]));
    return {
      id,
      name,
      kind,
      does,
      setUp: setUp === null ? NO_SET_UP : catalogue.bench[setUp],
      asks: asks({ cautionIds: own.flatMap(({ cautionIds }) => cautionIds), ...gluedWith(own, catalogue) }),
      tasks: own.map(({ pieceId, work, ...dries }) => task(id, pieceId, { work, ...driedAt(spots.at(pieceId), dries, catalogue) })),
    };
  });

/** Pieces glued down, tile by tile: from then on tile and pieces are one workpiece. */
export function fixStep(fixed: readonly (FixedPiece & OnTile)[], spots: DryingPlaces, catalogue: Catalogue): Draft {
  const tasks = [...listedBy(fixed, ({ tileId }) => tileId)].map(([tileId, own]) => {
    const work = total(
      `Glue pieces, ${tileId}`,
      'min',
      own.map((piece) => piece.work),
    );
    const slowest = own.reduce((most, piece) => (piece.wait.value > most.wait.value ? piece : most));
    const joins = [...new Set(own.map(({ pieceId }) => pieceId))];
    return task('fix-pieces', tileId, { work, ...driedAt(spots.at(tileId), slowest, catalogue), joins });
  });
  const cautionIds = fixed.flatMap((piece) => piece.cautionIds);
  return {
    id: 'fix-pieces',
    name: 'Glue pieces to their tiles',
    kind: 'glue',
    does: 'fix',
    setUp: catalogue.bench.glueSetUpMin,
    asks: asks({ cautionIds, ...gluedWith(fixed, catalogue) }),
    tasks,
  };
}
interface Dries {
  readonly wait: Figure<'min'>;
  readonly cure: Figure<'min'>;
  readonly adhesiveId: string | null;
}
/** What a piece says of its glue holds at the reference; here it is in the air of its place. */
function driedAt(spot: DryingPlace, { wait, cure, adhesiveId }: Dries, catalogue: Catalogue): Pick<TaskDraft, 'spot' | 'wait' | 'cure'> {
  const pace = adhesiveId === null ? CLOCK : gluePace(adhesiveBy(catalogue, adhesiveId), spot);
  const here = (stated: Figure<'min'>): Wait => waitOf(stated.label, stated, pace);
  return { spot, wait: here(wait), cure: here(cure) };
}
function gluedWith(
  own: readonly { readonly adhesiveId: string | null }[],
  catalogue: Catalogue,
): { readonly stockIds: readonly string[]; readonly leastC: number | null } {
  const stockIds = [...new Set(own.flatMap(({ adhesiveId }) => adhesiveId ?? []))];
  return { stockIds, leastC: coldest(stockIds.map((id) => adhesiveBy(catalogue, id).minC)) };
}
const NO_SET_UP = { value: 0, low: 0, high: 0, origin: 'with each piece' };
