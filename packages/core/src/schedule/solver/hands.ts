import type { FreeTime } from './free-time';
import { type Job, type Problem, SLACK_MIN, type Window, isTooLong } from './problem';
import type { SetUps } from './set-ups';

/** Finds who does a job and when, as early as it can be: what it found last stands in its fields. */
export class Hands {
  startMin = 0;
  endMin = 0;
  people: readonly number[] = [];
  stretches: readonly Window[] | null = null;
  /** So much later a job may begin that someone else does instead of them: their time is kept for what nobody else may do. */
  spareMin: readonly number[];
  /** Who may do each job, those who are wanted least for other jobs first. */
  private readonly may: readonly (readonly number[])[];
  /** Of a job that takes several, who may do it together. */
  private readonly circles: readonly (readonly (readonly number[])[])[];
  private readonly longestMin: readonly number[];
  private readonly isLong: Uint8Array;
  private readonly one = [0];
  /** Of what {@link firstFree} found last, when it ends. */
  private freeEnd = 0;

  constructor(
    problem: Problem,
    private readonly free: readonly FreeTime[],
    private readonly setUps: SetUps,
  ) {
    this.spareMin = problem.people.map(() => 0);
    this.longestMin = free.map(({ longestMin }) => longestMin);
    this.may = mayInTurn(problem);
    this.circles = problem.jobs.map(({ hands }, job) => (hands === 1 ? [] : chosen(this.may[job]!, hands)));
    this.isLong = new Uint8Array(problem.jobs.length);
    this.renew(problem);
  }
  /** Takes the same jobs with other times. */
  renew({ jobs }: Problem): void {
    for (let job = 0; job < jobs.length; job++) this.isLong[job] = Number(isTooLong(jobs[job]!, this.longestMin));
  }

  /** @returns whether anybody ever has the time */
  find(job: number, own: Job, readyMin: number): boolean {
    if (own.hands === 1 && this.isLong[job] === 0) return this.alone(job, own, readyMin);
    let best = Infinity;
    const circles = own.hands === 1 ? this.may[job]!.map((person) => [person]) : this.circles[job]!;
    for (const people of circles) {
      const at = own.hands === 1 ? this.inStretches(own, people[0]!, readyMin, best) : this.together(own, people, readyMin, best);
      if (at === null || at.start >= best - SLACK_MIN) continue;
      best = at.start;
      this.found(people, at.start, at.end, at.stretches);
    }
    return best < Infinity;
  }
  private found(people: readonly number[], startMin: number, endMin: number, stretches: Hands['stretches']): true {
    [this.people, this.startMin, this.endMin, this.stretches] = [people, startMin, endMin, stretches];
    return true;
  }

  /** When the first of those who may is free for all of a job, within its hours: nearly every job is one of these, so nothing is made anew here. */
  private alone(job: number, own: Job, readyMin: number): boolean {
    let [best, bestEnd, least, by] = [Infinity, 0, Infinity, -1];
    for (const person of this.may[job]!) {
      const spare = this.spareMin[person]!;
      const start = this.firstFree(own, person, readyMin, least - spare);
      if (start < 0) continue;
      least = start + spare;
      best = start;
      bestEnd = this.freeEnd;
      by = person;
    }
    if (by < 0) return false;
    this.one[0] = by;
    return this.found(this.one, best, bestEnd, null);
  }
  /** When somebody is free for all of a job, within its hours; −1 for not before a time. */
  private firstFree(own: Job, person: number, readyMin: number, before: number): number {
    const { workMin, setUpMin, open } = own;
    const { from, to } = this.free[person]!;
    let hour = open === null ? 0 : firstEnding(open, readyMin);
    for (let i = this.free[person]!.at(readyMin), start = readyMin; i < from.length;) {
      if (from[i]! > start) start = from[i]!;
      if (start >= before - SLACK_MIN) return -1;
      const needMin = setUpMin === 0 || to[i]! - start < workMin - SLACK_MIN ? workMin : this.setUps.needMin(own, person, start);
      if (to[i]! - start < needMin - SLACK_MIN) {
        i++;
        continue;
      }
      if (open !== null) {
        hour = hourFor(open, hour, start, needMin);
        if (hour === open.length) return -1;
        if (open[hour]!.fromMin > start + SLACK_MIN) {
          start = open[hour]!.fromMin;
          while (i < to.length && to[i]! <= start + SLACK_MIN) i++;
          continue;
        }
      }
      this.freeEnd = Math.min(to[i]!, start + needMin);
      return start;
    }
    return -1;
  }

