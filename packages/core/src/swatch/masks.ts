import type { Method } from '../catalogue';
import { borrowed, givenBack } from './buffers';
import { CELLS, blurred, rough } from './noise';
import { CELLS_PER_MM, type ReliefMap } from './reliefs';

/** The lie of a surface, each from 0 to 1: lower than its neighbourhood, higher than it, sharp above it, and how far it faces up. */
export interface Lie {
  readonly hollows: Float32Array;
  readonly tops: Float32Array;
  readonly edges: Float32Array;
  readonly up: Float32Array;
  readonly joint: Float32Array;
  readonly unit: Uint16Array;
}

/** How far round a cell its neighbourhood goes, mm: washes gather over the wide, brushes find the near. */
const WIDE_MM = 2.2;
const NEAR_MM = 0.45;
/** What counts as wholly in a hollow or on an edge, mm over or under the neighbourhood. */
const DEEP_MM = 0.45;
const SHARP_MM = 0.16;

/** Curvature over two reaches and slope of a relief. */
export function lieOf({ heightMm, joint, unit }: ReliefMap): Lie {
  const wide = blurred(heightMm, WIDE_MM * CELLS_PER_MM);
  const near = blurred(heightMm, NEAR_MM * CELLS_PER_MM);
  const size = heightMm.length;
  const lie = { hollows: borrowed(), tops: borrowed(), edges: borrowed(), up: borrowed() };
  const { hollows, tops, edges, up } = lie;
  for (let i = 0; i < size; i++) {
    const mm = heightMm[i]!;
    const over = (mm - wide[i]!) / DEEP_MM;
    hollows[i] = over >= 0 ? 0 : over < -1 ? 1 : -over;
    tops[i] = over <= 0 ? 0 : over > 1 ? 1 : over;
    const sharp = (mm - near[i]!) / SHARP_MM;
    edges[i] = sharp < 0 ? 0 : sharp > 1 ? 1 : sharp;
  }
  for (let y = 0; y < CELLS; y++) {
    const row = y * CELLS;
    const above = ((y - 1) & (CELLS - 1)) * CELLS;
    const below = ((y + 1) & (CELLS - 1)) * CELLS;
    for (let x = 0; x < CELLS; x++) {
      const dx = (heightMm[row + ((x + 1) & (CELLS - 1))]! - heightMm[row + ((x - 1) & (CELLS - 1))]!) * (CELLS_PER_MM / 2);
      const dy = (heightMm[below + x]! - heightMm[above + x]!) * (CELLS_PER_MM / 2);
      up[row + x] = 1 / Math.sqrt(1 + dx * dx + dy * dy);
    }
  }
  givenBack(wide, near);
  return { ...lie, joint, unit };
}
const clamp = (x: number): number => (x < 0 ? 0 : x > 1 ? 1 : x);

/** How sharply a patch ends, of the whole range of chance. */
const PATCH_EDGE = 0.1;

/**
 * How thick what is put on stays at each cell, in full coats: by the lie of the surface, broken up by chance, drawn out downwards.
 * @param coverShare of the surface it goes on at all
 */
export function laidBy({ lays }: Pick<Method, 'lays'>, lie: Lie, coverShare: number, seed: number): Float32Array {
  const { all, hollows, edges, tops, up, joints, film, broken, patchMm, runsMm } = lays;
  const mask = borrowed();
  for (let i = 0; i < mask.length; i++) {
    const facing = up === 0 ? 0 : (lie.up[i]! - UPRIGHT) / (1 - UPRIGHT);
    mask[i] = clamp(
      all + hollows * lie.hollows[i]! + edges * lie.edges[i]! + tops * lie.tops[i]! + up * clamp(facing) + joints * lie.joint[i]!,
    );
  }
  if (broken > 0) {
    const chance = chanceOf(patchMm, seed);
    for (let i = 0; i < mask.length; i++) {
      const share = mask[i]!;
      if (share === 0) continue;
      const hard = clamp((share - chance[i]!) / PATCH_EDGE + 0.5);
      mask[i] = share + (hard - share) * broken;
    }
  }
  if (coverShare < 1) {
    const chance = chanceOf(COVER_PATCH_MM, seed + 101);
    for (let i = 0; i < mask.length; i++) mask[i] = mask[i]! * clamp((coverShare - chance[i]!) / PATCH_EDGE + 0.5);
  }
  const laid = runsMm > 0 ? runDown(mask, runsMm * CELLS_PER_MM) : mask;
  if (laid !== mask) givenBack(mask);
  if (film !== 1) for (let i = 0; i < laid.length; i++) laid[i] = laid[i]! * film;
  return laid;
}
/** Faces steeper than this face sideways. */
const UPRIGHT = 0.35;

/** What is only here and there is so in patches of this size. */
const COVER_PATCH_MM = 9;
/** Chance in patches, kept for as long as a coat is tried out. */
const CHANCES = new Map<string, Float32Array>();
function chanceOf(patchMm: number, seed: number): Float32Array {
  const key = `${patchMm} ${seed}`;
  let chance = CHANCES.get(key);
  if (chance === undefined) {
    if (CHANCES.size >= MOST_CHANCES) {
      givenBack(...CHANCES.values());
      CHANCES.clear();
    }
    CHANCES.set(key, (chance = evened(rough(patchMm * CELLS_PER_MM, 2, 0.4, seed))));
  }
  return chance;
}
/** 1 MB each. */
const MOST_CHANCES = 24;

/** Chance evened out, so that a share of cells lies under that share: waves alone keep to the middle. */
function evened(field: Float32Array): Float32Array {
  const STEPS = 256;
  const counts = new Uint32Array(STEPS);
  for (let i = 0; i < field.length; i++) counts[Math.min(STEPS - 1, Math.floor(field[i]! * STEPS))]!++;
  const under = new Float32Array(STEPS);
  let sum = 0;
  for (let s = 0; s < STEPS; s++) {
    sum += counts[s]!;
    under[s] = sum / field.length;
  }
  for (let i = 0; i < field.length; i++) {
    const at = Math.min(STEPS - 1.001, field[i]! * STEPS);
    const s = at | 0;
    const from = s === 0 ? 0 : under[s - 1]!;
    field[i] = from + (under[s]! - from) * (at - s);
  }
  return field;
}

/** Stains run down from where they gather, and fade on the way. Twice round, since the swatch's edges meet. */
function runDown(mask: Float32Array, lengthCells: number): Float32Array {
  const out = borrowed();
  const keeps = Math.exp(-2 / lengthCells);
  for (let x = 0; x < CELLS; x++) {
    let run = 0;
    for (let y = 0; y < 2 * CELLS; y++) {
      const i = (y & (CELLS - 1)) * CELLS + x;
      run = Math.max(mask[i]!, run * keeps);
      out[i] = run;
    }
  }
  return out;
}
