export {
  DAY_MIN,
  fromMinor,
  hoursInMinutes,
  inMetres,
  inMillilitres,
  inSquareMetres,
  litresInMillilitres,
  massOf,
  minorDigits,
  toMinor,
} from './convert';
export { applied, asBare, bareOf, given, hasWorking, isUnit, calculate, ranged, total, ceilTolerant } from './figure';
export type { Bare, Figure, Quantity, Range, Unit } from './figure';
export { parseLength, parseNumber, parsePoint } from './parse';
export type { Limits } from './parse';
export { lengthField, lengthText, lengthUnit, lengthUnitName, lengthWords, show, showChange, showText } from './show';
export type { MeasureSystem, Showing } from './show';
export { enoughDigits, exact, operands, working } from './working';
