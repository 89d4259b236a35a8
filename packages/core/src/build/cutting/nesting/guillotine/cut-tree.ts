/**
 * One sheet as through cuts divide it. Sizes carry one kerf on the right and lower side, so that neighbours touch. `split` is cut all the way across
 * `along` its children's row: children of 'x' stand side by side.
 */
export type CutNode = WasteNode | PartNode | HeldNode | SplitNode;
interface Placed {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}
export interface WasteNode extends Placed {
  readonly kind: 'waste';
}
export interface PartNode extends Placed {
  readonly kind: 'part';
  readonly part: number;
  readonly turned: boolean;
}
/** Ground with pinned parts on it: nothing is laid there and nothing moved. */
export interface HeldNode extends Placed {
  readonly kind: 'held';
}
export interface SplitNode extends Placed {
  readonly kind: 'split';
  readonly along: 'x' | 'y';
  readonly children: readonly CutNode[];
}

/** Slack for sums of thousandths: a part cut to the trimmed size exactly must fit. */
export const FIT_MM = 1e-6;

export const wasteOf = (x: number, y: number, w: number, h: number): WasteNode => ({ kind: 'waste', x, y, w, h });

/** What lies at the ends of a tree, left to right and downwards. */
export function* leavesOf(node: CutNode): Generator<WasteNode | PartNode | HeldNode, void, void> {
  if (node.kind !== 'split') yield node;
  else for (const child of node.children) yield* leavesOf(child);
}

/** A part as it is set in: its place in the list of parts, and its size as it lies. */
type SetIn = Pick<PartNode, 'part' | 'w' | 'h' | 'turned'>;

/**
 * A part set into the left upper corner of free ground; what is left over lies beside it and below it.
 * @param first the direction of the first cut: 'x' frees a column as wide as the part, 'y' a row as deep
 */
export function withPart(free: WasteNode, { part, w, h, turned }: SetIn, first: 'x' | 'y'): CutNode {
  const { x, y } = free;
  const own: PartNode = { kind: 'part', x, y, w, h, part, turned };
  const [restW, restH] = [free.w - w, free.h - h];
  if (first === 'x') {
    const column = restH > FIT_MM ? split('y', { x, y, w, h: free.h }, [own, wasteOf(x, y + h, w, restH)]) : own;
    return restW > FIT_MM ? split('x', free, [column, wasteOf(x + w, y, restW, free.h)]) : column;
  }
  const row = restW > FIT_MM ? split('x', { x, y, w: free.w, h }, [own, wasteOf(x + w, y, restW, h)]) : own;
  return restH > FIT_MM ? split('y', free, [row, wasteOf(x, y + h, free.w, restH)]) : row;
}

/** The tree with one leaf or branch replaced by another of its size; free neighbours become one, and splits of one kind within each other too. */
export function replaced(node: CutNode, target: CutNode, by: CutNode): CutNode {
  if (node === target) return by;
  if (node.kind !== 'split' || !holds(node, target)) return node;
  return tidied(
    node,
    node.children.map((child) => replaced(child, target, by)),
  );
}

function holds({ x, y, w, h }: Placed, inner: Placed): boolean {
  return x - FIT_MM <= inner.x && y - FIT_MM <= inner.y && inner.x + inner.w <= x + w + FIT_MM && inner.y + inner.h <= y + h + FIT_MM;
}

function tidied(node: SplitNode, children: readonly CutNode[]): CutNode {
  const { along } = node;
  const flat = children.flatMap((child) => (child.kind === 'split' && child.along === along ? child.children : [child]));
  const merged: CutNode[] = [];
  for (const child of flat) {
    const last = merged.at(-1);
    if (child.kind === 'waste' && last?.kind === 'waste') {
      merged[merged.length - 1] =
        along === 'x' ? wasteOf(last.x, last.y, last.w + child.w, last.h) : wasteOf(last.x, last.y, last.w, last.h + child.h);
    } else merged.push(child);
  }
  return merged.length === 1 ? merged[0]! : split(along, node, merged);
}

const split = (along: 'x' | 'y', { x, y, w, h }: Placed, children: readonly CutNode[]): SplitNode => ({
  kind: 'split',
  along,
  x,
  y,
  w,
  h,
  children,
});

/** Whether anything in it must stay where it is. */
export const isHeld = (node: CutNode): boolean => node.kind === 'held' || (node.kind === 'split' && node.children.some(isHeld));

/** The tree with all its free ground pushed together: parts first in every row and column, what is free of it last. What is held stays. */
export function pushedTogether(node: CutNode, x = node.x, y = node.y): CutNode {
  if (isHeld(node)) {
    return node.kind === 'split'
      ? tidied(
          node,
          node.children.map((child) => pushedTogether(child)),
        )
      : node;
  }
  if (node.kind !== 'split') return { ...node, x, y };
  const order = [...node.children.filter(({ kind }) => kind !== 'waste'), ...node.children.filter(({ kind }) => kind === 'waste')];
  let [atX, atY] = [x, y];
  const children = order.map((child) => {
    const moved = pushedTogether(child, atX, atY);
    if (node.along === 'x') atX += child.w;
    else atY += child.h;
    return moved;
  });
  return tidied({ ...node, x, y }, children);
}
