import type { Region } from '../../../base/geometry';
import { memoize } from '../../../base/memory';
import { type Figure, given, inSquareMetres, calculate } from '../../../base/units';
import { type Catalogue, adhesiveBy, estimated } from '../../../catalogue';
import type { Feature } from '../../../plan/features';
import { touchingMm2 } from '../../shell';
import type { MadePiece } from './made';
import { type PieceTask, driedOf } from './work';

/** A piece glued down on its plot. */
export interface FixedPiece extends PieceTask {
  readonly featureId: string;
  readonly pieceId: string;
  readonly name: string;
  readonly ground: Region;
  readonly mass: Figure<'g'>;
  readonly high: Figure<'mm'>;
  readonly adhesiveId: string;
  readonly glue: Figure<'g'>;
}

interface Set {
  readonly made: MadePiece;
  readonly ground: Region;
  readonly highMm: number;
}
/** What gluing down one copy takes: glue for what touches the ground. */
export const fixedOn = memoize((plot: Feature, { made, ground, highMm }: Set, catalogue: Catalogue): FixedPiece => {
  const { piece, facts, objects } = made;
  const adhesive = adhesiveBy(catalogue, piece.glueId);
  const label = `${piece.name}, on ${plot.name}`;
  const face = given(`${label}: contact area`, touchingMm2(objects[0]!.bodies), 'mm²', 'drawing', 'undersides at the foot');
  return {
    featureId: plot.id,
    pieceId: piece.id,
    name: piece.name,
    ground,
    mass: facts!.mass,
    high: given(`${piece.name}, over its foot`, highMm, 'mm', 'drawing'),
    glue: calculate(
      `${adhesive.name}, ${label}`,
      'g',
      inSquareMetres(face),
      '×',
      estimated('Spread per square metre', adhesive.gPerM2, 'g/m²'),
    ),
    work: estimated(`Glue ${label}`, catalogue.bench.pieceFixMin, 'min'),
    ...driedOf(adhesive),
    cautionIds: adhesive.cautionIds,
  };
});
