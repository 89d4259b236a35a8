/** Names what takes coats of its own: a named surface of the plan, or the face of a piece. Only compared, never taken apart. */
export type SurfaceId = string & { readonly surface: unique symbol };

/** A surface that the plan names and ground wears. */
export const namedSurface = (id: string): SurfaceId => id as SurfaceId;
/** A face of a piece, by what it shows; its whole outside where no face is told apart. */
export const pieceSurface = (pieceId: string, shows: string | null = null): SurfaceId =>
  (shows === null ? `piece ${pieceId}` : `piece ${pieceId} ${shows}`) as SurfaceId;
