import { lengthWords } from '../../base/units';
import {
  type Point,
  between,
  boxAround,
  boxContains,
  boxesOverlap,
  boxRegion,
  contains,
  crossings,
  distanceMm,
  isEmpty,
  regionBox,
} from '../../base/geometry';
import { type Ground, type Land, type Upright, heightsOf, isSloped, landAt, overlayOf, shownAt, waterLevelMm } from '../ground';
import { rounded } from '../../base/rounding';
import { type Catalogue, materialBy } from '../../catalogue';
import type { Coat, Plan } from '../../plan';
import type { GroundKind } from '../../plan/surfaces';
import { type BoardStack, builtHeights } from '../../build/stack';

/** One upright slab of one material along the cut; heights over the datum, lengths along the cut line, all mm. */
export interface Slab {
  readonly id: string;
  readonly name: string;
  readonly what: 'layer' | 'coat' | 'water' | 'piece';
  readonly hatch: string;
  readonly fromMm: number;
  readonly toMm: number;
  readonly bottomMm: number;
  /** At its highest. */
  readonly topMm: number;
  /** What it is drawn from: one stretch where it is level, many short ones where it slopes. */
  readonly runs: readonly Run[];
}
/** A stretch of a slab over which its heights are taken as even. */
export interface Run {
  readonly fromMm: number;
  readonly toMm: number;
  readonly bottomMm: number;
  readonly topMm: number;
}
/** Something the cut crosses, to be named beside the drawing. */
export interface CutMark {
  readonly name: string;
  /** How it lies to the ground: so much over it or deep into it, level with it, or open ground itself over the substrate. */
  readonly lies: 'over' | 'deep' | 'level' | 'open';
  readonly byMm: number;
  /** What is left under it, for what is sunk; over the substrate. */
  readonly leftMm: number;
  readonly atMm: number;
  readonly levelMm: number;
}
/** The cut, ready to be placed: slabs, the tiles and seams it crosses, names, and the extent of it all. */
export interface SectionDrawing {
  readonly lengthMm: number;
  readonly lowMm: number;
  readonly highMm: number;
  readonly slabs: readonly Slab[];
  /** Where one tile ends and the next begins, and how much higher the right one stands there. */
  readonly seams: readonly { readonly atMm: number; readonly name: string; readonly stepMm: number }[];
  readonly tiles: readonly { readonly fromMm: number; readonly toMm: number; readonly id: string }[];
  readonly marks: readonly CutMark[];
}

/** Coats are drawn at least this thick, or no eye would find them. */
const COAT_DRAWN_MM = 1.2;
/** Slopes are cut into stretches this long: finer than the eye sees at any scale the drawing takes. */
const SLOPE_STEP_MM = 2;
/** Pieces shorter than this are the two sides of one crossing. */
const STEP_MM = 0.05;

interface SectionInputs {
  readonly line: Plan['section'];
  readonly substrate: Plan['stack']['substrate'];
  readonly coats: Readonly<Record<GroundKind, readonly Coat[]>>;
  readonly surfaces: Plan['surfaces'];
  readonly units: Plan['units'];
  readonly ground: Ground;
  readonly uprights: readonly Upright[];
  readonly stack: BoardStack;
  readonly catalogue: Catalogue;
}

/** Cuts the board along the plan's section line. Outside the table there is nothing. */
export function sectionDrawing(inputs: SectionInputs): SectionDrawing {
  const { line, ground, stack } = inputs;
  const { from, to } = line;
  const lengthMm = distanceMm(from, to);
  const met = metBy(ground, from, to);
  const stretches = lengthMm === 0 ? [] : stretchesAlong(met, from, to);
  const builtMm = builtHeights(stack.raised);
  const slabs: Slice[] = [];
  const columnInputs = { ...inputs, ground: met, builtMm, named: new Map<string, string>() };
  const marks = new Map<string, { readonly mark: CutMark; readonly spanMm: number }>();
  for (const [start, end] of stretches) {
    const middle = between(from, to, (start + end) / 2);
    const tile = ground.tiles.find(({ box }) => boxContains(box, middle));
    if (tile === undefined) continue;
    const [fromMm, toMm] = [start * lengthMm, end * lengthMm];
    const column = columnAt(middle, columnInputs);
    for (const piece of column.slabs) slabs.push({ piece, fromMm, toMm });
    // A thing crossed several times is named once, at its widest crossing.
    const spanMm = toMm - fromMm;
    if (spanMm > (marks.get(column.mark.name)?.spanMm ?? 0)) {
      marks.set(column.mark.name, { mark: { ...column.mark, atMm: (fromMm + toMm) / 2 }, spanMm });
    }
  }
  for (const upright of inputs.uprights) slabs.push(...cutThrough(upright, inputs, slabs));
  const tiles = tilesAlong(ground, stretches, from, to, lengthMm);
  return {
    lengthMm,
    lowMm: slabs.reduce((low, { piece }) => Math.min(low, piece.bottomMm), 0),
    highMm: slabs.reduce((high, { piece }) => Math.max(high, piece.topMm), stack.ground.value),
    slabs: joined(slabs),
    seams: tiles
      .slice(1)
      .map((tile, i) => ({
        atMm: tile.fromMm,
        name: `${tiles[i]!.id} | ${tile.id}`,
        stepMm: round(topNear(slabs, tile.fromMm, 1) - topNear(slabs, tile.fromMm, -1)),
      })),
    tiles,
    marks: [...marks.values()].map(({ mark }) => mark).sort((a, b) => a.atMm - b.atMm),
  };
}

