import { type Result, fail, ok } from '../result';
import { type MeasureSystem, lengthField, lengthUnit } from './show';

/** Why a typed number was refused, in words for the field it was typed into. */
export interface FieldProblem {
  readonly code: 'field/not-a-number' | 'field/out-of-range';
  readonly message: string;
}
/** The range a field takes, in the field's own unit. */
export interface Limits {
  readonly min: number;
  readonly max: number;
}

const MM_PER = { mm: 1, cm: 10, m: 1000, in: 25.4, '"': 25.4, ft: 304.8, "'": 304.8 } as const;
const LENGTH = /^([+\-−]?)\s*(?:(\d+(?:[.,]\d+)?(?:e\d+)?)(?:[\s-]+(\d+)\/(\d+))?|(\d+)\/(\d+))\s*(mm|cm|m|in|"|ft|')?$/i;

/**
 * Reads a typed length: `620`, `62 cm`, `24 1/2 in`, `0.5m`. Without a unit the board's own is meant.
 * @param what the field's name, for the message
 * @param limits in mm
 * @returns mm; or what was typed and what would do
 */
export function parseLength(typed: string, what: string, system: MeasureSystem, limits: Limits): Result<number, FieldProblem> {
  const match = LENGTH.exec(typed.trim());
  const range = `${lengthField(limits.min, system)} to ${lengthField(limits.max, system)} ${lengthUnit(system)}`;
  const [, sign, whole, besideOver, besideUnder, aloneOver, aloneUnder, unit] = match ?? [];
  const [over, under] = [besideOver ?? aloneOver, besideUnder ?? aloneUnder];
  if (match === null || Number(under) === 0) {
    return fail({
      code: 'field/not-a-number',
      message: `${what}: “${clip(typed)}” is not a length. Enter ${range}${exampleWithin(limits, system)}.`,
    });
  }
  const fraction = over === undefined ? 0 : Number(over) / Number(under);
  const plain = Number((whole ?? '0').replace(',', '.')) + fraction;
  const perUnit = MM_PER[(unit?.toLowerCase() ?? lengthUnit(system)) as keyof typeof MM_PER];
  const mm = toLimit((sign === '-' || sign === '−' ? -1 : 1) * plain * perUnit, system, limits);
  if (!(mm >= limits.min && mm <= limits.max)) {
    const size = mm < limits.min ? 'too small' : 'too large';
    return fail({ code: 'field/out-of-range', message: `${what}: ${clip(typed)} is ${size}. Enter ${range}.` });
  }
  return ok(mm);
}

/** An example helps only where it would be taken. */
function exampleWithin({ min, max }: Limits, system: MeasureSystem): string {
  const [mm, text] = system === 'metric' ? [620, '620 or 62 cm'] : [24.5 * 25.4, '24 1/2'];
  return mm >= min && mm <= max ? `, such as ${text}` : '';
}

/** A length that reads the same as a limit is that limit: in inches a limit is told rounded, and what is told must be taken. */
function toLimit(mm: number, system: MeasureSystem, { min, max }: Limits): number {
  const read = lengthField(mm, system);
  if (mm < min && read === lengthField(min, system)) return min;
  return mm > max && read === lengthField(max, system) ? max : mm;
}

/**
 * Reads a typed place: `300, 200`, or with a sign before both `+40, -20` from the last place set.
 * @param last where `+x, +y` counts from; null counts from the table's back left corner
 * @returns mm; or what was typed and what would do
 */
export function parsePoint(
  typed: string,
  last: { readonly x: number; readonly y: number } | null,
  system: MeasureSystem,
  limits: Limits,
): Result<{ readonly x: number; readonly y: number }, FieldProblem> {
  const parts = typed.split(/[,;]/).map((part) => part.trim());
  if (parts.length !== 2 || parts.includes('')) {
    return fail({
      code: 'field/not-a-number',
      message: `Point: “${clip(typed)}” is not a point. Enter x, y such as 300, 200, or +40, -20 from the last point.`,
    });
  }
  const isOnward = parts.every((part) => /^[+\-−]/.test(part));
  const [x, y] = [parseLength(parts[0]!, 'x', system, limits), parseLength(parts[1]!, 'y', system, limits)];
  if (!x.ok) return x;
  if (!y.ok) return y;
  return ok(isOnward && last !== null ? { x: last.x + x.value, y: last.y + y.value } : { x: x.value, y: y.value });
}

/** Reads a typed plain number within limits; `unit` only for the message. */
export function parseNumber(typed: string, what: string, unit: string, limits: Limits): Result<number, FieldProblem> {
  const text = typed.trim().replace(',', '.').replace('−', '-');
  const range = `${limits.min} to ${limits.max}${unit === '' ? '' : ` ${unit}`}`;
  const value = /^[+-]?\d+(\.\d+)?(e\d+)?$/i.test(text) ? Number(text) : Number.NaN;
  if (Number.isNaN(value)) {
    return fail({ code: 'field/not-a-number', message: `${what}: “${clip(typed)}” is not a number. Enter ${range}.` });
  }
  if (value < limits.min || value > limits.max) {
    const size = value < limits.min ? 'too small' : 'too large';
    return fail({ code: 'field/out-of-range', message: `${what}: ${clip(typed)} is ${size}. Enter ${range}.` });
  }
  return ok(value);
}

const clip = (typed: string): string => (typed.length > 24 ? `${typed.slice(0, 24)}…` : typed);
