import { seeded } from '../../base/random';
import type { Relief } from '../../plan/surfaces';
import { borrowed, borrowedShares } from './buffers';
import { CELLS, noise, rough } from './noise';

/** The side of a swatch, mm. */
export const SWATCH_MM = 64;
export const CELLS_PER_MM = CELLS / SWATCH_MM;

/** A small piece of surface: heights in mm, which unit each cell belongs to, and how far it lies in a joint, 0 to 255. */
export interface ReliefMap {
  readonly heightMm: Float32Array;
  readonly unit: Uint16Array;
  readonly joint: Uint8Array;
}
/** How big its units are, along a course and across, and how wide their joints. */
export interface UnitSizes {
  readonly longMm: number;
  readonly wideMm: number;
  readonly jointMm: number;
}

type Make = (sizes: UnitSizes | null, seed: number) => ReliefMap;
const REST: Pick<ReliefMap, 'unit' | 'joint'> = { unit: new Uint16Array(CELLS * CELLS), joint: new Uint8Array(CELLS * CELLS) };
const of = (height: (i: number) => number, rest: Pick<ReliefMap, 'unit' | 'joint'> = REST): ReliefMap => {
  const heightMm = borrowed();
  for (let i = 0; i < heightMm.length; i++) heightMm[i] = height(i);
  return { heightMm, ...rest };
};

const MAKERS: Readonly<Record<Relief, Make>> = {
  flat: (_, seed) => {
    const fine = rough(10, 3, 0.6, seed);
    return of((i) => fine[i]! * 0.12);
  },
  earth: (_, seed) => {
    const [wide, fine] = [rough(110, 5, 0.5, seed), noise(3, seed + 5)];
    return of((i) => wide[i]! * 2.2 + fine[i]! * 0.18);
  },
  sand: (_, seed) => {
    const [wide, grain] = [rough(90, 3, 0.5, seed), noise(3, seed + 7)];
    return of((i) => wide[i]! * 0.7 + grain[i]! * 0.35);
  },
  rubble: (_, seed) => heaped(seed),
  rock: (_, seed) => {
    const [wide, fine] = [rough(130, 6, 0.5, seed), noise(3, seed + 3)];
    // Ridges where the waves turn over, stepped as beds break.
    return of((i) => {
      const ridge = 1 - Math.abs(2 * wide[i]! - 1);
      const bed = ridge * 7;
      return 0.65 * (Math.floor(bed) + smooth(bed - Math.floor(bed), 0.55, 1)) + fine[i]! * 0.2;
    });
  },
  slate: (sizes, seed) => overlapped(sizes ?? { longMm: 8, wideMm: 6, jointMm: 0.4 }, seed),
  cobble: (sizes, seed) => cobbled(sizes ?? { longMm: 5, wideMm: 5, jointMm: 0.8 }, seed),
  flag: (sizes, seed) =>
    coursed(sizes ?? { longMm: 14, wideMm: 10, jointMm: 0.6 }, seed, { strays: 0.35, domes: 0.15, tilts: 0.25, grain: 0.15 }),
  brick: (sizes, seed) =>
    coursed(sizes ?? { longMm: 4, wideMm: 1.4, jointMm: 0.35 }, seed, { strays: 0, domes: 0.1, tilts: 0.12, grain: 0.08 }),
  plank: (sizes, seed) => planked(sizes ?? { longMm: 40, wideMm: 4, jointMm: 0.3 }, seed),
  corrugated: (_, seed) => {
    const [fine, waves] = [rough(40, 3, 0.5, seed), Math.round(SWATCH_MM / 3.2)];
    return of((i) => 0.55 * (1 + Math.sin(((i % CELLS) / CELLS) * waves * 2 * Math.PI)) + fine[i]! * 0.12);
  },
  turf: (_, seed) => {
    const [tufts, blades, wide] = [rough(14, 2, 0.6, seed), noise(2, seed + 9), rough(120, 3, 0.5, seed + 2)];
    return of((i) => tufts[i]! * 1.1 + blades[i]! * 0.7 + wide[i]! * 0.8);
  },
  furrows: (_, seed) => {
    const [fine, wide, rows] = [rough(26, 4, 0.55, seed), noise(90, seed + 4), Math.round(SWATCH_MM / 6.4)];
    return of((i) => {
      const y = Math.floor(i / CELLS) / CELLS;
      return 0.8 * (1 + Math.cos((y * rows + (wide[i]! - 0.5) * 0.35) * 2 * Math.PI)) + fine[i]! * 0.7;
    });
  },
};

