import { fromMinor, minorDigits } from './convert';
import type { Figure, Unit } from './figure';

export type MeasureSystem = 'metric' | 'imperial';
/** How a board wants its figures shown. */
export interface Showing {
  readonly system: MeasureSystem;
  readonly currency: string;
}
/** What the eye gets: the number as text, and its unit. */
export interface Shown {
  readonly number: string;
  readonly unit: string;
}

const MM_PER_INCH = 25.4;
const MM2_PER_FT2 = 92_903.04;
const ML_PER_US_FL_OZ = 29.5735;
const G_PER_OZ = 28.3495;
const NARROW = '\u202f';

/** Rounds a figure for the eye, in the board's system of measures. The figure itself stays unrounded. */
export function show(figure: { readonly value: number; readonly unit: Unit }, showing: Showing): Shown {
  const { value, unit } = figure;
  const inSystem = (showing.system === 'imperial' ? IMPERIAL : METRIC)[unit] ?? ANYWHERE[unit];
  if (inSystem !== undefined) return inSystem(value);
  const { currency } = showing;
  if (unit === 'money') return { number: fixed(fromMinor(value, currency), minorDigits(currency)), unit: currency };
  return { number: fixed(unit.startsWith('money') ? fromMinor(value, currency) : value, 2), unit: unit.replace('money', currency) };
}

/** How a value is shown; units that are not named here are shown as they are called. */
type ShownBy = { readonly [U in Unit]?: (value: number) => Shown };
const METRIC: ShownBy = {
  mm: (mm) => ({ number: fixed(mm, mm < 10 && !Number.isInteger(mm) ? 1 : 0), unit: 'mm' }),
  m: (m) => ({ number: fixed(m, 2), unit: 'm' }),
  'mm²': (mm2) => ({ number: fixed(mm2 / 1e6, 3), unit: 'm²' }),
  'm²': (m2) => ({ number: fixed(m2, 3), unit: 'm²' }),
  ml: (ml) => (ml >= 1000 ? { number: fixed(ml / 1000, 2), unit: 'l' } : { number: fixed(ml, ml < 10 && ml > 0 ? 1 : 0), unit: 'ml' }),
  l: (l) => ({ number: fixed(l, 2), unit: 'l' }),
  g: (g) => (g >= 1000 ? { number: fixed(g / 1000, 2), unit: 'kg' } : { number: fixed(g, smallDigits(g, 0)), unit: 'g' }),
  kg: (kg) => ({ number: fixed(kg, 2), unit: 'kg' }),
  '°C': (degrees) => ({ number: fixed(degrees, 0), unit: '°C' }),
};
/** What is little is never shown as none: a digit more under ten, two under a tenth. */
const smallDigits = (value: number, usual: 0 | 1): 0 | 1 | 2 =>
  value > 0 && value < 0.1 ? 2 : value < 10 && !Number.isInteger(value) ? 1 : usual;
const fluidOunces = (ml: number): Shown => ({
  number: fixed(ml / ML_PER_US_FL_OZ, smallDigits(ml / ML_PER_US_FL_OZ, 1)),
  unit: 'US fl oz',
});
const poundsOrOunces = (g: number): Shown =>
  g >= 16 * G_PER_OZ
    ? { number: fixed(g / G_PER_OZ / 16, 1), unit: 'lb' }
    : { number: fixed(g / G_PER_OZ, smallDigits(g / G_PER_OZ, 1)), unit: 'oz' };
const IMPERIAL: ShownBy = {
  mm: (mm) => ({ number: inches(mm), unit: 'in' }),
  m: (m) => ({ number: fixed((m * 1000) / MM_PER_INCH / 12, 1), unit: 'ft' }),
  'mm²': (mm2) => ({ number: fixed(mm2 / MM2_PER_FT2, 2), unit: 'ft²' }),
  'm²': (m2) => ({ number: fixed((m2 * 1e6) / MM2_PER_FT2, 2), unit: 'ft²' }),
  ml: fluidOunces,
  l: (l) => fluidOunces(l * 1000),
  g: poundsOrOunces,
  kg: (kg) => poundsOrOunces(kg * 1000),
  '°C': (degrees) => ({ number: fixed(degrees * 1.8 + 32, 0), unit: '°F' }),
};
const ANYWHERE: ShownBy = {
  min: (min) => duration(min),
  '1': (count) => ({ number: fixed(count, Number.isInteger(count) ? 0 : 2), unit: '' }),
  '%': (share) => ({ number: fixed(share, 0), unit: '%' }),
};

