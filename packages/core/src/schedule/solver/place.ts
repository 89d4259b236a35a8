import { FreeTime } from './free-time';
import type { Network } from './network';
import {
  type Hold,
  type Job,
  type Link,
  type Placed,
  type Problem,
  SLACK_MIN,
  type Window,
  isStrict,
  isTooLong,
  sittingAt,
} from './problem';

/** What kept a job from starting earlier. @param by the job that did, −1 where none did */
export interface Reason {
  readonly kind: 'free' | 'wait' | 'hands' | 'hours' | 'store' | 'early' | 'pin' | 'follow';
  readonly by: number;
}
/** How a plan came out. */
export type Outcome =
  | { readonly ok: true; readonly throughMin: number }
  /** Job that found no time: none in all the time there is, or none that follows what it must follow. */
  | { readonly ok: false; readonly job: number; readonly why: 'no-time' | 'too-late' | 'pin' };

/** Attempts to bring jobs that must follow one another together before an order is given up. */
const MAX_ATTEMPTS = 240;

/**
 * Places jobs in an order, each at its earliest time: after all it comes after, when people who may are free together, within its hours, with room in its stores.
 * Jobs that must follow within a time are placed together; where one comes too late, the one it follows is held back.
 * @source serial schedule generation with unscheduling for longest waits: Neumann, Schwindt and Zimmermann, "Project Scheduling with Time Windows and Scarce Resources", 2003
 */
export class Placer {
  readonly startMin: Float64Array;
  readonly endMin: Float64Array;
  /** Of each job, the job that kept it from starting earlier and how. */
  readonly reasonKind: Reason['kind'][];
  readonly reasonBy: Int32Array;
  private readonly by: number[][];
  private readonly split: (readonly Window[] | null)[];
  private readonly free: readonly FreeTime[];
  /** What lies in each store, as it was put there; `until` is when the last of all up to each is gone. */
  private readonly held: readonly Held[];
  private readonly pinned: readonly number[];
  private readonly longestMin: readonly number[];
  private readonly leastMin: Float64Array;
  /** Who may do each job, those who are wanted least for other jobs first. */
  private readonly may: readonly (readonly number[])[];
  /** Of a job that takes several, who may do it together. */
  private readonly circles: readonly (readonly (readonly number[])[])[];
  private readonly isLong: Uint8Array;
  /** Jobs that a link gives a second chance: between the two times they may not begin. */
  private readonly hasGaps: Uint8Array;
  private readonly markSize: number;
  /** So much later a job may begin that someone else does instead of them: their time is kept for what nobody else may do. */
  private spareMin: readonly number[];
  /** Groups that stand, where everything stood before each, and when all is through after it. */
  private readonly stack: number[] = [];
  private readonly marks: number[] = [];
  private readonly throughs: number[] = [];
  private isBegun = false;
  /** Set-ups that stand, one after another: by whom, in which sitting, from when on it is done; and the one before of the same family. */
  private readonly sat: {
    readonly family: number;
    readonly person: number;
    readonly sitting: number;
    readonly endMin: number;
    readonly before: number;
  }[] = [];
  private readonly lastSat = new Map<number, number>();

  constructor(
    private problem: Problem,
    private network: Network,
  ) {
    const size = problem.jobs.length;
    this.startMin = new Float64Array(size);
    this.endMin = new Float64Array(size);
    this.leastMin = new Float64Array(size);
    this.reasonKind = Array.from({ length: size }, () => 'free' as const);
    this.reasonBy = new Int32Array(size).fill(-1);
    this.by = Array.from({ length: size }, () => []);
    this.split = Array.from({ length: size }, () => null);
    this.free = problem.people.map(({ windows }) => new FreeTime(windows));
    this.held = problem.stores.map(() => ({ from: [], to: [], until: [], amount: [], job: [] }));
    this.longestMin = this.free.map(({ longestMin }) => longestMin);
    this.may = mayInTurn(problem);
    this.circles = problem.jobs.map(({ hands }, job) => (hands === 1 ? [] : chosen(this.may[job]!, hands)));
    this.spareMin = problem.people.map(() => 0);
    this.isLong = Uint8Array.from(problem.jobs, (job) => Number(isTooLong(job, this.longestMin)));
    this.markSize = this.free.length + this.held.length + 1;
    this.hasGaps = Uint8Array.from(network.into, (own) =>
      Number(own.some(({ mostMin, orAfterMin }) => mostMin < Infinity && orAfterMin < Infinity)),
    );
    this.pinned = problem.jobs.flatMap(({ pinnedMin }, job) => (pinnedMin === null ? [] : [job]));
  }

