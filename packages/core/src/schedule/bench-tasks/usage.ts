import { type Figure, type Unit, given, calculate, total } from '../../base/units';
import { type Catalogue, adhesiveBy, coatingBy, estimated } from '../../catalogue';
import { type CoatGroup, type CoatNeed, type SealNeed, inOrder } from '../../finishing/coats';
import type { Step } from '../tasks';
import { type Ground, type SurfaceAreas, type Zones, tileShare } from '../../terrain/ground';
import { type Kitchen, type Mix, kitchenWords, mixesOf, partsOf } from '../../finishing/mixes';
import type { FixedPiece, MadePiece } from '../../build/pieces';
import type { Plan } from '../../plan';
import { stockedIn } from '../../procurement/stock';
import type { CutJob } from '../../build/cutting/job';
import { edgeGlue, partJoints } from '../../build/cutting/joints';
import { type BoardStack, jointShares } from '../../build/stack';
import { glueMass } from '../../build/stack/adhesives';
import type { OnTile } from '../../terrain/tiling';
import type { BenchTask } from './bench-tasks';

/** What goes into one task of one thing, as it is told and as it leaves the shelf. */
export interface Usage {
  readonly name: string;
  readonly amount: Figure;
  /** The same on the scales; null where that is how it is told, or where nobody knows how heavy it is. */
  readonly mass: Figure<'g'> | null;
  readonly kitchen: Readonly<Record<Kitchen, string>> | null;
  readonly uses: readonly { readonly stockId: string; readonly amount: number }[];
}
/**
 * What leaves the shelf for one thing of a task.
 * @param weighed what was really used, in the unit of its amount; null for as planned
 */
export const usedOf = (
  take: { readonly amount: { readonly value: number }; readonly uses: Usage['uses'] },
  weighed: number | null,
): Usage['uses'] => {
  const share = weighed === null || take.amount.value <= 0 ? 1 : weighed / take.amount.value;
  return take.uses.map(({ stockId, amount }) => ({ stockId, amount: amount * share }));
};
export interface UsageInputs {
  /** Of all parts, for those that are joined of several. */
  readonly jobs: readonly Pick<CutJob, 'parts'>[];
  readonly joints: BoardStack['joints'];
  readonly zones: Zones;
  readonly ground: Ground;
  readonly areas: SurfaceAreas;
  readonly coats: readonly CoatNeed[];
  readonly sealing: SealNeed | null;
  readonly made: readonly MadePiece[];
  readonly fixed: readonly (FixedPiece & OnTile)[];
  readonly steps: readonly Step[];
  readonly mends: Plan['mends'];
  readonly catalogue: Catalogue;
}
/** What a task takes from shelf and tap, and what is mixed for it. */
export interface TaskUsage {
  readonly takes: readonly Usage[];
  readonly mixes: readonly Mix[];
  /** Coats that the task puts on. */
  readonly needs: readonly CoatNeed[];
}

/** So much of a coating. */
type Lot = Pick<CoatNeed, 'coating' | 'volume' | 'amount'>;

/** What goes into a task: glue by its faces, coats by the surface on its workpiece, one go of several. */
export function usageFor({ stepId, workpieceId }: Pick<BenchTask, 'stepId' | 'workpieceId'>, inputs: UsageInputs): TaskUsage {
  const { catalogue } = inputs;
  const needs = coatsFor(stepId, workpieceId, inputs);
  const lots: readonly Lot[] = [...(stepId === 'seal' ? sealOf(workpieceId, inputs) : needs), ...mendOf(stepId, inputs)];
  const isMixed = ({ coating, volume }: Lot): boolean => coating.recipe !== null && volume.value > 0;
  const plain = lots
    .filter((lot) => !isMixed(lot))
    .map(({ coating, amount, volume }) => ({ id: coating.id, name: coating.name, amount, volume }));
  const takes = [
    ...gluesFor(stepId, workpieceId, inputs),
    ...totals(plain).map(({ id, name, amount, volume }) =>
      usageOf(
        { name, amount, stockId: `coatings.${id}` },
        catalogue,
        volume === null ? null : { volume, density: estimated(`${name}, density`, coatingBy(catalogue, id).densityGPerMl, 'g/ml') },
      ),
    ),
    ...lots.filter(isMixed).flatMap((lot) => partsFor(lot, catalogue)),
  ];
  return { takes, mixes: mixesOf({ coats: needs.filter(isMixed), catalogue }), needs };
}
const partsFor = ({ coating, volume }: Lot, catalogue: Catalogue): readonly Usage[] =>
  partsOf(coating, volume, catalogue).map(({ stuffId, name, volume: ml, mass }): Usage => {
    const { adhesiveId } = catalogue.stuffs.find(({ id }) => id === stuffId)!;
    // What is mixed in as well as spread is one tub, weighed in grams.
    const line =
      adhesiveId === undefined
        ? { stockId: `stuffs.${stuffId}`, amount: ml.value }
        : { stockId: `adhesives.${adhesiveId}`, amount: mass.value };
    return { name, amount: ml, mass, kitchen: spoons(ml.value), uses: stockedIn(catalogue).has(line.stockId) ? [line] : [] };
  });
