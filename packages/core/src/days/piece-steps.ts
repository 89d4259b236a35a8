import { type Catalogue, adhesiveBy, estimated } from '../catalogue';
import type { PieceWork } from '../pieces';
import { given, reckon, total } from '../base/units';
import { type Draft, task } from './step';

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
