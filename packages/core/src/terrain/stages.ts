import type { Sources } from '../pipeline/sources';
import type { Stages } from '../pipeline/stages';

import type { Pieces } from '../build/pieces';
import { withPieces } from './plots';
import type { Part } from '../build/cutting/parts';
import type { stackUp } from '../build/stack';
import type { CoatingNeed } from '../finishing/coats';
import { kindCoats } from '../plan';
import {
  type Ground,
  type Upright,
  type Zones,
  basinsOf,
  layGround,
  surfaceAreas,
  zonesOf,
} from './ground';
import { fixedOnTiles, fixingsFor, seamsOf, storedHeight, tileBuilds } from './tiling';

/** What is read of chapters before. */
interface ForGroundStages {
  readonly pieces: Pieces;
}

/** The ground as it settles, the areas of its surfaces, and where it meets at seams. */
export const withGroundStages = <Known extends ForGroundStages>(stages: Stages<Sources, Known>) =>
  stages
    .stage(
      'features',
      ({ plan: { features }, pieces: { footprints } }) => ({ features, footprints }),
      withPieces,
    )
    .stage(
      'uprights',
      ({ pieces: { standing } }) => ({ standing }),
      ({ standing }) => standing.map(({ upright }) => upright),
    )
    .stage('ground', ({ plan, features }) => ({ table: plan.table, features }), layGround)
    .stage('zones', ({ ground }) => ({ ground }), zonesOf)
    .stage('kindCoats', ({ plan: { surfaces, wears } }) => ({ surfaces, wears }), kindCoats)
    .stage('basins', ({ ground, uprights }) => ({ ground, uprights }), basinsOf)
    .stage(
      'areas',
      ({ plan: { surfaces, wears }, ground, zones, basins }) => ({
        ground,
        zones,
        basins,
        wears,
        surfaceIds: surfaces.map(({ id }) => id),
        surfaceNames: surfaces.map(({ name }) => name),
      }),
      surfaceAreas,
    )
    .stage('seams', ({ ground }) => ({ ground }), seamsOf)
    .lateStage(
      'banks',
      'views',
      ({ ground }) => ({ ground }),
      ({ banksOf }) => banksOf,
    );

/** What is read of chapters before. */
interface ForTileStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly zones: Zones;
  readonly uprights: readonly Upright[];
  readonly kindCoats: ReturnType<typeof kindCoats>;
  readonly stack: ReturnType<typeof stackUp>;
  readonly partList: { readonly parts: readonly Part[] };
  readonly groundCoatings: readonly CoatingNeed[];
}

/** Tiles as they are built, joined and stored, and the section through them. */
export const withTileStages = <Known extends ForTileStages>(stages: Stages<Sources, Known>) =>
  stages
    .stage('fixed', ({ pieces: { fixed }, ground: { tiles } }) => ({ fixed, tiles }), fixedOnTiles)
    .stage(
      'fixings',
      ({ plan: { table }, ground, catalogue }) => ({ table, tiles: ground.tiles, catalogue }),
      fixingsFor,
    )
    .stage(
      'tiles',
      ({
        plan: { table, stack: layers },
        ground,
        zones,
        stack,
        partList: { parts },
        groundCoatings: coatings,
        fixed,
        catalogue,
      }) => ({ table, layers, ground, zones, stack, parts, coatings, fixed, catalogue }),
      tileBuilds,
    )
    .stage('stored', ({ tiles }) => ({ tiles }), storedHeight)
    .lateStage(
      'section',
      'views',
      ({ plan, kindCoats, ground, uprights, stack, catalogue }) => ({
        line: plan.section,
        units: plan.units,
        substrate: plan.stack.substrate,
        coats: kindCoats,
        surfaces: plan.surfaces,
        ground,
        uprights,
        stack,
        catalogue,
      }),
      ({ sectionDrawing }) => sectionDrawing,
    );
