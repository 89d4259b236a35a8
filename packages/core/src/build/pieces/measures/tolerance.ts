import type { Random } from '../../../base/random';

/**
 * How far the last of a row of squares strays when each is cut off by `errorMm` (one sigma) and laid against the one before: a running sum of errors that know
 * nothing of each other. Laid from a guide in the middle outwards, the worst run is half as long.
 * @returns one sigma, mm
 */
export const driftMm = (count: number, errorMm: number, from: 'edge' | 'middle'): number =>
  errorMm * Math.sqrt(from === 'edge' ? count : count / 2);

/** The same laid out so many times. @returns every end's stray, mm, the smallest first */
export function driftsOf(random: Random, count: number, errorMm: number, floors: number): readonly number[] {
  return Array.from({ length: floors }, () => {
    let strayMm = 0;
    for (let i = 0; i < count; i++) strayMm += errorMm * normal(random);
    return Math.abs(strayMm);
  }).sort((a, b) => a - b);
}
/** A normal deviate. @source Box and Muller */
const normal = (random: Random): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** A few per cent to spare, two at least. */
export const sparesFor = (count: number): number => Math.max(2, Math.ceil(count * 0.03));

/** How far a ring of walls fails to close, in degrees, when every mitre is off by so much: two of them a corner. @source craft.md §4 */
export const gapDeg = (sides: number, errorDeg: number): number => 2 * sides * errorDeg;
