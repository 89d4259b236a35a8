import { listedBy } from '../../base/grouping';
import { type Catalogue, type Estimate, isEstimate, placeIn } from '../../catalogue';

/** How one value of the catalogue comes out in this builder's hand. */
export interface Correction {
  readonly path: string;
  readonly readings: number;
  /** So many times the catalogue's. */
  readonly factor: number;
  /** How much of the catalogue's range is left, on a scale of logarithms: 1 all of it. */
  readonly keeps: number;
}

/** The same of one person; of nobody in particular where it is not the hand that it goes by, as how a place dries. */
export interface PersonalCorrection extends Correction {
  readonly who: string;
}
/** Names are typed: `ada` and `Ada ` are one person. */
export const sameName = (name: string): string => name.trim().toLowerCase();

/**
 * What a board is reckoned with: the hands of those who build it, each counting as much, one of whom nothing is known as the catalogue has it. Its range narrows
 * by no more than theirs do on the whole: what is not known of one may be so of all.
 */
export function handOf(people: readonly string[], hands: readonly PersonalCorrection[]): readonly Correction[] {
  const names = [...new Set(people.map(sameName))];
  return [...listedBy(hands, ({ path }) => path)].flatMap(([path, own]) => {
    const byName = new Map(own.map((one) => [sameName(one.who), one]));
    const anyone = byName.get('');
    const theirs = names.flatMap((name) => byName.get(name) ?? anyone ?? []);
    if (theirs.length === 0) return anyone === undefined ? [] : [correctionOf(anyone)];
    const unknown = names.length - theirs.length;
    const mean = (of: (one: Correction) => number, without: number): number =>
      (theirs.reduce((sum, one) => sum + of(one), 0) + unknown * without) / names.length;
    const readings = new Set(theirs).size === 1 ? theirs[0]!.readings : theirs.reduce((sum, one) => sum + one.readings, 0);
    return [{ path, readings, factor: Math.exp(mean(({ factor }) => Math.log(factor), 0)), keeps: mean(({ keeps }) => keeps, 1) }];
  });
}
const correctionOf = ({ path, readings, factor, keeps }: Correction): Correction => ({ path, readings, factor, keeps });

/** The catalogue as it comes out in the builder's hand: the one place where what was learnt enters the reckoning. */
export function inHand(catalogue: Catalogue, corrections: readonly Correction[]): Catalogue {
  if (corrections.length === 0) return catalogue;
  const byPath = new Map(corrections.map((one) => [one.path, one]));
  return taken(catalogue, '', byPath) as Catalogue;
}

function taken(data: unknown, path: string, byPath: ReadonlyMap<string, Correction>): unknown {
  if (typeof data !== 'object' || data === null) return data;
  if (isEstimate(data)) {
    const correction = byPath.get(path);
    return correction === undefined ? data : { ...data, ...corrected(data, correction) };
  }
  const entries = Object.entries(data).map(([key, inner]) => [key, taken(inner, placeIn(data, path, key, inner), byPath)] as const);
  if (entries.every(([key, inner]) => inner === (data as Record<string, unknown>)[key])) return data;
  return Array.isArray(data) ? entries.map(([, inner]) => inner) : Object.fromEntries(entries);
}

/** A correction in words: `+18 % from 7 readings`. */
export function correctionWords({ factor, readings }: Correction): string {
  const change = Math.round((factor - 1) * 100);
  const said = change === 0 ? 'same as our value' : `${change > 0 ? '+' : '−'}${Math.abs(change)} %`;
  return `${said} from ${readings} ${readings === 1 ? 'reading' : 'readings'}`;
}

/** An estimate as a correction leaves it: moved by the factor, its range narrowed about it on a scale of logarithms. */
export function corrected({ value, low, high }: Estimate, correction: Correction): Estimate {
  const { path, factor, keeps } = correction;
  const most = path.endsWith('Pct') ? 100 : Infinity;
  const narrowed = (end: number): number => (value <= 0 || end <= 0 ? end : value * factor * (end / value) ** keeps);
  return {
    value: Math.min(most, value * factor),
    low: Math.min(most, narrowed(low)),
    high: Math.min(most, narrowed(high)),
    origin: `your pace: ${correctionWords(correction)}`,
  };
}
