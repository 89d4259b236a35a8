import type { Table } from '../../plan';
import type { Feature } from '../../plan/features';
import { listedBy } from '../../base/grouping';
import { memoize, sameList } from '../../base/memory';
import { type Region, boxesOverlap, clippedTo, isEmpty, regionBox } from '../../base/geometry';
import type { Figure } from '../../base/units';
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

/** Lays the features of a plan on its table. */
export function layGround({ table, features }: { readonly table: Table; readonly features: readonly Feature[] }): Ground {
  const tiles = tilesOf(table);
  const lands = settle(table, features);
  const box = tableBox(table);
  const tileLands = lands.flatMap((land) => onTiles(land, tiles));
  const byTile = listedBy(tileLands, ({ tileId }) => tileId);
  return {
    tiles,
    tableArea: tableArea(table),
    lands,
    features: lands.map((land) => measureFeature(land, box)),
    tileLands,
    onTile: new Map(tiles.map((tile) => [tile.id, sameOnTile(tile, byTile.get(tile.id) ?? [])])),
  };
}
const sameOnTile = sameList<Tile>();

/** What of a land falls to each tile. */
const onTiles = memoize((land: Land, tiles: readonly Tile[]): readonly TileLand[] => {
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
});
