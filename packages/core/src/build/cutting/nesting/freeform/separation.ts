import type { Random } from '../../../../base/random';
import { type ConvexPiece, depthOf } from './convex';

/** One way that something may lie. */
export interface Orientation {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly pieces: readonly ConvexPiece[];
}
/** What is to be laid; fixed where it lies already. */
export interface Body {
  readonly lies: readonly Orientation[];
  readonly fixed: BodySpot | null;
}
/** Where something lies: on which sheet, in which of its lies, its corner in mm from the sheet's. */
export interface BodySpot {
  readonly sheet: number;
  readonly lie: number;
  readonly x: number;
  readonly y: number;
}
export interface Ground {
  readonly w: number;
  readonly h: number;
}

/** Places tried for a body: anywhere, near where it lies, and how many of the best are gone on from. */
const TRIED = { anywhere: 40, near: 16, followed: 2 } as const;
/** Going on from a place: first steps as a share of the body's size, last ones in mm. */
const STEP = { first: 0.12, lastMm: 0.05, shorter: 0.5 } as const;
/** What two bodies that are still in each other count more after a sweep, those deepest in most; and less where they are clear. */
const HEAVIER = { least: 1.05, most: 1.25 } as const;
const LIGHTER = 0.95;
/** Sweeps without anything better before it goes back to the best and changes two bodies over. */
const PATIENCE = 100;
/** Depths that come to less than this, all together, are none, mm. */
const CLEAR_MM = 1e-6;

/**
 * Lays bodies on sheets by letting them lie in each other at first and taking them apart: each that is in another goes to the place where it is in others least. Pairs that stay in
 * each other weigh more and more, so that the way out of a knot is found by going through what is worse.
 * @source overlap minimisation with guided local search (Egeblad, Nielsen & Odgaard 2007; Umetani et al. 2009), by depths of convex pieces
 */
export class Separation {
  private readonly n: number;
  private readonly sheet: Int32Array;
  private readonly lie: Int32Array;
  private readonly x: Float64Array;
  private readonly y: Float64Array;
  private readonly weight: Float64Array;
  private readonly depth: Float64Array;
  private readonly movable: readonly number[];
  private best: readonly BodySpot[];
  private bestDepth = Infinity;
  private stale = 0;

  /** @param from where each body is to begin; null for anywhere */
  constructor(
    private readonly bodies: readonly Body[],
    private readonly grounds: readonly Ground[],
    private readonly nearMm: number,
    private readonly random: Random,
    from: readonly (BodySpot | null)[],
  ) {
    const n = (this.n = bodies.length);
    this.sheet = new Int32Array(n);
    this.lie = new Int32Array(n);
    this.x = new Float64Array(n);
    this.y = new Float64Array(n);
    this.weight = new Float64Array(n * n).fill(1);
    this.depth = new Float64Array(n * n);
    this.movable = bodies.flatMap(({ fixed }, i) => (fixed === null ? [i] : []));
    bodies.forEach(({ fixed }, i) => this.put(i, fixed ?? from[i] ?? this.anywhere(i)));
    for (let i = 0; i < n; i++) this.measure(i);
    this.best = this.spots();
    this.note();
  }

  /** Whether nothing lies in anything else. */
  get isClear(): boolean {
    return this.bestDepth < CLEAR_MM;
  }
  /** Where everything lies in the best state so far. */
  get found(): readonly BodySpot[] {
    return this.best;
  }

  /** Each body that lies in another is moved once. */
  sweep(): void {
    const { random, movable } = this;
    const inOthers = movable.filter((i) => this.depthOfAll(i) > CLEAR_MM);
    const order = inOthers.map((i) => ({ i, key: random() })).sort((a, b) => a.key - b.key);
    for (const { i } of order) if (this.depthOfAll(i) > CLEAR_MM) this.moveBody(i);
    this.weigh();
    this.note();
    if (++this.stale > PATIENCE) this.shake();
  }

