import type { Limits } from '../base/units';

/** How something a feature has is asked for: what it is called in the document, what it is called on screen, what it may be. */
export type FeatureField = LengthField | NumberField | ChoiceField | TickField | CatalogueField;
interface Named {
  readonly key: string;
  readonly label: string;
}
export interface LengthField extends Named {
  readonly ask: 'length';
  readonly limits: Limits;
}
export interface NumberField extends Named {
  readonly ask: 'number';
  readonly limits: Limits;
  readonly unit: string;
}
export interface ChoiceField extends Named {
  readonly ask: 'choice';
  readonly options: readonly { readonly value: string; readonly text: string }[];
}
export interface TickField extends Named {
  readonly ask: 'tick';
}
/** An entry of one of the catalogue's lists. */
export interface CatalogueField extends Named {
  readonly ask: 'entry';
  readonly list: 'batteries' | 'lamps';
}

export const askLength = (key: string, label: string, limits: Limits): LengthField => ({ ask: 'length', key, label, limits });
export const askNumber = (key: string, label: string, limits: Limits, unit = ''): NumberField => ({
  ask: 'number',
  key,
  label,
  limits,
  unit,
});
