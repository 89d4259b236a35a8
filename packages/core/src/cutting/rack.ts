import type { Catalogue } from '../catalogue';
import type { CutJob } from './cut-sheets';
import type { LaidSheet } from './layout';

/** A piece left over from a sheet, kept for another day: straight edges, right angles. */
export interface Offcut {
  readonly id: string;
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
}
/** What one sheet leaves that is worth its place in the rack. */
export type Leftover = Omit<Offcut, 'id'>;

/** The largest rectangle a sheet leaves, when it is large enough both ways to keep; null otherwise. */
export function leftoverOf(job: CutJob, sheet: LaidSheet, catalogue: Catalogue): Leftover | null {
  const { widthMm, depthMm } = sheet.rest;
  if (Math.min(widthMm, depthMm) < catalogue.bench.leastOffcutMm.value) return null;
  const whole = (mm: number): number => Math.floor(mm);
  return { materialId: job.materialId, thicknessMm: job.thicknessMm, widthMm: whole(widthMm), depthMm: whole(depthMm) };
}
