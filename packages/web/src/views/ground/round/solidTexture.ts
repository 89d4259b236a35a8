import { type Hatch, kindOf } from '@spare-acre/core/features';
import { type Plan, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { shapeRegion } from '@spare-acre/core/shapes';
import type { Point } from '@spare-acre/core/base/geometry';
import { drawingOrder } from '../plan/paths';

/** Pixels along the longer side of the table. */
const LONG_PX = 2_048;

/** The plan's hatches on a canvas, to be laid over the ground: told apart by line and dot, not by colour alone. */
export function drawTexture(plan: Plan, style: CSSStyleDeclaration): HTMLCanvasElement {
  const [w, d] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
  const k = LONG_PX / Math.max(w, d);
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(w * k);
  canvas.height = Math.round(d * k);
  const pen = canvas.getContext('2d')!;
  const ink = (name: string): string => style.getPropertyValue(name).trim();
  pen.fillStyle = ink('--sheet');
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.fillStyle = hatch(pen, ink('--sheet'), ink('--tick'), 'dots');
  pen.fillRect(0, 0, canvas.width, canvas.height);
  for (const feature of drawingOrder(plan.features)) {
    const own = kindOf(feature).hatch(feature);
    const look = own === null ? undefined : LOOKS[own];
    if (look === undefined || feature.hidden) continue;
    const path = new Path2D();
    for (const ring of shapeRegion(feature.shape).rings) trace(path, ring, k, true);
    pen.fillStyle = hatch(pen, ink(look.fill), ink(look.line), look.stroke);
    pen.fill(path, 'evenodd');
    pen.strokeStyle = ink(look.line);
    pen.lineWidth = 2;
    pen.stroke(path);
    const marks = new Path2D();
    for (const line of kindOf(feature).marks?.(feature).lines ?? []) trace(marks, line, k, false);
    pen.stroke(marks);
  }
  return canvas;
}

type Stroke = 'dots' | 'slant' | 'waves' | 'cross' | 'dashes' | 'none';
const LOOKS: Readonly<Partial<Record<Hatch, { readonly fill: string; readonly line: string; readonly stroke: Stroke }>>> = {
  raised: { fill: '--moss-wash', line: '--moss', stroke: 'slant' },
  'raised-more': { fill: '--moss-wash', line: '--moss', stroke: 'slant' },
  ramp: { fill: '--moss-wash', line: '--moss', stroke: 'dashes' },
  field: { fill: '--moss-wash', line: '--moss', stroke: 'none' },
  pit: { fill: '--sheet', line: '--ink-soft', stroke: 'cross' },
  water: { fill: '--slate-wash', line: '--slate', stroke: 'waves' },
  route: { fill: '--sheet', line: '--ochre', stroke: 'dashes' },
};

function trace(path: Path2D, points: readonly Point[], k: number, isClosed: boolean): void {
  points.forEach(({ x, y }, i) => (i === 0 ? path.moveTo(x * k, y * k) : path.lineTo(x * k, y * k)));
  if (isClosed) path.closePath();
}

function hatch(pen: CanvasRenderingContext2D, fill: string, line: string, kind: Stroke): CanvasPattern | string {
  if (kind === 'none') return fill;
  const size = 24;
  const tile = document.createElement('canvas');
  tile.width = tile.height = size;
  const small = tile.getContext('2d')!;
  small.fillStyle = fill;
  small.fillRect(0, 0, size, size);
  small.strokeStyle = small.fillStyle = line;
  small.lineWidth = 1.4;
  small.beginPath();
  if (kind === 'dots') {
    small.arc(6, 6, 1.4, 0, 2 * Math.PI);
    small.moveTo(19.4, 18);
    small.arc(18, 18, 1.4, 0, 2 * Math.PI);
    small.fill();
  } else if (kind === 'slant') {
    small.moveTo(0, size);
    small.lineTo(size, 0);
    small.moveTo(-2, 2);
    small.lineTo(2, -2);
    small.moveTo(size - 2, size + 2);
    small.lineTo(size + 2, size - 2);
  } else if (kind === 'waves') {
    small.moveTo(0, 12);
    small.quadraticCurveTo(6, 5, 12, 12);
    small.quadraticCurveTo(18, 19, 24, 12);
  } else if (kind === 'cross') {
    small.moveTo(0, 0);
    small.lineTo(size, size);
    small.moveTo(size, 0);
    small.lineTo(0, size);
  } else {
    small.moveTo(2, 6);
    small.lineTo(12, 6);
    small.moveTo(14, 18);
    small.lineTo(22, 18);
  }
  small.stroke();
  return pen.createPattern(tile, 'repeat')!;
}