  /** Takes the same jobs with other times: people, stores and who may do what are as they were. Nothing is placed after. */
  renew(problem: Problem, network: Network): void {
    [this.problem, this.network] = [problem, network];
    for (let job = 0; job < problem.jobs.length; job++) this.isLong[job] = Number(isTooLong(problem.jobs[job]!, this.longestMin));
    for (const held of this.held) keepFirst(held, 0);
    this.sat.length = this.stack.length = this.throughs.length = this.marks.length = 0;
    this.lastSat.clear();
    this.isBegun = false;
  }

  /**
   * What an order shares with the one before from its beginning on stays as it stands.
   * @param order of groups, each after those it comes after; @param enoughMin given up as soon as it is sure to be no earlier; @param spareMin of each person, how much later something may begin that another does
   */
  place(order: readonly number[], enoughMin = Infinity, spareMin = this.spareMin): Outcome {
    let same = 0;
    const isSame = spareMin.every((one, i) => one === this.spareMin[i]);
    this.spareMin = spareMin;
    while (isSame && same < this.stack.length && this.stack[same] === order[same]) same++;
    if (!this.isBegun) {
      for (const free of this.free) free.clear();
      // What is pinned takes its time first, whatever the order says.
      for (const job of this.pinned) if (!this.pin(job)) return { ok: false, job, why: 'pin' };
      this.isBegun = true;
    }
    if (same < this.stack.length) this.backTo(same * this.markSize);
    this.stack.length = this.throughs.length = same;
    this.marks.length = same * this.markSize;
    let throughMin = same === 0 ? 0 : this.throughs[same - 1]!;
    for (let at = same; at < order.length; at++) {
      const failed = this.push(order[at]!);
      if (failed !== null) return failed;
      throughMin = this.throughs.at(-1)!;
      for (const job of this.network.groups[order[at]!]!)
        if (this.endMin[job]! + this.network.tailMin[job]! > enoughMin) return { ok: true, throughMin: Infinity };
    }
    return { ok: true, throughMin };
  }
  /** Places one group more. @returns null, or what did not fit; nothing has changed then */
  push(group: number): Outcome | null {
    const jobs = this.network.groups[group]!;
    const mark = this.mark();
    const failed = jobs.length === 1 ? this.placeOne(jobs[0]!, 0) : this.placeTogether(jobs);
    if (failed !== null) {
      this.backTo(mark);
      this.marks.length = mark;
      return failed;
    }
    let throughMin = this.throughs.at(-1) ?? 0;
    for (const job of jobs)
      throughMin = Math.max(throughMin, this.problem.jobs[job]!.curePace.after(this.endMin[job]!, this.problem.jobs[job]!.cureMin));
    this.stack.push(group);
    this.throughs.push(throughMin);
    return null;
  }
  /** Where a group would come to stand, and how much of the free time round it would be too short for anything. @param shortMin what is shorter is wasted */
  peek(group: number, shortMin: number): { readonly startMin: number; readonly wastedMin: number } | null {
    const jobs = this.network.groups[group]!;
    const mark = this.mark();
    const failed = jobs.length === 1 ? this.placeOne(jobs[0]!, 0) : this.placeTogether(jobs);
    let wastedMin = 0;
    if (failed === null)
      for (const person of this.by[jobs.at(-1)!]!) {
        const free = this.free[person]!;
        const i = free.at(this.endMin[jobs.at(-1)!]!);
        const leftMin = i < free.from.length && free.from[i]! <= this.endMin[jobs.at(-1)!]! + SLACK_MIN ? free.to[i]! - free.from[i]! : 0;
        if (leftMin < shortMin) wastedMin += leftMin;
      }
    const startMin = this.startMin[jobs[0]!]!;
    this.backTo(mark);
    this.marks.length = mark;
    return failed === null ? { startMin, wastedMin } : null;
  }
  /** Remembers how everything stands. @returns where in the list of marks, to go back to it by */
  private mark(): number {
    const at = this.marks.length;
    for (const { mark } of this.free) this.marks.push(mark);
    for (const { from } of this.held) this.marks.push(from.length);
    this.marks.push(this.sat.length);
    return at;
  }
  private backTo(mark: number): void {
    let k = mark;
    for (const free of this.free) free.backTo(this.marks[k++]!);
    for (const held of this.held) {
      const length = this.marks[k++]!;
      if (held.from.length > length) keepFirst(held, length);
    }
    while (this.sat.length > this.marks[k]!) {
      const { family, before } = this.sat.pop()!;
      this.lastSat.set(family, before);
    }
  }

