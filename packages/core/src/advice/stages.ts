import type { Sources } from '../pipeline/sources';
import type { Stages } from '../pipeline/stages';

import type { CutJob } from '../build/cutting/job';
import type { Part, partsOf } from '../build/cutting/parts';
import type { FixedPiece, Pieces } from '../build/pieces';
import type { stackUp } from '../build/stack';
import type { CoatNeed } from '../finishing/coats';
import type { Feature } from '../plan/features';
import type { kindCoats } from '../plan';
import type { DryingPlaces } from '../schedule/drying';
import type { Days } from '../schedule/tasks';
import type { Ground, SurfaceAreas, Zones } from '../terrain/ground';
import type { OnTile, Seam } from '../terrain/tiling';
import type { ScheduleIssue, Warning, bowOf } from './checks';

/** A check as a stage: all its warnings at once. */
const listed =
  <Inputs>(check: (inputs: Inputs) => Generator<Warning>) =>
  (inputs: Inputs): readonly Warning[] => [...check(inputs)];

/** What is read of chapters before. */
interface ForAdviceStages {
  readonly pieces: Pieces;
  readonly features: readonly Feature[];
  readonly ground: Ground;
  readonly zones: Zones;
  readonly areas: SurfaceAreas;
  readonly kindCoats: ReturnType<typeof kindCoats>;
  readonly seams: readonly Seam[];
  readonly stack: ReturnType<typeof stackUp>;
  readonly partList: ReturnType<typeof partsOf>;
  readonly allParts: readonly Part[];
  readonly jobs: readonly CutJob[];
  readonly coats: readonly CoatNeed[];
  readonly fixed: readonly (FixedPiece & OnTile)[];
  readonly spots: DryingPlaces;
  readonly days: Days;
  readonly troubles: readonly ScheduleIssue[];
}

interface ForBowStages {
  readonly ground: Ground;
  readonly kindCoats: ReturnType<typeof kindCoats>;
  readonly stack: ReturnType<typeof stackUp>;
}
/** How far tiles bow, what keeps them flat, and what is wrong with that. */
const withBowStages = <Known extends ForBowStages>(stages: Stages<Sources, Known>) =>
  stages
    .lateStage(
      'bow',
      'checks',
      ({ plan, kindCoats, ground, stack: { base, joints }, catalogue }) => ({
        stack: plan.stack,
        openCoats: kindCoats.open,
        tiles: ground.tiles,
        base,
        joints,
        catalogue,
      }),
      ({ bowOf }) => bowOf,
    )
    .lateStage(
      'weights',
      'checks',
      ({ ground, stack: { base, joints }, catalogue }) => ({
        tiles: ground.tiles,
        base,
        joints,
        catalogue,
      }),
      ({ weightsFor }) => weightsFor,
    )
    .lateStage(
      'levers',
      'checks',
      ({ plan, kindCoats, ground, stack: { base, joints }, bow, catalogue }) => ({
        stack: plan.stack,
        openCoats: kindCoats.open,
        units: plan.units,
        tiles: ground.tiles,
        tableArea: ground.tableArea,
        base,
        joints,
        bow: bow,
        catalogue,
      }),
      ({ bowLevers }) => bowLevers,
    )
    .lateStage(
      'bowWarnings',
      'checks',
      ({ plan, kindCoats, ground, stack: { base, joints }, bow, catalogue }) => ({
        stack: plan.stack,
        openCoats: kindCoats.open,
        units: plan.units,
        tiles: ground.tiles,
        tableArea: ground.tableArea,
        base,
        joints,
        bow: bow,
        catalogue,
      }),
      ({ bowWarnings }) => listed(bowWarnings),
    );

interface ForGroundWarningStages {
  readonly features: readonly Feature[];
  readonly ground: Ground;
  readonly seams: readonly Seam[];
  readonly stack: ReturnType<typeof stackUp>;
  readonly fixed: readonly (FixedPiece & OnTile)[];
}
/** What is wrong with the ground, at seams, and with what stands and shines on it. */
const withGroundWarningStages = <Known extends ForGroundWarningStages>(
  stages: Stages<Sources, Known>,
) =>
  stages
    .lateStage(
      'groundWarnings',
      'checks',
      ({ plan: { table, stack: layers, units }, features, ground, stack, catalogue }) => ({
        table,
        features,
        layers,
        units,
        ground,
        stack,
        catalogue,
      }),
      ({ groundWarnings }) => listed(groundWarnings),
    )
    .lateStage(
      'seamWarnings',
      'checks',
      ({ plan: { table, features, units }, ground, seams, catalogue }) => ({
        table,
        features,
        units,
        ground,
        seams,
        catalogue,
      }),
      ({ seamWarnings }) => listed(seamWarnings),
    )
    .lateStage(
      'fixedWarnings',
      'checks',
      ({ fixed, ground }) => ({ fixed, ground }),
      ({ fixedWarnings }) => listed(fixedWarnings),
    )
    .lateStage(
      'clearWarnings',
      'checks',
      ({ ground: { lands } }) => ({ lands }),
      ({ clearWarnings }) => listed(clearWarnings),
    )
    .lateStage(
      'lightWarnings',
      'checks',
      ({ plan: { features, units }, ground, stack, catalogue }) => ({
        features,
        units,
        ground,
        groundHeight: stack.ground,
        catalogue,
      }),
      ({ lightWarnings }) => listed(lightWarnings),
    );

