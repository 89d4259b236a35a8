import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Point } from '@spare-acre/core/base/geometry';
import { pieceOn } from '@spare-acre/core/plan/features';
import { type Plan, type Surface, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { SWATCH_MM } from '@spare-acre/core/finishing/swatch';
import { pieceSurface } from '@spare-acre/core/plan/surfaces';
import type { Slices } from '../../../workers/slices';
import { swatches } from '../../../workers/swatches';

/** What a table wears: its ground seen from above, and a swatch for each piece by its plot. */
export interface Painted {
  readonly ground: HTMLCanvasElement;
  readonly pieces: ReadonlyMap<string, HTMLCanvasElement>;
}
type Matrix = NonNullable<Slices['matrix']>;
type Worn = NonNullable<Slices['worn']>;

/** Pixels along the longer side of the table. */
const LONG_PX = 3_072;
/** Light that shows the relief without hiding the colour. */
const LOOK = { lightDeg: 315, lightUpDeg: 55, isWet: false, from: 'close' } as const;
const BARE = '#c9ced0';

/** How many of a surface's coats are on after so many steps of the order of work. */
export const coatsOnAfter = ({ rows }: Matrix, surfaceId: string, step: number): number =>
  rows.slice(0, step).filter(({ cells }) => cells.some((cell) => (cell.surfaceId as string) === surfaceId)).length;

/** The table as it looks after so many steps. */
export async function paintedAfter(
  plan: Plan,
  catalogue: Catalogue,
  { matrix, worn }: { readonly matrix: Matrix; readonly worn: Worn },
  step: number,
): Promise<Painted> {
  const swatchOf = async (surface: Pick<Surface, 'relief' | 'laid' | 'coats'>, stage: number): Promise<HTMLCanvasElement> => {
    const units =
      surface.laid === null ? null : { longMm: surface.laid.longMm, wideMm: surface.laid.wideMm, jointMm: surface.laid.jointMm };
    const recipe = { relief: surface.relief, units, unitTints: surface.laid?.tints ?? [], coats: surface.coats, seed: plan.seed };
    const { pixels, cells } = await swatches(catalogue, plan.paints).show(recipe, stage, LOOK, plan.play.baseHex);
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [cells, cells];
    canvas.getContext('2d')!.putImageData(new ImageData(pixels as Uint8ClampedArray<ArrayBuffer>, cells), 0, 0);
    return canvas;
  };
  const [w, d] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
  const k = LONG_PX / Math.max(w, d);
  const ground = document.createElement('canvas');
  [ground.width, ground.height] = [Math.round(w * k), Math.round(d * k)];
  const pen = ground.getContext('2d')!;
  pen.fillStyle = BARE;
  pen.fillRect(0, 0, ground.width, ground.height);
  for (const { surfaceId, stretches } of worn) {
    const surface = plan.surfaces.find(({ id }) => id === surfaceId);
    if (surface === undefined) continue;
    const swatch = await swatchOf(surface, coatsOnAfter(matrix, surfaceId, step));
    const tile = document.createElement('canvas');
    tile.width = tile.height = Math.max(8, Math.round(SWATCH_MM * k));
    tile.getContext('2d')!.drawImage(swatch, 0, 0, tile.width, tile.height);
    pen.fillStyle = pen.createPattern(tile, 'repeat')!;
    for (const { rings, softMm } of stretches) {
      const path = new Path2D();
      for (const ring of rings) trace(path, ring, k);
      if (softMm === 0) pen.fill(path, 'evenodd');
      else softly(pen, path, softMm * k);
    }
  }
  const byPiece = new Map<string, HTMLCanvasElement>();
  const pieces = new Map<string, HTMLCanvasElement>();
  for (const feature of plan.features) {
    const piece = plan.pieces.find(({ id }) => id === pieceOn(feature));
    if (piece === undefined) continue;
    let swatch = byPiece.get(piece.id);
    if (swatch === undefined) {
      const named = plan.surfaces.find(({ id }) => id === piece.surfaceId);
      const stage = coatsOnAfter(matrix, pieceSurface(piece.id), step);
      swatch = await swatchOf(named ?? { relief: 'flat', laid: null, coats: piece.coats }, stage);
      byPiece.set(piece.id, swatch);
    }
    pieces.set(feature.id, swatch);
  }
  return { ground, pieces };
}

/** Fills a path with the pen's pattern, fading out over its edge. */
function softly(pen: CanvasRenderingContext2D, path: Path2D, softPx: number): void {
  const { width, height } = pen.canvas;
  const faded = document.createElement('canvas');
  [faded.width, faded.height] = [width, height];
  const brush = faded.getContext('2d')!;
  brush.filter = `blur(${softPx / 2}px)`;
  brush.fillStyle = '#000';
  brush.fill(path, 'evenodd');
  brush.filter = 'none';
  brush.globalCompositeOperation = 'source-in';
  brush.fillStyle = pen.fillStyle;
  brush.fillRect(0, 0, width, height);
  pen.drawImage(faded, 0, 0);
}

function trace(path: Path2D, ring: readonly Point[], k: number): void {
  ring.forEach(({ x, y }, i) => (i === 0 ? path.moveTo(x * k, y * k) : path.lineTo(x * k, y * k)));
  path.closePath();
}
