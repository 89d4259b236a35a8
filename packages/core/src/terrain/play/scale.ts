import { type Catalogue, estimated } from '../../catalogue';
import { type Figure, given, calculate } from '../../base/units';

/** A real thing drawn at the board's scale, mm on the table. */
export interface Yardstick {
  readonly id: string;
  readonly name: string;
  readonly form: 'person' | 'door' | 'step' | 'post';
  readonly tall: Figure<'mm'>;
  readonly wide: Figure<'mm'>;
}

/** How many times smaller than life: a person's height over the figure's. @source craft.md §5, 28 mm near 1:59, 15 mm near 1:110 */
export function scaleOf(figureHeightMm: number, catalogue: Catalogue): Figure<'1'> {
  const person = estimated('A person', catalogue.bench.personMm, 'mm');
  return calculate('Scale, 1 to', '1', person, '÷', given('Figure height', figureHeightMm, 'mm', 'plan'));
}

/** A real size on the table. */
export const onTable = (realMm: number, scale: Figure<'1'>): Figure<'mm'> =>
  calculate('On the table', 'mm', given('In real life', realMm, 'mm', 'plan'), '÷', scale);
/** A size on the table in real life. */
export const realSize = (tableMm: number, scale: Figure<'1'>): Figure<'mm'> =>
  calculate('In real life', 'mm', given('On the table', tableMm, 'mm', 'plan'), '×', scale);

/** A person, door, step and lamp post at the board's scale. */
export function yardsticks(figureHeightMm: number, catalogue: Catalogue): readonly Yardstick[] {
  const scale = scaleOf(figureHeightMm, catalogue);
  const scaled = (label: string, mm: number): Figure<'mm'> =>
    calculate(label, 'mm', given(`${label} in real life`, mm, 'mm', 'catalogue'), '÷', scale);
  return catalogue.yardsticks.map(({ id, name, form, tallMm, wideMm }) => ({
    id,
    name,
    form,
    tall: scaled(`${name}, height`, tallMm),
    wide: scaled(`${name}, width`, wideMm),
  }));
}
