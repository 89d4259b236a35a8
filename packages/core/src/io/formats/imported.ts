import { type Box, type Point, boxAround, distanceMm, selfCrossing, thinned } from '../../base/geometry';
import { MAX_POINTS } from '../../plan/fields';
import type { Outline } from '../../plan/shapes';
import { type Result, fail, ok } from '../../base/result';
import type { FormatProblem } from './problem';

/** Outlines read from a drawing file, in mm, y towards the near edge, and how its units were taken. */
export interface ImportedDrawing {
  readonly outlines: readonly (readonly Point[])[];
  readonly box: Box;
  readonly scaleNote: string;
  /** What was in the file and left out, by name and count. */
  readonly left: readonly string[];
}

/** Chords of curves lie this near the curve. */
export const CURVE_MM = 0.1;
/** Outlines thinner than this in both directions are specks. */
const SPECK_MM = 1;
/** Outlines taken from one file: over this it is a picture, not a plan. */
const MAX_OUTLINES = 60;

/** Closed runs of points as a drawing: specks gone, points thinned to what a plan holds. */
export function drawingFrom(
  rings: readonly (readonly Point[])[],
  scaleNote: string,
  left: readonly string[],
  what: string,
): Result<ImportedDrawing, FormatProblem> {
  const kept = rings.map(tidied).filter((ring) => ring.length >= 3 && isLargerThanSpeck(ring));
  if (kept.length === 0) {
    const skipped = left.length === 0 ? '' : ` It holds ${left.join(', ')}, which have no area.`;
    return fail({
      code: 'format/empty',
      message: `${what} has no closed outline.${skipped} Use closed lines, polygons, rectangles or circles.`,
    });
  }
  if (kept.length > MAX_OUTLINES) {
    return fail({ code: 'format/too-large', message: `${what} has ${kept.length} outlines. Enter up to ${MAX_OUTLINES}.` });
  }
  const crossing = kept.findIndex((ring) => selfCrossing(ring) !== null);
  if (crossing >= 0) {
    return fail({ code: 'format/broken', message: `${what}: outline ${crossing + 1} crosses itself; redraw it so that no sides cross.` });
  }
  return ok({ outlines: kept, box: boxAround(kept.flat()), scaleNote, left });
}

/** An imported outline as a shape, moved by an offset. */
export const outlineShape = (ring: readonly Point[], dxMm: number, dyMm: number): Outline => ({
  form: 'outline',
  points: ring.map(({ x, y }) => ({ x: Math.round((x + dxMm) * 100) / 100, y: Math.round((y + dyMm) * 100) / 100 })),
});

function tidied(ring: readonly Point[]): readonly Point[] {
  const distinct = ring.filter((point, i) => distanceMm(point, ring[(i + 1) % ring.length]!) > 1e-4);
  let points: readonly Point[] = distinct;
  for (let slackMm = CURVE_MM; points.length > MAX_POINTS; slackMm *= 2) points = thinned(distinct, slackMm);
  return points;
}

function isLargerThanSpeck(ring: readonly Point[]): boolean {
  const { left, top, right, bottom } = boxAround(ring);
  return right - left > SPECK_MM || bottom - top > SPECK_MM;
}