  /** The plan as it stands. */
  told(): readonly Placed[] {
    return this.problem.jobs.map((_, job) => {
      const [startMin, endMin] = [this.startMin[job]!, this.endMin[job]!];
      return { startMin, endMin, stretches: this.split[job] ?? [{ fromMin: startMin, toMin: endMin }], people: [...this.by[job]!] };
    });
  }

  private placeTogether(jobs: readonly number[]): Outcome | null {
    // Where everything stands was marked before the group.
    const before = this.marks.length - this.markSize;
    for (const job of jobs) this.leastMin[job] = 0;
    for (let attempt = 0; attempt < MAX_ATTEMPTS; attempt++) {
      let late: Link | null = null;
      for (const job of jobs) {
        const failed = this.placeOne(job, this.leastMin[job]!);
        if (failed !== null) return failed;
        late =
          this.network.into[job]!.find(
            (link) => isStrict(link) && this.startMin[job]! - this.endMin[link.from]! > link.mostMin + SLACK_MIN,
          ) ?? null;
        if (late !== null) break;
      }
      if (late === null) return null;
      // What it follows is held back by as much as it came too late.
      const { from, to, mostMin } = late;
      if (this.problem.jobs[from]!.pinnedMin !== null) return { ok: false, job: to, why: 'pin' };
      const shift = this.startMin[to]! - this.endMin[from]! - mostMin;
      this.leastMin[from] = Math.max(this.leastMin[from]!, this.startMin[from]! + shift);
      this.backTo(before);
    }
    return { ok: false, job: jobs.at(-1)!, why: 'too-late' };
  }

  /** Takes its time and its places for a job that is pinned; others make way. */
  private pin(job: number): boolean {
    const { workMin, setUpMin, pinnedMin, may, hands, holds } = this.problem.jobs[job]!;
    const [start, end] = [pinnedMin!, pinnedMin! + workMin + setUpMin];
    const could = may.filter(
      (person) =>
        !this.pinned.some(
          (other) =>
            other < job &&
            this.by[other]!.includes(person) &&
            this.startMin[other]! < end - SLACK_MIN &&
            this.endMin[other]! > start + SLACK_MIN,
        ),
    );
    if (could.length < hands) return false;
    // Those who are there anyway first.
    const isThere = (person: number): number => {
      const free = this.free[person]!;
      const i = free.at(start);
      return i < free.from.length && free.from[i]! <= start + SLACK_MIN && free.to[i]! >= end - SLACK_MIN ? 0 : 1;
    };
    this.by[job] = could.toSorted((a, b) => isThere(a) - isThere(b)).slice(0, hands);
    this.startMin[job] = start;
    this.endMin[job] = end;
    this.split[job] = null;
    for (const person of this.by[job]!) this.free[person]!.take(job, start, end);
    this.sit(job);
    for (const hold of holds) {
      if (this.roomAt(hold, start, end) !== null) return false;
      this.hold(job, hold);
    }
    return true;
  }

