/**
 * Each unit as powers of independent base units. `mm` and `m`, `ml` and `l`, `min` and `h` are kept apart on purpose: a
 * conversion is a step of the working that a person can repeat, never a factor hidden in a sign.
 */
const POWERS = {
  '1': {},
  '%': {},
  mm: { mm: 1 },
  'mm²': { mm: 2 },
  'mm³': { mm: 3 },
  m: { m: 1 },
  'm²': { m: 2 },
  'mm/m': { mm: 1, m: -1 },
  'mm²/m²': { mm: 2, m: -2 },
  'mm³/ml': { mm: 3, ml: -1 },
  ml: { ml: 1 },
  l: { l: 1 },
  'ml/l': { ml: 1, l: -1 },
  'ml/m²': { ml: 1, m: -2 },
  'm²/l': { m: 2, l: -1 },
  g: { g: 1 },
  kg: { kg: 1 },
  'g/kg': { g: 1, kg: -1 },
  'g/ml': { g: 1, ml: -1 },
  'g/m²': { g: 1, m: -2 },
  'kg/m²': { kg: 1, m: -2 },
  'kg/m³': { kg: 1, m: -3 },
  'm³': { m: 3 },
  'mm³/m³': { mm: 3, m: -3 },
  min: { min: 1 },
  h: { h: 1 },
  'min/h': { min: 1, h: -1 },
  'min/m²': { min: 1, m: -2 },
  'm²/h': { m: 2, h: -1 },
  'm/min': { m: 1, min: -1 },
  money: { money: 1 },
  'money/ml': { money: 1, ml: -1 },
  'money/g': { money: 1, g: -1 },
  '°C': { degree: 1 },
  kPa: { kPa: 1 },
  '°': { turn: 1 },
  V: { volt: 1 },
  A: { amp: 1 },
  'A·h': { amp: 1, h: 1 },
  Ω: { volt: 1, amp: -1 },
  'g/mm²': { g: 1, mm: -2 },
  'g/m': { g: 1, m: -1 },
  'money/m²': { money: 1, m: -2 },
  '1/mm': { mm: -1 },
  '1/h': { h: -1 },
  '1/m²': { m: -2 },
  '1/ml': { ml: -1 },
  N: { N: 1 },
  MPa: { N: 1, mm: -2 },
  'N/mm': { N: 1, mm: -1 },
  'N·mm': { N: 1, mm: 1 },
  'N·mm²': { N: 1, mm: 2 },
  'N²': { N: 2 },
  'N²/mm': { N: 2, mm: -1 },
  'mm⁴': { mm: 4 },
  'N/kg': { N: 1, kg: -1 },
} as const satisfies Record<string, Partial<Record<string, number>>>;

/** The sign shown, what it does to values, and how the units must fit: +1 multiply, −1 divide, 0 both sides alike. */
const SIGNS = {
  '×': { of: (a, b) => a * b, turn: 1 },
  '÷': { of: (a, b) => a / b, turn: -1 },
  '⌈÷⌉': { of: (a, b) => ceilTolerant(a / b), turn: -1 },
  '+': { of: (a, b) => a + b, turn: 0 },
  '−': { of: (a, b) => a - b, turn: 0 },
  'or, if larger,': { of: (a, b) => Math.max(a, b), turn: 0 },
  'or, if smaller,': { of: (a, b) => Math.min(a, b), turn: 0 },
  'to the power': { of: (a, b) => a ** b, turn: 0 },
} as const satisfies Record<string, { of: (a: number, b: number) => number; turn: number }>;

export type Unit = keyof typeof POWERS;
export const isUnit = (word: unknown): word is Unit => typeof word === 'string' && word in POWERS;
export type Sign = keyof typeof SIGNS;
export type Source = 'plan' | 'drawing' | 'catalogue' | 'shelf' | 'logbook' | 'calendar' | 'layout' | 'definition';

/** What a value may really be: half of all chances lie below it. */
export interface Range {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  /** Its name among all others, where it has one. */
  readonly path?: string | undefined;
}
/** A number from outside the reckoning: where it came from, and in words how sure it is or how it was measured. @param range one and the same object wherever the same value is used */
export interface Given {
  readonly source: Source;
  readonly note?: string;
  readonly range?: Range;
}
/** One step from two figures. */
export interface Reckoned {
  readonly left: Figure;
  readonly sign: Sign;
  readonly right: Figure;
}
/** A sum over any number of figures of one unit. */
export interface Summed {
  readonly parts: readonly Figure[];
}

/** A value with its unit and its working. Made only by {@link given}, {@link calculate} and {@link total}. */
export type Figure<U extends Unit = Unit> = { readonly label: string; readonly value: number; readonly unit: U } & (
  Given | Reckoned | Summed
);

/** A figure as it is shown: its working, if it has one, is told when it is asked for. */
export interface Quantity<U extends Unit = Unit> {
  readonly label: string;
  readonly value: number;
  readonly unit: U;
}
/** Whether a figure carries its working. */
export const hasWorking = (figure: Quantity): figure is Figure => 'source' in figure || 'left' in figure || 'parts' in figure;