  /** When all of some people are free for all of a job, within its hours. */
  private together(own: Job, people: readonly number[], readyMin: number, before: number): Found | null {
    const { open } = own;
    let start = readyMin;
    const at = people.map((person) => this.free[person]!.at(start));
    let hour = open === null ? 0 : firstEnding(open, start);
    while (start < before) {
      const common = this.commonFree(own, people, at, start);
      if (common === null) return null;
      if (common.startMin > start + SLACK_MIN) {
        start = common.startMin;
        continue;
      }
      const { needMin } = common;
      if (open !== null) {
        hour = hourFor(open, hour, start, needMin);
        if (hour === open.length) return null;
        if (open[hour]!.fromMin > start + SLACK_MIN) {
          start = open[hour]!.fromMin;
          continue;
        }
      }
      return { start, end: Math.min(common.untilMin, start + needMin), stretches: null };
    }
    return null;
  }
  /** From when on, and until when, all of some people may be free for a job: later than asked where one of them is not there yet. @param at of each, the free time looked at, moved on */
  private commonFree(own: Job, people: readonly number[], at: number[], startMin: number): CommonFree | null {
    let [untilMin, needMin] = [Infinity, 0];
    for (const [k, person] of people.entries()) {
      const { from, to } = this.free[person]!;
      for (; at[k]! < to.length; at[k]!++) {
        const begin = Math.max(startMin, from[at[k]!]!);
        needMin = this.setUps.needMin(own, people[0]!, begin);
        if (to[at[k]!]! - begin >= needMin - SLACK_MIN) break;
      }
      if (at[k]! === to.length) return null;
      untilMin = Math.min(untilMin, to[at[k]!]!);
      if (from[at[k]!]! > startMin + SLACK_MIN) return { startMin: from[at[k]!]!, untilMin, needMin };
    }
    return { startMin, untilMin, needMin };
  }

  /** A job that is longer than any evening is broken off wherever free time ends. */
  private inStretches({ workMin, setUpMin, open }: Job, person: number, readyMin: number, before: number): Found | null {
    const free = this.free[person]!;
    const stretches: Window[] = [];
    let left = workMin + setUpMin;
    let hour = open === null ? 0 : firstEnding(open, readyMin);
    for (let i = free.at(readyMin); left > SLACK_MIN;) {
      if (i === free.from.length) return null;
      let from = Math.max(free.from[i]!, readyMin);
      let to = free.to[i]!;
      if (open !== null) {
        while (hour < open.length && open[hour]!.toMin <= from + SLACK_MIN) hour++;
        if (hour === open.length) return null;
        [from, to] = [Math.max(from, open[hour]!.fromMin), Math.min(to, open[hour]!.toMin)];
      }
      if (stretches.length === 0 && from >= before) return null;
      to = Math.min(to, from + left);
      if (to - from > SLACK_MIN) {
        stretches.push({ fromMin: from, toMin: to });
        left -= to - from;
      }
      if (open !== null && hour < open.length && open[hour]!.toMin < free.to[i]! - SLACK_MIN) hour++;
      else i++;
    }
    return { start: stretches[0]!.fromMin, end: stretches.at(-1)!.toMin, stretches: stretches.length > 1 ? stretches : null };
  }
}

interface CommonFree {
  readonly startMin: number;
  readonly untilMin: number;
  readonly needMin: number;
}
interface Found {
  readonly start: number;
  readonly end: number;
  readonly stretches: readonly Window[] | null;
}

/** Of two who could begin at the same time the one whose time fewer jobs want. */
function mayInTurn({ people, jobs }: Problem): readonly (readonly number[])[] {
  const wanted = people.map(({ windows }, person) => {
    const all = windows.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
    return (
      jobs.reduce((sum, { may, workMin, hands }) => sum + (may.includes(person) ? (workMin * hands) / may.length : 0), 0) / Math.max(1, all)
    );
  });
  return jobs.map(({ may }) => may.toSorted((a, b) => wanted[a]! - wanted[b]!));
}

/** All ways to choose so many of a few. */
function chosen(from: readonly number[], count: number): readonly (readonly number[])[] {
  if (count === 0) return [[]];
  return from.flatMap((one, i) => chosen(from.slice(i + 1), count - 1).map((rest) => [one, ...rest]));
}
/** The first of a job's hours from one on that holds all of it, begun no earlier than then. */
function hourFor(open: readonly Window[], from: number, startMin: number, needMin: number): number {
  let hour = from;
  while (hour < open.length && open[hour]!.toMin - Math.max(startMin, open[hour]!.fromMin) < needMin - SLACK_MIN) hour++;
  return hour;
}
function firstEnding(windows: readonly Window[], timeMin: number): number {
  let low = 0;
  let high = windows.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (windows[middle]!.toMin > timeMin + SLACK_MIN) high = middle;
    else low = middle + 1;
  }
  return low;
}
