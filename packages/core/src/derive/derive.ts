import type { Catalogue } from '../catalogue';
import { coatNeeds, sealNeed, stuffNeeds } from '../coats';
import type { CoatNeed, StuffNeed } from '../coats';
import {
  type CutJob,
  type LayoutTask,
  type Offcut,
  type PartList,
  cutSheets,
  layOut,
  minutesByPart,
  partsOf,
  shopCuts,
  totalSheets,
} from '../cutting';
import { type Days, type Step, planDays, stepsOf } from '../days';
import { type Ground, type Zones, layGround, zonesOf } from '../ground';
import { type Mix, mixesOf } from '../mixes';
import { type Plan, shapeRegion } from '../plan';
import { type BoardStack, type Bow, type GlueNeed, type WeightNeed, bowOf, glueNeeds, stackUp, weightsFor } from '../stack';
import { type Supplies, suppliesFor } from '../supplies';
import { type Seam, type TileBuild, fixingsFor, seamsOf, storedHeight, tileBuilds } from '../tiling';
import { type Figure, total } from '../units';
import {
  type Warning,
  clearWarnings,
  coatWarnings,
  cutWarnings,
  glueWarnings,
  groundWarnings,
  lightWarnings,
  seamWarnings,
  stackWarnings,
} from '../warnings';
import { type LayerMass, boardMass } from './board-mass';
import { byKey, perObject, stage } from './memo';
import { type FeatureTakes, featureTakes } from './takes';

/** Everything that follows from a plan. */
export interface Derivation {
  readonly ground: Ground;
  readonly zones: Zones;
  readonly stack: BoardStack;
  readonly glues: readonly GlueNeed[];
  readonly bow: Bow;
  /** null where nothing is glued to the ground. */
  readonly weights: WeightNeed | null;
  readonly parts: PartList;
  readonly jobs: readonly CutJob[];
  readonly coats: readonly CoatNeed[];
  readonly stuffs: readonly StuffNeed[];
  readonly mixes: readonly Mix[];
  readonly steps: readonly Step[];
  readonly days: Days;
  readonly supplies: Supplies;
  readonly takes: readonly FeatureTakes[];
  readonly masses: readonly LayerMass[];
  readonly seams: readonly Seam[];
  readonly tiles: readonly TileBuild[];
  /** All tiles stored one on another. */
  readonly stored: Figure<'mm'>;
  readonly tally: Tally;
  readonly warnings: readonly Warning[];
}

/** The figures that are always in sight. */
export interface Tally {
  readonly sheets: Figure<'1'>;
  readonly mass: Figure<'g'>;
  readonly adhesive: Figure<'g'>;
  readonly paint: Figure<'ml'>;
  readonly cost: Figure<'money'>;
  readonly handsOn: Figure<'min'>;
  /** null for a board with nothing to do. */
  readonly ready: Figure<'min'> | null;
  readonly readyText: string;
}

const NO_OFFCUTS: readonly Offcut[] = [];

/** Layouts remembered at once: a drag back and forth over a boundary stays quick. */
const LAYOUTS_KEPT = 60;

/**
 * Makes a pipeline that remembers each stage's last answer, so that an edit reckons again only what it touches. One
 * pipeline serves one board.
 */
