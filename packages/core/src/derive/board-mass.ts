import { type Catalogue, estimated, materialBy } from '../catalogue';
import type { StuffNeed } from '../coats';
import type { Part, PartList } from '../cutting';
import { type Ground, type Land, bankRunMm, bowlShare, isBowl } from '../ground';
import { type BoardStack, curedGlue } from '../stack';
import { type Figure, given, massOf, reckon, total } from '../units';

/** One layer of the finished board, by what it is made of. */
export interface LayerMass {
  readonly name: string;
  readonly mass: Figure<'g'>;
}
export interface BoardMass {
  readonly layers: readonly LayerMass[];
  readonly all: Figure<'g'>;
}

/** Mass of the finished board, layer by layer: layers less what pits take out, raised ground, rims, coverings, and what stays of adhesives and coats. */
export function boardMass(
  ground: Ground,
  stack: BoardStack,
  { parts }: PartList,
  stuffs: readonly StuffNeed[],
  catalogue: Catalogue,
): BoardMass {
  const density = (id: string): Figure<'kg/m³'> => {
    const material = materialBy(catalogue, id);
    return estimated(`${material.name}, density`, material.densityKgPerM3, 'kg/m³');
  };
  const layers = stack.base.map((layer) => {
    const name = `${materialBy(catalogue, layer.materialId).name} ${layer.thicknessMm} mm${layer.id === 'substrate' ? ', substrate' : ''}`;
    const whole = reckon(`${name}, whole`, 'mm³', ground.tableArea, '×', given(`${name}, thickness`, layer.thicknessMm, 'mm', 'plan'));
    const holes = ground.features.flatMap(({ name: pit, body }, i) => {
      const land = ground.lands[i]!;
      const takenMm = land.role === 'hole' && layer.id !== 'substrate' ? overlapMm(stack.ground.value + land.levelMm, layer) : 0;
      return takenMm <= 0
        ? []
        : [shaped(land, reckon(`${pit}, out of ${name}`, 'mm³', body, '×', given(`${pit}, depth in this layer`, takenMm, 'mm', 'plan')))];
    });
    const volume = holes.length === 0 ? whole : reckon(`${name}, left`, 'mm³', whole, '−', total(`${name}, taken by pits`, 'mm³', holes));
    return massOf(name, volume, density(layer.materialId));
  });
  const lifts = stack.raised.flatMap(({ land, materialId, buildUp }) => {
    if (buildUp === null) return [];
    const footprint = ground.features.find(({ landId }) => landId === land.id)!.body;
    const height = given(
      `${land.name}, built height`,
      buildUp.heightMm,
      'mm',
      'layout',
      `layers of ${buildUp.thicknessesMm.join(' + ')} mm`,
    );
    return [massOf(land.name, shaped(land, reckon(`${land.name}, foam`, 'mm³', footprint, '×', height)), density(materialId))];
  });
  const byPart = (stage: Part['stage']): Figure<'g'>[] =>
    parts
      .filter((part) => part.stage === stage)
      .map((part) =>
        massOf(part.name, given(`${part.name}, volume`, part.areaMm2 * part.thicknessMm, 'mm³', 'drawing'), density(part.materialId)),
      );
  const groups: readonly (readonly [string, readonly Figure<'g'>[]])[] = [
    ['Rims and battens', byPart('rim')],
    ['Raised ground', lifts],
    ['Coverings', byPart('facing')],
    ['Adhesives, cured', stack.joints.map((joint) => curedGlue(joint, catalogue))],
    ['Coats, dry', stuffs.map(({ dryMass }) => dryMass)],
  ];
  const all = [...layers, ...groups.filter(([, masses]) => masses.length > 0).map(([name, masses]) => total(name, 'g', masses))];
  return { layers: all.map((mass) => ({ name: mass.label, mass })), all: total('Mass', 'g', all) };
}

/** A volume over the whole footprint, times what share of that a slope or a bowl leaves. */
function shaped(land: Land, box: Figure<'mm³'>): Figure<'mm³'> {
  const { feature } = land;
  const share = (value: number, note: string): Figure<'mm³'> =>
    reckon(`${box.label}, as shaped`, 'mm³', box, '×', given(`${land.name}, share of a box`, value, '1', 'drawing', note));
  if (feature.kind === 'ramp') {
    const highest = Math.max(feature.fromMm, feature.toMm);
    return highest === 0 ? box : share((feature.fromMm + feature.toMm) / 2 / highest, 'mean of its two ends over the higher');
  }
  if (feature.kind === 'bank')
    return share(1 - bankRunMm(feature.shape, feature.crownMm) / feature.shape.widthMm, 'its section over its width');
  if (land.role === 'hole' && isBowl(feature))
    return share(bowlShare(feature.shape, -land.levelMm, -land.levelMm), 'a bowl, measured on its floor');
  return box;
}

/** How much of a layer lies above a pit's floor. */
function overlapMm(floorMm: number, layer: { readonly bottomMm: number; readonly topMm: number }): number {
  return Math.max(0, layer.topMm - Math.max(layer.bottomMm, floorMm));
}
