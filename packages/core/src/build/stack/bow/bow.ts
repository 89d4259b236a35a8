import type { Coat, Plan } from '../../../plan';
import type { Catalogue } from '../../../catalogue';
import type { Tile } from '../../../terrain/ground';
import { type Figure, given, calculate, total } from '../../../base/units';
import { type Lamina, bendingStiffness, bowOver, curvature } from './lamination';
import type { GroundStack } from '../stack';
import { type BowCause, type Sheet, sheetsOfStack } from './strains';

/** What a cause does to the largest tile: rise of its middle over its longer side. */
export interface BowPart {
  readonly cause: BowCause;
  readonly bow: Figure<'mm'>;
}
/** What a bow is reckoned from. */
export interface BowInputs {
  readonly stack: Plan['stack'];
  /** On open ground: what covers most of a tile bends it. */
  readonly openCoats: readonly Coat[];
  readonly tiles: readonly Tile[];
  readonly base: GroundStack['base'];
  readonly joints: GroundStack['joints'];
  readonly catalogue: Catalogue;
}

/** How far the largest tile bows. Positive: up in the middle. */
export interface Bow {
  readonly span: Figure<'mm'>;
  readonly likely: Figure<'mm'>;
  readonly least: Figure<'mm'>;
  readonly most: Figure<'mm'>;
  /** The farther of the two ends of the range, without its sign. */
  readonly worst: Figure<'mm'>;
  readonly parts: readonly BowPart[];
  readonly stiffness: Figure<'N·mm'>;
}

const NONE = given('No strain', 0, '1', 'definition');
const CAUSES: readonly BowCause[] = ['glue', 'coats', 'season'];
const CAUSE_NAMES: Readonly<Record<BowCause, string>> = { glue: 'Water of the glue', coats: 'Coats on top', season: 'Damp and dry months' };

/** The bow of the largest tile as it hangs together, with the range that the catalogue's ranges leave. See docs/models/stack.md. */
export function bowOf({ stack, openCoats, tiles, base, joints, catalogue }: BowInputs): Bow {
  const { spanMm, widthMm } = largestTile(tiles);
  const span = given('Longer side of the largest tile', spanMm, 'mm', 'plan');
  return bowOfSheets(sheetsOfStack({ stack, openCoats, base, joints, catalogue }, widthMm), span);
}

/** {@link bowOf} for a stack of sheets over a span. */
export function bowOfSheets(sheets: readonly Sheet[], span: Figure<'mm'>): Bow {
  const partsWith = (young: Young): BowPart[] =>
    CAUSES.filter((cause) => sheets.some(({ strain }) => strain?.cause === cause)).map((cause) => ({
      cause,
      bow: bowOver(CAUSE_NAMES[cause], curvature(CAUSE_NAMES[cause], laminae(sheets, young, cause)), span),
    }));
  const parts = partsWith('value');
  const likely = total(
    'Bow',
    'mm',
    parts.filter(({ cause }) => cause !== 'season').map(({ bow }) => bow),
  );
  // Stiff drivers on soft neighbours and the other way round: between them lies what the ranges of stiffness do.
  const ends = (['driversStiff', 'driversSoft', 'value'] as const).map((young) => endsOf(sheets, partsWith(young)));
  const least = ends.map((end) => end.least).reduce((a, b) => (b.value < a.value ? b : a));
  const most = ends.map((end) => end.most).reduce((a, b) => (b.value > a.value ? b : a));
  const zero = given('Flat', 0, 'mm', 'definition');
  const below = calculate('Lowest point, as a depth', 'mm', zero, '−', least);
  return {
    span,
    likely,
    least,
    most,
    worst: calculate('Bow at worst', 'mm', most, 'or, if larger,', below),
    parts,
    stiffness: bendingStiffness('Stiffness in bending', laminae(sheets, 'value', null)),
  };
}

/** Which end of the range of stiffness is taken: for the layers that strain and for the others. */
type Young = 'value' | 'driversStiff' | 'driversSoft';

function laminae(sheets: readonly Sheet[], young: Young, cause: BowCause | null): readonly Lamina[] {
  return sheets.map(({ name, youngMPa, thicknessMm, coverShare, strain }): Lamina => {
    const drives = strain !== null;
    const end = young === 'value' ? 'value' : drives === (young === 'driversStiff') ? 'high' : 'low';
    const note = `${youngMPa.origin}, ${youngMPa.low} to ${youngMPa.high}${coverShare < 1 ? `; over ${(coverShare * 100).toFixed(1)} % of the width` : ''}`;
    return {
      name,
      young: given(`${name}, E`, youngMPa[end] * coverShare, 'MPa', 'catalogue', note),
      thickness: given(`${name}, thickness`, thicknessMm, 'mm', 'plan'),
      strain: strain?.cause === cause ? strain.likely : NONE,
    };
  });
}

/** The least and the most that the causes come to: each by its own range, which may change which way it bends. */
function endsOf(sheets: readonly Sheet[], parts: readonly BowPart[]): { readonly least: Figure<'mm'>; readonly most: Figure<'mm'> } {
  const rows = parts.map(({ cause, bow }) => {
    const strains = sheets.flatMap(({ strain }) => (strain?.cause === cause ? [strain] : []));
    const by = [Math.min(...strains.map(({ least }) => least)), Math.max(...strains.map(({ most }) => most))].map((factor) =>
      calculate(
        `${bow.label}, at one end`,
        'mm',
        bow,
        '×',
        given('Share of the likely strain', factor, '1', 'catalogue', 'end of the ranges'),
      ),
    );
    return by[0]!.value <= by[1]!.value ? { low: by[0]!, high: by[1]! } : { low: by[1]!, high: by[0]! };
  });
  return {
    least: total(
      'Bow at least',
      'mm',
      rows.map(({ low }) => low),
    ),
    most: total(
      'Bow at most',
      'mm',
      rows.map(({ high }) => high),
    ),
  };
}

/** The tile with the longest side, and its other side, mm; nothing either way of a lot without a table. */
export function largestTile(tiles: readonly Tile[]): { readonly spanMm: number; readonly widthMm: number } {
  const sides = tiles.map(({ cutBox: { left, top, right, bottom } }) => [right - left, bottom - top].sort((a, b) => b - a));
  const [spanMm, widthMm] = sides.reduce((a, b) => (b[0]! > a[0]! ? b : a), [0, 0]);
  return { spanMm: spanMm!, widthMm: widthMm! };
}
