import { type CutNode, wasteOf } from './cut-tree';

/** What is to be laid: its size with the kerf, mm, and whether it may lie the other way. */
export interface Slab {
  readonly w: number;
  readonly h: number;
  readonly mayTurn: boolean;
}
/** Free ground that is there to be laid on, with the kerf that may hang over. */
export interface Ground {
  readonly w: number;
  readonly h: number;
}
/** Sizes are whole thousandths of a mm: sums are exact, and what fits to the last fits. */
const UNITS_PER_MM = 1_000;
/** The last bits of sums of mm. */
const EXACT = 1e-6;
/** What is laid is never taken for smaller, what it is laid on never for larger. */
const slabUnits = (mm: number): number => Math.ceil(mm * UNITS_PER_MM - EXACT);
const groundUnits = (mm: number): number => Math.floor(mm * UNITS_PER_MM + EXACT);
const BESIDE = 0;
const BELOW = 1;
export const NONE = -1;
/** Whole numbers that are known of each node. */
const COLUMNS = 10;
/**
 * Slabs on ground as slicing trees: a node is a slab, or two nodes side by side or one below the other, in the least box that holds them. Free ground is never in one place: what a
 * node may grow to is what is left of the ground when all its relations keep to their least boxes, so every node sees all the slack there is above it, and a slab goes in beside or below
 * **any** node, slab or not. The whole lies in one buffer, so that a move is taken back by one copy.
 * @source slicing trees: Wong and Liu 1986
 */
export class SlicingTrees {
  private readonly count: number;
  private readonly slabW: Int32Array;
  private readonly slabH: Int32Array;
  private readonly turns: Uint8Array;
  readonly areas: Float64Array;
  private readonly groundW: Int32Array;
  private readonly groundH: Int32Array;
  // One buffer: first the floats, then the whole numbers, of nodes and of grounds.
  private readonly all: Float64Array;
  private readonly saved: Float64Array;
  /** Of each inner node what its gap counts; of each ground what is free beside and below its tree counts; how much of it is free. */
  private readonly score: Float64Array;
  private readonly rootScore: Float64Array;
  private readonly free: Float64Array;
  /** The parent of a root is its ground: −2 less its number. */
  private readonly parent: Int32Array;
  private readonly left: Int32Array;
  private readonly right: Int32Array;
  /** How an inner node lays its children; of a slab, whether it lies turned. */
  private readonly lie: Int32Array;
  private readonly w: Int32Array;
  private readonly h: Int32Array;
  private readonly roomW: Int32Array;
  private readonly roomH: Int32Array;
  /** The most slack either way of a node and all that are under it: what is larger fits nowhere there. */
  private readonly mostW: Int32Array;
  private readonly mostH: Int32Array;
  private readonly root: Int32Array;
  /** Inner nodes that are in no tree, each with the next as its parent. */
  private readonly spare: Int32Array;
  private readonly stack: Int32Array;
  /** Inner nodes of a ground, each after the one it hangs from. */
  private readonly order: Int32Array;

