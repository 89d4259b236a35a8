import type { Random } from '../../base/random';
import { type Result, fail, ok } from '../../base/result';

/** Colours for units, by their place in the list of tints. */
export interface Coloured {
  readonly tintOf: Uint8Array;
  /** How many wear each tint. */
  readonly counts: readonly number[];
  /** False where no colouring was found that keeps the shares to within one unit. */
  readonly isAsAsked: boolean;
}
export interface ColourProblem {
  readonly code: 'colours/too-few';
  /** Units that found no tint in the best that was found. */
  readonly alike: number;
}
type Beside = readonly (readonly number[])[];

/**
 * Gives every unit a tint so that no two neighbours wear the same, each tint as often as its parts say, to within one unit where that can be had.
 * The unit whose neighbours leave it the fewest tints comes first and takes the one furthest behind its share. The shares are then evened without ever making neighbours alike:
 * single units change tint along the shortest way from a tint that has too many to one that has too few; where none can, two tints change places in a whole group.
 * @param beside neighbours of each unit; @param parts of each tint
 * @source order: Brélaz, "New methods to color the vertices of a graph", 1979; groups of two colours: Kempe's chains, as for equitable colouring in Furmańczyk 2004
 */
export function coloured(beside: Beside, parts: readonly number[], random: Random): Result<Coloured, ColourProblem> {
  const wanted = sharesOf(beside.length, parts);
  const floor = new Tinted(beside, wanted, random);
  const left = floor.fill();
  if (left > 0) return fail({ code: 'colours/too-few', alike: left });
  floor.even();
  return ok({ tintOf: floor.tintOf, counts: [...floor.counts], isAsAsked: floor.counts.every((count, tint) => count === wanted[tint]) });
}

/** Units of each tint: by its parts, the largest remainders rounded up. */
export function sharesOf(size: number, parts: readonly number[]): number[] {
  const all = parts.reduce((sum, part) => sum + part, 0);
  const exact = parts.map((part) => (size * part) / all);
  const counts = exact.map(Math.floor);
  const rest = size - counts.reduce((sum, count) => sum + count, 0);
  const order = exact.map((value, i) => ({ i, over: value - Math.floor(value) })).sort((a, b) => b.over - a.over);
  for (let k = 0; k < rest; k++) counts[order[k]!.i]!++;
  return counts;
}

const NONE = 255;
/** Rounds without coming nearer after which shares are taken as they are, and groups looked at in one of them, for each unit. */
const MAX_IDLE = 6;
const DRIFTS = 2;
const SMALL_GROUP = 16;

/** A floor being tinted: neighbours never wear the same. */
class Tinted {
  readonly tintOf: Uint8Array;
  readonly counts: number[];
  private readonly kinds: number;
  /** How many neighbours of each unit wear each tint. */
  private readonly worn: Uint16Array;
  /** In which of the groups looked at each unit was met last. */
  private readonly seenIn: Uint32Array;
  private looks = 0;
  private wrestings = 0;

  constructor(
    private readonly beside: Beside,
    private readonly wanted: readonly number[],
    private readonly random: Random,
  ) {
    this.kinds = wanted.length;
    this.tintOf = new Uint8Array(beside.length).fill(NONE);
    this.counts = wanted.map(() => 0);
    this.seenIn = new Uint32Array(beside.length);
    this.worn = new Uint16Array(beside.length * this.kinds);
  }

