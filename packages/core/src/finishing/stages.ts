import type { Sources } from '../pipeline/sources';
import type { Stages } from '../pipeline/stages';

import type { Pieces } from '../build/pieces';
import type { Plan } from '../plan';
import type { DryingPlaces } from '../schedule/drying';
import type { Ground, SurfaceAreas } from '../terrain/ground';
import {
  type CoatNeed,
  type CoatingNeed,
  coatNeeds,
  coatingNeeds,
  pieceCoatNeeds,
  sealNeed,
} from './coats';
import { ingredientNeeds } from './mixes/ingredients';

/** What repairs use lies nowhere on the board that anything else is calculated from. */
const NO_MENDS: Plan['mends'] = [];

/** What is read of chapters before. */
interface ForFinishingStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly areas: SurfaceAreas;
  readonly spots: DryingPlaces;
}

interface ForCoatStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly areas: SurfaceAreas;
}
/** Coats on ground and pieces. */
const withCoatStages = <Known extends ForCoatStages>(stages: Stages<Sources, Known>) =>
  stages
    .stage(
      'groundCoats',
      ({ plan: { surfaces }, areas, catalogue }) => ({ surfaces, areas: areas.list, catalogue }),
      coatNeeds,
    )
    .stage(
      'pieceCoats',
      ({ plan: { surfaces: named }, pieces: { surfaces }, catalogue }) => ({
        surfaces,
        named,
        catalogue,
      }),
      pieceCoatNeeds,
    )
    .stage(
      'coats',
      ({ groundCoats, pieceCoats }) => ({ groundCoats, pieceCoats }),
      ({ groundCoats, pieceCoats }) => [...groundCoats, ...pieceCoats],
    )
    .stage(
      'sealing',
      ({ plan, ground, catalogue }) => ({
        stack: plan.stack,
        tableArea: ground.tableArea,
        catalogue,
      }),
      sealNeed,
    )
    .stage(
      'groundCoatings',
      ({ groundCoats: coats, sealing, catalogue }) => ({
        mends: NO_MENDS,
        coats,
        sealing,
        catalogue,
      }),
      coatingNeeds,
    )
    .stage(
      'coatings',
      ({ plan: { mends }, coats, sealing, catalogue }) => ({ mends, coats, sealing, catalogue }),
      coatingNeeds,
    );

interface ForMixStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly areas: SurfaceAreas;
  readonly spots: DryingPlaces;
  readonly groundCoats: readonly CoatNeed[];
  readonly coats: readonly CoatNeed[];
  readonly coatings: readonly CoatingNeed[];
}
/** What is mixed for coats, and what is scattered and paved. */
const withMixStages = <Known extends ForMixStages>(stages: Stages<Sources, Known>) =>
  stages
    .lateStage(
      'mixes',
      'views',
      ({ coats, catalogue }) => ({ coats, catalogue }),
      ({ mixesOf }) => mixesOf,
    )
    .stage('stuffs', ({ coatings, catalogue }) => ({ coatings, catalogue }), ingredientNeeds)
    .lateStage(
      'matrix',
      'views',
      ({
        plan: { figureHeightMm },
        spots,
        coats,
        areas: { list: areas },
        pieces: { surfaces: pieceSurfaces },
        catalogue,
      }) => ({ coats, areas, pieceSurfaces, spots, figureHeightMm, catalogue }),
      ({ coatMatrix }) => coatMatrix,
    )
    .lateStage(
      'strewn',
      'views',
      ({
        plan: {
          seed,
          play: { baseMm },
        },
        groundCoats: needs,
        areas: { list: areas },
        ground,
      }) => ({ needs, areas, ground, seed, clearMm: baseMm / 2 }),
      ({ strewnOn }) => strewnOn,
    )
    .lateStage(
      'floors',
      'views',
      ({ plan: { surfaces, seed }, areas: { list: areas }, catalogue }) => ({
        surfaces,
        areas,
        seed,
        catalogue,
      }),
      ({ floorsOf }) =>
        ({ surfaces, areas, seed, catalogue }) =>
          floorsOf(surfaces, areas, seed, catalogue),
    );

/** Coats on ground and pieces, what is mixed for them, and what is scattered and paved. */
export const withFinishingStages = <Known extends ForFinishingStages>(
  stages: Stages<Sources, Known>,
) => withMixStages(withCoatStages(stages));
