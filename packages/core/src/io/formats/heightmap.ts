import { tidyMm } from '../../base/rounding';
import { contours as marchingSquares } from 'd3-contour';
import { decode } from 'fast-png';
import { type Point, type Region, areaMm2, evenOdd, intersection, thinned } from '../../base/geometry';
import type { Contours } from '../../plan/shapes';
import { LIMITS, MAX_CONTOURS, MAX_CONTOUR_POINTS, MAX_POINTS } from '../../plan/fields';
import { type Result, fail, ok } from '../../base/result';
import type { FormatProblem } from './problem';

/** Heights of a picture, 0 black to 1 white, row by row. */
export interface Heightmap {
  readonly cols: number;
  readonly rows: number;
  readonly shade: Float64Array;
}
/** What a picture's black and white stand for, and how its hill is built. */
export interface HeightmapUse {
  /** The picture's width on the table. */
  readonly widthMm: number;
  /** Height of white over black. */
  readonly heightMm: number;
  /** Thickness of the stock each step is cut from. */
  readonly stepMm: number;
}

const PNG_MAGIC = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const MAX_PIXELS = 16_000_000;
/** Contours are drawn on a grid no finer than this: a blade follows no finer. */
const MAX_ACROSS = 320;
const MIN_RING_MM2 = 100;
const FIRST_SLACK_MM = 0.4;

/** Reads a PNG of any depth as heights by its lightness; see-through is black. */
export function readHeightmap(bytes: Uint8Array, what = 'The file'): Result<Heightmap, FormatProblem> {
  if (PNG_MAGIC.some((byte, i) => bytes[i] !== byte)) return fail({ code: 'format/broken', message: `${what} is not a PNG picture.` });
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  // The size stands in the first block: read before a small file can unfold into a huge one.
  if (bytes.length < 24) return fail({ code: 'format/broken', message: `${what} ends after ${bytes.length} bytes.` });
  const [width, height] = [view.getUint32(16), view.getUint32(20)];
  if (width * height > MAX_PIXELS) {
    return fail({ code: 'format/too-large', message: `${what} has ${width} × ${height} pixels. Enter up to ${MAX_PIXELS / 1e6} million.` });
  }
  if (width < 2 || height < 2)
    return fail({ code: 'format/empty', message: `${what} has ${width} × ${height} pixels. Enter at least 2 × 2.` });
  try {
    return ok(shrunk(decode(bytes)));
  } catch (error) {
    return fail({
      code: 'format/broken',
      message: `${what} cannot be read as PNG: ${error instanceof Error ? error.message : 'it ends too early'}.`,
    });
  }
}

/** Mean lightness over blocks of pixels, so that no grid is finer than a blade. */
function shrunk({ width, height, data, depth, channels, palette }: ReturnType<typeof decode>): Heightmap {
  const by = Math.max(1, Math.ceil(Math.max(width, height) / MAX_ACROSS));
  const [cols, rows] = [Math.max(2, Math.floor(width / by)), Math.max(2, Math.floor(height / by))];
  const full = 2 ** depth - 1;
  const shade = new Float64Array(cols * rows);
  const counts = new Uint32Array(cols * rows);
  for (let y = 0; y < Math.min(height, rows * by); y++) {
    for (let x = 0; x < Math.min(width, cols * by); x++) {
      const i = Math.floor(y / by) * cols + Math.floor(x / by);
      shade[i] = shade[i]! + lightness(y * width + x);
      counts[i] = counts[i]! + 1;
    }
  }
  return { cols, rows, shade: shade.map((sum, i) => sum / Math.max(1, counts[i]!)) };

  function lightness(pixel: number): number {
    if (palette !== undefined) {
      const [r, g, b] = palette[Number(data[pixel])]! as [number, number, number];
      return grey(r / 255, g / 255, b / 255);
    }
    const at = pixel * channels;
    const value = (k: number): number => Number(data[at + k]) / full;
    const alpha = channels === 2 ? value(1) : channels === 4 ? value(3) : 1;
    return (channels < 3 ? value(0) : grey(value(0), value(1), value(2))) * alpha;
  }
}
/** @source luma of Rec. 709; heightmaps are grey as a rule, where the weights do not matter */
const grey = (r: number, g: number, b: number): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;

/**
 * A heightmap as steps of stock: step k lies wherever the ground is nearer to k steps than to fewer.
 * @returns contours from the picture's left back corner at 0, 0
 */
export function contoursOfHeightmap(
  { cols, rows, shade }: Heightmap,
  { widthMm, heightMm, stepMm }: HeightmapUse,
  what = 'The picture',
): Result<Contours, FormatProblem> {
  const steps = Math.round(heightMm / stepMm);
  if (steps < 1)
    return fail({
      code: 'format/empty',
      message: `${what}: ${heightMm} mm is less than half a step of ${stepMm} mm. Use a thinner stock or a higher hill.`,
    });
  if (steps > MAX_CONTOURS) {
    return fail({
      code: 'format/too-large',
      message: `${what}: ${heightMm} mm in steps of ${stepMm} mm is ${steps} steps. Enter up to ${MAX_CONTOURS}.`,
    });
  }
  const mmPerCell = widthMm / cols;
  const traced = marchingSquares()
    .size([cols, rows])
    .thresholds(Array.from({ length: steps }, (_, k) => ((k + 0.5) * stepMm) / heightMm))([...shade]);
  const raw = traced.map(({ coordinates }) =>
    coordinates.flat().map((ring) => ring.slice(0, -1).map(([x, y]): Point => ({ x: x! * mmPerCell, y: y! * mmPerCell }))),
  );
  for (let slackMm = FIRST_SLACK_MM; ; slackMm *= 1.6) {
    const levels = nested(raw, slackMm);
    if (levels.length === 0)
      return fail({ code: 'format/empty', message: `${what} has no ground higher than half a step of ${stepMm} mm.` });
    const rings = levels.flat();
    if (rings.every((ring) => ring.length <= MAX_POINTS) && rings.flat().length <= MAX_CONTOUR_POINTS)
      return ok({ form: 'contours', levels });
  }
}

/** Each level thinned, specks dropped, and kept within the one below, so that nothing hangs in the air. */
function nested(raw: readonly (readonly Point[][])[], slackMm: number): Point[][][] {
  const levels: Point[][][] = [];
  let below: Region | null = null;
  for (const rings of raw) {
    const own = evenOdd(
      rings.map((ring) => thinned(ring, slackMm)).filter((ring) => ring.length >= 3 && areaMm2({ rings: [ring] }) >= MIN_RING_MM2),
    );
    const level: Region = below === null ? own : intersection(own, below);
    if (level.rings.length === 0) break;
    below = level;
    levels.push(level.rings.map((ring) => ring.map(({ x, y }) => ({ x: tidyMm(x), y: tidyMm(y) }))));
  }
  return levels;
}

/** Least and most that the fields of an import take. */
export const HEIGHTMAP_LIMITS = { widthMm: LIMITS.tableMm, heightMm: LIMITS.heightMm, stepMm: LIMITS.hillStepMm } as const;