/** The relief of a kind of surface; the same seed, the same relief. Its edges meet. */
export const reliefOf = (relief: Relief, sizes: UnitSizes | null, seed: number): ReliefMap => MAKERS[relief](sizes, seed);

const smooth = (x: number, from: number, to: number): number => {
  const t = Math.max(0, Math.min(1, (x - from) / (to - from)));
  return t * t * (3 - 2 * t);
};

/** Round stones on a strayed grid: height by how much nearer the next stone is than this one (Worley's cells). */
function cobbled({ longMm, wideMm, jointMm }: UnitSizes, seed: number): ReliefMap {
  const [cols, rows] = [counted(longMm), counted(wideMm)];
  const random = seeded(seed);
  const stones = Array.from({ length: cols * rows }, () => ({ dx: 0.2 + 0.6 * random(), dy: 0.2 + 0.6 * random(), up: random() }));
  const ups = Float64Array.from(stones, ({ up }) => 1.2 + up * 0.35);
  const fine = rough(8, 3, 0.6, seed + 1);
  const unit = new Uint16Array(CELLS * CELLS);
  const joint = borrowedShares();
  const heightMm = borrowed();
  const [w, h] = [SWATCH_MM / cols, SWATCH_MM / rows];
  const centreX = Float64Array.from(stones, ({ dx }, s) => ((s % cols) + dx) * w);
  const centreY = Float64Array.from(stones, ({ dy }, s) => (Math.floor(s / cols) + dy) * h);
  // Block by block: the nine stones that can be nearest are laid out once for all cells of a block.
  const [nearX, nearY, nearAt] = [new Float64Array(9), new Float64Array(9), new Int32Array(9)];
  const most = jointMm * 0.6 + Math.min(w, h) * 0.4;
  for (let row = 0; row < rows; row++) {
    const [y0, y1] = blockOf(row, h);
    for (let col = 0; col < cols; col++) {
      const [x0, x1] = blockOf(col, w);
      for (let k = 0; k < 9; k++) {
        const [r, c] = [row + Math.floor(k / 3) - 1, col + (k % 3) - 1];
        const s = ((r + rows) % rows) * cols + ((c + cols) % cols);
        nearX[k] = centreX[s]! + (c < 0 ? -SWATCH_MM : c >= cols ? SWATCH_MM : 0);
        nearY[k] = centreY[s]! + (r < 0 ? -SWATCH_MM : r >= rows ? SWATCH_MM : 0);
        nearAt[k] = s;
      }
      for (let y = y0; y < y1; y++) {
        const yMm = (y + 0.5) / CELLS_PER_MM;
        for (let x = x0; x < x1; x++) {
          const xMm = (x + 0.5) / CELLS_PER_MM;
          let first = Infinity;
          let second = Infinity;
          let nearest = 0;
          for (let k = 0; k < 9; k++) {
            const dx = nearX[k]! - xMm;
            const dy = nearY[k]! - yMm;
            const d = dx * dx + dy * dy;
            if (d < first) {
              second = first;
              first = d;
              nearest = k;
            } else if (d < second) second = d;
          }
          const gap = Math.sqrt(second) - Math.sqrt(first);
          const i = y * CELLS + x;
          const s = nearAt[nearest]!;
          unit[i] = s;
          joint[i] = 255 * (1 - smooth(gap, jointMm * 0.5, jointMm * 1.3));
          heightMm[i] = smooth(gap, jointMm * 0.6, most) * ups[s]! + fine[i]! * 0.14;
        }
      }
    }
  }
  return { heightMm, unit, joint };
}
/** The cells of one of equal blocks: those whose middle lies in it. */
const blockOf = (index: number, wideMm: number): readonly [number, number] => [
  Math.max(0, Math.ceil(index * wideMm * CELLS_PER_MM - 0.5)),
  Math.min(CELLS, Math.ceil((index + 1) * wideMm * CELLS_PER_MM - 0.5)),
];
const wrapped = (mm: number): number => (mm > SWATCH_MM / 2 ? mm - SWATCH_MM : mm < -SWATCH_MM / 2 ? mm + SWATCH_MM : mm);
const counted = (mm: number): number => Math.max(2, Math.round(SWATCH_MM / mm));

