import { type Catalogue, type Estimate, adhesiveBy, materialBy, coatingBy } from '../../../catalogue';
import type { Coat, Plan } from '../../../plan';
import { type Figure, given, calculate } from '../../../base/units';
import { passesWater } from '../adhesives';
import type { BaseLayer, Joint } from '../joint';
import { type GroundStack, isSealedOn } from '../stack';

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

interface StrainInputs {
  readonly stack: Plan['stack'];
  readonly openCoats: readonly Coat[];
  readonly base: GroundStack['base'];
  readonly joints: GroundStack['joints'];
  readonly catalogue: Catalogue;
}
/** A face of a layer, and how deep its wet skin goes. */
interface Skin {
  readonly layer: BaseLayer;
  readonly side: 'top' | 'under';
  readonly skinMm: number;
}

/** The board as it bends: battens, every layer with its skins apart where they can swell, and the film of the coats. */
export function sheetsOfStack(inputs: StrainInputs, widthMm: number): readonly Sheet[] {
  const { base } = inputs;
  return [...battenSheet(inputs, widthMm), ...base.flatMap((layer, i) => layerSheets(layer, i, inputs)), ...filmSheets(inputs)];
}

/** Battens are a layer of their height that covers only their share of the width. */
function battenSheet({ stack: { battens }, catalogue }: StrainInputs, widthMm: number): Sheet[] {
  if (battens === null) return [];
  const { name, youngMPa } = materialBy(catalogue, battens.materialId);
  const coverShare = Math.min(1, (battens.count * battens.thicknessMm) / widthMm);
  return [{ name: `Battens of ${name}`, youngMPa, thicknessMm: battens.heightMm, coverShare, strain: null }];
}

function layerSheets(layer: BaseLayer, index: number, inputs: StrainInputs): Sheet[] {
  const { joints, catalogue } = inputs;
  const { name: plain, youngMPa, swellingPct, waterPassage } = materialBy(catalogue, layer.materialId);
  const name = layer.kind === 'substrate' ? `${plain}, substrate` : plain;
  const whole = { name, youngMPa, thicknessMm: layer.thicknessMm, coverShare: 1, strain: null };
  if (swellingPct.value === 0 || waterPassage === 'no') return [whole];
  const skinMm = Math.min(catalogue.bench.wetSkinMm.value, layer.thicknessMm / 2);
  const baseJoints = joints.filter(({ place }) => place.part === 'ground');
  const under = faceStrain({ layer, side: 'under', skinMm }, baseJoints[index - 1] ?? null, inputs);
  const top = faceStrain({ layer, side: 'top', skinMm }, baseJoints[index] ?? null, inputs);
  const coreMm = layer.thicknessMm - 2 * skinMm;
  return [
    { ...whole, name: `${name}, lower skin`, thicknessMm: skinMm, strain: under },
    ...(coreMm > 1e-6 ? [{ ...whole, name: `${name}, core`, thicknessMm: coreMm }] : []),
    { ...whole, name: `${name}, upper skin`, thicknessMm: skinMm, strain: top },
  ];
}

/** A face in a joint drinks the glue; the top of the board drinks the coats; a bare face follows the seasons. */
function faceStrain(skin: Skin, joint: Joint | null, inputs: StrainInputs): Strain | null {
  const { layer, side } = skin;
  const { openCoats, catalogue } = inputs;
  if (joint !== null) return glueStrain(skin, joint, inputs);
  return side === 'top' && openCoats.length > 0 ? coatStrain(layer, inputs) : seasonStrain(layer, side, catalogue);
}

function glueStrain(skin: Skin, joint: Joint, inputs: StrainInputs): Strain | null {
  const { layer } = skin;
  const { catalogue } = inputs;
  const taken = takenUp(skin, joint, catalogue);
  if (taken === null) return null;
  const { gPerM2 } = adhesiveBy(catalogue, joint.adhesiveId);
  const { saturationPct } = catalogue.bench;
  const most = (gPerM2.high / gPerM2.value) * (saturationPct.value / saturationPct.low);
  const least = (gPerM2.low / gPerM2.value) * (saturationPct.value / saturationPct.high);
  return driedOut({ cause: 'glue', layer, taken, least, most: Math.min(most, taken.value === 0 ? 1 : 1 / taken.value) }, inputs);
}

