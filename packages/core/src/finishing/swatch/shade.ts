import { TONES, blueOf, greenOf, redOf, reflectanceOf } from './layer';
import { borrowed, givenBack } from './buffers';
import { type ReliefMaps, WHOLE } from './masks';
import { CELLS, blurred } from './noise';
import { encoded } from './numbers';
import { CELLS_PER_MM, type ReliefMap } from './reliefs';
import type { Stage } from './swatch';

/** How a swatch is looked at. */
export interface Look {
  /** Where the light comes from, degrees round from the top of the picture, and how high it stands. */
  readonly lightDeg: number;
  readonly lightUpDeg: number;
  readonly isWet: boolean;
  /** Held close, or seen from where one stands at the table. */
  readonly from: 'close' | 'arm';
}

/** Light that comes back out of a wet film onto the paint: of what leaves the paint, the share that is thrown back inside. @source Twomey, Bohren and Mergenthaler 1986, for water */
const THROWN_BACK = 0.45;
/** What an eye at arm's length cannot tell apart: one minute of arc at 700 mm, as a half-width. */
const ARM_BLUR_MM = 0.25;
/** Light from all round, of all light. */
const AMBIENT = 0.42;

const SHARES = Float32Array.from({ length: TONES }, (_, tone) => reflectanceOf(tone));
const WET_SHARES = SHARES.map((dry) => (dry * (1 - THROWN_BACK)) / (1 - THROWN_BACK * dry));
/** Screen values by share of white, in fine steps. */
const SCREEN = Uint8ClampedArray.from({ length: 4_096 }, (_, i) => Math.round(encoded(i / 4_095) * 255));

/** The picture of a swatch as it is looked at: RGBA, row by row from the top. @returns CELLS × CELLS pixels */
export function picture(
  { heightMm }: ReliefMap,
  lie: ReliefMaps,
  { tones, gloss }: Stage,
  { lightDeg, lightUpDeg, isWet, from }: Look,
): Uint8ClampedArray {
  const shares = isWet ? WET_SHARES : SHARES;
  const [turn, up] = [(lightDeg * Math.PI) / 180, (lightUpDeg * Math.PI) / 180];
  const [lx, ly, lz] = [Math.sin(turn) * Math.cos(up), -Math.cos(turn) * Math.cos(up), Math.sin(up)];
  // Half-way between the light and an eye straight above: where gloss shines.
  const half = Math.hypot(lx, ly, lz + 1);
  const [hx, hy, hz] = [lx / half, ly / half, (lz + 1) / half];
  const size = CELLS * CELLS;
  const colour = [borrowed(), borrowed(), borrowed()] as const;
  const [red, green, blue] = colour;
  const { hollows } = lie;
  for (let y = 0; y < CELLS; y++) {
    const row = y * CELLS;
    const above = ((y - 1) & (CELLS - 1)) * CELLS;
    const below = ((y + 1) & (CELLS - 1)) * CELLS;
    for (let x = 0; x < CELLS; x++) {
      const i = row + x;
      const dx = (heightMm[row + ((x + 1) & (CELLS - 1))]! - heightMm[row + ((x - 1) & (CELLS - 1))]!) * (CELLS_PER_MM / 2);
      const dy = (heightMm[below + x]! - heightMm[above + x]!) * (CELLS_PER_MM / 2);
      const long = 1 / Math.sqrt(1 + dx * dx + dy * dy);
      const facing = (lz - dx * lx - dy * ly) * long;
      const shade = AMBIENT * (1 - (0.55 / WHOLE) * hollows[i]!) + (1 - AMBIENT) * (facing > 0 ? facing / lz : 0);
      const shine = isWet ? 0.6 : gloss === null ? 0 : gloss[i]! / WHOLE;
      let spot = 0;
      if (shine > 0.02) {
        const to = (hz - dx * hx - dy * hy) * long;
        if (to > 0) spot = shine * 0.5 * to ** 60;
      }
      const own = tones[i]!;
      red[i] = shares[redOf(own)]! * shade + spot;
      green[i] = shares[greenOf(own)]! * shade + spot;
      blue[i] = shares[blueOf(own)]! * shade + spot;
    }
  }
  const seenFrom = from === 'close' ? colour : colour.map((one) => blurred(one, ARM_BLUR_MM * CELLS_PER_MM));
  const rgba = new Uint8ClampedArray(size * 4);
  for (let i = 0; i < size; i++) {
    for (let c = 0; c < 3; c++) rgba[i * 4 + c] = SCREEN[Math.min(4_095, (seenFrom[c]![i]! * 4_095) | 0)]!;
    rgba[i * 4 + 3] = 255;
  }
  givenBack(...colour, ...(seenFrom === colour ? [] : seenFrom));
  return rgba;
}
