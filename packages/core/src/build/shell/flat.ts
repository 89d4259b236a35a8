import {
  type Point,
  type Region,
  type Ring,
  boxAround,
  boxesOverlap,
  evenOdd,
  regionWith,
  signedMm2,
  turnsOneWay,
  unite,
} from '../../base/geometry';
import { type Curve, alongAt } from './curve';
import { type Plate, bevelDeg, givenAt } from './plate';
import { leastRectangle } from './least-rectangle';
import { type Body, type Rod, endAt } from './resolve';
import type { Plane } from './space';

/** A line of a flat part. */
export interface Line {
  readonly from: Point;
  readonly to: Point;
}
/** A cut that leans: by how much, and which side of the part it leaves the larger. */
export interface Bevel extends Line {
  readonly deg: number;
}
/** A line the part is bent along, by how much, and how it is made to bend. */
export interface Fold extends Line {
  readonly by: 'v-cut' | 'score';
  /** The side that is cut or scored. */
  readonly side: 'drawn' | 'far';
  readonly bendDeg: number;
  /** Width of the V, or of the gap that opens over a score and is filled. */
  readonly grooveMm: number;
}
/** What is cut out of a sheet to make one or several bodies of a shell. Its box starts at 0, 0; y runs down, as it is seen from outside. */
export interface FlatPart {
  readonly id: string;
  readonly name: string;
  readonly role: string;
  readonly bodyIds: readonly string[];
  /** All that has to come out of the sheet: the larger of both sides everywhere. */
  readonly blank: Region;
  readonly drawn: readonly Ring[];
  readonly far: readonly Ring[];
  readonly bevels: readonly Bevel[];
  readonly folds: readonly Fold[];
  readonly scores: readonly Line[];
  readonly isBent: boolean;
  /** Cut from a strip that is glued up first, not from a sheet. */
  readonly fromStrip?: true;
}
/** What is cut from stock sold by length. */
export interface LengthPart {
  readonly id: string;
  readonly name: string;
  readonly role: string;
  readonly bodyIds: readonly string[];
  /** Tip to tip. */
  readonly lengthMm: number;
  /** The lean of its ends; 0 square. */
  readonly endDeg: readonly [number, number];
}

/** Cuts closer to square than this are square. */
const SQUARE_DEG = 0.05;

/** The parts of some bodies: those that fold into one another as one part. */
export function flatParts(bodies: readonly Body[]): { readonly sheets: readonly FlatPart[]; readonly lengths: readonly LengthPart[] } {
  const plates = bodies.filter((body) => body.kind === 'plate' && !body.isBar) as Plate[];
  const groups = foldGroups(plates);
  return {
    sheets: [...groups.map(unfolded), ...bodies.flatMap((body) => (body.kind === 'curve' ? [unrolled(body)] : []))],
    lengths: bodies.flatMap((body): LengthPart[] => {
      if (body.kind === 'rod')
        return [{ ...named(body), bodyIds: [body.id], lengthMm: tipToTipMm(body), endDeg: [leanOf(body.ends[0]), leanOf(body.ends[1])] }];
      if (body.kind !== 'plate' || !body.isBar) return [];
      const xs = [...body.loops[0]!.drawn, ...body.loops[0]!.far].map(({ x }) => x);
      const [, end, , start] = body.loops[0]!.cuts;
      return [
        {
          ...named(body),
          bodyIds: [body.id],
          lengthMm: Math.max(...xs) - Math.min(...xs),
          endDeg: [leanOf(start!.plane), leanOf(end!.plane)],
        },
      ];
    }),
  };
}
const named = ({ id, name, role }: Body): Pick<Body, 'id' | 'name' | 'role'> => ({ id, name, role });
/** How far an end of a bar leans off square, whichever way. */
const leanOf = ({ normal }: Plane): number => (Math.acos(Math.min(1, Math.abs(normal[0]) / Math.hypot(...normal))) * 180) / Math.PI;

