import { type Figure, given, calculate } from './figure';

const MM_PER_M = given('Millimetres in a metre', 1_000, 'mm/m', 'definition');
const MM2_PER_M2 = given('mm² in a m²', 1_000_000, 'mm²/m²', 'definition');
const MM3_PER_ML = given('mm³ in a ml', 1_000, 'mm³/ml', 'definition');
const MM3_PER_M3 = given('mm³ in a m³', 1_000_000_000, 'mm³/m³', 'definition');
const ML_PER_L = given('ml in a litre', 1_000, 'ml/l', 'definition');
const G_PER_KG = given('g in a kg', 1_000, 'g/kg', 'definition');
const MIN_PER_H = given('Minutes in an hour', 60, 'min/h', 'definition');

/** mm to m, as a step of the working. The label says what is measured; the unit is added. */
export const inMetres = (length: Figure<'mm'>): Figure<'m'> => calculate(`${length.label} in m`, 'm', length, '÷', MM_PER_M);
/** mm² to m², as a step of the working. */
export const inSquareMetres = (area: Figure<'mm²'>): Figure<'m²'> => calculate(`${area.label} in m²`, 'm²', area, '÷', MM2_PER_M2);
/** mm³ to ml, as a step of the working. */
export const inMillilitres = (volume: Figure<'mm³'>): Figure<'ml'> => calculate(`${volume.label} in ml`, 'ml', volume, '÷', MM3_PER_ML);
/** l to ml, as a step of the working. */
export const litresInMillilitres = (volume: Figure<'l'>): Figure<'ml'> => calculate(`${volume.label} in ml`, 'ml', volume, '×', ML_PER_L);
/** h to min, as a step of the working; a task that lasts so long goes by the label. */
export const hoursInMinutes = (time: Figure<'h'>, label = `${time.label} in min`): Figure<'min'> =>
  calculate(label, 'min', time, '×', MIN_PER_H);
/** Mass in g of a volume in mm³ of a given density, in three steps. */
export function massOf(label: string, volume: Figure<'mm³'>, density: Figure<'kg/m³'>): Figure<'g'> {
  const cubicMetres = calculate(`${volume.label} in m³`, 'm³', volume, '÷', MM3_PER_M3);
  const kilograms = calculate(`${label} in kg`, 'kg', cubicMetres, '×', density);
  return calculate(label, 'g', kilograms, '×', G_PER_KG);
}

/** Minutes in a day. */
export const DAY_MIN = 1_440;

type Digits = 0 | 1 | 2 | 3;
const DIGITS = new Map<string, Digits>();
/** Digits behind the point of a money. @source ISO 4217, as the platform knows it; 2 for one it does not know */
export function minorDigits(currency: string): Digits {
  let digits = DIGITS.get(currency);
  if (digits === undefined) {
    const isMoney = /^[A-Z]{3}$/.test(currency);
    const known = isMoney ? new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits : 2;
    digits = Math.min(3, known ?? 2) as Digits;
    DIGITS.set(currency, digits);
  }
  return digits;
}
/** Minor units of a money in whole ones, and back. */
export const fromMinor = (minor: number, currency: string): number => minor / 10 ** minorDigits(currency);
export const toMinor = (amount: number, currency: string): number => Math.round(amount * 10 ** minorDigits(currency));