export function derivePipeline(): (plan: Plan, catalogue: Catalogue, rack?: readonly Offcut[]) => Derivation {
  const regionOfShape = perObject(shapeRegion);
  const layOutOnce = byKey(layoutKey, layOut, LAYOUTS_KEPT);
  const groundStage = stage((table: Plan['table'], features: Plan['features']) => layGround(table, features, regionOfShape));
  const zonesStage = stage(zonesOf);
  const stackStage = stage(stackUp);
  const glueStage = stage(glueNeeds);
  const bowStage = stage((stackPlan: Plan['stack'], open: Plan['coats']['open'], ground: Ground, stack: BoardStack, catalogue: Catalogue) =>
    bowOf({ stack: stackPlan, coats: { open } }, ground, stack, catalogue),
  );
  const partsStage = stage(
    (ground: Ground, stack: BoardStack, table: Plan['table'], stackPlan: Plan['stack'], cutting: Plan['cutting'], catalogue: Catalogue) =>
      partsOf(ground, stack, { table, stack: stackPlan, cutting }, catalogue),
  );
  const cutStage = stage((parts: PartList, cutting: Plan['cutting'], units: Plan['units'], catalogue: Catalogue, rack: readonly Offcut[]) =>
    cutSheets(parts.parts, cutting, units, catalogue, rack, layOutOnce),
  );
  const sealStage = stage(sealNeed);
  const shopStage = stage(shopCuts);
  const minuteStage = stage(minutesByPart);
  const weightStage = stage(weightsFor);
  const coatStage = stage(coatNeeds);
  const stuffStage = stage(stuffNeeds);
  const mixStage = stage(mixesOf);
  const stepStage = stage(stepsOf);
  const dayStage = stage(planDays);
  const fixingStage = stage(fixingsFor);
  const supplyStage = stage(suppliesFor);
  const massStage = stage(boardMass);
  const takesStage = stage(featureTakes);
  const seamStage = stage(seamsOf);
  const tileStage = stage(tileBuilds);

  return (plan, catalogue, rack = NO_OFFCUTS) => {
    const ground = groundStage(plan.table, plan.features);
    const zones = zonesStage(ground);
    const stack = stackStage(plan, ground, zones, catalogue);
    const glues = glueStage(stack.joints, catalogue);
    const bow = bowStage(plan.stack, plan.coats.open, ground, stack, catalogue);
    const parts = partsStage(ground, stack, plan.table, plan.stack, plan.cutting, catalogue);
    const jobs = cutStage(parts, plan.cutting, plan.units, catalogue, rack);
    const coats = coatStage(plan, zones, catalogue);
    const sealing = sealStage(plan.stack, ground.tableArea, catalogue);
    const stuffs = stuffStage(coats, sealing);
    const mixes = mixStage(coats, catalogue);
    const steps = stepStage(plan, ground, zones, stack, parts, jobs, minuteStage(jobs, catalogue), coats, sealing, catalogue);
    const days = dayStage(steps, plan.calendar);
    const fixings = fixingStage(plan.table, ground, catalogue);
    const supplies = supplyStage(jobs, shopStage(jobs, catalogue), glues, stuffs, fixings, plan.features, plan.units, catalogue);
    const takes = takesStage(plan, ground, zones, stack, coats, catalogue);
    const seams = seamStage(ground);
    const tiles = tileStage(plan, ground, zones, stack, parts, stuffs, catalogue);
    const mass = massStage(ground, stack, parts, stuffs, catalogue);
    const tally: Tally = {
      sheets: totalSheets(jobs),
      mass: mass.all,
      adhesive: total(
        'Adhesive',
        'g',
        glues.map(({ mass }) => mass),
      ),
      paint: total(
        'Paint',
        'ml',
        stuffs.filter(({ stuff }) => stuff.family === 'paint').map(({ volume }) => volume),
      ),
      cost: supplies.used,
      handsOn: days.handsOn,
      ready: days.ready?.at ?? null,
      readyText: days.ready?.text ?? '',
    };
    const warnings = [
      ...groundWarnings(plan, ground, stack, catalogue),
      ...seamWarnings(plan, ground, seams, catalogue),
      ...clearWarnings(ground),
      ...lightWarnings(plan, ground, stack, catalogue),
      ...glueWarnings(plan, stack, catalogue),
      ...stackWarnings(plan, ground, zones, stack, bow, parts, catalogue),
      ...cutWarnings(plan, ground, jobs, parts, catalogue),
      ...coatWarnings(plan, stack, coats, catalogue),
    ];
    return {
      ground,
      zones,
      stack,
      glues,
      bow,
      weights: weightStage(ground, stack, catalogue),
      parts,
      jobs,
      coats,
      stuffs,
      mixes,
      steps,
      days,
      supplies,
      takes,
      masses: mass.layers,
      seams,
      tiles,
      stored: storedHeight(tiles),
      tally,
      warnings,
    };
  };
}

/** What a layout depends on: sizes, the stock and what is pinned, not what the parts look like. */
function layoutKey({ blanks, stock, kerfMm, aim, pinned }: LayoutTask): string {
  const sizes = blanks.map(({ id, widthMm, depthMm, mayTurn }) => `${id} ${widthMm} ${depthMm} ${mayTurn ? 1 : 0}`);
  const sheets = stock.map(
    ({ widthMm, depthMm, trimMm, offcutId, priceMinor }) => `${offcutId ?? ''} ${widthMm} ${depthMm} ${trimMm} ${priceMinor}`,
  );
  return [kerfMm, aim, ...sheets, JSON.stringify(pinned), ...sizes].join('|');
}
