import type { Limits } from '../../base/units';

/** How something is asked for: what it is called in the document, what it is called on screen, what it may be. */
export type AskedField = LengthField | NumberField | ChoiceField | TickField | WordsField;
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
export interface WordsField extends Named {
  readonly ask: 'words';
  readonly most: number;
}

export const askLength = (key: string, label: string, limits: Limits): LengthField => ({ ask: 'length', key, label, limits });
export const askNumber = (key: string, label: string, limits: Limits, unit = ''): NumberField => ({
  ask: 'number',
  key,
  label,
  limits,
  unit,
});
export const askTick = (key: string, label: string): TickField => ({ ask: 'tick', key, label });
export const askChoice = (key: string, label: string, texts: Readonly<Record<string, string>>): ChoiceField => ({
  ask: 'choice',
  key,
  label,
  options: Object.entries(texts).map(([value, text]) => ({ value, text })),
});
