import { XMLParser, XMLValidator } from 'fast-xml-parser';
import svgpath from 'svgpath';
import type { Point } from '../../base/geometry';
import { type Result, fail } from '../../base/result';
import { CURVE_MM, type ImportedDrawing, drawingFrom } from './imported';
import type { FormatProblem } from './problem';

const MM_PER: Readonly<Record<string, number>> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6, px: 25.4 / 96, '': 25.4 / 96 };
/** An element with its attributes and what is in it, as the parser keeps order. */
type Node = Readonly<Record<string, unknown>> & { readonly ':@'?: Readonly<Record<string, string>> };
type Attributes = Readonly<Record<string, string>>;
const SHAPES = ['path', 'polygon', 'polyline', 'rect', 'circle', 'ellipse', 'line'] as const;

/**
 * Reads the closed outlines of an SVG drawing in mm. The page's own width and viewBox give the scale; without either a px is 1/96 in, as the format has it.
 */
export function readSvg(source: string, what = 'The file'): Result<ImportedDrawing, FormatProblem> {
  const valid = XMLValidator.validate(source);
  if (valid !== true) return fail({ code: 'format/broken', message: `${what} is not valid XML: line ${valid.err.line}, ${valid.err.msg}` });
  const parser = new XMLParser({ preserveOrder: true, ignoreAttributes: false, attributeNamePrefix: '', processEntities: false });
  const nodes = parser.parse(source) as Node[];
  const svg = nodes.find((node) => 'svg' in node);
  if (svg === undefined) return fail({ code: 'format/broken', message: `${what} contains no <svg> element.` });
  const { mmPerUnit, note } = scaleOfPage(svg[':@'] ?? {});
  if (!(mmPerUnit > 0 && Number.isFinite(mmPerUnit))) {
    return fail({ code: 'format/broken', message: `${what} has no page size: width, height or viewBox is zero or not a number.` });
  }
  const rings: Point[][] = [];
  const left = new Map<string, number>();
  try {
    visit(svg['svg'] as Node[], []);
  } catch (error) {
    return fail({ code: 'format/broken', message: `${what}: ${error instanceof Error ? error.message : 'a path cannot be read'}.` });
  }
  return drawingFrom(
    rings,
    note,
    [...left].map(([name, count]) => `${count} ${name}`),
    what,
  );

  function visit(children: readonly Node[], transforms: readonly string[]): void {
    for (const node of children) {
      const name = Object.keys(node).find((key) => key !== ':@' && key !== '#text');
      if (name === undefined) continue;
      const own = node[':@'] ?? {};
      const all = own['transform'] === undefined ? transforms : [...transforms, own['transform']];
      if (name === 'g' || name === 'svg' || name === 'a') visit(node[name] as Node[], all);
      else if ((SHAPES as readonly string[]).includes(name)) take(name, own, all);
      else if (name === 'text' || name === 'image' || name === 'use') left.set(name, (left.get(name) ?? 0) + 1);
    }
  }

  function take(name: string, attributes: Attributes, transforms: readonly string[]): void {
    const d = pathOf(name, attributes);
    if (d === '') return;
    let path = svgpath(d);
    const problem = (path as unknown as { err?: string }).err;
    if (problem) throw new Error(`a ${name} cannot be read, ${problem.toLowerCase()}`);
    // Innermost first: the path's own transform, then its group's.
    for (const transform of [...transforms].reverse()) path = path.transform(transform);
    const runs = flattened(path.abs().unshort().unarc(), mmPerUnit);
    for (const { points, isClosed } of runs) {
      if (isClosed || name === 'polygon') rings.push(points);
      else left.set('open line', (left.get('open line') ?? 0) + 1);
    }
  }
}

