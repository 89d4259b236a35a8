import { type Placed, type Problem, SLACK_MIN, isAllowed, isTooLong, sittingAt } from './problem';

/** A rule that a plan breaks. */
export interface Breach {
  readonly code: 'link' | 'hands' | 'person' | 'hours' | 'store' | 'early' | 'pin' | 'work';
  readonly job: number;
}

/** Whether a plan keeps every rule, asked rule by rule of the plan itself: it shares nothing with what made it. @returns what it breaks */
export function breachesOf({ people, stores, jobs, links }: Problem, placed: readonly Placed[]): readonly Breach[] {
  const breaches: Breach[] = [];
  const longestMin = people.map(({ windows }) => Math.max(0, ...windows.map(({ fromMin, toMin }) => toMin - fromMin)));
  const tell = (code: Breach['code'], job: number): number => breaches.push({ code, job });
  const lies = (inner: { fromMin: number; toMin: number }, windows: readonly { fromMin: number; toMin: number }[]): boolean =>
    windows.some(({ fromMin, toMin }) => inner.fromMin >= fromMin - SLACK_MIN && inner.toMin <= toMin + SLACK_MIN);
  jobs.forEach((job, i) => {
    const { startMin, endMin, stretches, people: by } = placed[i]!;
    const done = stretches.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
    const isWhole = Math.abs(done - job.workMin - job.setUpMin) <= 1e-3;
    if (
      (!isWhole && !(Math.abs(done - job.workMin) <= 1e-3 && isSetUp(i))) ||
      stretches[0]?.fromMin !== startMin ||
      stretches.at(-1)?.toMin !== endMin
    )
      tell('work', i);
    if (stretches.length > 1 && !isTooLong(job, longestMin)) tell('work', i);
    if (new Set(by).size !== job.hands || by.some((person) => !job.may.includes(person))) tell('person', i);
    if (startMin < job.notBeforeMin - SLACK_MIN) tell('early', i);
    if (job.pinnedMin !== null && Math.abs(startMin - job.pinnedMin) > SLACK_MIN) tell('pin', i);
    for (const stretch of stretches) {
      if (job.open !== null && !lies(stretch, job.open)) tell('hours', i);
      // Who pins a task takes the time for it.
      if (job.pinnedMin === null && by.some((person) => !lies(stretch, people[person]!.windows))) tell('hours', i);
    }
  });
  for (const link of links) if (!isAllowed(placed[link.from]!.endMin, placed[link.to]!.startMin, link)) tell('link', link.to);
  people.forEach((_, person) => {
    const own = placed
      .flatMap(({ people: by, stretches }, job) => (by.includes(person) ? stretches.map((stretch) => ({ ...stretch, job })) : []))
      .sort((a, b) => a.fromMin - b.fromMin);
    own.forEach((stretch, i) => i > 0 && stretch.fromMin < own[i - 1]!.toMin - SLACK_MIN && tell('hands', stretch.job));
  });
  stores.forEach(({ capacity }, store) => {
    const held = jobs.flatMap((job, i) =>
      job.holds
        .filter((hold) => hold.store === store)
        .map(({ amount, afterMin, pace }) => ({
          job: i,
          amount,
          fromMin: placed[i]!.startMin,
          toMin: pace.after(placed[i]!.endMin, afterMin),
        })),
    );
    for (const at of held) {
      const there = held.filter((one) => one.fromMin <= at.fromMin + SLACK_MIN && one.toMin > at.fromMin + SLACK_MIN);
      if (there.reduce((sum, { amount }) => sum + amount, 0) > capacity + SLACK_MIN) tell('store', at.job);
    }
  });
  return breaches;

  /** Whoever does it has set up for its family before in the same sitting. */
  function isSetUp(i: number): boolean {
    const { startMin, people: by } = placed[i]!;
    const who = by[0]!;
    const sitting = sittingAt(people[who]!.windows, startMin);
    return (
      sitting >= 0 &&
      jobs.some(
        ({ family }, other) =>
          other !== i &&
          family === jobs[i]!.family &&
          placed[other]?.people[0] === who &&
          placed[other].endMin <= startMin + SLACK_MIN &&
          sittingAt(people[who]!.windows, placed[other].endMin - 1e-3) === sitting,
      )
    );
  }
}

/** When everything is through. */
export const throughOf = ({ jobs }: Problem, placed: readonly Placed[]): number =>
  placed.reduce((latest, { endMin }, i) => Math.max(latest, jobs[i]!.curePace.after(endMin, jobs[i]!.cureMin)), 0);
