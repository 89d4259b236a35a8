import type { Sources } from '../pipeline/sources';
import type { Stages } from '../pipeline/stages';

import type { CoatingNeed } from '../finishing/coats';
import type { Split } from '../plan';
import type { Ground, Zones } from '../terrain/ground';
import { cutSheets, tooLarge } from './cutting';
import { savingSplits } from './cutting/joints';
import { minutesByPart, shopCuts } from './cutting/bench';
import { asSplit, partsOf } from './cutting/parts';
import { boardMass } from './mass';
import { NO_PIECES, allGlues, allParts, bothParts } from './with-pieces';
import type { Pieces } from './pieces';
import { facingsOn, raisedStacks, stackUp, stockRegion } from './stack';
import { glueNeeds } from './stack/adhesives';

/** A board before its large parts are split. */
const NO_SPLITS: readonly Split[] = [];

/** Pieces with their parts, glue and work; nothing is fetched for a board without any. */
export const withPieceStages = <Known extends object>(stages: Stages<Sources, Known>) =>
  stages.lateStage(
    'pieces',
    'pieces',
    ({
      plan: {
        pieces,
        features,
        figureHeightMm,
        play: { baseMm, stepUpMm, handMm },
        units,
      },
      catalogue,
    }) => ({ pieces, features, figureHeightMm, baseMm, stepUpMm, handMm, units, catalogue }),
    ({ makePieces }) => makePieces,
    { when: ({ pieces }) => pieces.length === 0, answer: NO_PIECES },
  );

/** What is read of chapters before. */
interface ForBuildStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly zones: Zones;
}

interface ForStackStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly zones: Zones;
}
/** Layers from the base up, and the adhesives between them. */
const withStackStages = <Known extends ForStackStages>(stages: Stages<Sources, Known>) =>
  stages
    .stage(
      'raised',
      ({ plan, ground, catalogue }) => ({
        raised: plan.stack.raised,
        region: stockRegion(plan.stack, catalogue),
        lands: ground.lands,
        catalogue,
      }),
      raisedStacks,
    )
    .stage('facings', ({ plan, zones }) => ({ facings: plan.stack.facings, zones }), facingsOn)
    .stage(
      'stack',
      ({ plan, ground, zones, raised, facings, catalogue }) => ({
        stack: plan.stack,
        ground,
        zones,
        raised,
        facings,
        catalogue,
      }),
      stackUp,
    )
    .lateStage(
      'heights',
      'views',
      ({ plan: { stack, units }, ground, raised, catalogue }) => ({
        built: stack.raised,
        region: stockRegion(stack, catalogue),
        units,
        ground,
        raised,
        catalogue,
      }),
      ({ heightChoices }) => heightChoices,
    )
    .stage('glues', ({ stack: { joints }, catalogue }) => ({ joints, catalogue }), glueNeeds);

interface ForWholeStages {
  readonly pieces: Pieces;
  readonly ground: Ground;
  readonly stack: ReturnType<typeof stackUp>;
}
/** Parts before any is split, and those that fit on no sheet. */
const withWholeStages = <Known extends ForWholeStages>(stages: Stages<Sources, Known>) =>
  stages
    .stage(
      'wholes',
      ({ plan, ground, stack, catalogue }) => ({
        ground,
        stack,
        rim: plan.table.rim,
        battens: plan.stack.battens,
        crossGrain: plan.stack.raised.crossGrain,
        oversizeMm: plan.stack.edges === 'trim-after' ? plan.stack.allowanceMm : 0,
        catalogue,
      }),
      partsOf,
    )
    .stage(
      'bothWholes',
      ({ wholes, pieces }) => ({ ground: wholes.parts, pieces: pieces.parts }),
      bothParts,
    )
    .stage(
      'tooLarge',
      ({
        plan: {
          cutting: { trimMm, trims, tools, splits, joints, withoutSheetIds },
        },
        bothWholes: whole,
        catalogue,
        shop,
      }) => ({
        whole,
        trimMm,
        trims,
        tools,
        splits,
        joints,
        withoutSheetIds,
        offcuts: shop.offcuts,
        cut: shop.cutSheets,
        catalogue,
      }),
      tooLarge,
    );

