import type { z } from 'zod';
import { type Showing, showText } from '../../base/units';
import { saidAt } from '../own';
import { isEstimate } from '../ranges';
import { type ReferredList, refsIn } from '../refs';
import type { Catalogue, Estimate } from '../schema';
import { nameOf } from './entries';
import { fieldName, isSameValue, schemaOf } from './form';
import { ALL_KINDS, KINDS, type Kind } from './kinds';

/** An entry by its place: `coatings.light-filler`. */
export type EntryPlace = `${Kind}.${string}`;

/**
 * Entries that something refers to, and those that they refer to in turn; a material brings its sheets.
 * @param schema that the value has passed, such as that of a plan
 */
export function usedEntries(schema: z.ZodType, value: unknown, catalogue: Catalogue): ReadonlySet<EntryPlace> {
  const used = new Set<EntryPlace>();
  const take = (kind: Kind | ReferredList, id: string): void => {
    const place: EntryPlace = `${kind}.${id}`;
    if (used.has(place)) return;
    used.add(place);
    const entry = catalogue[kind].find((one) => one.id === id);
    if (entry === undefined) return;
    for (const ref of refsIn(schemaOf(kind), entry)) take(ref.list, ref.id);
    if (kind === 'materials') for (const sheet of catalogue.sheets) if (sheet.materialId === id) used.add(`sheets.${sheet.id}`);
  };
  for (const { list, id } of refsIn(schema, value)) take(list, id);
  return used;
}

/** One value of an entry that is other than it was. */
export interface ValueChange {
  readonly kind: Kind;
  readonly id: string;
  /** Its keys from the entry down; none where the entry as a whole came or went. */
  readonly path: readonly string[];
  readonly before: unknown;
  readonly after: unknown;
}

/** What is other in a catalogue than in an earlier one, value by value; of entries that are used, where it is said which. */
export function changesBetween(
  before: Catalogue,
  after: Catalogue,
  isUsed: (place: EntryPlace) => boolean = () => true,
): readonly ValueChange[] {
  return ALL_KINDS.flatMap((kind) => {
    const [was, now] = [before, after].map((one) => new Map<string, unknown>(one[kind].map((entry) => [entry.id, entry])));
    const ids = [...new Set([...was!.keys(), ...now!.keys()])].filter((id) => isUsed(`${kind}.${id}`));
    return ids.flatMap((id) => valuesOf(was!.get(id), now!.get(id), []).map((change) => ({ kind, id, ...change })));
  });
}

function valuesOf(before: unknown, after: unknown, path: readonly string[]): readonly Pick<ValueChange, 'path' | 'before' | 'after'>[] {
  if (isGroup(before) && isGroup(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys.flatMap((key) => valuesOf(before[key], after[key], [...path, key]));
  }
  return isSameValue(before, after) ? [] : [{ path, before, after }];
}
const isThing = (value: unknown): value is object => typeof value === 'object' && value !== null;
const isFigure = (value: unknown): value is Estimate => isThing(value) && isEstimate(value);
const isGroup = (value: unknown): value is Readonly<Record<string, unknown>> =>
  isThing(value) && !Array.isArray(value) && !isEstimate(value);

/** A change as it is told. */
export interface ChangeWords {
  /** What the entry is called. */
  readonly name: string;
  /** Which value of it. */
  readonly field: string;
  readonly before: string;
  readonly after: string;
}
export function changeWords({ kind, id, path, before, after }: ValueChange, was: Catalogue, now: Catalogue, showing: Showing): ChangeWords {
  const find = (catalogue: Catalogue) => (catalogue[kind] as readonly { readonly id: string }[]).find((entry) => entry.id === id);
  const [old, own] = [find(was), find(now)];
  const name = own === undefined ? nameOf(was, kind, old!) : nameOf(now, kind, own);
  if (path.length === 0)
    return { name, field: KINDS[kind].one, before: old === undefined ? 'none' : 'there', after: own === undefined ? 'gone' : 'new' };
  const key = path.at(-1)!;
  return { name, field: path.map(fieldName).join(', '), before: said(before, key, showing), after: said(after, key, showing) };
}

function said(value: unknown, key: string, showing: Showing): string {
  if (value === undefined || value === null || value === '') return 'none';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  const unit = saidAt(key).unit;
  const withUnit = (words: string): string => (unit === '' ? words : `${words}\u00a0${unit}`);
  if (typeof value === 'number') return key.endsWith('Minor') ? showText({ value, unit: 'money' }, showing) : withUnit(String(value));
  if (isFigure(value)) return withUnit(value.low === value.high ? String(value.value) : `${value.value} (${value.low} to ${value.high})`);
  return typeof value === 'string'
    ? value
    : JSON.stringify(value)
        .replaceAll(/["{}[\]]/g, '')
        .replaceAll(',', ', ');
}
