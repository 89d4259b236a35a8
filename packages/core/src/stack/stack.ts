import { type Catalogue, adhesiveBy, thicknessesOf } from '../catalogue';
import { type Ground, type Heights, type Land, ZONE_NAMES, type Zones, isBowl } from '../ground';
import { type Facing, type GlueSpread, type Plan, type Sealed, ZONE_KINDS, type ZoneKind } from '../plan';
import { type Figure, given, reckon, total } from '../units';
import { type BuildUp, asBuilt, buildUp } from './build-up';
import type { Face } from './glue';

/** One layer under the whole table, heights over the datum (top of the substrate; the substrate lies below 0). */
export interface BaseLayer {
  readonly id: string;
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly bottomMm: number;
  readonly topMm: number;
  readonly sealed: Sealed;
  /** Which way of the table its grain runs; null where nobody says. */
  readonly grain: 'x' | 'y' | null;
  /** Adhesive to what is below; null when nothing is. */
  readonly glueId: string | null;
}
/** Raised ground as layers of stock. */
export interface RaisedStack {
  readonly land: Land;
  readonly materialId: string;
  readonly buildUp: BuildUp | null;
}
/** Coverings on one kind of surface, from the ground up. */
export interface ZoneFacing {
  readonly zone: ZoneKind;
  readonly layers: readonly Facing[];
  readonly thickMm: number;
}
/** A face glued to another: where, what lies on what, and how much of it on the whole table. */
export interface Joint {
  readonly id: string;
  readonly label: string;
  /** Where in the plan its adhesive is chosen. */
  readonly place: JointPlace;
  readonly featureId: string | null;
  /** The step of a feature that is glued down; null in the base. */
  readonly landId: string | null;
  readonly lower: Face;
  readonly upper: Face;
  readonly adhesiveId: string;
  readonly spread: GlueSpread;
  /** Pressed, scored or textured from above, so that it needs glue under all of it. */
  readonly isWorked: boolean;
  readonly area: Figure<'mm²'>;
}
export type JointPlace =
  | { readonly part: 'ground'; readonly layerId: string }
  | { readonly part: 'raised' }
  | { readonly part: 'facing'; readonly zone: ZoneKind; readonly layerId: string };
export interface BoardStack {
  /** Bottom to top, the substrate first when there is one. */
  readonly base: readonly BaseLayer[];
  /** Height of the ground over the datum. */
  readonly ground: Figure<'mm'>;
  readonly raised: readonly RaisedStack[];
  readonly facings: readonly ZoneFacing[];
  readonly joints: readonly Joint[];
}

/** A pit within this of a layer's underside has gone through the layer. */
const THROUGH_MM = 0.05;

/** The layers under the whole table with their joints: what bends as one. */
export type GroundStack = Pick<BoardStack, 'base' | 'ground' | 'joints'>;

export function groundStack(plan: Pick<Plan, 'stack'>, ground: Ground, catalogue: Catalogue): GroundStack {
  const base = baseLayers(plan);
  const height = total(
    'Ground over the substrate',
    'mm',
    plan.stack.ground.map((layer, i) => given(`Ground layer ${i + 1}`, layer.thicknessMm, 'mm', 'plan')),
  );
  const joints = baseJoints(plan, base, ground, height.value).map((joint) => laid(joint, catalogue));
  return { base, ground: height, joints };
}

/** Third stage: layers and the joints between them. */
export function stackUp(plan: Plan, ground: Ground, zones: Zones, catalogue: Catalogue): BoardStack {
  const under = groundStack(plan, ground, catalogue);
  const solve = heightSolver(plan, catalogue);
  const raised = ground.lands
    .filter(({ role, body }) => role === 'mass' && body.rings.length > 0)
    .map((land) => ({ land, materialId: plan.stack.raised.materialId, buildUp: solve(land.levelMm - land.baseMm) }));
  const facings = ZONE_KINDS.filter((zone) => plan.stack.facings[zone].length > 0 && zones.byKind[zone].surface.value > 0).map((zone) => {
    const layers = plan.stack.facings[zone];
    return { zone, layers, thickMm: layers.reduce((sum, { thicknessMm }) => sum + thicknessMm, 0) };
  });
  const joints = [
    ...under.joints,
    ...[
      ...raised.flatMap((stack) => raisedJoints(plan, stack, ground)),
      ...facings.flatMap((facing) => facingJoints(plan, facing, zones)),
    ].map((joint) => laid(joint, catalogue)),
  ];
  return { ...under, raised, facings, joints };
}

/** The way the plan says where the adhesive can be laid on so, its usual way otherwise. */
function laid(joint: Joint, catalogue: Catalogue): Joint {
  const { spreads } = adhesiveBy(catalogue, joint.adhesiveId);
  return spreads.includes(joint.spread) ? joint : { ...joint, spread: spreads[0]! };
}

/** Solves heights from the stock at hand, or as the builder picked; most mounds share a few heights, and each is solved once. */
function heightSolver(plan: Plan, catalogue: Catalogue): (heightMm: number) => BuildUp | null {
  const { picks } = plan.stack.raised;
  const stockMm = stockAtHand(plan, catalogue);
  const { value: toleranceMm } = catalogue.bench.raisedToleranceMm;
  const solved = new Map<number, BuildUp | null>();
  return (heightMm) => {
    if (!solved.has(heightMm)) {
      const pick = picks.find((one) => Math.abs(one.heightMm - heightMm) < THROUGH_MM);
      solved.set(heightMm, pick === undefined ? buildUp(heightMm, stockMm, toleranceMm) : asBuilt(heightMm, pick.thicknessesMm));
    }
    return solved.get(heightMm)!;
  };
}

