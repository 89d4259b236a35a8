import DxfParser from 'dxf-parser';
import { type Point, distanceMm } from '../../base/geometry';
import { type Result, fail } from '../../base/result';
import { CURVE_MM, type ImportedDrawing, drawingFrom } from './imported';
import type { FormatProblem } from './problem';

/** Chords of one curve at the most, whatever its radius. */
const MAX_STEPS = 2_000;

/** mm in the drawing's units, by $INSUNITS. */
const MM_PER: Readonly<Record<number, readonly [mm: number, name: string]>> = {
  1: [25.4, 'inches'],
  2: [304.8, 'feet'],
  4: [1, 'mm'],
  5: [10, 'cm'],
  6: [1_000, 'metres'],
};
/** Ends of lines this near each other are one corner. */
const JOIN_MM = 0.05;

type Vertex = Point & { readonly bulge?: number };
/** What the parser gives of the entities taken here; `y` counts upwards. */
interface Entity {
  readonly type: string;
  readonly vertices?: readonly Vertex[];
  readonly shape?: boolean;
  readonly center?: Point;
  readonly radius?: number;
  readonly startAngle?: number;
  readonly endAngle?: number;
  readonly majorAxisEndPoint?: Point;
  readonly axisRatio?: number;
}

/** Reads the closed outlines of a DXF drawing in mm: polylines, circles, ellipses, and lines and arcs that join into loops. */
export function readDxf(source: string, what = 'The file'): Result<ImportedDrawing, FormatProblem> {
  let parsed: { readonly header?: Readonly<Record<string, unknown>>; readonly entities?: readonly Entity[] } | null;
  try {
    parsed = new DxfParser().parseSync(source) as typeof parsed;
  } catch (error) {
    return fail({
      code: 'format/broken',
      message: `${what} cannot be read as DXF: ${error instanceof Error ? error.message : 'it ends too early'}.`,
    });
  }
  if (parsed === null || parsed.entities === undefined) {
    return fail({ code: 'format/broken', message: `${what} cannot be read as DXF: it has no entities.` });
  }
  const unit = MM_PER[Number(parsed.header?.['$INSUNITS'])];
  const [mm, name] = unit ?? [1, 'mm'];
  const note = unit === undefined ? 'no unit given: mm assumed' : `drawn in ${name}`;
  const outlines = new Outlines(mm);
  for (const entity of parsed.entities) outlines.take(entity);
  const { rings, left } = outlines.all();
  return drawingFrom(
    rings.map((ring) => ring.map(({ x, y }) => ({ x: x * mm, y: -y * mm }))),
    note,
    [...left].map(([kind, count]) => `${count} ${kind}`),
    what,
  );
}

/** The outlines of entities as they come, in units of the drawing. */
class Outlines {
  private readonly rings: Point[][] = [];
  private readonly open: Point[][] = [];
  private readonly left = new Map<string, number>();

  /** @param mm how long a unit of the drawing is */
  constructor(private readonly mm: number) {}

  take(entity: Entity): void {
    const type = entity.type.toLowerCase();
    const line = this.lineOf(entity);
    if (line === null) this.left.set(type, (this.left.get(type) ?? 0) + 1);
    else if (line.isClosed) this.rings.push(line.points);
    else this.open.push(line.points);
  }
  /** All closed outlines, open lines that meet among them, and what was left out, with how many of each. */
  all(): { readonly rings: readonly Point[][]; readonly left: ReadonlyMap<string, number> } {
    const { loops, loose } = joined(this.open);
    const left = loose > 0 ? new Map([...this.left, ['open line', loose]]) : this.left;
    return { rings: [...this.rings, ...loops], left };
  }

  /** Null for what is no line. */
  private lineOf(entity: Entity): { readonly points: Point[]; readonly isClosed: boolean } | null {
    const { vertices, center, radius, startAngle: from = 0, endAngle: to = 0 } = entity;
    switch (entity.type) {
      case 'LWPOLYLINE':
      case 'POLYLINE':
        return vertices === undefined ? null : { points: this.bulged(vertices, entity.shape === true), isClosed: entity.shape === true };
      case 'LINE':
        return vertices === undefined ? null : { points: vertices.map(({ x, y }) => ({ x, y })), isClosed: false };
      case 'CIRCLE':
        return center === undefined ? null : { points: this.arc(center, radius!, 0, 2 * Math.PI), isClosed: true };
      case 'ARC':
        return center === undefined
          ? null
          : { points: this.arc(center, radius!, from, to > from ? to : to + 2 * Math.PI), isClosed: false };
      case 'ELLIPSE':
        return this.ellipse(entity);
      default:
        return null;
    }
  }

