import type { AirAt } from '../air';
import { rounded } from '../../base/rounding';
import { LIMITS } from '../../plan/fields';
import type { DryingPlaces } from './spots';

/** The air in which a workpiece dries at a time, as it would be noted: tenths of a degree, whole per cents. @param workpieceId null: where the board dries as a rule @param atMin minutes since midnight before the first day */
export function notedAir({ usual, at }: DryingPlaces, workpieceId: string | null, atMin: number): AirAt {
  const { airC, humidityPct } = (workpieceId === null ? usual : at(workpieceId)).course.at(atMin);
  return { airC: rounded(within(airC, LIMITS.airC), 1), humidityPct: rounded(within(humidityPct, LIMITS.humidityPct), 0) };
}
const within = (value: number, { min, max }: { readonly min: number; readonly max: number }): number => Math.min(max, Math.max(min, value));