function tipToTipMm({ radiusMm, ends: [start, end] }: Rod): number {
  const slant = ({ normal: [x, y, z] }: Plane): number => (radiusMm * Math.hypot(y, z)) / Math.abs(x);
  return endAt(end, 0, 0) + slant(end) - (endAt(start, 0, 0) - slant(start));
}

interface FoldEdge {
  readonly plate: Plate;
  readonly edge: number;
}
const foldsOf = (plate: Plate): number[] => plate.loops[0]!.cuts.flatMap(({ edge }, i) => (edge.joint === 'fold' ? [i] : []));
const foldsTo = (plate: Plate, id: string): FoldEdge | null => {
  const edge = foldsOf(plate).find((i) => {
    const own = plate.loops[0]!.cuts[i]!.edge;
    return own.joint === 'fold' && own.to === id;
  });
  return edge === undefined ? null : { plate, edge };
};

function foldGroups(plates: readonly Plate[]): Plate[][] {
  const left = new Set(plates);
  const groups: Plate[][] = [];
  for (const first of plates) {
    if (!left.delete(first)) continue;
    const group = [first];
    for (const plate of group) {
      for (const other of plates) {
        if (left.has(other) && (foldsTo(plate, other.id) !== null || foldsTo(other, plate.id) !== null) && left.delete(other))
          group.push(other);
      }
    }
    groups.push(group);
  }
  return groups;
}

/** A turn and a shift in the plane. */
interface Move {
  readonly cos: number;
  readonly sin: number;
  readonly x: number;
  readonly y: number;
}
const STILL: Move = { cos: 1, sin: 0, x: 0, y: 0 };
const moved = ({ cos, sin, x, y }: Move, point: Point): Point => ({
  x: cos * point.x - sin * point.y + x,
  y: sin * point.x + cos * point.y + y,
});

/** Plates laid out flat, each against the one it folds from, about the line on which they stay joined. */
function unfolded(group: readonly Plate[]): FlatPart {
  const first = group[0]!;
  const moves = new Map<Plate, Move>([[first, STILL]]);
  const folds: Fold[] = [];
  for (const plate of group) {
    const own = moves.get(plate)!;
    for (const other of group) {
      if (moves.has(other)) continue;
      const [mine, theirs] = [foldsTo(plate, other.id), foldsTo(other, plate.id)];
      if (mine === null || theirs === null) continue;
      const hinge = hingeOf(plate, mine.edge);
      const [a, b] = edgeOn(plate, mine.edge, hinge.side).map((point) => moved(own, point)) as [Point, Point];
      const [c, d] = edgeOn(other, theirs.edge, hinge.side);
      // The other runs along the hinge the other way.
      moves.set(other, between(c, d, b, a));
      folds.push({ from: a, to: b, ...hinge.fold });
    }
  }
  const rings = (side: 'drawn' | 'far'): Ring[] =>
    group.flatMap((plate) => plate.loops.map((loop) => loop[side].map((point) => moved(moves.get(plate)!, point))));
  const [drawn, far] = [rings('drawn'), rings('far')];
  const bevels = group.flatMap((plate) =>
    plate.loops.flatMap(({ drawn: ring, cuts }) =>
      cuts.flatMap((cut, i): Bevel[] => {
        const deg = bevelDeg(cut);
        if (Math.abs(deg) < SQUARE_DEG || cut.edge.joint === 'fold') return [];
        const move = moves.get(plate)!;
        return [{ from: moved(move, ring[i]!), to: moved(move, ring[(i + 1) % ring.length]!), deg }];
      }),
    ),
  );
  const name =
    group.length === 1
      ? first.name
      : `${first.name} with ${group
          .slice(1)
          .map((plate) => plate.name.toLowerCase())
          .join(', ')}`;
  return shifted({
    id: first.id,
    name,
    role: first.role,
    bodyIds: group.map(({ id }) => id),
    drawn,
    far,
    bevels,
    folds,
    scores: group.flatMap((plate) =>
      plate.scores.map(([from, to]) => ({ from: moved(moves.get(plate)!, from), to: moved(moves.get(plate)!, to) })),
    ),
    isBent: false,
  });
}

