export { cutList } from './cut-list';
export { kerfFrom, kerfTest } from './kerf-test';
export { minutesByPart, passes, passesThrough, sheetLabour, shopCuts } from './labour';
export { listedCuts } from './listed-cuts';
export type { ListedCut } from './listed-cuts';
export { marksOf, placedParts } from './placed-parts';
export type { Mark, PlacedPart } from './placed-parts';
export { beyondTool, canCutWith, toolLimits } from './tool-limits';
export type { BeyondTool } from './tool-limits';
