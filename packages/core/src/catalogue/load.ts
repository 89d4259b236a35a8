import { type Result, fail, ok } from '../result';
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
  const parsed = CatalogueSchema.safeParse(raw);
  if (!parsed.success) {
    const issues = parsed.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
    return fail({ code: 'catalogue/invalid', issues });
  }
  const issues = [...repeatedIds(parsed.data), ...danglingIds(parsed.data)];
  return issues.length === 0 ? ok(parsed.data) : fail({ code: 'catalogue/invalid', issues });
}

const LISTS = [
  'materials',
  'sheets',
  'adhesives',
  'stuffs',
  'methods',
  'tools',
  'airs',
  'cautions',
  'joins',
  'passages',
  'batteries',
  'lamps',
  'yardsticks',
] as const;

function* repeatedIds(catalogue: Catalogue): Generator<{ path: string; message: string }> {
  for (const list of LISTS) {
    const seen = new Set<string>();
    for (const [i, { id }] of catalogue[list].entries()) {
      if (seen.has(id)) yield { path: `${list}.${i}.id`, message: `${id} stands twice in ${list}` };
      seen.add(id);
    }
  }
}

function* danglingIds(catalogue: Catalogue): Generator<{ path: string; message: string }> {
  const ids = (list: (typeof LISTS)[number]): Set<string> => new Set(catalogue[list].map(({ id }) => id));
  const [tools, materials, cautions] = [ids('tools'), ids('materials'), ids('cautions')];
  for (const [i, { toolIds }] of catalogue.materials.entries()) {
    const missing = toolIds.find((id) => !tools.has(id));
    if (missing !== undefined) yield { path: `materials.${i}.toolIds`, message: `no tool ${missing}` };
  }
  const { sealerId } = catalogue.bench;
  if (catalogue.stuffs.find(({ id }) => id === sealerId)?.spread.by !== 'coverage')
    yield { path: 'bench.sealerId', message: `no stuff ${sealerId} that is spread by coverage` };
  for (const [i, { materialId }] of catalogue.sheets.entries()) {
    if (!materials.has(materialId)) yield { path: `sheets.${i}.materialId`, message: `no material ${materialId}` };
  }
  for (const list of ['adhesives', 'stuffs', 'methods', 'tools', 'joins'] as const) {
    for (const [i, { cautionIds }] of catalogue[list].entries()) {
      const missing = cautionIds.find((id) => !cautions.has(id));
      if (missing !== undefined) yield { path: `${list}.${i}.cautionIds`, message: `no caution ${missing}` };
    }
  }
  for (const key of ['hollowCautionIds', 'wiringCautionIds'] as const) {
    const missing = catalogue.bench[key].find((id) => !cautions.has(id));
    if (missing !== undefined) yield { path: `bench.${key}`, message: `no caution ${missing}` };
  }
  const { join, light } = catalogue.starter;
  if (!ids('joins').has(join.methodId)) yield { path: 'starter.join.methodId', message: `no join ${join.methodId}` };
  if (!ids('batteries').has(light.batteryId)) yield { path: 'starter.light.batteryId', message: `no battery box ${light.batteryId}` };
  if (!ids('lamps').has(light.lampId)) yield { path: 'starter.light.lampId', message: `no lamp ${light.lampId}` };
}
