import type { GluePlace, GlueSpread, LayerRef, Sealed } from '../../../plan';
import type { Figure } from '../../../base/units';

/** A face that meets another in a joint. */
export interface Face {
  readonly materialId: string;
  /** Of the layer behind it. */
  readonly thicknessMm: number;
  readonly isSealed: boolean;
}
/** One layer under the whole table, heights over the datum (top of the substrate; the substrate lies below 0). */
export interface BaseLayer {
  /** The substrate, or one of the layers of ground on it. */
  readonly kind: 'substrate' | 'ground';
  /** Told apart from all others, whatever its kind. */
  readonly id: string;
  /** Where in the plan it is chosen. */
  readonly ref: LayerRef;
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly bottomMm: number;
  readonly topMm: number;
  readonly sealed: Sealed;
  /** Which way of the table its grain runs; null where nobody says. */
  readonly grain: 'x' | 'y' | null;
  /** Adhesive to what is below; null when nothing is. */
  readonly glueId: string | null;
}
/** A face glued to another: where, what lies on what, and how much of it on the whole table. */
export interface Joint {
  readonly id: string;
  readonly label: string;
  /** Where in the plan its adhesive is chosen. */
  readonly place: GluePlace;
  /** The layer it lies on, where that is one under the whole table. */
  readonly lowerLayer: LayerRef | null;
  readonly featureId: string | null;
  /** The step of a feature that is glued down; null in the base. */
  readonly landId: string | null;
  readonly lower: Face;
  readonly upper: Face;
  readonly adhesiveId: string;
  readonly spread: GlueSpread;
  /** Pressed, scored or textured from above, so that it needs glue under all of it. */
  readonly isWorked: boolean;
  readonly area: Figure<'mm²'>;
}
