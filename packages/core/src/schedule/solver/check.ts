import { type Job, type Placed, type Problem, SLACK_MIN, type Window, isAllowed, isTooLong, sittingAt } from './problem';

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
  jobs.forEach((job, i) => {
    const own = placed[i]!;
    if (!isWorkDone(job, own, () => isSetUp(i))) tell('work', i);
    if (own.stretches.length > 1 && !isTooLong(job, longestMin)) tell('work', i);
    if (new Set(own.people).size !== job.hands || own.people.some((person) => !job.may.includes(person))) tell('person', i);
    if (own.startMin < job.notBeforeMin - SLACK_MIN) tell('early', i);
    if (job.pinnedMin !== null && Math.abs(own.startMin - job.pinnedMin) > SLACK_MIN) tell('pin', i);
    for (const code of hoursBroken(job, own, people)) tell(code, i);
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

/** All of a job is done, in stretches from its start to its end; without its set-up where whoever does it has set up before. */
function isWorkDone(job: Job, { startMin, endMin, stretches }: Placed, isSetUp: () => boolean): boolean {
  const done = stretches.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
  const isWhole = Math.abs(done - job.workMin - job.setUpMin) <= 1e-3 || (Math.abs(done - job.workMin) <= 1e-3 && isSetUp());
  return isWhole && stretches[0]?.fromMin === startMin && stretches.at(-1)?.toMin === endMin;
}
/** Stretches out of a job's own hours, or of those who do it. */
function hoursBroken(job: Job, { stretches, people: by }: Placed, people: Problem['people']): readonly 'hours'[] {
  return stretches.flatMap((stretch): 'hours'[] => [
    ...(job.open !== null && !liesIn(stretch, job.open) ? ['hours' as const] : []),
    // Who pins a task takes the time for it.
    ...(job.pinnedMin === null && by.some((person) => !liesIn(stretch, people[person]!.windows)) ? ['hours' as const] : []),
  ]);
}
const liesIn = (inner: Window, windows: readonly Window[]): boolean =>
  windows.some(({ fromMin, toMin }) => inner.fromMin >= fromMin - SLACK_MIN && inner.toMin <= toMin + SLACK_MIN);

/** When everything is through. */
export const throughOf = ({ jobs }: Problem, placed: readonly Placed[]): number =>
  placed.reduce((latest, { endMin }, i) => Math.max(latest, jobs[i]!.curePace.after(endMin, jobs[i]!.cureMin)), 0);
