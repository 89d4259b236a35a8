import { listedBy } from '../../../base/grouping';
import { type Catalogue, type LengthStock, lengthBy } from '../../../catalogue';
import type { LengthCut } from './made';

/** One length of stock with what is cut from it, from its end on. */
export interface CutLength {
  readonly cuts: readonly LengthCut[];
  readonly leftMm: number;
}
/** What is bought of one stock sold by length. */
export interface LengthNeed {
  readonly stock: LengthStock;
  readonly lengths: readonly CutLength[];
  /** Cuts longer than the stock. */
  readonly tooLong: readonly LengthCut[];
  /** No fewer lengths will do. */
  readonly least: number;
}
/** A fine saw takes this at every cut. */
const KERF_MM = 0.5;

/** Every stock that pieces are cut from by length, and how its lengths are shared out. */
export function lengthNeeds(cuts: readonly LengthCut[], catalogue: Catalogue): readonly LengthNeed[] {
  return [...listedBy(cuts, ({ lengthId }) => lengthId)].map(([lengthId, own]) => shared(own, lengthBy(catalogue, lengthId)));
}

/** Longest first, each into the length that it leaves the least of: within a ninth of the fewest, and mostly the fewest. @source best-fit decreasing */
function shared(cuts: readonly LengthCut[], stock: LengthStock): LengthNeed {
  const roomMm = stock.lengthMm + KERF_MM;
  const fitting = cuts.filter(({ lengthMm }) => lengthMm <= stock.lengthMm);
  const open: { cuts: LengthCut[]; leftMm: number }[] = [];
  for (const cut of [...fitting].sort((a, b) => b.lengthMm - a.lengthMm)) {
    const takesMm = cut.lengthMm + KERF_MM;
    const best = open.filter(({ leftMm }) => leftMm >= takesMm - 1e-9).sort((a, b) => a.leftMm - b.leftMm)[0];
    if (best === undefined) open.push({ cuts: [cut], leftMm: roomMm - takesMm });
    else {
      best.cuts.push(cut);
      best.leftMm -= takesMm;
    }
  }
  const allMm = fitting.reduce((sum, { lengthMm }) => sum + lengthMm + KERF_MM, 0);
  return { stock, lengths: open, tooLong: cuts.filter((cut) => !fitting.includes(cut)), least: Math.ceil(allMm / roomMm - 1e-9) };
}
