import { FreeTime } from './free-time';
import { Hands } from './hands';
import type { Network } from './network';
import { type Link, type Placed, type Problem, SLACK_MIN, type Window, isStrict } from './problem';
import { SetUps } from './set-ups';
import { type Blocked, StoreRoom } from './store-room';

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
  private readonly rooms: readonly StoreRoom[];
  private readonly pinned: readonly number[];
  private readonly leastMin: Float64Array;
  /** Jobs that a link gives a second chance: between the two times they may not begin. */
  private readonly hasGaps: Uint8Array;
  private readonly markSize: number;
  /** Groups that stand, where everything stood before each, and when all is through after it. */
  private readonly stack: number[] = [];
  private readonly marks: number[] = [];
  private readonly throughs: number[] = [];
  private isBegun = false;
  private readonly setUps = new SetUps((person) => this.problem.people[person]!.windows);
  private readonly hands: Hands;

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
    this.rooms = problem.stores.map(({ capacity }) => new StoreRoom(capacity));
    this.hands = new Hands(problem, this.free, this.setUps);
    this.markSize = this.free.length + this.rooms.length + 1;
    this.hasGaps = Uint8Array.from(network.into, (own) =>
      Number(own.some(({ mostMin, orAfterMin }) => mostMin < Infinity && orAfterMin < Infinity)),
    );
    this.pinned = problem.jobs.flatMap(({ pinnedMin }, job) => (pinnedMin === null ? [] : [job]));
  }

  /** Takes the same jobs with other times: people, stores and who may do what are as they were. Nothing is placed after. */
  renew(problem: Problem, network: Network): void {
    [this.problem, this.network] = [problem, network];
    this.hands.renew(problem);
    for (const room of this.rooms) room.keepFirst(0);
    this.setUps.keepFirst(0);
    this.stack.length = this.throughs.length = this.marks.length = 0;
    this.isBegun = false;
  }

  /**
   * What an order shares with the one before from its beginning on stays as it stands.
   * @param order of groups, each after those it comes after; @param enoughMin given up as soon as it is sure to be no earlier; @param spareMin of each person, how much later something may begin that another does
   */
  place(order: readonly number[], enoughMin = Infinity, spareMin = this.hands.spareMin): Outcome {
    const same = this.sharedWith(order, spareMin);
    this.hands.spareMin = spareMin;
    const stuck = this.isBegun ? -1 : this.begin();
    if (stuck >= 0) return { ok: false, job: stuck, why: 'pin' };
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
  /** How many groups of an order stand already as it wants them. */
  private sharedWith(order: readonly number[], spareMin: readonly number[]): number {
    if (spareMin.some((one, i) => one !== this.hands.spareMin[i])) return 0;
    let same = 0;
    while (same < this.stack.length && this.stack[same] === order[same]) same++;
    return same;
  }
  /** What is pinned takes its time first, whatever the order says. @returns the job that finds none, −1 where all do */
  private begin(): number {
    for (const free of this.free) free.clear();
    for (const job of this.pinned) if (!this.pin(job)) return job;
    this.isBegun = true;
    return -1;
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
    for (const { count } of this.rooms) this.marks.push(count);
    this.marks.push(this.setUps.count);
    return at;
  }
  private backTo(mark: number): void {
    let k = mark;
    for (const free of this.free) free.backTo(this.marks[k++]!);
    for (const room of this.rooms) room.keepFirst(this.marks[k++]!);
    this.setUps.keepFirst(this.marks[k]!);
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
    this.setUps.add(this.problem.jobs[job]!, this.by[job]![0]!, end);
    for (const hold of holds) {
      const room = this.rooms[hold.store]!;
      if (room.blockedFor(hold, start, end) !== null) return false;
      room.put(job, hold, start, end);
    }
    return true;
  }

  private placeOne(job: number, leastMin: number): Outcome | null {
    let { ready, kind, by } = this.readyFor(job, leastMin);
    if (this.problem.jobs[job]!.pinnedMin !== null) return this.keepPin(job, ready, by);
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

  /** From when on a job may be done by what it comes after, and what keeps it until then. */
  private readyFor(job: number, leastMin: number): { ready: number; kind: Reason['kind']; by: number } {
    const { notBeforeMin } = this.problem.jobs[job]!;
    let [ready, by] = [Math.max(notBeforeMin, leastMin), -1];
    let kind: Reason['kind'] = leastMin > notBeforeMin ? 'follow' : notBeforeMin > 0 ? 'early' : 'free';
    for (const { from, leastMin: least, pace } of this.network.into[job]!) {
      const dryMin = pace.after(this.endMin[from]!, least);
      if (dryMin > ready) [ready, kind, by] = [dryMin, 'wait', from];
    }
    return { ready, kind, by };
  }
  /** What a pinned job comes after must be done by then. */
  private keepPin(job: number, ready: number, by: number): Outcome | null {
    const pinnedMin = this.problem.jobs[job]!.pinnedMin!;
    const isKept =
      pinnedMin >= ready - SLACK_MIN && this.network.into[job]!.every((link) => this.gapStart(link, pinnedMin) <= pinnedMin + SLACK_MIN);
    this.reasonKind[job] = 'pin';
    this.reasonBy[job] = by;
    return isKept ? null : { ok: false, job, why: 'pin' };
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
    const { hands } = this;
    if (!hands.find(job, this.problem.jobs[job]!, readyMin)) return false;
    this.startMin[job] = hands.startMin;
    this.endMin[job] = hands.endMin;
    this.split[job] = hands.stretches;
    const kept = this.by[job]!;
    kept.length = 0;
    kept.push(...hands.people);
    return true;
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

  private roomFor(job: number): Blocked | null {
    let last: Blocked | null = null;
    for (const hold of this.problem.jobs[job]!.holds) {
      const blocked = this.rooms[hold.store]!.blockedFor(hold, this.startMin[job]!, this.endMin[job]!);
      if (blocked !== null && (last === null || blocked.freeMin > last.freeMin)) last = blocked;
    }
    return last;
  }

  private book(job: number): void {
    const stretches = this.split[job] ?? null;
    for (const person of this.by[job]!) {
      if (stretches === null) this.free[person]!.take(job, this.startMin[job]!, this.endMin[job]!);
      else for (const { fromMin, toMin } of stretches) this.free[person]!.take(job, fromMin, toMin);
    }
    const own = this.problem.jobs[job]!;
    this.setUps.add(own, this.by[job]![0]!, this.endMin[job]!);
    for (const hold of own.holds) this.rooms[hold.store]!.put(job, hold, this.startMin[job]!, this.endMin[job]!);
  }
}
