import type { AskedField } from '../fields';

/** How something a feature has is asked for. */
export type FeatureField = AskedField | CatalogueField;
/** An entry of one of the catalogue's lists. */
export interface CatalogueField {
  readonly ask: 'entry';
  readonly key: string;
  readonly label: string;
  readonly list: 'batteries' | 'lamps';
}
