import { type Catalogue, materialBy } from '../catalogue';
import { type Point, between, crossings, distanceMm, boxRegion, contains } from '../geometry';
import { type Ground, isSunk, landAt, surfaceAt } from '../ground';
import type { Coat, Plan } from '../plan';
import type { BoardStack } from '../stack';

/** One upright slab of one material along the cut; heights over the datum, lengths along the cut line, all mm. */
export interface Slab {
  readonly id: string;
  readonly name: string;
  readonly what: 'layer' | 'coat' | 'water';
  readonly hatch: string;
  readonly fromMm: number;
  readonly toMm: number;
  readonly bottomMm: number;
  readonly topMm: number;
}
/** Something the cut crosses, to be named beside the drawing. */
export interface CutMark {
  readonly name: string;
  readonly detail: string;
  readonly atMm: number;
  readonly levelMm: number;
}
/** The cut, ready to be placed: slabs, the tiles and seams it crosses, names, and the extent of it all. */
export interface SectionDrawing {
  readonly lengthMm: number;
  readonly lowMm: number;
  readonly highMm: number;
  readonly slabs: readonly Slab[];
  readonly seams: readonly { readonly atMm: number; readonly name: string }[];
  readonly tiles: readonly { readonly fromMm: number; readonly toMm: number; readonly id: string }[];
  readonly marks: readonly CutMark[];
}

/** Coats are drawn at least this thick, or no eye would find them. */
const COAT_DRAWN_MM = 1.2;
/** Pieces shorter than this are the two sides of one crossing. */
const STEP_MM = 0.05;

/** Cuts the board along the plan's section line. Outside the table there is nothing. */
export function sectionDrawing(plan: Plan, ground: Ground, stack: BoardStack, catalogue: Catalogue): SectionDrawing {
  const { from, to } = plan.section;
  const lengthMm = distanceMm(from, to);
  const stretches = lengthMm === 0 ? [] : stretchesAlong(ground, from, to);
  const slabs: Slab[] = [];
  const marks = new Map<string, { readonly mark: CutMark; readonly spanMm: number }>();
  for (const [start, end] of stretches) {
    const middle = between(from, to, (start + end) / 2);
    const tile = ground.tiles.find(({ box }) => contains(boxRegion(box), middle));
    if (tile === undefined) continue;
    const [fromMm, toMm] = [start * lengthMm, end * lengthMm];
    const column = columnAt(plan, ground, stack, catalogue, middle);
    slabs.push(...column.slabs.map((slab) => ({ ...slab, id: `${slab.id} ${fromMm.toFixed(1)}`, fromMm, toMm })));
    // A thing crossed several times is named once, at its widest crossing.
    const spanMm = toMm - fromMm;
    if (spanMm > (marks.get(column.mark.name)?.spanMm ?? 0)) {
      marks.set(column.mark.name, { mark: { ...column.mark, atMm: (fromMm + toMm) / 2 }, spanMm });
    }
  }
  const tiles = tilesAlong(ground, stretches, from, to, lengthMm);
  return {
    lengthMm,
    lowMm: Math.min(0, ...slabs.map(({ bottomMm }) => bottomMm)),
    highMm: Math.max(stack.ground.value, ...slabs.map(({ topMm }) => topMm)),
    slabs: joined(slabs),
    seams: tiles.slice(1).map((tile, i) => ({ atMm: tile.fromMm, name: `${tiles[i]!.id} | ${tile.id}` })),
    tiles,
    marks: [...marks.values()].map(({ mark }) => mark).sort((a, b) => a.atMm - b.atMm),
  };
}

/** The line split wherever it crosses a tile edge or the edge of anything that shows or stands. */
function stretchesAlong(ground: Ground, from: Point, to: Point): (readonly [number, number])[] {
  const regions = [...ground.tiles.map(({ box }) => boxRegion(box)), ...ground.lands.flatMap(({ body, shows }) => [body, shows])];
  const least = STEP_MM / distanceMm(from, to);
  const cuts = [0, ...regions.flatMap((region) => crossings(region, from, to)), 1].sort((a, b) => a - b);
  const apart = cuts.filter((t, i) => i === 0 || t - cuts[i - 1]! > least);
  return apart.slice(1).map((end, i) => [apart[i]!, end] as const);
}

type Column = { slabs: Omit<Slab, 'fromMm' | 'toMm'>[]; mark: Omit<CutMark, 'atMm'> };

