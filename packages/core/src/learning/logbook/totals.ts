import type { Unit } from '../../base/units';
import type { LogEntry } from './entry';

/** What was planned beside what it really was, over all entries that say both. */
export interface Total {
  readonly name: string;
  readonly unit: Unit;
  readonly planned: number;
  readonly real: number;
  readonly entries: number;
}
/** By what was logged: minutes of all tasks together, then each stuff by itself, the most logged first. */
export function totalsOf(entries: readonly LogEntry[]): readonly Total[] {
  const totals = new Map<string, Total>();
  for (const { name, unit, planned, real } of entries.flatMap(({ figures }) => figures)) {
    const own = unit === 'min' && name === 'Minutes' ? 'Total hands-on time' : name;
    const before = totals.get(`${own} ${unit}`) ?? { name: own, unit, planned: 0, real: 0, entries: 0 };
    totals.set(`${own} ${unit}`, { ...before, planned: before.planned + planned, real: before.real + real, entries: before.entries + 1 });
  }
  return [...totals.values()].sort((a, b) => b.entries - a.entries);
}
