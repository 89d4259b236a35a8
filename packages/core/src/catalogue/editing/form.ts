import { z } from 'zod';
import { isEstimate } from '../ranges';
import { saidAt } from '../own';
import { listReferredTo } from '../refs';
import { Hex } from '../coating-schema';
import { Estimate } from '../entry';
import { CatalogueSchema } from '../schema';
import type { Kind } from './kinds';

/** How a value of the catalogue is asked for: read off the schema, so that a form cannot forget a field or take what will be refused. */
export type Field =
  | {
      readonly is: 'number';
      readonly unit: string;
      readonly least: number;
      readonly most: number;
      readonly isWhole: boolean;
      readonly isAbove: boolean;
    }
  /** Money in minor units. */
  | { readonly is: 'money'; readonly mayBeFree: boolean }
  /** A value with its range and origin. */
  | { readonly is: 'figure'; readonly unit: string }
  | { readonly is: 'words'; readonly most: number; readonly mayBeEmpty: boolean }
  | { readonly is: 'colour' }
  | { readonly is: 'tick' }
  | { readonly is: 'choice'; readonly of: readonly string[] }
  | { readonly is: 'entry'; readonly kind: Kind }
  /** Nothing is told by null, or by leaving it out. */
  | { readonly is: 'maybe'; readonly inner: Field; readonly isLeftOut: boolean }
  | { readonly is: 'group'; readonly fields: readonly NamedField[] }
  | { readonly is: 'list'; readonly of: Field; readonly least: number }
  /** One of several shapes, told apart by a word under the key `by`. */
  | {
      readonly is: 'one-of';
      readonly key: string;
      readonly options: readonly { readonly word: string; readonly fields: readonly NamedField[] }[];
    };
export interface NamedField {
  readonly key: string;
  readonly name: string;
  readonly field: Field;
}

/** Fields whose key alone would not be understood. */
const NAMES: Readonly<Record<string, string>> = {
  hatch: 'Hatch',
  youngMPa: 'stiffness',
  swellingPct: 'swelling when wet',
  isHurtBySolvent: 'dissolved by solvents',
  isOneWay: 'leans one way',
  hasGrain: 'bends more easily one way',
  toolIds: 'tools, the usual one first',
  edgeLifeM: 'one edge cuts',
  scoreMm: 'first score',
  passMm: 'each further pass',
  materialId: 'of',
  priceMinor: 'price',
  perCutMinor: 'price per cut',
  packsG: 'packages',
  packsMl: 'packages',
  gPerM2: 'spread',
  handleMin: 'can be handled after',
  fullMin: 'full strength after',
  openMin: 'open time',
  minC: 'minimum temperature',
  speedPer10C: 'times faster per 10 °C',
  staysPct: 'share left when cured',
  waterPct: 'water content',
  perFilm: 'drying times are for',
  solidsPct: 'share left when dry',
  lossPct: 'loss in work',
  cautionIds: 'cautions',
  kerfMm: 'kerf',
  mPerMin: 'cuts',
  throatMm: 'throat',
  tallestMm: 'maximum height under it',
  fenceMm: 'maximum fence distance',
  m2PerH: 'pace',
  perH: 'pace, per piece',
  hex: 'colour',
  slower: 'drying time, times the estimate',
  inWinter: 'drying in winter, times',
  inSpring: 'drying in spring, times',
  inSummer: 'drying in summer, times',
  inAutumn: 'drying in autumn, times',
  by: 'how',
};

/** What a value under a key is called. */
export const fieldName = (key: string): string => NAMES[key] ?? saidAt(key).name;

/** What an entry of a kind has to be. */
export const schemaOf = (kind: Kind): z.ZodType => CatalogueSchema.shape[kind].element;

const READ = new WeakMap<z.ZodType, Field>();
/** The fields of a kind of entry. */
export function fieldsOf(kind: Kind): readonly NamedField[] {
  const field = fieldOf(schemaOf(kind), '');
  if (field.is !== 'group') throw new TypeError(`${kind} is not a list of entries`);
  return field.fields;
}

function fieldOf(schema: z.ZodType, key: string): Field {
  // What a number is in lies in its name, so the same schema may be read twice.
  const known = key === '' ? READ.get(schema) : undefined;
  if (known !== undefined) return known;
  const field = readField(schema, key);
  if (key === '') READ.set(schema, field);
  return field;
}

