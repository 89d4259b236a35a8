import { type Figure, type MeasureSystem, given, lengthText, lengthUnit, lengthWords, massOf, calculate, total } from '../../base/units';
import { memoize } from '../../base/memory';
import type { Material } from '../../catalogue/schema';
import { kindOf } from '../../plan/features';
import { type Catalogue, estimated, materialBy } from '../../catalogue';
import type { CoatingNeed } from '../../finishing/coats';
import type { Part } from '../cutting/parts';
import type { Ground, Land } from '../../terrain/ground';
import type { BoardStack } from '../stack';
import { curedGlue } from '../stack/adhesives';

/** One layer of the finished board, by what it is made of. */
export interface LayerMass {
  readonly name: string;
  readonly mass: Figure<'g'>;
}
export interface BoardMass {
  readonly layers: readonly LayerMass[];
  readonly all: Figure<'g'>;
}

interface MassInputs {
  readonly ground: Ground;
  readonly stack: BoardStack;
  readonly parts: readonly Part[];
  readonly coatings: readonly CoatingNeed[];
  readonly units: MeasureSystem;
  readonly catalogue: Catalogue;
}

/** Mass of the finished board, layer by layer: layers less what pits take out, raised ground, rims, coverings, and what stays of adhesives and coats. */
export function boardMass({ ground, stack, parts, coatings, units, catalogue }: MassInputs): BoardMass {
  const density = (id: string): Figure<'kg/m³'> => densityOf(materialBy(catalogue, id));
  const layers = stack.base.map((layer) => {
    const name = `${materialBy(catalogue, layer.materialId).name} ${lengthWords(layer.thicknessMm, units)}${layer.kind === 'substrate' ? ', substrate' : ''}`;
    const whole = calculate(`${name}, whole`, 'mm³', ground.tableArea, '×', given(`${name}, thickness`, layer.thicknessMm, 'mm', 'plan'));
    const holes = ground.features.flatMap(({ name: pit, body }, i) => {
      const land = ground.lands[i]!;
      const takenMm = land.role === 'hole' && layer.kind === 'ground' ? overlapMm(stack.ground.value + land.levelMm, layer) : 0;
      return takenMm <= 0
        ? []
        : [
            shaped(
              land,
              calculate(`${pit}, cut out of ${name}`, 'mm³', body, '×', given(`${pit}, depth in this layer`, takenMm, 'mm', 'plan')),
            ),
          ];
    });
    const volume =
      holes.length === 0 ? whole : calculate(`${name}, left`, 'mm³', whole, '−', total(`${name}, volume of pits`, 'mm³', holes));
    return massOf(name, volume, density(layer.materialId));
  });
  const bodies = new Map(ground.features.map(({ landId, body }) => [landId, body]));
  const lifts = stack.raised.flatMap(({ land, materialId, buildUp }) => {
    if (buildUp === null) return [];
    const footprint = bodies.get(land.id)!;
    const height = given(
      `${land.name}, built height`,
      buildUp.heightMm,
      'mm',
      'layout',
      `layers of ${buildUp.thicknessesMm.map((mm) => lengthText(mm, units)).join(' + ')} ${lengthUnit(units)}`,
    );
    return [massOf(land.name, shaped(land, calculate(`${land.name}, foam`, 'mm³', footprint, '×', height)), density(materialId))];
  });
  const byPart = (stage: Part['stage']): Figure<'g'>[] =>
    parts.filter((part) => part.stage === stage).map((part) => partMass(part, density(part.materialId)));
  const groups: readonly (readonly [string, readonly Figure<'g'>[]])[] = [
    ['Rims and battens', byPart('rim')],
    ['Raised ground', lifts],
    ['Coverings', byPart('facing')],
    ['Adhesives, cured', stack.joints.map((joint) => curedGlue(joint, catalogue))],
    ['Coats, dry', coatings.map(({ dryMass }) => dryMass)],
  ];
  const all = [...layers, ...groups.filter(([, masses]) => masses.length > 0).map(([name, masses]) => total(name, 'g', masses))];
  return { layers: all.map((mass) => ({ name: mass.label, mass })), all: total('Mass', 'g', all) };
}

const densityOf = memoize((material: Material): Figure<'kg/m³'> =>
  estimated(`${material.name}, density`, material.densityKgPerM3, 'kg/m³'),
);
const partMass = memoize((part: Part, density: Figure<'kg/m³'>): Figure<'g'> =>
  massOf(part.name, given(`${part.name}, volume`, part.areaMm2 * part.thicknessMm, 'mm³', 'drawing'), density),
);

/** A volume over the whole footprint, times what share of that a slope or a bowl leaves. */
function shaped(land: Land, box: Figure<'mm³'>): Figure<'mm³'> {
  const share = kindOf(land.feature).boxShare?.(land.feature, land) ?? null;
  if (share === null) return box;
  const of = given(`${land.name}, share of a box`, share.share, '1', 'drawing', share.note);
  return calculate(`${box.label}, as shaped`, 'mm³', box, '×', of);
}

/** How much of a layer lies above a pit's floor. */
function overlapMm(floorMm: number, layer: { readonly bottomMm: number; readonly topMm: number }): number {
  return Math.max(0, layer.topMm - Math.max(layer.bottomMm, floorMm));
}
