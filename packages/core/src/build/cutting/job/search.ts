import { type Catalogue, materialBy } from '../../../catalogue';
import type { Random } from '../../../base/random';
import { type LayoutProgress, improveFreeform, improveLayout } from '../nesting';
import { type CutJob, openOf, taskOf } from './job';

/** Searches on for what of a job is not cut yet, over the cuts its tool makes. */
export function searchJob(job: CutJob, catalogue: Catalogue, random: Random): Generator<LayoutProgress, void, void> {
  const open = openOf(job);
  return open.tool.cuts === 'free'
    ? improveFreeform(taskOf(open), open.parts, !materialBy(catalogue, open.materialId).isOneWay, random)
    : improveLayout(taskOf(open), random);
}
