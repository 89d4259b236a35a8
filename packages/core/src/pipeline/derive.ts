import { withAdviceStages } from '../advice';
import { withBuildStages, withMassStages, withPieceStages } from '../build';
import type { Catalogue } from '../catalogue';
import { withFinishingStages } from '../finishing';
import type { Plan } from '../plan';
import { EMPTY_WORKSHOP, type WorkshopState } from '../plan/workshop';
import { withProcurementStages } from '../procurement';
import { withDryingStages, withScheduleStages } from '../schedule';
import { withGroundStages, withTileStages } from '../terrain';
import { memoizedLayouts } from './layouts';
import type { Sources } from './sources';
import { Stages } from './stages';
import { UNPLANNED, countsOf, readinessOf } from './tally';
import { LoadedUnits, NotLoaded, type UnitName } from './units';

const ground = withGroundStages(withPieceStages(withDryingStages(Stages.of<Sources>())));
const coated = withFinishingStages(withBuildStages(ground));
const planned = withScheduleStages(withMassStages(withTileStages(coated)));
/** Everything that follows from a plan, chapter by chapter. A stage reads only what it picks; an edit costs the stages that pick what it touched. */
export const STAGES = withAdviceStages(withProcurementStages(planned))
  .stage(
    'counts',
    ({ jobs, mass, pieces: { masses: pieceMasses }, allGlues: glues, coatings, supplies }) => ({
      jobs,
      mass,
      pieceMasses,
      glues,
      coatings,
      supplies,
    }),
    countsOf,
  )
  .stage('readiness', ({ days }) => ({ days }), readinessOf)
  .stage(
    'tally',
    ({ counts, readiness }) => ({ counts, readiness }),
    ({ counts, readiness }) => ({ ...counts, ...readiness }),
  );

export { LoadedUnits, NotLoaded, UNPLANNED };
export type { UnitName };

/** Everything that follows from a plan, calculated as it is read. A stage whose unit has not arrived throws `NotLoaded`. */
export type Derivation = ReturnType<ReturnType<typeof STAGES.pipeline>>;
export type StageName = (typeof STAGES.names)[number];

/**
 * A pipeline for one board: see {@link Stages.pipeline}.
 * @param memory `all` remembers every answer, for plans that are looked at in many combinations of few parts
 */
export function pipelineWith(
  units: LoadedUnits,
  memory: 'last' | 'all' = 'last',
): (plan: Plan, catalogue: Catalogue, shop?: WorkshopState) => Derivation {
  const derive = memory === 'all' ? STAGES.rememberingAll(units) : STAGES.pipeline(units, 'catalogue');
  const layOutOnce = memoizedLayouts();
  return (plan, catalogue, shop = EMPTY_WORKSHOP) => derive({ plan, catalogue, shop, layOutOnce });
}
