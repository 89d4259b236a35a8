import type { HeightField } from '../ground';
import type { PlayRules } from '../../plan';
import { disc } from './grid';
import type { Levels } from './levels';

/** Where a base stands: its tilt at every cell, and whether it stays. */
export interface Standing {
  readonly tiltDeg: Float32Array;
  /** 1 where a base stands. */
  readonly stands: Uint8Array;
  /** Bases that stand side by side, by level. */
  readonly spots: readonly number[];
}

/** Ground under a base may lie off its plane by this. @source craft.md §2 */
const BUMP_MM = 1.5;
/** Angles that differ by less are the same: a slope of exactly the limit stands. */
const ANGLE_SLACK_DEG = 1e-3;

/** Tilt and bumps of the plane that fits the heights under a round base; whether a base stands there. @source craft.md §2 */
export function standsAt(
  field: HeightField,
  rules: PlayRules,
  cell: number,
  offsets = footprint(field, rules),
): { readonly tiltDeg: number; readonly stands: boolean } {
  const { cols, rows, cellMm, walkMm, topMm } = field;
  const [cx, cy] = [cell % cols, Math.floor(cell / cols)];
  let [sum, sumX, sumY, sumXX] = [0, 0, 0, 0];
  for (const [dx, dy] of offsets) {
    const [x, y] = [cx + dx, cy + dy];
    if (x < 0 || y < 0 || x >= cols || y >= rows) return { tiltDeg: 90, stands: false };
    const i = y * cols + x;
    const h = walkMm[i]!;
    if (topMm[i]! > h) return { tiltDeg: 90, stands: false };
    sum += h;
    sumX += dx * h;
    sumY += dy * h;
    sumXX += dx * dx;
  }
  // The disc is symmetric, so the least-squares plane splits into its mean and two slopes.
  const mean = sum / offsets.length;
  const [slopeX, slopeY] = sumXX === 0 ? [0, 0] : [sumX / sumXX, sumY / sumXX];
  const tiltDeg = (Math.atan(Math.hypot(slopeX, slopeY) / cellMm) * 180) / Math.PI;
  if (tiltDeg > rules.tiltDeg + ANGLE_SLACK_DEG) return { tiltDeg, stands: false };
  for (const [dx, dy] of offsets) {
    const off = walkMm[(cy + dy) * cols + cx + dx]! - (mean + slopeX * dx + slopeY * dy);
    if (Math.abs(off) > BUMP_MM + 1e-4) return { tiltDeg, stands: false };
  }
  return { tiltDeg, stands: true };
}

/** Cells under a base whose centre is at a cell's. */
const footprint = ({ cellMm }: HeightField, { baseMm }: PlayRules): readonly (readonly [number, number])[] => disc(baseMm / 2 / cellMm);

/** {@link standsAt} everywhere, and how many bases find room on each level. */
export function standingMap(field: HeightField, rules: PlayRules, { levels, of }: Levels): Standing {
  const { cols, rows } = field;
  const offsets = footprint(field, rules);
  const tiltDeg = new Float32Array(cols * rows);
  const stands = new Uint8Array(cols * rows);
  for (let cell = 0; cell < stands.length; cell++) {
    const at = standsAt(field, rules, cell, offsets);
    tiltDeg[cell] = at.tiltDeg;
    stands[cell] = Number(at.stands);
  }
  return { tiltDeg, stands, spots: spotsOn(stands, field, rules.baseMm, levels.length, of) };
}

/** Bases set down one after another from the back left, each a base's width clear of those before: what a hand would fit. */
function spotsOn(stands: Uint8Array, { cols, rows, cellMm }: HeightField, baseMm: number, levels: number, of: Int16Array): number[] {
  const taken = new Uint8Array(stands.length);
  const around = disc(baseMm / cellMm - 1e-6);
  const counts = Array<number>(levels).fill(0);
  for (let cell = 0; cell < stands.length; cell++) {
    if (stands[cell] === 0 || taken[cell] === 1 || of[cell]! < 0) continue;
    counts[of[cell]!] = counts[of[cell]!]! + 1;
    const [cx, cy] = [cell % cols, Math.floor(cell / cols)];
    for (const [dx, dy] of around) {
      const [x, y] = [cx + dx, cy + dy];
      if (x >= 0 && y >= 0 && x < cols && y < rows) taken[y * cols + x] = 1;
    }
  }
  return counts;
}
