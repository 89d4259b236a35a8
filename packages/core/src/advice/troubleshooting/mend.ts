import type { Catalogue } from '../../catalogue';
import type { Mended } from '../../plan';
import type { MendWork } from './mishap';

/**
 * The work that puts a mishap right on one workpiece.
 * @param areaM2 of its face; @param glueId what it is glued with
 */
export function mendFor(
  { name, workMin, waitMin, takes }: MendWork,
  workpieceId: string,
  { areaM2, glueId }: { readonly areaM2: number; readonly glueId: string },
  catalogue: Catalogue,
): Omit<Mended, 'id'> {
  const amount = takes === null ? 0 : Math.ceil(takes.perM2 * areaM2);
  return {
    name,
    workpieceId,
    workMin,
    waitMin,
    coating: takes?.of === 'sealer' ? { coatingId: catalogue.bench.sealerId, ml: amount } : null,
    adhesive: takes?.of === 'glue' ? { adhesiveId: glueId, grams: amount } : null,
  };
}
