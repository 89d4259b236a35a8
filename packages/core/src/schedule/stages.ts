import type { Sources } from '../pipeline/sources';
import type { Stages } from '../pipeline/stages';

import type { CutJob } from '../build/cutting/job';
import type { minutesByPart } from '../build/cutting/bench';
import type { partsOf } from '../build/cutting/parts';
import type { FixedPiece, Pieces } from '../build/pieces';
import type { stackUp } from '../build/stack';
import { type Catalogue, materialBy } from '../catalogue';
import type { CoatNeed, SealNeed } from '../finishing/coats';
import type { Plan } from '../plan';
import type { Ground, SurfaceAreas, Zones } from '../terrain/ground';
import type { OnTile } from '../terrain/tiling';
import type { Days, Step } from './tasks';
import { type DryingPlaces, dayForAir, dryingPlacesOf } from './drying';

/** Whether something of a board takes water up and gives it off slowly: wood and card. */
const drinksOf = (
  substrate: Plan['stack']['substrate'],
  layers: Plan['stack']['ground'],
  catalogue: Catalogue,
): boolean =>
  [...(substrate === null ? [] : [substrate]), ...layers].some(
    ({ materialId }) => materialBy(catalogue, materialId).waterPassage === 'yes',
  );

/** Places where work dries, with their conditions hour by hour. */
export const withDryingStages = <Known extends object>(stages: Stages<Sources, Known>) =>
  stages.stage(
    'spots',
    ({
      plan: {
        places,
        drying,
        driedAt,
        calendar: { startsOn },
      },
      shop: { airs },
      catalogue,
    }) => ({ places, drying, driedAt, startsOn: dayForAir(places, startsOn), airs, catalogue }),
    dryingPlacesOf,
  );

/** What is read of chapters before. */
interface ForScheduleStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly zones: Zones;
  readonly areas: SurfaceAreas;
  readonly stack: ReturnType<typeof stackUp>;
  readonly partList: ReturnType<typeof partsOf>;
  readonly jobs: readonly CutJob[];
  readonly minutes: ReturnType<typeof minutesByPart>;
  readonly coats: readonly CoatNeed[];
  readonly sealing: SealNeed | null;
  readonly fixed: readonly (FixedPiece & OnTile)[];
  readonly spots: DryingPlaces;
}

interface ForTaskStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly zones: Zones;
  readonly areas: SurfaceAreas;
  readonly stack: ReturnType<typeof stackUp>;
  readonly partList: ReturnType<typeof partsOf>;
  readonly jobs: readonly CutJob[];
  readonly minutes: ReturnType<typeof minutesByPart>;
  readonly coats: readonly CoatNeed[];
  readonly sealing: SealNeed | null;
  readonly fixed: readonly (FixedPiece & OnTile)[];
  readonly spots: DryingPlaces;
}
/** Tasks, and when each is done. */
const withTaskStages = <Known extends ForTaskStages>(stages: Stages<Sources, Known>) =>
  stages
    .lateStage(
      'steps',
      'schedule',
      ({
        plan: { stack, people, mends },
        spots,
        ground,
        zones,
        areas,
        stack: { joints },
        partList: { hollows },
        pieces: { work: pieces },
        fixed,
        jobs,
        minutes,
        coats,
        sealing,
        catalogue,
      }) => ({
        mends,
        edges: stack.edges,
        weighed: stack.weighed,
        spots,
        topMaterialId: stack.ground.at(-1)?.materialId ?? null,
        isTwo: people.length > 1,
        ground,
        zones,
        areas,
        joints,
        hollows,
        pieces,
        fixed,
        jobs,
        minutes,
        coats,
        sealing,
        catalogue,
      }),
      ({ stepsOf }) => stepsOf,
    )
    // A price is another far more often than the work is.
    .settling('steps')
    .lateStage(
      'days',
      'schedule',
      ({ plan: { calendar, people, kit, places, seed }, spots, steps, catalogue, shop }) => ({
        calendar,
        doneTasks: shop.doneTasks,
        people,
        kit,
        places,
        seed,
        spots,
        steps,
        catalogue,
      }),
      ({ planDays }) => planDays,
    );

