import type { Lever } from '@spare-acre/core/build/stack/bow';
import { type Bare, asBare, inMillilitres } from '@spare-acre/core/base/units';
import type { Warning } from '@spare-acre/core/advice/checks';
import { REFERENCE_KPA, deficitKPa, dewPointC } from '@spare-acre/core/schedule/air';
import type { Slot } from '@spare-acre/core/schedule/tasks';
import type { Derivation } from '@spare-acre/core/pipeline/derive';
import type { MadePiece } from '@spare-acre/core/build/pieces';
import type { Seam } from '@spare-acre/core/terrain/tiling';

/** What a view may look at of all that follows from a plan. @param chosen ids of the features whose notes are open */
export const SLICES = {
  counts: ({ counts }: Derivation) => counts,
  readiness: ({ readiness }: Derivation) => readiness,
  warnings: ({ warnings }: Derivation) => warnings,
  surfaces: ({ zones }: Derivation) => Object.values(zones.byKind).map(({ kind, surface }) => ({ kind, surface })),
  needs: ({ needs }: Derivation, chosen: readonly string[]) => needs.filter(({ featureId }) => chosen.includes(featureId)),
  seams: ({ seams }: Derivation) => seams.filter(({ crossings }) => crossings.length > 0).map(crossed),
  tiles: ({ tiles }: Derivation) => tiles,
  stored: ({ stored }: Derivation) => stored,
  groundHeight: ({ stack }: Derivation) => stack.ground,
  joints: ({ stack }: Derivation) => stack.joints,
  glues: ({ glues }: Derivation) => glues,
  heights: ({ heights }: Derivation) => heights,
  bow: ({ bow }: Derivation) => bow,
  levers: ({ levers }: Derivation) => levers,
  weights: ({ weights }: Derivation) => weights,
  masses: ({ mass }: Derivation) => mass.layers,
  pieces: ({ pieces: { made } }: Derivation) => made.map(galleryEntry),
  bench: ({ pieces: { made }, pieceCoats }: Derivation, chosen: readonly string[]) =>
    made.filter(({ piece }) => chosen.includes(piece.id)).map((one) => onBench(one, pieceCoats)),
  standing: ({ pieces: { standing } }: Derivation) =>
    standing.map(({ featureId, pieceId, rings, ways }) => ({ featureId, pieceId, rings, ways })),
  lengths: ({ pieces: { lengths } }: Derivation) => lengths,
  section: ({ section }: Derivation) => section,
  jobs: ({ jobs }: Derivation) => jobs,
  supplies: ({ supplies }: Derivation) => supplies,
  byWorkpiece: ({ byWorkpiece }: Derivation) => byWorkpiece,
  mixes: ({ mixes }: Derivation) => mixes,
  matrix: ({ matrix }: Derivation) => matrix,
  basins: ({ basins, banks }: Derivation) => banks.map((bank, i) => ({ ...bank, room: inMillilitres(basins[i]!.room) })),
  worn: ({ areas }: Derivation) => areas.list.filter(({ surface }) => surface.value > 0).map(worn),
  strewn: ({ strewn }: Derivation) => strewn,
  floors: ({ floors }: Derivation) => floors.map(drawnFloor),
  steps: ({ steps }: Derivation) => steps.map(({ id, name, cautions }) => ({ id, name, cautions })),
  days: drawnDays,
  floor: ({ floor }: Derivation) => floor,
  spots: drawnSpots,
  agenda: ({ agenda }: Derivation) => agenda,
  tasks: ({ days: { slots } }: Derivation) =>
    slots.map(({ task: { ofTask, workpieceId, work, wait }, because }) => ({
      taskId: ofTask,
      workpieceId,
      work,
      /** Until the next may be done on it; null where it waits for nothing, or never dries. */
      wait: wait.usual !== null && wait.usual.value > 0 ? wait.usual : null,
      isDone: because.kind === 'done',
    })),
  moves: ({ moves }: Derivation) => moves,
  /** The moves that are looked at closely. */
  move: ({ moveDetail }: Derivation, chosen: readonly string[]) => chosen.flatMap((id) => moveDetail(id) ?? []),
} as const;

