import { memoize } from '../../base/memory';
import { type GroundKind, GROUND_KIND_NAMES, GROUND_KINDS } from '../../plan/surfaces';
import type { BaseLayer, Face, Joint } from './joint';
import { type Catalogue, type StockRegion, adhesiveBy, thicknessesOf } from '../../catalogue';
import { type Ground, type Heights, type Land, type Zones, isBowl } from '../../terrain/ground';
import type { Facing, Plan, Sealed } from '../../plan';
import { type Figure, given, calculate, total } from '../../base/units';
import { type BuildUp, asBuilt, buildUp } from './build-up';

/** Raised ground as layers of stock. */
export interface RaisedStack {
  readonly land: Land;
  readonly materialId: string;
  readonly buildUp: BuildUp | null;
}
/** Coverings on one kind of surface, from the ground up. */
export interface ZoneFacing {
  readonly zone: GroundKind;
  readonly layers: readonly Facing[];
  readonly thickMm: number;
}
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

export function groundStack({ stack, tableArea, holes = [], catalogue }: GroundStackInputs): GroundStack {
  const base = baseLayers(stack);
  const height = total(
    'Ground over the substrate',
    'mm',
    stack.ground.map((layer, i) => given(`Ground layer ${i + 1}`, layer.thicknessMm, 'mm', 'plan')),
  );
  const joints = baseJoints({ stack, tableArea, holes, catalogue }, base, height.value).map((joint) => laid(joint, catalogue));
  return { base, ground: height, joints };
}

interface GroundStackInputs {
  readonly stack: Plan['stack'];
  readonly tableArea: Figure<'mm²'>;
  /** What is cut away of the layers; left out where only their bending is asked for. */
  readonly holes?: readonly MeasuredLand[];
  readonly catalogue: Catalogue;
}
interface MeasuredLand {
  readonly land: Land;
  readonly body: Figure<'mm²'>;
}

/** Layers of stock that raised ground is built of. */
export function raisedStacks({ lands, raised, region, catalogue }: RaisedInputs): readonly RaisedStack[] {
  const solve = heightSolver(raised, region, catalogue);
  return lands
    .filter(({ role, body }) => role === 'mass' && body.rings.length > 0)
    .map((land) => raisedStack(land, raised.materialId, solve(land.levelMm - land.baseMm)));
}
interface RaisedInputs {
  readonly lands: readonly Land[];
  readonly raised: Plan['stack']['raised'];
  readonly region: StockRegion;
  readonly catalogue: Catalogue;
}
const raisedStack = memoize((land: Land, materialId: string, buildUpOf: BuildUp | null): RaisedStack => ({
  land,
  materialId,
  buildUp: buildUpOf,
}));

/** Coverings on the kinds of ground that show. */
export function facingsOn({
  facings,
  zones,
}: {
  readonly facings: Plan['stack']['facings'];
  readonly zones: Zones;
}): readonly ZoneFacing[] {
  return GROUND_KINDS.filter((zone) => facings[zone].length > 0 && zones.byKind[zone].surface.value > 0).map((zone) =>
    facing(facings[zone], zone),
  );
}
const facing = memoize((layers: readonly Facing[], zone: GroundKind): ZoneFacing => ({
  zone,
  layers,
  thickMm: layers.reduce((sum, { thicknessMm }) => sum + thicknessMm, 0),
}));

/** Layers and the joints between them. */
export function stackUp({ stack, ground, zones, raised, facings, catalogue }: StackInputs): BoardStack {
  const holes = ground.lands.flatMap((land, i) => (land.role === 'hole' ? [{ land, body: ground.features[i]!.body }] : []));
  const under = groundStack({ stack, tableArea: ground.tableArea, holes, catalogue });
  const bodies = new Map(ground.features.map(({ landId, body }) => [landId, body]));
  const joints = [
    ...under.joints,
    ...[
      ...raised.flatMap((own) => raisedJoints(own, stack, bodies.get(own.land.id)!)),
      ...facings.flatMap((own) => facingJoints(own, stack, zones.byKind[own.zone].surface)),
    ].map((joint) => laid(joint, catalogue)),
  ];
  return { ...under, raised, facings, joints };
}
interface StackInputs {
  readonly stack: Plan['stack'];
  readonly ground: Pick<Ground, 'lands' | 'features' | 'tableArea'>;
  readonly zones: Zones;
  readonly raised: readonly RaisedStack[];
  readonly facings: readonly ZoneFacing[];
  readonly catalogue: Catalogue;
}

/** The way the plan says where the adhesive can be laid on so, its usual way otherwise. */
const laid = memoize((joint: Joint, catalogue: Catalogue): Joint => {
  const { spreads } = adhesiveBy(catalogue, joint.adhesiveId);
  return spreads.includes(joint.spread) ? joint : { ...joint, spread: spreads[0]! };
});

/** Solves heights from the stock at hand, or as the builder picked; most mounds share a few heights, and each is solved once. */
const heightSolver = memoize(
  (raised: Plan['stack']['raised'], region: StockRegion, catalogue: Catalogue): ((heightMm: number) => BuildUp | null) => {
    const { picks } = raised;
    const stockMm = stockAtHand(raised, region, catalogue);
    const { value: toleranceMm } = catalogue.bench.raisedToleranceMm;
    const solved = new Map<number, BuildUp | null>();
    return (heightMm) => {
      if (!solved.has(heightMm)) {
        const pick = picks.find((one) => Math.abs(one.heightMm - heightMm) < THROUGH_MM);
        solved.set(heightMm, pick === undefined ? buildUp(heightMm, stockMm, toleranceMm) : asBuilt(heightMm, pick.thicknessesMm));
      }
      return solved.get(heightMm)!;
    };
  },
);