const spoons = (ml: number): Usage['kitchen'] => ({ metric: kitchenWords(ml, 'metric'), us: kitchenWords(ml, 'us') });

/** @param poured what it comes to by volume, for what is poured or spooned */
function usageOf(
  { name, amount, stockId }: { readonly name: string; readonly amount: Figure; readonly stockId: string },
  catalogue: Catalogue,
  poured: { readonly volume: Figure<'ml'>; readonly density: Figure<'g/ml'> } | null = null,
): Usage {
  const liquid = amount.unit === 'ml' ? poured : null;
  const stock = stockedIn(catalogue).get(stockId);
  return {
    name,
    amount,
    mass: liquid === null ? null : calculate(`${name} to weigh`, 'g', liquid.volume, '×', liquid.density),
    kitchen: liquid === null ? null : spoons(liquid.volume.value),
    uses: stock === undefined || stock.unit !== amount.unit ? [] : [{ stockId, amount: amount.value }],
  };
}

interface Part {
  readonly id: string;
  readonly name: string;
  readonly amount: Figure;
  readonly volume: Figure<'ml'> | null;
}
/** Of several lots of one thing the sum. */
function totals(parts: readonly Part[]): readonly Part[] {
  return [...new Set(parts.map(({ id }) => id))].map((id) => {
    const own = parts.filter((part) => part.id === id);
    const [first] = own as [Part];
    if (own.length === 1) return first;
    const volumes = own.flatMap(({ volume }) => volume ?? []);
    const amounts = own.map(({ amount }) => amount) as readonly Figure<Unit>[];
    return {
      ...first,
      amount: total<Unit>(first.name, first.amount.unit, amounts),
      volume: volumes.length === own.length ? total(first.name, 'ml', volumes) : null,
    };
  });
}

const STAGES: Readonly<Record<string, string>> = { 'glue-base': 'ground', 'glue-raised': 'raised', 'glue-facing': 'facing' };
function gluesFor(stepId: string, workpieceId: string, inputs: UsageInputs): readonly Usage[] {
  const { mends, catalogue } = inputs;
  const mended = mends.find(({ id }) => `mend-${id}` === stepId)?.adhesive;
  const lots = [
    ...jointGlues(stepId, workpieceId, inputs),
    ...edgeGlues(stepId, workpieceId, inputs),
    ...(mended == null ? [] : [{ adhesiveId: mended.adhesiveId, mass: given(stepId, mended.grams, 'g', 'plan') }]),
    ...pieceGlues(stepId, workpieceId, inputs),
  ]
    .filter(({ mass }) => mass.value > 0)
    .map(({ adhesiveId, mass }): Part => ({ id: adhesiveId, name: adhesiveBy(catalogue, adhesiveId).name, amount: mass, volume: null }));
  return totals(lots).map(({ id, name, amount }) => usageOf({ name, amount, stockId: `adhesives.${id}` }, catalogue));
}
interface GlueLot {
  readonly adhesiveId: string;
  readonly mass: Figure<'g'>;
}
/** What goes between the layers of one tile. */
function jointGlues(stepId: string, workpieceId: string, inputs: UsageInputs): readonly GlueLot[] {
  const { joints, catalogue } = inputs;
  const stage = STAGES[stepId];
  if (stage === undefined) return [];
  const shares = jointShares(inputs);
  return joints
    .filter(({ place }) => place.part === stage)
    .flatMap((joint): readonly GlueLot[] => {
      const share = shares(joint, workpieceId);
      if (share <= 0) return [];
      const all = glueMass(joint.label, adhesiveBy(catalogue, joint.adhesiveId), joint.area, joint.spread, catalogue);
      const part = given(`Share on ${workpieceId}`, share, '1', 'drawing');
      return [{ adhesiveId: joint.adhesiveId, mass: calculate(`${joint.label}, ${workpieceId}`, 'g', all, '×', part) }];
    });
}
/** What joins the parts of one tile that are cut in pieces. */
function edgeGlues(stepId: string, workpieceId: string, { jobs, joints: [first], catalogue }: UsageInputs): readonly GlueLot[] {
  const stage = EDGE_STAGES[stepId];
  if (stage === undefined || first === undefined) return [];
  const own = jobs.flatMap(({ parts }) => partJoints(parts)).filter((joint) => joint.stage === stage && joint.workpieceId === workpieceId);
  return own.length === 0
    ? []
    : [{ adhesiveId: first.adhesiveId, mass: edgeGlue(`Joined parts, ${workpieceId}`, own, adhesiveBy(catalogue, first.adhesiveId)) }];
}
const EDGE_STAGES: Readonly<Record<string, string>> = { 'glue-base': 'base', 'glue-raised': 'raised', 'glue-facing': 'facing' };

