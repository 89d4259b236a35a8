import type { Offcut } from '../../../plan/workshop';
import type { Catalogue } from '../../../catalogue';
import type { CutJob } from '../job';
import { type Lying, type PlacedSheet, restBeside, ruleOf } from '../nesting';

/** A piece that one sheet leaves and that is worth its place in the rack. */
export type Leftover = Omit<Offcut, 'id'>;

/** Pieces of one sheet that are kept, at most: more are scraps by another name. */
const MAX_PIECES = 4;

/**
 * What a sheet leaves that is large enough both ways to keep: the largest rectangle, then the largest beside that, and so on; in whole mm.
 * @returns none where nothing is worth its place
 */
export function leftoversOf(job: CutJob, sheet: PlacedSheet, catalogue: Catalogue): readonly Leftover[] {
  const leastMm = catalogue.bench.leastOffcutMm.value;
  const rule = ruleOf(sheet.stock, job.kerfMm);
  const taken: Lying[] = [...sheet.placements];
  const found: Leftover[] = [];
  for (
    let rest = sheet.rest;
    found.length < MAX_PIECES && Math.min(rest.widthMm, rest.depthMm) >= leastMm;
    rest = restBeside(taken, rule)
  ) {
    found.push({
      materialId: job.materialId,
      thicknessMm: job.thicknessMm,
      widthMm: Math.floor(rest.widthMm),
      depthMm: Math.floor(rest.depthMm),
    });
    taken.push(rest);
  }
  return found;
}
