import { type Figure, given, calculate } from '../../base/units';
import type { Mix } from './mixes';

/** What is left in a tub: of the mix itself, or of one of its parts. */
export interface Tub {
  readonly partId: string | null;
  readonly leftMl: number;
}

/** How far what is left in a tub goes: "this much covers so much". Of a part, the other parts are there. */
export function coversWith(
  { name, volume, area, parts }: Pick<Mix, 'name' | 'volume' | 'area' | 'parts'>,
  { partId, leftMl }: Tub,
): Figure<'m²'> {
  const part = parts.find(({ stuffId }) => stuffId === partId);
  const needed = part?.volume ?? volume;
  const left = given(`${part?.name ?? name} left`, leftMl, 'ml', 'shelf');
  return calculate(`${left.label} covers`, 'm²', area, '×', calculate('Share of the needed amount', '1', left, '÷', needed));
}
