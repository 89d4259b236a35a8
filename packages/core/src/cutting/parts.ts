import { type Catalogue, materialBy } from '../catalogue';
import {
  type Point,
  type Region,
  areaMm2,
  boxRegion,
  clippedTo,
  edgeMm,
  intersection,
  pieces,
  regionBox,
  unite,
  without,
} from '../geometry';
import { type Ground, type Tile, ZONE_NAMES, bowlShare, isBowl, isSunk } from '../ground';
import type { Plan, Split, Table } from '../plan';
import { type BaseLayer, type BoardStack, goesThrough } from '../stack';

/** One thing to cut from a sheet. The outline starts at 0, 0; the size is the box that has to fit. */
export interface Part {
  readonly id: string;
  readonly name: string;
  readonly tileId: string;
  readonly featureId: string | null;
  readonly stage: 'base' | 'rim' | 'raised' | 'facing';
  readonly materialId: string;
  readonly thicknessMm: number;
  /** The layer it belongs to, from the lowest up within its stage: what lies over what. */
  readonly level: number;
  /** Way of its own box that the grain of the sheet must run; null where it may lie as it likes. */
  readonly grain: 'x' | 'y' | null;
  /** Where its box's corner lies on the table; null for what goes round or under it. */
  readonly at: Point | null;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly outline: Region;
  readonly areaMm2: number;
  /** What of it stays on the board: less than its area where it is trimmed flush later. */
  readonly staysMm2: number;
  readonly cutMm: number;
}
/** Hollow to carve into a layer that a pit does not go through. */
export interface Hollow {
  readonly tileId: string;
  readonly featureId: string;
  readonly areaMm2: number;
  readonly volumeMm3: number;
}
export interface PartList {
  readonly parts: readonly Part[];
  readonly hollows: readonly Hollow[];
}

/** Slivers under this break off in the hand and are not parts. */
const SLIVER_MM2 = 25;

/** Fourth stage: what is cut for each tile, layer by layer, with pits that go through a layer left out of it, and large parts in the pieces they are split into. */
export function partsOf(
  ground: Ground,
  stack: BoardStack,
  plan: Pick<Plan, 'table' | 'stack' | 'cutting'>,
  catalogue: Catalogue,
): PartList {
  const whole = ground.tiles.flatMap((tile) => [
    ...baseParts(tile, ground, stack, plan.stack, catalogue),
    ...rimParts(tile, plan.table),
    ...battenParts(tile, plan.stack),
    ...raisedParts(tile, ground, stack, plan.stack, catalogue),
    ...facingParts(tile, ground, stack, catalogue),
  ]);
  return {
    parts: plan.cutting.splits.length === 0 ? whole : whole.flatMap((part) => inPieces(part, plan.cutting.splits)),
    hollows: ground.tiles.flatMap((tile) => hollowsIn(tile, ground, stack)),
  };
}

/** A part in the pieces its splits make of it, each of which may be split again. Joints off the part make none. */
function inPieces(part: Part, splits: readonly Split[]): Part[] {
  const split = splits.find(({ partKey }) => partKey === part.id);
  if (split === undefined) return [part];
  const isX = split.along === 'x';
  const sizeMm = isX ? part.widthMm : part.depthMm;
  const lines = [...new Set(split.atMm)].filter((mm) => mm > 1 && mm < sizeMm - 1).sort((a, b) => a - b);
  if (lines.length === 0) return [part];
  const edges = [0, ...lines, sizeMm];
  const { at } = part;
  return edges.slice(1).flatMap((to, i) => {
    const from = edges[i]!;
    const strip = isX ? { left: from, right: to, top: 0, bottom: part.depthMm } : { left: 0, right: part.widthMm, top: from, bottom: to };
    const own = cutOut(clippedTo(part.outline, strip), `${part.id}/${i + 1}`, {
      ...part,
      name: `${part.name}, piece ${i + 1} of ${edges.length - 1}`,
    });
    const placed = own.map((piece) => ({ ...piece, at: at === null ? null : { x: at.x + piece.at!.x, y: at.y + piece.at!.y } }));
    // Of an oversize part each piece stays by as much as of the whole.
    const share = part.staysMm2 / part.areaMm2;
    return placed.flatMap((piece) => inPieces({ ...piece, staysMm2: piece.areaMm2 * share }, splits));
  });
}