  private note(): void {
    let sum = 0;
    for (let i = 0; i < this.n; i++) for (let j = 0; j < i; j++) sum += this.depth[i * this.n + j]!;
    if (sum >= this.bestDepth) return;
    this.bestDepth = sum;
    this.best = this.spots();
    this.stale = 0;
  }
  private spots(): BodySpot[] {
    return this.bodies.map((_, i) => this.spotOf(i));
  }
  private spotOf(i: number): BodySpot {
    return { sheet: this.sheet[i]!, lie: this.lie[i]!, x: this.x[i]!, y: this.y[i]! };
  }
  private put(i: number, { sheet, lie, x, y }: BodySpot): void {
    [this.sheet[i], this.lie[i], this.x[i], this.y[i]] = [sheet, lie, x, y];
  }

  /** Back to the best, two bodies changed over there, all pairs as heavy as at first. */
  private shake(): void {
    const { movable, random } = this;
    this.best.forEach((spot, i) => this.put(i, spot));
    this.weight.fill(1);
    this.stale = 0;
    const pick = (): number => movable[Math.floor(random() * movable.length)]!;
    const [a, b] = [pick(), pick()];
    const [atA, atB] = [this.best[a]!, this.best[b]!];
    this.put(a, this.held(a, atB.sheet, this.lie[a]!, atB.x, atB.y));
    this.put(b, this.held(b, atA.sheet, this.lie[b]!, atA.x, atA.y));
    for (let i = 0; i < this.n; i++) this.measure(i);
  }

  /** A place as near as the sheet allows; elsewhere where the body does not fit on it. */
  private held(i: number, sheet: number, lie: number, x: number, y: number): BodySpot {
    const { widthMm, depthMm } = this.bodies[i]!.lies[lie]!;
    const { w, h } = this.grounds[sheet]!;
    if (widthMm > w || depthMm > h) return this.anywhere(i);
    return { sheet, lie, x: Math.min(Math.max(0, x), w - widthMm), y: Math.min(Math.max(0, y), h - depthMm) };
  }
  private anywhere(i: number): BodySpot {
    const { random, grounds } = this;
    const { lies } = this.bodies[i]!;
    for (;;) {
      const sheet = Math.floor(random() * grounds.length);
      const lie = Math.floor(random() * lies.length);
      const { widthMm, depthMm } = lies[lie]!;
      const { w, h } = grounds[sheet]!;
      if (widthMm <= w && depthMm <= h) return { sheet, lie, x: random() * (w - widthMm), y: random() * (h - depthMm) };
    }
  }

  /** How deep two bodies lie in each other, if the first lay somewhere else. */
  private depthAt(i: number, { sheet, lie, x, y }: BodySpot, j: number): number {
    if (this.sheet[j] !== sheet) return 0;
    const [own, other] = [this.bodies[i]!.lies[lie]!, this.bodies[j]!.lies[this.lie[j]!]!];
    const dx = this.x[j]! - x;
    const dy = this.y[j]! - y;
    const near = this.nearMm;
    if (dx >= own.widthMm + near || -dx >= other.widthMm + near || dy >= own.depthMm + near || -dy >= other.depthMm + near) return 0;
    let sum = 0;
    for (const a of own.pieces) {
      if (dx - a.right >= near || a.left - other.widthMm - dx >= near || dy - a.bottom >= near || a.top - other.depthMm - dy >= near)
        continue;
      for (const b of other.pieces) {
        if (isClear(a, b, dx, dy, near)) continue;
        const depth = depthOf(a, b, dx, dy, near);
        if (depth > sum) sum = depth;
      }
    }
    return sum;
  }
  /** Depth in all others by their weights; broken off where it comes to more than enough. */
  private costAt(i: number, spot: BodySpot, enough: number): number {
    let sum = 0;
    for (let j = 0; j < this.n && sum < enough; j++) if (j !== i) sum += this.weight[i * this.n + j]! * this.depthAt(i, spot, j);
    return sum;
  }
  private measure(i: number): void {
    const spot = this.spotOf(i);
    for (let j = 0; j < this.n; j++) if (j !== i) this.depth[i * this.n + j] = this.depth[j * this.n + i] = this.depthAt(i, spot, j);
  }
  private depthOfAll(i: number): number {
    let sum = 0;
    for (let j = 0; j < this.n; j++) sum += this.depth[i * this.n + j]!;
    return sum;
  }

