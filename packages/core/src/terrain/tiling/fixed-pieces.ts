import { type Region, areaMm2, boxRegion, intersection } from '../../base/geometry';
import type { Figure } from '../../base/units';
import type { Tile } from '../ground';

/** Something that is glued down, as its tile needs to know it. */
export interface GluedDown {
  readonly featureId: string;
  readonly name: string;
  readonly ground: Region;
  readonly mass: Figure<'g'>;
  readonly high: Figure<'mm'>;
}
/** The tile that carries it. */
export interface OnTile {
  readonly tileId: string;
  /** All tiles that it lies on, the one that carries it first. */
  readonly tileIds: readonly string[];
}
/** Less than this is a touch. */
const ON_MM2 = 20;

/** Each goes with the tile that most of it stands on; what stands beside the table is glued to nothing. */
export const fixedOnTiles = <F extends GluedDown>({
  fixed,
  tiles,
}: {
  readonly fixed: readonly F[];
  readonly tiles: readonly Tile[];
}): readonly (F & OnTile)[] =>
  fixed.flatMap((piece) => {
    const under = tiles
      .map(({ id, box }) => ({ id, mm2: areaMm2(intersection(piece.ground, boxRegion(box))) }))
      .filter(({ mm2 }) => mm2 > ON_MM2)
      .sort((a, b) => b.mm2 - a.mm2);
    return under.length === 0 ? [] : [{ ...piece, tileId: under[0]!.id, tileIds: under.map(({ id }) => id) }];
  });
