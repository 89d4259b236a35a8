import { type Job, type Link, type Problem, isStrict } from './problem';

/** Jobs that are placed together, since one must follow another within a time; most stand alone. */
export interface Network {
  /** Of each group its jobs, in an order that their links allow. */
  readonly groups: readonly (readonly number[])[];
  readonly groupOf: Int32Array;
  /** Links into each job, and out of it. */
  readonly into: readonly (readonly Link[])[];
  readonly outOf: readonly (readonly Link[])[];
  /** Groups that come before and after each. */
  readonly before: readonly (readonly number[])[];
  readonly after: readonly (readonly number[])[];
  /** From the end of each job to when the last that follows from it is through, hands and hours left aside. */
  readonly tailMin: Float64Array;
}

/** Follows from the links and from the work alone: while both are the same, whoever does it and when, it is the same network. */
export function networkOf({ jobs, links }: Problem): Network {
  const known = KNOWN.get(links);
  if (known !== undefined && isSameWork(known.jobs, jobs)) return known.network;
  const network = networkAnew(jobs, links);
  KNOWN.set(links, { jobs, network });
  return network;
}
const KNOWN = new WeakMap<readonly Link[], { readonly jobs: readonly Job[]; readonly network: Network }>();

/** Whether jobs are the same work, people and hours aside. */
export const isSameWork = (a: readonly Job[], b: readonly Job[]): boolean =>
  a === b ||
  (a.length === b.length &&
    a.every(({ workMin, setUpMin, family, cureMin, curePace, hands }, i) => {
      const other = b[i]!;
      return (
        workMin === other.workMin &&
        setUpMin === other.setUpMin &&
        family === other.family &&
        cureMin === other.cureMin &&
        curePace === other.curePace &&
        hands === other.hands
      );
    }));

function networkAnew(jobs: readonly Job[], links: readonly Link[]): Network {
  const size = jobs.length;
  const into: Link[][] = Array.from({ length: size }, () => []);
  const outOf: Link[][] = Array.from({ length: size }, () => []);
  for (const link of links) {
    into[link.to]!.push(link);
    outOf[link.from]!.push(link);
  }
  const up = Int32Array.from({ length: size }, (_, i) => i);
  const rootOf = (i: number): number => (up[i] === i ? i : (up[i] = rootOf(up[i]!)));
  const join = (a: number, b: number): void => void (up[rootOf(a)] = rootOf(b));
  const strict = links.filter(isStrict);
  for (const link of strict) join(link.from, link.to);
  // Groups that come round to one another are one; jobs that stand alone never do.
  while (strict.length > 0) {
    const round = firstRound(size, rootOf, links);
    if (round.length === 0) break;
    for (const one of round) join(one, round[0]!);
  }
  const order = inOrder(size, links);
  const groupOf = new Int32Array(size).fill(-1);
  const groups: number[][] = [];
  const indexOf = new Map<number, number>();
  for (const job of order) {
    const root = rootOf(job);
    let group = indexOf.get(root);
    if (group === undefined) indexOf.set(root, (group = groups.push([]) - 1));
    groups[group]!.push(job);
    groupOf[job] = group;
  }
  const before = groups.map(() => new Set<number>());
  const after = groups.map(() => new Set<number>());
  for (const { from, to } of links) {
    const [a, b] = [groupOf[from]!, groupOf[to]!];
    if (a === b) continue;
    before[b]!.add(a);
    after[a]!.add(b);
  }
  const tailMin = Float64Array.from(jobs, ({ cureMin, curePace }) => cureMin * curePace.least);
  for (const job of order.toReversed())
    for (const { to, leastMin, pace } of outOf[job]!)
      tailMin[job] = Math.max(tailMin[job]!, leastMin * pace.least + jobs[to]!.workMin + tailMin[to]!);
  return { groups, groupOf, into, outOf, before: before.map((own) => [...own]), after: after.map((own) => [...own]), tailMin };
}

/** Jobs so that what comes before another stands before it. @throws where a job comes before itself */
export function inOrder(size: number, links: readonly Link[]): readonly number[] {
  const open = new Int32Array(size);
  const next: number[][] = Array.from({ length: size }, () => []);
  for (const { from, to } of links) {
    open[to]!++;
    next[from]!.push(to);
  }
  const order: number[] = [];
  for (let i = 0; i < size; i++) if (open[i] === 0) order.push(i);
  for (let k = 0; k < order.length; k++) for (const to of next[order[k]!]!) if (--open[to]! === 0) order.push(to);
  if (order.length < size) throw new Error('a task depends on itself');
  return order;
}

/** Groups that cannot be brought into an order: their roots, of one such round; none when all can. */
function firstRound(size: number, rootOf: (i: number) => number, links: readonly Link[]): readonly number[] {
  const next = new Map<number, Set<number>>();
  const open = new Map<number, number>();
  for (let i = 0; i < size; i++) open.set(rootOf(i), 0);
  for (const { from, to } of links) {
    const [a, b] = [rootOf(from), rootOf(to)];
    if (a === b) continue;
    const own = next.get(a) ?? next.set(a, new Set()).get(a)!;
    if (own.has(b)) continue;
    own.add(b);
    open.set(b, open.get(b)! + 1);
  }
  const free = [...open].filter(([, count]) => count === 0).map(([root]) => root);
  for (const root of free)
    for (const to of next.get(root) ?? []) {
      open.set(to, open.get(to)! - 1);
      if (open.get(to) === 0) free.push(to);
    }
  const left = new Set([...open.keys()].filter((root) => !free.includes(root)));
  if (left.size === 0) return [];
  // From any of them on to what comes after until one comes twice, over those that are left and lead on.
  const seen: number[] = [];
  for (let at = [...left].find((root) => [...(next.get(root) ?? [])].some((to) => left.has(to)))!; ;) {
    const again = seen.indexOf(at);
    if (again >= 0) return seen.slice(again);
    seen.push(at);
    const on = [...(next.get(at) ?? [])].find((to) => left.has(to));
    if (on === undefined) {
      // A way that leads out of the round: it is left aside.
      left.delete(at);
      seen.length = 0;
      at = [...left].find((root) => [...(next.get(root) ?? [])].some((to) => left.has(to)))!;
    } else at = on;
  }
}
