export { GROUND_KINDS, GROUND_KIND_NAMES, byGroundKind, everyGroundKind } from './ground-kinds';
export type { GroundKind } from './ground-kinds';
export { groundSurface, pieceSurface } from './surface-id';
export type { SurfaceId } from './surface-id';