/** What lies over one another at a point, from the substrate up. */
function columnAt(plan: Plan, ground: Ground, stack: BoardStack, catalogue: Catalogue, point: Point): Column {
  const land = landAt(ground, point);
  const groundMm = stack.ground.value;
  const pit = land !== null && isSunk(land.feature) ? land.feature : null;
  const floorMm = pit === null ? groundMm : Math.max(plan.stack.substrate === null ? -Infinity : 0, groundMm - pit.depthMm);
  const slabs: Column['slabs'] = stack.base
    .map((layer) => ({ ...layer, topMm: layer.id === 'substrate' ? layer.topMm : Math.min(layer.topMm, floorMm) }))
    .filter((layer) => layer.topMm > layer.bottomMm)
    .map((layer) => slab(layer.id, layer.materialId, layer.thicknessMm, layer.bottomMm, layer.topMm, catalogue));
  let topMm = floorMm;
  const under =
    pit === null ? stack.raised.filter((raised) => contains(raised.land.body, point)).sort((a, b) => a.land.baseMm - b.land.baseMm) : [];
  for (const { land: lift, materialId, buildUp } of under) {
    (buildUp?.thicknessesMm ?? []).forEach((thicknessMm, i) => {
      slabs.push(slab(`${lift.feature.id}-${i}`, materialId, thicknessMm, topMm, topMm + thicknessMm, catalogue));
      topMm += thicknessMm;
    });
  }
  const surface = surfaceAt(ground, point);
  const filmMm = plan.coats[surface].reduce((sum, coat) => sum + filmOf(coat, catalogue), 0);
  if (filmMm > 0)
    slabs.push({
      id: `coat-${surface}`,
      name: 'Texture coat',
      what: 'coat',
      hatch: 'solid',
      bottomMm: topMm,
      topMm: topMm + Math.max(filmMm, COAT_DRAWN_MM),
    });
  if (pit?.kind === 'water')
    slabs.push({ id: `water-${pit.id}`, name: pit.name, what: 'water', hatch: 'water', bottomMm: topMm, topMm: topMm + pit.waterMm });
  return { slabs, mark: markFor(ground, point, surface, topMm, groundMm) };
}

function markFor(ground: Ground, point: Point, surface: ReturnType<typeof surfaceAt>, topMm: number, groundMm: number): Column['mark'] {
  const shown = ground.lands.find(({ shows }) => contains(shows, point));
  if (surface === 'open' || shown === undefined)
    return { name: 'Open ground', detail: `${round(groundMm)} mm over the substrate`, levelMm: topMm };
  const { feature } = shown;
  const level = round(topMm - groundMm);
  const detail =
    level > 0 ? `${level} mm over the ground` : level < 0 ? `${-level} mm deep, ${round(topMm)} mm left under` : 'level with the ground';
  return { name: feature.name, detail, levelMm: topMm };
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
    const tile = ground.tiles.find(({ box }) => contains(boxRegion(box), middle));
    if (tile === undefined) continue;
    const last = tiles.at(-1);
    if (last?.id === tile.id) last.toMm = end * lengthMm;
    else tiles.push({ fromMm: start * lengthMm, toMm: end * lengthMm, id: tile.id });
  }
  return tiles;
}

/** Neighbouring slabs of the same thing at the same height become one. */
function joined(slabs: readonly Slab[]): Slab[] {
  const out: Slab[] = [];
  for (const slab of [...slabs].sort((a, b) => a.bottomMm - b.bottomMm || a.fromMm - b.fromMm)) {
    const i = out.findIndex(
      (other) =>
        other.name === slab.name &&
        other.what === slab.what &&
        other.bottomMm === slab.bottomMm &&
        other.topMm === slab.topMm &&
        Math.abs(other.toMm - slab.fromMm) < STEP_MM,
    );
    if (i < 0) out.push(slab);
    else out[i] = { ...out[i]!, toMm: slab.toMm };
  }
  return out;
}

function slab(
  id: string,
  materialId: string,
  thicknessMm: number,
  bottomMm: number,
  topMm: number,
  catalogue: Catalogue,
): Column['slabs'][number] {
  const { name, hatch } = materialBy(catalogue, materialId);
  return { id, name: `${name}, ${thicknessMm} mm`, what: 'layer', hatch, bottomMm, topMm };
}

function filmOf(coat: Coat, catalogue: Catalogue): number {
  const spread = catalogue.stuffs.find(({ id }) => id === coat.stuffId)?.spread;
  return spread?.by === 'film' ? (coat.filmMm ?? spread.filmMm.value) : 0;
}

const round = (mm: number): number => Math.round(mm * 10) / 10;
