import { seeded } from '../../base/random';
import { type Bound, boundOf } from './bound';
import { type Network, isSameWork, networkOf } from './network';
import { type Outcome, type Reason, Placer } from './place';
import type { Job, Placed, Problem } from './problem';
import { Turns, orderBy } from './turns';

/** The best plan so far. */
export interface Plan {
  readonly placed: readonly Placed[];
  readonly reasons: readonly Reason[];
  readonly throughMin: number;
  /** Jobs in the order that they were placed in. */
  readonly order: readonly number[];
  /** So much longer each person's time was kept for what only they may do: see {@link Placer}. */
  readonly spareMin: readonly number[];
}
/** How far a search has come. */
export interface Progress {
  readonly best: Plan | null;
  readonly bound: Bound;
  readonly tries: number;
  /** It cannot get better: the bound is met, or every order was tried where one of them is the best. */
  readonly isProven: boolean;
  /** Where nothing fits: the last thing that did not. */
  readonly failed: Extract<Outcome, { ok: false }> | null;
}

/** Orders placed between two looks at how far it has come. */
const TRIES_EACH = 24;
/** Without anything better for so long it goes back to the best, and shakes it. */
const MAX_IDLE = 300;
/** Of the moves, how many let turns drift; of those, how many keep people's time otherwise, and for how long at most. */
const SHARE_OF_DRIFT = 0.5;
const SHARE_OF_SPARED = 0.1;
const MAX_SPARED_MIN = 5_000;
/** Orders of so few groups are all tried. */
const FEW_GROUPS = 8;
/** Earlier ends, by how much work they are, weigh as well: many plans are through at the same time, and only evenings well filled lead to a better one. */
const WEIGHT_OF_MEAN = 2;

/**
 * Good orders first, then a search over orders: jobs on the chain that decides the end are let ahead of what kept them, others move by chance.
 * Endless but where it is proven: whoever asks stops when time is up.
 * @source late acceptance: Burke and Bykov 2017; chain-guided insertion after Nowicki and Smutnicki 1996
 */
export function* improved(problem: Problem, seed: number): Generator<Progress, void, void> {
  const isSmall = networkOf(problem).groups.length <= FEW_GROUPS;
  const searches = (isSmall ? readings(problem) : [problem]).map((reading, i) => {
    const search = new Search(reading, networkOf(reading), seed + i);
    for (const order of firstOrders(reading, search.network)) search.tryStart(order);
    return search;
  });
  const bound = boundOf(problem, networkOf(problem), Math.min(...searches.map(({ best }) => best?.throughMin ?? Infinity)));
  const ahead = (): Search =>
    searches.reduce((first, one) => ((one.best?.throughMin ?? Infinity) < (first.best?.throughMin ?? Infinity) ? one : first));
  const told = (isWhole: boolean): Progress => {
    const { best, failed } = ahead();
    const isProven = isWhole || (best !== null && best.throughMin <= bound.throughMin + 0.5);
    return { best, bound, tries: searches.reduce((sum, { tries }) => sum + tries, 0), isProven, failed: best === null ? failed : null };
  };
  yield told(false);
  if (isSmall) {
    for (const search of searches) search.tryAll();
    return yield told(isExact(problem));
  }
  const search = searches[0]!;
  for (;;) {
    for (let k = 0; k < TRIES_EACH; k++) search.step();
    const progress = told(search.isWhole);
    yield progress;
    if (progress.isProven) return;
  }
}
/** Whether one of all orders is the best there is: so it is for one pair of hands and least waits, every job in one go. Who does a job, and what might better be held back, no order says. */
const isExact = ({ people, links, jobs }: Problem): boolean =>
  people.length === 1 &&
  links.every(({ mostMin }) => mostMin === Infinity) &&
  jobs.every(
    ({ workMin, setUpMin, pinnedMin }) =>
      setUpMin === 0 && pinnedMin === null && people[0]!.windows.some(({ fromMin, toMin }) => toMin - fromMin >= workMin),
  );
/** So many windows with a second chance are read in every way. */
const FEW_WINDOWS = 5;

