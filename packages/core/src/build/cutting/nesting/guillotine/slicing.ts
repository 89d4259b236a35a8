import type { Random } from '../../../../base/random';
import { SlicingTrees, type Slab, type Ground, NONE } from './slicing-trees';

/** Branches taken out by one move, at most, and slabs in each. */
const MAX_BRANCHES = 4;
const MAX_SLABS = 8;
/** So often all branches of a move come from one ground. */
const ONE_GROUND = 0.6;
/** So often a place that fits is passed over. */
const PASS_SHARE = 0.02;
/** Warmth at the start and at the end of a round, in mean areas of a slab. */
const [WARM, COLD] = [0.3, 0.01];

/**
 * Looks for a way to lay all slabs: takes branches out and puts what is out back, by annealing on the area that lies nowhere. A round begins with nothing laid and ends cold; the next begins
 * anew.
 * @source goal-driven ruin and recreate for guillotine packing (Gardeyn and Wauters 2022), on slicing trees
 */
export class SlicingSearch {
  readonly trees: SlicingTrees;
  private out: number[] = [];
  private outArea = 0;
  private move = 0;
  private readonly meanArea: number;
  private readonly keys: Float64Array;
  private readonly passes: () => number;

  /** @param roundMoves moves from warm to cold */
  constructor(
    private readonly slabs: readonly Slab[],
    grounds: readonly Ground[],
    private readonly random: Random,
    private readonly roundMoves: number,
  ) {
    this.trees = new SlicingTrees(slabs, grounds);
    const total = this.trees.areas.reduce((sum, area) => sum + area, 0);
    this.meanArea = total / Math.max(1, slabs.length);
    this.keys = new Float64Array(slabs.length);
    const scale = 1 / Math.log(1 - PASS_SHARE);
    this.passes = () => 1 + Math.floor(Math.log(1 - random()) * scale);
    this.begin();
  }

  get isDone(): boolean {
    return this.out.length === 0;
  }

  private begin(): void {
    this.trees.clear();
    this.move = 0;
    this.out = this.layAll(
      this.slabs.map((_, i) => i),
      Infinity,
    )!;
    this.outArea = this.areaOf(this.out);
  }

  /** One move: accepted, or taken back. */
  step(): void {
    if (this.move >= this.roundMoves) return this.begin();
    const { trees, random } = this;
    const warmth = WARM * (COLD / WARM) ** (this.move++ / this.roundMoves) * this.meanArea;
    // Drawn before the move, so that one that comes to nothing can be broken off.
    const limit = this.outArea - warmth * Math.log(1 - random());
    trees.save();
    const freed = [...this.out];
    this.ruin(freed);
    const left = this.layAll(freed, limit);
    if (left === null) return trees.takeBack();
    this.out = left;
    this.outArea = this.areaOf(left);
  }

  private ruin(freed: number[]): void {
    const { trees, random, slabs } = this;
    const branches = 1 + Math.floor(random() * MAX_BRANCHES);
    const isOneGround = random() < ONE_GROUND;
    let ground = NONE;
    for (let i = 0, tries = 0; i < branches && tries < 24; tries++) {
      const slab = Math.floor(random() * slabs.length);
      if (!trees.isLaid(slab) || (isOneGround && ground !== NONE && trees.groundOf(slab) !== ground)) continue;
      i += 1;
      ground = trees.groundOf(slab);
      let steps = 0;
      while (steps < 4 && random() < 0.5) steps += 1;
      trees.takeOut(trees.branchOver(slab, steps, MAX_SLABS), freed);
    }
  }

  /** Lays slabs in a noisy order of size; null as soon as more than a limit lies nowhere. */
  private layAll(slabs: number[], limit: number): number[] | null {
    const { random, keys, trees } = this;
    const sort = random();
    for (const slab of slabs) {
      const { w, h } = this.slabs[slab]!;
      const size = sort < 0.6 ? w * h : sort < 0.8 ? Math.max(w, h) : Math.min(w, h);
      keys[slab] = size * (0.8 + 0.4 * random());
    }
    slabs.sort((a, b) => keys[b]! - keys[a]!);
    const left: number[] = [];
    let leftArea = 0;
    for (const slab of slabs) {
      if (trees.lay(slab, this.passes)) continue;
      left.push(slab);
      leftArea += trees.areas[slab]!;
      if (leftArea > limit) return null;
    }
    return left;
  }
  private areaOf(slabs: readonly number[]): number {
    return slabs.reduce((sum, slab) => sum + this.trees.areas[slab]!, 0);
  }
}
