import { type Catalogue, rangesOf } from '../catalogue';
import { momentText } from '../base/dates';
import type { Figure } from '../base/units';
import { readyIn } from '../schedule/tasks';
import type { Plan } from '../plan';
import { type Band, type Drawn, type VarianceDriver, Draws, Redrawn, bandOf, quantile, varianceDriversOf } from '../learning/uncertainty';
import type { Supply } from '../procurement/supplies';
import { type Enough, costsOf, enoughOf, usedOf } from '../procurement/supplies/certainty';
import type { Derivation } from './derive';
import { TALLY_FIGURES, TALLY_KEYS } from './tally-figures';
import type { Tally } from './tally';

/** Chances drawn: enough that bands stand still. */
export const CHANCES = 2_000;
/** How sure the ready date is. */
export interface ReadyUncertainty {
  readonly band: Band;
  /** One in ten is ready by the first, nine in ten by the second. */
  readonly lowText: string;
  readonly highText: string;
  /** Of all chances, those that come out with no plan at all. */
  readonly noneShare: number;
}
/** How sure a need is, and what it costs to be surer. */
export interface NeedUncertainty {
  readonly id: string;
  readonly band: Band | null;
  /** What the packages for it come to. */
  readonly buy: Band | null;
  readonly enough: readonly Enough[];
}
/** How sure all this is: a band for each figure that anything unsure goes into. */
export interface Uncertainty {
  readonly tally: Readonly<Partial<Record<keyof Tally, Band>>>;
  readonly needs: readonly NeedUncertainty[];
  readonly ready: ReadyUncertainty | null;
}
/** How often of a hundred something may be asked to be enough. */
export const SURE_OF_HUNDRED = [80, 90, 95] as const;

type Known = Pick<Derivation, 'tally' | 'supplies' | 'steps' | 'spots' | 'days' | 'shop'>;

/** Chances for a board: one list for each value of its catalogue, the same from one edit to the next. */
export function drawsFor({ seed }: Pick<Plan, 'seed'>, catalogue: Catalogue, count = CHANCES): Draws {
  const names = rangesOf(catalogue);
  return new Draws(count, seed, (range) => range.path ?? names.get(range));
}

/** Bands of the tally, of every need and of what it costs; the date is planned apart, see {@link readyDraw}. @param draws from {@link drawsFor} */
export function uncertaintyOf({ tally, supplies }: Pick<Known, 'tally' | 'supplies'>, draws: Draws): Uncertainty {
  const redrawn = new Redrawn(draws);
  const rows = supplies.rows.map((row) => ({ row, need: redrawn.of(row.need) }));
  const costs = rows.map(({ row, need }) => costOf(row, need));
  const used = rows.map(({ row, need }) => (isDrawn(row, need) ? usedOf(need, row.sizes) : row.used.value));
  const cost = new Float64Array(draws.count);
  for (const own of used) for (let i = 0; i < cost.length; i++) cost[i]! += typeof own === 'number' ? own : own[i]!;
  const bands: Partial<Record<keyof Tally, Band>> = {};
  for (const key of TALLY_KEYS) {
    const band = TALLY_FIGURES[key].isDrawn ? bandOf(redrawn.of(tally[key])) : null;
    if (band !== null) bands[key] = band;
  }
  if (used.some((own) => typeof own !== 'number')) bands.cost = bandOf(cost)!;
  return {
    tally: bands,
    needs: rows.map(({ row, need }, i) => ({
      id: row.id,
      band: bandOf(need),
      buy: bandOf(costs[i]!),
      enough: row.sizes.length === 0 ? [] : SURE_OF_HUNDRED.map((ofHundred) => enoughOf(shortOf(row, need), row.sizes, ofHundred)),
    })),
    ready: null,
  };
}
/** What of a need is short when the shelf has some of it. */
function shortOf({ onShelf }: Supply, need: Drawn): Drawn {
  if (onShelf === null || typeof need === 'number') return need;
  return need.map((one) => Math.max(0, one - onShelf.value));
}
const isDrawn = ({ sizes }: Supply, need: Drawn): need is Float64Array => typeof need !== 'number' && sizes.length > 0;
const costOf = (row: Supply, need: Drawn): Drawn =>
  isDrawn(row, need) ? costsOf(shortOf(row, need) as Float64Array, row.sizes) : row.buy.value;

/** When the board is ready in each chance; null for a board that has no date. */
export const readyDraw = (
  plan: Plan,
  catalogue: Catalogue,
  { steps, spots, days, shop: { doneTasks } }: Known,
  draws: Draws,
): ((chance: number) => number) | null => readyIn({ ...plan, doneTasks, steps, spots, days, catalogue }, new Redrawn(draws));

/** How sure a date is. @param chances of {@link readyDraw}, as many as there are */
export function readySureOf(chances: Float64Array, { calendar: { startsOn } }: Plan): ReadyUncertainty {
  const planned = chances.filter(Number.isFinite);
  const noneShare = 1 - planned.length / chances.length;
  const band = planned.length === 0 ? { low: Infinity, high: Infinity } : { low: quantile(planned, 0.1), high: quantile(planned, 0.9) };
  const text = (min: number): string => (Number.isFinite(min) ? momentText(startsOn, min) : 'never');
  return { band, lowText: text(band.low), highText: text(band.high), noneShare };
}

/** What one figure's width comes from. */
export const widthOf = (figure: Figure, draws: Draws): { readonly band: Band | null; readonly from: readonly VarianceDriver[] } => {
  const redrawn = new Redrawn(draws);
  return { band: bandOf(redrawn.of(figure)), from: varianceDriversOf(figure, draws, redrawn) };
};
