import type { Random } from '../../../../base/random';
import { type CutNode, wasteOf } from '../guillotine/cut-tree';

/** Parts joined into one rectangle that through cuts take apart again; its tree starts at 0, 0. Sizes carry the kerf. */
export interface Cluster {
  readonly w: number;
  readonly h: number;
  /** Area of the parts in it. */
  readonly area: number;
  readonly mayTurn: boolean;
  readonly node: CutNode;
}

/** What a sheet has for parts with their kerf. */
export interface Room {
  readonly w: number;
  readonly h: number;
}

/** Differences under this are the rounding of cut sizes. */
const EVEN_MM = 0.01;

/**
 * Joins rectangles two by two, always a pair among those that waste least by it, while the waste of a join stays under a share of what it makes. Sides that match
 * are how parts cut from one strip tell: joined again they leave nothing.
 * @param mostWaste share of a joined rectangle that may be waste; @param sheets a joined rectangle must fit one of them, turned or not
 * @param random picks among the best few pairs; null always takes the best
 * @source bottom-up building of guillotine patterns (Wang 1983), greedily
 */
export function clustered(
  clusters: readonly Cluster[],
  mostWaste: number,
  sheets: readonly Room[],
  random: Random | null,
): readonly Cluster[] {
  const alive = [...clusters];
  let pairs = alive.flatMap((a, i) => alive.slice(i + 1).flatMap((b) => joinsOf(a, b, mostWaste, sheets)));
  while (pairs.length > 0) {
    let best = pairs[0]!;
    for (const pair of pairs) if (pair.cost < best.cost) best = pair;
    if (random !== null) {
      // Of pairs nearly as good any may come first: the larger ones a little rather.
      const near = pairs.filter(({ cost }) => cost <= best.cost + NEAR);
      best = near[Math.floor(random() * near.length)]!;
    }
    const made = best.make();
    const { a, b } = best;
    alive.splice(alive.indexOf(a), 1);
    alive.splice(alive.indexOf(b), 1);
    pairs = pairs.filter((pair) => pair.a !== a && pair.a !== b && pair.b !== a && pair.b !== b);
    for (const other of alive) pairs.push(...joinsOf(other, made, mostWaste, sheets));
    alive.push(made);
  }
  return alive;
}

/** A side this near the sheet's makes a strip. */
const STRIP_SHARE = 0.95;
/** Pairs whose waste differs by less than this share are as good as each other. */
const NEAR = 0.0015;

interface Join {
  readonly a: Cluster;
  readonly b: Cluster;
  /** Waste as a share of the joined rectangle. */
  readonly cost: number;
  readonly make: () => Cluster;
}

/** Two clusters in a row: the way it runs, and its size. */
interface Row {
  readonly along: 'x' | 'y';
  readonly w: number;
  readonly h: number;
}

function joinsOf(a: Cluster, b: Cluster, mostWaste: number, sheets: readonly Room[]): Join[] {
  const found: Join[] = [];
  if ([a.w, a.h, b.w, b.h].some(isStrip)) return found;
  const [aTurns, bTurns] = [turnsOf(a), turnsOf(b)];
  const canTurn = a.mayTurn && b.mayTurn;
  for (const aTurned of aTurns) {
    const [aw, ah] = aTurned ? [a.h, a.w] : [a.w, a.h];
    for (const bTurned of bTurns) {
      const [bw, bh] = bTurned ? [b.h, b.w] : [b.w, b.h];
      // Side by side; for what may turn, one below the other is the same turned.
      consider({ along: 'x', w: aw + bw, h: Math.max(ah, bh) }, Math.abs(ah - bh) <= EVEN_MM, aTurned, bTurned);
      if (!canTurn) consider({ along: 'y', w: Math.max(aw, bw), h: ah + bh }, Math.abs(aw - bw) <= EVEN_MM, aTurned, bTurned);
    }
  }
  return found;

  /** As deep or as wide as the sheet: strips from any sheet match, so which go together is for the laying out to find. */
  function isStrip(sideMm: number): boolean {
    return sheets.some(({ w, h }) => [w, h].some((sheetMm) => sideMm >= sheetMm * STRIP_SHARE && sideMm <= sheetMm + 1e-6));
  }
  function consider(row: Row, isEven: boolean, aTurned: boolean, bTurned: boolean): void {
    const { w, h } = row;
    const goes = (a: number, b: number): boolean => sheets.some((sheet) => a <= sheet.w + 1e-6 && b <= sheet.h + 1e-6);
    const fits = goes(w, h) || (canTurn && goes(h, w));
    if (!fits) return;
    const cost = isEven ? 0 : 1 - (a.w * a.h + b.w * b.h) / (w * h);
    if (cost > mostWaste) return;
    found.push({ a, b, cost, make: () => sideBySide(row, aTurned ? turned(a) : a, bTurned ? turned(b) : b, canTurn) });
  }
}

const turnsOf = ({ mayTurn, w, h }: Cluster): readonly boolean[] => (mayTurn && Math.abs(w - h) > EVEN_MM ? [false, true] : [false]);

function sideBySide(row: Row, a: Cluster, b: Cluster, mayTurn: boolean): Cluster {
  const { along, w, h } = row;
  const [first, second] = [padded(a, row, 0), padded(b, row, along === 'x' ? a.w : a.h)];
  return { w, h, area: a.area + b.area, mayTurn, node: { kind: 'split', along, x: 0, y: 0, w, h, children: [first, second] } };
}

/** A cluster at its place in a row, with what it lacks of the row's depth left free beside it. */
function padded(cluster: Cluster, { along, w, h }: Row, at: number): CutNode {
  const node = movedTo(cluster.node, along === 'x' ? at : 0, along === 'x' ? 0 : at);
  const lacks = along === 'x' ? h - cluster.h : w - cluster.w;
  if (lacks <= EVEN_MM) return node;
  const { x, y } = node;
  return along === 'x'
    ? { kind: 'split', along: 'y', x, y, w: cluster.w, h, children: [node, wasteOf(x, y + cluster.h, cluster.w, lacks)] }
    : { kind: 'split', along: 'x', x, y, w, h: cluster.h, children: [node, wasteOf(x + cluster.w, y, lacks, cluster.h)] };
}

/** A cluster turned by a quarter: its axes change places. */
export function turned({ w, h, area, mayTurn, node }: Cluster): Cluster {
  return { w: h, h: w, area, mayTurn, node: turnedNode(node) };
}
function turnedNode(node: CutNode): CutNode {
  const own = { x: node.y, y: node.x, w: node.h, h: node.w };
  if (node.kind === 'split') return { ...node, ...own, along: node.along === 'x' ? 'y' : 'x', children: node.children.map(turnedNode) };
  return node.kind === 'part' ? { ...node, ...own, turned: !node.turned } : { ...node, ...own };
}

/** A tree put somewhere else. */
export function movedTo(node: CutNode, x: number, y: number): CutNode {
  return shifted(node, x - node.x, y - node.y);
}
function shifted(node: CutNode, dx: number, dy: number): CutNode {
  const own = { x: node.x + dx, y: node.y + dy };
  return node.kind === 'split' ? { ...node, ...own, children: node.children.map((child) => shifted(child, dx, dy)) } : { ...node, ...own };
}
