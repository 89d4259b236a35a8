import { type Region, boxesOverlap, clippedTo, isEmpty, regionBox } from '../geometry';
import type { Feature, Shape, Table } from '../plan';
import type { Figure } from '../units';
import { type FeatureGround, measureFeature } from './feature-ground';
import { type Land, settle } from './land';
import { type Tile, tableArea, tableBox, tilesOf } from './tiles';

/** The part of one settled feature that lies on one tile. */
export interface TileLand {
  readonly tileId: string;
  readonly land: Land;
  readonly body: Region;
  readonly shows: Region;
}
/** The ground of a plan: tiles, settled features, and what of each feature falls to each tile. */
export interface Ground {
  readonly tiles: readonly Tile[];
  readonly tableArea: Figure<'mm²'>;
  readonly lands: readonly Land[];
  readonly features: readonly FeatureGround[];
  readonly tileLands: readonly TileLand[];
  /** The same, by tile. */
  readonly onTile: ReadonlyMap<string, readonly TileLand[]>;
}

/** First stage of the pipeline. @param regionOfShape see {@link settle} */
export function layGround(table: Table, features: readonly Feature[], regionOfShape: (shape: Shape) => Region): Ground {
  const tiles = tilesOf(table);
  const lands = settle(table, features, regionOfShape);
  const box = tableBox(table);
  const tileLands = lands.flatMap((land) => onTiles(land, tiles));
  return {
    tiles,
    tableArea: tableArea(table),
    lands,
    features: lands.map((land) => measureFeature(land, box)),
    tileLands,
    onTile: new Map(tiles.map(({ id }) => [id, tileLands.filter(({ tileId }) => tileId === id)])),
  };
}

function onTiles(land: Land, tiles: readonly Tile[]): TileLand[] {
  if (isEmpty(land.whole)) return [];
  const box = regionBox(land.whole);
  return tiles
    .filter((tile) => boxesOverlap(tile.box, box))
    .map((tile) => {
      // Nothing is cut away from most features: then body and surface are one region, clipped once.
      const body = clippedTo(land.body, tile.box);
      const shows = land.shows === land.body ? body : clippedTo(land.shows, tile.box);
      return { tileId: tile.id, land, body, shows };
    })
    .filter(({ body, shows }) => !isEmpty(body) || !isEmpty(shows));
}
