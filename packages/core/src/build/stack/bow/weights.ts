import { type BowInputs, largestTile } from './bow';
import { type Catalogue, adhesiveBy, estimated, materialBy } from '../../../catalogue';
import { type Figure, given, calculate } from '../../../base/units';
import { type Lamina, bendingStiffness, bowOver, curvature } from './lamination';
import type { GroundStack } from '../stack';
import { takenUp } from './strains';

/** What has to lie on the largest tile while its glue sets. */
export interface WeightNeed {
  /** How far the lowest board would bow in the water of its glue before it has set, if nothing held it. */
  readonly wetBow: Figure<'mm'>;
  readonly mass: Figure<'kg'>;
  /** So many of the builder's weights. */
  readonly pieces: Figure<'1'>;
}

const STRIP = given('384 ÷ 5', 384 / 5, '1', 'definition', 'a strip under an even load, supported at its ends');
const NONE = given('No strain', 0, '1', 'definition');
const MPA_PER_KPA = 0.001;

type WeightInputs = Pick<BowInputs, 'tiles' | 'base' | 'joints' | 'catalogue'>;

/**
 * Weights while gluing: enough to close the joint, and enough to press the lowest board flat, which its wet face bends before the glue has set.
 * @returns null where nothing is glued to the ground, or there is no ground
 * @source even load on a strip that lies on its ends: δ = 5·q·L⁴ ÷ (384·E·I), so q = 384·E·I·δ ÷ (5·L⁴)
 */
export function weightsFor({ tiles, base, joints: all, catalogue }: WeightInputs): WeightNeed | null {
  const joints = all.filter(({ place }) => place.part === 'ground');
  if (joints.length === 0 || tiles.length === 0) return null;
  const { spanMm, widthMm } = largestTile(tiles);
  const span = given('Longer side of the largest tile', spanMm, 'mm', 'plan');
  const board = wetBoard({ base, joints }, catalogue);
  const rise = bowOver('Bow while wet', curvature('Lowest board', board), span);
  const wetBow = calculate(
    'Bow while wet, without weights',
    'mm',
    rise,
    'or, if larger,',
    calculate('Either way', 'mm', given('Flat', 0, 'mm', 'definition'), '−', rise),
  );
  const squared = calculate('Span squared', 'mm²', span, '×', span);
  const load = calculate('Stiffness × bow', 'N·mm²', bendingStiffness('Lowest board in bending', board), '×', wetBow);
  const overSpan = calculate('Divided by the span', 'MPa', load, '÷', calculate('Span to the fourth', 'mm⁴', squared, '×', squared));
  const flattening = calculate('Pressure to press it flat', 'MPa', overSpan, '×', STRIP);
  const pressure = calculate('Pressure', 'MPa', closingPressure({ joints }, catalogue), 'or, if larger,', flattening);
  const area = given('Face of the largest tile', spanMm * widthMm, 'mm²', 'drawing');
  const force = calculate('Force on the tile', 'N', pressure, '×', area);
  const mass = calculate('Weights per tile', 'kg', force, '÷', given('Force of one kilogram', 9.81, 'N/kg', 'definition'));
  return { wetBow, mass, pieces: calculate('Weights', '1', mass, '⌈÷⌉', estimated('One weight', catalogue.bench.weightKg, 'kg')) };
}

/** The lowest board with the skin of its glued face apart, swollen by the glue. */
function wetBoard({ base, joints }: Pick<GroundStack, 'base' | 'joints'>, catalogue: Catalogue): readonly Lamina[] {
  const [board] = base;
  const { name, youngMPa, swellingPct } = materialBy(catalogue, board!.materialId);
  const young = estimated(`${name}, E`, youngMPa, 'MPa');
  const lamina = (what: string, thickMm: number, strain: Figure<'1'>): Lamina => ({
    name: what,
    young,
    thickness: given(`${what}, thickness`, thickMm, 'mm', 'plan'),
    strain,
  });
  const skinMm = Math.min(catalogue.bench.wetSkinMm.value, board!.thicknessMm / 2);
  const taken =
    swellingPct.value === 0
      ? null
      : takenUp(
          { layer: board!, side: 'top', skinMm },
          joints.find(({ place }) => place.part === 'ground')!,
          catalogue,
        );
  if (taken === null) return [lamina(name, board!.thicknessMm, NONE)];
  const swelling = given(`${name}, dry to wet`, swellingPct.value / 100, '1', 'catalogue', `${swellingPct.low} to ${swellingPct.high} %`);
  return [
    lamina(`${name}, rest`, board!.thicknessMm - skinMm, NONE),
    lamina(`${name}, wet skin`, skinMm, calculate(`${name}: swells by`, '1', swelling, '×', taken)),
  ];
}

/** The most that any adhesive of the ground asks for. */
function closingPressure({ joints }: Pick<GroundStack, 'joints'>, catalogue: Catalogue): Figure<'MPa'> {
  return joints
    .filter(({ place }) => place.part === 'ground')
    .map(({ adhesiveId }) => adhesiveBy(catalogue, adhesiveId))
    .map(({ name, pressKPa: { value, low, high, origin } }) =>
      given(`${name}, pressure`, value * MPA_PER_KPA, 'MPa', 'catalogue', `${origin}, ${low} to ${high} kPa`),
    )
    .reduce((a, b) => (b.value > a.value ? b : a));
}
