import { type Network, inOrder } from './network';
import { type Problem, type Window, SLACK_MIN, isTooLong } from './problem';

/** A time that no plan can beat, and what says so. */
export interface Bound {
  readonly throughMin: number;
  readonly by: 'chain' | 'hands' | 'store' | 'none';
}

/**
 * No plan is through before the longest chain through the hours of those who may do it. Beyond that a time is out of reach if, to be through by then, some jobs that cannot
 * begin before one moment and must have ended by another ask more of the hands or of a store than there is in between; the first time that is not shown so is found by halving.
 * @param withinMin when some plan is through, Infinity where none is known
 * @source destructive bounds with energy over heads and deadlines: Klein and Scholl 1999; Baptiste, Le Pape and Nuijten, "Constraint-Based Scheduling", 2001
 */
export function boundOf(problem: Problem, network: Network, withinMin = Infinity): Bound {
  const { jobs, links } = problem;
  if (jobs.length === 0) return { throughMin: 0, by: 'none' };
  const order = inOrder(jobs.length, links);
  const times = hoursByWho(problem);
  const { startMin: headMin, endMin } = earliest(problem, network, order, times);
  const chainMin = jobs.reduce((most, { curePace, cureMin }, job) => Math.max(most, curePace.after(endMin[job]!, cureMin)), 0);
  if (!Number.isFinite(chainMin)) return { throughMin: Infinity, by: 'chain' };
  const asks = asksOf(problem, headMin);
  const dueMin = new Float64Array(jobs.length);
  const refuted = (throughMin: number): Bound['by'] | null => {
    for (let k = order.length - 1; k >= 0; k--) {
      const job = order[k]!;
      let due = jobs[job]!.curePace.before(throughMin, jobs[job]!.cureMin);
      for (const { to, leastMin, pace } of network.outOf[job]!) due = Math.min(due, pace.before(startBy[to]!, leastMin));
      const { pinnedMin, workMin } = jobs[job]!;
      dueMin[job] = due;
      startBy[job] = pinnedMin === null ? times(job).by(due) : pinnedMin;
      if (startBy[job]! < headMin[job]! - SLACK_MIN || (pinnedMin !== null && due < pinnedMin + workMin - SLACK_MIN)) return 'chain';
    }
    return asks.tooMuch(dueMin);
  };
  const startBy = new Float64Array(jobs.length);
  let [low, by] = [chainMin, 'chain' as Bound['by']];
  let high = Math.min(withinMin, chainMin * 8 + 60 * 1_440);
  for (let round = 0; round < ROUNDS && high - low > 0.5; round++) {
    const middle = (low + high) / 2;
    const why = refuted(middle);
    if (why === null) high = middle;
    else [low, by] = [middle, why];
  }
  return { throughMin: low, by };
}
const ROUNDS = 16;

interface Earliest {
  readonly startMin: Float64Array;
  readonly endMin: Float64Array;
}
/** When each job can begin and end at the earliest, with everybody free and set-up done by others. */
export const earliestOf = (problem: Problem, network: Network): Earliest =>
  earliest(problem, network, inOrder(problem.jobs.length, problem.links), hoursByWho(problem));
function earliest({ jobs }: Problem, { into }: Network, order: readonly number[], times: (job: number) => Ask): Earliest {
  const startMin = new Float64Array(jobs.length);
  const endMin = new Float64Array(jobs.length);
  for (const job of order) {
    const { notBeforeMin, pinnedMin, workMin } = jobs[job]!;
    let ready = notBeforeMin;
    for (const { from, leastMin, pace } of into[job]!) ready = Math.max(ready, pace.after(endMin[from]!, leastMin));
    const at = pinnedMin === null ? times(job).from(ready) : { startMin: pinnedMin, untilMin: pinnedMin + workMin };
    startMin[job] = at.startMin;
    endMin[job] = at.untilMin;
  }
  return { startMin, endMin };
}