interface ForBuildWarningStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly zones: Zones;
  readonly areas: SurfaceAreas;
  readonly kindCoats: ReturnType<typeof kindCoats>;
  readonly stack: ReturnType<typeof stackUp>;
  readonly partList: ReturnType<typeof partsOf>;
  readonly allParts: readonly Part[];
  readonly jobs: readonly CutJob[];
  readonly coats: readonly CoatNeed[];
  readonly spots: DryingPlaces;
  readonly bow: ReturnType<typeof bowOf>;
}
/** What is wrong with layers, sheets and coats. */
const withBuildWarningStages = <Known extends ForBuildWarningStages>(
  stages: Stages<Sources, Known>,
) =>
  stages
    .lateStage(
      'glueWarnings',
      'checks',
      ({ plan: { stack: layers, units }, stack: { joints }, catalogue }) => ({
        layers,
        units,
        joints,
        catalogue,
      }),
      ({ glueWarnings }) => listed(glueWarnings),
    )
    .lateStage(
      'stackWarnings',
      'checks',
      ({
        plan: { stack: layers },
        kindCoats: coats,
        ground,
        zones,
        stack,
        partList: { parts },
        catalogue,
      }) => ({ layers, coats, ground, zones, stack, parts, catalogue }),
      ({ stackWarnings }) => listed(stackWarnings),
    )
    .lateStage(
      'cutWarnings',
      'checks',
      ({
        plan: { table },
        ground,
        jobs,
        allParts: parts,
        shop: { cutSheets: cut },
        catalogue,
      }) => ({ table, ground, jobs, parts, cutSheets: cut, catalogue }),
      ({ cutWarnings }) => listed(cutWarnings),
    )
    .lateStage(
      'coatWarnings',
      'checks',
      ({
        plan: { surfaces, pieces, stack: layers, units, figureHeightMm },
        areas: { list: areas },
        pieces: { surfaces: pieceSurfaces },
        ground,
        stack: { joints },
        spots,
        coats,
        bow,
        catalogue,
      }) => ({
        surfaces,
        areas,
        pieces,
        pieceSurfaces,
        ground,
        layers,
        units,
        figureHeightMm,
        bow: bow,
        spots,
        joints,
        coats,
        catalogue,
      }),
      ({ coatWarnings }) => listed(coatWarnings),
    );

interface ForAllWarningStages {
  readonly pieces: Pieces;
  readonly days: Days;
  readonly troubles: readonly ScheduleIssue[];
  readonly groundWarnings: readonly Warning[];
  readonly seamWarnings: readonly Warning[];
  readonly fixedWarnings: readonly Warning[];
  readonly clearWarnings: readonly Warning[];
  readonly lightWarnings: readonly Warning[];
  readonly glueWarnings: readonly Warning[];
  readonly bowWarnings: readonly Warning[];
  readonly stackWarnings: readonly Warning[];
  readonly cutWarnings: readonly Warning[];
  readonly coatWarnings: readonly Warning[];
}
/** What is wrong with the days, and all warnings in their order. */
const withAllWarningStages = <Known extends ForAllWarningStages>(stages: Stages<Sources, Known>) =>
  stages
    .lateStage(
      'dayWarnings',
      'checks',
      ({ days: { late }, troubles }) => ({ late, troubles }),
      ({ dayWarnings }) => listed(dayWarnings),
    )
    .stage(
      'workWarnings',
      (all) => ({
        lists: [
          all.pieces.warnings,
          all.groundWarnings,
          all.seamWarnings,
          all.fixedWarnings,
          all.clearWarnings,
          all.lightWarnings,
          all.glueWarnings,
          all.bowWarnings,
          all.stackWarnings,
          all.cutWarnings,
          all.coatWarnings,
        ],
      }),
      ({ lists }) => lists.flat(),
    )
    .stage(
      'warnings',
      ({ workWarnings, dayWarnings }) => ({ workWarnings, dayWarnings }),
      ({ workWarnings, dayWarnings }) => [...workWarnings, ...dayWarnings],
    );

/** What will go wrong, with fixes. */
export const withAdviceStages = <Known extends ForAdviceStages>(stages: Stages<Sources, Known>) =>
  withAllWarningStages(withBuildWarningStages(withGroundWarningStages(withBowStages(stages))));
