import type { Mend, Warning } from '../checks';
import type { MeasureSystem } from '../base/units';
import type { Catalogue } from '../catalogue';
import type { Feature } from '../features';
import type { PieceScale } from './family';
import type { Footprint } from './footprint';
import type { MadePiece } from './made';

/** What checks of pieces go by. */
export interface CheckInputs {
  readonly made: readonly MadePiece[];
  readonly footprints: ReadonlyMap<string, Footprint>;
  readonly features: readonly Feature[];
  readonly scale: PieceScale;
  readonly stepUpMm: number;
  /** Across the hand that sets figures. */
  readonly handMm: number;
  readonly units: MeasureSystem;
  readonly catalogue: Catalogue;
}
export type Check = (made: MadePiece, inputs: CheckInputs) => Generator<Warning>;

/** A mend that changes settings of a piece. */
export const set = (made: MadePiece, change: Readonly<Record<string, number | string | boolean>>, what: string, label: string): Mend => ({
  label,
  edit: { code: 'piece/set', pieceId: made.piece.id, change, what },
});