/** Where a fold stays joined: the side on which its edge lies the farther out, and how far it is open on the other. */
function hingeOf(plate: Plate, edge: number): { readonly side: 'drawn' | 'far'; readonly fold: Omit<Fold, 'from' | 'to'> } {
  const { drawn, cuts } = plate.loops[0]!;
  const cut = cuts[edge]!;
  const given = givenAt(plate, drawn[edge]!, drawn[(edge + 1) % drawn.length]!, cut);
  const by = cut.edge.joint === 'fold' ? cut.edge.by : 'score';
  if (by === 'v-cut') {
    const side = given.farMm > given.drawnMm ? 'far' : 'drawn';
    const lean = Math.abs(given.farMm - given.drawnMm);
    return { side, fold: { by, side: side === 'far' ? 'drawn' : 'far', bendDeg: 2 * Math.abs(bevelDeg(cut)), grooveMm: 2 * lean } };
  }
  const lean = scoreLean(plate, edge);
  const side = lean > 0 ? 'drawn' : 'far';
  return {
    side,
    fold: {
      by,
      side: side === 'drawn' ? 'far' : 'drawn',
      bendDeg: (2 * Math.abs(Math.atan2(lean, plate.thicknessMm)) * 180) / Math.PI,
      grooveMm: 2 * Math.abs(lean),
    },
  };
}
/** What a mitre at a scored edge would give on the far side more than on the drawn one: kept by the cut for this. */
const scoreLean = (plate: Plate, edge: number): number => plate.loops[0]!.cuts[edge]!.scoreLeanMm ?? 0;

const edgeOn = (plate: Plate, edge: number, side: 'drawn' | 'far'): readonly [Point, Point] => {
  const ring = plate.loops[0]![side];
  return [ring[edge]!, ring[(edge + 1) % ring.length]!];
};
/** The move that brings the run a → b onto the run p → q. */
function between(a: Point, b: Point, p: Point, q: Point): Move {
  const long = Math.hypot(b.x - a.x, b.y - a.y) * Math.hypot(q.x - p.x, q.y - p.y);
  const [dx, dy, ex, ey] = [b.x - a.x, b.y - a.y, q.x - p.x, q.y - p.y];
  const [cos, sin] = [(dx * ex + dy * ey) / long, (dx * ey - dy * ex) / long];
  const [mx, my, nx, ny] = [(a.x + b.x) / 2, (a.y + b.y) / 2, (p.x + q.x) / 2, (p.y + q.y) / 2];
  return { cos, sin, x: nx - (cos * mx - sin * my), y: ny - (sin * mx + cos * my) };
}

/** A bend unrolled on the line in its middle that neither stretches nor shrinks. */
function unrolled(curve: Curve): FlatPart {
  const middle = (curve.drawnMm + curve.farMm) / 2;
  const on = (radius: number): Ring[] => curve.loops.map(({ ring }) => ring.map(({ x, y }) => ({ x: alongAt(curve, x, radius), y })));
  return shifted({
    ...named(curve),
    bodyIds: [curve.id],
    drawn: on(middle),
    far: on(middle),
    bevels: [],
    folds: [],
    scores: [],
    isBent: true,
  });
}