  constructor(slabs: readonly Slab[], grounds: readonly Ground[]) {
    const n = (this.count = slabs.length);
    const nodes = Math.max(2, 2 * n);
    this.slabW = Int32Array.from(slabs, ({ w }) => slabUnits(w));
    this.slabH = Int32Array.from(slabs, ({ h }) => slabUnits(h));
    this.turns = Uint8Array.from(slabs, ({ mayTurn, w, h }) => (mayTurn && w !== h ? 2 : 1));
    this.areas = Float64Array.from(this.slabW, (own, i) => own * this.slabH[i]!);
    this.groundW = Int32Array.from(grounds, ({ w }) => groundUnits(w));
    this.groundH = Int32Array.from(grounds, ({ h }) => groundUnits(h));
    const g = grounds.length;
    const floats = nodes + 2 * g;
    const wholes = COLUMNS * nodes + g + 1;
    const buffer = new ArrayBuffer(8 * floats + 8 * Math.ceil(wholes / 2));
    this.all = new Float64Array(buffer);
    this.saved = new Float64Array(this.all.length);
    this.score = new Float64Array(buffer, 0, nodes);
    this.rootScore = new Float64Array(buffer, 8 * nodes, g);
    this.free = new Float64Array(buffer, 8 * (nodes + g), g);
    const column = (i: number, length = nodes): Int32Array => new Int32Array(buffer, 8 * floats + 4 * i * nodes, length);
    this.parent = column(0);
    this.left = column(1);
    this.right = column(2);
    this.lie = column(3);
    this.w = column(4);
    this.h = column(5);
    this.roomW = column(6);
    this.roomH = column(7);
    this.mostW = column(8);
    this.mostH = column(9);
    this.root = column(COLUMNS, g);
    this.spare = new Int32Array(buffer, 8 * floats + 4 * (COLUMNS * nodes + g), 1);
    this.stack = new Int32Array(nodes + 2);
    this.order = new Int32Array(nodes);
    this.clear();
  }

  /** Takes everything out. */
  clear(): void {
    this.parent.fill(NONE);
    this.root.fill(NONE);
    this.spare[0] = NONE;
    for (let node = this.parent.length - 1; node >= this.count; node--) this.release(node);
    for (let b = 0; b < this.root.length; b++) {
      this.free[b] = this.groundW[b]! * this.groundH[b]!;
      this.rootScore[b] = this.rootGap(b, 0, 0);
    }
  }
  save(): void {
    this.saved.set(this.all);
  }
  takeBack(): void {
    this.all.set(this.saved);
  }
  isLaid(slab: number): boolean {
    return this.parent[slab] !== NONE;
  }
  groundOf(node: number): number {
    let at = node;
    while (this.parent[at]! >= 0) at = this.parent[at]!;
    return -2 - this.parent[at]!;
  }

  /** The branch so many steps above a slab, as long as it holds no more slabs than so many. */
  branchOver(slab: number, steps: number, most: number): number {
    let node = slab;
    for (let i = 0; i < steps; i++) {
      const up = this.parent[node]!;
      if (up < 0 || this.slabsUnder(up, null) > most) break;
      node = up;
    }
    return node;
  }

  /** Takes a branch out; what lay in it is added to a list. */
  takeOut(node: number, out: number[]): void {
    const { parent, left, right, root } = this;
    const b = this.groundOf(node);
    const up = parent[node]!;
    if (up < 0) {
      root[b] = NONE;
      this.rootScore[b] = this.rootGap(b, 0, 0);
    } else {
      const sibling = left[up] === node ? right[up]! : left[up]!;
      const over = parent[up]!;
      parent[sibling] = over;
      if (over < 0) root[b] = sibling;
      else if (left[over] === up) left[over] = sibling;
      else right[over] = sibling;
      this.release(up);
      this.settle(over, b);
      this.giveRoom(b);
    }
    const from = out.length;
    this.slabsUnder(node, out);
    for (let i = from; i < out.length; i++) {
      this.free[b] = this.free[b]! + this.areas[out[i]!]!;
      parent[out[i]!] = NONE;
    }
  }

  /** Slabs of a branch counted; with a list they are put into it, and the inner nodes are let go. */
  private slabsUnder(node: number, out: number[] | null): number {
    const { stack, left, right } = this;
    let [top, found] = [0, 0];
    stack[top++] = node;
    while (top > 0) {
      const at = stack[--top]!;
      if (at < this.count) {
        found += 1;
        out?.push(at);
        continue;
      }
      stack[top++] = left[at]!;
      stack[top++] = right[at]!;
      if (out !== null) this.release(at);
    }
    return found;
  }

