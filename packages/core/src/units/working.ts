import type { Figure, Unit } from './figure';

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

/** Figures shown to this many significant digits in a working; carried unrounded. */
const DIGITS = 7;

/**
 * Lays out how a figure came about. Each step is listed once, by identity, however often it is used.
 * @param currency code shown after money, e.g. `EUR`
 */
export function working(figure: Figure, currency: string): Working {
  const inputs = new Map<Figure, WorkingInput>();
  const lines = new Map<Figure, WorkingLine>();
  const visit = (step: Figure): void => {
    if (inputs.has(step) || lines.has(step)) return;
    const amount = exact(step, currency);
    if ('source' in step) {
      inputs.set(step, { label: step.label, amount, source: step.source, note: step.note ?? '' });
      return;
    }
    const from = operands(step);
    for (const earlier of from) visit(earlier);
    const shown = from.map((earlier) => exact(earlier, currency));
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

/** The figure in its own unit, to {@link DIGITS} significant digits: what a person needs to repeat the arithmetic. */
export function exact(figure: { readonly value: number; readonly unit: Unit }, currency: string): string {
  const isMoney = figure.unit.startsWith('money');
  // Money is carried in minor units; shown in major ones. The division is the same on both sides of every step.
  const value = Number((isMoney ? figure.value / 100 : figure.value).toPrecision(DIGITS));
  const text = grouped(value);
  if (figure.unit === '1') return text;
  const unit = figure.unit.replace('money', currency);
  return `${text} ${unit}`;
}

/** Digits in threes with a narrow no-break space, a full stop for the fraction, never an exponent. */
function grouped(value: number): string {
  const text = value.toLocaleString('en-GB', { maximumSignificantDigits: DIGITS, useGrouping: true });
  return text.replaceAll(',', '\u202f').replace('-', '−');
}

function distinct<T>(rows: readonly T[]): T[] {
  const seen = new Map(rows.map((row) => [JSON.stringify(row), row]));
  return [...seen.values()];
}
