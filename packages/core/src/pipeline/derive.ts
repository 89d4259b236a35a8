import { type Shop, EMPTY_SHOP } from '../plan/workshop';
import { facingsOn, raisedStacks, stackUp } from '../build/stack';
import type * as finishing from '../finish';
import { type Checks, dealt } from './warnings';
import { type Catalogue, materialBy } from '../catalogue';
import { coatNeeds, coatingNeeds, pieceCoatNeeds, sealNeed } from '../finishing/coats';
import { cutSheets } from '../build/cutting';
import { minutesByPart, shopCuts } from '../build/cutting/bench';
import { asSplit, partsOf } from '../build/cutting/parts';
import type { MakePieces } from '../build/pieces';
import { allGlues, allParts, bothParts, piecesOf, withPieces } from './pieces';
import type * as planning from '../schedule/tasks';
import type { Days } from '../schedule/tasks';
import { dayForAir, spotsOf } from '../schedule/drying';
import { basinsOf, layGround, surfaceAreas, zonesOf } from '../terrain/ground';
import { total } from '../base/units';
import { boardMass } from '../build/mass';
import { stuffNeeds } from '../finishing/mixes/stuffs';
import { featureNeeds } from '../procurement/needs';
import { type Plan, type Split, kindCoats } from '../plan';
import { glueNeeds } from '../build/stack/adhesives';
import { type Surely, suppliesFor } from '../procurement/supplies';
import { fixedOnTiles, fixingsFor, seamsOf, storedHeight, tileBuilds } from '../terrain/tiling';
import { rememberedLayouts } from './layouts';
import { Stages } from './stages';
import { countsOf, readinessOf } from './tally';

/** What reckons what is only looked at in Section, Coats and Supplies. */
export type Finish = Pick<
  typeof finishing,
  | 'banksOf'
  | 'coatMatrix'
  | 'detailOf'
  | 'heightChoices'
  | 'mixesOf'
  | 'movesOf'
  | 'floorsOf'
  | 'needsByWorkpiece'
  | 'sectionDrawing'
  | 'strewnOn'
>;

/** What plans the evenings. */
export type Evenings = Pick<typeof planning, 'agendaOf' | 'floorOf' | 'planDays' | 'reasonsOf' | 'stepsOf' | 'troublesOf'>;

type SurelyFor = (seed: number, catalogue: Catalogue) => Surely;

/** What everything follows from. */
interface Sources {
  readonly plan: Plan;
  readonly catalogue: Catalogue;
  readonly shop: Shop;
  /** Lays out a job, remembering those it laid out before. */
  readonly layOutOnce: ReturnType<typeof rememberedLayouts>;
  /** Makes pieces; null until a board that has some has fetched what it takes. */
  readonly makePieces: MakePieces | null;
  /** Null until a view that shows it has fetched what it takes. */
  readonly finish: Finish | null;
  /** Null until it is fetched: a board is drawn before its evenings are planned. */
  readonly evenings: Evenings | null;
  /** Null until it is fetched: a board is counted before it is made sure that there is enough. */
  readonly surelyFor: SurelyFor | null;
  /** Null until they are fetched: a board is drawn before it is judged. */
  readonly checks: Checks | null;
}

/** What mends take lies nowhere on the board that anything else is reckoned from. */
const NO_MENDS: Plan['mends'] = [];
/** A board before its large parts are split. */
const NO_SPLITS: readonly Split[] = [];

/** The evenings of a board before they are planned. */
const NOT_PLANNED: Days = {
  slots: [],
  handsOn: total('Hands-on', 'min', []),
  ready: null,
  bound: null,
  late: null,
  blocked: [],
  leftOut: [],
  relaxed: { pins: new Set(), waits: new Set(), blocked: new Map() },
};

/** Whether something of a board takes water up and gives it off slowly: wood and card. */
const drinksOf = (substrate: Plan['stack']['substrate'], layers: Plan['stack']['ground'], catalogue: Catalogue): boolean =>
  [...(substrate === null ? [] : [substrate]), ...layers].some(
    ({ materialId }) => materialBy(catalogue, materialId).waterPassage === 'yes',
  );

