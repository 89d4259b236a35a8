export { given, reckon, total, wholeUp } from './figure';
export type { Figure, Given, Reckoned, Sign, Source, Summed, Unit } from './figure';
export { hoursInMinutes, inMetres, inMillilitres, inSquareMetres, litresInMillilitres, massOf } from './convert';
export { exact, operands, working } from './working';
export type { Working, WorkingInput, WorkingLine } from './working';
export { lengthField, lengthText, lengthUnit, lengthUnitName, lengthWords, show, showChange, showText } from './show';
export type { MeasureSystem, Showing, Shown } from './show';
export { parseLength, parseNumber, parsePoint } from './parse';
export type { FieldProblem, Limits } from './parse';
