export { readSvg } from './svg';
export { readDxf } from './dxf';
export { HEIGHTMAP_LIMITS, contoursOfHeightmap, readHeightmap } from './heightmap';
export type { Heightmap, HeightmapUse } from './heightmap';
export { sheetDxf, sheetSvg } from './sheets';
export { outlineShape } from './imported';
export type { ImportedDrawing } from './imported';
export type { FormatProblem } from './problem';
