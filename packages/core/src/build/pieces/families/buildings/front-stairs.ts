import type { Face } from '../../../shell';
import { levelFace } from '../../measures/enclosure';
import { rectangleRing } from '../../family';
import { type Front, STAIRS_IN_MM, LANDING_SHARE, BETWEEN_MM, BEHIND } from './front-settings';

/** Landings on alternate sides of the strip, as high as the lids, and a flight from each to the next. */
export function stairsOf(own: Front): { readonly landings: readonly Face[]; readonly flights: readonly Face[] } {
  if (!own.stairs) return { landings: [], flights: [] };
  const storey = own.heightMm / own.rows;
  const [left, right] = [own.widthMm - own.stairsMm + STAIRS_IN_MM, own.widthMm];
  const longMm = (right - left) * LANDING_SHARE;
  const deep = own.boxDeepMm * FLIGHT_SHARE;
  const upAt = (row: number): number => row * storey + BETWEEN_MM / 2 + own.boxHighMm;
  const landings = Array.from({ length: own.rows }, (_, row): Face => {
    const from = row % 2 === 0 ? left : right - longMm;
    return levelFace(
      { id: `landing-${row + 1}`, name: `Landing ${row + 1}`, role: 'plank', shows: { far: 'lids' } },
      rectangleRing(from, -deep, from + longMm, 0),
      upAt(row),
      'above',
      (i) => (i === BEHIND ? { joint: 'against', to: 'panel' } : { joint: 'free' }),
    );
  });
  const flights = Array.from({ length: own.rows - 1 }, (_, row): Face => {
    const isRight = row % 2 === 0;
    // From the middle of one landing to the middle of the next.
    const [a, b] = [left + longMm / 2, right - longMm / 2];
    const [low, high] = [upAt(row), upAt(row + 1)];
    const [x0, z0, x1, z1] = isRight ? [a, low, b, high] : [a, high, b, low];
    const ends = isRight ? [`landing-${row + 1}`, `landing-${row + 2}`] : [`landing-${row + 2}`, `landing-${row + 1}`];
    return {
      id: `flight-${row + 1}`,
      name: `Flight ${row + 1}`,
      role: 'plank',
      corners: [
        [x0, -deep, z0],
        [x1, -deep, z1],
        [x1, 0, z1],
        [x0, 0, z0],
      ],
      edges: [{ joint: 'free' }, { joint: 'against', to: ends[1]! }, { joint: 'against', to: 'panel' }, { joint: 'against', to: ends[0]! }],
      grows: 'in',
      shows: { drawn: 'lids' },
    };
  });
  return { landings, flights };
}
const FLIGHT_SHARE = 0.7;
