import { z } from 'zod';

/** Lists of the catalogue that other data refer to by id, and what an entry of each is called. */
const LISTS = {
  materials: 'material',
  adhesives: 'adhesive',
  coatings: 'coating',
  stuffs: 'stuff',
  paints: 'paint',
  patterns: 'pattern',
  methods: 'method',
  tools: 'tool',
  batchWays: 'way of cutting equal parts',
  airs: 'air',
  placeKinds: 'kind of place',
  cautions: 'caution',
  joins: 'join',
  batteries: 'battery box',
  lamps: 'lamp',
  lengths: 'stock sold by length',
  claddings: 'cladding',
  layings: 'way of cladding',
  castings: 'way of casting',
  fills: 'loose fill',
} as const;
export type ReferredList = keyof typeof LISTS;

/** Which schemas are references, and into which list. */
const REFERENCES = z.registry<{ readonly list: ReferredList }>();

/** The list that a schema refers to; null for one that is no reference. */
export const listReferredTo = (schema: z.ZodType): ReferredList | null => REFERENCES.get(schema)?.list ?? null;

const referenceTo = (list: ReferredList): z.ZodString =>
  z
    .string()
    .regex(/^[A-Za-z0-9_-]{1,60}$/, `expected the id of a ${LISTS[list]} of the catalogue`)
    .register(REFERENCES, { list });

export const materialRef = referenceTo('materials');
export const adhesiveRef = referenceTo('adhesives');
export const coatingRef = referenceTo('coatings');
export const stuffRef = referenceTo('stuffs');
export const paintRef = referenceTo('paints');
export const patternRef = referenceTo('patterns');
export const methodRef = referenceTo('methods');
export const toolRef = referenceTo('tools');
export const batchWayRef = referenceTo('batchWays');
export const airRef = referenceTo('airs');
export const placeKindRef = referenceTo('placeKinds');
export const cautionRef = referenceTo('cautions');
export const joinRef = referenceTo('joins');
export const batteryRef = referenceTo('batteries');
export const lampRef = referenceTo('lamps');
export const lengthRef = referenceTo('lengths');
export const claddingRef = referenceTo('claddings');
export const layingRef = referenceTo('layings');
export const castingRef = referenceTo('castings');
export const fillRef = referenceTo('fills');

/** A reference that leads nowhere. */
export interface Dangling {
  readonly path: string;
  readonly message: string;
}
type Walk = (value: unknown, path: string, found: Dangling[], has: (list: ReferredList, id: string) => boolean) => void;

/** Every reference in a value that the catalogue has no entry for. @param schema the value has passed */
export function danglingRefs(
  schema: z.ZodType,
  value: unknown,
  catalogue: Readonly<Record<ReferredList, readonly { readonly id: string }[]>>,
): readonly Dangling[] {
  const found: Dangling[] = [];
  walkOf(schema)?.(value, '', found, (list, id) => idsIn(catalogue[list]).has(id));
  return found;
}

/** Every reference in a value, whether it leads anywhere or not. @param schema the value has passed */
export function refsIn(schema: z.ZodType, value: unknown): readonly { readonly list: ReferredList; readonly id: string }[] {
  const refs: { readonly list: ReferredList; readonly id: string }[] = [];
  walkOf(schema)?.(value, '', [], (list, id) => {
    refs.push({ list, id });
    return true;
  });
  return refs;
}

/** Ids of a list, made once: lists of a catalogue never change. */
function idsIn(list: readonly { readonly id: string }[]): ReadonlySet<string> {
  let ids = IDS.get(list);
  if (ids === undefined) IDS.set(list, (ids = new Set(list.map(({ id }) => id))));
  return ids;
}
const IDS = new WeakMap<object, ReadonlySet<string>>();

/** The way to all references within a schema; null where there are none. Worked out once a schema. */
function walkOf(schema: z.core.$ZodType): Walk | null {
  let walk = WALKS.get(schema);
  if (walk === undefined) WALKS.set(schema, (walk = makeWalk(schema)));
  return walk;
}
const WALKS = new WeakMap<object, Walk | null>();

const under = (path: string, key: string | number): string => (path === '' ? String(key) : `${path}.${key}`);

function makeWalk(schema: z.core.$ZodType): Walk | null {
  const reference = REFERENCES.get(schema as z.ZodType);
  if (reference !== undefined) {
    const { list } = reference;
    return (value, path, found, has) => {
      if (!has(list, value as string)) found.push({ path, message: `the catalogue has no ${LISTS[list]} “${String(value)}”` });
    };
  }
  if (schema instanceof z.ZodObject) {
    const inner = Object.entries(schema.shape as z.core.$ZodShape).flatMap(([key, field]) => {
      const walk = walkOf(field);
      return walk === null ? [] : [[key, walk] as const];
    });
    if (inner.length === 0) return null;
    return (value, path, found, has) => {
      for (const [key, walk] of inner) walk((value as Record<string, unknown>)[key], under(path, key), found, has);
    };
  }
  if (schema instanceof z.ZodArray) {
    const each = walkOf(schema.element);
    return each === null
      ? null
      : (value, path, found, has) => (value as readonly unknown[]).forEach((one, i) => each(one, under(path, i), found, has));
  }
  if (schema instanceof z.ZodNullable || schema instanceof z.ZodOptional) {
    const inner = walkOf(schema.unwrap());
    return inner === null
      ? null
      : (value, path, found, has) => {
          if (value !== null && value !== undefined) inner(value, path, found, has);
        };
  }
  if (schema instanceof z.ZodDiscriminatedUnion) {
    const { discriminator } = schema.def;
    const byWord = new Map<unknown, Walk>();
    for (const option of schema.options as readonly z.ZodObject[]) {
      const walk = walkOf(option);
      const word = option.shape[discriminator] as z.ZodLiteral;
      if (walk !== null) byWord.set(word.value, walk);
    }
    if (byWord.size === 0) return null;
    return (value, path, found, has) => byWord.get((value as Record<string, unknown>)[discriminator])?.(value, path, found, has);
  }
  return null;
}
