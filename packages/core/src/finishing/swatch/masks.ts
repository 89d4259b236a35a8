import type { Method } from '../../catalogue';
import { borrowedShares, givenBack, sharesGivenBack } from './buffers';
import { CELLS, blurred, rough } from './noise';
import { CELLS_PER_MM, type ReliefMap } from './reliefs';

/** A share of 1 in a byte. */
export const WHOLE = 255;
/** A full coat in a mask's byte: some cells take more than one. */
export const FULL_COAT = 170;

/** The lie of a surface, each from 0 to WHOLE: lower than its neighbourhood, higher than it, sharp above it, how far it faces up, how far it lies in a joint. */
export interface ReliefMaps {
  readonly hollows: Uint8Array;
  readonly tops: Uint8Array;
  readonly edges: Uint8Array;
  readonly up: Uint8Array;
  readonly joint: Uint8Array;
  readonly unit: Uint16Array;
}
/** How much of a full coat is at each cell, in FULL_COATths; where it is the same everywhere there are no cells. */
export type Mask = { readonly cells: Uint8Array; readonly share: null } | { readonly cells: null; readonly share: number };

/** How far round a cell its neighbourhood goes, mm: washes gather over the wide, brushes find the near. */
const WIDE_MM = 2.2;
const NEAR_MM = 0.45;
/** What counts as wholly in a hollow or on an edge, mm over or under the neighbourhood. */
const DEEP_MM = 0.45;
const SHARP_MM = 0.16;

/** Curvature over two reaches and slope of a relief. */
export function lieOf({ heightMm, joint, unit }: ReliefMap): ReliefMaps {
  const wide = blurred(heightMm, WIDE_MM * CELLS_PER_MM);
  const near = blurred(heightMm, NEAR_MM * CELLS_PER_MM);
  const [hollows, tops, edges, up] = [borrowedShares(), borrowedShares(), borrowedShares(), borrowedShares()];
  for (let y = 0; y < CELLS; y++) {
    const row = y * CELLS;
    const above = ((y - 1) & (CELLS - 1)) * CELLS;
    const below = ((y + 1) & (CELLS - 1)) * CELLS;
    for (let x = 0; x < CELLS; x++) {
      const i = row + x;
      const mm = heightMm[i]!;
      const over = (mm - wide[i]!) * (WHOLE / DEEP_MM);
      hollows[i] = over >= 0 ? 0 : over < -WHOLE ? WHOLE : -over;
      tops[i] = over <= 0 ? 0 : over > WHOLE ? WHOLE : over;
      const sharp = (mm - near[i]!) * (WHOLE / SHARP_MM);
      edges[i] = sharp < 0 ? 0 : sharp > WHOLE ? WHOLE : sharp;
      const dx = (heightMm[row + ((x + 1) & (CELLS - 1))]! - heightMm[row + ((x - 1) & (CELLS - 1))]!) * (CELLS_PER_MM / 2);
      const dy = (heightMm[below + x]! - heightMm[above + x]!) * (CELLS_PER_MM / 2);
      up[i] = WHOLE / Math.sqrt(1 + dx * dx + dy * dy);
    }
  }
  givenBack(wide, near);
  return { hollows, tops, edges, up, joint, unit };
}
const clamp = (x: number): number => (x < 0 ? 0 : x > 1 ? 1 : x);

/** How sharply a patch ends, of the whole range of chance. */
const PATCH_EDGE = 0.1;
/** What is only here and there is so in patches of this size. */
const COVER_PATCH_MM = 9;
/** Faces steeper than this face sideways. */
const UPRIGHT = 0.35;

/**
 * How thick what is put on stays at each cell: by the lie of the surface, broken up by chance, drawn out downwards.
 * @param coverShare of the surface it goes on at all
 */