/** What the gallery shows of a piece. */
const galleryEntry = ({ piece: { id }, familyName, problem, facts, parts, lengths }: MadePiece) => ({
  pieceId: id,
  familyName,
  problem,
  mass: facts?.mass ?? null,
  sizes: facts?.sizes ?? [],
  partCount: parts.length,
  stripCount: lengths.length,
});
/** What the bench shows of a piece; how it is reckoned stays with the worker. */
const onBench = (
  { piece: { id }, problem, facts, objects, shape, lengths, strips, glues, clads, surfaces, copying }: MadePiece,
  coats: Derivation['pieceCoats'],
) => ({
  pieceId: id,
  problem,
  facts:
    facts === null
      ? null
      : {
          mass: facts.mass,
          glue: facts.glue,
          joints: facts.joints,
          tips: facts.tips,
          standing: facts.standing,
          outside: facts.outside,
          sizes: facts.sizes,
          fillStrips: facts.fillStrips,
        },
  objects: objects.map(({ id: own, name, count, bodies, loose, courses, sheets }) => ({
    id: own,
    name,
    count,
    bodies,
    loose,
    courses,
    sheets,
  })),
  glues,
  order: shape?.order ?? [],
  handles: shape?.handles ?? [],
  levels: shape?.levels ?? [],
  waysIn: shape?.waysIn ?? [],
  more: shape?.facts ?? [],
  strung: shape?.strung ?? [],
  lengths,
  strips,
  clads,
  faces: surfaces.map(({ surfaceId, name, wears, coated }) => ({ surfaceId, name, wears, coated })),
  coats: coats
    .filter(({ surfaceId }) => surfaces.some((one) => one.surfaceId === surfaceId && one.wears === null))
    .map(({ coatId, amount }) => ({ coatId, amount })),
  copying,
});
/** Where a surface lies, ring by ring, and how much of it there is. */
const worn = ({ surfaceId, name, surface, coated, stretches }: Derivation['areas']['list'][number]) => ({
  surfaceId: surfaceId as string,
  name,
  surface,
  coated,
  stretches: stretches.map(({ name: stretch, softMm, region }) => ({ name: stretch, softMm, rings: region().rings })),
});
/** Only what is drawn of ground that is laid in units, and how many there are. */
const drawnFloor = ({ units, colours, ...floor }: Derivation['floors'][number]) => ({
  ...floor,
  units: units.map(({ rings }, i) => ({ rings, tint: colours?.tintOf[i] ?? -1 })),
  counts: colours?.counts ?? [],
});
/** Only what is drawn and told of the tasks in the days. */
function drawnDays({ days: { slots, ready, bound, handsOn, blocked, leftOut }, reasons }: Derivation) {
  return {
    slots: asBare(slots.map((slot, i) => drawnSlot(slot, reasons[i]!))),
    ready: ready === null ? null : { at: ready.at, text: ready.text },
    chain: ready?.chain ?? [],
    bound: bound === null ? null : { at: bound.at, text: bound.text },
    handsOn,
    /** When the first task that is not done was to begin; null where all is done. */
    firstOpenMin: slots.reduce<number | null>(
      (first, { because, startMin }) => (because.kind === 'done' ? first : Math.min(first ?? startMin, startMin)),
      null,
    ),
    blocked: blocked.map(({ go: { ofTask, workpieceId, stepId, work }, why }) => ({
      taskId: ofTask,
      workpieceId,
      stepId,
      label: work.label,
      why,
    })),
    leftOut: leftOut.map(({ id, work }) => ({ taskId: id, label: work.label })),
  };
}
const drawnSlot = (
  {
    task: { id, ofTask, stepId, workpieceId, work, calls, arranged, spot },
    stretches,
    startMin,
    endMin,
    nextMin,
    curedMin,
    people,
    slackMin,
    because,
  }: Slot,
  why: string,
) => ({
  taskId: id,
  ofTask,
  stepId,
  workpieceId,
  label: work.label,
  placeId: spot.place.id,
  stretches,
  startMin,
  endMin,
  /** Never is told as null: what is sent has no end without one. */
  nextMin: Number.isFinite(nextMin) ? nextMin : null,
  curedMin: Number.isFinite(curedMin) ? curedMin : null,
  isTended: calls !== null,
  people,
  slackMin,
  why,
  isPinned: because.kind === 'pin',
  isDone: because.kind === 'done',
  goes: arranged?.goes ?? 1,
});
/** The air of every place, hour by hour for two weeks: air, dew point, and how fast a water-borne film dries in it. */
function drawnSpots({ spots: { rooms }, plan: { places } }: Derivation) {
  return places.map(({ id, name }) => ({
    placeId: id,
    name,
    hours: Array.from({ length: HOURS_DRAWN }, (_, hour) => {
      const air = rooms.get(id)!.at(hour * 60);
      return { airC: air.airC, humidityPct: air.humidityPct, dewC: dewPointC(air), speed: deficitKPa(air) / REFERENCE_KPA };
    }),
  }));
}
const HOURS_DRAWN = 24 * 14;
/** Only what is drawn of a seam: how each side runs along it stays with the worker. */
const crossed = ({ id, name, crossings }: Seam) => ({
  id,
  name,
  crossings: crossings.map(({ id: own, kind, fault, sizeMm, at, first, second }) => ({
    id: own,
    kind,
    fault,
    sizeMm,
    at,
    featureIds: [first?.featureId ?? null, second?.featureId ?? null],
  })),
});

export type SliceName = keyof typeof SLICES;
type SliceOf<Name extends SliceName> = ReturnType<(typeof SLICES)[Name]>;
/** Edits have no figures in them: they go as they are. */
type WithEdits<T> = { readonly [Key in keyof T]: Key extends 'mends' | 'edit' ? T[Key] : Bare<T[Key]> };
/** A warning or a lever as it is shown. */
export type ShownWarning = WithEdits<Warning>;
export type ShownLever = WithEdits<Lever>;
/** Sheets are drawn and moved by hand from the whole of a job, workings and all. */
type Sent<Name extends SliceName> = Name extends 'jobs'
  ? SliceOf<Name>
  : Name extends 'warnings'
    ? readonly ShownWarning[]
    : Name extends 'levers'
      ? readonly ShownLever[]
      : Bare<SliceOf<Name>>;
/** What has arrived so far. */
export type Slices = { readonly [Name in SliceName]?: Sent<Name> };

/** What is looked at now. */
export interface Look {
  readonly slices: readonly SliceName[];
  readonly chosen: readonly string[];
}
/** A slice with its workings. */
export const sliceOf = <Name extends SliceName>(name: Name, derivation: Derivation, chosen: readonly string[]): SliceOf<Name> =>
  (SLICES[name] as (derivation: Derivation, chosen: readonly string[]) => SliceOf<Name>)(derivation, chosen);