interface ForJointStages {
  readonly ground: Ground;
  readonly wholes: ReturnType<typeof partsOf>;
  readonly bothWholes: ReturnType<typeof bothParts>;
  readonly tooLarge: ReturnType<typeof tooLarge>;
}
/** Where parts are joined of several. */
const withJointStages = <Known extends ForJointStages>(stages: Stages<Sources, Known>) =>
  stages
    .lateStage(
      'laid',
      'checks',
      ({
        plan: {
          cutting: { trimMm, trims, tools, splits, joints, withoutSheetIds },
        },
        bothWholes: whole,
        tooLarge: large,
        ground,
        catalogue,
        shop,
      }) => ({
        whole,
        large,
        ground,
        trimMm,
        trims,
        tools,
        splits,
        joints,
        withoutSheetIds,
        offcuts: shop.offcuts,
        cut: shop.cutSheets,
        catalogue,
      }),
      ({ autoSplits }) => autoSplits,
      { when: ({ large }) => large.length === 0, answer: NO_SPLITS },
    )
    .stage(
      'saving',
      ({
        plan: {
          cutting: { trimMm, trims, tools, splits, joints, withoutSheetIds, aim, keptWhole },
        },
        bothWholes: whole,
        laid,
        ground,
        catalogue,
        shop,
        layOutOnce,
      }) => ({
        whole,
        layOutOnce,
        laid,
        ground,
        aim,
        keptWhole,
        trimMm,
        trims,
        tools,
        splits,
        joints,
        withoutSheetIds,
        offcuts: shop.offcuts,
        cut: shop.cutSheets,
        catalogue,
      }),
      savingSplits,
    )
    // Prices say what pays, and seldom say another thing.
    .settling('saving')
    .stage(
      'splits',
      ({
        plan: {
          cutting: { splits },
        },
        laid,
        saving,
      }) => ({ splits, laid, saving }),
      ({ splits, laid, saving }) =>
        laid.length + saving.length === 0 ? splits : [...splits, ...laid, ...saving],
    );

interface ForListStages {
  readonly pieces: Pieces;
  readonly stack: ReturnType<typeof stackUp>;
  readonly glues: ReturnType<typeof glueNeeds>;
  readonly wholes: ReturnType<typeof partsOf>;
  readonly splits: readonly Split[];
}
/** All parts, and what everything is glued with. */
const withListStages = <Known extends ForListStages>(stages: Stages<Sources, Known>) =>
  stages
    .stage(
      'partList',
      ({ wholes, splits }) => ({ wholes, splits }),
      ({ wholes: { parts, hollows }, splits }) => ({ parts: asSplit(parts, splits), hollows }),
    )
    .stage(
      'allParts',
      ({ splits, partList, pieces }) => ({ ground: partList.parts, pieces: pieces.parts, splits }),
      allParts,
    )
    .stage(
      'allGlues',
      ({ plan: { mends }, partList: { parts }, stack: { joints }, glues, pieces, catalogue }) => ({
        mends,
        parts,
        joints,
        glues,
        pieceGlues: pieces.glues,
        catalogue,
      }),
      allGlues,
    );

interface ForSheetStages {
  readonly allParts: ReturnType<typeof allParts>;
  readonly laid: readonly Split[];
  readonly saving: readonly Split[];
}
/** Parts laid out on sheets, and what cutting them takes. */
const withSheetStages = <Known extends ForSheetStages>(stages: Stages<Sources, Known>) =>
  stages
    .stage(
      'jobs',
      ({
        plan: { cutting, units },
        allParts: parts,
        laid,
        saving,
        catalogue,
        shop,
        layOutOnce,
      }) => ({
        parts,
        laid,
        saving,
        cutting,
        system: units,
        catalogue,
        offcuts: shop.offcuts,
        cut: shop.cutSheets,
        layOutOnce,
      }),
      cutSheets,
    )
    .stage('minutes', ({ jobs, catalogue }) => ({ jobs, catalogue }), minutesByPart)
    .stage('cutAtShop', ({ jobs, catalogue }) => ({ jobs, catalogue }), shopCuts);

/** Layers and their adhesives, and parts laid out on sheets. */
export const withBuildStages = <Known extends ForBuildStages>(stages: Stages<Sources, Known>) =>
  withSheetStages(withListStages(withJointStages(withWholeStages(withStackStages(stages)))));

/** What is read of chapters before. */
interface ForMassStages {
  readonly ground: Ground;
  readonly stack: ReturnType<typeof stackUp>;
  readonly partList: Pick<ReturnType<typeof partsOf>, 'parts'>;
  readonly coatings: readonly CoatingNeed[];
}

/** What the board weighs when it is dry. */
export const withMassStages = <Known extends ForMassStages>(stages: Stages<Sources, Known>) =>
  stages.stage(
    'mass',
    ({ plan: { units }, ground, stack, partList: { parts }, coatings, catalogue }) => ({
      ground,
      stack,
      parts,
      coatings,
      units,
      catalogue,
    }),
    boardMass,
  );