  private placeOne(job: number, leastMin: number): Outcome | null {
    const { notBeforeMin, pinnedMin } = this.problem.jobs[job]!;
    let [ready, kind, by] = [Math.max(notBeforeMin, leastMin), 'free' as Reason['kind'], -1];
    if (notBeforeMin > 0) kind = 'early';
    if (leastMin > notBeforeMin) kind = 'follow';
    for (const { from, leastMin: least, pace } of this.network.into[job]!) {
      const dryMin = pace.after(this.endMin[from]!, least);
      if (dryMin > ready) [ready, kind, by] = [dryMin, 'wait', from];
    }
    if (pinnedMin !== null) {
      // What it comes after must be done by then.
      const isKept =
        pinnedMin >= ready - SLACK_MIN && this.network.into[job]!.every((link) => this.gapStart(link, pinnedMin) <= pinnedMin + SLACK_MIN);
      this.reasonKind[job] = 'pin';
      this.reasonBy[job] = by;
      return isKept ? null : { ok: false, job, why: 'pin' };
    }
    for (let round = 0; ; round++) {
      const again = this.hasGaps[job] === 0 ? null : this.afterWindows(job, ready);
      if (again !== null) [ready, kind, by] = [again.readyMin, 'wait', again.by];
      if (!this.handsFor(job, ready)) return { ok: false, job, why: 'no-time' };
      const start = this.startMin[job]!;
      if (start > ready + SLACK_MIN) {
        const behind = this.behindOf(job, start);
        // That there was no room sent it past a sitting: the closed hours after are not what kept it.
        if (kind !== 'store' || behind[0] !== 'hours') [kind, by] = behind;
      }
      const blocked = this.roomFor(job);
      if (blocked !== null) {
        [ready, kind, by] = [blocked.freeMin, 'store', blocked.by];
        if (ready === Infinity) return { ok: false, job, why: 'no-time' };
        continue;
      }
      if (this.hasGaps[job] === 0 || this.afterWindows(job, start) === null) break;
      ready = start;
    }
    this.reasonKind[job] = kind;
    this.reasonBy[job] = by;
    this.book(job);
    return null;
  }

  /** The earliest start from a time on that a link with a second chance allows. */
  private gapStart({ from, leastMin, mostMin, orAfterMin, pace }: Link, startMin: number): number {
    const endMin = this.endMin[from]!;
    const dryMin = pace.after(endMin, leastMin);
    if (startMin < dryMin - SLACK_MIN) return dryMin;
    if (startMin - endMin <= mostMin + SLACK_MIN || orAfterMin === Infinity) return startMin;
    return Math.max(startMin, pace.after(endMin, orAfterMin));
  }
  private afterWindows(job: number, startMin: number): { readonly readyMin: number; readonly by: number } | null {
    let [readyMin, by] = [startMin, -1];
    for (const link of this.network.into[job]!) {
      const at = this.gapStart(link, readyMin);
      if (at > readyMin + SLACK_MIN) [readyMin, by] = [at, link.from];
    }
    return by < 0 ? null : { readyMin, by };
  }

  /** Finds people and time for a job, as early as it can be from a time on. */
  private handsFor(job: number, readyMin: number): boolean {
    const own = this.problem.jobs[job]!;
    const { hands } = own;
    const may = this.may[job]!;
    this.split[job] = null;
    let best = Infinity;
    if (hands === 1) {
      if (this.isLong[job] === 0) return this.alone(job, own, readyMin);
      for (const person of may) {
        const at = this.inStretches(own, person, readyMin, best);
        if (at === null || at.start >= best - SLACK_MIN) continue;
        best = at.start;
        this.by[job] = [person];
        this.startMin[job] = at.start;
        this.endMin[job] = at.end;
        this.split[job] = at.stretches;
      }
      return best < Infinity;
    }
    for (const people of this.circles[job]!) {
      const at = this.together(own, people, readyMin, best);
      if (at === null || at.start >= best - SLACK_MIN) continue;
      best = at.start;
      this.by[job] = [...people];
      this.startMin[job] = at.start;
      this.endMin[job] = at.end;
    }
    return best < Infinity;
  }

