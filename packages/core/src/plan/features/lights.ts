import { type Strip, stripLengthMm } from '../shapes';
import { type Battery, type Catalogue, batteryBy, estimated, lampBy } from '../../catalogue';
import { type Figure, given, calculate } from '../../base/units';

/** What of a run of small lights has to do with its wiring. */
export interface Light {
  readonly name: string;
  readonly shape: Strip;
  readonly grooveMm: number;
  readonly lamps: number;
  readonly batteryId: string;
  readonly lampId: string;
}

/** Room round a battery box so that it lifts out, mm on each side. */
const POCKET_SLACK_MM = 1.5;

/** The pocket a battery box needs: its footprint with slack, and its height. */
export function pocketOf(battery: Battery): { readonly widthMm: number; readonly depthMm: number; readonly deepMm: number } {
  return { widthMm: battery.widthMm + 2 * POCKET_SLACK_MM, depthMm: battery.depthMm + 2 * POCKET_SLACK_MM, deepMm: battery.heightMm };
}

/** Depths that a run of small lights takes out of the ground, each with the foam it leaves. */
export function grooveDepths(
  light: Light,
  ground: Figure<'mm'>,
  catalogue: Catalogue,
): { readonly underGroove: Figure<'mm'>; readonly underPocket: Figure<'mm'> } {
  const battery = batteryBy(catalogue, light.batteryId);
  return {
    underGroove: calculate('Foam under the groove', 'mm', ground, '−', given(`${light.name}, groove depth`, light.grooveMm, 'mm', 'plan')),
    underPocket: calculate(
      'Foam under the battery box',
      'mm',
      ground,
      '−',
      given(`${battery.name}, height`, battery.heightMm, 'mm', 'catalogue'),
    ),
  };
}

/**
 * What a run of small lights measures and needs. Lamps stand in parallel, each with a resistor of its own.
 * @source craft.md §14: R = (V − Vf) / I; run time = capacity ÷ total current
 */
export function lightFigures(light: Light, ground: Figure<'mm'>, catalogue: Catalogue): Figure[] {
  const battery = batteryBy(catalogue, light.batteryId);
  const lamp = lampBy(catalogue, light.lampId);
  const length = given('Cable groove', stripLengthMm(light.shape), 'mm', 'drawing', 'along the middle line, bends rounded');
  const { underGroove, underPocket } = grooveDepths(light, ground, catalogue);
  const spare = calculate(
    'Volts over',
    'V',
    given(battery.name, battery.volts, 'V', 'catalogue'),
    '−',
    given(`${lamp.name} takes`, lamp.volts, 'V', 'catalogue'),
  );
  const current = given(`${lamp.name} draws`, lamp.milliamps / 1_000, 'A', 'catalogue', `${lamp.milliamps} mA`);
  const all = calculate('Current of all lamps', 'A', given('Lamps', light.lamps, '1', 'plan'), '×', current);
  const milliampHours = estimated('Battery capacity, mAh', battery.mAh, '1');
  const capacity = calculate('Battery capacity', 'A·h', given('A·h in a mAh', 0.001, 'A·h', 'definition'), '×', milliampHours);
  const figures: Figure[] = [length, underGroove, underPocket];
  if (spare.value > 0) figures.push(calculate('Resistor at each lamp', 'Ω', spare, '÷', current));
  figures.push(calculate('Runs for', 'h', capacity, '÷', all));
  return figures;
}