/** Thicknesses raised ground may be built from, mm: those the builder has at hand, or every one that is stocked. */
export function stockAtHand(
  raised: Pick<Plan['stack']['raised'], 'materialId' | 'atHandMm'>,
  region: StockRegion,
  catalogue: Catalogue,
): readonly number[] {
  const stocked = thicknessesOf(catalogue, raised.materialId, region);
  const named = stocked.filter((mm) => raised.atHandMm.includes(mm));
  return named.length > 0 ? named : stocked;
}

/** How high each mass comes out of stock over the ground, its foot counted, mm; as drawn where no stock makes it. */
export function builtHeights(raised: readonly RaisedStack[]): (land: Land) => number {
  const tops = new Map<string, number>();
  const feet = [...raised].sort((a, b) => a.land.baseMm - b.land.baseMm);
  for (const { land, buildUp: built } of feet) {
    const footMm = (land.hostId === null ? undefined : tops.get(land.hostId)) ?? land.baseMm;
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

const baseLayers = memoize(({ substrate, ground }: Plan['stack']): readonly BaseLayer[] => {
  const layers: BaseLayer[] = [];
  if (substrate !== null) {
    const { materialId, thicknessMm, sealed, grain } = substrate;
    layers.push({
      kind: 'substrate',
      id: 'substrate',
      ref: { kind: 'substrate' },
      materialId,
      thicknessMm,
      bottomMm: -thicknessMm,
      topMm: 0,
      sealed,
      grain,
      glueId: null,
    });
  }
  let at = 0;
  for (const { id, materialId, thicknessMm, glueBelowId, sealed, grain } of ground) {
    const glueId = layers.length === 0 ? null : glueBelowId;
    layers.push({
      kind: 'ground',
      id,
      ref: { kind: 'ground', layerId: id },
      materialId,
      thicknessMm,
      bottomMm: at,
      topMm: at + thicknessMm,
      sealed,
      grain,
      glueId,
    });
    at += thicknessMm;
  }
  return layers;
});

const faceOf = ({ materialId, thicknessMm, sealed }: Omit<BaseLayer, 'glueId' | 'grain'>, side: 'top' | 'under'): Face => ({
  materialId,
  thicknessMm,
  isSealed: isSealedOn(sealed, side),
});

/** The joint under a layer has no glue where a pit takes the layer away. */
function baseJoints({ stack, tableArea, holes }: Required<GroundStackInputs>, base: readonly BaseLayer[], groundMm: number): Joint[] {
  return base.slice(1).map((upper, i): Joint => {
    const lower = base[i]!;
    const label = lower.kind === 'substrate' ? 'Ground on substrate' : `Ground layer ${i + 1} on ${i}`;
    const through = holes.filter(({ land }) => !isBowl(land) && goesThrough(-land.levelMm, upper, groundMm));
    const gone = total(
      `${label}: removed by pits`,
      'mm²',
      through.map(({ body }) => body),
    );
    return {
      id: `under-${upper.id}`,
      label,
      place: { part: 'ground', layerId: upper.id },
      lowerLayer: lower.ref,
      featureId: null,
      landId: null,
      lower: faceOf(lower, 'top'),
      upper: faceOf(upper, 'under'),
      adhesiveId: upper.glueId!,
      spread: stack.ground.find(({ id }) => id === upper.id)!.spread,
      isWorked: upper === base.at(-1),
      area: through.length === 0 ? tableArea : calculate(`${label}, face`, 'mm²', tableArea, '−', gone),
    };
  });
}

const raisedJoints = memoize(
  ({ land, materialId, buildUp: built }: RaisedStack, stack: Plan['stack'], footprint: Figure<'mm²'>): readonly Joint[] => {
    const { feature, name } = land;
    const { glueId, spread } = stack.raised;
    const thicknesses = built?.thicknessesMm ?? [];
    const top = stack.ground.at(-1)!;
    return thicknesses.map((thicknessMm, i): Joint => ({
      id: `${land.id}-${i}`,
      label: i === 0 ? `${name} on the surface below` : `${name}, layer ${i + 1} on ${i}`,
      place: { part: 'raised' },
      lowerLayer: null,
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
  },
);

const facingJoints = memoize(({ zone, layers }: ZoneFacing, stack: Plan['stack'], surface: Figure<'mm²'>): readonly Joint[] => {
  const top = stack.ground.at(-1)!;
  const onRaised = zone === 'raised';
  return layers.map((layer, i): Joint => {
    const below = layers[i - 1];
    return {
      id: `facing-${zone}-${layer.id}`,
      label: `${GROUND_KIND_NAMES[zone]}, ${i === 0 ? 'covering' : `covering ${i + 1} on ${i}`}`,
      place: { part: 'facing', groundKind: zone, layerId: layer.id },
      lowerLayer: null,
      featureId: null,
      landId: null,
      lower:
        below !== undefined
          ? { materialId: below.materialId, thicknessMm: below.thicknessMm, isSealed: false }
          : {
              materialId: onRaised ? stack.raised.materialId : top.materialId,
              thicknessMm: top.thicknessMm,
              isSealed: !onRaised && isSealedOn(top.sealed, 'top'),
            },
      upper: { materialId: layer.materialId, thicknessMm: layer.thicknessMm, isSealed: false },
      adhesiveId: layer.glueBelowId,
      spread: layer.spread,
      isWorked: i === layers.length - 1,
      area: surface,
    };
  });
});