  /** Chords so short that they lie within {@link CURVE_MM} of the arc: sagitta s = r(1 − cos(θ/2)). */
  private stepsFor(radiusUnits: number, sweep: number): number {
    const radiusMm = Math.max(radiusUnits * this.mm, CURVE_MM);
    // By the sine of the quarter angle: 1 − c/r is 1 to a machine where the arc is all but straight.
    const stepRad = 4 * Math.asin(Math.min(1, Math.sqrt(CURVE_MM / (2 * radiusMm))));
    return Math.min(MAX_STEPS, Math.max(4, Math.ceil(Math.abs(sweep) / stepRad)));
  }
  private arc({ x, y }: Point, r: number, from: number, to: number): Point[] {
    const steps = this.stepsFor(r, to - from);
    const isWhole = Math.abs(to - from - 2 * Math.PI) < 1e-9;
    return Array.from({ length: isWhole ? steps : steps + 1 }, (_, i) => {
      const angle = from + ((to - from) * i) / steps;
      return { x: x + r * Math.cos(angle), y: y + r * Math.sin(angle) };
    });
  }
  private ellipse({ center, majorAxisEndPoint: major, axisRatio, startAngle, endAngle }: Entity) {
    if (center === undefined || major === undefined) return null;
    const turn = endAngle! - startAngle!;
    const sweep = turn === 0 ? 2 * Math.PI : turn;
    const steps = this.stepsFor(Math.hypot(major.x, major.y), sweep);
    const points = Array.from({ length: steps + 1 }, (_, i) => {
      const angle = startAngle! + (sweep * i) / steps;
      const [c, s] = [Math.cos(angle), Math.sin(angle) * axisRatio!];
      return { x: center.x + c * major.x - s * major.y, y: center.y + c * major.y + s * major.x };
    });
    return { points, isClosed: turn === 0 || Math.abs(Math.abs(turn) - 2 * Math.PI) < 1e-6 };
  }
  /** A polyline whose legs may bulge into arcs: bulge = tan(sweep / 4), positive to the left. */
  private bulged(vertices: readonly Vertex[], isClosed: boolean): Point[] {
    return vertices.flatMap((a, i) => {
      const b = vertices[i + 1] ?? (isClosed ? vertices[0]! : undefined);
      return [{ x: a.x, y: a.y }, ...(b === undefined || !a.bulge ? [] : this.bulge(a, b, a.bulge))];
    });
  }
  /** The points between the ends of a leg that is an arc. */
  private bulge(a: Point, b: Point, bulge: number): Point[] {
    const sweep = 4 * Math.atan(bulge);
    const chord = Math.hypot(b.x - a.x, b.y - a.y);
    // A sagitta that nobody sees is a straight leg.
    if ((Math.abs(bulge) * chord * this.mm) / 2 < CURVE_MM / 10) return [];
    const r = chord / (2 * Math.sin(Math.abs(sweep) / 2));
    const toCentre = chord / 2 / Math.tan(sweep / 2);
    const centre = { x: (a.x + b.x) / 2 - ((b.y - a.y) / chord) * toCentre, y: (a.y + b.y) / 2 + ((b.x - a.x) / chord) * toCentre };
    const from = Math.atan2(a.y - centre.y, a.x - centre.x);
    const steps = this.stepsFor(r, sweep);
    return Array.from({ length: steps - 1 }, (_, k) => {
      const angle = from + (sweep * (k + 1)) / steps;
      return { x: centre.x + r * Math.cos(angle), y: centre.y + r * Math.sin(angle) };
    });
  }
}

/** Runs that meet end to end, put together into loops; what stays open is counted. */
function joined(runs: readonly Point[][]): { readonly loops: Point[][]; readonly loose: number } {
  const waiting = runs.filter((run) => run.length >= 2);
  const loops: Point[][] = [];
  let loose = 0;
  while (waiting.length > 0) {
    let chain = waiting.pop()!;
    for (;;) {
      const [start, end] = [chain[0]!, chain.at(-1)!];
      if (chain.length > 3 && distanceMm(start, end) < JOIN_MM) {
        loops.push(chain.slice(0, -1));
        break;
      }
      const next = waiting.findIndex((run) => distanceMm(run[0]!, end) < JOIN_MM || distanceMm(run.at(-1)!, end) < JOIN_MM);
      if (next < 0) {
        loose += 1;
        break;
      }
      const [run] = waiting.splice(next, 1);
      chain = [...chain, ...(distanceMm(run![0]!, end) < JOIN_MM ? run! : [...run!].reverse()).slice(1)];
    }
  }
  return { loops, loose };
}