  /** Tints all units, those with the fewest tints left to them first. @returns units that found none */
  fill(): number {
    const { beside, kinds, tintOf, random } = this;
    // Units by how many tints their neighbours wear already; one may stand in several lists, the last counts.
    const waiting: number[][] = Array.from({ length: kinds + 1 }, () => []);
    const met = new Uint8Array(beside.length);
    const order = shuffled(beside.length, random);
    let next = 0;
    let failed = 0;
    for (;;) {
      let unit = this.mostHemmedIn(waiting, met);
      while (unit < 0 && next < order.length) {
        const one = order[next++]!;
        if (tintOf[one] === NONE) unit = one;
      }
      if (unit < 0) return failed;
      const tint = this.mostBehind(unit) ?? (failed === 0 ? (this.freed(unit) ?? this.wrested(unit, met, waiting)) : null);
      if (tint === null) {
        // It is passed by, so that the rest can be counted.
        failed++;
        met[unit] = NONE;
        continue;
      }
      this.wear(unit, tint);
      this.meetNeighbours(unit, met, waiting);
    }
  }
  /** One of the units that wait with the most tints round them; −1 for none. */
  private mostHemmedIn(waiting: readonly number[][], met: Uint8Array): number {
    for (let tints = this.kinds; tints > 0; tints--) {
      const list = waiting[tints]!;
      while (list.length > 0) {
        const at = list.length - 1 - Math.floor(this.random() * Math.min(list.length, 8));
        const one = list[at]!;
        list[at] = list.at(-1)!;
        list.pop();
        if (this.tintOf[one] === NONE && met[one] === tints) return one;
      }
    }
    return -1;
  }
  /** Neighbours of a unit that has just been tinted wait with those that have as many tints round them. */
  private meetNeighbours(unit: number, met: Uint8Array, waiting: readonly number[][]): void {
    for (const other of this.beside[unit]!) {
      if (this.tintOf[other] !== NONE || met[other] === NONE) continue;
      let tints = 0;
      for (let t = 0; t < this.kinds; t++) if (this.worn[other * this.kinds + t]! > 0) tints++;
      if (tints === met[other]) continue;
      met[other] = tints;
      waiting[tints]!.push(other);
    }
  }

  private wear(unit: number, tint: number): void {
    const before = this.tintOf[unit]!;
    for (const other of this.beside[unit]!) {
      if (before !== NONE) this.worn[other * this.kinds + before]!--;
      this.worn[other * this.kinds + tint]!++;
    }
    if (before !== NONE) this.counts[before]!--;
    this.counts[tint]!++;
    this.tintOf[unit] = tint;
  }
  private strip(unit: number): void {
    const before = this.tintOf[unit]!;
    for (const other of this.beside[unit]!) this.worn[other * this.kinds + before]!--;
    this.counts[before]!--;
    this.tintOf[unit] = NONE;
  }
  /** Takes a tint away from the few neighbours that wear it, which then have to find another; null when that went on for too long. */
  private wrested(unit: number, met: Uint8Array, waiting: readonly number[][]): number | null {
    if (++this.wrestings > 60 + 2 * this.beside.length) return null;
    let [best, least] = [-1, Infinity];
    for (let tint = 0; tint < this.kinds; tint++) {
      const wearing = this.worn[unit * this.kinds + tint]! + this.random();
      if (this.wanted[tint]! > 0 && wearing < least) [best, least] = [tint, wearing];
    }
    for (const other of this.beside[unit]!) {
      if (this.tintOf[other] !== best) continue;
      this.strip(other);
      // It waits with those of most tints round it, so that it is looked at next.
      met[other] = this.kinds;
      waiting[this.kinds]!.push(other);
    }
    return best;
  }
  private isFree(unit: number, tint: number): boolean {
    return this.worn[unit * this.kinds + tint] === 0;
  }

  /** Of the tints that its neighbours leave, the one furthest behind its share, with a little chance. */
  private mostBehind(unit: number): number | null {
    let [best, most] = [-1, -Infinity];
    for (let tint = 0; tint < this.kinds; tint++) {
      if (this.wanted[tint] === 0 || !this.isFree(unit, tint)) continue;
      const behind = 1 - this.counts[tint]! / this.wanted[tint]! + this.random() * 0.15;
      if (behind > most) [best, most] = [tint, behind];
    }
    return best < 0 ? null : best;
  }