/**
 * Within an hour or after a day: placed as early as it can be, a job that just misses its hour waits for the day, though the one before could have been held back.
 * So for a few jobs each such window is read in two ways: as it comes, or as a longest wait with no second chance.
 */
function readings(problem: Problem): readonly Problem[] {
  const windows = problem.links
    .flatMap((link, i) => (link.mostMin < Infinity && link.orAfterMin < Infinity ? [i] : []))
    .slice(0, FEW_WINDOWS);
  const held = Array.from({ length: 2 ** windows.length }, (_, bits) => new Set(windows.filter((_w, k) => ((bits >> k) & 1) === 1)));
  return held.map((own) => ({
    ...problem,
    links: problem.links.map((link, i) => (own.has(i) ? { ...link, orAfterMin: Infinity } : link)),
  }));
}

/** An order that was found before: how early each job has its turn, the more the earlier, and how people's time was kept. */
export interface Kept {
  readonly priority: readonly number[];
  readonly spareMin: readonly number[];
}
/** The best of good orders alone: quick enough for a drag. @param count of orders by chance beside the good ones; @param kept an order that was found before */
export function quick(problem: Problem, count: number, seed: number, kept: Kept | null = null): Progress {
  const network = networkOf(problem);
  const search = new Search(problem, network, seed);
  if (kept !== null)
    search.tryStart(
      orderBy(
        network.groups.map((group) => Math.min(...group.map((job) => kept.priority[job]!))),
        network,
      ),
      kept.spareMin,
    );
  for (const order of firstOrders(problem, network)) search.tryStart(order);
  for (let k = 0; k < count; k++) search.step();
  const { best, tries, failed } = search;
  return { best, bound: { throughMin: 0, by: 'none' }, tries, isProven: false, failed };
}

/** Orders by rule: as the work is listed, longest way to the end first, most work after it first. @returns each an order of groups that links allow */
export function firstOrders(problem: Problem, network: Network): readonly (readonly number[])[] {
  const known = FIRST.get(network);
  if (known !== undefined && isSameWork(known.jobs, problem.jobs)) return known.orders;
  const orders = ordersByRule(problem, network);
  FIRST.set(network, { jobs: problem.jobs, orders });
  return orders;
}
const FIRST = new WeakMap<Network, { readonly jobs: readonly Job[]; readonly orders: readonly (readonly number[])[] }>();

function ordersByRule(problem: Problem, network: Network): readonly (readonly number[])[] {
  const { jobs } = problem;
  const { groups, tailMin } = network;
  const ofGroup = (value: (job: number) => number): readonly number[] => groups.map((own) => Math.max(...own.map(value)));
  const asListed = groups.map((own) => -Math.min(...own));
  const byTail = ofGroup((job) => tailMin[job]! + jobs[job]!.workMin);
  const byWork = ofGroup((job) => tailMin[job]! + 4 * jobs[job]!.workMin * jobs[job]!.hands);
  return [asListed, byTail, byWork, new Turns(problem, network).first].map((priority) => orderBy(priority, network));
}

class Search {
  best: Plan | null = null;
  private readonly placer: Placer;
  private readonly random: () => number;
  tries = 0;
  failed: Progress['failed'] = null;
  /** No order is left to try. */
  isWhole = false;
  private toldCost = Infinity;
  private bestCost = Infinity;
  private bestOrder: readonly number[] = [];
  private order: readonly number[] = [];
  private cost = Infinity;
  private idle = 0;
  private readonly turns: Turns;
  /** Each group's turn in the order gone on from, in steps, the first the highest. */
  private keys: Float64Array;
  private readonly nobodySpared: readonly number[];
  private spareMin: readonly number[];
  private bestSpareMin: readonly number[];
  /** What the order being tried was made from; no keys where its groups changed places. */
  private tried: { readonly keys: Float64Array | null; readonly spareMin: readonly number[] };
  /** Of the order gone on from: starts, and what kept each job. */
  private start: Float64Array;
  private reasonBy: Int32Array;
  private reasonKind: readonly Reason['kind'][] = [];
  private end: Float64Array;
  /** Each job's share of all work. */
  private readonly weight: Float64Array;

