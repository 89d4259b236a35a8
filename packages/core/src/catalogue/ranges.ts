import type { Range } from '../base/units';
import type { Catalogue, Estimate } from './schema';

const KNOWN = new WeakMap<Catalogue, ReadonlyMap<Range, string>>();

/** Where each figure of a catalogue stands, by the figure itself: `coatings.light-filler.spread.filmMm`. */
export function rangesOf(catalogue: Catalogue): ReadonlyMap<Range, string> {
  let known = KNOWN.get(catalogue);
  if (known === undefined) KNOWN.set(catalogue, (known = new Map([...figuresOf(catalogue)].map(([path, figure]) => [figure, path]))));
  return known;
}

/** Every figure of a catalogue that a builder may set, by its place. */
export function figuresOf(catalogue: Catalogue): ReadonlyMap<string, Estimate> {
  const found = new Map<string, Estimate>();
  const visit = (data: unknown, path: string): void => {
    if (typeof data !== 'object' || data === null) return;
    if (isEstimate(data)) found.set(path, data);
    else for (const [key, inner] of Object.entries(data)) visit(inner, placeIn(data, path, key, inner));
  };
  visit(catalogue, '');
  return found;
}

/** The place of something in what stands at a path: what a list holds goes by its id. */
export function placeIn(whole: object, path: string, key: string, inner: unknown): string {
  const id = Array.isArray(whole) && typeof inner === 'object' && inner !== null && 'id' in inner ? String(inner.id) : key;
  return path === '' ? id : `${path}.${id}`;
}
export const isEstimate = (data: object): data is Estimate => 'value' in data && 'low' in data && 'high' in data && 'origin' in data;