export function laidBy({ lays }: Pick<Method, 'lays'>, lie: ReliefMaps, coverShare: number, seed: number): Mask {
  const { all, hollows, edges, tops, up, joints, film, broken, patchMm, runsMm } = lays;
  const isEven = hollows === 0 && edges === 0 && tops === 0 && up === 0 && joints === 0;
  // What goes on everywhere alike, or nowhere, needs no grid.
  if (isEven && (all <= 0 || (broken === 0 && coverShare >= 1 && runsMm === 0)))
    return { cells: null, share: Math.round(clamp(all) * film * FULL_COAT) };
  const mask = borrowedShares();
  summed(mask, all, [
    [hollows, lie.hollows],
    [edges, lie.edges],
    [tops, lie.tops],
    [joints, lie.joint],
    [up, lie.up, facingUp],
  ]);
  if (broken > 0) through(mask, brokenBy(broken), patchMm, seed);
  if (coverShare < 1) through(mask, coveredBy(coverShare), COVER_PATCH_MM, seed + 101);
  const laid = runsMm > 0 ? runDown(mask, runsMm * CELLS_PER_MM) : mask;
  if (laid !== mask) sharesGivenBack(mask);
  const scaled = Uint8Array.from({ length: 256 }, (_, share) => Math.round((share / WHOLE) * film * FULL_COAT));
  for (let i = 0; i < laid.length; i++) laid[i] = scaled[laid[i]!]!;
  return { cells: laid, share: null };
}
const facingUp = (share: number): number => clamp((share - UPRIGHT) / (1 - UPRIGHT));

type Part = readonly [weight: number, of: Uint8Array, by?: (share: number) => number];
/** Fixed point of the sums: whole numbers are added faster than fractions. */
const FINE = 256;
/** A weighted sum of shares, kept between none and WHOLE. */
function summed(mask: Uint8Array, all: number, parts: readonly Part[]): void {
  const used = parts.filter(([weight]) => weight !== 0);
  const tables = used.map(([weight, , by = (share: number): number => share]) =>
    Int32Array.from({ length: 256 }, (_, share) => Math.round(weight * by(share / WHOLE) * WHOLE * FINE)),
  );
  const start = Math.round(all * WHOLE * FINE) + FINE / 2;
  const looked = used.map(([, of], i) => ({ of, table: tables[i]! }));
  if (looked.length <= 2) sumOfTwo(mask, start, looked[0], looked[1]);
  else sumOfMany(mask, start, looked);
}
interface Looked {
  readonly of: Uint8Array;
  readonly table: Int32Array;
}
const TOP = WHOLE * FINE;
/** Most methods look at one or two of them, and one pass does. */
function sumOfTwo(mask: Uint8Array, start: number, a: Looked = { of: mask, table: ZERO }, b: Looked = { of: a.of, table: ZERO }): void {
  const [ofA, tableA, ofB, tableB] = [a.of, a.table, b.of, b.table];
  for (let i = 0; i < mask.length; i++) {
    const sum = start + tableA[ofA[i]!]! + tableB[ofB[i]!]!;
    mask[i] = sum < 0 ? 0 : sum > TOP ? WHOLE : sum >> 8;
  }
}
function sumOfMany(mask: Uint8Array, start: number, [a, b, c, ...rest]: readonly Looked[]): void {
  const [ofA, tableA, ofB, tableB, ofC, tableC] = [a!.of, a!.table, b!.of, b!.table, c!.of, c!.table];
  for (let i = 0; i < mask.length; i++) {
    let sum = start + tableA[ofA[i]!]! + tableB[ofB[i]!]! + tableC[ofC[i]!]!;
    for (const { of, table } of rest) sum += table[of[i]!]!;
    mask[i] = sum < 0 ? 0 : sum > TOP ? WHOLE : sum >> 8;
  }
}
const ZERO = new Int32Array(256);