interface Coursing {
  /** How far lengths stray, of a unit. */
  readonly strays: number;
  readonly domes: number;
  readonly tilts: number;
  readonly grain: number;
}
/** Units in courses, every other course shifted. */
function coursed({ longMm, wideMm, jointMm }: UnitSizes, seed: number, { strays, domes, tilts, grain }: Coursing): ReliefMap {
  const rows = 2 * Math.max(1, Math.round(SWATCH_MM / wideMm / 2));
  const cols = counted(longMm);
  const random = seeded(seed);
  const fine = rough(12, 4, 0.55, seed + 1);
  const courses = Array.from({ length: rows }, (_, row) => {
    const starts = Array.from({ length: cols }, (_u, col) => (col + (row % 2) / 2 + (random() - 0.5) * strays) * (SWATCH_MM / cols));
    return starts.map((from) => ({ from, up: random(), leanX: random() - 0.5, leanY: random() - 0.5 }));
  });
  const unit = new Uint16Array(CELLS * CELLS);
  const joint = borrowedShares();
  const heightMm = borrowed();
  const high = SWATCH_MM / rows;
  for (let y = 0; y < CELLS; y++) {
    const yMm = (y + 0.5) / CELLS_PER_MM;
    const row = Math.min(rows - 1, Math.floor(yMm / high));
    const course = courses[row]!;
    const inY = Math.min(yMm - row * high, (row + 1) * high - yMm);
    let at = 0;
    for (let x = 0; x < CELLS; x++) {
      const xMm = (x + 0.5) / CELLS_PER_MM;
      // Units come one after another: the search goes on from the last one.
      while (at + 1 < cols && course[at + 1]!.from <= xMm) at++;
      const own = course[at]!.from <= xMm ? at : cols - 1;
      const { from, up, leanX, leanY } = course[own]!;
      const next = course[(own + 1) % cols]!.from;
      const fromLeft = Math.abs(wrapped(xMm - from));
      const toRight = Math.abs(wrapped(next - xMm));
      const edge = Math.min(inY, fromLeft, toRight);
      const i = y * CELLS + x;
      const body = smooth(edge, jointMm * 0.35, jointMm * 0.5 + 0.35);
      unit[i] = row * cols + own;
      joint[i] = 255 * (1 - smooth(edge, jointMm * 0.4, jointMm * 0.75));
      const lean = (leanX * (fromLeft - toRight)) / longMm + (leanY * (yMm - (row + 0.5) * high)) / high;
      heightMm[i] = body * (0.9 + up * tilts + lean * tilts + domes * smooth(edge, 0, Math.min(high, longMm) / 2)) + fine[i]! * grain;
    }
  }
  return { heightMm, unit, joint };
}

/** Boards with their grain along them. */
function planked(sizes: UnitSizes, seed: number): ReliefMap {
  const base = coursed(sizes, seed, { strays: 0.5, domes: 0.05, tilts: 0.12, grain: 0 });
  const [grain, drift] = [noise(2, seed + 11), noise(64, seed + 12)];
  const heightMm = base.heightMm.map((mm, i) => {
    // The grain drawn out along the board: one value for a long stretch of each row of cells.
    const y = Math.floor(i / CELLS);
    const x = i % CELLS;
    const row = (y + Math.round(drift[i]! * 10)) & (CELLS - 1);
    return mm + grain[row * CELLS + (x >> 6)]! * 0.16 * (1 - base.joint[i]! / 255);
  });
  return { ...base, heightMm };
}

/** Slates: each course lies on the one below and ends in an edge. */
function overlapped(sizes: UnitSizes, seed: number): ReliefMap {
  const base = coursed(sizes, seed, { strays: 0.15, domes: 0, tilts: 0.1, grain: 0.06 });
  const rows = 2 * Math.max(1, Math.round(SWATCH_MM / sizes.wideMm / 2));
  const high = CELLS / rows;
  return { ...base, heightMm: base.heightMm.map((mm, i) => mm * 0.35 + 0.7 * (((Math.floor(i / CELLS) % high) + 1) / high)) };
}

/** Broken stuff in three sizes, the big on the small. */
function heaped(seed: number): ReliefMap {
  const layers = [7, 3.2, 1.6].map((mm, k) => cobbled({ longMm: mm, wideMm: mm, jointMm: mm * 0.28 }, seed + k * 17));
  const pick = rough(70, 3, 0.5, seed + 77);
  const heightMm = new Float32Array(CELLS * CELLS);
  for (let i = 0; i < heightMm.length; i++) {
    const [big, mid, small] = layers as [ReliefMap, ReliefMap, ReliefMap];
    const share = smooth(pick[i]!, 0.48, 0.56);
    heightMm[i] = small.heightMm[i]! * 0.35 + mid.heightMm[i]! * 0.6 * smooth(pick[i]!, 0.3, 0.42) + big.heightMm[i]! * 1.3 * share;
  }
  return { heightMm, unit: layers[0]!.unit, joint: REST.joint };
}