/** Everything that follows from a plan, in the order it is reckoned. A stage reads only what it picks; an edit costs the stages that pick what it touched. */
// prettier-ignore
export const STAGES = Stages.of<Sources>()
  .stage('pieces', ({ plan: { pieces, features, figureHeightMm, play: { baseMm, stepUpMm, handMm }, units }, catalogue, makePieces }) => ({ pieces, features, figureHeightMm, baseMm, stepUpMm, handMm, units, catalogue, makePieces }), piecesOf)
  .stage('features', ({ plan: { features }, pieces: { footprints } }) => ({ features, footprints }), withPieces)
  .stage('uprights', ({ pieces: { standing } }) => ({ standing }), ({ standing }) => standing.map(({ upright }) => upright))
  .stage('ground', ({ plan, features }) => ({ table: plan.table, features }), layGround)
  .stage('zones', ({ ground }) => ({ ground }), zonesOf)
  .stage('kindCoats', ({ plan: { surfaces, wears } }) => ({ surfaces, wears }), kindCoats)
  .stage('basins', ({ ground, uprights }) => ({ ground, uprights }), basinsOf)
  .stage('areas', ({ plan: { surfaces, wears }, ground, zones, basins }) => ({ ground, zones, basins, wears, surfaceIds: surfaces.map(({ id }) => id), surfaceNames: surfaces.map(({ name }) => name) }), surfaceAreas)
  .stage('raised', ({ plan, ground, catalogue }) => ({ raised: plan.stack.raised, lands: ground.lands, catalogue }), raisedStacks)
  .stage('facings', ({ plan, zones }) => ({ facings: plan.stack.facings, zones }), facingsOn)
  .stage('stack', ({ plan, ground, zones, raised, facings, catalogue }) => ({ stack: plan.stack, ground, zones, raised, facings, catalogue }), stackUp)
  .stage('heights', ({ plan: { stack, units }, ground, raised, catalogue, finish }) => ({ built: stack.raised, units, ground, raised, catalogue, finish }), ({ finish, ...inputs }) => finish?.heightChoices(inputs) ?? [])
  .stage('glues', ({ stack: { joints }, catalogue }) => ({ joints, catalogue }), glueNeeds)
  .stage('allGlues', ({ plan: { mends }, glues, pieces, catalogue }) => ({ mends, glues, pieceGlues: pieces.glues, catalogue }), allGlues)
  .stage('bow', ({ plan, kindCoats, ground, stack: { base, joints }, catalogue, checks }) => ({ stack: plan.stack, openCoats: kindCoats.open, tiles: ground.tiles, base, joints, catalogue, checks }), ({ checks, ...inputs }) => checks?.bowOf(inputs) ?? null)
  .stage('weights', ({ ground, stack: { base, joints }, catalogue, checks }) => ({ tiles: ground.tiles, base, joints, catalogue, checks }), ({ checks, ...inputs }) => checks?.weightsFor(inputs) ?? null)
  .stage('wholes', ({ plan, ground, stack, catalogue }) => ({ ground, stack, rim: plan.table.rim, battens: plan.stack.battens, crossGrain: plan.stack.raised.crossGrain, oversizeMm: plan.stack.edges === 'trim-after' ? plan.stack.allowanceMm : 0, catalogue }), partsOf)
  .stage('bothWholes', ({ wholes, pieces }) => ({ ground: wholes.parts, pieces: pieces.parts }), bothParts)
  .stage('laid', ({ plan: { cutting: { trimMm, tools, splits, joints, withoutSheetIds } }, bothWholes: whole, ground, catalogue, shop, checks }) => ({ whole, ground, trimMm, tools, splits, joints, withoutSheetIds, offcuts: shop.offcuts, cut: shop.cutSheets, catalogue, checks }), ({ checks, trimMm, tools, splits, joints, withoutSheetIds, ...inputs }) => checks?.laidSplits({ ...inputs, cutting: { trimMm, tools, splits, joints, withoutSheetIds } }) ?? NO_SPLITS)
  .stage('splits', ({ plan: { cutting: { splits } }, laid }) => ({ splits, laid }), ({ splits, laid }) => (laid.length === 0 ? splits : [...splits, ...laid]))
  .stage('partList', ({ wholes, splits }) => ({ wholes, splits }), ({ wholes: { parts, hollows }, splits }) => ({ parts: asSplit(parts, splits), hollows }))
  .stage('allParts', ({ splits, partList, pieces }) => ({ ground: partList.parts, pieces: pieces.parts, splits }), allParts)
  .stage('jobs', ({ plan: { cutting, units }, allParts: parts, laid, catalogue, shop, layOutOnce }) => ({ parts, laid, cutting, system: units, catalogue, offcuts: shop.offcuts, cut: shop.cutSheets, layOutOnce }), cutSheets)
  .stage('groundCoats', ({ plan: { surfaces }, areas, catalogue }) => ({ surfaces, areas: areas.list, catalogue }), coatNeeds)
  .stage('pieceCoats', ({ plan: { surfaces: named }, pieces: { surfaces }, catalogue }) => ({ surfaces, named, catalogue }), pieceCoatNeeds)
  .stage('coats', ({ groundCoats, pieceCoats }) => ({ groundCoats, pieceCoats }), ({ groundCoats, pieceCoats }) => [...groundCoats, ...pieceCoats])
  .stage('sealing', ({ plan, ground, catalogue }) => ({ stack: plan.stack, tableArea: ground.tableArea, catalogue }), sealNeed)
  .stage('groundCoatings', ({ groundCoats: coats, sealing, catalogue }) => ({ mends: NO_MENDS, coats, sealing, catalogue }), coatingNeeds)
  .stage('coatings', ({ plan: { mends }, coats, sealing, catalogue }) => ({ mends, coats, sealing, catalogue }), coatingNeeds)
  .stage('mixes', ({ coats, catalogue, finish }) => ({ coats, catalogue, finish }), ({ finish, ...inputs }) => finish?.mixesOf(inputs) ?? [])
  .stage('stuffs', ({ coatings, catalogue }) => ({ coatings, catalogue }), stuffNeeds)
  .stage('minutes', ({ jobs, catalogue }) => ({ jobs, catalogue }), minutesByPart)
  .stage('fixed', ({ pieces: { fixed }, ground: { tiles } }) => ({ fixed, tiles }), fixedOnTiles)
  .stage('spots', ({ plan: { places, drying, driedAt, calendar: { startsOn } }, shop: { airs }, catalogue }) => ({ places, drying, driedAt, startsOn: dayForAir(places, startsOn), airs, catalogue }), spotsOf)
  .stage('steps', ({ plan: { stack, people, mends }, spots, ground, zones, areas, stack: { joints }, partList: { hollows }, pieces: { work: pieces }, fixed, jobs, minutes, coats, sealing, catalogue, evenings }) => ({ mends, edges: stack.edges, weighed: stack.weighed, spots, topMaterialId: stack.ground.at(-1)?.materialId ?? null, isTwo: people.length > 1, ground, zones, areas, joints, hollows, pieces, fixed, jobs, minutes, coats, sealing, catalogue, evenings }), ({ evenings, ...inputs }) => evenings?.stepsOf(inputs) ?? [])
  .stage('days', ({ plan: { calendar, people, kit, places, seed }, spots, steps, catalogue, shop, evenings }) => ({ calendar, doneTasks: shop.doneTasks, people, kit, places, seed, spots, steps, catalogue, evenings }), ({ evenings, ...inputs }) => evenings?.planDays(inputs) ?? NOT_PLANNED)
  .stage('troubles', ({ plan: { calendar, people, kit, places, stack: { substrate, ground } }, spots, steps, days: { slots, blocked, relaxed }, catalogue, shop, evenings }) => ({ calendar, doneTasks: shop.doneTasks, people, kit, places, spots, steps, slots, blocked, relaxed, drinks: drinksOf(substrate, ground, catalogue), catalogue, evenings }), ({ evenings, ...inputs }) => evenings?.troublesOf(inputs) ?? [])
  .stage('floor', ({ plan: { calendar, people, kit, places }, spots, steps, days, catalogue, shop, evenings }) => ({ calendar, doneTasks: shop.doneTasks, people, kit, places, spots, steps, days, catalogue, evenings }), ({ evenings, ...inputs }) => evenings?.floorOf(inputs) ?? null)
  .stage('reasons', ({ plan: { calendar }, days: { slots }, evenings }) => ({ calendar, slots, evenings }), ({ evenings, ...inputs }) => evenings?.reasonsOf(inputs) ?? [])
  .stage('agenda', ({ plan: { calendar }, steps, days: { slots }, evenings }) => ({ steps, slots, startsOn: calendar.startsOn, evenings }), ({ evenings, ...inputs }) => evenings?.agendaOf(inputs) ?? [])
  .stage('moves', ({ days: { slots }, steps, shop: { doneTasks }, finish }) => ({ slots, steps, doneTasks, finish }), ({ finish, ...inputs }) => finish?.movesOf(inputs) ?? [])
  .stage('fixings', ({ plan: { table }, ground, catalogue }) => ({ table, tiles: ground.tiles, catalogue }), fixingsFor)
  .stage('cutAtShop', ({ jobs, catalogue }) => ({ jobs, catalogue }), shopCuts)
  .stage('surely', ({ plan: { seed, buying: { ofHundred, own } }, catalogue, coatings, allGlues, pieces, surelyFor }) => ({ seed, asked: ofHundred !== null || own.length > 0, coatings, allGlues, pieces, catalogue, surelyFor }), ({ asked, seed, catalogue, surelyFor: make }) => (asked ? (make?.(seed, catalogue) ?? null) : null))
  .stage('supplies', ({ plan: { features, units, buying }, shop: { shelf }, surely, jobs, cutAtShop, allGlues: glues, pieces: { lengths, clads, fills, casts }, coatings, stuffs, fixings, catalogue }) => ({ buying, shelf, surely, jobs, cutAtShop, glues, lengths, clads, fills, casts, coatings, stuffs, fixings, features, system: units, catalogue }), suppliesFor)
  .stage('byWorkpiece', ({ plan: { table, features, pieces: own }, supplies, jobs, ground, zones, areas, stack: { joints }, groundCoats, pieceCoats, sealing, pieces: { made, surfaces: pieceSurfaces }, fixed, catalogue, finish }) => ({ table, features, own, supplies, jobs, ground, zones, areas, joints, groundCoats, pieceCoats, sealing, made, pieceSurfaces, fixed, catalogue, finish }), ({ finish, table, features, own, ...inputs }) => finish?.needsByWorkpiece({ plan: { table, features, pieces: own }, ...inputs }) ?? [])
  .stage('needs', ({ plan, ground, basins, areas, stack, coats, catalogue }) => ({ features: plan.features, raised: plan.stack.raised, ground, basins, areas, groundHeight: stack.ground, joints: stack.joints, coats, catalogue }), featureNeeds)
  .stage('seams', ({ ground }) => ({ ground }), seamsOf)
  .stage('tiles', ({ plan: { table, stack: layers }, ground, zones, stack, partList: { parts }, groundCoatings: coatings, fixed, catalogue }) => ({ table, layers, ground, zones, stack, parts, coatings, fixed, catalogue }), tileBuilds)
  .stage('stored', ({ tiles }) => ({ tiles }), storedHeight)
  .stage('mass', ({ plan: { units }, ground, stack, partList: { parts }, coatings, catalogue }) => ({ ground, stack, parts, coatings, units, catalogue }), boardMass)
  .stage('banks', ({ ground, finish }) => ({ ground, finish }), ({ ground, finish }) => finish?.banksOf({ ground }) ?? [])
  .stage('matrix', ({ plan: { figureHeightMm }, spots, coats, areas: { list: areas }, pieces: { surfaces: pieceSurfaces }, catalogue, finish }) => ({ coats, areas, pieceSurfaces, spots, figureHeightMm, catalogue, finish }), ({ finish, ...inputs }) => finish?.coatMatrix(inputs) ?? null)
  .stage('strewn', ({ plan: { seed, play: { baseMm } }, groundCoats: needs, areas: { list: areas }, ground, finish }) => ({ needs, areas, ground, seed, clearMm: baseMm / 2, finish }), ({ finish, ...inputs }) => finish?.strewnOn(inputs) ?? [])
  .stage('floors', ({ plan: { surfaces, seed }, areas: { list: areas }, catalogue, finish }) => ({ surfaces, areas, seed, catalogue, finish }), ({ surfaces, areas, seed, catalogue, finish }) => finish?.floorsOf(surfaces, areas, seed, catalogue) ?? [])
  .stage('section', ({ plan, kindCoats, ground, uprights, stack, catalogue, finish }) => ({ line: plan.section, units: plan.units, substrate: plan.stack.substrate, coats: kindCoats, surfaces: plan.surfaces, ground, uprights, stack, catalogue, finish }), ({ finish, ...inputs }) => finish?.sectionDrawing(inputs) ?? null)
  .stage('counts', ({ jobs, mass, pieces: { masses: pieceMasses }, allGlues: glues, coatings, supplies }) => ({ jobs, mass, pieceMasses, glues, coatings, supplies }), countsOf)
  .stage('readiness', ({ evenings, days }) => ({ days, isPlanned: evenings !== null }), readinessOf)
  .stage('tally', ({ counts, readiness }) => ({ counts, readiness }), ({ counts, readiness }) => ({ ...counts, ...readiness }))
  .stage('levers', ({ plan, kindCoats, ground, stack: { base, joints }, bow, catalogue, checks }) => ({ stack: plan.stack, openCoats: kindCoats.open, units: plan.units, tiles: ground.tiles, tableArea: ground.tableArea, base, joints, bow: bow!, catalogue, checks }), ({ checks, ...inputs }) => checks?.bowLevers(inputs) ?? [])
  .stage('groundWarnings', ({ plan: { table, stack: layers, units }, features, ground, stack, catalogue, checks }) => ({ table, features, layers, units, ground, stack, catalogue, checks }), dealt(({ groundWarnings }) => groundWarnings))
  .stage('seamWarnings', ({ plan: { table, features, units }, ground, seams, catalogue, checks }) => ({ table, features, units, ground, seams, catalogue, checks }), dealt(({ seamWarnings }) => seamWarnings))
  .stage('fixedWarnings', ({ fixed, ground, checks }) => ({ fixed, ground, checks }), dealt(({ fixedWarnings }) => fixedWarnings))
  .stage('clearWarnings', ({ ground: { lands }, checks }) => ({ lands, checks }), dealt(({ clearWarnings }) => clearWarnings))
  .stage('lightWarnings', ({ plan: { features, units }, ground, stack, catalogue, checks }) => ({ features, units, ground, groundHeight: stack.ground, catalogue, checks }), dealt(({ lightWarnings }) => lightWarnings))
  .stage('glueWarnings', ({ plan: { stack: layers, units }, stack: { joints }, catalogue, checks }) => ({ layers, units, joints, catalogue, checks }), dealt(({ glueWarnings }) => glueWarnings))
  .stage('bowWarnings', ({ plan, kindCoats, ground, stack: { base, joints }, bow, catalogue, checks }) => ({ stack: plan.stack, openCoats: kindCoats.open, units: plan.units, tiles: ground.tiles, tableArea: ground.tableArea, base, joints, bow: bow!, catalogue, checks }), dealt(({ bowWarnings }) => bowWarnings))
  .stage('stackWarnings', ({ plan: { stack: layers }, kindCoats: coats, ground, zones, stack, partList: { parts }, catalogue, checks }) => ({ layers, coats, ground, zones, stack, parts, catalogue, checks }), dealt(({ stackWarnings }) => stackWarnings))
  .stage('cutWarnings', ({ plan: { table }, ground, jobs, allParts: parts, shop: { cutSheets: cut }, catalogue, checks }) => ({ table, ground, jobs, parts, cutSheets: cut, catalogue, checks }), dealt(({ cutWarnings }) => cutWarnings))
  .stage('coatWarnings', ({ plan: { surfaces, pieces, stack: layers, units, figureHeightMm }, areas: { list: areas }, pieces: { surfaces: pieceSurfaces }, ground, stack: { joints }, spots, coats, bow, catalogue, checks }) => ({ surfaces, areas, pieces, pieceSurfaces, ground, layers, units, figureHeightMm, bow: bow!, spots, joints, coats, catalogue, checks }), dealt(({ coatWarnings }) => coatWarnings))
  .stage('dayWarnings', ({ days: { late }, troubles, checks }) => ({ late, troubles, checks }), dealt(({ dayWarnings }) => dayWarnings))
  .stage('workWarnings', (all) => ({ lists: [all.pieces.warnings, all.groundWarnings, all.seamWarnings, all.fixedWarnings, all.clearWarnings, all.lightWarnings, all.glueWarnings, all.bowWarnings, all.stackWarnings, all.cutWarnings, all.coatWarnings] }), ({ lists }) => lists.flat())
  .stage('warnings', ({ workWarnings, dayWarnings }) => ({ workWarnings, dayWarnings }), ({ workWarnings, dayWarnings }) => [...workWarnings, ...dayWarnings]);

/** Everything that follows from a plan; reckoned as it is read. */
export type Derivation = ReturnType<ReturnType<typeof STAGES.pipeline>>;
export type StageName = (typeof STAGES.names)[number];

/** What a pipeline is given beside the board; null for what is not there yet. */
export type Given = Pick<Sources, 'makePieces' | 'finish' | 'evenings' | 'surelyFor' | 'checks'>;
/** A pipeline for one board: see {@link Stages.pipeline}. */
export function pipelineWith(given: Given, memory: 'last' | 'all' = 'last'): (plan: Plan, catalogue: Catalogue, shop?: Shop) => Derivation {
  const derive = STAGES.pipeline(memory);
  const layOutOnce = rememberedLayouts();
  return (plan, catalogue, shop = EMPTY_SHOP) => derive({ plan, catalogue, shop, layOutOnce, ...given });
}
