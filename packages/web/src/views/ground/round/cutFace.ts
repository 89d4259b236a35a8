import type { Band } from '@spare-acre/core/build/mesh';
import { HATCH_PX, type Stroke, hatch } from './hatch';
import type { Ink } from './ink';

const PX_PER_MM = 4;
const REPEATS = 10;
/** After so much of an upright face its picture begins anew. */
export const FACE_REPEAT_MM = (HATCH_PX * REPEATS) / PX_PER_MM;

const STROKES: Readonly<Record<Band['hatch'], Stroke>> = {
  stipple: 'dots',
  beads: 'rings',
  fibre: 'dashes',
  grain: 'waves',
  flutes: 'zigzag',
  solid: 'slant',
};

/** The layers as an upright face shows them, with the hatches of the section. */
export function drawCutFace(
  bands: readonly Band[],
  ink: Ink,
): { readonly canvas: HTMLCanvasElement; readonly lowMm: number; readonly highMm: number } {
  const lowMm = Math.min(0, ...bands.map(({ bottomMm }) => bottomMm));
  const highMm = Math.max(1, ...bands.map(({ topMm }) => topMm));
  const canvas = document.createElement('canvas');
  canvas.width = HATCH_PX * REPEATS;
  canvas.height = Math.ceil((highMm - lowMm) * PX_PER_MM);
  const pen = canvas.getContext('2d')!;
  pen.fillStyle = ink.css('--sheet');
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.strokeStyle = ink.css('--ink-soft');
  pen.lineWidth = 2;
  for (const { hatch: own, bottomMm, topMm } of bands) {
    const [top, bottom] = [(highMm - topMm) * PX_PER_MM, (highMm - bottomMm) * PX_PER_MM];
    pen.fillStyle = hatch(pen, ink.css(own === 'solid' ? '--ochre-fill' : '--sheet'), ink.css('--tick'), STROKES[own]);
    pen.fillRect(0, top, canvas.width, bottom - top);
    pen.strokeRect(-4, top, canvas.width + 8, bottom - top);
  }
  return { canvas, lowMm, highMm };
}
