import type { Unit } from '../base/units';
import type { Tally } from './tally';

/** The figures of the tally; the date is another thing. */
export type TallyKey = Exclude<keyof Tally, 'ready' | 'readyText' | 'isPlanned'>;
interface TallyFigure {
  readonly name: string;
  readonly unit: Unit;
  /** It is redrawn with every draw of chance as it stands; counted sheets have no range, and what they cost is drawn package by package. */
  readonly isDrawn: boolean;
}

/** Each figure of the tally in its order: what is shown, compared and drawn with chance goes by this list. */
export const TALLY_FIGURES = {
  sheets: { name: 'Sheets', unit: '1', isDrawn: false },
  mass: { name: 'Mass', unit: 'g', isDrawn: true },
  adhesive: { name: 'Adhesive', unit: 'g', isDrawn: true },
  paint: { name: 'Paint', unit: 'ml', isDrawn: true },
  cost: { name: 'Cost', unit: 'money', isDrawn: false },
  handsOn: { name: 'Hands-on time', unit: 'min', isDrawn: true },
} as const satisfies { readonly [Key in TallyKey]: TallyFigure };
export const TALLY_KEYS = Object.keys(TALLY_FIGURES) as readonly TallyKey[];
