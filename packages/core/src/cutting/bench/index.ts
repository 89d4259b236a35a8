export { cutList } from './cut-list';
export { kerfFrom, kerfTest } from './kerf-test';
export { minutesByPart, passes, passesThrough, sheetLabour, shopCuts } from './labour';
export { listedCuts } from './listed-cuts';
export type { ListedCut } from './listed-cuts';
export { placedParts } from './placed-parts';
export type { PlacedPart } from './placed-parts';
export { beyondTool, canCutWith, toolLimits } from './tool-limits';
export type { BeyondTool } from './tool-limits';
