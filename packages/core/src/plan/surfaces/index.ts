export { GROUND_KINDS, GROUND_KIND_NAMES, byGroundKind, everyGroundKind } from './ground-kinds';
export type { GroundKind } from './ground-kinds';
export { RELIEFS } from './reliefs';
export type { Relief } from './reliefs';
export { namedSurface, pieceSurface } from './surface-id';
export type { SurfaceId } from './surface-id';
