import type { PieceFamilyOf } from './family';
import { basin, emplacement, fence, shed, tower } from './families';

/** Every family of pieces there is. A new family is a file of its own and a name here. */
export const FAMILIES = { shed, tower, basin, emplacement, fence };
export type FamilyName = keyof typeof FAMILIES;
export const FAMILY_NAMES = Object.keys(FAMILIES) as readonly FamilyName[];

/** What is to be known of a family before there is a piece of it. */
export const familyNamed = (family: FamilyName): PieceFamilyOf<never> => FAMILIES[family].of as unknown as PieceFamilyOf<never>;
