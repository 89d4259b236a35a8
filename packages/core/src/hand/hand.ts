import { type Catalogue, type Estimate, isEstimate, placeIn } from '../catalogue';

/** How one value of the catalogue comes out in this builder's hand. */
export interface Correction {
  readonly path: string;
  readonly readings: number;
  /** So many times the catalogue's. */
  readonly factor: number;
  /** How much of the catalogue's range is left, on a scale of logarithms: 1 all of it. */
  readonly keeps: number;
}

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
    return correction === undefined ? data : { ...data, ...handled(data, path, correction) };
  }
  const entries = Object.entries(data).map(([key, inner]) => [key, taken(inner, placeIn(data, path, key, inner), byPath)] as const);
  if (entries.every(([key, inner]) => inner === (data as Record<string, unknown>)[key])) return data;
  return Array.isArray(data) ? entries.map(([, inner]) => inner) : Object.fromEntries(entries);
}

/** A correction in words: `+18 % from 7 readings`. */
export function correctionWords({ factor, readings }: Correction): string {
  const change = Math.round((factor - 1) * 100);
  const said = change === 0 ? 'as ours' : `${change > 0 ? '+' : '−'}${Math.abs(change)} %`;
  return `${said} from ${readings} ${readings === 1 ? 'reading' : 'readings'}`;
}

function handled({ value, low, high }: Estimate, path: string, correction: Correction): Partial<Estimate> {
  const { factor, keeps } = correction;
  const most = path.endsWith('Pct') ? 100 : Infinity;
  const narrowed = (end: number): number => (value <= 0 || end <= 0 ? end : value * factor * (end / value) ** keeps);
  return {
    value: Math.min(most, value * factor),
    low: Math.min(most, narrowed(low)),
    high: Math.min(most, narrowed(high)),
    origin: `your hand: ${correctionWords(correction)}`,
  };
}