/** Grain that matters to a part: only where the material has one and the plan says which way it runs. */
const grainOf = (materialId: string, grain: 'x' | 'y' | null, catalogue: Catalogue): 'x' | 'y' | null =>
  materialBy(catalogue, materialId).hasGrain ? grain : null;

function baseParts(tile: Tile, ground: Ground, stack: BoardStack, { edges, allowanceMm }: Plan['stack'], catalogue: Catalogue): Part[] {
  const { left, top, right, bottom } = tile.cutBox;
  return stack.base.flatMap((layer, level) => {
    // Trimmed flush later: everything but the lowest layer, which guides the blade.
    const overMm = edges === 'trim-after' && level > 0 ? allowanceMm : 0;
    const square = boxRegion({ left: left - overMm, top: top - overMm, right: right + overMm, bottom: bottom + overMm });
    const holes = ground.onTile
      .get(tile.id)!
      .filter(
        ({ land: { feature, role, levelMm } }) =>
          layer.id !== 'substrate' && role === 'hole' && !isBowl(feature) && goesThrough(-levelMm, layer, stack.ground.value),
      )
      .map(({ body }) => body);
    const flush = overMm === 0 ? null : boxRegion(tile.cutBox);
    const kept: Kept = {
      name: `${tile.id} ${layerName(layer, stack)}`,
      tileId: tile.id,
      featureId: null,
      stage: 'base',
      materialId: layer.materialId,
      thicknessMm: layer.thicknessMm,
      level,
      grain: grainOf(layer.materialId, layer.grain, catalogue),
    };
    return cutOut(without(square, holes), `${tile.id}-${layer.id}`, kept, flush);
  });
}

/** Four strips round a tile: two over its whole width, two between them. */
function rimParts(tile: Tile, { rim }: Table): Part[] {
  if (rim === null) return [];
  const { left, top, right, bottom } = tile.cutBox;
  const [widthMm, depthMm] = [right - left + 2 * rim.thicknessMm, bottom - top];
  return [widthMm, widthMm, depthMm, depthMm].flatMap((longMm, i) => strip(tile, `rim-${i}`, `rim ${i + 1}`, longMm, rim));
}

/** Strips on edge under a tile, along its longer side. */
function battenParts(tile: Tile, { battens }: Plan['stack']): Part[] {
  if (battens === null) return [];
  const { left, top, right, bottom } = tile.cutBox;
  const longMm = Math.max(right - left, bottom - top);
  return Array.from({ length: battens.count }, (_, i) => strip(tile, `batten-${i}`, `batten ${i + 1}`, longMm, battens)).flat();
}

function strip(
  tile: Tile,
  id: string,
  name: string,
  longMm: number,
  { materialId, thicknessMm, heightMm }: { readonly materialId: string; readonly thicknessMm: number; readonly heightMm: number },
): Part[] {
  return cutOut(boxRegion({ left: 0, top: 0, right: longMm, bottom: heightMm }), `${tile.id}-${id}`, {
    name: `${tile.id} ${name}`,
    tileId: tile.id,
    featureId: null,
    stage: 'rim',
    materialId,
    thicknessMm,
    level: 0,
    grain: null,
  }).map((part) => ({ ...part, at: null }));
}

/** Coverings, as far as their kind of surface shows on a tile. */
function facingParts(tile: Tile, ground: Ground, stack: BoardStack, catalogue: Catalogue): Part[] {
  const here = ground.onTile.get(tile.id)!;
  return stack.facings.flatMap(({ zone, layers }) => {
    const shown = here.filter(({ land }) => (zone === 'open' ? land.zone !== null : land.zone === zone)).map(({ shows }) => shows);
    const region = zone === 'open' ? without(boxRegion(tile.cutBox), shown) : clippedTo(unite(shown), tile.cutBox);
    return layers.flatMap((layer, level) =>
      cutOut(region, `${tile.id}-${zone}-${layer.id}`, {
        name: `${tile.id} ${ZONE_NAMES[zone].toLowerCase()}, ${materialBy(catalogue, layer.materialId).name.toLowerCase()}`,
        tileId: tile.id,
        featureId: null,
        stage: 'facing',
        materialId: layer.materialId,
        thicknessMm: layer.thicknessMm,
        level,
        grain: grainOf(layer.materialId, layer.grain, catalogue),
      }),
    );
  });
}

