export { askChoice, askLength, askNumber, askTick } from './asked';
export type { AskedField } from './asked';
export { LIMITS, MAX_CONTOURS, MAX_CONTOUR_POINTS, MAX_FEATURES, MAX_POINTS } from './limits';
export { Day, Id, freeText, listOf, longId, mm, oneOf, said, text, whole, within, yesOrNo } from './values';