  /** Frees a tint for a unit: in the groups of two tints round it, the two change places. */
  private freed(unit: number): number | null {
    for (let a = 0; a < this.kinds; a++) {
      for (let b = 0; b < this.kinds; b++) {
        if (a === b) continue;
        const own = this.beside[unit]!.filter((other) => this.tintOf[other] === a);
        const groups = own.map((other) => this.group(other, b));
        // A group that comes back to the unit in its other tint frees nothing.
        if (groups.some((group) => this.beside[unit]!.some((other) => this.tintOf[other] === b && group.includes(other)))) continue;
        const done = new Set<number>();
        for (const group of groups) {
          if (done.has(group[0]!) || group.some((one) => done.has(one))) continue;
          this.exchange(group, a, b);
          group.forEach((one) => done.add(one));
        }
        if (this.isFree(unit, a)) return a;
      }
    }
    return null;
  }

  /** All that hangs together with a unit in its own tint and one other. */
  private group(unit: number, other: number): readonly number[] {
    const own = this.tintOf[unit]!;
    const seen = new Set([unit]);
    for (const one of seen)
      for (const next of this.beside[one]!) if (this.tintOf[next] === own || this.tintOf[next] === other) seen.add(next);
    return [...seen];
  }
  private exchange(group: readonly number[], a: number, b: number): void {
    for (const one of group) this.wear(one, this.tintOf[one] === a ? b : a);
  }

  /** Brings the counts to the shares, as near as it can: where nothing brings them nearer, small groups change places and it goes on from there. */
  even(): void {
    let [best, bestOff] = [this.tintOf.slice(), Infinity];
    for (let idle = 0; idle < MAX_IDLE; idle++) {
      this.evenStraight();
      const off = this.counts.reduce((sum, _, tint) => sum + Math.abs(this.over(tint)), 0);
      if (off < bestOff) [best, bestOff, idle] = [this.tintOf.slice(), off, 0];
      if (off === 0) return;
      this.drift();
    }
    best.forEach((tint, unit) => tint !== this.tintOf[unit] && this.wear(unit, tint));
  }
  private evenStraight(): void {
    for (;;) {
      const over = this.kindsBy((count, want) => count > want);
      if (over.length === 0 || (!over.some((tint) => this.passOn(tint)) && !this.exchangeGroups())) return;
    }
  }
  /** Small groups of two tints change places where it leaves the counts as they are, or brings them nearer. */
  private drift(): void {
    const { kinds, random } = this;
    for (let k = 0; k < this.beside.length * DRIFTS; k++) {
      const unit = Math.floor(random() * this.beside.length);
      const own = this.tintOf[unit]!;
      const other = (own + 1 + Math.floor(random() * (kinds - 1))) % kinds;
      const group = this.smallGroup(unit, other);
      if (group === null) continue;
      const more = group.reduce((sum, one) => sum + (this.tintOf[one] === own ? 1 : -1), 0);
      const before = Math.abs(this.over(own)) + Math.abs(this.over(other));
      if (Math.abs(this.over(own) - more) + Math.abs(this.over(other) + more) <= before) this.exchange(group, own, other);
    }
  }
  /** Like group, null where it is large. */
  private smallGroup(unit: number, other: number): readonly number[] | null {
    const own = this.tintOf[unit]!;
    const group = [unit];
    const look = ++this.looks;
    this.seenIn[unit] = look;
    for (let at = 0; at < group.length; at++)
      for (const next of this.beside[group[at]!]!) {
        if ((this.tintOf[next] !== own && this.tintOf[next] !== other) || this.seenIn[next] === look) continue;
        if (group.length >= SMALL_GROUP) return null;
        this.seenIn[next] = look;
        group.push(next);
      }
    return group;
  }
  private kindsBy(is: (count: number, want: number) => boolean): readonly number[] {
    return this.counts.flatMap((count, tint) => (is(count, this.wanted[tint]!) ? [tint] : [])).sort((a, b) => this.over(b) - this.over(a));
  }
  private over(tint: number): number {
    return this.counts[tint]! - this.wanted[tint]!;
  }

