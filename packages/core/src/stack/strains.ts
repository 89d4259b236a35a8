import { type Catalogue, type Estimate, adhesiveBy, materialBy, stuffBy } from '../catalogue';
import type { Plan } from '../plan';
import { type Figure, given, reckon } from '../units';
import { passesWater } from './glue';
import { type BaseLayer, type GroundStack, type Joint, isSealedOn } from './stack';

/** What of a plan has to do with its bow. */
export interface BentPlan {
  readonly stack: Plan['stack'];
  readonly coats: Pick<Plan['coats'], 'open'>;
}

/** What makes a layer grow or shrink: the water of the glue, the coats on top, the air of the seasons. */
export type BowCause = 'glue' | 'coats' | 'season';
/** A layer, or the skin of one, that strains as one; from the underside up. */
export interface Sheet {
  readonly name: string;
  readonly youngMPa: Estimate;
  readonly thicknessMm: number;
  /** Share of the width it covers: 1 for a layer, less for battens. */
  readonly coverShare: number;
  readonly strain: Strain | null;
}
/** A free strain with the least and the most it may be, as shares of the likely one. */
export interface Strain {
  readonly cause: BowCause;
  readonly likely: Figure<'1'>;
  readonly least: number;
  readonly most: number;
}

/** How much of a wet face's water a material lets in. */
const TAKES_IN = { yes: 1, slowly: 0.5, no: 0 } as const;

/** The board as it bends: battens, every layer with its skins apart where they can swell, and the film of the coats. */
export function sheetsOfStack(plan: BentPlan, stack: GroundStack, widthMm: number, catalogue: Catalogue): readonly Sheet[] {
  return [
    ...battenSheet(plan, widthMm, catalogue),
    ...stack.base.flatMap((layer, i) => layerSheets(layer, i, plan, stack, catalogue)),
    ...filmSheets(plan, catalogue),
  ];
}

/** Battens are a layer of their height that covers only their share of the width. */
function battenSheet({ stack: { battens } }: BentPlan, widthMm: number, catalogue: Catalogue): Sheet[] {
  if (battens === null) return [];
  const { name, youngMPa } = materialBy(catalogue, battens.materialId);
  const coverShare = Math.min(1, (battens.count * battens.thicknessMm) / widthMm);
  return [{ name: `Battens of ${name}`, youngMPa, thicknessMm: battens.heightMm, coverShare, strain: null }];
}

function layerSheets(layer: BaseLayer, index: number, plan: BentPlan, stack: GroundStack, catalogue: Catalogue): Sheet[] {
  const { name: plain, youngMPa, swellingPct, waterPassage } = materialBy(catalogue, layer.materialId);
  const name = layer.id === 'substrate' ? `${plain}, substrate` : plain;
  const whole = { name, youngMPa, thicknessMm: layer.thicknessMm, coverShare: 1, strain: null };
  if (swellingPct.value === 0 || waterPassage === 'no') return [whole];
  const skinMm = Math.min(catalogue.bench.wetSkinMm.value, layer.thicknessMm / 2);
  const baseJoints = stack.joints.filter(({ place }) => place.part === 'ground');
  const under = faceStrain(layer, 'under', baseJoints[index - 1] ?? null, skinMm, plan, catalogue);
  const top = faceStrain(layer, 'top', baseJoints[index] ?? null, skinMm, plan, catalogue);
  const coreMm = layer.thicknessMm - 2 * skinMm;
  return [
    { ...whole, name: `${name}, lower skin`, thicknessMm: skinMm, strain: under },
    ...(coreMm > 1e-6 ? [{ ...whole, name: `${name}, core`, thicknessMm: coreMm }] : []),
    { ...whole, name: `${name}, upper skin`, thicknessMm: skinMm, strain: top },
  ];
}

/** A face in a joint drinks the glue; the top of the board drinks the coats; a bare face follows the seasons. */
function faceStrain(
  layer: BaseLayer,
  side: 'top' | 'under',
  joint: Joint | null,
  skinMm: number,
  plan: BentPlan,
  catalogue: Catalogue,
): Strain | null {
  if (joint !== null) return glueStrain(layer, side, joint, skinMm, plan, catalogue);
  return side === 'top' && plan.coats.open.length > 0 ? coatStrain(layer, plan, catalogue) : seasonStrain(layer, side, catalogue);
}

function glueStrain(
  layer: BaseLayer,
  side: 'top' | 'under',
  joint: Joint,
  skinMm: number,
  plan: BentPlan,
  catalogue: Catalogue,
): Strain | null {
  const taken = takenUp(layer, side, joint, skinMm, catalogue);
  if (taken === null) return null;
  const { gPerM2 } = adhesiveBy(catalogue, joint.adhesiveId);
  const { saturationPct } = catalogue.bench;
  const most = (gPerM2.high / gPerM2.value) * (saturationPct.value / saturationPct.low);
  const least = (gPerM2.low / gPerM2.value) * (saturationPct.value / saturationPct.high);
  return driedOut('glue', layer, taken, least, Math.min(most, taken.value === 0 ? 1 : 1 / taken.value), plan, catalogue);
}

