import type { Figure } from '../units';
import type { Mend } from './mends';

/** The view in which a warning is best looked at. */
export type WarningView = 'ground' | 'section' | 'cuts' | 'supplies' | 'days';

/** Something that will go wrong, as data: what, where, why, and what one click can do about it. */
export interface Warning {
  /** Stable for the same trouble in the same place. */
  readonly id: string;
  readonly code: string;
  /** `stop`: cannot be built so. `care`: can, with trouble. */
  readonly severity: 'stop' | 'care';
  readonly view: WarningView;
  readonly featureId: string | null;
  readonly title: string;
  /** Words and figures in turn; figures open to their working. */
  readonly text: readonly (string | Figure)[];
  readonly mends: readonly Mend[];
}