  /**
   * Lays a slab where the free ground stays in the largest pieces: the sum over gaps of (area)^1.5 is greatest after it.
   * @param passes how many places are looked at before the next one is passed over, drawn anew each time
   * @returns false where it fits nowhere
   */
  lay(slab: number, passes: () => number): boolean {
    const { root, free, best } = this;
    const area = this.areas[slab]!;
    best.ground = NONE;
    best.gain = -Infinity;
    this.passes = passes;
    this.skip = passes();
    for (let b = 0; b < root.length; b++) {
      if (free[b]! < area) continue;
      if (root[b] === NONE) this.lookAtEmpty(slab, b);
      else this.lookThrough(slab, b);
    }
    if (best.ground === NONE) return false;
    this.put(slab, best.turn, best.node, best.lie, best.ground);
    return true;
  }
  /** The best place found so far; one object for all slabs, for millions are laid. */
  private readonly best = { node: NONE, lie: BESIDE as number, turn: 0, ground: NONE, gain: -Infinity };
  private passes: () => number = () => Infinity;
  private skip = Infinity;
  private better(node: number, lie: number, turn: number, ground: number, gain: number): void {
    const { best } = this;
    if (gain <= best.gain) return;
    best.node = node;
    best.lie = lie;
    best.turn = turn;
    best.ground = ground;
    best.gain = gain;
  }

  /** Ground on which nothing lies yet. */
  private lookAtEmpty(slab: number, b: number): void {
    for (let turn = 0; turn < this.turns[slab]!; turn++) {
      const pw = turn === 0 ? this.slabW[slab]! : this.slabH[slab]!;
      const ph = turn === 0 ? this.slabH[slab]! : this.slabW[slab]!;
      if (pw > this.groundW[b]! || ph > this.groundH[b]!) continue;
      this.better(NONE, this.best.lie, turn, b, this.rootGap(b, pw, ph) - this.rootScore[b]!);
    }
  }
  /** All nodes of a tree that have room for a slab beside or below them. */
  private lookThrough(slab: number, b: number): void {
    const { stack, roomW, roomH, left, right, mostW, mostH, count } = this;
    const [slabW, slabH, turns] = [this.slabW[slab]!, this.slabH[slab]!, this.turns[slab]!];
    const least = Math.min(slabW, slabH);
    let top = 0;
    stack[top++] = this.root[b]!;
    while (top > 0) {
      const node = stack[--top]!;
      // Further down the room is less, and in all of it there is no more slack than this.
      if (roomW[node]! < least || roomH[node]! < least) continue;
      const mw = mostW[node]!;
      const mh = mostH[node]!;
      if (slabW > mw && slabH > mh && (turns === 1 || (slabH > mw && slabW > mh))) continue;
      this.lookBeside(slab, node, b);
      if (node >= count) {
        stack[top++] = left[node]!;
        stack[top++] = right[node]!;
      }
    }
  }
  private lookBeside(slab: number, node: number, b: number): void {
    const rw = this.roomW[node]!;
    const rh = this.roomH[node]!;
    const slackW = rw - this.w[node]!;
    const slackH = rh - this.h[node]!;
    for (let turn = 0; turn < this.turns[slab]!; turn++) {
      const pw = turn === 0 ? this.slabW[slab]! : this.slabH[slab]!;
      const ph = turn === 0 ? this.slabH[slab]! : this.slabW[slab]!;
      if (pw <= slackW && ph <= rh && --this.skip !== 0) this.better(node, BESIDE, turn, b, this.gain(node, BESIDE, pw, ph, b));
      if (ph <= slackH && pw <= rw && --this.skip !== 0) this.better(node, BELOW, turn, b, this.gain(node, BELOW, pw, ph, b));
      if (this.skip <= 0) this.skip = this.passes();
    }
  }

