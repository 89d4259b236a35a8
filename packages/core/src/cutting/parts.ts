import { type Region, areaMm2, boxRegion, edgeMm, intersection, pieces, regionBox, without } from '../geometry';
import { type Ground, type Tile, bowlShare, isBowl, isSunk } from '../ground';
import type { Table } from '../plan';
import { type BaseLayer, type BoardStack, goesThrough } from '../stack';

/** One thing to cut from a sheet. The outline starts at 0, 0; the size is the box that has to fit. */
export interface Part {
  readonly id: string;
  readonly name: string;
  readonly tileId: string;
  readonly featureId: string | null;
  readonly stage: 'base' | 'rim' | 'raised';
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly outline: Region;
  readonly areaMm2: number;
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

/** Fourth stage: what is cut for each tile, layer by layer, with pits that go through a layer left out of it. */
export function partsOf(ground: Ground, stack: BoardStack, table: Table): PartList {
  return {
    parts: ground.tiles.flatMap((tile) => [
      ...baseParts(tile, ground, stack),
      ...rimParts(tile, table),
      ...raisedParts(tile, ground, stack),
    ]),
    hollows: ground.tiles.flatMap((tile) => hollowsIn(tile, ground, stack)),
  };
}

function baseParts(tile: Tile, ground: Ground, stack: BoardStack): Part[] {
  const square = boxRegion(tile.cutBox);
  return stack.base.flatMap((layer) => {
    const holes = ground.onTile
      .get(tile.id)!
      .filter(
        ({ land: { feature, role, levelMm } }) =>
          layer.id !== 'substrate' && role === 'hole' && !isBowl(feature) && goesThrough(-levelMm, layer, stack.ground.value),
      )
      .map(({ body }) => body);
    return cutOut(without(square, holes), `${tile.id}-${layer.id}`, {
      name: `${tile.id} ${layerName(layer, stack)}`,
      tileId: tile.id,
      featureId: null,
      stage: 'base',
      materialId: layer.materialId,
      thicknessMm: layer.thicknessMm,
    });
  });
}

/** Four strips round a tile: two over its whole width, two between them. */
function rimParts(tile: Tile, { rim }: Table): Part[] {
  if (rim === null) return [];
  const { left, top, right, bottom } = tile.cutBox;
  const [widthMm, depthMm] = [right - left + 2 * rim.thicknessMm, bottom - top];
  return [widthMm, widthMm, depthMm, depthMm].flatMap((longMm, i) =>
    cutOut(boxRegion({ left: 0, top: 0, right: longMm, bottom: rim.heightMm }), `${tile.id}-rim-${i}`, {
      name: `${tile.id} rim ${i + 1}`,
      tileId: tile.id,
      featureId: null,
      stage: 'rim',
      materialId: rim.materialId,
      thicknessMm: rim.thicknessMm,
    }),
  );
}

/** `ground`, or `ground, layer 2` where there are several. */
function layerName(layer: BaseLayer, { base }: BoardStack): string {
  if (layer.id === 'substrate') return 'substrate';
  const ground = base.filter(({ id }) => id !== 'substrate');
  return ground.length === 1 ? 'ground' : `ground, layer ${ground.indexOf(layer) + 1}`;
}

function raisedParts(tile: Tile, ground: Ground, stack: BoardStack): Part[] {
  return stack.raised.flatMap(({ land, buildUp, materialId }) => {
    const here = ground.onTile.get(tile.id)!.find((tileLand) => tileLand.land === land);
    if (here === undefined || buildUp === null) return [];
    const region = intersection(here.body, boxRegion(tile.cutBox));
    return buildUp.thicknessesMm.flatMap((thicknessMm, i) => {
      const level = buildUp.thicknessesMm.length === 1 ? '' : `, layer ${i + 1}`;
      return cutOut(region, `${tile.id}-${land.id}-${i}`, {
        name: `${tile.id} ${land.name}${level}`,
        tileId: tile.id,
        featureId: land.feature.id,
        stage: 'raised',
        materialId,
        thicknessMm,
      });
    });
  });
}

type Kept = Pick<Part, 'name' | 'tileId' | 'featureId' | 'stage' | 'materialId' | 'thicknessMm'>;

/** Each separate piece of a region becomes a part, moved so that its box starts at 0, 0. */
function cutOut(region: Region, id: string, kept: Kept): Part[] {
  const all = pieces(region).filter((piece) => areaMm2(piece) >= SLIVER_MM2);
  return all.map((piece, i) => {
    const { left, top, right, bottom } = regionBox(piece);
    const suffix = all.length === 1 ? '' : ` (${i + 1} of ${all.length})`;
    return {
      ...kept,
      id: `${id}-${i}`,
      name: kept.name + suffix,
      widthMm: tidy(right - left),
      depthMm: tidy(bottom - top),
      outline: { rings: piece.rings.map((ring) => ring.map(({ x, y }) => ({ x: tidy(x - left), y: tidy(y - top) }))) },
      areaMm2: areaMm2(piece),
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