  private moveBody(i: number): void {
    const { random } = this;
    const now = this.spotOf(i);
    const kept: { spot: BodySpot; cost: number }[] = [{ spot: now, cost: this.costAt(i, now, Infinity) }];
    const consider = (spot: BodySpot): void => {
      const enough = kept.length < TRIED.followed ? Infinity : kept.at(-1)!.cost;
      const cost = this.costAt(i, spot, enough);
      if (cost >= enough) return;
      kept.push({ spot, cost });
      kept.sort((a, b) => a.cost - b.cost);
      if (kept.length > TRIED.followed) kept.pop();
    };
    for (let k = 0; k < TRIED.anywhere; k++) consider(this.anywhere(i));
    const { lies } = this.bodies[i]!;
    for (let k = 0; k < TRIED.near; k++) {
      const lie = k % 2 === 0 ? now.lie : Math.floor(random() * lies.length);
      const { widthMm, depthMm } = lies[lie]!;
      consider(this.held(i, now.sheet, lie, now.x + (random() - 0.5) * widthMm, now.y + (random() - 0.5) * depthMm));
    }
    let [best, least] = [now, Infinity];
    for (const { spot, cost } of kept) {
      const followed = this.follow(i, spot, cost);
      if (followed.cost < least) [best, least] = [followed.spot, followed.cost];
      if (least < CLEAR_MM) break;
    }
    this.put(i, best);
    this.measure(i);
  }

  /** Goes from a place to where it is less deep, along and across, in shorter and shorter steps. */
  private follow(i: number, from: BodySpot, atFirst: number): { readonly spot: BodySpot; readonly cost: number } {
    const { random } = this;
    const { widthMm, depthMm } = this.bodies[i]!.lies[from.lie]!;
    let [spot, cost] = [from, atFirst];
    let step = STEP.first * Math.min(widthMm, depthMm);
    while (step > STEP.lastMm && cost > CLEAR_MM) {
      let isBetter = false;
      const turn = random() * 2 * Math.PI;
      for (let way = 0; way < 4; way++) {
        const angle = turn + (way * Math.PI) / 2;
        const next = this.held(i, spot.sheet, spot.lie, spot.x + step * Math.cos(angle), spot.y + step * Math.sin(angle));
        const own = this.costAt(i, next, cost);
        if (own >= cost) continue;
        [spot, cost, isBetter] = [next, own, true];
        break;
      }
      step *= isBetter ? 1.3 : STEP.shorter;
    }
    return { spot, cost };
  }

  private weigh(): void {
    let most = 0;
    for (const depth of this.depth) if (depth > most) most = depth;
    for (let k = 0; k < this.depth.length; k++) {
      const depth = this.depth[k]!;
      this.weight[k] =
        depth > CLEAR_MM
          ? this.weight[k]! * (HEAVIER.least + (HEAVIER.most - HEAVIER.least) * (depth / most))
          : Math.max(1, this.weight[k]! * LIGHTER);
    }
  }
}

/** Whether the boxes of two pieces lie apart: asked of nearly all pairs, and small enough to cost no call. */
const isClear = (a: ConvexPiece, b: ConvexPiece, dx: number, dy: number, nearMm: number): boolean =>
  b.left + dx - a.right >= nearMm || a.left - b.right - dx >= nearMm || b.top + dy - a.bottom >= nearMm || a.top - b.bottom - dy >= nearMm;
