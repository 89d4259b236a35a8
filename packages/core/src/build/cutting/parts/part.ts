import type { FlatPart } from '../../shell';
import type { Shaped } from '../nesting';
import type { Point } from '../../../base/geometry';

/** When in the building a part is cut. */
export type PartStage = 'base' | 'rim' | 'raised' | 'facing' | 'piece';

/** One thing to cut from a sheet. The outline starts at 0, 0; the size is the box that has to fit. */
export interface Part extends Shaped {
  readonly name: string;
  /** What it was before it was split, however often; its own id where it is whole. */
  readonly wholeId: string;
  readonly wholeName: string;
  /** The tile or piece it is built into. */
  readonly workpieceId: string;
  readonly featureId: string | null;
  readonly stage: PartStage;
  readonly materialId: string;
  readonly thicknessMm: number;
  /** The layer it belongs to, from the lowest up within its stage: what lies over what. */
  readonly level: number;
  /** Where its box's corner lies on the table; null for what goes round or under it. */
  readonly at: Point | null;
  /** What of it stays on the board: less than its area where it is trimmed flush later. */
  readonly staysMm2: number;
  readonly cutMm: number;
  /** What is cut from it once it is glued in a strip, in order; said at its first layer. */
  readonly segments?: readonly Segments[];
  /** Cut roughly and trimmed later: nothing of it is marked. */
  readonly isRough?: true;
  /** What is marked on it besides its outline, for parts of pieces. */
  readonly marks?: PartMarks;
}
/** Equal segments, one after the other. */
export interface Segments {
  readonly name: string;
  readonly count: number;
  readonly lengthMm: number;
}
/** Lines of a part within its box: both its outlines, cuts that lean, folds and scores. */
export type PartMarks = Pick<FlatPart, 'drawn' | 'far' | 'bevels' | 'folds' | 'scores'>;
/** Hollow to carve into a layer that a pit does not go through. */
export interface Hollow {
  readonly workpieceId: string;
  readonly featureId: string;
  readonly areaMm2: number;
  readonly volumeMm3: number;
}
export interface PartList {
  readonly parts: readonly Part[];
  readonly hollows: readonly Hollow[];
}

/** Up to so many equal parts are marked, cut and fitted one by one; nobody sets anything up for them. */
export const FEW_PARTS = 10;

export const isPieceOf = (part: Part): boolean => part.id !== part.wholeId;
