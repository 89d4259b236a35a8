import { median } from 'simple-statistics';
import { listedBy } from '../../base/grouping';
import { type Catalogue, type Estimate, figuresOf } from '../../catalogue';
import { type Correction, type PersonalCorrection, sameName } from './hand';

/** One value of the catalogue as it really was, once. */
export interface Reading {
  readonly path: string;
  readonly value: number;
  /** Whose; empty where nobody said. */
  readonly who: string;
}
/** The catalogue's own value counts as so many readings. @source craft.md §12 */
const PRIOR_READINGS = 3;
/** A reading further off than this many spreads loses weight by the square of how much further. */
const FAR = 2;
/** Readings of one hand on one thing spread by no less than this, on a scale of logarithms: a spoon more or less. */
const MIN_SPREAD = 0.12;
/** Eight in ten chances of a bell lie within so many of its spreads. */
const TENTHS = 1.2816;

/**
 * What readings make of the catalogue: the mean of their log-ratios, shrunk towards none by a prior of three readings, with those that lie far off the others
 * hardly counted.
 */
export function correctionsFrom(readings: readonly Reading[], catalogue: Catalogue): readonly Correction[] {
  const figures = figuresOf(catalogue);
  return [...listedBy(readings, ({ path }) => path)].flatMap(([path, own]) => {
    const figure = figures.get(path);
    if (figure === undefined || figure.value <= 0) return [];
    return [
      {
        path,
        ...meanOf(
          own.map(({ value }) => Math.log(value / figure.value)),
          spreadOf(figure),
        ),
      },
    ];
  });
}

/**
 * The same hand by hand, as each was last written. Readings of nobody count for everybody, and where how a place dries is read, it is the place's and nobody's.
 */
export function handsFrom(readings: readonly Reading[], catalogue: Catalogue): readonly PersonalCorrection[] {
  const written = new Map(readings.map(({ who }) => [sameName(who), who.trim()]));
  const [ofPlaces, ofPeople] = [readings.filter(({ path }) => isOfPlaces(path)), readings.filter(({ path }) => !isOfPlaces(path))];
  const of = (who: string, own: readonly Reading[]): PersonalCorrection[] =>
    correctionsFrom(own, catalogue).map((one) => ({ ...one, who }));
  return [
    ...of('', ofPlaces),
    ...[...written].flatMap(([name, who]) => {
      const own = new Set(ofPeople.flatMap((one) => (sameName(one.who) === name ? [one.path] : [])));
      return of(
        who,
        [...own].flatMap((path) => readingsOf(ofPeople, path, name)),
      );
    }),
  ];
}
/** The readings that one person's correction of a value rests on: theirs and nobody's; all of them where it tells of rooms. */
export const readingsOf = (readings: readonly Reading[], path: string, who: string): readonly Reading[] =>
  readings.filter((one) => one.path === path && (isOfPlaces(path) || [sameName(who), ''].includes(sameName(one.who))));
/** Whether a place of the catalogue tells of rooms and not of hands. */
export const isOfPlaces = (path: string): boolean => path.startsWith('placeKinds.');

/** Half of what a range leaves open, on a scale of logarithms; a range that is all but sure leaves a little. */
const spreadOf = ({ low, high }: Estimate): number => Math.max(MIN_SPREAD, low <= 0 ? 1 : Math.log(high / low) / (2 * TENTHS));

function meanOf(ratios: readonly number[], priorSpread: number): Omit<Correction, 'path'> {
  const shrunk = (sum: number, weight: number): number => sum / (weight + PRIOR_READINGS);
  const usual = median([...ratios]);
  const middle = shrunk(usual * ratios.length, ratios.length);
  const spread = Math.max(MIN_SPREAD, median(ratios.map((ratio) => Math.abs(ratio - usual))) * 1.4826);
  const limit = FAR * Math.max(spread, priorSpread);
  const weights = ratios.map((ratio) => Math.min(1, (limit / Math.abs(ratio - middle)) ** 2));
  const weight = weights.reduce((sum, one) => sum + one, 0);
  const mean = shrunk(
    ratios.reduce((sum, ratio, i) => sum + ratio * weights[i]!, 0),
    weight,
  );
  const noise = Math.sqrt(ratios.reduce((sum, ratio, i) => sum + weights[i]! * (ratio - mean) ** 2, 0) / Math.max(weight, 1e-9));
  const kept = Math.sqrt(PRIOR_READINGS / (weight + PRIOR_READINGS)) * Math.max(1, noise / priorSpread);
  return { readings: ratios.length, factor: Math.exp(mean), keeps: Math.min(1, kept) };
}
