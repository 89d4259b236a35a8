import { type Feature, type FeatureKind, LIMITS } from '@spare-acre/core/plan';
import type { Limits } from '@spare-acre/core/units';

/** A number of a feature and how it is asked for: a length in the board's measures, or a plain number with a unit. */
export interface FeatureNumber {
  readonly key: string;
  readonly label: string;
  readonly limits: Limits;
  /** undefined for a length. */
  readonly unit?: string;
}
/** One of a few words. */
export interface FeatureChoice {
  readonly key: string;
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly text: string }[];
}

const length = (key: string, label: string, limits: Limits): FeatureNumber => ({ key, label, limits });
const number = (key: string, label: string, limits: Limits, unit = ''): FeatureNumber => ({ key, label, limits, unit });
const depth = length('depthMm', 'Depth', LIMITS.depthMm);
const height = length('heightMm', 'Height', LIMITS.heightMm);

/** The numbers of each kind, in the order they are asked for. */
export const NUMBERS: Readonly<Record<FeatureKind, readonly FeatureNumber[]>> = {
  raised: [height, number('steps', 'Steps', LIMITS.steps), length('stepInMm', 'Each set in', LIMITS.stepInMm)],
  hill: [length('stepMm', 'Each step', LIMITS.hillStepMm)],
  bank: [height, length('crownMm', 'Crown', LIMITS.crownMm)],
  ramp: [length('fromMm', 'At its foot', LIMITS.rampMm), length('toMm', 'At its top', LIMITS.rampMm)],
  pit: [depth],
  water: [depth, length('waterMm', 'Water', LIMITS.waterMm)],
  crater: [depth, length('rimMm', 'Rim', LIMITS.rimMm), length('rimWidthMm', 'Rim width', LIMITS.rimWidthMm)],
  route: [
    number('lanes', 'Lanes', LIMITS.lanes),
    length('kerbMm', 'Kerb height', LIMITS.kerbMm),
    length('kerbWidthMm', 'Kerb width', LIMITS.kerbWidthMm),
    length('junctionMm', 'Junction corners', LIMITS.bendMm),
  ],
  wall: [height],
  plot: [length('heightMm', 'Building height', LIMITS.plotHeightMm)],
  field: [
    length('rowMm', 'Between rows', LIMITS.rowMm),
    number('rowTurnDeg', 'Rows turned', LIMITS.turnDeg, '°'),
    length('plantMm', 'Plants high', LIMITS.plantMm),
  ],
  clear: [],
  light: [number('lamps', 'Lamps', LIMITS.lamps), length('grooveMm', 'Groove depth', LIMITS.grooveMm)],
};

const floor: FeatureChoice = {
  key: 'floor',
  label: 'Floor',
  options: [
    { value: 'flat', text: 'flat: a figure stands' },
    { value: 'bowl', text: 'bowl' },
  ],
};
export const CHOICES: Readonly<Partial<Record<FeatureKind, readonly FeatureChoice[]>>> = {
  pit: [floor],
  water: [floor],
  route: [
    {
      key: 'marking',
      label: 'Marking',
      options: [
        { value: 'none', text: 'none' },
        { value: 'dashes', text: 'dashes between lanes' },
        { value: 'line', text: 'line between lanes' },
      ],
    },
  ],
};

/** A number or word of a feature by its name in the document. */
export const valueOf = (feature: Feature, key: string): unknown => (feature as unknown as Readonly<Record<string, unknown>>)[key];