  constructor(
    private readonly problem: Problem,
    readonly network: Network,
    seed: number,
  ) {
    this.placer = new Placer(problem, network);
    const all = problem.jobs.reduce((sum, { workMin, hands }) => sum + workMin * hands, 0) || 1;
    this.weight = Float64Array.from(problem.jobs, ({ workMin, hands }) => (workMin * hands) / all);
    this.random = seeded(seed);
    this.turns = new Turns(problem, network);
    this.keys = this.turns.first.slice();
    this.nobodySpared = problem.people.map(() => 0);
    this.spareMin = this.bestSpareMin = this.nobodySpared;
    this.tried = { keys: null, spareMin: this.spareMin };
    this.start = new Float64Array(problem.jobs.length);
    this.end = new Float64Array(problem.jobs.length);
    this.reasonBy = new Int32Array(problem.jobs.length);
  }

  tryStart(order: readonly number[], spareMin: readonly number[] = this.nobodySpared): void {
    this.tried = { keys: null, spareMin };
    const cost = this.costOf(order);
    if (this.order.length === 0 || cost < this.cost) this.goOnFrom(order, cost);
  }

  /** Every order, for a few groups. */
  tryAll(): void {
    const { before, groups } = this.network;
    const order: number[] = [];
    const used = new Uint8Array(groups.length);
    const on = (): void => {
      if (order.length === groups.length) return void this.costOf(order);
      for (let group = 0; group < groups.length; group++) {
        if (used[group] === 1 || before[group]!.some((one) => used[one] === 0)) continue;
        used[group] = 1;
        order.push(group);
        on();
        order.pop();
        used[group] = 0;
      }
    };
    on();
    this.isWhole = true;
  }

  step(): void {
    if (this.order.length < 2) {
      this.isWhole = true;
      return;
    }
    this.tried = { keys: null, spareMin: this.spareMin };
    const order = this.moved();
    const cost = this.costOf(order, this.cost);
    if (cost <= this.cost) this.goOnFrom(order, cost);
    if (++this.idle < MAX_IDLE) return;
    // Back to the best, shaken.
    this.idle = 0;
    this.tried = { keys: null, spareMin: this.bestSpareMin };
    let shaken = this.bestOrder.length > 0 ? this.bestOrder : this.order;
    for (let k = 0; k < 6; k++) {
      this.order = shaken;
      shaken = this.swept();
    }
    this.goOnFrom(shaken, this.costOf(shaken));
  }

  private costOf(order: readonly number[], enough = Infinity): number {
    this.tries++;
    const outcome = this.placer.place(order, enough, this.tried.spareMin);
    if (!outcome.ok) {
      this.failed = outcome;
      return Infinity;
    }
    if (outcome.throughMin === Infinity) return Infinity;
    const { endMin, reasonBy, reasonKind } = this.placer;
    let sum = 0;
    for (let i = 0; i < endMin.length; i++) sum += endMin[i]! * this.weight[i]!;
    const cost = outcome.throughMin + WEIGHT_OF_MEAN * sum;
    if (cost < this.bestCost - 1e-6) {
      this.bestCost = cost;
      this.bestOrder = [...order];
      this.bestSpareMin = this.tried.spareMin;
      this.idle = 0;
    }
    // What is told is what is through first, of those the one that costs least; the search itself goes by the cost alone.
    const { throughMin } = outcome;
    const known = this.best?.throughMin ?? Infinity;
    if (throughMin < known - 1e-6 || (throughMin < known + 1e-6 && cost < this.toldCost - 1e-6)) {
      this.toldCost = cost;
      const reasons = reasonKind.map((kind, job): Reason => ({ kind, by: reasonBy[job]! }));
      this.best = {
        placed: this.placer.told(),
        reasons,
        throughMin,
        order: order.flatMap((group) => this.network.groups[group]!),
        spareMin: this.tried.spareMin,
      };
    }
    return cost;
  }

