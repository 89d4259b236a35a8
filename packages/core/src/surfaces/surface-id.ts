import type { GroundKind } from './ground-kinds';

/**
 * Names what takes coats of its own: a kind of ground today, a feature or the face of a piece where they get coats of their own. Only compared,
 * never taken apart.
 */
export type SurfaceId = string & { readonly surface: unique symbol };

/** The surface that all ground of one kind is, as long as nothing on it has coats of its own. */
export const groundSurface = (kind: GroundKind): SurfaceId => kind as string as SurfaceId;
/** The outside of a piece, which has coats of its own. */
export const pieceSurface = (pieceId: string): SurfaceId => `piece ${pieceId}` as SurfaceId;