  /** When the first of those who may is free for all of a job, within its hours: nearly every job is one of these, so nothing is made anew here. */
  private alone(job: number, own: Job, readyMin: number): boolean {
    const { workMin, setUpMin, open } = own;
    let [best, least] = [Infinity, Infinity];
    let bestEnd = 0;
    let by = -1;
    for (const person of this.may[job]!) {
      const { from, to } = this.free[person]!;
      const spare = this.spareMin[person]!;
      let hour = open === null ? 0 : firstEnding(open, readyMin);
      for (let i = this.free[person]!.at(readyMin), start = readyMin; i < from.length;) {
        if (from[i]! > start) start = from[i]!;
        if (start + spare >= least - SLACK_MIN) break;
        if (to[i]! - start < workMin - SLACK_MIN) {
          i++;
          continue;
        }
        const needMin = setUpMin === 0 ? workMin : this.needMin(own, person, start);
        if (to[i]! - start < needMin - SLACK_MIN) {
          i++;
          continue;
        }
        if (open !== null) {
          while (hour < open.length && open[hour]!.toMin - Math.max(start, open[hour]!.fromMin) < needMin - SLACK_MIN) hour++;
          if (hour === open.length) break;
          if (open[hour]!.fromMin > start + SLACK_MIN) {
            start = open[hour]!.fromMin;
            while (i < to.length && to[i]! <= start + SLACK_MIN) i++;
            continue;
          }
        }
        least = start + spare;
        best = start;
        bestEnd = Math.min(to[i]!, start + needMin);
        by = person;
        break;
      }
    }
    if (by < 0) return false;
    const kept = this.by[job]!;
    kept.length = 1;
    kept[0] = by;
    this.startMin[job] = best;
    this.endMin[job] = bestEnd;
    return true;
  }