/** What is asked of hands and stores between a moment before which jobs cannot begin and one by which they must have ended. */
function asksOf({ jobs, people, stores }: Problem, headMin: Float64Array): { tooMuch: (dueMin: Float64Array) => Bound['by'] | null } {
  const heads = thinned([...headMin].sort((a, b) => a - b));
  const longestIn = people.map(({ windows }) => longestOf(windows));
  const groups = circlesOf(people.length).map((who) => ({
    // Of a job that takes several, those it cannot find outside this circle.
    own: jobs.flatMap(({ may, hands, workMin, pinnedMin }, job) => {
      const needed = hands - may.filter((person) => !who.includes(person)).length;
      return pinnedMin === null && needed > 0 ? [{ job, workMin: workMin * needed }] : [];
    }),
    // Some job of a family carries its set-up, whichever it is, in each of so many sittings as the family's work takes at least.
    setUps: familiesOf(jobs).flatMap((family) => {
      if (!family.every((job) => jobs[job]!.pinnedMin === null && jobs[job]!.may.every((person) => who.includes(person)))) return [];
      const setUpMin = Math.min(...family.map((job) => jobs[job]!.setUpMin));
      const longest = Math.max(...who.map((person) => longestOf(people[person]!.windows)));
      // One that is broken off may bring its set-up along to where it ends.
      const inOneGo = family.filter((job) => !isTooLong(jobs[job]!, longestIn));
      const work = inOneGo.reduce((sum, job) => sum + jobs[job]!.workMin, 0);
      const brought = family.length - inOneGo.length;
      const sittings = Math.max(1, Math.ceil((work - SLACK_MIN) / Math.max(SLACK_MIN, longest - setUpMin)) - brought);
      return [{ family, workMin: setUpMin * sittings, headMin: Math.min(...family.map((job) => headMin[job]!)) }];
    }),
    capacity: new Capacity(who.flatMap((person) => people[person]!.windows)),
  }));
  const held = stores.map((_, store) =>
    jobs.flatMap(({ holds, workMin }, job) =>
      holds
        .filter((hold) => hold.store === store)
        .map(({ amount, afterMin, pace }) => ({ job, afterMin, pace, energy: amount * (workMin + afterMin * pace.least) })),
    ),
  );
  return {
    tooMuch(dueMin) {
      for (const { own, setUps, capacity } of groups) {
        const inTurn = [
          ...own.map(({ job, workMin }) => ({ head: headMin[job]!, due: dueMin[job]!, work: workMin })),
          ...setUps.map(({ family, workMin, headMin: head }) => ({
            head,
            due: Math.max(...family.map((job) => dueMin[job]!)),
            work: workMin,
          })),
        ].sort((a, b) => a.due - b.due);
        for (const head of heads) {
          let work = 0;
          const done = capacity.doneAt(head);
          for (const one of inTurn) {
            if (one.head < head - SLACK_MIN) continue;
            work += one.work;
            if (work > capacity.doneAt(one.due) - done + SLACK_MIN) return 'hands';
          }
        }
      }
      for (const [store, own] of held.entries()) {
        const inTurn = own
          .map((one) => ({ ...one, goneMin: one.pace.after(dueMin[one.job]!, one.afterMin) }))
          .toSorted((a, b) => a.goneMin - b.goneMin);
        for (const head of heads) {
          let energy = 0;
          for (const one of inTurn) {
            if (headMin[one.job]! < head - SLACK_MIN) continue;
            energy += one.energy;
            if (energy > stores[store]!.capacity * (one.goneMin - head) + SLACK_MIN) return 'store';
          }
        }
      }
      return null;
    },
  };
}

/** So many people at most are taken together in every way; of more, each alone and all. */
const FEW_PEOPLE = 4;
/** Circles of people whose time is added up. */
function circlesOf(count: number): readonly (readonly number[])[] {
  const all = Array.from({ length: count }, (_, i) => i);
  if (count > FEW_PEOPLE) return [all, ...all.map((one) => [one])];
  return Array.from({ length: 2 ** count - 1 }, (_, bits) => all.filter((one) => (((bits + 1) >> one) & 1) === 1)).toReversed();
}

