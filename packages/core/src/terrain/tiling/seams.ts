import { memoize } from '../../base/memory';
import { tidyMm } from '../../base/rounding';
import { type Edge, type EdgeStretch, type Side, ALONG_MM, edgeOf, LEVEL_MM, levelAlong, mostApartMm, reversed } from './edge';
import type { Point } from '../../base/geometry';
import type { Ground, Tile } from '../ground';

/** Two neighbouring tiles and the edges they share; both profiles read along the seam, from its left or back end. */
export interface Seam {
  readonly id: string;
  readonly name: string;
  readonly along: 'x' | 'y';
  readonly from: Point;
  readonly lengthMm: number;
  readonly first: Tile;
  readonly second: Tile;
  readonly firstEdge: Edge;
  readonly secondEdge: Edge;
  readonly crossings: readonly Crossing[];
}
/** Something that meets a seam: what each side shows of it, and how far they part. */
export interface Crossing {
  readonly id: string;
  readonly kind: EdgeStretch['kind'];
  /** null where one side has nothing of it. */
  readonly first: EdgeStretch | null;
  readonly second: EdgeStretch | null;
  /** From the first side's middle to the second's, along the seam. */
  readonly offsetMm: number;
  /** How much wider the second is. */
  readonly widerMm: number;
  /** How much higher the second is at its middle. */
  readonly higherMm: number;
  readonly fault: 'place' | 'width' | 'level' | 'water' | 'ends' | null;
  /** The size of the fault in mm; 0 where both sides agree. */
  readonly sizeMm: number;
  /** Middle of the crossing on the table. */
  readonly at: Point;
}

/** All inner seams of the table, left to right and back to front. */
export function seamsOf({ ground }: { readonly ground: Ground }): readonly Seam[] {
  const byPlace = new Map(ground.tiles.map((tile) => [`${tile.column} ${tile.row}`, tile]));
  return ground.tiles.flatMap((tile) => {
    const right = byPlace.get(`${tile.column + 1} ${tile.row}`);
    const near = byPlace.get(`${tile.column} ${tile.row + 1}`);
    return [
      ...(right === undefined ? [] : [seam(tile, right, 'y', ground)]),
      ...(near === undefined ? [] : [seam(tile, near, 'x', ground)]),
    ];
  });
}

function seam(first: Tile, second: Tile, along: Seam['along'], ground: Ground): Seam {
  const sides: readonly [Side, Side] = along === 'y' ? ['right', 'left'] : ['near', 'back'];
  return seamBetween(edgeOf(first, sides[0], ground), { other: edgeOf(second, sides[1], ground), first, second, along });
}

interface Sides {
  readonly other: Edge;
  readonly first: Tile;
  readonly second: Tile;
  readonly along: Seam['along'];
}
const seamBetween = memoize((own: Edge, { other, first, second, along }: Sides): Seam => {
  // A clockwise walk meets the right and the back edge from the left or back end; the other two are read backwards.
  const firstEdge = along === 'y' ? own : reversed(own);
  const secondEdge = along === 'y' ? reversed(other) : other;
  const from = along === 'y' ? { x: first.box.right, y: first.box.top } : { x: first.box.left, y: first.box.bottom };
  const name = `${first.id} | ${second.id}`;
  return {
    id: `${first.id}-${second.id}`,
    name,
    along,
    from,
    lengthMm: own.lengthMm,
    first,
    second,
    firstEdge,
    secondEdge,
    crossings: crossingsOf(firstEdge, secondEdge, { from, along, id: `${first.id}-${second.id}` }),
  };
});

/** Runs of one kind on one edge that touch: the steps of a hill, or a track over a mound, are met as one thing by the eye. */
interface Met {
  readonly stretch: EdgeStretch;
  readonly middleMm: number;
}
const metOn = ({ stretches }: Edge): Met[] =>
  stretches.filter(({ kind }) => kind !== 'open').map((stretch) => ({ stretch, middleMm: (stretch.fromMm + stretch.toMm) / 2 }));

