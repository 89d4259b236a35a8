import type { Ring } from '../../base/geometry';
import type { Opening } from '../shell';
import { rectangleRing } from './family';

/** Half the width of each of so many openings, spread evenly over a wall between two ends. */
export function spreadMm(count: number, lengthMm: number): readonly number[] {
  return Array.from({ length: count }, (_, i) => (lengthMm * (2 * i + 1)) / (2 * count));
}

export const doorAt = (id: string, name: string, middleMm: number, widthMm: number, heightMm: number): Opening => ({
  id,
  name,
  kind: 'door',
  ring: rectangleRing(middleMm - widthMm / 2, 0, middleMm + widthMm / 2, heightMm),
  onto: 0,
  isLined: true,
});
/** Where a window sits in its wall, and how large it is. */
interface WindowSize {
  readonly middleMm: number;
  readonly sillMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}
export const windowAt = (id: string, name: string, { middleMm, sillMm, widthMm, heightMm }: WindowSize): Opening => ({
  id,
  name,
  kind: 'window',
  ring: rectangleRing(middleMm - widthMm / 2, sillMm, middleMm + widthMm / 2, sillMm + heightMm),
  isLined: true,
});
/** A door with a round head: half a circle over upright sides. */
export function archedRing(middleMm: number, widthMm: number, heightMm: number, flats = 16): Ring {
  const radius = widthMm / 2;
  const springMm = heightMm - radius;
  return [
    { x: middleMm - radius, y: 0 },
    { x: middleMm + radius, y: 0 },
    ...Array.from({ length: flats + 1 }, (_, i) => ({
      x: middleMm + radius * Math.cos((Math.PI * i) / flats),
      y: springMm + radius * Math.sin((Math.PI * i) / flats),
    })),
  ];
}
