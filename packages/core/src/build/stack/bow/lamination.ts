import { type Figure, given, calculate, total } from '../../../base/units';

/** One layer of a laminate, or a part of one that strains apart from the rest; from the underside up. */
export interface Lamina {
  readonly name: string;
  readonly young: Figure<'MPa'>;
  readonly thickness: Figure<'mm'>;
  /** What it would lengthen by if it were free. */
  readonly strain: Figure<'1'>;
}
/** How a laminate resists, a mm of its width: against stretching, the two together, and against bending, about its underside. */
interface Resistance {
  readonly stretch: Figure<'N/mm'>;
  readonly both: Figure<'N'>;
  readonly bend: Figure<'N·mm'>;
}

const HALF = given('Half', 0.5, '1', 'definition');
const TWELFTH = given('A twelfth', 1 / 12, '1', 'definition');
const EIGHTH = given('An eighth', 1 / 8, '1', 'definition');
const ZERO_MM = given('Underside', 0, 'mm', 'definition');

/**
 * The curvature that the free strains of its layers give a laminate, in one direction: positive where the top grows longer, so that the middle rises.
 * @param laminae from the underside up, at least one
 * @source classical lamination: N = Σ E·t·(ε0 + κ·z − e) = 0 and M = Σ E·(t·z·(ε0 + κ·z − e) + κ·t³/12) = 0, solved for κ
 */
export function curvature(label: string, laminae: readonly Lamina[]): Figure<'1/mm'> {
  const places = placesOf(laminae);
  const { stretch, both, bend } = resistance(label, laminae, places);
  const pulls = laminae.flatMap(({ name, young, thickness, strain }, i) => {
    if (strain.value === 0) return [];
    const force = calculate(`${name}: force if held`, 'N/mm', calculate(`${name}: stiffness`, 'N/mm', young, '×', thickness), '×', strain);
    return [{ force, moment: calculate(`${name}: its moment`, 'N', force, '×', places[i]!) }];
  });
  const force = total(
    `${label}: all forces`,
    'N/mm',
    pulls.map((pull) => pull.force),
  );
  const moment = total(
    `${label}: all moments`,
    'N',
    pulls.map((pull) => pull.moment),
  );
  const top = calculate(
    `${label}: remaining bending moment`,
    'N²/mm',
    calculate('Stretch × moments', 'N²/mm', stretch, '×', moment),
    '−',
    calculate('Coupling × forces', 'N²/mm', both, '×', force),
  );
  return calculate(`${label}: curvature`, '1/mm', top, '÷', determinant(label, stretch, both, bend));
}

/** Rise of the middle over a span of even curvature. @source κ·L²/8 */
export function bowOver(label: string, curved: Figure<'1/mm'>, span: Figure<'mm'>): Figure<'mm'> {
  const squared = calculate('Span squared', 'mm²', span, '×', span);
  return calculate(label, 'mm', calculate('Curvature × span²', 'mm', curved, '×', squared), '×', EIGHTH);
}

/** How a mm of width resists bending when it is free to stretch: D − B² ÷ A. */
export function bendingStiffness(label: string, laminae: readonly Lamina[]): Figure<'N·mm'> {
  const { stretch, both, bend } = resistance(label, laminae, placesOf(laminae));
  const lost = calculate(`${label}: reduced by stretching`, 'N·mm', calculate('Coupling squared', 'N²', both, '×', both), '÷', stretch);
  return calculate(label, 'N·mm', bend, '−', lost);
}

const determinant = (label: string, stretch: Figure<'N/mm'>, both: Figure<'N'>, bend: Figure<'N·mm'>): Figure<'N²'> =>
  calculate(
    `${label}: resistance`,
    'N²',
    calculate('Stretch × bend', 'N²', stretch, '×', bend),
    '−',
    calculate('Coupling squared', 'N²', both, '×', both),
  );

/** The middle of each layer over the underside. */
function placesOf(laminae: readonly Lamina[]): readonly Figure<'mm'>[] {
  let under: Figure<'mm'> = ZERO_MM;
  return laminae.map(({ name, thickness }) => {
    const middle = calculate(`${name}: its middle`, 'mm', under, '+', calculate(`${name}: half of it`, 'mm', thickness, '×', HALF));
    under = calculate(`${name}: its top`, 'mm', under, '+', thickness);
    return middle;
  });
}

function resistance(label: string, laminae: readonly Lamina[], places: readonly Figure<'mm'>[]): Resistance {
  const rows = laminae.map(({ name, young, thickness }, i) => {
    const stretch = calculate(`${name}: stiffness`, 'N/mm', young, '×', thickness);
    const both = calculate(`${name}: stiffness × middle`, 'N', stretch, '×', places[i]!);
    const own = calculate(`${name}: t² ÷ 12`, 'mm²', calculate(`${name}: t²`, 'mm²', thickness, '×', thickness), '×', TWELFTH);
    const reach = calculate(`${name}: middle² + t² ÷ 12`, 'mm²', calculate('Middle²', 'mm²', places[i]!, '×', places[i]!), '+', own);
    return { stretch, both, bend: calculate(`${name}: in bending`, 'N·mm', stretch, '×', reach) };
  });
  return {
    stretch: total(
      `${label}: A`,
      'N/mm',
      rows.map(({ stretch }) => stretch),
    ),
    both: total(
      `${label}: B`,
      'N',
      rows.map(({ both }) => both),
    ),
    bend: total(
      `${label}: D`,
      'N·mm',
      rows.map(({ bend }) => bend),
    ),
  };
}