/** Shares by a table of share and chance. The chance of a seed is the same field seen from another place: its edges meet. */
function through(mask: Uint8Array, table: Uint8Array, patchMm: number, seed: number): void {
  const chance = chanceOf(patchMm);
  const at = Math.imul(seed + 1, 0x9e3779b1) >>> 0;
  const [shiftX, shiftY] = [at & (CELLS - 1), (at >>> 12) & (CELLS - 1)];
  for (let y = 0; y < CELLS; y++) {
    const row = y * CELLS;
    const from = ((y + shiftY) & (CELLS - 1)) * CELLS;
    for (let x = 0; x < CELLS; x++) mask[row + x] = table[(mask[row + x]! << 8) | chance[from + ((x + shiftX) & (CELLS - 1))]!]!;
  }
}

/** Tables of share × chance, by how broken up a coat is. */
const BROKEN = new Map<number, Uint8Array>();
function brokenBy(broken: number): Uint8Array {
  let table = BROKEN.get(broken);
  if (table === undefined) {
    table = tableOf((share, chance) => {
      const hard = clamp((share - chance) / PATCH_EDGE + 0.5);
      return share === 0 ? 0 : share + (hard - share) * broken;
    });
    BROKEN.set(broken, table);
  }
  return table;
}
const COVERED = new Map<number, Uint8Array>();
function coveredBy(coverShare: number): Uint8Array {
  let table = COVERED.get(coverShare);
  if (table === undefined) {
    if (COVERED.size >= MAX_KEPT) COVERED.clear();
    COVERED.set(coverShare, (table = tableOf((share, chance) => share * clamp((coverShare - chance) / PATCH_EDGE + 0.5))));
  }
  return table;
}
const tableOf = (value: (share: number, chance: number) => number): Uint8Array => {
  const table = new Uint8Array(256 * 256);
  for (let s = 0; s < 256; s++) for (let c = 0; c < 256; c++) table[(s << 8) | c] = Math.round(value(s / WHOLE, c / WHOLE) * WHOLE);
  return table;
};

/** Chance in patches of one size. Kept: 64 to 260 kB each. */
const CHANCES = new Map<number, Uint8Array>();
function chanceOf(patchMm: number): Uint8Array {
  let chance = CHANCES.get(patchMm);
  if (chance === undefined) {
    if (CHANCES.size >= MAX_KEPT) CHANCES.clear();
    CHANCES.set(patchMm, (chance = evened(rough(patchMm * CELLS_PER_MM, 2, 0.4, Math.round(patchMm * 8)))));
  }
  return chance;
}
const MAX_KEPT = 24;

/** Chance evened out, so that a share of cells lies under that share: waves alone keep to the middle. */
function evened(field: Float32Array): Uint8Array {
  const STEPS = 4_096;
  const counts = new Uint32Array(STEPS);
  for (let i = 0; i < field.length; i++) counts[(field[i]! * (STEPS - 1)) | 0]!++;
  const under = new Uint8Array(STEPS);
  let sum = 0;
  for (let s = 0; s < STEPS; s++) {
    under[s] = ((sum + counts[s]! / 2) / field.length) * WHOLE;
    sum += counts[s]!;
  }
  const even = new Uint8Array(field.length);
  for (let i = 0; i < field.length; i++) even[i] = under[(field[i]! * (STEPS - 1)) | 0]!;
  givenBack(field);
  return even;
}

/** Stains run down from where they gather, and fade on the way. Twice round, since the swatch's edges meet. */
function runDown(mask: Uint8Array, lengthCells: number): Uint8Array {
  const out = borrowedShares();
  const keeps = Math.exp(-2 / lengthCells);
  const run = new Float32Array(CELLS);
  for (let y = 0; y < 2 * CELLS; y++) {
    const row = (y & (CELLS - 1)) * CELLS;
    for (let x = 0; x < CELLS; x++) {
      const faded = run[x]! * keeps;
      const own = mask[row + x]!;
      out[row + x] = run[x] = own > faded ? own : faded;
    }
  }
  return out;
}