function readField(schema: z.ZodType, key: string): Field {
  const referred = listReferredTo(schema);
  if (referred !== null) return { is: 'entry', kind: referred };
  if (schema === (Hex as z.ZodType)) return { is: 'colour' };
  if (schema === (Estimate as z.ZodType)) return { is: 'figure', unit: saidAt(key).unit };
  const simple = simpleField(schema, key);
  if (simple !== null) return simple;
  if (schema instanceof z.ZodNullable || schema instanceof z.ZodOptional)
    return { is: 'maybe', inner: fieldOf(schema.unwrap() as z.ZodType, key), isLeftOut: schema instanceof z.ZodOptional };
  if (schema instanceof z.ZodArray)
    return { is: 'list', of: fieldOf(schema.element as z.ZodType, key.replace(/^packs/, 'amount')), least: leastOf(schema) };
  if (schema instanceof z.ZodDiscriminatedUnion) {
    const { discriminator } = schema.def;
    return {
      is: 'one-of',
      key: discriminator,
      options: (schema.options as readonly z.ZodObject[]).map((option) => ({
        word: String((option.shape[discriminator] as z.ZodLiteral).value),
        fields: namedIn(option, '', discriminator),
      })),
    };
  }
  if (schema instanceof z.ZodObject) return { is: 'group', fields: namedIn(schema, key) };
  throw new TypeError(`${key}: no field is known for ${schema.def.type}`);
}

/** A field of one value; null for what is made of others. */
function simpleField(schema: z.ZodType, key: string): Field | null {
  if (schema instanceof z.ZodNumber) {
    const { isWhole, least, most, isAbove } = limitsOf(schema);
    if (key.endsWith('Minor')) return { is: 'money', mayBeFree: !isAbove };
    return { is: 'number', unit: saidAt(key).unit, least, most, isWhole, isAbove };
  }
  if (schema instanceof z.ZodString)
    return { is: 'words', most: schema.maxLength ?? 200, mayBeEmpty: (schema.minLength ?? 0) === 0 && schema.format === null };
  if (schema instanceof z.ZodBoolean) return { is: 'tick' };
  return schema instanceof z.ZodEnum ? { is: 'choice', of: schema.options.map(String) } : null;
}

function namedIn(schema: z.ZodObject, within = '', but = ''): readonly NamedField[] {
  return Object.entries(schema.shape).flatMap(([key, inner]) =>
    key === but
      ? []
      : // A package's amount is in what its list is in.
        [{ key, name: fieldName(key), field: fieldOf(inner as z.ZodType, key === 'amount' ? within : key) }],
  );
}

/** Zod says what a number may be only through its checks. */
function limitsOf(schema: z.ZodNumber): { isWhole: boolean; least: number; most: number; isAbove: boolean } {
  const isAbove = (schema.def.checks ?? []).some((check) => {
    const def = check._zod.def as { check?: string; inclusive?: boolean };
    return def.check === 'greater_than' && def.inclusive === false;
  });
  const cap = (value: number | null, none: number): number => (value === null || Math.abs(value) > 1e9 ? none : value);
  return { isWhole: schema.isInt, least: cap(schema.minValue, -1e7), most: cap(schema.maxValue, 1e7), isAbove };
}
const leastOf = (schema: z.ZodArray): number =>
  (schema.def.checks ?? []).reduce((least, check) => {
    const def = check._zod.def as { check?: string; minimum?: number };
    return def.check === 'min_length' ? Math.max(least, def.minimum ?? 0) : least;
  }, 0);

/** What stands in a field before anything is typed. */
export function blankOf(field: Field): unknown {
  switch (field.is) {
    case 'number':
      return lowestOf(field);
    case 'money':
      return field.mayBeFree ? 0 : 100;
    case 'figure':
      return { value: 1, low: 1, high: 1, origin: 'yours' };
    case 'words':
    case 'entry':
      return '';
    case 'colour':
      return '#7a6f52';
    case 'tick':
      return false;
    case 'choice':
      return field.of[0];
    case 'maybe':
      return field.isLeftOut ? undefined : null;
    case 'group':
      return blankGroup(field.fields);
    case 'list':
      return Array.from({ length: field.least }, () => blankOf(field.of));
    case 'one-of':
      return blankOption(field);
  }
}
const lowestOf = ({ isAbove, least }: Extract<Field, { is: 'number' }>): number => Math.max(isAbove ? 1 : 0, least);
const blankOption = ({ key, options: [first] }: Extract<Field, { is: 'one-of' }>) => ({ [key]: first!.word, ...blankGroup(first!.fields) });
export const blankGroup = (fields: readonly NamedField[]): Record<string, unknown> =>
  Object.fromEntries(fields.map(({ key, field }) => [key, blankOf(field)]));

/** Whether two values of an entry are the same, whatever is told of their figures besides. */
export function isSameValue(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (isEstimate(a) && isEstimate(b)) return a.value === b.value && a.low === b.low && a.high === b.high;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => isSameValue((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]));
}
