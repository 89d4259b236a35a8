import { type Adhesive, type Catalogue, adhesiveBy, estimated, materialBy } from '../catalogue';
import { type Figure, given, inSquareMetres, reckon, total } from '../units';
import type { Joint } from './stack';

/** What one adhesive has to cover on the whole board. */
export interface GlueNeed {
  readonly adhesiveId: string;
  readonly name: string;
  readonly mass: Figure<'g'>;
}

/** How an adhesive suits a pair of faces. */
export type GlueFit = 'holds' | 'never-dries' | 'dissolves';

/** Grams of each adhesive: glued faces × spread × loss, all faces summed first. */
export function glueNeeds(joints: readonly Joint[], catalogue: Catalogue): readonly GlueNeed[] {
  const ids = [...new Set(joints.map(({ adhesiveId }) => adhesiveId))];
  return ids.map((adhesiveId) => {
    const adhesive = adhesiveBy(catalogue, adhesiveId);
    const faces = total(
      `${adhesive.name}, glued faces`,
      'mm²',
      joints.filter((joint) => joint.adhesiveId === adhesiveId).map(({ area }) => area),
    );
    return { adhesiveId, name: adhesive.name, mass: glueMass(adhesive.name, adhesive, faces, catalogue) };
  });
}

/** Grams of an adhesive for a face. */
export function glueMass(label: string, adhesive: Adhesive, face: Figure<'mm²'>, catalogue: Catalogue): Figure<'g'> {
  const spread = estimated(`${adhesive.name}, spread`, adhesive.gPerM2, 'g/m²');
  const net = reckon(`${label}, on the faces`, 'g', inSquareMetres(face), '×', spread);
  const { value, low, high, origin } = catalogue.bench.glueLossPct;
  const loss = given(`Factor for ${value} % lost`, 1 + value / 100, '1', 'catalogue', `${origin}, ${low} to ${high} % lost`);
  return reckon(label, 'g', net, '×', loss);
}

/** Whether an adhesive can do its work between two materials, by their properties alone. @source craft.md §3 */
export function glueFit(adhesive: Adhesive, lowerMaterialId: string, upperMaterialId: string, catalogue: Catalogue): GlueFit {
  const faces = [materialBy(catalogue, lowerMaterialId), materialBy(catalogue, upperMaterialId)];
  if (adhesive.hasSolvent && faces.some((face) => face.isHurtBySolvent)) return 'dissolves';
  if (adhesive.needsWaterPath && faces.every((face) => face.waterPassage === 'no')) return 'never-dries';
  return 'holds';
}
