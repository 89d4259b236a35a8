import { Placer, networkOf, orderBy } from '../solver';
import type { Redrawn } from '../../learning/uncertainty';
import type { Bench } from './hours/bench';
import type { Days } from './days';
import { workOf } from './problem';
import type { Step } from './step';

/**
 * When a board is ready with work and waits drawn again, chance by chance: tasks keep their turns, and find their times anew.
 * @returns for a chance by its number, minutes since midnight before the first day, Infinity where it leaves no plan; null for a board that has no date
 */
export function readyIn(
  { steps, days, ...bench }: Bench & { readonly steps: readonly Step[]; readonly days: Days },
  redrawn: Redrawn,
): ((chance: number) => number) | null {
  if (days.ready === null) return null;
  const { open, problem, problemWith } = workOf(steps, bench, days.relaxed);
  const doneMin = days.slots.reduce((most, { because, curedMin }) => (because.kind === 'done' ? Math.max(most, curedMin) : most), 0);
  const startOf = new Map(days.slots.map(({ task, startMin }) => [task.id, startMin]));
  const network = networkOf(problem);
  const order = orderBy(
    network.groups.map((group) => -Math.min(...group.map((job) => startOf.get(open[job]!.id) ?? Infinity))),
    network,
  );
  const spareMin = bench.people.map(({ id }) => bench.calendar.spared.find(({ personId }) => personId === id)?.spareMin ?? 0);
  // Links stand in the same order whatever their waits.
  const indexOf = new Map(problem.links.map((link, i) => [link, i]));
  const into = network.into.map((own) => own.map((link) => indexOf.get(link)!));
  const placer = new Placer(problem, network);
  return (chance) => {
    const drawn = problemWith((figure) => {
      const own = redrawn.of(figure);
      return typeof own === 'number' ? own : own[chance]!;
    });
    placer.renew(drawn, { ...network, into: into.map((own) => own.map((i) => drawn.links[i]!)) });
    const outcome = placer.place(order, Infinity, spareMin);
    return outcome.ok ? Math.max(doneMin, outcome.throughMin) : Infinity;
  };
}
