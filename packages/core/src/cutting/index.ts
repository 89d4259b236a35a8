export { partsOf } from './parts';
export type { Hollow, Part, PartList } from './parts';
export { fewestSheets, layOut } from './layout';
export type { Blank, LaidSheet, Layout, Placement, SheetRule } from './layout';
export { cutSheets, totalSheets } from './cut-sheets';
export type { CutJob, LayOut } from './cut-sheets';
export { cutMinutes, passesThrough } from './cut-time';
export { cutList } from './cut-list';
export type { CutRow } from './cut-list';