/** Turned into its least rectangle, moved so that this starts at 0, 0, and turned over so that y runs down. */
function shifted(part: Omit<FlatPart, 'blank'>): FlatPart {
  const corners = [...part.drawn, ...part.far].flat();
  const turn = turnFor(corners);
  const { left, bottom } = boxAround(turn === STILL ? corners : corners.map((point) => moved(turn, point)));
  const to = (point: Point): Point => {
    const { x, y } = moved(turn, point);
    return { x: x - left, y: bottom - y };
  };
  const rings = (all: readonly Ring[]): Ring[] => all.map((ring) => ring.map(to));
  const line = <L extends Line>(one: L): L => ({ ...one, from: to(one.from), to: to(one.to) });
  const [drawn, far] = [rings(part.drawn), rings(part.far)];
  return {
    ...part,
    drawn,
    far,
    blank: blankOf(drawn, far),
    bevels: part.bevels.map(line),
    folds: part.folds.map(line),
    scores: part.scores.map(line),
  };
}
/** What lies nearly as small the way it stands is left that way: a builder knows it again. */
const WORTH_TURNING = 0.99;
function turnFor(corners: readonly Point[]): Move {
  const { left, right, top, bottom } = boxAround(corners);
  const least = leastRectangle(corners);
  if (least === null || least.longMm * least.shortMm > (right - left) * (bottom - top) * WORTH_TURNING) return STILL;
  const { x, y } = least.along;
  return { cos: x, sin: -y, x: 0, y: 0 };
}
/** The clipper finds it for any rings; most parts are an outline that turns one way with openings well within it, which need no finding. */
function blankOf(drawn: readonly Ring[], far: readonly Ring[]): Region {
  const found = plainBlank(drawn, far);
  if (found !== null) return found;
  const isSquare = drawn.every((ring, i) => ring.every(({ x, y }, k) => Math.hypot(x - far[i]![k]!.x, y - far[i]![k]!.y) < 1e-4));
  return isSquare ? evenOdd(drawn) : unite([evenOdd(drawn), evenOdd(far)]);
}
/** The larger outline less the smaller of each opening; null where one side holds not the other, or an opening comes near the edge of either, or near another. */
function plainBlank(drawn: readonly Ring[], far: readonly Ring[]): Region | null {
  const [outline, ...openings] = drawn.map((ring, i) => nested(ring, far[i]!));
  if (outline === null || outline === undefined) return null;
  const boxes = openings.map((opening) => opening && boxAround(opening.outer));
  const isPlain = openings.every(
    (opening, i) =>
      opening !== null &&
      signedMm2(opening.outer) * signedMm2(outline.outer) < 0 &&
      opening.outer.every((point) => isWithin(outline.inner, point, -APART_MM)) &&
      boxes.every((box, k) => k >= i || !boxesOverlap(box!, boxes[i]!)),
  );
  return isPlain
    ? regionWith(
        outline.outer,
        openings.map((opening) => opening!.inner),
      )
    : null;
}
/** Closer than this a cut runs into the next one. */
const APART_MM = 0.05;

/** Of two rings that turn one way the one that holds the other; null where neither does. */
function nested(a: Ring, b: Ring): { readonly outer: Ring; readonly inner: Ring } | null {
  if (turnsOneWay(a) && b.every((point) => isWithin(a, point, SAME_MM))) return { outer: a, inner: b };
  if (turnsOneWay(b) && a.every((point) => isWithin(b, point, SAME_MM))) return { outer: b, inner: a };
  return null;
}
/** So little outside that no blade can tell. */
const SAME_MM = 1e-4;
/** Whether a point lies in a ring that turns one way, or no farther outside than `byMm`; farther inside where that is below 0. */
function isWithin(ring: Ring, { x, y }: Point, byMm: number): boolean {
  const way = Math.sign(signedMm2(ring));
  for (let i = 0; i < ring.length; i++) {
    const from = ring[i === 0 ? ring.length - 1 : i - 1]!;
    const [dx, dy] = [ring[i]!.x - from.x, ring[i]!.y - from.y];
    if (way * (dx * (y - from.y) - dy * (x - from.x)) < -byMm * Math.sqrt(dx * dx + dy * dy)) return false;
  }
  return true;
}