/** Jobs that share a set-up, family by family. */
function familiesOf(jobs: Problem['jobs']): readonly (readonly number[])[] {
  const families = new Map<number, number[]>();
  jobs.forEach(({ family, setUpMin }, job) => {
    if (setUpMin > 0) families.set(family, [...(families.get(family) ?? []), job]);
  });
  return [...families.values()];
}

/** So many heads at most are asked: each is a sum over all jobs. */
const MAX_HEADS = 60;
const thinned = (sorted: readonly number[]): readonly number[] => {
  const own = sorted.filter((value, i) => i === 0 || value > sorted[i - 1]! + SLACK_MIN);
  return own.length <= MAX_HEADS ? own : Array.from({ length: MAX_HEADS }, (_, i) => own[Math.floor((i * own.length) / MAX_HEADS)]!);
};

/** Open time of several added up, by when it was there. */
class Capacity {
  private readonly at: number[];
  private readonly sum: number[];
  private readonly rate: number[];
  constructor(windows: readonly Window[]) {
    const steps = windows
      .flatMap(({ fromMin, toMin }) => [
        { at: fromMin, by: 1 },
        { at: toMin, by: -1 },
      ])
      .sort((a, b) => a.at - b.at);
    this.at = [0];
    this.sum = [0];
    this.rate = [0];
    let [rate, sum, last] = [0, 0, 0];
    for (const { at, by } of steps) {
      sum += rate * (at - last);
      rate += by;
      last = at;
      this.at.push(at);
      this.sum.push(sum);
      this.rate.push(rate);
    }
  }
  /** How much there has been by a time. */
  doneAt(timeMin: number): number {
    let low = 0;
    let high = this.at.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.at[middle]! <= timeMin) low = middle;
      else high = middle - 1;
    }
    return this.sum[low]! + this.rate[low]! * (timeMin - this.at[low]!);
  }
}