interface ForDayStages {
  readonly ground: Ground;
  readonly stack: ReturnType<typeof stackUp>;
  readonly spots: DryingPlaces;
  readonly steps: readonly Step[];
  readonly days: Days;
}
/** What is wrong with the days, how much better they could be, and why each task is where it is. */
const withDayStages = <Known extends ForDayStages>(stages: Stages<Sources, Known>) =>
  stages
    .lateStage(
      'troubles',
      'schedule',
      ({
        plan: {
          calendar,
          people,
          kit,
          places,
          stack: { substrate, ground },
        },
        spots,
        steps,
        days: { slots, blocked, relaxed },
        catalogue,
        shop,
      }) => ({
        calendar,
        doneTasks: shop.doneTasks,
        people,
        kit,
        places,
        spots,
        steps,
        slots,
        blocked,
        relaxed,
        drinks: drinksOf(substrate, ground, catalogue),
        catalogue,
      }),
      ({ scheduleIssuesOf }) => scheduleIssuesOf,
    )
    .lateStage(
      'floor',
      'schedule',
      ({ plan: { calendar, people, kit, places }, spots, steps, days, catalogue, shop }) => ({
        calendar,
        doneTasks: shop.doneTasks,
        people,
        kit,
        places,
        spots,
        steps,
        days,
        catalogue,
      }),
      ({ lowerBoundOf }) => lowerBoundOf,
    )
    .lateStage(
      'reasons',
      'schedule',
      ({ plan: { calendar }, days: { slots } }) => ({ calendar, slots }),
      ({ reasonsOf }) => reasonsOf,
    )
    .lateStage(
      'agenda',
      'schedule',
      ({ plan: { calendar }, steps, days: { slots } }) => ({
        steps,
        slots,
        startsOn: calendar.startsOn,
      }),
      ({ agendaOf }) => agendaOf,
    );

interface ForBenchStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly zones: Zones;
  readonly areas: SurfaceAreas;
  readonly stack: ReturnType<typeof stackUp>;
  readonly jobs: readonly CutJob[];
  readonly coats: readonly CoatNeed[];
  readonly sealing: SealNeed | null;
  readonly fixed: readonly (FixedPiece & OnTile)[];
  readonly steps: readonly Step[];
  readonly days: Days;
}
/** One task at a time for the bench. */
const withBenchStages = <Known extends ForBenchStages>(stages: Stages<Sources, Known>) =>
  stages
    .lateStage(
      'moves',
      'views',
      ({ days: { slots }, steps, shop: { doneTasks } }) => ({ slots, steps, doneTasks }),
      ({ benchTasksOf }) => benchTasksOf,
    )
    .lateStage(
      'moveDetail',
      'views',
      ({
        plan: { wears, calendar, mends },
        days: { slots },
        stack: { joints },
        pieces: { made, standing },
        zones,
        ground,
        areas,
        coats,
        sealing,
        fixed,
        steps,
        jobs,
        catalogue,
      }) => ({
        wears,
        calendar,
        mends,
        slots,
        joints,
        made,
        standing,
        zones,
        ground,
        areas,
        coats,
        sealing,
        fixed,
        steps,
        jobs,
        catalogue,
      }),
      ({ detailOf }) =>
        ({ wears, calendar, ...inputs }) =>
        (taskId: string) =>
          detailOf(taskId, { ...inputs, plan: { wears, calendar } }),
    );

/** Tasks, their order in the calendar, and one at a time for the bench. */
export const withScheduleStages = <Known extends ForScheduleStages>(
  stages: Stages<Sources, Known>,
) => withBenchStages(withDayStages(withTaskStages(stages)));