/** How far a skin swells in the water of the glue on it, 1 being full; null where the glue brings none. */
export function takenUp(layer: BaseLayer, side: 'top' | 'under', joint: Joint, skinMm: number, catalogue: Catalogue): Figure<'1'> | null {
  const { densityKgPerM3, waterPassage } = materialBy(catalogue, layer.materialId);
  const { name, gPerM2, beadGPerM, waterPct } = adhesiveBy(catalogue, joint.adhesiveId);
  if (waterPct.value === 0) return null;
  const { saturationPct, sealedPassesPct, beadPitchMm } = catalogue.bench;
  // The two faces share the water if both let it in.
  const drinkers = [joint.lower, joint.upper].filter((face) => passesWater(face, catalogue)).length;
  const spread = joint.spread === 'beads' && beadGPerM !== null ? (beadGPerM.value * 1000) / beadPitchMm.value : gPerM2.value;
  const rate = given(
    `${name}, water in a square metre`,
    (spread * waterPct.value) / 100,
    'g/m²',
    'catalogue',
    'spread × its share of water',
  );
  const holds = given(
    'A skin swollen full holds',
    (densityKgPerM3.value * skinMm * saturationPct.value) / 100,
    'g/m²',
    'catalogue',
    `${densityKgPerM3.value} kg/m³, ${skinMm} mm deep, ${saturationPct.value} % of it`,
  );
  const isSealed = isSealedOn(layer.sealed, side);
  const share = (isSealed ? sealedPassesPct.value / 100 : 1) * TAKES_IN[waterPassage] * (drinkers === 2 ? 0.5 : 1);
  const gets = given(
    'Share this face gets',
    share,
    '1',
    'plan',
    isSealed ? 'sealed' : drinkers === 2 ? 'both faces drink' : 'this face alone drinks',
  );
  const water = reckon('Water taken up', '1', reckon('Of what it could take', '1', rate, '÷', holds), '×', gets);
  return reckon('Swollen by', '1', water, 'or, if smaller,', given('Swollen full', 1, '1', 'definition'));
}

/** Paste and paint on a face that drinks leave it soaked; through a sealed one little gets. */
function coatStrain(layer: BaseLayer, plan: BentPlan, catalogue: Catalogue): Strain {
  const isSealed = isSealedOn(layer.sealed, 'top');
  const share =
    (isSealed ? catalogue.bench.sealedPassesPct.value / 100 : 1) * TAKES_IN[materialBy(catalogue, layer.materialId).waterPassage];
  const taken = given('Swollen by the coats', share, '1', 'plan', isSealed ? 'sealed' : 'soaked by the first wet coat');
  return driedOut('coats', layer, taken, 0.5, 1, plan, catalogue);
}

/**
 * What a wetted face ends up shorter by. Glued wet and held flat it shrinks back as it dries, and the stack feels that; soaked by coats it was pressed together while it was
 * swollen, and is left short. Weights until it is dry let the stack creep, and leave a part.
 */
function driedOut(
  cause: BowCause,
  layer: BaseLayer,
  taken: Figure<'1'>,
  least: number,
  most: number,
  plan: BentPlan,
  catalogue: Catalogue,
): Strain {
  const { name, swellingPct } = materialBy(catalogue, layer.materialId);
  const { driesBackPct, leftShortPct, weighedLeavesPct } = catalogue.bench;
  const back = cause === 'glue' ? driesBackPct : leftShortPct;
  const swelling = given(`${name}, dry to wet`, swellingPct.value / 100, '1', 'catalogue', `${swellingPct.low} to ${swellingPct.high} %`);
  const wet = reckon(`${name}: swells by`, '1', swelling, '×', taken);
  const returns = given('Shrinks as it dries, of that', -back.value / 100, '1', 'catalogue', `${back.low} to ${back.high} %`);
  const dry = reckon(`${name}: ends up longer by`, '1', wet, '×', returns);
  const likely = plan.stack.weighed
    ? reckon(
        `${name}: under weights, longer by`,
        '1',
        dry,
        '×',
        given('Weights leave', weighedLeavesPct.value / 100, '1', 'catalogue', 'dried through under them'),
      )
    : dry;
  const ratio = (end: 'low' | 'high'): number =>
    (swellingPct[end] / swellingPct.value) *
    (back[end] / back.value) *
    (plan.stack.weighed ? weighedLeavesPct[end] / weighedLeavesPct.value : 1);
  return { cause, likely, least: least * ratio('low'), most: most * ratio('high') };
}

/** Damp and dry months swell and shrink a bare face; which it is nobody knows, so only the range grows. */
function seasonStrain(layer: BaseLayer, side: 'top' | 'under', catalogue: Catalogue): Strain | null {
  const { name, swellingPct, waterPassage } = materialBy(catalogue, layer.materialId);
  const { seasonSharePct, sealedPassesPct } = catalogue.bench;
  const sealed = isSealedOn(layer.sealed, side) ? sealedPassesPct.value / 100 : 1;
  const swelling = given(`${name}, dry to wet`, swellingPct.value / 100, '1', 'catalogue', `${swellingPct.low} to ${swellingPct.high} %`);
  const share = given(
    'Of it, with the seasons',
    (seasonSharePct.value / 100) * sealed * TAKES_IN[waterPassage],
    '1',
    'catalogue',
    sealed < 1 ? 'sealed' : 'bare face',
  );
  return { cause: 'season', likely: reckon(`${name}: with the seasons`, '1', swelling, '×', share), least: -1, most: 1 };
}

/** Pastes shrink as they dry and pull the top together. */
function filmSheets(plan: BentPlan, catalogue: Catalogue): Sheet[] {
  return plan.coats.open.flatMap(({ stuffId, filmMm }): Sheet[] => {
    const { name, pull, spread } = stuffBy(catalogue, stuffId);
    if (pull === null || spread.by !== 'film') return [];
    const { value, low, high, origin } = pull.shrinkagePct;
    const likely = given(`${name}, shrinks by`, -value / 100, '1', 'catalogue', `${origin}, ${low} to ${high} %`);
    return [
      {
        name,
        youngMPa: pull.youngMPa,
        thicknessMm: filmMm ?? spread.filmMm.value,
        coverShare: 1,
        strain: { cause: 'coats', likely, least: low / value, most: high / value },
      },
    ];
  });
}