/** The same with every figure in it bare of its working. */
export type Bare<T> =
  T extends Quantity<infer U>
    ? Quantity<U>
    : T extends readonly (infer Item)[]
      ? number extends T['length']
        ? readonly Bare<Item>[]
        : { readonly [Key in keyof T]: Bare<T[Key]> }
      : T extends string | number | boolean | null | undefined
        ? T
        : { readonly [Key in keyof T]: Bare<T[Key]> };

/** Copies remembered for as long as what they were made of lives: most of an answer is the same as the one before it. */
const BARE = new WeakMap<object, unknown>();

/** Says that no figure with a working is anywhere in some data: it is bare as it is, and nobody looks through it. */
export function asBare<T extends object>(data: T): T {
  BARE.set(data, data);
  return data;
}
/** Plain data with every figure in it bare of its working. The same data gives the same copy. */
export function bareOf<T>(data: T): Bare<T> {
  if (typeof data !== 'object' || data === null) return data as Bare<T>;
  let copy = BARE.get(data);
  if (copy === undefined) BARE.set(data, (copy = bared(data)));
  return copy as Bare<T>;
}
function bared(data: object): unknown {
  if (Array.isArray(data)) return data.map(bareOf);
  if ('unit' in data && 'value' in data && hasWorking(data as Quantity)) {
    const { label, value, unit } = data as Quantity;
    return { label, value, unit };
  }
  const copy: Record<string, unknown> = {};
  for (const key of Object.keys(data)) copy[key] = bareOf((data as Record<string, unknown>)[key]);
  return copy;
}

/**
 * An input of the reckoning.
 * @param note how it was measured, or its plausible range and origin
 * @throws RangeError when not finite: no figure is better than a quietly wrong one
 */
export function given<U extends Unit>(label: string, value: number, unit: U, source: Source, note?: string): Figure<U> {
  return finite(note === undefined ? { label, value, unit, source } : { label, value, unit, source, note });
}
/** An input with the range that it may lie in: that very object, by which a value is known wherever it is used. */
export const ranged = <U extends Unit>(figure: Figure<U>, range: Range): Figure<U> => ({ ...figure, range });
/** What a sign does to two values, as {@link calculate} does it. */
export const applied = (sign: Sign, left: number, right: number): number => SIGNS[sign].of(left, right);

/**
 * One step, in `unit`.
 * @throws TypeError when the inputs do not make that unit, RangeError on ÷ 0 (our bugs, not the builder's)
 */
export function calculate<U extends Unit>(label: string, unit: U, left: Figure, sign: Sign, right: Figure): Figure<U> {
  const { of, turn } = SIGNS[sign];
  if (!fits(unit, left.unit, turn, right.unit)) {
    throw new TypeError(`${label}: ${left.unit} ${sign} ${right.unit} is not ${unit}`);
  }
  return finite({ label, value: of(left.value, right.value), unit, left, sign, right });
}

/**
 * The sum of figures that share a unit; the sum of none is 0.
 * @throws TypeError when a part has another unit
 */
export function total<U extends Unit>(label: string, unit: U, parts: readonly Figure[]): Figure<U> {
  for (const part of parts) {
    if (part.unit !== unit) throw new TypeError(`${label}: ${part.label} is in ${part.unit}, not ${unit}`);
  }
  let sum = 0;
  for (const part of parts) sum += part.value;
  return finite({ label, value: sum, unit, parts });
}

/**
 * Rounds up, forgiving the last bits of a division: (0.1 + 0.2) / 0.1 is 3.0000000000000004 and must not buy a fourth pot.
 */
export function ceilTolerant(value: number): number {
  return Math.ceil(value - Math.abs(value) * 1e-9);
}

/** Steps found to fit, by sign and units: the same few come up thousands of times in one reckoning. */
const FITTING = new Map<Unit, Map<Unit, Map<Unit, Map<number, boolean>>>>();

function fits(unit: Unit, left: Unit, turn: number, right: Unit): boolean {
  const known = held(held(held(FITTING, unit), left), right);
  let answer = known.get(turn);
  if (answer === undefined) {
    answer = unitsFit(unit, left, turn, right);
    known.set(turn, answer);
  }
  return answer;
}

/** The map kept under a key of a map of maps, made when first asked for. */
function held<K, V, L>(maps: Map<K, Map<V, L>>, key: K): Map<V, L> {
  let inner = maps.get(key);
  if (inner === undefined) {
    inner = new Map();
    maps.set(key, inner);
  }
  return inner;
}

function unitsFit(unit: Unit, left: Unit, turn: number, right: Unit): boolean {
  if (turn === 0) return left === right && left === unit;
  const wanted = powersOf(unit);
  const a = powersOf(left);
  const b = powersOf(right);
  const bases = new Set([...Object.keys(wanted), ...Object.keys(a), ...Object.keys(b)]);
  for (const base of bases) {
    if ((wanted[base] ?? 0) !== (a[base] ?? 0) + turn * (b[base] ?? 0)) return false;
  }
  return true;
}

const powersOf = (unit: Unit): Readonly<Record<string, number>> => POWERS[unit];

function finite<F extends Figure>(figure: F): F {
  if (!Number.isFinite(figure.value)) {
    throw new RangeError(`${figure.label}: expected a finite ${figure.unit}, got ${figure.value}`);
  }
  return figure;
}
