import type { PieceFamilyOf } from './family';
import {
  basin,
  cable,
  column,
  craterPad,
  emplacement,
  fence,
  floorTiles,
  footbridge,
  front,
  heap,
  hill,
  ownOutline,
  pillaredFloor,
  pipe,
  printed,
  raisedBed,
  rocks,
  roundTower,
  ruin,
  shed,
  stairs,
  tower,
  walkway,
  walls,
} from './families';

/** Every family of pieces there is. A new family is a file of its own and a name here. */
export const FAMILIES = {
  shed,
  tower,
  'round-tower': roundTower,
  walls,
  fence,
  ruin,
  emplacement,
  front,
  basin,
  column,
  'pillared-floor': pillaredFloor,
  stairs,
  footbridge,
  walkway,
  cable,
  pipe,
  hill,
  heap,
  rocks,
  'raised-bed': raisedBed,
  'crater-pad': craterPad,
  'floor-tiles': floorTiles,
  printed,
  'own-outline': ownOutline,
};
export type FamilyName = keyof typeof FAMILIES;
export const FAMILY_NAMES = Object.keys(FAMILIES) as readonly FamilyName[];

/** What is to be known of a family before there is a piece of it. */
export const familyNamed = (family: FamilyName): PieceFamilyOf<never> => FAMILIES[family].of as unknown as PieceFamilyOf<never>;