  private goOnFrom(order: readonly number[], cost: number): void {
    this.order = [...order];
    this.cost = cost;
    this.spareMin = this.tried.spareMin;
    this.keys = this.tried.keys ?? this.turns.asOrdered(order, this.keys);
    if (cost === Infinity) return;
    this.start.set(this.placer.startMin);
    this.end.set(this.placer.endMin);
    this.reasonBy.set(this.placer.reasonBy);
    this.reasonKind = [...this.placer.reasonKind];
  }

  private moved(): readonly number[] {
    if (this.cost < Infinity && this.random() < SHARE_OF_DRIFT) return this.drifted();
    const chance = this.random();
    if (this.cost < Infinity && chance < 0.3) return this.ahead();
    if (this.cost < Infinity && chance < 0.33) return this.fromBehind();
    if (chance < 0.55) return this.swept();
    return chance < 0.7 ? this.exchanged() : this.rebuilt();
  }

  /** Turns drift, or people's time is kept otherwise for what only they may do. */
  private drifted(): readonly number[] {
    const [keys, spareMin] = [this.keys.slice(), this.spareMin];
    if (spareMin.length > 1 && this.random() < SHARE_OF_SPARED) {
      // Mostly not at all, now and then for days.
      const next = spareMin.map((one) => (this.random() < 0.5 ? one : Math.max(0, Math.round((this.random() - 0.3) * MAX_SPARED_MIN))));
      this.tried = { keys, spareMin: next };
      return this.order;
    }
    this.turns.drift(keys, this.random);
    this.tried = { keys, spareMin };
    return orderBy(keys, this.network);
  }

  /** From some place on so many groups are chosen anew: what can begin soonest, leaves the least time over, and has the most after it, each weighed by chance. */
  private rebuilt(): readonly number[] {
    const { before, after, groups, tailMin } = this.network;
    const { jobs } = this.problem;
    const from = Math.floor(this.random() * this.order.length);
    const count = 8 + Math.floor(this.random() * 30);
    const prefix = this.order.slice(0, from);
    const stands = this.placer.place(prefix);
    if (!stands.ok) return this.swept();
    const left = new Set(this.order.slice(from));
    const isLeft = new Uint8Array(groups.length);
    for (const group of left) isLeft[group] = 1;
    const shortMin = Math.min(...[...left].map((group) => jobs[groups[group]![0]!]!.workMin));
    const [fill, urgency, luck] = [3 * this.random(), 0.15 * this.random(), 30 * this.random()];
    const chosen: number[] = [];
    const open = [...left].filter((group) => before[group]!.every((one) => isLeft[one] === 0));
    for (let k = 0; k < count && open.length > 0; k++) {
      let [best, least] = [-1, Infinity];
      for (let i = 0; i < open.length; i++) {
        const at = this.placer.peek(open[i]!, shortMin);
        if (at === null) continue;
        const job = groups[open[i]!]![0]!;
        const score = at.startMin + fill * at.wastedMin - urgency * (tailMin[job]! + jobs[job]!.workMin) + luck * this.random();
        if (score < least) [best, least] = [i, score];
      }
      if (best < 0) break;
      const group = open[best]!;
      if (this.placer.push(group) !== null) break;
      open[best] = open.at(-1)!;
      open.pop();
      isLeft[group] = 0;
      left.delete(group);
      chosen.push(group);
      for (const next of after[group]!) if (isLeft[next] === 1 && before[next]!.every((one) => isLeft[one] === 0)) open.push(next);
    }
    return [...prefix, ...chosen, ...left];
  }

