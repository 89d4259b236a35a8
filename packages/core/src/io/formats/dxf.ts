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

/** What the parser gives of the entities taken here; `y` counts upwards. */
interface Entity {
  readonly type: string;
  readonly vertices?: readonly (Point & { readonly bulge?: number })[];
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
  const rings: Point[][] = [];
  const open: Point[][] = [];
  const left = new Map<string, number>();
  for (const entity of parsed.entities) take(entity);
  const { loops, loose } = joined(open);
  rings.push(...loops);
  if (loose > 0) left.set('open line', loose);
  return drawingFrom(
    rings.map((ring) => ring.map(({ x, y }) => ({ x: x * mm, y: -y * mm }))),
    note,
    [...left].map(([kind, count]) => `${count} ${kind}`),
    what,
  );

  function take(entity: Entity): void {
    const { type, vertices, center, radius } = entity;
    if ((type === 'LWPOLYLINE' || type === 'POLYLINE') && vertices !== undefined) {
      const points = bulged(vertices, entity.shape === true);
      if (entity.shape === true) rings.push(points);
      else open.push(points);
    } else if (type === 'LINE' && vertices !== undefined) open.push(vertices.map(({ x, y }) => ({ x, y })));
    else if (type === 'CIRCLE' && center !== undefined) rings.push(arc(center, radius!, 0, 2 * Math.PI));
    else if (type === 'ARC' && center !== undefined) {
      const [from, to] = [entity.startAngle!, entity.endAngle!];
      open.push(arc(center, radius!, from, to > from ? to : to + 2 * Math.PI));
    } else if (type === 'ELLIPSE' && center !== undefined && entity.majorAxisEndPoint !== undefined) {
      const turn = entity.endAngle! - entity.startAngle!;
      const points = ellipse(center, entity.majorAxisEndPoint, entity.axisRatio!, entity.startAngle!, turn === 0 ? 2 * Math.PI : turn);
      if (Math.abs(Math.abs(turn) - 2 * Math.PI) < 1e-6 || turn === 0) rings.push(points);
      else open.push(points);
    } else left.set(type.toLowerCase(), (left.get(type.toLowerCase()) ?? 0) + 1);
  }

  /** Chords so short that they lie within {@link CURVE_MM} of the arc: sagitta s = r(1 − cos(θ/2)). */
  function stepsFor(radiusUnits: number, sweep: number): number {
    const radiusMm = Math.max(radiusUnits * mm, CURVE_MM);
    // By the sine of the quarter angle: 1 − c/r is 1 to a machine where the arc is all but straight.
    const stepRad = 4 * Math.asin(Math.min(1, Math.sqrt(CURVE_MM / (2 * radiusMm))));
    return Math.min(MAX_STEPS, Math.max(4, Math.ceil(Math.abs(sweep) / stepRad)));
  }
  function arc({ x, y }: Point, r: number, from: number, to: number): Point[] {
    const steps = stepsFor(r, to - from);
    const isWhole = Math.abs(to - from - 2 * Math.PI) < 1e-9;
    return Array.from({ length: isWhole ? steps : steps + 1 }, (_, i) => {
      const angle = from + ((to - from) * i) / steps;
      return { x: x + r * Math.cos(angle), y: y + r * Math.sin(angle) };
    });
  }
  function ellipse(centre: Point, major: Point, ratio: number, from: number, sweep: number): Point[] {
    const steps = stepsFor(Math.hypot(major.x, major.y), sweep);
    return Array.from({ length: steps + 1 }, (_, i) => {
      const angle = from + (sweep * i) / steps;
      const [c, s] = [Math.cos(angle), Math.sin(angle) * ratio];
      return { x: centre.x + c * major.x - s * major.y, y: centre.y + c * major.y + s * major.x };
    });
  }
  /** A polyline whose legs may bulge into arcs: bulge = tan(sweep / 4), positive to the left. */
  function bulged(vertices: readonly (Point & { readonly bulge?: number })[], isClosed: boolean): Point[] {
    const points: Point[] = [];
    vertices.forEach((a, i) => {
      points.push({ x: a.x, y: a.y });
      const b = vertices[i + 1] ?? (isClosed ? vertices[0]! : undefined);
      if (b === undefined || !a.bulge) return;
      const sweep = 4 * Math.atan(a.bulge);
      const chord = Math.hypot(b.x - a.x, b.y - a.y);
      // A sagitta that nobody sees is a straight leg.
      if ((Math.abs(a.bulge) * chord * mm) / 2 < CURVE_MM / 10) return;
      const r = chord / (2 * Math.sin(Math.abs(sweep) / 2));
      const toCentre = chord / 2 / Math.tan(sweep / 2);
      const centre = { x: (a.x + b.x) / 2 - ((b.y - a.y) / chord) * toCentre, y: (a.y + b.y) / 2 + ((b.x - a.x) / chord) * toCentre };
      const from = Math.atan2(a.y - centre.y, a.x - centre.x);
      const steps = stepsFor(r, sweep);
      for (let k = 1; k < steps; k++)
        points.push({ x: centre.x + r * Math.cos(from + (sweep * k) / steps), y: centre.y + r * Math.sin(from + (sweep * k) / steps) });
    });
    return points;
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
