import { listedBy } from '../base/grouping';
import type { Derivation } from './derive';

/** When each thing is first worked with, in minutes from midnight of the first day, by its id in the catalogue; nothing for what no task names. */
export function neededAt({ steps, days }: Pick<Derivation, 'steps' | 'days'>): ReadonlyMap<string, number> {
  const begins = new Map<string, number>();
  for (const { task, startMin } of days.slots) begins.set(task.id, Math.min(startMin, begins.get(task.id) ?? Infinity));
  const all = steps.flatMap(({ asks, tasks }) =>
    tasks.flatMap(({ id }) => asks.stockIds.map((stockId) => ({ stockId, startMin: begins.get(id) ?? Infinity }))),
  );
  return new Map([...listedBy(all, ({ stockId }) => stockId)].map(([id, own]) => [id, Math.min(...own.map(({ startMin }) => startMin))]));
}