function scaleOfPage({ width, height, viewBox }: Attributes): { readonly mmPerUnit: number; readonly note: string } {
  const [, , boxWidth, boxHeight] = (viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const size = lengthMm(width) ?? null;
  if (size !== null && boxWidth !== undefined) return { mmPerUnit: size.mm / boxWidth, note: `page ${width} wide` };
  const tall = lengthMm(height) ?? null;
  if (tall !== null && boxHeight !== undefined) return { mmPerUnit: tall.mm / boxHeight, note: `page ${height} high` };
  return { mmPerUnit: MM_PER['px']!, note: 'no page size in mm or inches: 96 px per inch assumed' };
}

function lengthMm(text: string | undefined): { readonly mm: number } | undefined {
  const match = /^\s*([\d.]+(?:e[+-]?\d+)?)\s*(mm|cm|in|pt|pc|px|)\s*$/i.exec(text ?? '');
  return match === null ? undefined : { mm: Number(match[1]) * MM_PER[match[2]!.toLowerCase()]! };
}

/** Any basic shape as path data. */
function pathOf(name: string, a: Attributes): string {
  const n = (key: string): number => Number.parseFloat(a[key] ?? '0') || 0;
  switch (name) {
    case 'path':
      return a['d'] ?? '';
    case 'polygon':
    case 'polyline':
      return (a['points'] ?? '').trim() === '' ? '' : `M${a['points']}${name === 'polygon' ? 'Z' : ''}`;
    case 'rect':
      return `M${n('x')} ${n('y')}h${n('width')}v${n('height')}h${-n('width')}Z`;
    case 'circle':
      return ring(n('cx'), n('cy'), n('r'), n('r'));
    case 'ellipse':
      return ring(n('cx'), n('cy'), n('rx'), n('ry'));
    default:
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
  }
}
const ring = (cx: number, cy: number, rx: number, ry: number): string =>
  `M${cx - rx} ${cy}A${rx} ${ry} 0 1 0 ${cx + rx} ${cy}A${rx} ${ry} 0 1 0 ${cx - rx} ${cy}Z`;

interface PathRun {
  points: Point[];
  isClosed: boolean;
}

/** Path data as runs of points in mm, curves as chords. */
function flattened(path: ReturnType<typeof svgpath>, mmPerUnit: number): PathRun[] {
  const runs: PathRun[] = [];
  let [at, start]: [Point, Point] = [
    { x: 0, y: 0 },
    { x: 0, y: 0 },
  ];
  const toMm = ({ x, y }: Point): Point => ({ x: x * mmPerUnit, y: y * mmPerUnit });
  const lineTo = (to: Point): void => {
    runs.at(-1)?.points.push(toMm(to));
    at = to;
  };
  path.iterate((segment) => {
    const [command, ...v] = segment as [string, ...number[]];
    const p = (i: number): Point => ({ x: v[i]!, y: v[i + 1]! });
    if (command === 'M') {
      [at, start] = [p(0), p(0)];
      runs.push({ points: [toMm(at)], isClosed: false });
    } else if (command === 'L') lineTo(p(0));
    else if (command === 'H') lineTo({ x: v[0]!, y: at.y });
    else if (command === 'V') lineTo({ x: at.x, y: v[0]! });
    else if (command === 'Z') {
      const run = runs.at(-1);
      if (run !== undefined) run.isClosed = true;
      at = start;
    } else if (command === 'Q') curve([at, p(0), p(2)]);
    else if (command === 'C') curve([at, p(0), p(2), p(4)]);
  });
  for (const run of runs) {
    const [a, b] = [run.points[0]!, run.points.at(-1)!];
    if (run.points.length > 3 && Math.hypot(a.x - b.x, a.y - b.y) < CURVE_MM / 10) run.isClosed = true;
  }
  return runs;

  /** De Casteljau at even steps; a curve no longer than its legs needs at most legs ÷ chord of them. */
  function curve(legs: readonly Point[]): void {
    let lengthMm = 0;
    for (let i = 1; i < legs.length; i++) lengthMm += Math.hypot(legs[i]!.x - legs[i - 1]!.x, legs[i]!.y - legs[i - 1]!.y) * mmPerUnit;
    const steps = Math.max(4, Math.min(100, Math.ceil(Math.sqrt(lengthMm / CURVE_MM))));
    for (let k = 1; k <= steps; k++) lineTo(onCurve(legs, k / steps));
  }
}

function onCurve(legs: readonly Point[], t: number): Point {
  if (legs.length === 1) return legs[0]!;
  return onCurve(
    legs.slice(1).map((b, i) => ({ x: legs[i]!.x + (b.x - legs[i]!.x) * t, y: legs[i]!.y + (b.y - legs[i]!.y) * t })),
    t,
  );
}
