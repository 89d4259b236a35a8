import type { Figure } from '../../base/units';
import type { Edit } from '../../plan/edits';

/** The views in which trouble can be looked at. */
export type WarningView = 'ground' | 'section' | 'pieces' | 'cuts' | 'coats' | 'supplies' | 'days';

/** Every kind of trouble, with the views that show it, the one where it is best looked at first. */
const VIEWS = {
  'clear/taken': ['ground'],
  'air/dew': ['days'],
  'air/fans': ['days'],
  'air/mould': ['days'],
  'air/never-dries': ['days', 'coats'],
  'air/too-cold': ['days', 'coats'],
  'coats/damp': ['coats'],
  'coats/embed-slow': ['coats'],
  'coats/one-face': ['coats', 'section'],
  'coats/order': ['coats'],
  'coats/over-bare': ['coats'],
  'coats/set-hard': ['coats'],
  'coats/solvent': ['coats', 'section'],
  'coats/spray-on-plants': ['coats'],
  'coats/uncured': ['coats'],
  'coats/unsealed-pour': ['coats'],
  'coats/wash-early': ['coats'],
  'days/full': ['days'],
  'days/late': ['days'],
  'days/no-spray': ['days', 'coats'],
  'days/no-time': ['days'],
  'days/nobody': ['days'],
  'days/pins': ['days'],
  'days/too-slow': ['days', 'coats'],
  'cut/fence': ['cuts'],
  'cut/height': ['cuts'],
  'cut/outdated': ['cuts'],
  'cut/slow': ['cuts', 'pieces', 'days'],
  'cut/throat': ['cuts'],
  'cut/too-large': ['cuts'],
  'cut/unwanted': ['cuts'],
  'glue/buckles': ['section'],
  'glue/dissolves': ['section'],
  'glue/never-dries': ['section'],
  'glue/slips': ['section'],
  'glue/spots': ['section'],
  'grain/coarse': ['coats'],
  'ground/off-table': ['ground'],
  'ground/partly-off': ['ground'],
  'join/off-edge': ['ground'],
  'join/pocket-in-hole': ['ground'],
  'join/pocket-through-rim': ['ground'],
  'light/groove': ['ground'],
  'light/in-hole': ['ground'],
  'light/pocket': ['ground'],
  'light/volts': ['ground'],
  'piece/headroom': ['pieces'],
  'piece/impossible': ['pieces'],
  'piece/low-door': ['pieces'],
  'piece/narrow-door': ['pieces'],
  'piece/caught': ['pieces'],
  'piece/unreachable': ['pieces'],
  'piece/over-seam': ['ground', 'pieces'],
  'piece/plot-small': ['ground', 'pieces'],
  'piece/tips': ['pieces'],
  'piece/step': ['pieces'],
  'piece/small-floor': ['pieces'],
  'piece/sags': ['pieces'],
  'piece/glue-buckles': ['pieces'],
  'piece/glue-dissolves': ['pieces'],
  'piece/glue-slips': ['pieces'],
  'piece/wet-inside': ['pieces'],
  'piece/tedious': ['pieces'],
  'piece/too-long': ['pieces'],
  'pit/too-deep': ['ground', 'section'],
  'plot/uneven': ['ground'],
  'raised/no-such-height': ['section', 'ground'],
  'seam/ends': ['ground'],
  'seam/level': ['ground'],
  'seam/pit-edge': ['ground'],
  'seam/place': ['ground'],
  'seam/sliver': ['ground'],
  'seam/water': ['ground'],
  'seam/width': ['ground'],
  'stack/bow': ['section'],
  'stack/grain': ['section'],
  'stack/joints': ['section', 'cuts'],
  'water/leak': ['ground', 'coats'],
  'water/over-brim': ['ground'],
} as const satisfies Readonly<Record<string, readonly [WarningView, ...WarningView[]]>>;

export type WarningCode = keyof typeof VIEWS;
/** Views that show a kind of trouble, the one where it is best looked at first. */
export const viewsOf = (code: WarningCode): readonly [WarningView, ...WarningView[]] => VIEWS[code];

/** A change that clears a warning, and the words for its button. */
export interface QuickFix {
  readonly label: string;
  readonly edit: Edit;
}

/** Something that will go wrong, as data: what, where, why, and what one click can do about it. */
export interface Warning {
  /** Stable for the same trouble in the same place. */
  readonly id: string;
  readonly code: WarningCode;
  /** `stop`: cannot be built so. `care`: can, with trouble. */
  readonly severity: 'stop' | 'care';
  readonly featureId: string | null;
  /** The piece that it is about; left out where it is about none. */
  readonly pieceId?: string;
  readonly title: string;
  /** Words and figures in turn; figures open to their working. */
  readonly text: readonly (string | Figure)[];
  readonly mends: readonly QuickFix[];
}
