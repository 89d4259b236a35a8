import type { MeasureSystem } from '../../base/units';
import { CatalogueSchema, type Catalogue } from '../schema';
import { loadCatalogue, wrongWithin } from '../load';
import { danglingRefs } from '../refs';
import { schemaOf } from './form';
import { type Kind, KINDS } from './kinds';
import { type TermsOf, inTerms } from './terms';

/** An entry of the builder's own: new, or in the place of ours of the same id. Its body is whatever was typed, sound or not any more. */
export interface OwnEntry {
  readonly kind: Kind;
  readonly id: string;
  readonly body: unknown;
}
/** What the builder made of the catalogue that ships. */
export interface OwnCatalogue {
  readonly entries: readonly OwnEntry[];
  /** Entries that are not offered any more, as `materials.cork`. */
  readonly outOfUse: readonly string[];
  /** Money that all prices are in; null for ours. */
  readonly currency: string | null;
  /** Whose words the names of ours are said in. */
  readonly terms: TermsOf;
  readonly weekStartsOn: number;
  /** What a new board is measured in, and which stock it starts on. */
  readonly measures: MeasureSystem;
}
export const NOTHING_OWN: OwnCatalogue = {
  entries: [],
  outOfUse: [],
  currency: null,
  terms: 'british',
  weekStartsOn: 1,
  measures: 'metric',
};

/** What is wrong with an entry, field by field. */
export type EntryIssues = readonly { readonly path: string; readonly message: string }[];
/** An entry that the catalogue as it is now cannot take: kept, told, and not reckoned with. */
export interface LeftOut extends OwnEntry {
  readonly issues: EntryIssues;
}

/**
 * The catalogue with the builder's own entries in it. What is not sound any more, because a newer catalogue asks for more or has something no longer, is left out and told:
 * the rest holds.
 */
export function withEntries(
  ours: Catalogue,
  { entries, outOfUse, currency, terms, weekStartsOn, measures }: OwnCatalogue,
): { readonly catalogue: Catalogue; readonly leftOut: readonly LeftOut[] } {
  const base = { ...inTerms(ours, terms), weekStartsOn, measures, outOfUse: [...outOfUse], ...(currency === null ? {} : { currency }) };
  if (entries.length === 0) return { catalogue: base, leftOut: [] };
  const all = entries.reduce(put, base);
  const loaded = loadCatalogue(all);
  if (loaded.ok) return { catalogue: loaded.value, leftOut: [] };
  // One by one, each after what it may refer to; again for as long as that lets another one in.
  let catalogue: Catalogue = base;
  let waiting: readonly LeftOut[] = entries.map((entry) => ({ ...entry, issues: [] }));
  for (let before = Infinity; waiting.length < before;) {
    before = waiting.length;
    waiting = waiting.flatMap((entry) => {
      const tried = withEntry(catalogue, entry);
      if (!tried.ok) return [{ ...entry, issues: tried.issues }];
      catalogue = tried.catalogue;
      return [];
    });
  }
  return { catalogue, leftOut: waiting };
}

/** A catalogue with one entry more, or another in its place; or what is wrong with it. */
export function withEntry(
  catalogue: Catalogue,
  { kind, id, body }: OwnEntry,
): { readonly ok: true; readonly catalogue: Catalogue } | { readonly ok: false; readonly issues: EntryIssues } {
  const parsed = schemaOf(kind).safeParse(body);
  if (!parsed.success)
    return {
      ok: false,
      issues: parsed.error.issues.map((issue) => ({ path: issue.path.join('.') || KINDS[kind].one, message: wordOf(issue) })),
    };
  const { id: saidId } = parsed.data as { id: string };
  if (saidId !== id) return { ok: false, issues: [{ path: 'id', message: `got “${saidId}” at the place of “${id}”` }] };
  const tried = put(catalogue, { kind, id, body: parsed.data });
  // Only what it says itself can lead nowhere: whatever refers to it goes by its id, which stays.
  const issues = [...danglingRefs(schemaOf(kind), parsed.data, tried), ...wrongWithin(tried)];
  return issues.length === 0 ? { ok: true, catalogue: tried } : { ok: false, issues };
}
const wordOf = ({ code, message, ...more }: { readonly code: string; readonly message: string; readonly origin?: unknown }): string =>
  code === 'too_small' && more.origin === 'string' ? 'is empty. Enter a few words' : message;

/** Without any check. */
function put(catalogue: Catalogue, { kind, id, body }: OwnEntry): Catalogue {
  const list = catalogue[kind] as readonly { readonly id: string }[];
  const at = list.findIndex((entry) => entry.id === id);
  const entry = body as { readonly id: string };
  return { ...catalogue, [kind]: at < 0 ? [...list, entry] : list.with(at, entry) };
}

/** An entry as it is typed and kept: without what the server tells of each figure. */
export function bareEntry(entry: unknown): unknown {
  if (typeof entry !== 'object' || entry === null) return entry;
  if (Array.isArray(entry)) return entry.map(bareEntry);
  const isFigure = 'value' in entry && 'origin' in entry;
  return Object.fromEntries(
    Object.entries(entry).flatMap(([key, inner]) => (isFigure && (key === 'path' || key === 'ours') ? [] : [[key, bareEntry(inner)]])),
  );
}

/** An id that no entry of a kind has yet, from the name of a new one. */
export function idFor(catalogue: Catalogue, kind: Kind, name: string): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 50)
    .replace(/-+$/, '');
  const stem = `my-${plain === '' ? KINDS[kind].one.replace(/[^a-z]+/g, '-') : plain}`;
  const taken = new Set(catalogue[kind].map(({ id }) => id));
  for (let n = 1; ; n++) {
    const id = n === 1 ? stem : `${stem}-${n}`;
    if (!taken.has(id)) return id;
  }
}

/** What a kind of entry is called on its own: its name, or its size where it has none. */
export function nameOf(catalogue: Catalogue, kind: Kind, entry: { readonly id: string }): string {
  if ('name' in entry && typeof entry.name === 'string') return entry.name;
  if (kind !== 'sheets') return entry.id;
  const { materialId, thicknessMm, widthMm, depthMm } = entry as Catalogue['sheets'][number];
  const material = catalogue.materials.find(({ id }) => id === materialId)?.name ?? materialId;
  return `${material}, ${thicknessMm} mm, ${widthMm} × ${depthMm} mm`;
}

/** Money by its three letters. */
export const CURRENCY = CatalogueSchema.shape.currency;
