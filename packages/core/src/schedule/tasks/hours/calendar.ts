import type { Run } from '../../air';
import type { Calendar } from '../../../plan';

/** Hours of one weekday, in order; those that touch or overlap count once. @param weekday 1 Monday … 7 Sunday */
export function hoursOn(hours: Calendar['hours'], weekday: number): readonly Run[] {
  const own = hours.filter((h) => h.weekday === weekday).sort((a, b) => a.fromMin - b.fromMin);
  const merged: { fromMin: number; toMin: number }[] = [];
  for (const { fromMin, toMin } of own) {
    const last = merged.at(-1);
    if (last !== undefined && fromMin <= last.toMin) last.toMin = Math.max(last.toMin, toMin);
    else merged.push({ fromMin, toMin });
  }
  return merged;
}
