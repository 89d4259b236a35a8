import { z } from 'zod';
import { isEstimate, placeIn } from './ranges';
import type { Catalogue, Estimate } from './schema';

const amount = z.number().min(0).max(1e7);
/** A figure of the builder's own in the place of one of ours: the value, and how far it may really be off. */
export const OwnValue = z
  .strictObject({ value: amount, low: amount, high: amount })
  .refine(({ low, value, high }) => low <= value && value <= high, 'expected low ≤ value ≤ high');
export type OwnValue = z.infer<typeof OwnValue>;
/** Where in the catalogue a figure stands: `coatings.light-filler.spread.filmMm`. */
export const OwnPath = z
  .string()
  .regex(/^[\w-]+(\.[\w-]+)+$/, 'expected the path of a value in the catalogue')
  .max(200);
export type OwnValues = Readonly<Record<string, OwnValue>>;

/** The catalogue as the builder has it: own figures in the place of ours, every figure with its place. What a place that is gone held is left out, and kept by whoever keeps it. */
export const withOwn = (ours: Catalogue, own: OwnValues): Catalogue => taken(ours, '', own) as Catalogue;

function taken(data: unknown, path: string, own: OwnValues): unknown {
  if (typeof data !== 'object' || data === null) return data;
  if (isEstimate(data)) {
    const mine = own[path];
    if (mine === undefined) return { ...data, path };
    const { value, low, high } = data;
    return { ...mine, origin: 'yours', path, ours: { value, low, high } };
  }
  const at = (key: string, inner: unknown): unknown => taken(inner, placeIn(data, path, key, inner), own);
  if (Array.isArray(data)) return data.map((one, i) => at(String(i), one));
  return Object.fromEntries(Object.entries(data).map(([key, inner]) => [key, at(key, inner)]));
}
/** Names of figures end in their unit: these, the longest that fits. */
const UNITS: readonly (readonly [string, string])[] = [
  ['KgPerM3', 'kg/m³'],
  ['KgPerM2', 'kg/m²'],
  ['GPerMl', 'g/ml'],
  ['GPerM2', 'g/m²'],
  ['GPerM', 'g/m'],
  ['M2PerL', 'm²/l'],
  ['M2PerH', 'm²/h'],
  ['MPerMin', 'm/min'],
  ['MinPerM2', 'min/m²'],
  ['PerH', 'an hour'],
  ['KPa', 'kPa'],
  ['MPa', 'MPa'],
  ['Pct', '%'],
  ['Min', 'min'],
  ['Mm', 'mm'],
  ['Ml', 'ml'],
  ['Kg', 'kg'],
  ['G', 'g'],
  ['C', '°C'],
  ['M', 'm'],
  ['MAh', 'mAh'],
  ['Deg', '°'],
];
/** A name that is nothing but its unit: `gPerM2`. */
const isAll = (end: string, name: string): boolean => name === `${end.charAt(0).toLowerCase()}${end.slice(1)}`;
/** Which figure stands at a place, in words, and its unit; none for a plain number. */
export function saidAt(path: string): { readonly name: string; readonly unit: string } {
  const last = path.split('.').at(-1)!;
  const found = UNITS.find(([end]) => last.endsWith(end) && last.length > end.length) ?? UNITS.find(([end]) => isAll(end, last));
  const name = found === undefined ? last : last.slice(0, -found[0].length) || 'rate';
  return { name: name.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`), unit: found?.[1] ?? '' };
}

/** So many times less or more than ours is a slip of the finger rather than a reading. */
const MAX_OFF = 10;
/** What is wrong with a figure of one's own; null where nothing is. @param ours what it would stand in the place of, undefined where there is none */
export function validateOverride(path: string, { low, high }: OwnValue, ours: Estimate | undefined): string | null {
  if (ours === undefined) return `path: the catalogue has no value at “${path}”`;
  const least = ours.low / MAX_OFF;
  const most = path.endsWith('Pct') ? Math.max(100, ours.high) : ours.high * MAX_OFF;
  if (low < least) return `low: got ${low}. Enter ${least} or more: our value is at least ${ours.low}`;
  if (high > most) return `high: got ${high}. Enter ${most} or less: our value is at most ${ours.high}`;
  return null;
}
