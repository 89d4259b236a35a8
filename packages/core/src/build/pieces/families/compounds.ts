import { type Result, ok } from '../../../base/result';
import { type FieldProblem, refused } from '../family';

/** How many of one sort a set may have: enough for a large table in short segments. */
export const WALLS_OF_A_SORT = { min: 0, max: 200 } as const;

/** A table walled in compounds: outside and from each other. */
export interface Compounds {
  readonly segmentMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly across: number;
  readonly deep: number;
  /** Of each compound, one of its segments is a gate so many times. */
  readonly gates: number;
}
export interface CountedWalls {
  readonly straights: number;
  readonly gates: number;
  readonly corners: number;
  readonly tees: number;
  readonly crosses: number;
}

/**
 * How many of each a modular set needs. Every knot of the walls, be it corner, T or cross, brings half a segment along each wall that meets there: a
 * wall of n segments from knot to knot takes n − 1 straight ones. Walls are whole segments long; what the table leaves over is left open.
 */
export function compoundWalls({ segmentMm, widthMm, depthMm, across, deep, gates }: Compounds): Result<CountedWalls, FieldProblem> {
  const [wide, long] = [Math.floor(widthMm / segmentMm + 1e-9), Math.floor(depthMm / segmentMm + 1e-9)];
  if (wide < across) return tooLong('across', wide, segmentMm);
  if (long < deep) return tooLong('deep', long, segmentMm);
  const [lengthwise, upright] = [deep + 1, across + 1];
  const runs = lengthwise * (wide - across) + upright * (long - deep);
  const walled = gates * across * deep;
  if (walled > runs)
    return refused('gates', `only ${runs} segments fit between knots. Enter ${Math.floor(runs / (across * deep))} in each`);
  const counted = {
    straights: runs - walled,
    gates: walled,
    corners: 4,
    tees: 2 * (across - 1) + 2 * (deep - 1),
    crosses: (across - 1) * (deep - 1),
  };
  const most = Math.max(...Object.values(counted));
  if (most > WALLS_OF_A_SORT.max)
    return refused('widthMm', `needs ${most} of one kind. Use longer segments or a smaller area (up to ${WALLS_OF_A_SORT.max} of a kind)`);
  return ok(counted);
}

const tooLong = (field: 'across' | 'deep', segments: number, segmentMm: number): Result<CountedWalls, FieldProblem> =>
  refused(field, `${segments} segments of ${segmentMm} mm fit. Enter up to ${Math.max(1, segments)}, or use shorter segments`);