/** What the cut meets of something that stands, part by part. It stands on the highest ground under the cut. */
const cutThrough = ({ featureId, cutAlong }: Upright, { line: { from, to } }: SectionInputs, under: readonly Slice[]): Slice[] =>
  cutAlong(from, to).flatMap(({ fromMm, toMm, spans }) => {
    const footMm = topBetween(under, fromMm, toMm);
    return spans.map(({ id, name, hatch, fromMm: low, toMm: high, startMm, endMm }): Slice => {
      const piece = { id: `piece-${featureId}-${id}`, name, what: 'piece' as const, hatch, bottomMm: footMm + low, topMm: footMm + high };
      return { piece: { ...piece, isSloped: true }, fromMm: startMm, toMm: endMm };
    });
  });
/** The highest that the ground comes to between two places along the cut; water is stood in. */
function topBetween(slabs: readonly Slice[], fromMm: number, toMm: number): number {
  let topMm = -Infinity;
  for (const { piece, fromMm: start, toMm: end } of slabs)
    if (piece.what === 'layer' && start < toMm && fromMm < end) topMm = Math.max(topMm, piece.topMm);
  return topMm === -Infinity ? 0 : topMm;
}

/** The lands that the cut goes through, in their order: most of a large table is far from the line. */
function metBy(ground: Ground, from: Point, to: Point): Ground {
  const box = boxAround([from, to]);
  return { ...ground, lands: ground.lands.filter(({ whole }) => !isEmpty(whole) && boxesOverlap(regionBox(whole), box)) };
}

/** How high the layers stand just left (−1) or right (1) of a place along the cut; coats and water do not count. */
function topNear(slabs: readonly Slice[], atMm: number, side: 1 | -1): number {
  const place = atMm + side * SEAM_NEAR_MM;
  let topMm = 0;
  for (const { piece, fromMm, toMm } of slabs) {
    if (piece.what === 'layer' && fromMm <= place && place <= toMm) topMm = Math.max(topMm, piece.topMm);
  }
  return topMm;
}
/** So near a seam its level is read. */
const SEAM_NEAR_MM = 0.2;

/** The line split wherever it crosses a tile edge or the edge of anything that shows or stands, and finely on slopes. */
function stretchesAlong(ground: Ground, from: Point, to: Point): (readonly [number, number])[] {
  const regions = [...ground.tiles.map(({ box }) => boxRegion(box)), ...ground.lands.flatMap(({ body, shows }) => [body, shows])];
  const lengthMm = distanceMm(from, to);
  const least = STEP_MM / lengthMm;
  const cuts = [0, ...regions.flatMap((region) => crossings(region, from, to)), 1].sort((a, b) => a - b);
  const apart = cuts.filter((t, i) => i === 0 || t - cuts[i - 1]! > least);
  const uneven = ground.lands.filter((land) => isSloped(land) || overlayOf(land) !== null);
  return apart.slice(1).flatMap((end, i) => {
    const start = apart[i]!;
    const middle = between(from, to, (start + end) / 2);
    if (!uneven.some(({ body, shows }) => contains(body, middle) || contains(shows, middle))) return [[start, end] as const];
    const count = Math.ceil(((end - start) * lengthMm) / SLOPE_STEP_MM);
    return Array.from(
      { length: count },
      (_, k) => [start + ((end - start) * k) / count, start + ((end - start) * (k + 1)) / count] as const,
    );
  });
}

type Piece = Omit<Slab, 'fromMm' | 'toMm' | 'runs'> & { readonly isSloped: boolean };
/** A piece over one stretch of the line. */
interface Slice {
  readonly piece: Piece;
  readonly fromMm: number;
  readonly toMm: number;
}
type Column = { slabs: Piece[]; mark: Omit<CutMark, 'atMm'> };

interface ColumnInputs extends SectionInputs {
  readonly builtMm: (land: Land) => number;
  /** Names of layers as they are met: a slope meets the same few some hundred times. */
  readonly named: Map<string, string>;
}

