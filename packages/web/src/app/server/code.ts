import qrcode from 'qrcode';

/** Light modules around a code, so that a camera finds its edge. @source ISO/IEC 18004 */
const MARGIN = 4;
/** What the drawing is laid out for: an address of up to 62 letters in medium correction takes 33 modules a side. */
export const CODE_SIDE = 33 + 2 * MARGIN;

/** A QR code as the path of an SVG, {@link CODE_SIDE} units a side. @throws for a text that is too long */
export function codeOf(text: string): string {
  const { modules } = qrcode.create([{ data: new TextEncoder().encode(text), mode: 'byte' }], { errorCorrectionLevel: 'M', version: 4 });
  const { size, data } = modules;
  let path = '';
  for (let row = 0; row < size; row++) {
    for (let column = 0; column < size; column++)
      if (data[row * size + column] === 1) path += `M${column + MARGIN} ${row + MARGIN}h1v1h-1z`;
  }
  return path;
}
