/** What fills a surface on a canvas: told apart by line and dot, not by colour alone. */
export type Stroke = 'dots' | 'rings' | 'slant' | 'waves' | 'cross' | 'dashes' | 'zigzag' | 'none';

/** Pixels after which every hatch begins anew. */
export const HATCH_PX = 24;

type Pen = CanvasRenderingContext2D;
const STROKES: Readonly<Record<Exclude<Stroke, 'none'>, (pen: Pen, size: number) => void>> = {
  dots: (pen) => {
    pen.arc(6, 6, 1.4, 0, 2 * Math.PI);
    pen.moveTo(19.4, 18);
    pen.arc(18, 18, 1.4, 0, 2 * Math.PI);
    pen.fill();
  },
  rings: (pen) => {
    pen.arc(7, 7, 5, 0, 2 * Math.PI);
    pen.moveTo(22, 17);
    pen.arc(18, 17, 4, 0, 2 * Math.PI);
  },
  slant: (pen, size) => line(pen, [0, size], [size, 0], null, [-2, 2], [2, -2], null, [size - 2, size + 2], [size + 2, size - 2]),
  waves: (pen) => {
    pen.moveTo(0, 12);
    pen.quadraticCurveTo(6, 5, 12, 12);
    pen.quadraticCurveTo(18, 19, 24, 12);
  },
  cross: (pen, size) => line(pen, [0, 0], [size, size], null, [size, 0], [0, size]),
  dashes: (pen) => line(pen, [2, 6], [12, 6], null, [14, 18], [22, 18]),
  zigzag: (pen, size) => line(pen, [0, size], [size / 2, 0], [size, size]),
};

function line(pen: Pen, ...points: readonly (readonly [number, number] | null)[]): void {
  points.forEach((point, i) => {
    if (point === null) return;
    if (i === 0 || points[i - 1] === null) pen.moveTo(...point);
    else pen.lineTo(...point);
  });
}

export function hatch(pen: Pen, fill: string, stroke: string, kind: Stroke): CanvasPattern | string {
  if (kind === 'none') return fill;
  const tile = document.createElement('canvas');
  tile.width = tile.height = HATCH_PX;
  const small = tile.getContext('2d')!;
  small.fillStyle = fill;
  small.fillRect(0, 0, HATCH_PX, HATCH_PX);
  small.strokeStyle = small.fillStyle = stroke;
  small.lineWidth = 1.4;
  small.beginPath();
  STROKES[kind](small, HATCH_PX);
  small.stroke();
  return pen.createPattern(tile, 'repeat')!;
}
