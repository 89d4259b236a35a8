import { type Figure, given, calculate } from '../../base/units';

/** Air at one moment. */
export interface AirAt {
  readonly airC: number;
  readonly humidityPct: number;
}

/** Conditions all stated drying times hold for. */
export const REFERENCE: AirAt = { airC: 20, humidityPct: 50 };
/** Constants of the Magnus formula over water. */
const [MAGNUS, MAGNUS_C, FULL_KPA] = [17.27, 237.3, 0.6108];
const E = given('e', Math.E, '1', 'definition');
const ONE = given('Saturation vapour pressure', 1, '1', 'definition');

/**
 * Vapour pressure deficit: how hard the air pulls water out of a film.
 * @source craft.md §8: VPD = 0.6108·e^(17.27T/(T+237.3))·(1 − RH/100) kPa
 */
export function vapourDeficit(label: string, airC: Figure<'°C'>, humidity: Figure<'1'>): Figure<'kPa'> {
  const top = calculate('17.27 × air', '°C', given('Constant', MAGNUS, '1', 'definition'), '×', airC);
  const bottom = calculate('Air + 237.3', '°C', airC, '+', given('Constant', MAGNUS_C, '°C', 'definition'));
  const growth = calculate('e to the power', '1', E, 'to the power', calculate('Quotient', '1', top, '÷', bottom));
  const full = calculate('Saturation vapour pressure', 'kPa', given('Constant', FULL_KPA, 'kPa', 'definition'), '×', growth);
  return calculate(label, 'kPa', full, '×', calculate('Share not saturated', '1', ONE, '−', humidity));
}
/** The same as a plain number, kPa: it is asked for every hour of a year. A test holds both together. */
export const deficitKPa = ({ airC, humidityPct }: AirAt): number =>
  FULL_KPA * Math.exp((MAGNUS * airC) / (airC + MAGNUS_C)) * (1 - humidityPct / 100);
export const REFERENCE_KPA = deficitKPa(REFERENCE);

/**
 * The temperature at which this air is full: a surface as cold as that is wetted.
 * @returns °C
 * @source the Magnus formula solved for temperature
 */
export function dewPointC({ airC, humidityPct }: AirAt): number {
  const share = Math.log(humidityPct / 100) + (MAGNUS * airC) / (airC + MAGNUS_C);
  return (MAGNUS_C * share) / (MAGNUS - share);
}
/** How damp the same air is against a surface of another temperature, %; 100 where it is wetted. */
export function humidityAtPct(air: AirAt, surfaceC: number): number {
  const held = (airC: number): number => deficitKPa({ airC, humidityPct: 0 });
  return Math.min(100, (air.humidityPct * held(air.airC)) / held(surfaceC));
}