/** Thicknesses raised ground may be built from, mm: those the builder has at hand, or every one that is stocked. */
export function stockAtHand({ stack: { raised } }: Plan, catalogue: Catalogue): readonly number[] {
  const stocked = thicknessesOf(catalogue, raised.materialId);
  const named = stocked.filter((mm) => raised.atHandMm.includes(mm));
  return named.length > 0 ? named : stocked;
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

/** What the stack makes of the drawn heights. */
export const heightsIn = ({ raised, facings }: Pick<BoardStack, 'raised' | 'facings'>): Heights => ({
  built: builtHeights(raised),
  coveredMm: (zone) => facings.find((facing) => facing.zone === zone)?.thickMm ?? 0,
});

/** Whether a pit of this depth takes the whole of a layer away. */
export const goesThrough = (depthMm: number, layer: BaseLayer, groundMm: number): boolean =>
  depthMm >= groundMm - layer.bottomMm - THROUGH_MM;

export const isSealedOn = (sealed: Sealed, side: 'top' | 'under'): boolean => sealed === side || sealed === 'both';

function baseLayers({ stack }: Pick<Plan, 'stack'>): BaseLayer[] {
  const layers: BaseLayer[] = [];
  if (stack.substrate !== null) {
    const { materialId, thicknessMm, sealed, grain } = stack.substrate;
    layers.push({ id: 'substrate', materialId, thicknessMm, bottomMm: -thicknessMm, topMm: 0, sealed, grain, glueId: null });
  }
  let at = 0;
  for (const { id, materialId, thicknessMm, glueBelowId, sealed, grain } of stack.ground) {
    const glueId = layers.length === 0 ? null : glueBelowId;
    layers.push({ id, materialId, thicknessMm, bottomMm: at, topMm: at + thicknessMm, sealed, grain, glueId });
    at += thicknessMm;
  }
  return layers;
}

const faceOf = ({ materialId, thicknessMm, sealed }: Omit<BaseLayer, 'glueId' | 'grain'>, side: 'top' | 'under'): Face => ({
  materialId,
  thicknessMm,
  isSealed: isSealedOn(sealed, side),
});

/** The joint under a layer has no glue where a pit takes the layer away. */
function baseJoints(plan: Pick<Plan, 'stack'>, base: readonly BaseLayer[], ground: Ground, groundMm: number): Joint[] {
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
      place: { part: 'ground', layerId: upper.id },
      featureId: null,
      landId: null,
      lower: faceOf(lower, 'top'),
      upper: faceOf(upper, 'under'),
      adhesiveId: upper.glueId!,
      spread: plan.stack.ground.find(({ id }) => id === upper.id)!.spread,
      isWorked: upper === base.at(-1),
      area: holes.length === 0 ? ground.tableArea : reckon(`${label}, face`, 'mm²', ground.tableArea, '−', gone),
    };
  });
}

function raisedJoints(plan: Plan, { land, materialId, buildUp: built }: RaisedStack, ground: Ground): Joint[] {
  const { feature, name } = land;
  const { glueId, spread } = plan.stack.raised;
  const footprint = ground.features.find(({ landId }) => landId === land.id)!.body;
  const thicknesses = built?.thicknessesMm ?? [];
  const top = plan.stack.ground.at(-1)!;
  return thicknesses.map((thicknessMm, i): Joint => ({
    id: `${land.id}-${i}`,
    label: i === 0 ? `${name} on what it stands on` : `${name}, layer ${i + 1} on ${i}`,
    place: { part: 'raised' },
    featureId: feature.id,
    landId: land.id,
    lower:
      i === 0 && land.baseMm === 0
        ? { materialId: top.materialId, thicknessMm: top.thicknessMm, isSealed: isSealedOn(top.sealed, 'top') }
        : { materialId, thicknessMm: thicknesses[i - 1] ?? thicknessMm, isSealed: false },
    upper: { materialId, thicknessMm, isSealed: false },
    adhesiveId: glueId,
    spread,
    isWorked: i === thicknesses.length - 1,
    area: footprint,
  }));
}

function facingJoints(plan: Plan, { zone, layers }: ZoneFacing, zones: Zones): Joint[] {
  const top = plan.stack.ground.at(-1)!;
  const onRaised = zone === 'raised';
  return layers.map((layer, i): Joint => {
    const below = layers[i - 1];
    return {
      id: `facing-${zone}-${layer.id}`,
      label: `${ZONE_NAMES[zone]}, ${i === 0 ? 'covering' : `covering ${i + 1} on ${i}`}`,
      place: { part: 'facing', zone, layerId: layer.id },
      featureId: null,
      landId: null,
      lower:
        below !== undefined
          ? { materialId: below.materialId, thicknessMm: below.thicknessMm, isSealed: false }
          : {
              materialId: onRaised ? plan.stack.raised.materialId : top.materialId,
              thicknessMm: top.thicknessMm,
              isSealed: !onRaised && isSealedOn(top.sealed, 'top'),
            },
      upper: { materialId: layer.materialId, thicknessMm: layer.thicknessMm, isSealed: false },
      adhesiveId: layer.glueBelowId,
      spread: layer.spread,
      isWorked: i === layers.length - 1,
      area: zones.byKind[zone].surface,
    };
  });
}