/** What a piece is put together, clad and fixed with. */
function pieceGlues(stepId: string, workpieceId: string, { made, fixed }: UsageInputs): readonly GlueLot[] {
  const piece = made.find((one) => one.piece.id === workpieceId);
  switch (stepId) {
    case 'glue-strips':
      return piece?.facts?.stripGlue == null ? [] : [{ adhesiveId: piece.piece.glueId, mass: piece.facts.stripGlue }];
    case 'make-pieces':
      return piece?.facts == null ? [] : [{ adhesiveId: piece.piece.glueId, mass: jointGlue(piece.facts) }];
    case 'clad-pieces':
      return piece?.clads.flatMap(({ way: { glue } }) => glue ?? []) ?? [];
    case 'fix-pieces':
      return fixed.filter(({ tileId }) => tileId === workpieceId).map(({ adhesiveId, glue }) => ({ adhesiveId, mass: glue }));
    default:
      return [];
  }
}

const jointGlue = ({ glue, stripGlue }: NonNullable<MadePiece['facts']>): Figure<'g'> =>
  stripGlue === null ? glue : calculate(`${glue.label}, joints`, 'g', glue, '−', stripGlue);

/** The coats of a step on one workpiece, each with only so much as goes on there in one go. */
function coatsFor(stepId: string, workpieceId: string, { coats, areas, made, steps }: UsageInputs): readonly CoatNeed[] {
  const group = inOrder(coats).find((one) => isStepOf(stepId, one));
  if (group === undefined) return [];
  const go = Number(/-go-(\d+)$/.exec(stepId)?.[1] ?? 1);
  const pours = steps.filter(({ id, tasks }) => isStepOf(id, group) && tasks.some((task) => task.workpieceId === workpieceId)).length;
  const own = new Set(made.find(({ piece }) => piece.id === workpieceId)?.surfaces.map(({ surfaceId }) => surfaceId));
  const onTiles = [...areas.onTile.values()].flat();
  return group.needs.flatMap((need): CoatNeed[] => {
    const isPoured = need.coating.spread.by === 'depth';
    if (!isPoured && go > need.coat.goes) return [];
    const tiles = onTiles.filter(({ surfaceId }) => surfaceId === need.surfaceId);
    const all = tiles.reduce((sum, { coatedMm2 }) => sum + coatedMm2, 0);
    const here = tiles.find(({ tileId }) => tileId === workpieceId)?.coatedMm2 ?? 0;
    const share = own.has(need.surfaceId) ? 1 : all > 0 ? here / all : 0;
    return share <= 0 ? [] : [shared(need, workpieceId, share, isPoured ? pours : need.coat.goes)];
  });
}
/** A step is a group's own, one of its further goes, or one of its pours. */
const isStepOf = (stepId: string, { key }: CoatGroup): boolean => stepId === key || new RegExp(`^${escaped(key)}-(go-)?\\d+$`).test(stepId);
const escaped = (key: string): string => key.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&');
function shared(need: CoatNeed, workpieceId: string, share: number, goes: number): CoatNeed {
  const part =
    goes === 1
      ? given(`Share on ${workpieceId}`, share, '1', 'drawing')
      : calculate(
          `Share on ${workpieceId}, one application`,
          '1',
          given(`Share on ${workpieceId}`, share, '1', 'drawing'),
          '÷',
          given('Applications', goes, '1', 'plan'),
        );
  const of = <U extends Unit>(figure: Figure<U>): Figure<U> =>
    calculate<Unit>(`${figure.label}, ${workpieceId}`, figure.unit, figure, '×', part) as Figure<U>;
  const here = given(`Share on ${workpieceId}`, share, '1', 'drawing');
  return {
    ...need,
    coat: { ...need.coat, goes: 1 },
    area: calculate(`${need.area.label}, ${workpieceId}`, 'm²', need.area, '×', here),
    volume: of(need.volume),
    amount: of(need.amount as Figure<'ml'>),
  };
}

function mendOf(stepId: string, { mends, catalogue }: UsageInputs): readonly Lot[] {
  const coating = mends.find(({ id }) => `mend-${id}` === stepId)?.coating;
  if (coating == null) return [];
  const volume = given(coatingBy(catalogue, coating.coatingId).name, coating.ml, 'ml', 'plan');
  return [{ coating: coatingBy(catalogue, coating.coatingId), volume, amount: volume }];
}
function sealOf(workpieceId: string, { sealing, ground }: UsageInputs): readonly Lot[] {
  const tile = ground.tiles.find(({ id }) => id === workpieceId);
  if (sealing === null || tile === undefined) return [];
  const share = given(`${workpieceId}: share of the table`, tileShare(tile, ground), '1', 'drawing');
  const volume = calculate(`${sealing.volume.label}, ${workpieceId}`, 'ml', sealing.volume, '×', share);
  return [{ coating: sealing.coating, volume, amount: volume }];
}
