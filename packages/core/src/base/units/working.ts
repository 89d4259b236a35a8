import { fromMinor } from './convert';
import type { Figure, Unit } from './figure';
import { type Showing, show } from './show';

/** One line of a working: what is reckoned, the arithmetic, and the result, all in the figure's own units. */
export interface WorkingLine {
  readonly label: string;
  readonly expression: string;
  readonly result: string;
  /** For a sum: what is added, one by one, with its own name. */
  readonly addends: readonly { readonly label: string; readonly amount: string }[];
}
/** One input of a working, with where it came from. */
export interface WorkingInput {
  readonly label: string;
  readonly amount: string;
  readonly source: string;
  readonly note: string;
}
/** A working to read: inputs first, then each step after the ones it needs, the figure itself last. */
export interface Working {
  readonly inputs: readonly WorkingInput[];
  readonly lines: readonly WorkingLine[];
}

/** All digits of a working: figures are carried unrounded, and a step done again by hand from these gives the next. */
const ALL_DIGITS = 7;
/** Fewer than this say too little of a share or a factor. */
const MIN_DIGITS = 4;

/** Digits enough to see where a figure comes from: one more than it is shown with. */
export function enoughDigits(figure: Pick<Figure, 'value' | 'unit'>, showing: Showing): number {
  const { number } = show(figure, showing);
  const shown = number
    .replace(/[^\d.]/g, '')
    .replace(/^[0.]+/, '')
    .replace('.', '').length;
  return Math.min(ALL_DIGITS, Math.max(MIN_DIGITS, shown + 1));
}

/**
 * Lays out how a figure came about. Each step is listed once, by identity, however often it is used.
 * @param currency code shown after money, e.g. `EUR`; @param digitsOf significant digits of each figure, all where left out
 */
export function working(figure: Figure, currency: string, digitsOf?: (figure: Figure) => number): Working {
  const amountOf = (step: Figure): string => exact(step, currency, digitsOf?.(step));
  const inputs = new Map<Figure, WorkingInput>();
  const lines = new Map<Figure, WorkingLine>();
  const visit = (step: Figure): void => {
    if (inputs.has(step) || lines.has(step)) return;
    const amount = amountOf(step);
    if ('source' in step) {
      inputs.set(step, { label: step.label, amount, source: step.source, note: step.note ?? '' });
      return;
    }
    const from = operands(step);
    for (const earlier of from) visit(earlier);
    const shown = from.map(amountOf);
    const expression = 'parts' in step ? shown.join(' + ') || 'nothing to add' : shown.join(` ${step.sign} `);
    const addends = 'parts' in step ? from.map((earlier, i) => ({ label: earlier.label, amount: shown[i]! })) : [];
    lines.set(step, { label: step.label, expression, result: amount, addends });
  };
  visit(figure);
  return { inputs: distinct([...inputs.values()]), lines: distinct([...lines.values()]) };
}

/** What a figure was made from, in order; none for an input. */
export function operands(figure: Figure): readonly Figure[] {
  if ('source' in figure) return [];
  return 'parts' in figure ? figure.parts : [figure.left, figure.right];
}

/** The figure in its own unit; with all digits what a person needs to repeat the arithmetic. */
export function exact(figure: { readonly value: number; readonly unit: Unit }, currency: string, digits = ALL_DIGITS): string {
  const isMoney = figure.unit.startsWith('money');
  // Money is carried in minor units; shown in major ones. The division is the same on both sides of every step.
  const value = rounded(isMoney ? fromMinor(figure.value, currency) : figure.value, digits);
  const text = grouped(value, digits);
  if (figure.unit === '1') return text;
  const unit = figure.unit.replace('money', currency);
  return `${text} ${unit}`;
}

/** Digits in threes with a narrow no-break space, a full stop for the fraction, never an exponent. */
function grouped(value: number, digits: number): string {
  const text = value.toLocaleString('en-GB', { maximumSignificantDigits: Math.max(digits, integerDigits(value)), useGrouping: true });
  return text.replaceAll(',', '\u202f').replace('-', '−');
}

/** To so many significant digits, but never to less than a whole. */
const rounded = (value: number, digits: number): number => Number(value.toPrecision(Math.max(digits, integerDigits(value))));
/** Whole numbers are never rounded away: 12 298 g to four digits is still counted in grams. */
const integerDigits = (value: number): number => Math.max(1, Math.trunc(Math.abs(value)).toString().length);

function distinct<T>(rows: readonly T[]): T[] {
  const seen = new Map(rows.map((row) => [JSON.stringify(row), row]));
  return [...seen.values()];
}
