import type { Sources } from '../pipeline/sources';
import type { Stages } from '../pipeline/stages';

import type { shopCuts } from '../build/cutting/bench';
import type { CutJob } from '../build/cutting/job';
import type { FixedPiece, Pieces } from '../build/pieces';
import type { stackUp } from '../build/stack';
import type { GlueNeed } from '../build/stack/adhesives';
import type { CoatNeed, CoatingNeed, SealNeed } from '../finishing/coats';
import type { ingredientNeeds } from '../finishing/mixes/ingredients';
import type { Basin, Ground, SurfaceAreas, Zones } from '../terrain/ground';
import type { OnTile, fixingsFor } from '../terrain/tiling';
import { featureNeeds } from './needs';
import { suppliesFor } from './supplies';

/** What is read of chapters before. */
interface ForProcurementStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly zones: Zones;
  readonly areas: SurfaceAreas;
  readonly basins: readonly Basin[];
  readonly stack: ReturnType<typeof stackUp>;
  readonly jobs: readonly CutJob[];
  readonly cutAtShop: ReturnType<typeof shopCuts>;
  readonly allGlues: readonly GlueNeed[];
  readonly groundCoats: readonly CoatNeed[];
  readonly pieceCoats: readonly CoatNeed[];
  readonly coats: readonly CoatNeed[];
  readonly coatings: readonly CoatingNeed[];
  readonly sealing: SealNeed | null;
  readonly stuffs: ReturnType<typeof ingredientNeeds>;
  readonly fixings: ReturnType<typeof fixingsFor>;
  readonly fixed: readonly (FixedPiece & OnTile)[];
}

interface ForSupplyStages {
  readonly pieces: Pieces;
  readonly jobs: readonly CutJob[];
  readonly cutAtShop: ReturnType<typeof shopCuts>;
  readonly allGlues: readonly GlueNeed[];
  readonly coatings: readonly CoatingNeed[];
  readonly stuffs: ReturnType<typeof ingredientNeeds>;
  readonly fixings: ReturnType<typeof fixingsFor>;
}
/** Supplies to buy. */
const withSupplyStages = <Known extends ForSupplyStages>(stages: Stages<Sources, Known>) =>
  stages
    .lateStage(
      'surely',
      'certainty',
      ({
        plan: {
          seed,
          buying: { ofHundred, own },
        },
        catalogue,
        coatings,
        allGlues,
        pieces,
      }) => ({
        seed,
        asked: ofHundred !== null || own.length > 0,
        coatings,
        allGlues,
        pieces,
        catalogue,
      }),
      ({ safetyStockFor }) =>
        ({ seed, catalogue }) =>
          safetyStockFor(seed, catalogue),
      { when: ({ asked }) => !asked, answer: null },
    )
    .stage(
      'supplies',
      ({
        plan: { features, units, buying },
        shop: { shelf },
        surely,
        jobs,
        cutAtShop,
        allGlues: glues,
        pieces: { lengths, clads, fills, casts },
        coatings,
        stuffs,
        fixings,
        catalogue,
      }) => ({
        buying,
        shelf,
        surely,
        jobs,
        cutAtShop,
        glues,
        lengths,
        clads,
        fills,
        casts,
        coatings,
        stuffs,
        fixings,
        features,
        system: units,
        catalogue,
      }),
      suppliesFor,
    );

interface ForNeedStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly zones: Zones;
  readonly areas: SurfaceAreas;
  readonly basins: readonly Basin[];
  readonly stack: ReturnType<typeof stackUp>;
  readonly jobs: readonly CutJob[];
  readonly groundCoats: readonly CoatNeed[];
  readonly pieceCoats: readonly CoatNeed[];
  readonly coats: readonly CoatNeed[];
  readonly sealing: SealNeed | null;
  readonly fixed: readonly (FixedPiece & OnTile)[];
  readonly supplies: ReturnType<typeof suppliesFor>;
}
/** What each workpiece and each feature needs of them. */
const withNeedStages = <Known extends ForNeedStages>(stages: Stages<Sources, Known>) =>
  stages
    .lateStage(
      'byWorkpiece',
      'views',
      ({
        plan: { table, features, pieces: own },
        supplies,
        jobs,
        ground,
        zones,
        areas,
        stack: { joints },
        groundCoats,
        pieceCoats,
        sealing,
        pieces: { made, surfaces: pieceSurfaces },
        fixed,
        catalogue,
      }) => ({
        table,
        features,
        own,
        supplies,
        jobs,
        ground,
        zones,
        areas,
        joints,
        groundCoats,
        pieceCoats,
        sealing,
        made,
        pieceSurfaces,
        fixed,
        catalogue,
      }),
      ({ needsByWorkpiece }) =>
        ({ table, features, own, ...inputs }) =>
          needsByWorkpiece({ plan: { table, features, pieces: own }, ...inputs }),
    )
    .stage(
      'needs',
      ({ plan, ground, basins, areas, stack, coats, catalogue }) => ({
        features: plan.features,
        raised: plan.stack.raised,
        ground,
        basins,
        areas,
        groundHeight: stack.ground,
        joints: stack.joints,
        coats,
        catalogue,
      }),
      featureNeeds,
    );

/** Supplies to buy, by thing and by workpiece. */
export const withProcurementStages = <Known extends ForProcurementStages>(
  stages: Stages<Sources, Known>,
) => withNeedStages(withSupplyStages(stages));