/** `ground`, or `ground, layer 2` where there are several. */
function layerName(layer: BaseLayer, { base }: BoardStack): string {
  if (layer.id === 'substrate') return 'substrate';
  const ground = base.filter(({ id }) => id !== 'substrate');
  return ground.length === 1 ? 'ground' : `ground, layer ${ground.indexOf(layer) + 1}`;
}

function raisedParts(tile: Tile, ground: Ground, stack: BoardStack, { raised }: Plan['stack'], catalogue: Catalogue): Part[] {
  return stack.raised.flatMap(({ land, buildUp, materialId }) => {
    const here = ground.onTile.get(tile.id)!.find((tileLand) => tileLand.land === land);
    if (here === undefined || buildUp === null) return [];
    const region = clippedTo(here.body, tile.cutBox);
    return buildUp.thicknessesMm.flatMap((thicknessMm, i) => {
      const level = buildUp.thicknessesMm.length === 1 ? '' : `, layer ${i + 1}`;
      // A single layer has nothing to cross.
      const grain = raised.crossGrain && buildUp.thicknessesMm.length > 1 ? (i % 2 === 0 ? 'x' : 'y') : null;
      return cutOut(region, `${tile.id}-${land.id}-${i}`, {
        name: `${tile.id} ${land.name}${level}`,
        tileId: tile.id,
        featureId: land.feature.id,
        stage: 'raised',
        materialId,
        thicknessMm,
        level: i,
        grain: grainOf(materialId, grain, catalogue),
      });
    });
  });
}

type Kept = Pick<Part, 'name' | 'tileId' | 'featureId' | 'stage' | 'materialId' | 'thicknessMm' | 'level' | 'grain'>;

/** Each separate piece of a region becomes a part, moved so that its box starts at 0, 0. @param within what of it stays, where it is trimmed later */
function cutOut(region: Region, id: string, kept: Kept, within: Region | null = null): Part[] {
  const all = pieces(region).filter((piece) => areaMm2(piece) >= SLIVER_MM2);
  return all.map((piece, i) => {
    const { left, top, right, bottom } = regionBox(piece);
    const suffix = all.length === 1 ? '' : ` (${i + 1} of ${all.length})`;
    return {
      ...kept,
      id: `${id}-${i}`,
      name: kept.name + suffix,
      at: { x: tidy(left), y: tidy(top) },
      widthMm: tidy(right - left),
      depthMm: tidy(bottom - top),
      outline: { rings: piece.rings.map((ring) => ring.map(({ x, y }) => ({ x: tidy(x - left), y: tidy(y - top) }))) },
      areaMm2: areaMm2(piece),
      staysMm2: areaMm2(within === null ? piece : intersection(piece, within)),
      cutMm: edgeMm(piece),
    };
  });
}

/** What a pit takes out of the one layer its floor lies in; a bowl is carved through all it reaches. */
function hollowsIn(tile: Tile, ground: Ground, stack: BoardStack): Hollow[] {
  return ground.onTile.get(tile.id)!.flatMap(({ land: { feature, role }, body }): Hollow[] => {
    if (role !== 'hole' || !isSunk(feature)) return [];
    if (isBowl(feature)) {
      const mm2 = areaMm2(body);
      const share = bowlShare(feature.shape, feature.depthMm, feature.depthMm);
      return [{ tileId: tile.id, featureId: feature.id, areaMm2: mm2, volumeMm3: mm2 * feature.depthMm * share }];
    }
    const floorMm = stack.ground.value - feature.depthMm;
    const layer = stack.base.find(({ id, bottomMm, topMm }) => id !== 'substrate' && floorMm > bottomMm && floorMm < topMm);
    if (layer === undefined || goesThrough(feature.depthMm, layer, stack.ground.value)) return [];
    const mm2 = areaMm2(body);
    return [{ tileId: tile.id, featureId: feature.id, areaMm2: mm2, volumeMm3: mm2 * (layer.topMm - floorMm) }];
  });
}

/** The clipper works to a thousandth; so do cut sizes. */
const tidy = (mm: number): number => Math.round(mm * 1000) / 1000;