  /** On the chain that decides the end, one that hands or room kept waiting is let ahead of what kept it. */
  private ahead(): readonly number[] {
    const { jobs } = this.problem;
    let last = 0;
    const through = (job: number): number => jobs[job]!.curePace.after(this.end[job]!, jobs[job]!.cureMin);
    for (let job = 1; job < jobs.length; job++) if (through(job) > through(last)) last = job;
    const kept: number[] = [];
    for (let job = last, k = 0; job >= 0 && k <= jobs.length; k++) {
      const kind = this.reasonKind[job]!;
      if (kind !== 'wait' && kind !== 'free') kept.push(job);
      const by = this.reasonBy[job]!;
      // Nobody there until the evening opens: what it waited for is the link.
      job = by >= 0 ? by : this.lastInto(job);
    }
    if (kept.length === 0) return this.swept();
    const job = kept[Math.floor(this.random() * kept.length)]!;
    const by = this.reasonBy[job]!;
    const own = this.network.groupOf[job]!;
    const at = this.order.indexOf(own);
    const target =
      by >= 0 && this.reasonKind[job] !== 'wait' ? this.order.indexOf(this.network.groupOf[by]!) : Math.floor(this.random() * at);
    if (target >= at) return this.swept();
    // Somewhat further ahead now and then: the evening before may have room.
    const to = Math.max(0, target - (this.random() < 0.5 ? 0 : Math.floor(this.random() * 6)));
    return this.brought(own, at, to);
  }
  private lastInto(job: number): number {
    let [last, most] = [-1, -Infinity];
    for (const { from, leastMin, pace } of this.network.into[job]!) {
      const dryMin = pace.after(this.end[from]!, leastMin);
      if (dryMin > most) [last, most] = [from, dryMin];
    }
    return last;
  }

  /** A group, and what of it must come before, brought to an earlier place. */
  private brought(group: number, at: number, to: number): readonly number[] {
    const between = this.order.slice(to, at);
    const needs = new Set([group]);
    for (let k = between.length - 1; k >= 0; k--)
      if (this.network.after[between[k]!]!.some((next) => needs.has(next))) needs.add(between[k]!);
    const first = between.filter((one) => needs.has(one));
    const rest = between.filter((one) => !needs.has(one));
    return [...this.order.slice(0, to), ...first, group, ...rest, ...this.order.slice(at + 1)];
  }

  /** One group by chance to another place that its links allow. */
  private swept(): readonly number[] {
    const { before, after } = this.network;
    const at = Math.floor(this.random() * this.order.length);
    const group = this.order[at]!;
    let [low, high] = [at, at];
    const reach = 3 + Math.floor(this.random() * this.random() * this.order.length);
    while (low > 0 && at - low < reach && !before[group]!.includes(this.order[low - 1]!)) low--;
    while (high < this.order.length - 1 && high - at < reach && !after[group]!.includes(this.order[high + 1]!)) high++;
    if (low === high) return this.order;
    let to = low + Math.floor(this.random() * (high - low));
    if (to >= at) to++;
    const rest = this.order.filter((one) => one !== group);
    rest.splice(to, 0, group);
    return rest;
  }

  /** Two groups not far from one another change places where their links allow: an evening is filled otherwise. */
  private exchanged(): readonly number[] {
    const { before, after } = this.network;
    const a = Math.floor(this.random() * this.order.length);
    const b = a + 1 + Math.floor(this.random() * 12);
    if (b >= this.order.length) return this.swept();
    const [first, second] = [this.order[a]!, this.order[b]!];
    for (let at = a; at < b; at++)
      if (after[first]!.includes(this.order[at + 1]!) || before[second]!.includes(this.order[at]!)) return this.swept();
    const order = [...this.order];
    [order[a], order[b]] = [second, first];
    return order;
  }

  /** As late as the end allows, hands in mind from behind, and from there forwards again. */
  private fromBehind(): readonly number[] {
    const { groups } = this.network;
    // The latest start that what follows allows, by the plan as it stands: what has slack goes back, the rest keeps its turn.
    const latest = new Float64Array(this.problem.jobs.length).fill(Infinity);
    const jobs = this.order.flatMap((group) => groups[group]!).toSorted((a, b) => this.start[b]! - this.start[a]!);
    const through = Math.max(...this.problem.jobs.map(({ cureMin, curePace }, job) => curePace.after(this.end[job]!, cureMin)));
    for (const job of jobs) {
      let due = this.problem.jobs[job]!.curePace.before(through, this.problem.jobs[job]!.cureMin);
      for (const { to, leastMin, pace } of this.network.outOf[job]!) due = Math.min(due, pace.before(latest[to]!, leastMin));
      latest[job] = due - (this.end[job]! - this.start[job]!);
    }
    return orderBy(
      groups.map((own) => -Math.min(...own.map((job) => latest[job]!))),
      this.network,
    );
  }
}
