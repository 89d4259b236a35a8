import type { Range } from '../base/units';
import type { Catalogue } from './schema';

const KNOWN = new WeakMap<Catalogue, ReadonlyMap<Range, string>>();

/** Every value of a catalogue that is not sure, by where it stands: `coatings.light-filler.spread.filmMm`. */
export function rangesOf(catalogue: Catalogue): ReadonlyMap<Range, string> {
  let known = KNOWN.get(catalogue);
  if (known === undefined) {
    const found = new Map<Range, string>();
    walk(catalogue, '', found);
    KNOWN.set(catalogue, (known = found));
  }
  return known;
}

function walk(data: unknown, path: string, found: Map<Range, string>): void {
  if (typeof data !== 'object' || data === null) return;
  if (isRange(data)) {
    if (data.low < data.high) found.set(data, path);
    return;
  }
  const isList = Array.isArray(data);
  for (const [key, inner] of Object.entries(data)) {
    const own = isList && typeof inner === 'object' && inner !== null && 'id' in inner ? String(inner.id) : key;
    walk(inner, path === '' ? own : `${path}.${own}`, found);
  }
}
const isRange = (data: object): data is Range => 'low' in data && 'high' in data && 'value' in data && 'origin' in data;
