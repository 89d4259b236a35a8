import type { PieceFamilyOf } from './family';
import { basin, column, emplacement, fence, floorTiles, footbridge, hill, pipe, ruin, shed, stairs, tower, walls } from './families';

/** Every family of pieces there is. A new family is a file of its own and a name here. */
export const FAMILIES = {
  shed,
  tower,
  walls,
  fence,
  ruin,
  emplacement,
  basin,
  column,
  stairs,
  footbridge,
  pipe,
  hill,
  'floor-tiles': floorTiles,
};
export type FamilyName = keyof typeof FAMILIES;
export const FAMILY_NAMES = Object.keys(FAMILIES) as readonly FamilyName[];

/** What is to be known of a family before there is a piece of it. */
export const familyNamed = (family: FamilyName): PieceFamilyOf<never> => FAMILIES[family].of as unknown as PieceFamilyOf<never>;
