import { type Hatch, kindOf } from '@spare-acre/core/plan/features';
import { type Plan, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { shapeRegion } from '@spare-acre/core/plan/shapes';
import type { Point } from '@spare-acre/core/base/geometry';
import { drawingOrder } from '../plan/paths';
import { type Stroke, hatch } from './hatch';
import type { Ink } from './ink';

/** Pixels along the longer side of the table. */
const LONG_PX = 2_048;

/** The plan's hatches on a canvas, to be laid over the ground. */
export function drawTexture(plan: Plan, { css: ink }: Ink): HTMLCanvasElement {
  const [w, d] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
  const k = LONG_PX / Math.max(w, d);
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(w * k);
  canvas.height = Math.round(d * k);
  const pen = canvas.getContext('2d')!;
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

const LOOKS: Readonly<Partial<Record<Hatch, { readonly fill: string; readonly line: string; readonly stroke: Stroke }>>> = {
  raised: { fill: '--moss-wash', line: '--moss', stroke: 'slant' },
  'raised-more': { fill: '--moss-wash', line: '--moss', stroke: 'slant' },
  ramp: { fill: '--moss-wash', line: '--moss', stroke: 'dashes' },
  field: { fill: '--moss-wash', line: '--moss', stroke: 'none' },
  pit: { fill: '--sheet', line: '--ink-soft', stroke: 'cross' },
  water: { fill: '--slate-wash', line: '--slate', stroke: 'waves' },
  route: { fill: '--sheet', line: '--ochre', stroke: 'dashes' },
  patch: { fill: '--sheet', line: '--ochre', stroke: 'slant' },
};

function trace(path: Path2D, points: readonly Point[], k: number, isClosed: boolean): void {
  points.forEach(({ x, y }, i) => (i === 0 ? path.moveTo(x * k, y * k) : path.lineTo(x * k, y * k)));
  if (isClosed) path.closePath();
}