interface Ask {
  /** The earliest from a time on. */
  readonly from: (readyMin: number) => { readonly startMin: number; readonly untilMin: number };
  /** The latest start that ends by a time, −∞ where there is none. */
  readonly by: (dueMin: number) => number;
}
/** For each job, when it could be done with nobody busy: in one go where it fits into some evening, else broken off. */
function hoursByWho({ people, jobs }: Problem): (job: number) => Ask {
  const longestIn = people.map(({ windows }) => longestOf(windows));
  const kept = new Map<string, readonly Window[]>();
  const within = new Map<readonly Window[], Map<string, readonly Window[]>>();
  const windowsFor = (job: number): readonly Window[] => {
    const { may, open, hands } = jobs[job]!;
    const key = `${hands} of ${may.join()}`;
    let own = kept.get(key);
    if (own === undefined) {
      const all = may.flatMap((person) => people[person]!.windows).sort((a, b) => a.fromMin - b.fromMin);
      kept.set(key, (own = hands === 1 ? all : whenSoMany(all, hands)));
    }
    if (open === null) return own;
    // The same hours narrow many jobs.
    const known = within.get(open) ?? within.set(open, new Map()).get(open)!;
    return known.get(key) ?? known.set(key, shared(own, open)).get(key)!;
  };
  const asks = jobs.map((own, job): Ask => {
    const { workMin } = own;
    const windows = windowsFor(job);
    const isLong = isTooLong(own, longestIn);
    if (isLong) return { from: (ready) => forwards(windows, ready, workMin), by: (due) => backwards(windows, due, workMin) };
    const longest = longestOf(windows);
    // What ends latest among those that begin no later; asked for only where a time is to be refuted.
    let late: { readonly fits: readonly Window[]; readonly latestTo: readonly number[] } | null = null;
    const lateOnes = (): { readonly fits: readonly Window[]; readonly latestTo: readonly number[] } => {
      const fits = windows.filter(({ fromMin, toMin }) => toMin - fromMin >= workMin - SLACK_MIN);
      const latestTo: number[] = [];
      for (const { toMin } of fits) latestTo.push(Math.max(toMin, latestTo.at(-1) ?? -Infinity));
      return { fits, latestTo };
    };
    return {
      from: (ready) => {
        let best = Infinity;
        for (let i = countUpTo(windows, ready - longest); i < windows.length && windows[i]!.fromMin < best; i++) {
          const start = Math.max(ready, windows[i]!.fromMin);
          if (windows[i]!.toMin - start >= workMin - SLACK_MIN) best = Math.min(best, start);
        }
        return { startMin: best, untilMin: best + workMin };
      },
      by: (due) => {
        const { fits, latestTo } = (late ??= lateOnes());
        const count = countUpTo(fits, due - workMin + SLACK_MIN);
        return count === 0 ? -Infinity : Math.min(due, latestTo[count - 1]!) - workMin;
      },
    };
  });
  return (job) => asks[job]!;
}
const LONGEST = new WeakMap<readonly Window[], number>();
function longestOf(windows: readonly Window[]): number {
  let longest = LONGEST.get(windows);
  if (longest === undefined)
    LONGEST.set(windows, (longest = windows.reduce((most, { fromMin, toMin }) => Math.max(most, toMin - fromMin), 0)));
  return longest;
}
/** Times at which so many are there at once. */
function whenSoMany(windows: readonly Window[], count: number): readonly Window[] {
  const steps = windows
    .flatMap(({ fromMin, toMin }) => [
      { at: fromMin, by: 1 },
      { at: toMin, by: -1 },
    ])
    .sort((a, b) => a.at - b.at || b.by - a.by);
  const both: Window[] = [];
  let [there, since] = [0, 0];
  for (const { at, by } of steps) {
    if (there < count && there + by >= count) since = at;
    if (there >= count && there + by < count && at > since) both.push({ fromMin: since, toMin: at });
    there += by;
  }
  return both;
}
/** How many begin no later than a time. */
function countUpTo(windows: readonly Window[], timeMin: number): number {
  let low = 0;
  let high = windows.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (windows[middle]!.fromMin <= timeMin) low = middle + 1;
    else high = middle;
  }
  return low;
}
/** Times that lie in both. @param b in order and apart */
function shared(a: readonly Window[], b: readonly Window[]): readonly Window[] {
  const both: Window[] = [];
  let first = 0;
  for (const one of a) {
    while (first < b.length && b[first]!.toMin <= one.fromMin) first++;
    for (let i = first; i < b.length && b[i]!.fromMin < one.toMin; i++) {
      const [fromMin, toMin] = [Math.max(one.fromMin, b[i]!.fromMin), Math.min(one.toMin, b[i]!.toMin)];
      if (toMin - fromMin > SLACK_MIN) both.push({ fromMin, toMin });
    }
  }
  return both.sort((x, y) => x.fromMin - y.fromMin);
}
/** Broken off where windows end; several people's hours that overlap count twice, which only makes it earlier than it can be. */
function forwards(windows: readonly Window[], readyMin: number, workMin: number): { startMin: number; untilMin: number } {
  let [left, startMin] = [workMin, Infinity];
  for (const { fromMin, toMin } of windows) {
    const from = Math.max(fromMin, readyMin);
    if (toMin - from <= SLACK_MIN) continue;
    startMin = Math.min(startMin, from);
    if (toMin - from >= left) return { startMin, untilMin: from + left };
    left -= toMin - from;
  }
  return { startMin, untilMin: Infinity };
}
function backwards(windows: readonly Window[], dueMin: number, workMin: number): number {
  let left = workMin;
  for (const { fromMin, toMin } of windows.toReversed()) {
    const to = Math.min(toMin, dueMin);
    if (to - fromMin <= SLACK_MIN) continue;
    if (to - fromMin >= left) return to - left;
    left -= to - fromMin;
  }
  return -Infinity;
}