/** How far a skin swells in the water of the glue on it, 1 being full; null where the glue brings none. */
export function takenUp({ layer, side, skinMm }: Skin, joint: Joint, catalogue: Catalogue): Figure<'1'> | null {
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
    'Water in a fully swollen skin',
    (densityKgPerM3.value * skinMm * saturationPct.value) / 100,
    'g/m²',
    'catalogue',
    `${densityKgPerM3.value} kg/m³, ${skinMm} mm deep, ${saturationPct.value} % of it`,
  );
  const isSealed = isSealedOn(layer.sealed, side);
  const share = (isSealed ? sealedPassesPct.value / 100 : 1) * TAKES_IN[waterPassage] * (drinkers === 2 ? 0.5 : 1);
  const gets = given(
    'Share for this face',
    share,
    '1',
    'plan',
    isSealed ? 'sealed' : drinkers === 2 ? 'both faces absorb' : 'only this face absorbs',
  );
  const water = calculate('Water taken up', '1', calculate('Share of capacity', '1', rate, '÷', holds), '×', gets);
  return calculate('Swelling', '1', water, 'or, if smaller,', given('Full swelling', 1, '1', 'definition'));
}

/** Paste and paint on a face that drinks leave it soaked; through a sealed one little gets. */
function coatStrain(layer: BaseLayer, inputs: StrainInputs): Strain {
  const { catalogue } = inputs;
  const isSealed = isSealedOn(layer.sealed, 'top');
  const share =
    (isSealed ? catalogue.bench.sealedPassesPct.value / 100 : 1) * TAKES_IN[materialBy(catalogue, layer.materialId).waterPassage];
  const taken = given('Swelling from coats', share, '1', 'plan', isSealed ? 'sealed' : 'soaked by the first wet coat');
  return driedOut({ cause: 'coats', layer, taken, least: 0.5, most: 1 }, inputs);
}

/** A face that was wet: how far it swelled, and the ends of that as shares. */
interface Wetted {
  readonly cause: BowCause;
  readonly layer: BaseLayer;
  readonly taken: Figure<'1'>;
  readonly least: number;
  readonly most: number;
}

/**
 * What a wetted face ends up shorter by. Glued wet and held flat it shrinks back as it dries, and the stack feels that; soaked by coats it was pressed together while it was
 * swollen, and is left short. Weights until it is dry let the stack creep, and leave a part.
 */
function driedOut({ cause, layer, taken, least, most }: Wetted, { stack, catalogue }: StrainInputs): Strain {
  const { name, swellingPct } = materialBy(catalogue, layer.materialId);
  const { driesBackPct, leftShortPct, weighedLeavesPct } = catalogue.bench;
  const back = cause === 'glue' ? driesBackPct : leftShortPct;
  const swelling = given(`${name}, dry to wet`, swellingPct.value / 100, '1', 'catalogue', `${swellingPct.low} to ${swellingPct.high} %`);
  const wet = calculate(`${name}: swells by`, '1', swelling, '×', taken);
  const returns = given('Share that shrinks back when dry', -back.value / 100, '1', 'catalogue', `${back.low} to ${back.high} %`);
  const dry = calculate(`${name}: permanent growth`, '1', wet, '×', returns);
  const likely = stack.weighed
    ? calculate(
        `${name}: permanent growth under weights`,
        '1',
        dry,
        '×',
        given('Share left under weights', weighedLeavesPct.value / 100, '1', 'catalogue', 'dried fully under weights'),
      )
    : dry;
  const ratio = (end: 'low' | 'high'): number =>
    (swellingPct[end] / swellingPct.value) *
    (back[end] / back.value) *
    (stack.weighed ? weighedLeavesPct[end] / weighedLeavesPct.value : 1);
  return { cause, likely, least: least * ratio('low'), most: most * ratio('high') };
}

/** Damp and dry months swell and shrink a bare face; which it is nobody knows, so only the range grows. */
function seasonStrain(layer: BaseLayer, side: 'top' | 'under', catalogue: Catalogue): Strain | null {
  const { name, swellingPct, waterPassage } = materialBy(catalogue, layer.materialId);
  const { seasonSharePct, sealedPassesPct } = catalogue.bench;
  const sealed = isSealedOn(layer.sealed, side) ? sealedPassesPct.value / 100 : 1;
  const swelling = given(`${name}, dry to wet`, swellingPct.value / 100, '1', 'catalogue', `${swellingPct.low} to ${swellingPct.high} %`);
  const share = given(
    'Share with the seasons',
    (seasonSharePct.value / 100) * sealed * TAKES_IN[waterPassage],
    '1',
    'catalogue',
    sealed < 1 ? 'sealed' : 'bare face',
  );
  return { cause: 'season', likely: calculate(`${name}: with the seasons`, '1', swelling, '×', share), least: -1, most: 1 };
}

/** Pastes shrink as they dry and pull the top together. */
function filmSheets({ openCoats, catalogue }: StrainInputs): Sheet[] {
  return openCoats.flatMap(({ coatingId, filmMm }): Sheet[] => {
    const { name, pull, spread } = coatingBy(catalogue, coatingId);
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