/** What lies over one another at a point, from the substrate up. */
function columnAt(point: Point, inputs: ColumnInputs): Column {
  const { substrate, ground, stack } = inputs;
  const land = landAt(ground, point);
  const groundMm = stack.ground.value;
  const hole = land?.role === 'hole' ? land : null;
  const floorMm = hole === null ? groundMm : Math.max(substrate === null ? -Infinity : 0, groundMm + heightsOf(hole)(point));
  const column: Building = {
    point,
    hole,
    slabs: baseSlabs(hole, floorMm, inputs),
    topMm: floorMm,
    isUneven: hole !== null && isSloped(hole),
  };
  if (hole === null) addRaised(column, inputs);
  const shown = shownAt(ground, point);
  addFacings(column, shown, inputs);
  addCoat(column, shown, inputs);
  const mark = markFor(shown, column.topMm, groundMm);
  if (hole !== null) addWater(column, hole, groundMm);
  return { slabs: column.slabs, mark };
}

/** A column while it is built, up to `topMm`. */
interface Building {
  readonly point: Point;
  readonly hole: Land | null;
  readonly slabs: Piece[];
  topMm: number;
  /** Something under the coats does not lie level. */
  isUneven: boolean;
}
/** Base layers, those of the ground cut down to the floor of a hole. */
function baseSlabs(hole: Land | null, floorMm: number, inputs: ColumnInputs): Piece[] {
  const slopes = hole !== null && isSloped(hole);
  return inputs.stack.base.flatMap(({ id, kind, materialId, thicknessMm, bottomMm, topMm: uncutMm }) => {
    const isCut = kind === 'ground' && uncutMm > floorMm;
    const topMm = isCut ? floorMm : uncutMm;
    return topMm > bottomMm ? [slab({ id, materialId, thicknessMm, bottomMm, topMm, isSloped: slopes && isCut }, inputs)] : [];
  });
}
/** Layers of raised ground, one on another, carved where they slope. */
function addRaised(column: Building, inputs: ColumnInputs): void {
  const { stack, builtMm } = inputs;
  const { point } = column;
  const under = stack.raised.filter((raised) => contains(raised.land.body, point)).sort((a, b) => a.land.baseMm - b.land.baseMm);
  for (const { land, materialId, buildUp } of under) {
    const carved = isSloped(land);
    column.isUneven ||= carved;
    const surfaceMm = carved ? stack.ground.value + heightsOf(land, builtMm)(point) : Infinity;
    (buildUp?.thicknessesMm ?? []).forEach((thicknessMm, i) => {
      const topMm = Math.min(column.topMm + thicknessMm, surfaceMm);
      if (topMm <= column.topMm) return;
      column.slabs.push(slab({ id: `${land.id}-${i}`, materialId, thicknessMm, bottomMm: column.topMm, topMm, isSloped: carved }, inputs));
      column.topMm = topMm;
    });
  }
}
function addFacings(column: Building, shown: Land | null, inputs: ColumnInputs): void {
  const surface = shown?.zone ?? 'open';
  const isOnSlope = column.hole === null && column.isUneven;
  for (const { id, materialId, thicknessMm } of inputs.stack.facings.find(({ zone }) => zone === surface)?.layers ?? []) {
    const topMm = column.topMm + thicknessMm;
    const facing = { id: `facing-${surface}-${id}`, materialId, thicknessMm, bottomMm: column.topMm, topMm, isSloped: isOnSlope };
    column.slabs.push(slab(facing, inputs));
    column.topMm = topMm;
  }
}
/** Texture with what the feature itself adds, drawn thicker than it is where it would not show. */
function addCoat({ slabs, point, topMm, isUneven }: Building, shown: Land | null, inputs: ColumnInputs): void {
  const surface = shown?.zone ?? 'open';
  const overlay = shown === null ? null : overlayOf(shown);
  const filmMm = coatsAt(shown, surface, inputs).reduce((sum, coat) => sum + filmOf(coat, inputs.catalogue), 0) + (overlay?.(point) ?? 0);
  if (filmMm > 0)
    slabs.push({
      id: `coat-${surface}`,
      name: 'Texture coat',
      what: 'coat',
      hatch: 'solid',
      bottomMm: topMm,
      topMm: topMm + Math.max(filmMm, COAT_DRAWN_MM),
      isSloped: isUneven || overlay !== null,
    });
}
function addWater({ slabs, topMm }: Building, hole: Land, groundMm: number): void {
  const waterMm = waterLevelMm(hole);
  if (waterMm === null || groundMm + waterMm <= topMm) return;
  slabs.push({
    id: `water-${hole.id}`,
    name: hole.name,
    what: 'water',
    hatch: 'water',
    bottomMm: topMm,
    topMm: groundMm + waterMm,
    isSloped: isSloped(hole),
  });
}

