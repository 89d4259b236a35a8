import { type Facets, type Triangle, triangulated } from './facets';

/**
 * A closed body: positions in mm (x right, y up, z towards the near edge), three indices a triangle, outward faces counter-clockwise. First come the
 * triangles of its surface, then its upright faces, then its underside.
 */
export interface Solid {
  readonly positions: Float32Array;
  readonly indices: Uint32Array;
  readonly topTriangles: number;
  readonly sideTriangles: number;
}
/** Heights at the three corners of a triangle, mm over the ground. */
export type Heights3 = readonly [number, number, number];

/** What lies between two surfaces over some of the triangles. A level underside may be a plain number. */
export interface Between {
  /** Null where the body does not reach. */
  readonly top: (triangle: number) => Heights3 | null;
  readonly under: number | ((triangle: number) => Heights3);
}

/** Heights at one corner that differ by less are one: a step no hand can cut. */
const SAME_MM = 0.1;

/**
 * Builds the body. Closed by its making: two triangles that meet share their corners, and where they stand at different heights an upright face joins
 * them, split at every height that occurs at its two ends.
 */
export function bodyOf({ corners, triangles, sides }: Facets, { top, under }: Between): Solid {
  const tops = triangles.map((_, t) => top(t));
  const unders = tops.map((found, t): Heights3 | null =>
    found === null ? null : typeof under === 'number' ? [under, under, under] : under(t),
  );
  const levels = levelsAt(corners.length, triangles, [tops, unders]);
  const { positions, vertex } = verticesOver(corners, levels);
  const levelOf = (corner: number, mm: number): number => nearest(levels[corner]!, mm);
  const [surface, upright, base]: [number[], number[], number[]] = [[], [], []];
  const put = (to: number[], a: number, b: number, c: number): void => {
    if (a !== b && b !== c && c !== a) to.push(a, b, c);
  };
  triangles.forEach((triangle, t) => {
    const found = tops[t];
    if (found === null || found === undefined) return;
    const [a, b, c] = triangle.map((corner, i) => vertex(corner, levelOf(corner, found[i]!))) as [number, number, number];
    put(surface, a, b, c);
    if (typeof under === 'number') return;
    const [d, e, f] = triangle.map((corner, i) => vertex(corner, levelOf(corner, unders[t]![i]!))) as [number, number, number];
    // Where a body thins out to nothing, its two faces are one and none is needed.
    if (a === d && b === e && c === f) surface.length -= 3;
    else put(base, d, f, e);
  });
  const rim: [number, number][] = [];
  for (const side of sides) {
    const mine = tops[side.triangle];
    const theirs = side.beyond === null ? null : tops[side.beyond.triangle]!;
    if (mine !== null && mine !== undefined && theirs !== null) {
      ribbon(side.from, side.to, ends(side, mine), endsBeyond(side.beyond!, theirs));
      if (typeof under !== 'number')
        ribbon(side.from, side.to, endsBeyond(side.beyond!, unders[side.beyond!.triangle]!), ends(side, unders[side.triangle]!));
    } else if (mine !== null && mine !== undefined) {
      ribbon(side.from, side.to, ends(side, mine), ends(side, unders[side.triangle]!));
      rim.push([side.from, side.to]);
    } else if (theirs !== null) {
      const other = side.beyond!;
      ribbon(side.to, side.from, flipped(endsBeyond(other, theirs)), flipped(endsBeyond(other, unders[other.triangle]!)));
      rim.push([side.to, side.from]);
    }
  }
  if (typeof under === 'number') levelUnderside(rim, under);
  const indices = new Uint32Array(surface.length + upright.length + base.length);
  indices.set(surface, 0);
  indices.set(upright, surface.length);
  indices.set(base, surface.length + upright.length);
  return { positions: new Float32Array(positions), indices, topTriangles: surface.length / 3, sideTriangles: upright.length / 3 };

  /** The upright face over a side, from one pair of heights to another; it faces away from what lies left of the side. */
  function ribbon(from: number, to: number, high: readonly [number, number], low: readonly [number, number]): void {
    const [left, right] = [chain(from, high[0], low[0]), chain(to, high[1], low[1])];
    let [i, j] = [0, 0];
    while (i < left.length - 1 || j < right.length - 1) {
      const takesLeft = j === right.length - 1 || (i < left.length - 1 && (i + 1) * right.length <= (j + 1) * left.length);
      if (takesLeft) put(upright, right[j]!, left[i]!, left[++i]!);
      else put(upright, right[j]!, left[i]!, right[++j]!);
    }
  }
  /** All corners of the body over one corner of the plan from one height to another. */
  function chain(corner: number, fromMm: number, toMm: number): number[] {
    const [from, to] = [levelOf(corner, fromMm), levelOf(corner, toMm)];
    const step = Math.sign(to - from);
    return Array.from({ length: Math.abs(to - from) + 1 }, (_, i) => vertex(corner, from + i * step));
  }
  /** A level underside needs no corners but those of its rim. */
  function levelUnderside(loop: readonly (readonly [number, number])[], mm: number): void {
    const own = [...new Set(loop.flat())];
    const place = new Map(own.map((corner, i) => [corner, i]));
    const points = own.map((corner): [number, number] => [corners[corner]!.x, corners[corner]!.y]);
    for (const [a, b, c] of triangulated(
      points,
      loop.map(([from, to]): [number, number] => [place.get(from)!, place.get(to)!]),
    )) {
      const [d, e, f] = [own[a]!, own[b]!, own[c]!].map((corner) => vertex(corner, levelOf(corner, mm))) as [number, number, number];
      put(base, d, f, e);
    }
  }
}

/** The vertices over each corner of the plan, one at each of its levels, made when they are first asked for. */
function verticesOver(corners: Facets['corners'], levels: readonly (readonly number[])[]) {
  const positions: number[] = [];
  const index = new Map<string, number>();
  const vertex = (corner: number, level: number): number => {
    const key = `${corner} ${level}`;
    let known = index.get(key);
    if (known === undefined) {
      const { x, y } = corners[corner]!;
      known = positions.push(x, levels[corner]![level]!, y) / 3 - 1;
      index.set(key, known);
    }
    return known;
  };
  return { positions, vertex };
}

const ends = ({ at }: { readonly at: number }, heights: Heights3): readonly [number, number] => [heights[at]!, heights[(at + 1) % 3]!];
/** The neighbour runs along the side the other way. */
const endsBeyond = (beyond: { readonly at: number }, heights: Heights3): readonly [number, number] => flipped(ends(beyond, heights));
const flipped = ([a, b]: readonly [number, number]): readonly [number, number] => [b, a];

/** The heights that occur at each corner, from low to high, those that cannot be told apart as one. */
function levelsAt(count: number, triangles: readonly Triangle[], surfaces: readonly (readonly (Heights3 | null)[])[]): number[][] {
  const found: number[][] = Array.from({ length: count }, () => []);
  for (const heights of surfaces) {
    triangles.forEach((corners, t) => heights[t]?.forEach((mm, i) => found[corners[i]!]!.push(mm)));
  }
  return found.map((all) => {
    all.sort((a, b) => a - b);
    const kept: number[] = [];
    for (const mm of all) if (kept.length === 0 || mm - kept.at(-1)! > SAME_MM) kept.push(mm);
    return kept;
  });
}

function nearest(levels: readonly number[], mm: number): number {
  let best = 0;
  for (let i = 1; i < levels.length; i++) if (Math.abs(levels[i]! - mm) < Math.abs(levels[best]! - mm)) best = i;
  return best;
}
