import { type Result, fail, ok } from '../base/result';
import { batchWays } from './workshop/parts/batch-ways';
import { benchPaces } from './workshop/parts/bench-paces';
import { danglingRefs } from './refs';
import { type Catalogue, CatalogueSchema } from './schema';

/** What is wrong with a catalogue, entry by entry. */
export interface CatalogueProblem {
  readonly code: 'catalogue/invalid';
  readonly issues: readonly { readonly path: string; readonly message: string }[];
}

/**
 * Checks a catalogue's shape, that ids are unique, and that every id it refers to is there.
 * @param raw anything, such as parsed JSON
 */
export function loadCatalogue(raw: unknown): Result<Catalogue, CatalogueProblem> {
  const parsed = CatalogueSchema.safeParse(brought(raw));
  if (!parsed.success) {
    const issues = parsed.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
    return fail({ code: 'catalogue/invalid', issues });
  }
  const issues = [...repeatedIds(parsed.data), ...danglingRefs(CatalogueSchema, parsed.data, parsed.data), ...wrongWithin(parsed.data)];
  return issues.length === 0 ? ok(parsed.data) : fail({ code: 'catalogue/invalid', issues });
}

/** A catalogue that was kept before, with what it has come to need since. */
function brought(raw: unknown): unknown {
  if (!isRecord(raw) || !isRecord(raw['bench'])) return raw;
  return { ...raw, batchWays: raw['batchWays'] ?? batchWays, bench: { ...benchPaces, ...raw['bench'] } };
}
const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Lists of entries that each have an id. */
export const LISTS = [
  'materials',
  'sheets',
  'adhesives',
  'stuffs',
  'coatings',
  'paints',
  'patterns',
  'methods',
  'tools',
  'batchWays',
  'airs',
  'placeKinds',
  'cautions',
  'joins',
  'passages',
  'batteries',
  'lamps',
  'yardsticks',
  'lengths',
  'claddings',
  'layings',
  'castings',
  'fills',
] as const;

/** What does not go together in a catalogue whose references all lead somewhere. */
export const wrongWithin = (catalogue: Catalogue): readonly { readonly path: string; readonly message: string }[] => [
  ...wrongSealer(catalogue),
  ...wrongStarter(catalogue),
];

function* repeatedIds(catalogue: Catalogue): Generator<{ path: string; message: string }> {
  for (const list of LISTS) {
    const seen = new Set<string>();
    for (const [i, { id }] of catalogue[list].entries()) {
      if (seen.has(id)) yield { path: `${list}.${i}.id`, message: `${id} appears twice in ${list}` };
      seen.add(id);
    }
  }
}

/** The one thing a reference alone does not say: boards are sealed with something that is spread by coverage. */
function* wrongSealer({ bench: { sealerId }, coatings }: Catalogue): Generator<{ path: string; message: string }> {
  const sealer = coatings.find(({ id }) => id === sealerId);
  if (sealer !== undefined && sealer.spread.by !== 'coverage')
    yield { path: 'bench.sealerId', message: `${sealerId} is spread by ${sealer.spread.by}. Use one that is spread by coverage` };
}

/** Every kind of ground starts with a surface that there is. */
function* wrongStarter({ starter: { surfaces, wears } }: Catalogue): Generator<{ path: string; message: string }> {
  const ids = surfaces.map(({ id }) => id);
  for (const [kind, id] of Object.entries(wears))
    if (!ids.includes(id))
      yield { path: `starter.wears.${kind}`, message: `no starter surface is called “${id}”. Enter ${ids.join(', ')}` };
  for (const [i, id] of ids.entries()) if (ids.indexOf(id) < i) yield { path: `starter.surfaces.${i}.id`, message: `${id} appears twice` };
}