function markFor(shown: Land | null, topMm: number, groundMm: number): Column['mark'] {
  const common = { leftMm: round(topMm), levelMm: topMm };
  if (shown === null) return { ...common, name: 'Open ground', lies: 'open', byMm: round(groundMm) };
  const level = round(topMm - groundMm);
  return { ...common, name: shown.name, lies: level > 0 ? 'over' : level < 0 ? 'deep' : 'level', byMm: Math.abs(level) };
}

function tilesAlong(
  ground: Ground,
  stretches: readonly (readonly [number, number])[],
  from: Point,
  to: Point,
  lengthMm: number,
): SectionDrawing['tiles'] {
  const tiles: { fromMm: number; toMm: number; id: string }[] = [];
  for (const [start, end] of stretches) {
    const middle = between(from, to, (start + end) / 2);
    const tile = ground.tiles.find(({ box }) => boxContains(box, middle));
    if (tile === undefined) continue;
    const last = tiles.at(-1);
    if (last?.id === tile.id) last.toMm = end * lengthMm;
    else tiles.push({ fromMm: start * lengthMm, toMm: end * lengthMm, id: tile.id });
  }
  return tiles;
}

/** Neighbouring slabs of the same thing become one: at one height a single stretch, on a slope run after run. */
function joined(slices: readonly Slice[]): Slab[] {
  const open: Joining[] = [];
  const sorted = [...slices].sort((a, b) => a.fromMm - b.fromMm || a.piece.bottomMm - b.piece.bottomMm);
  for (const slice of sorted) {
    const before = open.findLast((other) => goesOn(other, slice));
    if (before === undefined) open.push({ first: slice, toMm: slice.toMm, runs: [runOf(slice)], isSloped: slice.piece.isSloped });
    else append(before, slice);
  }
  return open.map(({ first: { piece, fromMm }, toMm, runs }): Slab => {
    const { id, name, what, hatch } = piece;
    const [bottomMm, topMm] = [Math.min(...runs.map((run) => run.bottomMm)), Math.max(...runs.map((run) => run.topMm))];
    return { id: `${id} ${fromMm.toFixed(1)}`, name, what, hatch, fromMm, toMm, bottomMm, topMm, runs };
  });
}

/** A slab while it is put together. */
interface Joining {
  readonly first: Slice;
  readonly runs: { -readonly [Key in keyof Run]: Run[Key] }[];
  toMm: number;
  isSloped: boolean;
}
const runOf = ({ piece: { bottomMm, topMm }, fromMm, toMm }: Slice): Run => ({ fromMm, toMm, bottomMm, topMm });

function goesOn({ first, toMm, runs, isSloped }: Joining, { piece, fromMm }: Slice): boolean {
  if (Math.abs(toMm - fromMm) >= STEP_MM || first.piece.name !== piece.name || first.piece.what !== piece.what) return false;
  const last = runs.at(-1)!;
  if (isSloped && piece.isSloped) return piece.bottomMm < last.topMm + SLOPE_STEP_MM && last.bottomMm < piece.topMm + SLOPE_STEP_MM;
  return last.bottomMm === piece.bottomMm && last.topMm === piece.topMm;
}

function append(slab: Joining, slice: Slice): void {
  const last = slab.runs.at(-1)!;
  if (last.bottomMm === slice.piece.bottomMm && last.topMm === slice.piece.topMm) last.toMm = slice.toMm;
  else slab.runs.push(runOf(slice));
  slab.toMm = slice.toMm;
  slab.isSloped ||= slice.piece.isSloped;
}

interface Layer extends Pick<Slab, 'id' | 'bottomMm' | 'topMm'> {
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly isSloped: boolean;
}
function slab({ id, materialId, thicknessMm, bottomMm, topMm, isSloped: slopes }: Layer, { units, named, catalogue }: ColumnInputs): Piece {
  const { name, hatch } = materialBy(catalogue, materialId);
  const key = `${materialId} ${thicknessMm}`;
  const full = named.get(key) ?? `${name}, ${lengthWords(thicknessMm, units)}`;
  named.set(key, full);
  return { id, name: full, what: 'layer', hatch, bottomMm, topMm, isSloped: slopes };
}

/** What shows at a place is coated as it says itself, or as its kind of ground is. */
const coatsAt = (shown: Land | null, kind: GroundKind, { coats, surfaces }: SectionInputs): readonly Coat[] =>
  surfaces.find(({ id }) => id === (shown?.feature.surfaceId ?? null))?.coats ?? coats[kind];

function filmOf(coat: Coat, catalogue: Catalogue): number {
  const spread = catalogue.coatings.find(({ id }) => id === coat.coatingId)?.spread;
  return spread?.by === 'film' ? (coat.filmMm ?? spread.filmMm.value) : 0;
}

const round = (mm: number): number => rounded(mm, 1);
