import { type Catalogue, airBy, estimated } from '../catalogue';
import type { Climate } from '../plan';
import { type Figure, given, reckon } from '../base/units';

/** Conditions all stated drying times hold for. */
const REFERENCE = { airC: 20, humidityPct: 50 };
const E = given('e', Math.E, '1', 'definition');
const ONE = given('All the air could hold', 1, '1', 'definition');

/**
 * Vapour pressure deficit: how hard the air pulls water out of a film.
 * @source craft.md §8: VPD = 0.6108·e^(17.27T/(T+237.3))·(1 − RH/100) kPa
 */
export function vapourDeficit(label: string, airC: Figure<'°C'>, humidity: Figure<'1'>): Figure<'kPa'> {
  const top = reckon('17.27 × air', '°C', given('Constant', 17.27, '1', 'definition'), '×', airC);
  const bottom = reckon('Air + 237.3', '°C', airC, '+', given('Constant', 237.3, '°C', 'definition'));
  const growth = reckon('e to that', '1', E, 'to the power', reckon('Quotient', '1', top, '÷', bottom));
  const full = reckon('Pressure of full air', 'kPa', given('Constant', 0.6108, 'kPa', 'definition'), '×', growth);
  return reckon(label, 'kPa', full, '×', reckon('Share still free', '1', ONE, '−', humidity));
}

/** By what factor a water-borne film dries slower here than at 20 °C, 50 %RH in still air. */
export function dryingFactor(climate: Climate, catalogue: Catalogue): Figure<'1'> {
  const air = airBy(catalogue, climate.airId);
  const reference = vapourDeficit(
    'Pull at the reference',
    given('Reference air', REFERENCE.airC, '°C', 'definition'),
    given('Reference humidity', REFERENCE.humidityPct / 100, '1', 'definition'),
  );
  const here = vapourDeficit(
    'Pull here',
    given('Air', climate.airC, '°C', 'plan'),
    given('Humidity', climate.humidityPct / 100, '1', 'plan'),
  );
  const pull = reckon('Slower for the climate', '1', reference, '÷', here);
  return reckon('Drying factor', '1', pull, '×', estimated(air.name, air.factor, '1'));
}

/** By what factor a chemical setter is slower here than at 20 °C. @param speedPer10C how much faster it is 10 °C warmer */
export function settingFactor(climate: Climate, speedPer10C: number): Figure<'1'> {
  const colder = reckon(
    'Colder than the reference',
    '°C',
    given('Reference air', REFERENCE.airC, '°C', 'definition'),
    '−',
    given('Air', climate.airC, '°C', 'plan'),
  );
  const tens = reckon('Tens of degrees', '1', colder, '÷', given('Ten degrees', 10, '°C', 'definition'));
  return reckon('Setting factor', '1', given('Slower for each', speedPer10C, '1', 'catalogue'), 'to the power', tens);
}