  /** Moves units from a tint that has too many to one that has too few, over others between them where none can go straight. */
  private passOn(from: number): boolean {
    const { kinds } = this;
    // Units that can change from one tint to another, a few of each, found in one pass from a place by chance.
    const movers: number[][] = Array.from({ length: kinds * kinds }, () => []);
    const start = Math.floor(this.random() * this.beside.length);
    for (let k = 0; k < this.beside.length; k++) {
      const unit = (start + k) % this.beside.length;
      const own = this.tintOf[unit]!;
      for (let tint = 0; tint < kinds; tint++) {
        if (tint === own || !this.isFree(unit, tint)) continue;
        movers[own * kinds + tint]!.push(unit);
      }
    }
    let moved = false;
    for (;;) {
      if (this.over(from) <= 0) return moved;
      const way = this.wayDown(from, movers);
      if (way === null) return moved;
      // From its end: a tint has room before it takes another.
      let isWhole = true;
      for (let k = way.length - 2; k >= 0 && isWhole; k--)
        isWhole = this.moveOne(way[k]!, way[k + 1]!, movers[way[k]! * kinds + way[k + 1]!]!);
      moved ||= isWhole;
    }
  }
  /** The shortest way over tints along which units can change, from one with too many to one with too few. */
  private wayDown(from: number, movers: readonly (readonly number[])[]): readonly number[] | null {
    const cameFrom = new Map<number, number>([[from, -1]]);
    for (const tint of cameFrom.keys()) {
      if (this.over(tint) < 0) {
        const way = [tint];
        for (let at = cameFrom.get(tint)!; at >= 0; at = cameFrom.get(at)!) way.unshift(at);
        return way;
      }
      for (let to = 0; to < this.kinds; to++) if (!cameFrom.has(to) && movers[tint * this.kinds + to]!.length > 0) cameFrom.set(to, tint);
    }
    return null;
  }
  /** Lets one of those that could change tint do so, if it still can; those that no longer can are forgotten. */
  private moveOne(from: number, to: number, movers: number[]): boolean {
    for (let unit = movers.pop(); unit !== undefined; unit = movers.pop()) {
      if (this.tintOf[unit] !== from || !this.isFree(unit, to)) continue;
      this.wear(unit, to);
      return true;
    }
    return false;
  }

  /** Lets two tints change places in a group that holds more of the one that has too many. @returns whether the shares came nearer */
  private exchangeGroups(): boolean {
    const over = this.kindsBy((count, want) => count > want);
    const under = this.kindsBy((count, want) => count < want).toReversed();
    for (const a of over)
      for (const b of under) {
        const seen = new Uint8Array(this.beside.length);
        let found = false;
        for (let unit = 0; unit < seen.length && this.over(a) > 0 && this.over(b) < 0; unit++) {
          if (seen[unit] === 1 || this.tintOf[unit] !== a) continue;
          const group = this.group(unit, b);
          for (const one of group) seen[one] = 1;
          const more = group.reduce((sum, one) => sum + (this.tintOf[one] === a ? 1 : -1), 0);
          const far = Math.min(this.over(a), -this.over(b));
          // More than what is missing overshoots: still nearer while it is less than twice as much.
          if (more <= 0 || more >= 2 * far) continue;
          this.exchange(group, a, b);
          found = true;
        }
        if (found) return true;
      }
    return false;
  }
}

function shuffled(size: number, random: Random): Uint32Array {
  const order = Uint32Array.from({ length: size }, (_, i) => i);
  for (let i = size - 1; i > 0; i--) {
    const k = Math.floor(random() * (i + 1));
    const one = order[i]!;
    order[i] = order[k]!;
    order[k] = one;
  }
  return order;
}