  /** By how much the gaps count more with a box beside or below a node. */
  private gain(node: number, lie: number, pw: number, ph: number, b: number): number {
    const { parent, left, right, score, w, h, lie: lies } = this;
    const nw = w[node]!;
    const nh = h[node]!;
    let sum = gapScore(lie, nw, nh, pw, ph);
    let cw = lie === BESIDE ? nw + pw : nw > pw ? nw : pw;
    let ch = lie === BESIDE ? (nh > ph ? nh : ph) : nh + ph;
    let at = node;
    for (let up = parent[at]!; up >= 0; up = parent[at]!) {
      const sibling = left[up] === at ? right[up]! : left[up]!;
      const sw = w[sibling]!;
      const sh = h[sibling]!;
      const own = lies[up]!;
      sum += gapScore(own, cw, ch, sw, sh) - score[up]!;
      if (own === BESIDE) {
        cw += sw;
        if (sh > ch) ch = sh;
      } else {
        ch += sh;
        if (sw > cw) cw = sw;
      }
      // What is above sees nothing of it.
      if (cw === w[up] && ch === h[up]) return sum;
      at = up;
    }
    return sum + this.rootGap(b, cw, ch) - this.rootScore[b]!;
  }

  private put(slab: number, turn: number, node: number, lie: number, b: number): void {
    const { parent, left, right, root } = this;
    this.lie[slab] = turn;
    this.w[slab] = turn === 0 ? this.slabW[slab]! : this.slabH[slab]!;
    this.h[slab] = turn === 0 ? this.slabH[slab]! : this.slabW[slab]!;
    this.free[b] = this.free[b]! - this.areas[slab]!;
    if (node === NONE) {
      root[b] = slab;
      parent[slab] = -2 - b;
      this.settle(-2 - b, b);
    } else {
      const made = this.spare[0]!;
      this.spare[0] = parent[made]!;
      const up = parent[node]!;
      parent[made] = up;
      if (up < 0) root[b] = made;
      else if (left[up] === node) left[up] = made;
      else right[up] = made;
      left[made] = node;
      right[made] = slab;
      this.lie[made] = lie;
      parent[node] = made;
      parent[slab] = made;
      this.settle(made, b);
    }
    this.giveRoom(b);
  }

  private release(node: number): void {
    this.parent[node] = this.spare[0]!;
    this.spare[0] = node;
  }

  /** Boxes and gaps from a node up to the ground. */
  private settle(node: number, b: number): void {
    const { parent, left, right, w, h } = this;
    for (let at = node; at >= 0; at = parent[at]!) {
      const l = left[at]!;
      const r = right[at]!;
      const lie = this.lie[at]!;
      this.score[at] = gapScore(lie, w[l]!, h[l]!, w[r]!, h[r]!);
      w[at] = lie === BESIDE ? w[l]! + w[r]! : Math.max(w[l]!, w[r]!);
      h[at] = lie === BESIDE ? Math.max(h[l]!, h[r]!) : h[l]! + h[r]!;
    }
    const top = this.root[b]!;
    this.rootScore[b] = this.rootGap(b, w[top]!, h[top]!);
  }

  /** What every node of a ground may grow to, and the most slack under it. */
  private giveRoom(b: number): void {
    const { stack, order, left, right, lie, w, h, roomW, roomH, mostW, mostH, count } = this;
    const first = this.root[b]!;
    roomW[first] = this.groundW[b]!;
    roomH[first] = this.groundH[b]!;
    mostW[first] = roomW[first]! - w[first]!;
    mostH[first] = roomH[first]! - h[first]!;
    let top = 0;
    let inner = 0;
    if (first >= count) stack[top++] = first;
    while (top > 0) {
      const at = stack[--top]!;
      order[inner++] = at;
      const l = left[at]!;
      const r = right[at]!;
      const rw = roomW[at]!;
      const rh = roomH[at]!;
      const [wl, wr, hl, hr] = [w[l]!, w[r]!, h[l]!, h[r]!];
      if (lie[at] === BESIDE) {
        roomW[l] = rw - wr;
        roomW[r] = rw - wl;
        roomH[l] = roomH[r] = rh;
        mostW[l] = mostW[r] = rw - wl - wr;
        mostH[l] = rh - hl;
        mostH[r] = rh - hr;
      } else {
        roomH[l] = rh - hr;
        roomH[r] = rh - hl;
        roomW[l] = roomW[r] = rw;
        mostH[l] = mostH[r] = rh - hl - hr;
        mostW[l] = rw - wl;
        mostW[r] = rw - wr;
      }
      if (l >= count) stack[top++] = l;
      if (r >= count) stack[top++] = r;
    }
    while (inner > 0) {
      const at = order[--inner]!;
      const l = left[at]!;
      const r = right[at]!;
      const mw = mostW[l]! > mostW[r]! ? mostW[l]! : mostW[r]!;
      const mh = mostH[l]! > mostH[r]! ? mostH[l]! : mostH[r]!;
      if (mw > mostW[at]!) mostW[at] = mw;
      if (mh > mostH[at]!) mostH[at] = mh;
    }
  }