/** {@link show} as one piece of text. */
export function showText(figure: Pick<Figure, 'value' | 'unit'>, showing: Showing): string {
  const { number, unit } = show(figure, showing);
  return unit === '' ? number : `${number}\u00a0${unit}`;
}

/** The change between two values of one unit with its sign; empty when the eye would see no change. */
export function showChange(from: number, to: number, unit: Unit, showing: Showing): string {
  const { number, unit: shownUnit } = show({ value: Math.abs(to - from), unit }, showing);
  const isSeen = show({ value: from, unit }, showing).number !== show({ value: to, unit }, showing).number;
  if (!isSeen || !/[1-9]/.test(number)) return '';
  return `${to > from ? '+' : '−'}${number}${shownUnit === '' ? '' : `\u00a0${shownUnit}`}`;
}

/** A length for an input field, in the board's system: `62` or `2 7/16`. */
export function lengthField(mm: number, system: MeasureSystem): string {
  return system === 'imperial' ? inches(mm) : String(Number(mm.toFixed(2)));
}

/** A length to read and mark out by, without its unit: to a tenth of a mm, or a sixteenth of an inch. */
export function lengthText(mm: number, system: MeasureSystem): string {
  return system === 'imperial' ? inches(mm) : fixed(mm, Math.abs(mm - Math.round(mm)) < 0.05 ? 0 : 1);
}

/** One or more lengths as said in a sentence, the unit once: `20 mm`, `500 × 90 mm`, `13/16 in`. */
export function lengthWords(mm: number | readonly number[], system: MeasureSystem): string {
  const lengths = typeof mm === 'number' ? [mm] : mm;
  return `${lengths.map((each) => lengthText(each, system)).join(' × ')} ${lengthUnit(system)}`;
}

/** What stands beside a length on show. */
export const lengthUnit = (system: MeasureSystem): 'mm' | 'in' => (system === 'imperial' ? 'in' : 'mm');

/** The unit of lengths as a word of a sentence, where `in` would be read as another. */
export const lengthUnitName = (system: MeasureSystem): 'mm' | 'inches' => (system === 'imperial' ? 'inches' : 'mm');

/** A rule's finest mark; what is smaller (a film, a kerf, a bow) is said in thousandths. */
const FINEST_IN = 1 / 16;

/** Inches to the nearest sixteenth, `17 3/8`; under one in thousandths, `0.039`. */
function inches(mm: number): string {
  const smallIn = Math.abs(mm) / MM_PER_INCH;
  if (smallIn < FINEST_IN - 5e-4) {
    const text = String(Number(smallIn.toFixed(3)));
    return mm < 0 && text !== '0' ? `−${text}` : text;
  }
  const sixteenths = Math.round((Math.abs(mm) / MM_PER_INCH) * 16);
  const whole = Math.floor(sixteenths / 16);
  const sign = mm < 0 && sixteenths > 0 ? '−' : '';
  let over = sixteenths % 16;
  if (over === 0) return `${sign}${whole}`;
  let under = 16;
  while (over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  return `${sign}${whole === 0 ? '' : `${whole} `}${over}/${under}`;
}

/** Minutes as a builder says them: `45 min`, `14 h 20`, `6 d 4 h`. Elapsed days, not working days. */
function duration(minutes: number): Shown {
  const whole = Math.round(minutes);
  if (whole < 60) return { number: fixed(whole, 0), unit: 'min' };
  const hours = Math.floor(whole / 60);
  if (hours < 72) return { number: `${hours} h ${String(whole % 60).padStart(2, '0')}`, unit: 'min' };
  const days = Math.floor(hours / 24);
  return { number: `${days} d ${hours % 24}`, unit: 'h' };
}

/** Made once: the numbers in names were a twentieth of a derive when each call made its own. */
const FORMATS = [0, 1, 2, 3].map(
  (decimals) => new Intl.NumberFormat('en-GB', { minimumFractionDigits: decimals, maximumFractionDigits: decimals }),
);

function fixed(value: number, decimals: 0 | 1 | 2 | 3): string {
  const text = FORMATS[decimals]!.format(Math.abs(value));
  return `${value < 0 && /[1-9]/.test(text) ? '−' : ''}${text.replaceAll(',', NARROW)}`;
}
