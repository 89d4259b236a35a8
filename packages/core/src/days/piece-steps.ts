import { type Catalogue, adhesiveBy, estimated, layingBy } from '../catalogue';
import type { PieceWork } from '../pieces';
import { given, reckon, total } from '../base/units';
import { type Draft, NO_WAIT, task } from './step';

/** Every piece put together: its strips cut, its joints fitted and glued, then left until it can be handled. */
export function assembleStep(pieces: readonly PieceWork[], catalogue: Catalogue): Draft {
  const name = 'Put pieces together';
  const adhesives = [...new Set(pieces.map(({ glueId }) => glueId))].map((id) => adhesiveBy(catalogue, id));
  return {
    id: 'make-pieces',
    name,
    kind: 'glue',
    setUp: catalogue.bench.glueSetUpMin,
    cautionIds: adhesives.flatMap(({ cautionIds }) => cautionIds),
    tasks: pieces.map(({ pieceId, name: piece, glueId, joints, lengthCuts }) => {
      const adhesive = adhesiveBy(catalogue, glueId);
      const fitting = reckon(
        `${piece}: joints fitted and glued`,
        'min',
        joints,
        '×',
        estimated('Each', catalogue.bench.pieceJointMin, 'min'),
      );
      const strips = reckon(
        `${piece}: strips cut`,
        'min',
        given('Cuts across strips', lengthCuts, '1', 'drawing'),
        '×',
        estimated('Each', catalogue.bench.lengthCutMin, 'min'),
      );
      const wait = estimated(`${adhesive.name}, until it can be handled`, adhesive.handleMin, 'min');
      const cure = given(`${adhesive.name}, until it has cured`, adhesive.fullMin, 'min', 'catalogue', 'workshop default; the label wins');
      return task('make-pieces', pieceId, total(`${name}, ${piece}`, 'min', [fitting, strips]), wait, cure);
    }),
  };
}

/** Surfaces of pieces clad, once they are put together: units laid and left to hold, or the surface itself worked. */
export function cladStep(pieces: readonly PieceWork[], catalogue: Catalogue): Draft {
  const own = pieces.filter(({ clads }) => clads.length > 0);
  const layings = own.flatMap(({ clads }) => clads.map(({ layingId }) => layingBy(catalogue, layingId)));
  return {
    id: 'clad-pieces',
    name: 'Clad pieces',
    kind: 'glue',
    setUp: NO_SET_UP,
    cautionIds: [...new Set(layings.flatMap(({ cautionIds }) => cautionIds))],
    tasks: own.map(({ pieceId, name, clads }) => {
      const adhesives = clads
        .flatMap(({ layingId }) => layingBy(catalogue, layingId).adhesiveId ?? [])
        .map((id) => adhesiveBy(catalogue, id));
      const work = total(
        `Clad pieces, ${name}`,
        'min',
        clads.map(({ time }) => time),
      );
      const slowest = [...adhesives].sort((a, b) => b.fullMin - a.fullMin)[0];
      if (slowest === undefined) return task('clad-pieces', pieceId, work, NO_WAIT);
      const wait = estimated(`${slowest.name}, until it can be handled`, slowest.handleMin, 'min');
      return task(
        'clad-pieces',
        pieceId,
        work,
        wait,
        given(`${slowest.name}, until it has cured`, slowest.fullMin, 'min', 'catalogue', 'workshop default; the label wins'),
      );
    }),
  };
}
/** Moulds made round a finished master, then the copies poured from them: each as its piece says. */
export const castSteps = (pieces: readonly PieceWork[]): readonly Draft[] =>
  (['Make moulds', 'Cast copies'] as const).map((name, i) => {
    const id = `cast-${i + 1}`;
    const cast = pieces.filter(({ cast: way }) => way !== null);
    return {
      id,
      name,
      kind: 'glue',
      setUp: NO_SET_UP,
      cautionIds: cast.flatMap(({ cast: way }) => way!.casting.cautionIds),
      tasks: cast.map(({ pieceId, cast: way }) => task(id, pieceId, ...way!.tasks[i]!)),
    };
  });

/** Every surface carries its own. */
const NO_SET_UP = { value: 0, low: 0, high: 0, origin: 'with each surface' };
