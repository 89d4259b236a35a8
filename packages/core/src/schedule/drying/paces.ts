import { type AirAt, NEVER, type Pace, REFERENCE, REFERENCE_KPA, deficitKPa, hourlyPace, slowed, steadyPace, vapourDeficit } from '../air';
import { estimated } from '../../catalogue';
import { type Figure, given, calculate } from '../../base/units';
import type { DryingPlace } from './spots';

/** Air that pulls less than this share of the reference does not dry anything in a lifetime. */
const MIN_PULL = 0.05;

/** What dries or sets by what. */
interface Ask {
  /** Below this it does not form a film or does not set; null for any. */
  readonly minC: number | null;
  /** The film in question; null where it is always thin. */
  readonly filmMm: number | null;
}

/** Pace of a water-borne film at a spot: by the pull of the air, and how it is moved. @source craft.md §8 */
export function waterPace(spot: DryingPlace, { minC, filmMm }: Ask): Pace {
  const helps = spot.moved.thinMm === null || filmMm === null || filmMm <= spot.moved.thinMm;
  return kept(spot, `water ${minC} ${helps}`, () => {
    const { course, moved } = spot;
    const movedFactor = helps ? moved.factor.value : 1;
    const speedIn = (air: AirAt): number => {
      const pull = deficitKPa(air) / REFERENCE_KPA;
      return isTooCold(air, minC) || pull < MIN_PULL ? 0 : pull / movedFactor;
    };
    if (!course.isSteady)
      return hourlyPace(course, speedIn, `Drying factor for conditions, ${spot.place.name}`, `mean of a week, ${spot.place.name}`);
    const air = course.at(0);
    return speedIn(air) === 0 ? NEVER : steadyPace(dryingFactor(air, helps ? estimated(moved.name, moved.factor, '1') : ASIDE));
  });
}
const ASIDE = given('Moving air forms a skin on such a thick film', 1, '1', 'definition');

/** Pace of a chemical setter: by warmth alone. @param speedPer10C how much faster it is 10 °C warmer @source craft.md §8 */
export function settingPace(spot: DryingPlace, speedPer10C: number, minC: number | null): Pace {
  return kept(spot, `setting ${speedPer10C} ${minC}`, () => {
    const { course } = spot;
    const speedIn = (air: AirAt): number => (isTooCold(air, minC) ? 0 : speedPer10C ** ((air.airC - REFERENCE.airC) / 10));
    if (!course.isSteady)
      return hourlyPace(course, speedIn, `Setting factor for temperature, ${spot.place.name}`, `mean of a week, ${spot.place.name}`);
    const air = course.at(0);
    return speedIn(air) === 0 ? NEVER : steadyPace(settingFactor(air.airC, speedPer10C));
  });
}

export const isTooCold = ({ airC }: AirAt, minC: number | null): boolean => minC !== null && airC < minC;

/** By what factor a water-borne film dries slower in some air than at 20 °C, 50 %RH in still air. @param moved by how the air is moved */
export function dryingFactor({ airC, humidityPct }: AirAt, moved: Figure<'1'>): Figure<'1'> {
  const reference = vapourDeficit(
    'Vapour pressure deficit, reference',
    given('Reference air', REFERENCE.airC, '°C', 'definition'),
    given('Reference humidity', REFERENCE.humidityPct / 100, '1', 'definition'),
  );
  const here = vapourDeficit(
    'Vapour pressure deficit here',
    given('Air', airC, '°C', 'plan'),
    given('Humidity', humidityPct / 100, '1', 'plan'),
  );
  return calculate('Drying factor', '1', calculate('Slower for the climate', '1', reference, '÷', here), '×', moved);
}

/** By what factor a chemical setter is slower at a temperature than at 20 °C. */
export function settingFactor(airC: number, speedPer10C: number): Figure<'1'> {
  const colder = calculate(
    'Colder than the reference',
    '°C',
    given('Reference air', REFERENCE.airC, '°C', 'definition'),
    '−',
    given('Air', airC, '°C', 'plan'),
  );
  const tens = calculate('Tens of degrees', '1', colder, '÷', given('Ten degrees', 10, '°C', 'definition'));
  return calculate('Setting factor', '1', given('Factor per step', speedPer10C, '1', 'catalogue'), 'to the power', tens);
}

/** Paces at a spot that were asked for before. */
const PACES = new WeakMap<DryingPlace, Map<string, Pace>>();
function kept(spot: DryingPlace, key: string, make: () => Pace): Pace {
  let paces = PACES.get(spot);
  if (paces === undefined) PACES.set(spot, (paces = new Map()));
  let pace = paces.get(key);
  if (pace === undefined) paces.set(key, (pace = slowed(make(), spot.slower)));
  return pace;
}
