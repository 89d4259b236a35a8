import { type Showing, type Unit, show, showText } from '../../base/units';
import type { Band } from './band';

/** From one value to another of one unit, the unit once where both are shown in it; empty when the eye would see no difference. */
export function showBand({ low, high }: Band, unit: Unit, showing: Showing): string {
  // An evening more or less is told in hours.
  if (unit === 'min' && high >= FROM_MIN) {
    const [least, most] = [Math.round(low / 60), Math.round(high / 60)];
    return least === most ? '' : `${least}\u2013${most}\u00a0h`;
  }
  const [from, to] = [show({ value: low, unit }, showing), show({ value: high, unit }, showing)];
  if (from.number === to.number && from.unit === to.unit) return '';
  if (from.unit !== to.unit) return `${showText({ value: low, unit }, showing)} to ${showText({ value: high, unit }, showing)}`;
  return `${from.number}\u2013${to.number}${to.unit === '' ? '' : `\u00a0${to.unit}`}`;
}
/** Times from here on go by whole hours. */
const FROM_MIN = 600;
