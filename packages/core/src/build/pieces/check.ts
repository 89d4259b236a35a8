import type { QuickFix, Warning } from '../../advice/checks';
import type { MeasureSystem } from '../../base/units';
import type { Catalogue } from '../../catalogue';
import type { PieceScale } from './family';
import type { MadePiece } from './making/made';

/** What checks of one piece go by. */
export interface CheckInputs {
  /** It stands on a plot of the table. */
  readonly isOnPlot: boolean;
  readonly scale: PieceScale;
  readonly stepUpMm: number;
  /** Across the hand that sets figures. */
  readonly handMm: number;
  readonly units: MeasureSystem;
  readonly catalogue: Catalogue;
}
export type Check = (made: MadePiece, inputs: CheckInputs) => Generator<Warning>;

/** A mend that changes settings of a piece. */
export const set = (
  made: MadePiece,
  change: Readonly<Record<string, number | string | boolean>>,
  what: string,
  label: string,
): QuickFix => ({ label, edit: { code: 'piece/set', pieceId: made.piece.id, change, what } });