  /** When all of some people are free for all of a job, within its hours. */
  private together(own: Job, people: readonly number[], readyMin: number, before: number): Found | null {
    const { open } = own;
    let start = readyMin;
    let needMin = 0;
    const at = people.map((person) => this.free[person]!.at(start));
    let hour = open === null ? 0 : firstEnding(open, start);
    for (;;) {
      if (start >= before) return null;
      let until = Infinity;
      let isMoved = false;
      for (let k = 0; k < people.length && !isMoved; k++) {
        const free = this.free[people[k]!]!;
        for (; at[k]! < free.to.length; at[k]!++) {
          const from = Math.max(start, free.from[at[k]!]!);
          needMin = this.needMin(own, people[0]!, from);
          if (free.to[at[k]!]! - from >= needMin - SLACK_MIN) break;
        }
        if (at[k]! === free.to.length) return null;
        if (free.from[at[k]!]! > start + SLACK_MIN) [start, isMoved] = [free.from[at[k]!]!, true];
        until = Math.min(until, free.to[at[k]!]!);
      }
      if (isMoved) continue;
      if (open !== null) {
        while (hour < open.length && open[hour]!.toMin - Math.max(start, open[hour]!.fromMin) < needMin - SLACK_MIN) hour++;
        if (hour === open.length) return null;
        if (open[hour]!.fromMin > start + SLACK_MIN) {
          start = open[hour]!.fromMin;
          continue;
        }
      }
      return { start, end: Math.min(until, start + needMin), stretches: null };
    }
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

  /** Why no earlier: someone was busy until then, or nobody was there. */
  private behindOf(job: number, start: number): [Reason['kind'], number] {
    for (const person of this.by[job]!) {
      const free = this.free[person]!;
      const i = free.at(start);
      if (i < free.from.length && Math.abs(free.from[i]! - start) <= SLACK_MIN && free.behind[i]! >= 0) return ['hands', free.behind[i]!];
    }
    return ['hours', -1];
  }

  private roomFor(job: number): { readonly freeMin: number; readonly by: number } | null {
    const { holds } = this.problem.jobs[job]!;
    if (holds.length === 0) return null;
    let last: { readonly freeMin: number; readonly by: number } | null = null;
    for (const hold of holds) {
      const blocked = this.roomAt(hold, this.startMin[job]!, this.endMin[job]!);
      if (blocked !== null && (last === null || blocked.freeMin > last.freeMin)) last = blocked;
    }
    return last;
  }
  /** Null where there is room in a store for all of a hold; else when something that is in the way is gone. */
  private roomAt(
    { store, amount, afterMin, pace }: Hold,
    startMin: number,
    endMin: number,
  ): { readonly freeMin: number; readonly by: number } | null {
    const { from, to, until: goneBy, amount: taken, job } = this.held[store]!;
    const { capacity } = this.problem.stores[store]!;
    if (amount > capacity + SLACK_MIN) return { freeMin: Infinity, by: -1 };
    const [begin, until] = [startMin, pace.after(endMin, afterMin)];
    // All that was put there before has gone by then.
    let first = from.length;
    while (first > 0 && goneBy[first - 1]! > begin + SLACK_MIN) first--;
    let most = amount;
    for (let i = first; i < from.length; i++) if (from[i]! < until - SLACK_MIN && to[i]! > begin + SLACK_MIN) most += taken[i]!;
    if (most <= capacity + SLACK_MIN) return null;
    const there: number[] = [];
    for (let i = first; i < from.length; i++) if (from[i]! < until - SLACK_MIN && to[i]! > begin + SLACK_MIN) there.push(i);
    // It can only be too full where it begins or where something in between does.
    for (const at of [begin, ...there.map((i) => from[i]!)]) {
      if (at < begin) continue;
      let sum = amount;
      for (const i of there) if (from[i]! <= at + SLACK_MIN && to[i]! > at + SLACK_MIN) sum += taken[i]!;
      if (sum <= capacity + SLACK_MIN) continue;
      // Until the first of what is there goes, nothing changes.
      let [freeMin, by] = [Infinity, -1];
      for (const i of there)
        if (from[i]! <= at + SLACK_MIN && to[i]! > at + SLACK_MIN && to[i]! < freeMin) [freeMin, by] = [to[i]!, job[i]!];
      return { freeMin: Math.max(freeMin, begin + SLACK_MIN), by };
    }
    return null;
  }

  private book(job: number): void {
    const stretches = this.split[job] ?? null;
    for (const person of this.by[job]!) {
      if (stretches === null) this.free[person]!.take(job, this.startMin[job]!, this.endMin[job]!);
      else for (const { fromMin, toMin } of stretches) this.free[person]!.take(job, fromMin, toMin);
    }
    this.sit(job);
    for (const hold of this.problem.jobs[job]!.holds) this.hold(job, hold);
  }
  /** Set-up is done once a sitting by whoever comes first; a job that is broken off leaves none behind. */
  private sit(job: number): void {
    const { setUpMin, family } = this.problem.jobs[job]!;
    if (setUpMin === 0) return;
    const person = this.by[job]![0]!;
    const endMin = this.endMin[job]!;
    const sitting = sittingAt(this.problem.people[person]!.windows, endMin - 1e-3);
    this.sat.push({ family, person, sitting, endMin, before: this.lastSat.get(family) ?? -1 });
    this.lastSat.set(family, this.sat.length - 1);
  }
  private needMin({ workMin, setUpMin, family }: Job, person: number, startMin: number): number {
    if (setUpMin === 0) return workMin;
    const sitting = sittingAt(this.problem.people[person]!.windows, startMin);
    for (let k = this.lastSat.get(family) ?? -1; k >= 0 && sitting >= 0; k = this.sat[k]!.before) {
      const one = this.sat[k]!;
      if (one.person === person && one.sitting === sitting && one.endMin <= startMin + SLACK_MIN) return workMin;
    }
    return workMin + setUpMin;
  }
  private hold(job: number, { store, amount, afterMin, pace }: Hold): void {
    const held = this.held[store]!;
    const toMin = pace.after(this.endMin[job]!, afterMin);
    held.from.push(this.startMin[job]!);
    held.to.push(toMin);
    held.until.push(Math.max(held.until.at(-1) ?? -Infinity, toMin));
    held.amount.push(amount);
    held.job.push(job);
  }
}

interface Held {
  readonly from: number[];
  readonly to: number[];
  readonly until: number[];
  readonly amount: number[];
  readonly job: number[];
}
function keepFirst({ from, to, until, amount, job }: Held, count: number): void {
  from.length = to.length = until.length = amount.length = job.length = count;
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
