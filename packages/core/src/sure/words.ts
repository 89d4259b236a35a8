import { type Showing, type Unit, show } from '../base/units';
import type { Band } from './band';

/** From one value to another of one unit, the unit once where both are shown in it; empty when the eye would see no difference. */
export function showBand({ low, high }: Band, unit: Unit, showing: Showing): string {
  const [from, to] = [show({ value: low, unit }, showing), show({ value: high, unit }, showing)];
  if (from.number === to.number && from.unit === to.unit) return '';
  const tail = to.unit === '' ? '' : `\u00a0${to.unit}`;
  return `${from.number}${from.unit === to.unit || from.unit === '' ? '' : `\u00a0${from.unit}`}\u2013${to.number}${tail}`;
}
