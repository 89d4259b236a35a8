import { type Catalogue, thicknessesOf } from '../catalogue';
import { type Ground, type Land, isBowl } from '../ground';
import type { Plan } from '../plan';
import { type Figure, given, reckon, total } from '../units';
import { type BuildUp, buildUp } from './build-up';

/** One layer under the whole table, heights over the datum (top of the substrate; the substrate lies below 0). */
export interface BaseLayer {
  readonly id: string;
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly bottomMm: number;
  readonly topMm: number;
  /** Adhesive to what is below; null when nothing is. */
  readonly glueId: string | null;
}
/** Raised ground as layers of stock. */
export interface RaisedStack {
  readonly land: Land;
  readonly materialId: string;
  readonly buildUp: BuildUp | null;
}
/** A face glued to another: where, what lies on what, and how much of it on the whole table. */
export interface Joint {
  readonly id: string;
  readonly label: string;
  readonly featureId: string | null;
  /** The step of a feature that is glued down; null in the base. */
  readonly landId: string | null;
  readonly lowerMaterialId: string;
  readonly upperMaterialId: string;
  readonly adhesiveId: string;
  readonly area: Figure<'mm²'>;
}
export interface BoardStack {
  /** Bottom to top, the substrate first when there is one. */
  readonly base: readonly BaseLayer[];
  /** Height of the ground over the datum. */
  readonly ground: Figure<'mm'>;
  readonly raised: readonly RaisedStack[];
  readonly joints: readonly Joint[];
}

/** A pit within this of a layer's underside has gone through the layer. */
const THROUGH_MM = 0.05;

/** Third stage: layers and the joints between them. */
export function stackUp(plan: Plan, ground: Ground, catalogue: Catalogue): BoardStack {
  const base = baseLayers(plan);
  const height = total(
    'Ground over the substrate',
    'mm',
    plan.stack.ground.map((layer, i) => given(`Ground layer ${i + 1}`, layer.thicknessMm, 'mm', 'plan')),
  );
  const stockMm = thicknessesOf(catalogue, plan.stack.raised.materialId);
  const { value: toleranceMm } = catalogue.bench.raisedToleranceMm;
  // Most mounds share a few heights; each is solved once.
  const solved = new Map<number, BuildUp | null>();
  const solve = (heightMm: number): BuildUp | null => {
    if (!solved.has(heightMm)) solved.set(heightMm, buildUp(heightMm, stockMm, toleranceMm));
    return solved.get(heightMm)!;
  };
  const raised = ground.lands
    .filter(({ role, body }) => role === 'mass' && body.rings.length > 0)
    .map((land) => ({ land, materialId: plan.stack.raised.materialId, buildUp: solve(land.levelMm - land.baseMm) }));
  const joints = [...baseJoints(base, ground, height.value), ...raised.flatMap((stack) => raisedJoints(plan, stack, ground))];
  return { base, ground: height, raised, joints };
}

/** How high each mass comes out of stock over the ground, its foot counted, mm; as drawn where no stock makes it. */
export function builtHeights(raised: readonly RaisedStack[]): (land: Land) => number {
  const tops = new Map<string, number>();
  const feet = [...raised].sort((a, b) => a.land.baseMm - b.land.baseMm);
  for (const { land, buildUp: built } of feet) {
    const host = feet.find(({ land: other }) => other !== land && other.levelMm === land.baseMm && tops.has(other.id));
    const footMm = land.baseMm === 0 || host === undefined ? land.baseMm : tops.get(host.land.id)!;
    tops.set(land.id, built === null ? land.levelMm : footMm + built.heightMm);
  }
  return (land) => tops.get(land.id) ?? land.levelMm;
}

/** Whether a pit of this depth takes the whole of a layer away. */
export const goesThrough = (depthMm: number, layer: BaseLayer, groundMm: number): boolean =>
  depthMm >= groundMm - layer.bottomMm - THROUGH_MM;

function baseLayers({ stack }: Plan): BaseLayer[] {
  const layers: BaseLayer[] = [];
  if (stack.substrate !== null) {
    const { materialId, thicknessMm } = stack.substrate;
    layers.push({ id: 'substrate', materialId, thicknessMm, bottomMm: -thicknessMm, topMm: 0, glueId: null });
  }
  let at = 0;
  for (const { id, materialId, thicknessMm, glueBelowId } of stack.ground) {
    layers.push({ id, materialId, thicknessMm, bottomMm: at, topMm: at + thicknessMm, glueId: layers.length === 0 ? null : glueBelowId });
    at += thicknessMm;
  }
  return layers;
}

/** The joint under a layer has no glue where a pit takes the layer away. */
function baseJoints(base: readonly BaseLayer[], ground: Ground, groundMm: number): Joint[] {
  return base.slice(1).map((upper, i): Joint => {
    const lower = base[i]!;
    const label = lower.id === 'substrate' ? 'Ground on substrate' : `Ground layer ${i + 1} on ${i}`;
    const holes = ground.features.filter((_, k) => {
      const land = ground.lands[k]!;
      return land.role === 'hole' && !isBowl(land.feature) && goesThrough(-land.levelMm, upper, groundMm);
    });
    const gone = total(
      `${label}: cut away by pits`,
      'mm²',
      holes.map(({ body }) => body),
    );
    return {
      id: `under-${upper.id}`,
      label,
      featureId: null,
      landId: null,
      lowerMaterialId: lower.materialId,
      upperMaterialId: upper.materialId,
      adhesiveId: upper.glueId!,
      area: holes.length === 0 ? ground.tableArea : reckon(`${label}, face`, 'mm²', ground.tableArea, '−', gone),
    };
  });
}

function raisedJoints(plan: Plan, { land, materialId, buildUp: built }: RaisedStack, ground: Ground): Joint[] {
  const { feature, name } = land;
  const { glueId } = plan.stack.raised;
  const footprint = ground.features.find(({ landId }) => landId === land.id)!.body;
  return (built?.thicknessesMm ?? []).map((_, i): Joint => ({
    id: `${land.id}-${i}`,
    label: i === 0 ? `${name} on what it stands on` : `${name}, layer ${i + 1} on ${i}`,
    featureId: feature.id,
    landId: land.id,
    lowerMaterialId: i === 0 && land.baseMm === 0 ? plan.stack.ground.at(-1)!.materialId : materialId,
    upperMaterialId: materialId,
    adhesiveId: glueId,
    area: footprint,
  }));
}