/** Pairs what both edges show: same kind and overlapping, or touching within reach; the nearest middles first. */
function crossingsOf(firstEdge: Edge, secondEdge: Edge, place: Pick<Seam, 'id' | 'from' | 'along'>): Crossing[] {
  const [firsts, seconds] = [metOn(firstEdge), metOn(secondEdge)];
  const pairs = firsts
    .flatMap((a) => seconds.filter((b) => mayBeOne(a.stretch, b.stretch)).map((b) => ({ a, b, cost: costOf(a, b) })))
    .sort((p, q) => p.cost - q.cost);
  const [takenFirst, takenSecond] = [new Set<Met>(), new Set<Met>()];
  const found: Crossing[] = [];
  for (const { a, b } of pairs) {
    if (takenFirst.has(a) || takenSecond.has(b)) continue;
    takenFirst.add(a);
    takenSecond.add(b);
    found.push(crossing(a.stretch, b.stretch, place));
  }
  for (const a of firsts) if (!takenFirst.has(a)) found.push(crossing(a.stretch, null, place));
  for (const b of seconds) if (!takenSecond.has(b)) found.push(crossing(null, b.stretch, place));
  return found.filter((c) => widthOf(c.first ?? c.second!) > ALONG_MM).sort((p, q) => middleOf(p) - middleOf(q));
}

const widthOf = ({ fromMm, toMm }: EdgeStretch): number => toMm - fromMm;
const middleOf = ({ first, second }: Crossing): number => ((first ?? second)!.fromMm + (first ?? second)!.toMm) / 2;
const mayBeOne = (a: EdgeStretch, b: EdgeStretch): boolean => a.kind === b.kind && a.fromMm < b.toMm && b.fromMm < a.toMm;
/** How ill two runs go together: apart along the seam, and apart in height. */
const costOf = (a: Met, b: Met): number =>
  Math.abs(a.middleMm - b.middleMm) + Math.abs(levelAlong(a.stretch, a.middleMm) - levelAlong(b.stretch, b.middleMm));

function crossing(
  first: EdgeStretch | null,
  second: EdgeStretch | null,
  { from, along, id }: Pick<Seam, 'id' | 'from' | 'along'>,
): Crossing {
  const one = (first ?? second)!;
  const middle = (s: EdgeStretch): number => (s.fromMm + s.toMm) / 2;
  const atMm = first !== null && second !== null ? (middle(first) + middle(second)) / 2 : middle(one);
  const at = along === 'y' ? { x: from.x, y: from.y + atMm } : { x: from.x + atMm, y: from.y };
  const common = { id: `${id} ${one.kind} ${one.featureId ?? 'open'}`, kind: one.kind, first, second, at };
  if (first === null || second === null) {
    return { ...common, offsetMm: 0, widerMm: 0, higherMm: 0, fault: 'ends', sizeMm: tidyMm(widthOf(one)) };
  }
  const widerMm = tidyMm(widthOf(second) - widthOf(first));
  const offsetMm = tidyMm(middle(second) - middle(first));
  const atMiddleMm = levelAlong(second, middle(second)) - levelAlong(first, middle(first));
  const apartMm = mostApartMm(first, second);
  const higherMm = tidyMm(Math.abs(apartMm) > Math.abs(atMiddleMm) ? apartMm : atMiddleMm);
  const waterMm = first.waterMm === null || second.waterMm === null ? 0 : tidyMm(second.waterMm - first.waterMm);
  const partMm = Math.max(Math.abs(first.fromMm - second.fromMm), Math.abs(first.toMm - second.toMm));
  const sizes = { place: Math.abs(offsetMm), width: Math.abs(widerMm), level: Math.abs(higherMm), water: Math.abs(waterMm) };
  const fault = faultBy(sizes, partMm);
  return { ...common, offsetMm, widerMm, higherMm, fault, sizeMm: fault === null ? 0 : sizes[fault] };
}

/** What is most wrong where two edges meet; null for nothing that shows. @param partMm how far their ends lie apart along the seam */
function faultBy({ place, width, level, water }: Readonly<Record<'place' | 'width' | 'level' | 'water', number>>, partMm: number) {
  if (partMm > ALONG_MM + 1e-6) return place >= width / 2 - 1e-9 ? 'place' : 'width';
  if (level > LEVEL_MM + 1e-6) return 'level';
  return water > LEVEL_MM + 1e-6 ? 'water' : null;
}
