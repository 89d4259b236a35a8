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
import type { ScheduleIssue, Warning } from './checks';

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

/** What will go wrong, with fixes. */
export const withAdviceStages = <Known extends ForAdviceStages>(stages: Stages<Sources, Known>) =>
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
    )
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
    )
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
