import { type Adhesive, type Catalogue, estimated, offered } from '../../../catalogue';
import type { GlueSpread } from '../../../plan';
import { type Figure, given } from '../../../base/units';
import type { Face } from '../joint';
import { type GlueFit, glueFit } from './glue';

/** One adhesive on one pair of faces: what it does there, how long it takes, and how it is laid on. */
export interface AdhesiveRow {
  readonly adhesive: Adhesive;
  /** How it does laid on in its usual way. */
  readonly fit: GlueFit;
  /** Ways of laying it on in which it holds; empty where none does. */
  readonly holdsIn: readonly GlueSpread[];
  readonly open: Figure<'min'>;
  readonly clamp: Figure<'min'>;
  readonly cure: Figure<'min'>;
}

/** The compatibility table for a pair of faces: what holds first, the quickest to let go of the clamps before the slower. @param keptId the one in use @source craft.md §3 */
export function adhesiveRows(lower: Face, upper: Face, catalogue: Catalogue, keptId?: string): readonly AdhesiveRow[] {
  const rows = offered(catalogue, 'adhesives', keptId).map((adhesive): AdhesiveRow => {
    const { name, spreads, openMin, handleMin, fullMin } = adhesive;
    return {
      adhesive,
      fit: glueFit(adhesive, lower, upper, spreads[0]!, catalogue),
      holdsIn: spreads.filter((spread) => glueFit(adhesive, lower, upper, spread, catalogue) === 'holds'),
      open: given(`${name}, open`, openMin, 'min', 'catalogue', 'our default value; the product label comes first'),
      clamp: estimated(`${name}, under weight`, handleMin, 'min'),
      cure: given(`${name}, full cure`, fullMin, 'min', 'catalogue', 'our default value; the product label comes first'),
    };
  });
  return rows.sort((a, b) => Number(a.holdsIn.length === 0) - Number(b.holdsIn.length === 0) || a.clamp.value - b.clamp.value);
}
