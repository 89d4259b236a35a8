import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { betterEvenings, planDays } from '@spare-acre/core/schedule/tasks';
import { brinefold } from '@spare-acre/core/demo';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { type Problem, type Progress, Placer, breachesOf, firstOrders, improved, networkOf } from '@spare-acre/core/schedule/solver';
import { chanceProblem, countedOut } from '@spare-acre/core/testing';
import { crowdedBoard } from './boards';
import { ms, timed } from './timed';

/** The search's answer after so long, the whole wait counted: orders by rule, bound and all. */
function searched(problem: Problem, forMs: number): Progress {
  const until = performance.now() + forMs;
  let last: Progress | null = null;
  for (const progress of improved(problem, 1)) {
    last = progress;
    if (performance.now() >= until) break;
  }
  return last!;
}
/** The best of single orders by rule, Infinity where none can be placed. */
function byRule(problem: Problem): number {
  const network = networkOf(problem);
  const placer = new Placer(problem, network);
  const outcomes = firstOrders(problem, network).map((order) => placer.place(order));
  return Math.min(...outcomes.map((outcome) => (outcome.ok ? outcome.throughMin : Infinity)));
}
const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

/** Workshops of a few tasks against every plan there is on a grid of ten minutes. */
export function countedRows(): string[][] {
  let [optimal, worse, none, missed, broken, open] = [0, 0, 0, 0, 0, 0];
  for (let seed = 1; seed <= 120; seed++) {
    // Without set-ups and air that changes: with them counting out takes an hour; tests count some of those.
    const problem = chanceProblem(seed, 1 + (seed % 3), 2 + (seed % 2), true, true);
    if (problem.jobs.length > 8) continue;
    const { best } = searched(problem, 400);
    const counted = countedOut(problem, best === null ? problem.horizonMin + 7_200 : best.throughMin - 5);
    if (best !== null && breachesOf(problem, best.placed).length > 0) broken++;
    if (counted === undefined) open++;
    else if (best === null && counted === null) none++;
    else if (best === null) missed++;
    else if (counted === null) optimal++;
    else worse++;
  }
  return [[optimal, worse, none, missed, broken, open].map(String)];
}

/** Larger workshops of chance, searched for a time. */
export function eveningRows(): string[][] {
  const rows: string[][] = [];
  for (const [workpieces, steps, forMs, count] of [
    [8, 25, 3_000, 10],
    [40, 20, 10_000, 3],
  ] as const) {
    let [gap, over, feasible, broken, possible] = [0, 0, 0, 0, 0];
    for (let seed = 1; seed <= count; seed++) {
      const problem = chanceProblem(1_000 + seed, workpieces, steps);
      const rule = byRule(problem);
      const { best, bound } = searched(problem, forMs);
      // One that no order can place and whose bound says so is none.
      if (best === null && !Number.isFinite(bound.throughMin)) continue;
      possible++;
      if (best === null) continue;
      feasible++;
      if (breachesOf(problem, best.placed).length > 0) broken++;
      gap += best.throughMin / bound.throughMin - 1;
      over += Math.min(1, rule / best.throughMin - 1);
    }
    rows.push([
      `${workpieces} workpieces × ${steps} steps, ${forMs / 1_000} s`,
      `${feasible} of ${possible}`,
      String(broken),
      percent(gap / feasible),
      percent(over / feasible),
    ]);
  }
  return rows;
}

/** What is planned at every change: the whole plan of evenings, from the steps on. */
export function quickRows(): string[][] {
  return [brinefold(catalogue), crowdedBoard()].map((plan) => {
    const { steps, spots } = derivePipeline()(plan, catalogue);
    // Another calendar each time: nothing of the last answer is left to use.
    const { median, p95 } = timed((round) => {
      const hours = plan.calendar.hours.map((own, i) => (i === 0 ? { ...own, toMin: own.toMin - (round % 20) } : own));
      planDays({ ...plan, calendar: { ...plan.calendar, hours }, doneTasks: {}, steps, spots, catalogue });
    });
    return [plan.name, String(steps.reduce((sum, { tasks }) => sum + tasks.length, 0)), ms(median), ms(p95)];
  });
}

/** A demo's own evenings. */
export function demoEvenings(): string[][] {
  const plan = brinefold(catalogue);
  const { steps, spots, days } = derivePipeline()(plan, catalogue);
  const rows = [['quick schedule', days.ready!.text, days.bound!.text]];
  const from = performance.now();
  const marks = [1_000, 5_000, 15_000];
  for (const { text, boundText, isProven } of betterEvenings(steps, { ...plan, doneTasks: {}, spots, catalogue }, plan.seed)) {
    if (performance.now() - from < marks[0]! && !isProven) continue;
    rows.push([`searched for ${marks.shift()! / 1_000} s`, text, boundText]);
    if (marks.length === 0 || isProven) break;
  }
  return rows;
}