  /** What is free beside and below the whole tree, cut the way that leaves the larger piece. */
  private rootGap(b: number, w: number, h: number): number {
    const gw = this.groundW[b]!;
    const gh = this.groundH[b]!;
    const columns = power((gw - w) * gh) + power(w * (gh - h));
    const rows = power((gw - w) * h) + power(gw * (gh - h));
    return columns > rows ? columns : rows;
  }

  /** The tree of a ground as through cuts divide it, in mm from a corner; null where nothing lies there. @param parts what each slab is: laid so, turned or not, at a corner */
  cutTree(b: number, x: number, y: number, partAt: (slab: number, turned: boolean, x: number, y: number) => CutNode): CutNode | null {
    const first = this.root[b]!;
    if (first === NONE) return null;
    const mm = (units: number): number => units / UNITS_PER_MM;
    const open = (node: number, atX: number, atY: number, w: number, h: number): CutNode => {
      const own: CutNode =
        node < this.count
          ? partAt(node, this.lie[node] === 1, mm(atX) + x, mm(atY) + y)
          : this.lie[node] === BESIDE
            ? inRow('x', [
                open(this.left[node]!, atX, atY, this.w[this.left[node]!]!, this.h[node]!),
                open(this.right[node]!, atX + this.w[this.left[node]!]!, atY, this.w[this.right[node]!]!, this.h[node]!),
              ])
            : inRow('y', [
                open(this.left[node]!, atX, atY, this.w[node]!, this.h[this.left[node]!]!),
                open(this.right[node]!, atX, atY + this.h[this.left[node]!]!, this.w[node]!, this.h[this.right[node]!]!),
              ]);
      return filledOut(own, w - this.w[node]!, h - this.h[node]!);
    };
    /** What is left of a stretch is cut off so that the larger piece is whole. */
    const filledOut = (node: CutNode, restW: number, restH: number): CutNode => {
      const [w, h] = [mm(restW), mm(restH)];
      const isRightWhole = w * (node.h + h) >= (node.w + w) * h;
      let made = node;
      const below = (): void => {
        if (restH > 0) made = inRow('y', [made, wasteOf(made.x, made.y + made.h, made.w, h)]);
      };
      if (isRightWhole) below();
      if (restW > 0) made = inRow('x', [made, wasteOf(made.x + made.w, made.y, w, made.h)]);
      if (!isRightWhole) below();
      return made;
    };
    return open(first, 0, 0, this.groundW[b]!, this.groundH[b]!);
  }
}
function inRow(along: 'x' | 'y', children: readonly CutNode[]): CutNode {
  const [first, last] = [children[0]!, children.at(-1)!];
  const flat = children.flatMap((child) => (child.kind === 'split' && child.along === along ? child.children : [child]));
  return {
    kind: 'split',
    along,
    x: first.x,
    y: first.y,
    w: along === 'x' ? last.x + last.w - first.x : first.w,
    h: along === 'y' ? last.y + last.h - first.y : first.h,
    children: flat,
  };
}
const power = (area: number): number => area * Math.sqrt(area);
/** What the ground counts that the smaller of two boxes leaves free beside the larger. */
function gapScore(lie: number, aw: number, ah: number, bw: number, bh: number): number {
  if (lie === BESIDE) return ah > bh ? power((ah - bh) * bw) : power((bh - ah) * aw);
  return aw > bw ? power((aw - bw) * bh) : power((bw - aw) * ah);
}
